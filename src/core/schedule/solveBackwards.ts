import { millisecondsInHour } from 'date-fns/constants'
import { inoculationOf } from '../build/solveBuild'
import type { School } from '../ferment/forecast'
import type { Result } from '../units/result'
import { atRatio, buildFor, buildFrom, type PlannedBuild, type TimedBuild, type TimingProblem } from './planBuild'

/** What may answer when the ripe moment is moved. */
export const UNKNOWNS = ['start', 'ratio', 'inoculation', 'place', 'mix'] as const
/** `mix` is the temperature of the fresh mix, which the water makes. */
export type Unknown = (typeof UNKNOWNS)[number]

/** A build whose one unknown has been found. */
export interface BackwardsAnswer {
  readonly build: PlannedBuild
  readonly timed: TimedBuild
  /** Fresh flour per seed, share of seed, or °C; ms for the start. */
  readonly value: number
  /** When it is fittest, ms. */
  readonly fitMs: number
}

export type BackwardsProblem =
  | TimingProblem
  /** Even at the end of what is possible it is ripe too early. */
  | 'ripe too early'
  /** Even there it is ripe too late. */
  | 'ripe too late'

/** What was found, or the value that comes nearest. */
export type Backwards =
  | { readonly ok: true; readonly answer: BackwardsAnswer }
  | { readonly ok: false; readonly problem: BackwardsProblem; readonly nearest: BackwardsAnswer | null }

/** Within these a value is looked for. */
export interface BackwardsRange {
  readonly low: number
  readonly high: number
}

/** Flour per seed, and °C of places in which a levain is built; above that warmth no longer speeds it. */
export const SEARCHED = { ratio: { low: 0.25, high: 100 }, place: { low: 3, high: 31 }, mix: { low: 10, high: 34 } } as const satisfies Record<
  string,
  BackwardsRange
>

/** So near a wanted moment is there, h. */
const THERE_HOURS = 1 / 120
const ROUNDS = 40

/**
 * Solves a build backwards for one unknown, so that it is fittest at a time.
 * @param build what goes in and where it stands
 * @param wish when it is mixed and when it is to be fit, ms; the start is a first guess when it is the unknown
 * @param unknown what may change
 * @param range where it is looked for, instead of SEARCHED
 * @returns the build as it answers; where none can, which way it fails and what comes nearest
 */
export function solveBackwards(
  build: PlannedBuild,
  wish: { readonly startMs: number; readonly mixAtMs: number; readonly school: School },
  unknown: Unknown,
  range?: BackwardsRange
): Backwards {
  const { startMs, mixAtMs, school } = wish
  if (unknown === 'start') {
    const timed = buildFor(build, mixAtMs, school, startMs)
    return timed.ok
      ? { ok: true, answer: { build, timed: timed.value, value: timed.value.startMs, fitMs: mixAtMs } }
      : { ok: false, problem: timed.problem.code, nearest: null }
  }
  const { low, high } = range ?? SEARCHED[unknown === 'inoculation' ? 'ratio' : unknown]
  const byRatio = unknown === 'ratio' || unknown === 'inoculation'
  const unscaled = byRatio ? Math.exp : (x: number) => x
  const scaled = byRatio ? Math.log : (x: number) => x
  /** More flour is later, more warmth is sooner. */
  const later = byRatio ? 1 : -1
  const tried = (x: number): Result<BackwardsAnswer, TimingProblem> => {
    const value = unscaled(x)
    const changed = withValue(build, unknown, value)
    const timed = buildFrom(changed, startMs, school)
    if (!timed.ok) return timed
    const shown = unknown === 'inoculation' ? inoculationOf(value) : value
    return { ok: true, value: { build: changed, timed: timed.value, value: shown, fitMs: startMs + timed.value.fitHours * millisecondsInHour } }
  }
  const off = (answer: BackwardsAnswer) => (later * (answer.fitMs - mixAtMs)) / millisecondsInHour
  let left = scaled(low)
  let right = scaled(high)
  // The ends may be impossible (too little flour for a wet seed, never ripe in the cold): then the search begins further in.
  const first = endOf(tried, left, right)
  const last = endOf(tried, right, left)
  if (first === null || last === null) {
    const here = buildFrom(build, startMs, school)
    return { ok: false, problem: here.ok ? 'never ripe' : here.problem.code, nearest: null }
  }
  left = first.x
  right = last.x
  let offLeft = off(first.answer)
  let offRight = off(last.answer)
  if (offLeft > 0) return { ok: false, problem: later > 0 ? 'ripe too late' : 'ripe too early', nearest: first.answer }
  if (offRight < 0) return { ok: false, problem: later > 0 ? 'ripe too early' : 'ripe too late', nearest: last.answer }
  let best = Math.abs(offLeft) < Math.abs(offRight) ? first.answer : last.answer
  for (let round = 0; round < ROUNDS && Math.abs(off(best)) > THERE_HOURS; round++) {
    // Straight line between the ends (Illinois); every third time the middle, lest one end stay for ever.
    const share = round % 3 === 2 ? 0.5 : Math.min(Math.max(offLeft / (offLeft - offRight), 0.02), 0.98)
    const x = left + share * (right - left)
    const answer = tried(x)
    if (!answer.ok) break
    const here = off(answer.value)
    if (Math.abs(here) < Math.abs(off(best))) best = answer.value
    if (here < 0) {
      left = x
      offLeft = here
    } else {
      right = x
      offRight = here
    }
  }
  return { ok: true, answer: best }
}

/** The build with another value of its unknown. */
function withValue(build: PlannedBuild, unknown: Exclude<Unknown, 'start'>, value: number): PlannedBuild {
  if (unknown === 'ratio') return atRatio(build, value)
  if (unknown === 'inoculation') return { ...build, levain: { ...build.levain, by: { kind: 'inoculation', share: inoculationOf(value) } } }
  return unknown === 'place' ? { ...build, place: { ...build.place, tempC: value } } : { ...build, mixTempC: value }
}

/** The possible value nearest to an end of the range. */
function endOf(
  tried: (x: number) => Result<BackwardsAnswer, TimingProblem>,
  from: number,
  to: number
): { readonly x: number; readonly answer: BackwardsAnswer } | null {
  for (const share of [0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1]) {
    const x = from + share * (to - from)
    const answer = tried(x)
    if (answer.ok) return { x, answer: answer.value }
  }
  return null
}
