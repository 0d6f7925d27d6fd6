import { mainKind } from '../dough/blend'
import { correctDraws } from '../ferment/correctDraws'
import { FLOURS } from '../ferment/flours'
import { type Draws, drawnGas, type Forecast, fitAt, reaches, type School, summarise } from '../ferment/forecast'
import { LEVELS } from '../ferment/milestones'
import type { Observation } from '../ferment/oneBuild'
import { type BatchLine, contentsOf } from '../jars/lineage'
import { entriesOf, recordOf } from '../units/keysOf'
import { sure } from '../units/sure'
import { withFallPace } from './fallPace'
import { type CultureManner, likelihood, type Signs, temperOf } from './likelihoods'
import { PHASES, type Phase, phaseAt } from './phases'
import { blended, blendedFit, type Phases, type Surprise, strangeAt, surpriseOf } from './surprise'

/** One look at the jar. */
export interface Mark {
  /** Hours since mixing. */
  readonly hours: number
  /** Height now ÷ height at the band; left out when only signs were noted. */
  readonly rise?: number
  /** What was seen. */
  readonly signs?: Signs
}

/** What to do now. */
export type Advice =
  | { readonly kind: 'mix now'; readonly closesHours: number }
  | { readonly kind: 'wait'; readonly opensHours: number; readonly lookAgainHours: number }
  | { readonly kind: 'mix soon'; readonly closesHours: number }
  | { readonly kind: 'feed again' }
  | {
      readonly kind: 'not rising'
      readonly lookAgainHours: number /** By then it would have begun 19 times in 20, for this jar where it stands. */
      readonly lateHours: number
    }

/** The judgement of a running build. */
export interface Verdict {
  readonly phase: Phase
  /** Probability of that phase. */
  readonly probability: number
  /** Probability of each phase. */
  readonly phases: Phases
  /** Probability that it is fit to mix now, for the school. */
  readonly fitNow: number
  /** The forecast as the marks have corrected it. */
  readonly forecast: Forecast
  /** Whether that forecast holds: not where the last look was so unlike it that the look is believed. */
  readonly holds: boolean
  readonly advice: Advice
}

/** Wettest mix whose signs are those of an ordinary levain, and firmest one, water ÷ flour. */
const WETTEST = 1.3
const FIRMEST = 0.65

/**
 * By which measure a batch is judged: by the flour there is most of, and by how firm it is.
 * @example mannerOf(rye at 150 %) // 'rye'
 */
export function mannerOf(line: BatchLine): CultureManner {
  const { flours, flourGrams, hydration } = contentsOf(line)
  const main = mainKind(flours)
  if (!FLOURS[main].gluten) return 'gluten-free'
  if (!FLOURS[main].domes) return 'rye'
  if (hydration < FIRMEST) return 'stiff'
  return (flours['white wheat'] ?? 0) > 0.5 * flourGrams && hydration <= WETTEST ? 'wheat' : 'whole or wet'
}

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
  const surprise = surpriseOf({ signs: last.signs ?? {}, hasFallen: hasFallen(last, levels), hours: last.hours }, foretold, manner)
  return { draws: fallen.draws, weights: tempered(withSigns(before, [last])), surprise }
}

/** Lower than the highest level read by so much of its g, it has fallen: more than readings are off by. */
const FALLEN_SHARE = 0.9
/** What falls does not climb again by more than readings are off by; after a misread top it would. */
const STEADY = 1.1

/** Levels up to the top, and those of the fall; the climb is told only that it had an end by then. */
function sidesOf(levels: readonly Level[]): { readonly climbing: readonly Observation[]; readonly falling: readonly Level[] } {
  const top = levels.reduce<Level | null>((best, l) => (best === null || l.rise > best.rise ? l : best), null)
  if (top === null) return { climbing: [], falling: [] }
  const after = levels.filter((l) => l.hours > top.hours).sort((a, b) => a.hours - b.hours)
  const goesDown = after.every((l, i) => i === 0 || l.rise - 1 < STEADY * (sure(after[i - 1]).rise - 1))
  const isFalling = (l: Level) => goesDown && l.hours > top.hours && l.rise - 1 < FALLEN_SHARE * (top.rise - 1)
  const falling = levels.filter(isFalling)
  const [first] = falling
  const climbing = levels.filter((l) => !isFalling(l))
  return first === undefined ? { climbing, falling: levels } : { climbing: [...climbing, { kind: 'fallen', hours: first.hours }], falling }
}

