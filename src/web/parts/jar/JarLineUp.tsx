import { Button, Skeleton } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import type { Cultures } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarCondition, withoutSpare } from '../../../core'
import { JAR_LINE_UP } from '../../../words/screens/parts-jar'
import { JarCard } from './JarCard'
import classes from './JarLineUp.module.css'
import { jarsByNeed } from './jarsByNeed'

const FeedSheet = lazy(() => import('../feed/FeedSheet').then((m) => ({ default: m.FeedSheet })))

/** Jars that are drawn at first, and more at each asking. */
const DRAWN = 24
/** What a card takes, about, px. */
const CARD_PX = 173

/** All jars at a glance, the neediest first; each can be fed from here. */
export function JarLineUp({ cultures, conditions, now }: { cultures: Cultures; conditions: ReadonlyMap<string, JarCondition> | undefined; now: number }) {
  const [feeding, setFeeding] = useState<Jar | null>(null)
  const [drawn, setDrawn] = useState(DRAWN)
  // Their order comes with how they are: a card that still moves away is not shown to be tapped.
  if (conditions === undefined)
    return (
      <div className={classes.jars} aria-busy>
        {cultures.jars.slice(0, DRAWN).map((jar) => (
          <Skeleton key={jar.id} height={CARD_PX} />
        ))}
      </div>
    )
  const jars = jarsByNeed(cultures.jars, conditions, now)
  const alone = new Set(withoutSpare(cultures.jars).map((jar) => jar.id))
  return (
    <>
      <section className={classes.jars} aria-label={JAR_LINE_UP.jars}>
        {jars.slice(0, drawn).map((jar) => (
          <JarCard key={jar.id} jar={jar} condition={conditions.get(jar.id)} alone={alone.has(jar.id)} now={now} onFeed={setFeeding} />
        ))}
      </section>
      {jars.length > drawn && (
        <Button mt="md" variant="default" onClick={() => setDrawn(drawn + DRAWN)}>
          {JAR_LINE_UP.showMore(Math.min(DRAWN, jars.length - drawn), jars.length)}
        </Button>
      )}
      {feeding !== null && (
        <Suspense fallback={null}>
          <FeedSheet jar={feeding} onClose={() => setFeeding(null)} />
        </Suspense>
      )}
    </>
  )
}
