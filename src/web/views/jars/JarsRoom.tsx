import { Button, Group, Skeleton } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconPlus } from '@tabler/icons-react'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { NewJarSheet } from '../../parts/feed/NewJarSheet'
import { JarLineUp } from '../../parts/jar/JarLineUp'
import { Quiet } from '../../parts/Quiet'
import { DiscardCard } from './DiscardCard'
import classes from './JarsRoom.module.css'

/** All cultures of the kitchen, the neediest first. */
export function JarsRoom() {
  const now = useNow()
  const { cultures, error } = useCultures()
  const [adding, { open, close }] = useDisclosure(false)
  if (cultures === undefined)
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title="The jars could not be opened" words={error.message} />
  const { jars } = cultures
  return (
    <div className={classes.room}>
      <Group justify="space-between">
        <h1 className={classes.title}>Jars</h1>
        {jars.length > 0 && (
          <Button leftSection={<IconPlus size={20} />} variant="default" onClick={open}>
            New jar
          </Button>
        )}
      </Group>
      {jars.length === 0 ? (
        <Quiet title="No jar yet" words="A jar of starter is where every bake begins." action={{ label: 'New jar', onClick: open }} />
      ) : (
        <JarLineUp cultures={cultures} now={now} />
      )}
      <DiscardCard now={now} />
      <NewJarSheet opened={adding} onClose={close} />
    </div>
  )
}
