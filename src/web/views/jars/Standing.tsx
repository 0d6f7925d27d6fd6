import { Button, Select } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import { type FeedAmounts, plannedMoves, whereItStands } from '../../../answers'
import type { Jar, Place } from '../../../contract'
import { isCold, isHungry, type JarCondition } from '../../../core'
import { near } from '../../../words'
import { STANDING } from '../../../words/screens/jars'
import { nowMs } from '../../data/clock'
import { moveJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { swapPlaces } from '../../data/together'
import { Card, Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { WhenField } from '../../parts/fields/WhenField'
import { PlannedMove } from '../../parts/jar/PlannedMove'

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
  const [ago, setAgo] = useState(0)
  const stands = whereItStands(jar, now)
  const planned = plannedMoves(jar, now)
  const here = kitchen.places.find((p) => p.id === stands.placeId)
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? 'elsewhere'
  const hungry = condition !== undefined && isHungry(condition, now)
  const move = ({ id, name }: Place) => {
    if (id !== stands.placeId)
      moveJar(jar, id, nowMs() - ago * millisecondsInMinute).then((undo) => tellDone(STANDING.standsAtNow(jar.name, name), undo), tellError)
  }
  const others = jars.filter((other) => other.id !== jar.id && other.culture !== 'dried' && whereItStands(other, now).placeId !== stands.placeId)
  /** Two jars that take turns: one works, one sleeps. */
  const swap = (other: Jar | undefined) => {
    if (other !== undefined)
      swapPlaces(jar, other, { jar: stands.placeId, other: whereItStands(other, now).placeId }).then(
        (undo) => tellDone(STANDING.andHaveSwappedPlaces(jar.name, other.name), undo),
        tellError
      )
  }
  return (
    <Card title={STANDING.whereStands}>
      <WhenField label={STANDING.sinceWhen} minutesAgo={ago} onChange={setAgo} />
      <PlaceSelect mt="sm" aria-label={STANDING.whereStands} value={stands.placeId} onPlace={move} />
      {planned.map((to) => (
        <Note key={to.atMs}>
          {to.atMs > now
            ? STANDING.toGoToAtOlvent(nameOf(to.placeId), format.dayTime(near(to.atMs)))
            : STANDING.wasToGoTo(nameOf(to.placeId), format.dayTime(near(to.atMs)))}
          <PlannedMove jar={jar} move={to} now={now} />
        </Note>
      ))}
      {others.length > 0 && (
        <Select
          mt="sm"
          aria-label={STANDING.swapPlacesWith}
          placeholder={STANDING.swapPlacesWithAnotherJar}
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
          {here !== undefined && isCold(here.tempC) ? STANDING.hungryInColdTakeOut(jar.name) : STANDING.neverPutToBedHungry}{' '}
          <Button size="compact-sm" variant="light" onClick={() => onFeed(smallFeed(jar))}>
            {STANDING.smallFeed}
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
