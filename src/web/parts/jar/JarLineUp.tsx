import { useState } from 'react'
import type { Jar } from '../../../contract'
import type { Cultures } from '../../data/beliefs'
import { useConditions } from '../../data/conditions'
import { byNeed } from '../conditionWords'
import { FeedSheet } from '../feed/FeedSheet'
import { JarCard } from './JarCard'
import classes from './JarLineUp.module.css'

/** All jars at a glance, the neediest first; each can be fed from here. */
export function JarLineUp({ cultures, now }: { cultures: Cultures; now: number }) {
  const conditions = useConditions(cultures, now)
  const [feeding, setFeeding] = useState<Jar | null>(null)
  const jars = [...cultures.jars].sort((a, b) => byNeed(conditions?.get(a.id), conditions?.get(b.id)))
  return (
    <section className={classes.jars} aria-label="Jars">
      {jars.map((jar) => (
        <JarCard key={jar.id} jar={jar} condition={conditions?.get(jar.id)} now={now} onFeed={setFeeding} />
      ))}
      <FeedSheet jar={feeding} onClose={() => setFeeding(null)} />
    </section>
  )
}
