import { BACTERIA_ISOTHERMAL, type CardinalCurve, type IsothermalCurve, METABOLISM, MODEL, YEAST_ISOTHERMAL, YEAST_WARM } from './constants'

/** Taken out of Math once: these are asked for by the million. */
const { exp, floor, max, min } = Math

/**
 * Growth rate of an isolate at a temperature.
 * @param curve the four constants of the fit
 * @param tempC °C
 * @returns 1/h; 0 at and above the curve's end
 * Source: Gänzle, Ehmann & Hammes 1998.
 * @example isothermalRate(YEAST_ISOTHERMAL, 25) // 0.395
 */
export function isothermalRate(curve: IsothermalCurve, tempC: number): number {
  const distance = curve.maxC - tempC
  return distance <= 0 ? 0 : curve.a * distance ** curve.b * exp(-curve.c * distance)
}

/**
 * Cardinal-temperature model with inflection.
 * @param curve cardinal temperatures, °C, and the value at the optimum
 * @param tempC °C
 * @returns the rate in the unit of `atOptimum`; 0 outside the cardinal temperatures
 * Source: Rosso et al. 1993, J. Theor. Biol. 162:447.
 * @example cardinalRate(YEAST_WARM, 32) // 0.45
 */
export function cardinalRate({ minC, optC, maxC, atOptimum }: CardinalCurve, tempC: number): number {
  if (tempC <= minC || tempC >= maxC) return 0
  const spread = optC - minC
  const top = (tempC - maxC) * (tempC - minC) ** 2
  return (atOptimum * top) / (spread * (spread * (tempC - optC) - (optC - maxC) * (optC + minC - 2 * tempC)))
}

/** Metabolism m(T): 1 at 25 °C. */
export function metabolism(tempC: number): number {
  return (cardinalRate(METABOLISM, tempC) / cardinalRate(METABOLISM, 25)) ** METABOLISM.power
}

/** ω(T): what weakens the matrix; like the bacteria up to 33 °C, then rising with the enzymes. */
export function weakeningRate(tempC: number): number {
  const { enzymesFromC: knee, enzymesPerK } = MODEL
  return tempC <= knee ? isothermalRate(BACTERIA_ISOTHERMAL, tempC) : isothermalRate(BACTERIA_ISOTHERMAL, knee) * enzymesPerK ** (tempC - knee)
}

/** Heat death δ(T), 1/h. */
export function heatDeath(tempC: number): number {
  return MODEL.heatDeathAt50 * exp(MODEL.heatDeathPerK * (tempC - 50))
}

/** Growth of h₀ per hour once the food is gone. */
export function lagWorkRate(tempC: number): number {
  return (MODEL.lagWorkPerColdDay / 24) * 2 ** ((tempC - 4) / 10)
}

const FIRST_C = -10
const LAST_C = 70
const PER_KELVIN = 16

/** Fields of one row of the table of rates, in order. */
export const RATE = { yeast: 0, warm: 1, bacteria: 2, metabolism: 3, weakening: 4, death: 5, lagWork: 6, leak: 7 } as const
export const RATE_WIDTH = 8

const TABLE = tabulate()

function tabulate(): Float64Array {
  const rows = (LAST_C - FIRST_C) * PER_KELVIN + 1
  const table = new Float64Array(rows * RATE_WIDTH)
  for (let row = 0; row < rows; row++) {
    const tempC = FIRST_C + row / PER_KELVIN
    const at = row * RATE_WIDTH
    table[at + RATE.yeast] = isothermalRate(YEAST_ISOTHERMAL, tempC)
    table[at + RATE.warm] = cardinalRate(YEAST_WARM, tempC)
    table[at + RATE.bacteria] = isothermalRate(BACTERIA_ISOTHERMAL, tempC)
    table[at + RATE.metabolism] = metabolism(tempC)
    table[at + RATE.weakening] = weakeningRate(tempC)
    table[at + RATE.death] = min(heatDeath(tempC), MODEL.heatDeathAt50)
    table[at + RATE.lagWork] = lagWorkRate(tempC)
    table[at + RATE.leak] = metabolism(min(tempC, 33))
  }
  return table
}

/**
 * All rates at one temperature by linear interpolation of a table with a step of 1/16 K.
 * @param tempC °C, held to −10 … 70
 * @param out eight numbers in the order of RATE
 */
export function ratesAt(tempC: number, out: Float64Array): void {
  const place = (min(max(tempC, FIRST_C), LAST_C - 1e-9) - FIRST_C) * PER_KELVIN
  const row = floor(place)
  const share = place - row
  const at = row * RATE_WIDTH
  for (let i = 0; i < RATE_WIDTH; i++) {
    const low = TABLE[at + i] ?? NaN
    out[i] = low + share * ((TABLE[at + i + RATE_WIDTH] ?? NaN) - low)
  }
}