/** What the looks say of the level. */
const levelsOf = (marks: readonly Mark[]): Level[] => marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))

function signsLog(signs: Signs, phase: Phase, manner: CultureManner): number {
  return entriesOf(signs).reduce((sum, [kind, sign]) => {
    if (sign === undefined) return sum
    return sum + temperOf(kind, manner) * Math.log(likelihood(kind, sign, phase, manner))
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
 * Judges a running build: phase, window and what to do.
 * @param draws forecast of the build as it was mixed
 * @param marks looks at the jar so far
 * @param nowHours hours since mixing
 * @param school when this baker likes to mix
 * @param manner by which measure it is judged
 */
export function judge(draws: Draws, marks: readonly Mark[], nowHours: number, school: School, manner: CultureManner): Verdict {
  const weighed = weighDraws(draws, marks, manner)
  const { draws: corrected, weights } = weighed
  const { phases, phase } = phasesOf(weighed, nowHours)
  const forecast = summarise(corrected, school, weights)
  const drawnFit = fitAt(corrected, school, nowHours, weights)
  const fitNow = weighed.surprise === null ? drawnFit : blendedFit(drawnFit, school, weighed.surprise, nowHours)
  const holds = weighed.surprise === null || strangeAt(weighed.surprise, nowHours) < 0.5
  return { phase, probability: phases[phase], phases, fitNow, forecast, holds, advice: advise(draws, phase, forecast, fitNow, nowHours, marks) }
}

/** Two readings of one level differ by less than this share of it: early on, when little has risen, one below another is no fall. */
const READ_ALIKE = 0.12

/** A level so far below the highest one read before, by its g and by more than readings are off by, that it has collapsed. */
const hasFallen = ({ hours, rise }: Mark, levels: readonly Level[]) =>
  rise !== undefined && levels.some((l) => l.hours < hours && rise - 1 < LEVELS.collapsed * (l.rise - 1) && rise < (1 - READ_ALIKE) * l.rise)

/** How likely each phase is at a time, and the likeliest. */
export function phasesOf({ draws, weights, surprise }: Weighed, hours: number): { readonly phases: Phases; readonly phase: Phase } {
  const drawn = drawnPhases(draws, weights, hours)
  const phases = surprise === null ? drawn : blended(drawn, surprise, hours)
  return { phases, phase: PHASES.reduce((best, p) => (phases[p] > phases[best] ? p : best)) }
}

function drawnPhases(draws: Draws, weights: ArrayLike<number>, hours: number): Phases {
  const phases = recordOf(PHASES, () => 0)
  draws.milestones.forEach((m, k) => {
    phases[phaseAt(m, drawnGas(draws, k, hours), hours)] += weights[k] ?? NaN
  })
  return phases
}

/** Rise below which a jar that should be climbing is not rising. */
const STILL_RISE = 1.1
/** Share of draws below which such a level is a surprise. */
const SURPRISE = 0.1

function advise(draws: Draws, phase: Phase, forecast: Forecast, fitNow: number, nowHours: number, marks: readonly Mark[]): Advice {
  if (notRising(draws, marks.at(-1))) return { kind: 'not rising', lookAgainHours: nowHours + 2, lateHours: reaches(draws, STILL_RISE - 1).p95 }
  if (fitNow >= 0.5) return { kind: 'mix now', closesHours: forecast.closes.p50 }
  const isPast = phase === 'easing' || phase === 'collapsed'
  if (nowHours < forecast.opens.p50 && !isPast) {
    const wait = forecast.opens.p50 - nowHours
    return { kind: 'wait', opensHours: forecast.opens.p50, lookAgainHours: Math.max(nowHours + 0.25, Math.min(forecast.opens.p25, nowHours + 0.7 * wait)) }
  }
  return phase === 'collapsed' ? { kind: 'feed again' } : { kind: 'mix soon', closesHours: forecast.closes.p95 }
}

/** The last look found the level at the band although hardly any draw says it could still be there. */
function notRising(draws: Draws, last: Mark | undefined): boolean {
  if (last?.rise === undefined || last.rise >= STILL_RISE) return false
  const lazy = draws.milestones.filter((_, k) => drawnGas(draws, k, last.hours) < STILL_RISE - 1).length
  return lazy < SURPRISE * draws.milestones.length
}
