import { Button, Skeleton } from '@mantine/core'
import type { Jar, JarEvent } from '../../../contract'
import { type Format, ratioOf } from '../../../core'
import { near, whenWords } from '../../../words'
import { JAR_HISTORY } from '../../../words/screens/jars'
import { takeBackOfJar, useJarHistory } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../../parts/cards/Card'
import rows from '../../parts/cards/Rows.module.css'
import { tellDone, tellError } from '../../parts/cards/tell'
import { useOnce } from '../../parts/useOnce'

/** What can be taken back at any time, and what only while nothing of its kind has come after it. */
const ALWAYS: readonly JarEvent['type'][] = ['weighing', 'look', 'put off']
const WHILE_LAST: readonly JarEvent['type'][] = ['feed', 'moved', 'planned move', 'split']

/** The events that can be taken back from here. @param events newest first */
function takenBackFrom(events: readonly JarEvent[]): ReadonlySet<string> {
  const stand = events.filter((event) => !event.undone)
  const last = stand.find((event) => WHILE_LAST.includes(event.type))
  return new Set(stand.filter((event) => event === last || ALWAYS.includes(event.type)).map((event) => event.id))
}

/** What happened to a jar, newest first, page by page. */
export function JarHistory({ jar, now, onCorrect }: { jar: Jar; now: number; onCorrect: () => void }) {
  const { format } = useKitchen()
  const { run: undo, busy } = useOnce((event: JarEvent) =>
    takeBackOfJar(jar, event.id).then(() => tellDone(JAR_HISTORY.isTakenBack(eventWords(event, format))), tellError)
  )
  const { events, error, more } = useJarHistory(jar)
  if (error !== undefined && events === undefined) return <Note tone="care">{JAR_HISTORY.whatHappenedToCouldNot(jar.name, error.message)}</Note>
  if (events === undefined) return <Skeleton height={160} />
  const takenBack = takenBackFrom(events)
  return (
    <Card title={JAR_HISTORY.whatHappened}>
      <ul className={rows.rows} data-testid="history">
        {events.map((event) => (
          <li key={event.id} data-undone={event.undone}>
            <b>{whenWords(event.at, now, format)}</b>
            <span>
              {eventWords(event, format)}
              {event.undone && JAR_HISTORY.takenBack}{' '}
              {takenBack.has(event.id) && (
                <Button
                  size="compact-sm"
                  variant="subtle"
                  disabled={busy}
                  aria-label={JAR_HISTORY.undoOf(eventWords(event, format))}
                  onClick={() => undo(event)}
                >
                  {JAR_HISTORY.undo}
                </Button>
              )}
              {(event.type === 'opened' || event.type === 'corrected') && (
                <Button size="compact-sm" variant="subtle" onClick={onCorrect}>
                  {JAR_HISTORY.correct}
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {more !== undefined && (
        <Button variant="default" mt="md" onClick={more}>
          {JAR_HISTORY.showMore}
        </Button>
      )}
    </Card>
  )
}

function eventWords({ type, grams, keepGrams, flourGrams, waterGrams, rise, pH, placeName, bakeName, until }: JarEvent, format: Format): string {
  const at = placeName === null ? '' : `, ${placeName}`
  if (type === 'feed' && keepGrams !== null && flourGrams !== null && waterGrams !== null) {
    const fed = { seed: keepGrams, flour: flourGrams, water: waterGrams }
    return JAR_HISTORY.fedKeptFlourWater(ratioOf(fed), format.mass(keepGrams), format.mass(flourGrams), format.mass(waterGrams), at)
  }
  if (type === 'drawn') return JAR_HISTORY.takenFor(format.mass(grams ?? 0, (grams ?? 0) % 1 === 0 ? 1 : 0.1), bakeName ?? JAR_HISTORY.bake)
  if (type === 'returned') return JAR_HISTORY.backIntoJarFrom(format.mass(grams ?? 0, (grams ?? 0) % 1 === 0 ? 1 : 0.1), bakeName ?? JAR_HISTORY.bake)
  if (type === 'look') return `${rise === null ? JAR_HISTORY.lookedAt : JAR_HISTORY.lookedAt2(format.rise(rise))}${pH === null ? '' : JAR_HISTORY.pH(pH)}`
  if (type === 'ended') return JAR_HISTORY.leftKitchenAndCameBack
  if (type === 'weighing') return JAR_HISTORY.weighed(format.mass(grams ?? 0))
  if (type === 'split') return JAR_HISTORY.wentIntoNewJar(format.mass(grams ?? 0))
  if (type === 'moved') return `moved${placeName === null ? '' : JAR_HISTORY.to(placeName)}`
  if (type === 'planned move') return `${JAR_HISTORY.toBeMoved}${placeName === null ? '' : JAR_HISTORY.to(placeName)}`
  if (type === 'put off') return JAR_HISTORY.putOff(until === null ? '' : format.dayTime(near(until)))
  if (type === 'corrected') return JAR_HISTORY.correctedTo(format.mass(grams ?? 0))
  return type === 'opened' ? JAR_HISTORY.cameIntoKitchenWith(format.mass(grams ?? 0)) : JAR_HISTORY.pacePinnedOrBegunAnew
}
