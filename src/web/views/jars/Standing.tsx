import { Button, Select } from '@mantine/core'
import { type FeedAmounts, whereItStands } from '../../../answers'
import type { Jar, Place } from '../../../contract'
import { isCold, isHungry, type JarCondition } from '../../../core'
import { near } from '../../../words'
import { moveJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { swapPlaces } from '../../data/together'
import { Card, Note } from '../../parts/Card'
import { PlaceSelect } from '../../parts/PlaceSelect'
import { tellDone, tellError } from '../../parts/tell'

/** A small feed before the cold: as much flour as starter, a little of it. */
const SMALL_GRAMS = 20

/** Where it stands, and taking it elsewhere; never hungry into the cold without a word. */
export function Standing({
  jar,
  jars,
  condition,
  now,
  onFeed
}: {
  jar: Jar
  jars: readonly Jar[]
  condition: JarCondition | undefined
  now: number
  onFeed: (amounts: FeedAmounts) => void
}) {
  const { kitchen, format } = useKitchen()
  const stands = whereItStands(jar, now)
  const here = kitchen.places.find((p) => p.id === stands.placeId)
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? 'elsewhere'
  const hungry = condition !== undefined && isHungry(condition, now)
  const move = ({ id, name }: Place) => {
    if (id !== stands.placeId) moveJar(jar, id).then((undo) => tellDone(`${jar.name} stands at ${name} now.`, undo), tellError)
  }
  const others = jars.filter((other) => other.id !== jar.id && other.culture !== 'dried' && whereItStands(other, now).placeId !== stands.placeId)
  /** Two jars that take turns: one works, one sleeps. */
  const swap = (other: Jar | undefined) => {
    if (other !== undefined)
      swapPlaces(jar, other, { jar: stands.placeId, other: whereItStands(other, now).placeId }).then(
        (undo) => tellDone(`${jar.name} and ${other.name} have swapped places.`, undo),
        tellError
      )
  }
  return (
    <Card title="Where it stands">
      <PlaceSelect aria-label="Where it stands" value={stands.placeId} onPlace={move} />
      {stands.next !== null && (
        <Note>
          To go to {nameOf(stands.next.placeId)} at {format.dayTime(near(stands.next.atMs))}. Olvent takes it that you move it then.
        </Note>
      )}
      {others.length > 0 && (
        <Select
          mt="sm"
          aria-label="Swap places with"
          placeholder="Swap places with another jar"
          data={others.map((other) => ({
            value: other.id,
            label: `${other.name}, ${nameOf(whereItStands(other, now).placeId)}`
          }))}
          value={null}
          onChange={(v) => swap(others.find((other) => other.id === v))}
        />
      )}
      {hungry && (
        <Note tone="care">
          {here !== undefined && isCold(here.tempC)
            ? `${jar.name} is hungry in the cold. Take it out and feed it.`
            : `Never put it to bed hungry: a small feed and an hour out before the cold, and it keeps.`}{' '}
          <Button size="compact-sm" variant="light" onClick={() => onFeed(smallFeed(jar))}>
            A small feed
          </Button>
        </Note>
      )}
    </Card>
  )
}

/** One to one to one, and an hour out where it stands cold. */
function smallFeed(jar: Jar): FeedAmounts {
  const keepGrams = Math.max(Math.min(Math.max(jar.keepMinimumGrams, SMALL_GRAMS), jar.grams), 1)
  return { keepGrams, flourGrams: keepGrams, waterGrams: Math.max(Math.round(keepGrams * jar.hydration), 1), hourOut: true }
}
