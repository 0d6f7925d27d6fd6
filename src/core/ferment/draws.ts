import { NOISE, PARAMETER_SPREAD, SEED_SPREAD } from './constants'
import type { JarParameters } from './jarParameters'

/** One way things may be: the jar's true parameters, and what the room and this build do differently. */
export interface Draw {
  readonly jar: JarParameters
  /** Factor on the yeast in the fresh mix: the seed was livelier or duller than reckoned. */
  readonly seed: number
  /** The room against the thermometer, K. */
  readonly roomOffsetK: number
  /** Factor on all times of this build. */
  readonly stretch: number
}

const DIMENSIONS = 8

/**
 * Draws of what is not known, from a low-discrepancy sequence: no chance in it, the same for the same count.
 * @param count how many
 * @param centre the jar's parameters as believed now
 * @param certainty 0 for an unknown jar (prior spread) up to 1 for one known exactly
 * @returns `count` draws
 * Source: the additive recurrence of Kronecker with the generalised golden ratio; normals by Acklam's inverse.
 */
export function drawParameters(count: number, centre: JarParameters, certainty = 0): Draw[] {
  const steps = goldenSteps(DIMENSIONS)
  const spread = 1 - certainty
  return Array.from({ length: count }, (_, k) => {
    const z = steps.map((step) => inverseNormal((0.5 + (k + 1) * step) % 1))
    const factor = (i: number, sd: number) => Math.exp(sd * spread * (z[i] as number))
    return {
      jar: {
        vigour: centre.vigour * factor(0, PARAMETER_SPREAD.vigour),
        lag: centre.lag * factor(1, PARAMETER_SPREAD.lag),
        hold: centre.hold * factor(2, PARAMETER_SPREAD.hold),
        cold: centre.cold * factor(3, PARAMETER_SPREAD.cold),
        warmth: centre.warmth * factor(4, PARAMETER_SPREAD.warmth)
      },
      seed: Math.exp(SEED_SPREAD * (z[7] as number)),
      roomOffsetK: NOISE.roomSdC * (z[5] as number),
      stretch: Math.exp(NOISE.buildSd * (z[6] as number))
    }
  })
}

function goldenSteps(dimensions: number): number[] {
  let phi = 2
  for (let i = 0; i < 40; i++) phi = (1 + phi) ** (1 / (dimensions + 1))
  return Array.from({ length: dimensions }, (_, i) => (1 / phi) ** (i + 1))
}

const A = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239]
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1]
const C = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783]
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1]
const TAIL = 0.02425
const horner = (coefficients: readonly number[], x: number) => coefficients.reduce((sum, c) => sum * x + c, 0)

/**
 * Standard normal quantile.
 * @param p 0 < p < 1; held a hair inside
 * Source: P. J. Acklam's rational approximation, relative error below 1.2e-9.
 * @example inverseNormal(0.975) // 1.95996
 */
export function inverseNormal(p: number): number {
  const q = Math.min(Math.max(p, 1e-9), 1 - 1e-9)
  if (q < TAIL) {
    const r = Math.sqrt(-2 * Math.log(q))
    return horner(C, r) / horner(D, r)
  }
  if (q > 1 - TAIL) return -inverseNormal(1 - q)
  const r = q - 0.5
  return (r * horner(A, r * r)) / horner(B, r * r)
}
