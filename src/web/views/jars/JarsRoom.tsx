import { Button, Group, Skeleton, Text } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconPlus } from '@tabler/icons-react'
import { Link } from 'react-router'
import { withoutSpare } from '../../../core'
import { JARS_ROOM } from '../../../words/screens/jars'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { Quiet } from '../../parts/cards/Quiet'
import { Room } from '../../parts/cards/Room'
import { FeedSeveral } from '../../parts/feed/FeedSeveral'
import { NewJarSheet } from '../../parts/feed/NewJarSheet'
import { JarLineUp } from '../../parts/jar/JarLineUp'
import { DiscardCard } from './DiscardCard'

/** All cultures of the kitchen, the neediest first. */
export function JarsRoom() {
  const now = useNow()
  const { cultures, error } = useCultures()
  const conditions = useConditions(cultures, now)
  const [adding, { open, close }] = useDisclosure(false)
  const [several, feedSeveral] = useDisclosure(false)
  if (cultures === undefined)
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title={JARS_ROOM.jarsCouldNotBeOpened} words={error.message} />
  const { jars } = cultures
  const alone = withoutSpare(jars)
  return (
    <Room
      title={JARS_ROOM.jars}
      actions={
        jars.length > 0 && (
          <Group>
            <Button variant="default" component={Link} to="/programs/new">
              {JARS_ROOM.startOneFromFlour}
            </Button>
            <Button leftSection={<IconPlus size={20} />} variant="default" onClick={open}>
              {JARS_ROOM.newJar}
            </Button>
            {jars.length > 1 && <Button onClick={feedSeveral.open}>{JARS_ROOM.feedSeveral}</Button>}
          </Group>
        )
      }
    >
      {jars.length === 0 ? (
        <>
          <Quiet title={JARS_ROOM.noJarYet} words={JARS_ROOM.jarStarterWhereEveryBake} action={{ label: JARS_ROOM.newJar, onClick: open }} />
          <Text ta="center">
            {JARS_ROOM.noneToBeHad}
            <Link to="/programs/new">{JARS_ROOM.startOneFromFlourAnd}</Link>
          </Text>
        </>
      ) : (
        <JarLineUp cultures={cultures} conditions={conditions} now={now} />
      )}
      {alone.length > 1 && (
        <Text c="dimmed">
          {JARS_ROOM.haveNoSpareLittleEach(
            alone
              .slice(0, 6)
              .map((jar) => jar.name)
              .join(', ')
          )}
        </Text>
      )}
      <DiscardCard now={now} />
      <NewJarSheet opened={adding} onClose={close} />
      <FeedSeveral cultures={cultures} conditions={conditions} opened={several} onClose={feedSeveral.close} />
    </Room>
  )
}
