/**
 * Holding a ripe levain in the cold. Its level tells little there: gas takes less room, and the water takes more of it up. What it loses is strength: acid works
 * on, while hardly any food is left. That is hours, not days. Source: craft knowledge; the model's own acid and yeast say nothing of the strength of a dough.
 */
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { BatchLine, LineStay } from '../jars/lineage'

/** Colder than this it is held, °C; and for how long, h. */
export const HOLD = { belowC: 10, mostHours: 24, leastHours: 8 } as const

/** Whether a place is cold enough to hold a levain. */
export const holds = (tempC: number) => tempC < HOLD.belowC

/**
 * How long a levain stays good from the hour it is chilled, h: a day where it was put away as it became ready, a third of that at the end of its window.
 * @param chilledHours when that was, since mixing
 * @param window when it was ready, since mixing
 */
export function holdHours(chilledHours: number, window: { readonly opens: number; readonly closes: number }): number {
  const gone = (chilledHours - window.opens) / Math.max(window.closes - window.opens, 0.1)
  return HOLD.mostHours + (HOLD.leastHours - HOLD.mostHours) * Math.min(Math.max(gone, 0), 1)
}

/** What is chilled as it is at its best keeps so long, h: between what is put away as it becomes ready and what is put away at the end. */
export const HELD_HOURS = (HOLD.mostHours + HOLD.leastHours) / 2

/**
 * Whether a levain is ready at some moment of a stretch, hours since mixing. Its level tells little in the cold: what was ready when it was chilled is held for
 * hours, what gets ready there keeps for a day.
 * @param chilledHours when it is chilled; null: it is not
 */
export function isReadyWithin(
  { opensHours, closesHours }: { readonly opensHours: number | null; readonly closesHours: number | null },
  fromHours: number,
  toHours: number,
  chilledHours: number | null
): boolean {
  const closes = closesHours ?? Number.POSITIVE_INFINITY
  if (opensHours === null || opensHours > toHours) return false
  if (chilledHours === null || fromHours < chilledHours) return closes >= fromHours
  if (opensHours > chilledHours) return fromHours <= opensHours + HOLD.mostHours
  return closes >= chilledHours && fromHours <= chilledHours + HELD_HOURS
}

/** When it was last put into the cold, h since mixing, and where it had stood before; null where it does not stand in the cold at that hour. */
export function chilledSince(line: BatchLine, nowHours: number): { readonly hours: number; readonly stays: readonly LineStay[] } | null {
  const nowMs = line.startedAtMs + nowHours * millisecondsInHour
  // Asked to the whole minute, it counts as moved within that minute, too.
  const here = line.stays.findLastIndex((stay) => stay.fromMs < nowMs + millisecondsInMinute)
  const warm = line.stays.findLastIndex(({ tempC }, i) => i <= here && !holds(tempC))
  const from = line.stays[warm + 1]
  // It stands warm, or was cold from the start: nothing is held.
  if (warm === here || warm < 0 || from === undefined) return null
  return { hours: (from.fromMs - line.startedAtMs) / millisecondsInHour, stays: line.stays.slice(0, warm + 1) }
}
