import { Button, Group, Skeleton, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconPlus } from '@tabler/icons-react'
import { Link } from 'react-router'
import { withoutSpare } from '../../../core'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { FeedSeveral } from '../../parts/feed/FeedSeveral'
import { NewJarSheet } from '../../parts/feed/NewJarSheet'
import { JarLineUp } from '../../parts/jar/JarLineUp'
import { Quiet } from '../../parts/Quiet'
import { Room } from '../../parts/Room'
import { DiscardCard } from './DiscardCard'

/** All cultures of the kitchen, the neediest first. */
export function JarsRoom() {
  const now = useNow()
  const { cultures, error } = useCultures()
  const conditions = useConditions(cultures, now)
  const [adding, { open, close }] = useDisclosure(false)
  const [several, feedSeveral] = useDisclosure(false)
  if (cultures === undefined)
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title="The jars could not be opened" words={error.message} />
  const { jars } = cultures
  const alone = withoutSpare(jars)
  return (
    <Room
      title="Jars"
      actions={
        jars.length > 0 && (
          <Group>
            <Button variant="default" component={Link} to="/programs/new">
              Start one from flour
            </Button>
            <Button leftSection={<IconPlus size={20} />} variant="default" onClick={open}>
              New jar
            </Button>
            {jars.length > 1 && <Button onClick={feedSeveral.open}>Feed several</Button>}
          </Group>
        )
      }
    >
      {jars.length === 0 ? (
        <>
          <Quiet title="No jar yet" words="A jar of starter is where every bake begins." action={{ label: 'New jar', onClick: open }} />
          <Text ta="center">
            None to be had? <Link to="/programs/new">Start one from flour and water.</Link>
          </Text>
        </>
      ) : (
        <JarLineUp cultures={cultures} conditions={conditions} now={now} />
      )}
      {alone.length > 1 && (
        <Text c="dimmed">
          {alone
            .slice(0, 6)
            .map((jar) => jar.name)
            .join(', ')}{' '}
          have no spare. A little of each, dried or in the cold, and nothing is lost when a jar breaks.
        </Text>
      )}
      <DiscardCard now={now} />
      <NewJarSheet opened={adding} onClose={close} />
      <FeedSeveral cultures={cultures} conditions={conditions} opened={several} onClose={feedSeveral.close} />
    </Room>
  )
}
