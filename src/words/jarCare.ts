import type { FeedDue, HabitualFeed, PlannedMove } from '../answers'
import type { Place } from '../contract'
import type { Format } from '../core'
import { near } from './phases'

/** What a jar wants, in a line. */
export const feedTitle = (name: string) => `Feed ${name}`

/** The next step of a jar's program, in a line. */
export const programTitle = (name: string, step: string) => `${name}: ${step}`

/** A move that is to be made, in a line. */
export const moveTitle = (name: string, { placeId }: PlannedMove, places: readonly Pick<Place, 'id' | 'name'>[]) =>
  `Move ${name} to ${places.find((place) => place.id === placeId)?.name ?? 'another place'}`

/** By when it wants it. @returns null where nobody knows an end */
export function feedBy({ byMs }: FeedDue, nowMs: number, format: Format): string | null {
  if (byMs === null) return null
  return byMs > nowMs
    ? `By ${format.dayTime(near(byMs))}; after that one feed is not enough.`
    : `One feed is not enough any more, since ${format.dayTime(byMs)}.`
}

/** The feed a jar is used to, with what it throws away. */
export function usualFeedWords({ keepGrams, flourGrams, waterGrams, discardGrams }: HabitualFeed, format: Format): string {
  const fed = `Like last time: keep ${format.mass(keepGrams)}, add ${format.mass(flourGrams)} of flour and ${format.mass(waterGrams)} of water.`
  return discardGrams < 1 ? fed : `${fed} ${format.mass(discardGrams)} go to the discard pot.`
}
