import { sure } from '../units/sure'
import { NOISE, SEED_SPREAD } from './constants'
import { type JarBelief, type JarParameters, logsOf, PARAMETERS, parametersOf } from './jarParameters'
import { cholesky } from './matrix'

/** One way things may be: the jar's true parameters, and what the room and this build do differently. */
export interface Draw {
  readonly jar: JarParameters
  /** Factor on the yeast in the fresh mix: the seed was livelier or duller than expected. */
  readonly seed: number
  /** The room against the thermometer, K. */
  readonly roomOffsetK: number
}

/** What one build does differently from its jar, each drawn as a standard normal: stretch of its times, shape of its climb, height, pace of its fall. */
export const LATENTS = 4
/** Their standard deviations, in that order. */
export const LATENT_SD: readonly number[] = [NOISE.buildSd, NOISE.buildShapeSd, NOISE.buildHeightSd, NOISE.buildFallSd]

/** All that is drawn together; the fall, which the climb knows nothing of, has a sequence of its own. */
const DIMENSIONS = PARAMETERS.length + 2 + (LATENTS - 1)

/**
 * Draws of what is not known, from a low-discrepancy sequence: no chance in it, the same for the same count.
 * @param count how many
 * @param belief what is believed of the jar
 * @param roomSdC how little is known of the room, K
 * @returns the draws, and for each of them `LATENTS` standard normals of its build
 * Source: the additive recurrence of Kronecker with the generalised golden ratio; normals by Acklam's inverse.
 */
export function drawParameters(
  count: number,
  belief: JarBelief,
  roomSdC: number = NOISE.roomSdC
): { readonly draws: readonly Draw[]; readonly normals: Float64Array } {
  const z = sequenceOf(count, DIMENSIONS)
  const falls = sequenceOf(count, 1)
  const centre = logsOf(belief.centre)
  const spread = cholesky(belief.covariance)
  const normals = new Float64Array(count * LATENTS)
  const logs = new Float64Array(PARAMETERS.length)
  const draws = Array.from({ length: count }, (_, k) => {
    const at = k * DIMENSIONS
    for (let i = 0; i < LATENTS - 1; i++) normals[k * LATENTS + i] = z[at + PARAMETERS.length + 2 + i] ?? NaN
    normals[(k + 1) * LATENTS - 1] = falls[k] ?? NaN
    for (let i = 0; i < PARAMETERS.length; i++) {
      let log = centre[i] ?? NaN
      const row = sure(spread[i])
      for (let j = 0; j <= i; j++) log += (row[j] ?? NaN) * (z[at + j] ?? NaN)
      logs[i] = log
    }
    return {
      jar: parametersOf(logs),
      seed: Math.exp(SEED_SPREAD * (z[at + PARAMETERS.length] ?? NaN)),
      roomOffsetK: roomSdC * (z[at + PARAMETERS.length + 1] ?? NaN)
    }
  })
  return { draws, normals }
}

const known = new Map<string, Float64Array>()

/**
 * A low-discrepancy sequence as standard normals, worked out once for each length.
 * @returns `count` rows of `dimensions`
 */
export function sequenceOf(count: number, dimensions: number): Float64Array {
  const key = `${count} ${dimensions}`
  const there = known.get(key)
  if (there !== undefined) return there
  const steps = goldenSteps(dimensions)
  const normals = new Float64Array(count * dimensions)
  for (let k = 0; k < count; k++) {
    for (let i = 0; i < dimensions; i++) normals[k * dimensions + i] = inverseNormal((0.5 + (k + 1) * (steps[i] ?? NaN)) % 1)
  }
  known.set(key, normals)
  return normals
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
