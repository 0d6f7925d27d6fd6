import { drawForecast, type Forecast, fitHours, horizonHours, type School, summarise } from '../ferment/forecast'
import type { JarBelief } from '../ferment/jarParameters'
import { type Milestones, sampleCurve } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { sure } from '../units/sure'

/** One build beside others. */
export interface ComparedBuild {
  readonly milestones: Milestones
  /** The single most likely curve: g every `stepHours`. */
  readonly curve: { readonly stepHours: number; readonly gas: readonly number[] }
  readonly forecast: Forecast
  /** Acid at the moment it is mixed, 1 in a ripe levain. */
  readonly acid: number | null
}

const CURVE_POINTS = 121
const LOOK_HOURS = 240

/**
 * A build as it would go, for comparing.
 * @param line what goes in and where it stands
 * @param belief its jar
 * @param school when it is mixed
 */
export function compareLine(line: BatchLine, belief: JarBelief, school: School): ComparedBuild {
  const vessel = vesselOf(line, belief.centre)
  const { curve, milestones } = simulate(vessel, belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
  const untilHours = horizonHours(milestones)
  const gas = new Float32Array(CURVE_POINTS)
  const stepHours = untilHours / (CURVE_POINTS - 1)
  sampleCurve(curve, stepHours, CURVE_POINTS, gas, 0)
  const forecast = summarise(drawForecast(vessel, belief, { untilHours }), school)
  return {
    milestones,
    curve: { stepHours, gas: Array.from(gas) },
    forecast,
    acid: acidAtMix(line, belief, school)
  }
}

/** Acid in a build when its school mixes it; null when it never gets there. */
export function acidAtMix(line: BatchLine, belief: JarBelief, school: School): number | null {
  const vessel = vesselOf(line, belief.centre)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
  const at = fitHours(milestones, school)
  return at === null ? null : simulate(vessel, belief.centre, { untilHours: at }).end.acid
}

/** How sour beside what the baker is used to. No pH is claimed. */
export const SOURNESS = ['much milder', 'milder', 'as usual', 'tangier', 'much tangier'] as const
export type Sourness = (typeof SOURNESS)[number]
/** Ends of each step, as a factor on the usual acid. */
const SOURNESS_ENDS = [0.75, 0.93, 1.08, 1.35] as const

/** @example sournessOf(1.2, 1) // 'tangier' */
export function sournessOf(acid: number, usual: number): Sourness {
  const step = SOURNESS_ENDS.findIndex((end) => acid / usual < end)
  return sure(SOURNESS[step === -1 ? SOURNESS.length - 1 : step])
}
