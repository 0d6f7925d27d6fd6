import { NOISE } from '../ferment/constants'
import { correctDraws } from '../ferment/correctDraws'
import { type Draws, drawnGas } from '../ferment/forecast'
import { LEVELS } from '../ferment/milestones'
import type { Observation } from '../ferment/oneBuild'
import { entriesOf, recordOf } from '../units/keysOf'
import { normalBelow } from '../units/normalBelow'
import { weightedQuantile } from '../units/quantile'
import { sure } from '../units/sure'
import { withFallPace } from './fallPace'
import { type CultureManner, likelihood, type Signs, temperOf } from './likelihoods'
import { AS_MARKED, type Mark, type Reads, since } from './marks'
import { PHASES, type Phase, phaseAt } from './phases'
import { blended, type Phases, type Surprise, surpriseOf } from './surprise'

/** The draws that must still count for something, lest the ranges get narrower than what is known. */
const LEAST_EFFECTIVE_DRAWS = 12

type Level = Extract<Observation, { kind: 'level' }>

/** A running build after the looks so far. */
export interface Weighed {
  /** The draws as the levels have corrected them. */
  readonly draws: Draws
  /** How likely each is; they sum to 1. */
  readonly weights: Float64Array
  /** Whether the last look is to be believed against all of them. */
  readonly surprise: Surprise | null
}

/**
 * Corrects and weighs the draws by the looks at the jar: levels bend each draw, signs weigh it by the phase it is in.
 */
export function weighDraws(draws: Draws, marks: readonly Mark[], manner: CultureManner): Weighed {
  if (marks.length === 0) return { draws, weights: tempered(new Float64Array(draws.milestones.length)), surprise: null }
  const levels = levelsOf(marks)
  const { climbing, falling } = sidesOf(levels)
  const corrected = correctDraws(draws, climbing)
  const fallen = withFallPace(corrected.draws, falling)
  const withSigns = (logs: Float64Array, looks: readonly Mark[]) =>
    logs.map((log, k) =>
      looks.reduce((sum, mark) => {
        if (mark.signs === undefined) return sum
        const phase = phaseAt(sure(fallen.draws.milestones[k]), drawnGas(fallen.draws, k, mark.hours), mark.hours)
        return sum + signsLog(mark.signs, phase, manner)
      }, log)
    )
  const last = marks.reduce((latest, mark) => (mark.hours >= latest.hours ? mark : latest))
  const before = withSigns(
    corrected.logWeights.map((log, k) => log + (fallen.logs[k] ?? NaN)),
    marks.filter((mark) => mark !== last)
  )
  const foretold = drawnPhases(fallen.draws, tempered(before), last.hours)
  const surprise = surpriseOf({ signs: last.signs ?? {}, hasFallen: hasFallen(last, levels), rise: last.rise ?? null, hours: last.hours }, foretold, manner)
  return { draws: fallen.draws, weights: tempered(withSigns(before, [last])), surprise }
}

/** Lower than the highest level read by so much of its g, and by more than two readings are often apart, it has fallen. */
const FALLEN_SHARE = 0.9
const CLEAR_DROP_SD = 1.2
/** What falls does not climb again by more than readings are off by; after a misread top it would. */
const STEADY = 1.1

/** Levels up to the top, and those of the fall; the climb is told only that it had an end by then. */
function sidesOf(levels: readonly Level[]): { readonly climbing: readonly Observation[]; readonly falling: readonly Level[] } {
  const top = levels.reduce<Level | null>((best, l) => (best === null || l.rise > best.rise ? l : best), null)
  if (top === null) return { climbing: [], falling: [] }
  const after = levels.filter((l) => l.hours > top.hours).sort((a, b) => a.hours - b.hours)
  const goesDown = after.every((l, i) => i === 0 || l.rise - 1 < STEADY * (sure(after[i - 1]).rise - 1))
  const isFalling = (l: Level) => goesDown && l.hours > top.hours && l.rise - 1 < FALLEN_SHARE * (top.rise - 1) && dropSd(l, top) >= CLEAR_DROP_SD
  const falling = levels.filter(isFalling)
  const [first] = falling
  const climbing = levels.filter((l) => !isFalling(l))
  if (first === undefined) return { climbing, falling: levels }
  // As far as the lowest of them is sure to be lower, it had its top before the first.
  const trust = 2 * normalBelow(Math.max(...falling.map((l) => dropSd(l, top)))) - 1
  return { climbing: [...climbing, { kind: 'fallen', hours: first.hours, trust }], falling }
}

/** By how much one level lies below another, in standard deviations of two readings. */
const dropSd = (low: Level, high: Level) => (high.rise - low.rise) / (NOISE.readingSd * Math.hypot(low.rise, high.rise))

/** What the looks say of the level. */
const levelsOf = (marks: readonly Mark[]): Level[] => marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))

