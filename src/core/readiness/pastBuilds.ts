import { correctDraws } from '../ferment/correctDraws'
import { drawForecast, type HourRange, horizonHours, summarise } from '../ferment/forecast'
import { UNKNOWN_JAR } from '../ferment/jarParameters'
import { type BuildLog, learnJar } from '../ferment/learnJar'
import { simulate } from '../ferment/simulate'
import { sure } from '../units/sure'

/** One finished build: what would have been said before it, and what came. */
export interface PastBuild {
  /** Place in the log. */
  readonly index: number
  /** Peak as forecast from what was known before it, hours since mixing. */
  readonly forecast: HourRange
  /** Peak as its own looks tell it afterwards. */
  readonly outcome: HourRange
}

/** How often what came lay within what had been said. */
export interface Coverage {
  readonly builds: number
  /** Shares that lay within the 50 % and the 90 % range. */
  readonly half: number
  readonly nine: number
  /** Median of how far the forecast was off, h. */
  readonly medianOffHours: number
}

/** Builds gone through again; learning is done anew before each. */
const MOST_PAST = 24
/** A build that was hardly looked at tells no outcome: its peak is known worse than this, h. */
const VAGUE_HOURS = 5
const LOOK_HOURS = 240

/**
 * Goes through the log of a jar as it grew.
 * @param logs in the order of time
 * @yields how far it has come
 * @returns the latest builds whose peak is known well enough, in the order of time
 */
export function* pastBuilds(logs: readonly BuildLog[]): Generator<{ readonly done: number; readonly of: number }, PastBuild[]> {
  const first = Math.max(0, logs.length - MOST_PAST)
  const past: PastBuild[] = []
  // What a meter showed tells nothing of a peak.
  const told = logs.map(({ metered: _, ...log }): BuildLog => log)
  for (let index = first; index < logs.length; index++) {
    const { vessel, seen } = sure(logs[index])
    const belief = learnJar(told.slice(0, index)).belief
    const { milestones } = simulate(vessel, belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
    const draws = drawForecast(vessel, belief, { untilHours: horizonHours(milestones) })
    // What came is told by its own looks, from a jar of which nothing else is known.
    const blank = drawForecast(vessel, UNKNOWN_JAR, { untilHours: horizonHours(milestones) })
    const outcome = summarise(correctDraws(blank, seen), 'dome').peak
    if (seen.length > 0 && outcome.p95 - outcome.p05 <= VAGUE_HOURS) past.push({ index, forecast: summarise(draws, 'dome').peak, outcome })
    yield { done: index - first + 1, of: logs.length - first }
  }
  return past
}

/** How well past builds were foretold; null without any. */
export function coverageOf(past: readonly PastBuild[]): Coverage | null {
  if (past.length === 0) return null
  const within = (low: keyof HourRange, high: keyof HourRange) =>
    past.filter(({ forecast, outcome }) => outcome.p50 >= forecast[low] && outcome.p50 <= forecast[high]).length / past.length
  const off = past.map(({ forecast, outcome }) => Math.abs(outcome.p50 - forecast.p50)).sort((a, b) => a - b)
  return { builds: past.length, half: within('p25', 'p75'), nine: within('p05', 'p95'), medianOffHours: off[Math.floor(off.length / 2)] ?? NaN }
}
