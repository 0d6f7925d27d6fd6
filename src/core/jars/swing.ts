import { TZDate } from '@date-fns/tz'
import { instantAt } from '../schedule/nights'
import type { Swing } from './lineage'

/** When a room that swings is warmest, by the kitchen's clock; twelve hours from there it is coldest. */
const WARMEST_AT = '16:00'

/** A place as a kitchen knows it. */
export interface PlaceWarmth {
  /** By day, at its warmest, °C. */
  readonly tempC: number
  /** By night, at its coldest, °C; null where it keeps one temperature. */
  readonly nightTempC: number | null
}

/**
 * How a place swings about its mean.
 * @param place warmest and coldest
 * @param atMs an instant of the day that is meant
 * @param timeZone of the kitchen
 * @returns undefined where it keeps one temperature
 * @example swingOf({ tempC: 22, nightTempC: 18 }, …).swingK // 2, about a mean of 20
 */
export function swingOf({ tempC, nightTempC }: PlaceWarmth, atMs: number, timeZone: string): Swing | undefined {
  if (nightTempC === null || nightTempC === tempC) return undefined
  const day = new TZDate(atMs, timeZone)
  return { swingK: (tempC - nightTempC) / 2, warmestMs: instantAt(day.getFullYear(), day.getMonth() + 1, day.getDate(), WARMEST_AT, timeZone) }
}
