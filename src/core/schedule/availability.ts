import { TZDate } from '@date-fns/tz'
import { addDays, getISODay } from 'date-fns'
import { millisecondsInDay, millisecondsInMinute } from 'date-fns/constants'
import { atClock, type Interval, nightsBetween, type Sleep } from './nights'

/** How firmly a time is taken: nobody is there, or the baker would rather not. */
export const BUSY_KINDS = ['out', 'rather not'] as const
export type BusyKind = (typeof BUSY_KINDS)[number]

/** A time that comes back every week, by the wall clock. */
export interface WeeklyBusy {
  readonly name: string
  readonly kind: BusyKind
  /** ISO days of the week, 1 is Monday. */
  readonly days: readonly number[]
  /** "09:00" to "17:00"; to at or before from: it ends on the next day. */
  readonly from: string
  readonly to: string
}

/** A busy time once. */
export interface BusyOnce extends Interval {
  readonly name: string
  readonly kind: BusyKind
}

/** When the baker is awake and at home. */
export interface Hours {
  readonly sleep: Sleep
  readonly weekly: readonly WeeklyBusy[]
  readonly once: readonly BusyOnce[]
  /** IANA name. */
  readonly timeZone: string
}

/** A stretch of time in which hands are not there. */
export interface Busy extends Interval {
  readonly kind: BusyKind | 'asleep' | 'other bake'
  /** "work", "asleep", or the other bake's name. */
  readonly name: string
}

/**
 * Everything that takes the baker away between two moments; right over a change of the clocks.
 * @param fromMs start, ms
 * @param toMs end, ms
 * @returns in the order of time; stretches may overlap
 */
export function busyBetween(fromMs: number, toMs: number, { sleep, weekly, once, timeZone }: Hours): Busy[] {
  const busy: Busy[] = nightsBetween(fromMs, toMs, sleep, timeZone).map((night) => ({ ...night, kind: 'asleep', name: 'asleep' }))
  for (let day = addDays(new TZDate(fromMs, timeZone), -1); day.getTime() < toMs + millisecondsInDay; day = addDays(day, 1)) {
    for (const { days, from, to, kind, name } of weekly) {
      if (!days.includes(getISODay(day)) || from === to) continue
      busy.push({ fromMs: atClock(day, from), toMs: atClock(to > from ? day : addDays(day, 1), to), kind, name })
    }
  }
  busy.push(...once)
  return busy.filter((b) => b.toMs > fromMs && b.fromMs < toMs).sort((a, b) => a.fromMs - b.fromMs)
}

/** Whether a stretch must be kept free; the others are only rather not. */
export const isHard = ({ kind }: Busy) => kind !== 'rather not'

/** Minutes of a stretch that are taken, asked very often. */
export interface BusyGrid {
  /** Minutes between two moments in which there are no hands, or nobody is at home. */
  readonly hard: (fromMs: number, toMs: number) => number
  /** Minutes in which the baker would rather not. */
  readonly soft: (fromMs: number, toMs: number) => number
  /** How far the free time around a moment reaches, ms; the moment itself twice when it is taken. */
  readonly freeAround: (ms: number, mostMs: number) => Interval
}

/** Taken out of Math once: the loops below ask for them by the million. */
const { ceil, floor, max, min } = Math

/** Counts taken minutes once, so that each question is a subtraction. Outside its stretch all is free. */
export function busyGrid(busy: readonly Busy[], fromMs: number, toMs: number): BusyGrid {
  const count = max(ceil((toMs - fromMs) / millisecondsInMinute), 1)
  const sums = (hard: boolean) => {
    const taken = new Uint8Array(count)
    for (const b of busy) {
      if (isHard(b) !== hard) continue
      const first = max(floor((b.fromMs - fromMs) / millisecondsInMinute), 0)
      const last = min(ceil((b.toMs - fromMs) / millisecondsInMinute), count)
      if (last > first) taken.fill(1, first, last)
    }
    const sum = new Int32Array(count + 1)
    for (let i = 0; i < count; i++) sum[i + 1] = (sum[i] ?? NaN) + (taken[i] ?? NaN)
    return sum
  }
  const hardSums = sums(true)
  const softSums = sums(false)
  const at = (ms: number, up: boolean) => min(max(up ? ceil((ms - fromMs) / millisecondsInMinute) : floor((ms - fromMs) / millisecondsInMinute), 0), count)
  const between = (sum: Int32Array) => (from: number, to: number) => (sum[at(to, true)] ?? NaN) - (sum[at(from, false)] ?? NaN)
  const hard = between(hardSums)
  return {
    hard,
    soft: between(softSums),
    freeAround(ms, mostMs) {
      let from = ms
      let to = ms
      while (ms - from < mostMs && hard(from - 5 * millisecondsInMinute, from) === 0) from -= 5 * millisecondsInMinute
      while (to - ms < mostMs && hard(to, to + 5 * millisecondsInMinute) === 0) to += 5 * millisecondsInMinute
      return { fromMs: from, toMs: to }
    }
  }
}
