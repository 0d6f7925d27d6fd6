/**
 * Holding a ripe levain in the cold. Its level tells little there: gas takes less room, and the water takes more of it up. What it loses is strength, to the
 * acid that is made on; so it is held by that, and never longer than a day. Source: craft knowledge.
 */
import { millisecondsInHour } from 'date-fns/constants'
import type { JarParameters } from '../ferment/jarParameters'
import type { BatchLine, LineStay } from '../jars/lineage'
import { sourAfter } from './compareLines'

/** Colder than this it is held, °C; so much more acid it bears, and so long at most, h. */
export const HOLD = { belowC: 10, moreTta: 1.15, mostHours: 24, stepHours: 0.5 } as const

/** Whether a place is cold enough to hold a levain. */
export const holds = (tempC: number) => tempC < HOLD.belowC

/**
 * How long a levain stays good from the hour it is chilled, h.
 * @param line with its move into the cold
 * @param chilledHours when that was, since mixing
 */
export function holdHours(line: BatchLine, chilledHours: number, jar: JarParameters): number {
  const most = HOLD.moreTta * sourAfter(line, chilledHours, jar).tta
  let hours: number = HOLD.stepHours
  while (hours < HOLD.mostHours && sourAfter(line, chilledHours + hours + HOLD.stepHours, jar).tta <= most) hours += HOLD.stepHours
  return hours
}

/** When it was last put into the cold, h since mixing, and where it had stood before; null where it does not stand in the cold at that hour. */
export function chilledSince(line: BatchLine, nowHours: number): { readonly hours: number; readonly stays: readonly LineStay[] } | null {
  const nowMs = line.startedAtMs + nowHours * millisecondsInHour
  const here = line.stays.findLastIndex((stay) => stay.fromMs <= nowMs)
  const warm = line.stays.findLastIndex(({ tempC }, i) => i <= here && !holds(tempC))
  const from = line.stays[warm + 1]
  // It stands warm, or was cold from the start: nothing is held.
  if (warm === here || warm < 0 || from === undefined) return null
  return { hours: (from.fromMs - line.startedAtMs) / millisecondsInHour, stays: line.stays.slice(0, warm + 1) }
}
