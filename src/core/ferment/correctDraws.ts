import { sure } from '../units/sure'
import { LATENT_SD, LATENTS } from './draws'
import { type Draws, reshapeDraws, runGas } from './forecast'
import { cholesky } from './matrix'
import { fitBuild, type Observation } from './oneBuild'

/** Draws after something was seen of the build. */
export interface CorrectedDraws {
  /** Each with its build's own doings as they fit what was seen, and the doubt that is left of them. */
  readonly draws: Draws
  /** How well each fits, as logarithms; to be weighed against each other. */
  readonly logWeights: Float64Array
}

/**
 * Corrects the forecast of a running build by what was seen of it. For every draw of jar, seed and room the build's stretch, shape and height are fitted anew;
 * what they cannot mend makes the draw unlikely. So even many marks do not leave a single draw standing.
 * @param draws the build as it was mixed
 * @param seen levels, peak or fall so far, any order; the draws as they are when there are none
 */
export function correctDraws(draws: Draws, seen: readonly Observation[]): CorrectedDraws {
  const { runs, latents, gridHours } = draws
  const count = runs.milestones.length
  const logWeights = new Float64Array(count)
  if (seen.length === 0) return { draws, logWeights }
  const corrected = new Float64Array(latents.length)
  for (let k = 0; k < count; k++) {
    const { peakHours, peakGas } = sure(runs.milestones[k])
    const hill = { peakHours, peakGas, gasAt: (hours: number) => runGas(runs, k, hours) }
    const fit = fitBuild(hill, seen, LATENT_SD)
    const lower = cholesky(fit.curvature)
    const left = backSolved(lower, latents.subarray(k * LATENTS, (k + 1) * LATENTS))
    let logDet = 0
    for (let i = 0; i < LATENTS; i++) {
      corrected[k * LATENTS + i] = (fit.latents[i] ?? NaN) + (left[i] ?? NaN)
      logDet += Math.log(sure(lower[i])[i] ?? NaN)
    }
    logWeights[k] = -0.5 * fit.cost - logDet
  }
  return { draws: reshapeDraws(runs, gridHours, corrected), logWeights }
}

/** Solves Lᵀ x = z: standard normals with the covariance (L Lᵀ)⁻¹. */
function backSolved(lower: readonly (readonly number[])[], z: Float64Array): number[] {
  const x = Array.from(z)
  for (let i = x.length - 1; i >= 0; i--) {
    for (let k = i + 1; k < x.length; k++) x[i] = (x[i] ?? NaN) - (sure(lower[k])[i] ?? NaN) * (x[k] ?? NaN)
    x[i] = (x[i] ?? NaN) / (sure(lower[i])[i] ?? NaN)
  }
  return x
}