function signsLog(signs: Signs, phase: Phase, manner: CultureManner): number {
  return entriesOf(signs).reduce((sum, [kind, sign]) => {
    if (sign === undefined) return sum
    return sum + temperOf(kind, manner, sign) * Math.log(likelihood(kind, sign, phase, manner))
  }, 0)
}

/** Normalised weights, flattened until enough draws count. */
function tempered(logs: Float64Array): Float64Array {
  const best = Math.max(...logs)
  const weigh = (power: number) => {
    const w = logs.map((l) => Math.exp(power * (l - best)))
    const total = w.reduce((a, b) => a + b, 0)
    return w.map((x) => x / total)
  }
  const effective = (w: Float64Array) => 1 / w.reduce((sum, x) => sum + x * x, 0)
  const least = Math.min(LEAST_EFFECTIVE_DRAWS, logs.length / 4)
  let weights = weigh(1)
  for (let power = 0.9; effective(weights) < least && power > 0.05; power *= 0.9) weights = weigh(power)
  return weights
}

/**
 * Levels as they would be read had nobody stirred the levain or moved its band: those after it count from what was forecast at that moment.
 * @param marks as they were noted, in the order of time
 */
export function straightened(draws: Draws, marks: readonly Mark[], manner: CultureManner): { readonly marks: readonly Mark[]; readonly reads: Reads } {
  let reads = AS_MARKED
  const straight: Mark[] = []
  for (const mark of marks) {
    const { explained, rise } = mark
    if (explained === 'stirred' || explained === 'band moved') {
      const before = weighDraws(draws, straight, manner)
      const foretold = medianGas(before, mark.hours)
      reads = since(reads, explained, rise ?? 1, foretold)
      // What a stirred levain shows says nothing of its age.
      straight.push({ hours: mark.hours, explained })
    } else straight.push(rise === undefined ? mark : { ...mark, rise: rise * reads.scale + reads.lostGas })
  }
  return { marks: straight, reads }
}

function medianGas({ draws, weights }: Weighed, hours: number): number {
  return weightedQuantile(
    Float64Array.from(draws.milestones, (_, k) => drawnGas(draws, k, hours)),
    weights,
    0.5
  )
}

/** Two readings of one level differ by less than this share of it: early on, when little has risen, one below another is no fall. */
const READ_ALIKE = 0.12

/** A level so far below the highest one read before, by its g and by more than readings are off by, that it has collapsed. */
const hasFallen = ({ hours, rise }: Mark, levels: readonly Level[]) =>
  rise !== undefined && levels.some((l) => l.hours < hours && rise - 1 < LEVELS.collapsed * (l.rise - 1) && rise < (1 - READ_ALIKE) * l.rise)

/** Nobody times a look or a mix closer than this, h. */
const WITHIN_HOURS = 1 / 3
/** The slower a levain, the longer its window: so much of its hours counts as nothing, too. */
const WITHIN_SHARE = 0.05

/** How far from its window a levain counts as in it, h. @param hours since mixing */
export const withinHours = (hours: number) => Math.max(WITHIN_HOURS, WITHIN_SHARE * hours)

/** Moments around one that count as that one, in shares of WITHIN_HOURS. */
const AROUND = [-1, -0.5, 0, 0.5, 1] as const

/** How likely each phase is at a time, and the one it is most likely in, or within twenty minutes of. */
export function phasesOf({ draws, weights, surprise }: Weighed, hours: number): { readonly phases: Phases; readonly phase: Phase } {
  const believed = (drawn: Phases) => (surprise === null ? drawn : blended(drawn, surprise, hours))
  return { phases: believed(drawnPhases(draws, weights, hours)), phase: likeliest(believed(phasesAround(draws, weights, hours))) }
}

const likeliest = (phases: Phases): Phase => PHASES.reduce((best, p) => (phases[p] > phases[best] ? p : best))

/** How likely it is in each phase at some moment of the twenty minutes before and after; they sum to more than 1. */
function phasesAround(draws: Draws, weights: ArrayLike<number>, hours: number): Phases {
  const around = recordOf(PHASES, () => 0)
  draws.milestones.forEach((m, k) => {
    const met = AROUND.map((share) => Math.max(hours + share * WITHIN_HOURS, 0)).map((h) => phaseAt(m, drawnGas(draws, k, h), h))
    for (const phase of new Set(met)) around[phase] += weights[k] ?? NaN
  })
  return around
}

function drawnPhases(draws: Draws, weights: ArrayLike<number>, hours: number): Phases {
  const phases = recordOf(PHASES, () => 0)
  draws.milestones.forEach((m, k) => {
    phases[phaseAt(m, drawnGas(draws, k, hours), hours)] += weights[k] ?? NaN
  })
  return phases
}
