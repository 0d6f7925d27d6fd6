/**
 * Levels that contradict what was seen, or what can be. A level far below an earlier one is a levain that has fallen, a slip of the thumb, a levain that
 * was stirred, or a band that was moved: nobody but the baker knows which.
 */
import { drawnGas } from '../ferment/forecast'
import { quantileOf } from '../units/quantile'
import { sure } from '../units/sure'
import type { Mark } from './marks'
import { phasesOf, type Weighed } from './weighLooks'

/** A level below this share of one it had reached contradicts it. */
const FALLEN_BELOW = 0.85
/** A level it has reached by all but one forecast in ten counts as reached. */
const REACHED_BY = 0.1
/** A level above this multiple of what all but one forecast in fifty allow cannot be. */
const LEAPT = { above: 1.2, quantile: 0.98 } as const
/** Past by such odds at the looks before, it does not rise again by more than readings are off by. */
export const SURELY_PAST = 0.8
const ROSE_AGAIN = 1.12
/** Readings differ by less than this: a level further below the mark cannot be. */
export const BELOW_MARK = 0.92

/** A level that was read: which look in the order of time, and when. */
export interface SeenLevel {
  readonly look: number
  /** Since mixing. */
  readonly hours: number
  /** Height ÷ height at the band, as it was read. */
  readonly rise: number
}

/** The last level, and what it contradicts. */
export interface Contradiction {
  readonly kind: 'fell' | 'rose again' | 'leapt' | 'below the mark'
  readonly last: SeenLevel
  /** The level seen before that it contradicts; null: only the forecast. */
  readonly earlier: SeenLevel | null
  /** The level it should have, as seen before or as forecast: height ÷ height at the band. */
  readonly expected: number
  /** Whether it may be as it is: the baker says so, it is past by the clock, or what was seen beside it shows that it has fallen. */
  readonly believed: boolean
}

/**
 * What the last level contradicts; null where it contradicts nothing.
 * @param marks straightened, in the order of time
 * @param noted the same as they were read
 * @param weigh weighs the draws by some of them
 */
export function contradictionOf(marks: readonly Mark[], noted: readonly Mark[], weigh: (before: readonly Mark[]) => Weighed): Contradiction | null {
  const look = marks.findLastIndex(({ rise }) => rise !== undefined)
  const seenLast = marks[look]
  if (seenLast?.rise === undefined) return null
  const { rise, hours, explained, signs } = seenLast
  const levelAt = (i: number): SeenLevel => ({ look: i, hours: sure(noted[i]).hours, rise: noted[i]?.rise ?? 1 })
  const last = levelAt(look)
  const before = marks.slice(0, look)
  const weighed = weigh(before)
  const { draws } = weighed
  const gasAt = (quantile: number, of: (k: number) => number) =>
    quantileOf(
      Float64Array.from(draws.milestones, (_, k) => of(k)),
      quantile
    )
  const told = explained === 'right'
  const most = 1 + gasAt(LEAPT.quantile, (k) => drawnGas(draws, k, hours))
  const highest = before.reduce<number | null>(
    (best, { rise: r }, i) => (r !== undefined && r > (best === null ? 0 : (sure(before[best]).rise ?? 0)) ? i : best),
    null
  )
  const seen = highest === null ? 0 : (sure(before[highest]).rise ?? 0)
  if (rise > LEAPT.above * Math.max(most, seen)) return { kind: 'leapt', last, earlier: null, expected: most, believed: told }
  const pastAt = (at: number) => {
    const { phases } = phasesOf(weighed, at)
    return phases.easing + phases.collapsed
  }
  const previous = before.findLastIndex(({ rise: r }) => r !== undefined)
  const levelBefore = before[previous]
  if (levelBefore?.rise !== undefined && rise > ROSE_AGAIN * levelBefore.rise && pastAt(before.at(-1)?.hours ?? 0) >= SURELY_PAST)
    return { kind: 'rose again', last, earlier: levelAt(previous), expected: levelBefore.rise, believed: told }
  if (rise < BELOW_MARK && rise >= FALLEN_BELOW * seen) return { kind: 'below the mark', last, earlier: null, expected: 1, believed: told }
  const peakOr = (k: number) => drawnGas(draws, k, Math.min(hours, draws.milestones[k]?.peakHours ?? hours))
  const reached = 1 + gasAt(REACHED_BY, peakOr)
  if (rise < FALLEN_BELOW * Math.max(seen, reached)) {
    const isSeen = seen >= reached
    const showsIt = signs?.top === 'sunken' || signs?.smear === 'yes'
    const believed = told || showsIt || pastAt(hours) >= 0.5
    return { kind: 'fell', last, earlier: isSeen && highest !== null ? levelAt(highest) : null, expected: Math.max(seen, reached), believed }
  }
  return null
}
