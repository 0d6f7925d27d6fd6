import { TZDate } from '@date-fns/tz'
import { addDays } from 'date-fns'
import { millisecondsInDay } from 'date-fns/constants'

/** Hours of sleep by the kitchen's clock, "23:00" and "07:00". */
export interface Sleep {
  readonly from: string
  readonly to: string
}

/** A stretch of time, ms since 1970. */
export interface Interval {
  readonly fromMs: number
  readonly toMs: number
}

/** The instant at which a wall clock shows a time on a day. */
export function atClock(day: TZDate, clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  return new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes, 0, day.timeZone ?? 'UTC').getTime()
}

/**
 * Nights that touch a stretch of time; right over a change of the clocks, since each is worked out by the wall clock of its day.
 * @param fromMs start, ms
 * @param toMs end, ms
 * @param sleep hours of sleep; the same time twice means no sleep at all
 * @param timeZone IANA name
 * @returns in the order of time, whole nights
 */
export function nightsBetween(fromMs: number, toMs: number, sleep: Sleep, timeZone: string): Interval[] {
  if (sleep.from === sleep.to) return []
  const nights: Interval[] = []
  let day = addDays(new TZDate(fromMs, timeZone), -1)
  for (; day.getTime() < toMs + millisecondsInDay; day = addDays(day, 1)) {
    const start = atClock(day, sleep.from)
    const sameDay = sleep.to > sleep.from
    const end = atClock(sameDay ? day : addDays(day, 1), sleep.to)
    if (end > fromMs && start < toMs) nights.push({ fromMs: start, toMs: end })
  }
  return nights
}

/** The night a moment falls into, its edges not counted; undefined when one is awake. */
export function nightAt(ms: number, sleep: Sleep, timeZone: string): Interval | undefined {
  return nightsBetween(ms - 1, ms + 1, sleep, timeZone).find((n) => ms > n.fromMs && ms < n.toMs)
}

/** The next time a wall clock shows a time, ms. @param afterMs it comes after this */
export function nextAt(afterMs: number, clock: string, timeZone: string): number {
  const today = new TZDate(afterMs, timeZone)
  const at = atClock(today, clock)
  return at > afterMs ? at : atClock(addDays(today, 1), clock)
}

/** An instant from a wall-clock day and time of a zone. */
export function instantAt(year: number, month: number, day: number, clock: string, timeZone: string): number {
  return atClock(new TZDate(year, month - 1, day, timeZone), clock)
}
