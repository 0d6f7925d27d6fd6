import { Button, Group, Skeleton } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import type { Jar } from '../../../contract'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { byNeed } from '../../parts/conditionWords'
import { FeedSheet } from '../../parts/feed/FeedSheet'
import { NewJarSheet } from '../../parts/feed/NewJarSheet'
import { JarCard } from '../../parts/jar/JarCard'
import { Quiet } from '../../parts/Quiet'
import { DiscardCard } from './DiscardCard'
import classes from './JarsRoom.module.css'

/** All cultures of the kitchen, the neediest first. */
export function JarsRoom() {
  const now = useNow()
  const { cultures, error } = useCultures()
  const conditions = useConditions(cultures, now)
  const [feeding, setFeeding] = useState<Jar | null>(null)
  const [adding, { open, close }] = useDisclosure(false)
  if (cultures === undefined)
    return error === undefined ? <Skeleton height={300} radius={0} /> : <Quiet title="The jars could not be opened" words={error.message} />
  const jars = [...cultures.jars].sort((a, b) => byNeed(conditions?.get(a.id), conditions?.get(b.id)))
  return (
    <div className={classes.room}>
      <Group justify="space-between" mb="md">
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
        <div className={classes.jars}>
          {jars.map((jar) => (
            <JarCard key={jar.id} jar={jar} condition={conditions?.get(jar.id)} now={now} onFeed={setFeeding} />
          ))}
        </div>
      )}
      <DiscardCard now={now} />
      <FeedSheet jar={feeding} onClose={() => setFeeding(null)} />
      <NewJarSheet opened={adding} onClose={close} />
    </div>
  )
}
