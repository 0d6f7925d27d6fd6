import { millisecondsInHour } from 'date-fns/constants'
import { type Acidity, acidityOf, leaningOf } from '../ferment/acidity'
import { drawForecast, type Forecast, fitHours, horizonHours, type School, summarise } from '../ferment/forecast'
import type { JarBelief, JarParameters } from '../ferment/jarParameters'
import { type Milestones, sampleCurve } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { placeTempAt } from '../ferment/thermal'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { sure } from '../units/sure'

/** One build beside others. */
export interface ComparedBuild {
  readonly milestones: Milestones
  /** The single most likely curve: g every `stepHours`. */
  readonly curve: { readonly stepHours: number; readonly gas: readonly number[] }
  readonly forecast: Forecast
  /** How sour it is when its school mixes it, and what its acid leans to; null when it never gets there. */
  readonly sour: Sour | null
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
    sour: sourAtMix(line, belief, school)
  }
}

/** Whole grains, which lean to vinegar. */
const WHOLEGRAINS = ['wholegrain wheat', 'rye'] as const

/** How sour a batch is, and what its acid leans to. */
export interface Sour extends Acidity {
  readonly leaning: ReturnType<typeof leaningOf>
}

/** How sour a batch is so many hours after it was mixed, and what its acid leans to. */
export function sourOf(line: BatchLine, hours: number, jar: JarParameters): Sour {
  const vessel = vesselOf(line, jar)
  const wholegrain = WHOLEGRAINS.reduce((sum, kind) => sum + (vessel.flours[kind] ?? 0), 0)
  const tempC = placeTempAt(sure(vessel.stays.findLast((stay) => stay.fromHours <= hours / 2) ?? vessel.stays[0]), hours / 2)
  return { ...sourAfter(line, hours, jar), leaning: leaningOf({ hydration: vessel.hydration, tempC, hours, wholegrain }) }
}

/** How sour a build is when its school mixes it; null when it never gets there. */
export function sourAtMix(line: BatchLine, belief: JarBelief, school: School): Sour | null {
  const vessel = vesselOf(line, belief.centre)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
  const hours = fitHours(milestones, school)
  return hours === null ? null : sourOf(line, hours, belief.centre)
}

/** pH a batch should have at a moment. */
export const pHAfter = (line: BatchLine, atMs: number, jar: JarParameters): number =>
  sourAfter(line, Math.max((atMs - line.startedAtMs) / millisecondsInHour, 0), jar).pH

/** How sour a build is so many hours after it was mixed. */
export function sourAfter(line: BatchLine, hours: number, jar: JarParameters): Acidity {
  const vessel = vesselOf(line, jar)
  return acidityOf(simulate(vessel, jar, { untilHours: hours }).end.acid, vessel)
}
