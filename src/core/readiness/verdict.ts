import { correctDraws } from '../ferment/correctDraws'
import { FLOURS, type FlourKind } from '../ferment/flours'
import { type Draws, drawnGas, type Forecast, fitAt, type School, summarise } from '../ferment/forecast'
import type { Milestones } from '../ferment/milestones'
import type { Observation } from '../ferment/oneBuild'
import { type BatchLine, contentsOf } from '../jars/lineage'
import { DULL_SPOON_TEMPER, DULL_TOP_TEMPER, likelihood, type SignKind, type Signs, TEMPER } from './likelihoods'
import { PHASES, type Phase, phaseAt } from './phases'

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
  | { readonly kind: 'not rising'; readonly lookAgainHours: number }

/** The judgement of a running build. */
export interface Verdict {
  readonly phase: Phase
  /** Probability of that phase. */
  readonly probability: number
  /** Probability of each phase. */
  readonly phases: Readonly<Record<Phase, number>>
  /** Probability that it is fit to mix now, for the school. */
  readonly fitNow: number
  /** The forecast as the marks have corrected it. */
  readonly forecast: Forecast
  readonly advice: Advice
}

/** Which signs say little about this culture. */
export interface CultureManner {
  /** It domes at its peak: white and wholegrain wheat, spelt. */
  readonly domes: boolean
  /** A spoon of it in water tells something: white wheat, not very wet. */
  readonly floats: boolean
}

/** Wettest mix in which a spoon of levain still tells by floating, water ÷ flour. */
const WETTEST_FLOATING = 1.3

/**
 * Which signs say little about a batch: judged by the flour there is most of.
 * @example mannerOf(rye at 150 %) // { domes: false, floats: false }
 */
export function mannerOf(line: BatchLine): CultureManner {
  const { flours, flourGrams, hydration } = contentsOf(line)
  const grams = Object.entries(flours) as [FlourKind, number][]
  const main = grams.reduce((most, next) => (next[1] > most[1] ? next : most))[0]
  const white = (flours['white wheat'] ?? 0) > 0.5 * flourGrams
  return { domes: FLOURS[main].domes, floats: white && hydration <= WETTEST_FLOATING }
}

/** The draws that must still count for something, lest the ranges get narrower than what is known. */
const LEAST_EFFECTIVE_DRAWS = 12

/** A running build after the looks so far. */
export interface Weighed {
  /** The draws as the levels have corrected them. */
  readonly draws: Draws
  /** How likely each is; they sum to 1. */
  readonly weights: Float64Array
}

/**
 * Corrects and weighs the draws by the looks at the jar: levels bend each draw, signs weigh it by the phase it is in.
 */
export function weighDraws(draws: Draws, marks: readonly Mark[], manner: CultureManner): Weighed {
  const corrected = correctDraws(draws, levelsOf(marks))
  const logs = corrected.logWeights.map((log, k) =>
    marks.reduce((sum, mark) => {
      if (mark.signs === undefined) return sum
      const phase = phaseAt(corrected.draws.milestones[k] as Milestones, drawnGas(corrected.draws, k, mark.hours), mark.hours)
      return sum + signsLog(mark.signs, phase, manner)
    }, log)
  )
  return { draws: corrected.draws, weights: tempered(logs) }
}

/** What the looks say of the level. */
export const levelsOf = (marks: readonly Mark[]): Observation[] =>
  marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))

function signsLog(signs: Signs, phase: Phase, manner: CultureManner): number {
  return (Object.entries(signs) as [SignKind, string | undefined][]).reduce((sum, [kind, sign]) => {
    if (sign === undefined) return sum
    const temper = kind === 'spoon' && !manner.floats ? DULL_SPOON_TEMPER : kind === 'top' && !manner.domes ? DULL_TOP_TEMPER : TEMPER
    return sum + temper * Math.log(likelihood(kind, sign, phase))
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
 * @param manner which signs say little of this culture
 */
export function judge(draws: Draws, marks: readonly Mark[], nowHours: number, school: School, manner: CultureManner): Verdict {
  const { draws: corrected, weights } = weighDraws(draws, marks, manner)
  const phases = Object.fromEntries(PHASES.map((p) => [p, 0])) as Record<Phase, number>
  corrected.milestones.forEach((m, k) => {
    phases[phaseAt(m, drawnGas(corrected, k, nowHours), nowHours)] += weights[k] as number
  })
  const phase = PHASES.reduce((best, p) => (phases[p] > phases[best] ? p : best))
  const forecast = summarise(corrected, school, weights)
  const fitNow = fitAt(corrected, school, nowHours, weights)
  return { phase, probability: phases[phase], phases, fitNow, forecast, advice: advise(draws, phase, forecast, fitNow, nowHours, marks) }
}

/** Rise below which a jar that should be climbing is not rising. */
const STILL_RISE = 1.1
/** Share of draws below which such a level is a surprise. */
const SURPRISE = 0.1

function advise(draws: Draws, phase: Phase, forecast: Forecast, fitNow: number, nowHours: number, marks: readonly Mark[]): Advice {
  if (notRising(draws, marks.at(-1))) return { kind: 'not rising', lookAgainHours: nowHours + 2 }
  if (fitNow >= 0.5) return { kind: 'mix now', closesHours: forecast.closes.p50 }
  if (nowHours < forecast.opens.p50) {
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
