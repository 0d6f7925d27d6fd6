import { Button, Skeleton } from '@mantine/core'
import type { Jar, JarEvent } from '../../../contract'
import { type Format, ratioOf } from '../../../core'
import { whenWords } from '../../../words'
import { useJarHistory } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../../parts/Card'
import rows from '../../parts/Rows.module.css'

/** What happened to a jar, newest first, page by page. */
export function JarHistory({ jar, now }: { jar: Jar; now: number }) {
  const { format } = useKitchen()
  const { events, error, more } = useJarHistory(jar)
  if (error !== undefined && events === undefined)
    return (
      <Note tone="care">
        What happened to {jar.name} could not be read: {error.message}
      </Note>
    )
  if (events === undefined) return <Skeleton height={160} />
  return (
    <Card title="What happened">
      <ul className={rows.rows} data-testid="history">
        {events.map((event) => (
          <li key={event.id} data-undone={event.undone}>
            <b>{whenWords(event.at, now, format)}</b>
            <span>
              {eventWords(event, format)}
              {event.undone && ' (taken back)'}
            </span>
          </li>
        ))}
      </ul>
      {more !== undefined && (
        <Button variant="default" mt="md" onClick={more}>
          Show more
        </Button>
      )}
    </Card>
  )
}

function eventWords({ type, grams, keepGrams, flourGrams, waterGrams, rise, placeName, bakeName }: JarEvent, format: Format): string {
  const at = placeName === null ? '' : `, ${placeName}`
  if (type === 'feed' && keepGrams !== null && flourGrams !== null && waterGrams !== null) {
    const fed = { seed: keepGrams, flour: flourGrams, water: waterGrams }
    return `fed ${ratioOf(fed)}: ${format.mass(keepGrams)} kept, ${format.mass(flourGrams)} flour, ${format.mass(waterGrams)} water${at}`
  }
  if (type === 'drawn') return `${format.mass(grams ?? 0, 0.1)} taken for ${bakeName ?? 'a bake'}`
  if (type === 'returned') return `${format.mass(grams ?? 0, 0.1)} back into the jar from ${bakeName ?? 'a bake'}`
  if (type === 'look') return rise === null ? 'looked at' : `looked at: ${format.rise(rise)}`
  if (type === 'ended') return 'left the kitchen, and came back'
  if (type === 'weighing') return `weighed: ${format.mass(grams ?? 0)}`
  if (type === 'split') return `${format.mass(grams ?? 0)} went into a new jar`
  if (type === 'moved') return `moved${placeName === null ? '' : ` to ${placeName}`}`
  return type === 'opened' ? `came into the kitchen with ${format.mass(grams ?? 0)}` : 'pace pinned or begun anew'
}
