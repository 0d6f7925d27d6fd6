import { mainKind } from '../dough/blend'
import { FLOURS } from '../ferment/flours'
import { type Draws, type Forecast, fitAt, type School, summarise } from '../ferment/forecast'
import { type BatchLine, contentsOf } from '../jars/lineage'
import { type Advice, advise } from './advise'
import { contradictionOf } from './contradiction'
import type { CultureManner } from './likelihoods'
import type { Mark, Reads } from './marks'
import type { Phase } from './phases'
import { blendedFit, type Phases, strangeAt } from './surprise'
import { phasesOf, straightened, weighDraws, withinHours } from './weighLooks'

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
  /** The looks in the order of time, their levels as they would be had nothing disturbed it; and how a level is read by now. */
  readonly marks: readonly Mark[]
  readonly reads: Reads
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

/**
 * Judges a running build: phase, window and what to do.
 * @param draws forecast of the build as it was mixed
 * @param noted looks at the jar so far
 * @param nowHours hours since mixing
 * @param school when this baker likes to mix
 * @param manner by which measure it is judged
 */
export function judge(draws: Draws, noted: readonly Mark[], nowHours: number, school: School, manner: CultureManner): Verdict {
  const inTime = [...noted].sort((a, b) => a.hours - b.hours)
  const { marks, reads } = straightened(draws, inTime, manner)
  const weighed = weighDraws(draws, marks, manner)
  const { draws: corrected } = weighed
  const { phases, phase } = phasesOf(weighed, nowHours)
  const forecast = summarise(corrected, school)
  const drawnFit = fitAt(corrected, school, nowHours, withinHours(nowHours))
  const fitNow = weighed.surprise === null ? drawnFit : blendedFit(drawnFit, school, weighed.surprise, nowHours)
  const holds = weighed.surprise === null || strangeAt(weighed.surprise, nowHours) < 0.5
  const contradiction = contradictionOf(marks, inTime, (before) => weighDraws(draws, before, manner))
  const { phases: unseen } = phasesOf(weighDraws(draws, [], manner), nowHours)
  const advice = advise({ draws, forecast, phases, fitNow, nowHours, marks, school, contradiction, unseen })
  return { phase, probability: phases[phase], phases, fitNow, forecast, holds, marks, reads, advice }
}
