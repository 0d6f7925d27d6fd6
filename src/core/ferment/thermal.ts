import { keysOf } from '../units/keysOf'
import { sure } from '../units/sure'
import { THERMAL } from './constants'

/** Taken out of Math once: these are asked for by the million. */
const { abs, cos, exp } = Math

/** How a vessel is kept: what carries heat to it. */
export const SURROUNDINGS = keysOf(THERMAL.surroundings)
export type Surroundings = keyof typeof THERMAL.surroundings
/** What a vessel is made of. */
export const VESSEL_MATERIALS = keysOf(THERMAL.materials)
export type VesselMaterial = keyof typeof THERMAL.materials

/** A place that is warmer by day than by night. */
export interface DailyCurve {
  /** Half of what lies between its warmest and its coldest moment, K. */
  readonly swingK: number
  /** One of its warmest moments, hours since mixing; the others lie whole days from it. */
  readonly warmestHours: number
}

/** A measured temperature of a place. */
export interface Reading {
  /** Hours since mixing. */
  readonly hours: number
  readonly tempC: number
}

/** One stay of a vessel at one place. */
export interface Stay {
  /** When it begins, hours since mixing; the first is at or before 0. */
  readonly fromHours: number
  /** Temperature of the place, °C; its mean where it has a daily curve. */
  readonly tempC: number
  /** What surrounds the vessel there. */
  readonly surroundings?: Surroundings
  /** What each piece weighs that stands there, g; all of it together when left out. */
  readonly pieceGrams?: number
  readonly daily?: DailyCurve
  /** What was measured there, in the order of time; it counts for more than what was expected. */
  readonly readings?: readonly Reading[]
}

const HOURS_PER_DAY = 24

/** Temperature a place is expected to have, °C. */
function expectedAt({ tempC, daily }: Stay, hours: number): number {
  return daily === undefined ? tempC : tempC + daily.swingK * cos((2 * Math.PI * (hours - daily.warmestHours)) / HOURS_PER_DAY)
}

/** Whether a place keeps one temperature. */
export const isSteady = ({ daily, readings }: Stay) => daily === undefined && (readings === undefined || readings.length === 0)

/**
 * Temperature of a place: measured where it was, on a straight line between two readings; before the first and after the last one what is expected,
 * with what the room was off by then fading out.
 * @param stay the place
 * @param hours since mixing
 * @returns °C
 * @example placeTempAt({ fromHours: 0, tempC: 20, daily: { swingK: 2, warmestHours: 5 } }, 5) // 22
 */
export function placeTempAt(stay: Stay, hours: number): number {
  const { readings } = stay
  const expected = expectedAt(stay, hours)
  if (readings === undefined || readings.length === 0) return expected
  let low = 0
  let high = readings.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (sure(readings[middle]).hours <= hours) low = middle + 1
    else high = middle
  }
  const before = readings[low - 1]
  const after = readings[low]
  if (before !== undefined && after !== undefined) {
    return before.tempC + ((hours - before.hours) / (after.hours - before.hours)) * (after.tempC - before.tempC)
  }
  const nearest = (before ?? after) as Reading
  const off = nearest.tempC - expectedAt(stay, nearest.hours)
  return expected + off * exp(-abs(hours - nearest.hours) / THERMAL.readingFadesHours)
}

/**
 * Time constant with which a vessel follows its surroundings.
 * @param massGrams g of contents, above 0
 * @param surroundings still air unless said otherwise
 * @param material glass unless said otherwise
 * @returns hours
 * Source: fitted to cooling of jars and tubs (craft knowledge): 0.6 h (m/50)^.61 up to 250 g, then 1.6 h (m/250)^.37.
 * @example timeConstantHours(50) // 0.6
 */
export function timeConstantHours(massGrams: number, surroundings: Surroundings = 'air', material: VesselMaterial = 'glass'): number {
  const { smallHours, smallPower, kneeGrams, largeHours, largePower } = THERMAL
  const inAir = massGrams <= kneeGrams ? smallHours * (massGrams / 50) ** smallPower : largeHours * (massGrams / kneeGrams) ** largePower
  return inAir * THERMAL.surroundings[surroundings] * THERMAL.materials[material]
}
