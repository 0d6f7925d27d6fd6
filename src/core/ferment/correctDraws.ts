import { orderOf } from '../units/quantile'
import { sure } from '../units/sure'
import { LATENT_SD, LATENTS, sequenceOf } from './draws'
import { type Draws, type Runs, reshapeDraws, runGas } from './forecast'
import type { HillTop, Milestones } from './milestones'
import { costOf, type Observation, sdOf } from './oneBuild'
import { bentShare } from './shape'

/** Ways one build may go that are tried with every draw of jar, seed and room. */
const WAYS = 16
/** So many of all that is tried must count for something, lest the ranges get narrower than what is known. */
const LEAST_EFFECTIVE = 12
/** Stands for a peak that does not come within the time looked at, h. */
const NEVER = 1e6

/** Where one way stands at a look. */
export interface OnHill extends HillTop {
  /** g at the look. */
  readonly gas: number
}

/** Something beside a level, seen at a look: signs of it. */
export interface Sighting {
  /** Since mixing. */
  readonly hours: number
  /** How likely it is to be seen of one that stands so, as a logarithm. */
  readonly logOf: (onHill: OnHill) => number
}

/**
 * Corrects the forecast of a running build by what was seen of it. Every draw of jar, seed and room is tried with many builds of its own: stretch, shape, height and
 * fall. Each counts as far as it goes with all that was seen, on both sides of its top; of those that do, as many are taken as there were draws.
 * @param draws the build as it was mixed
 * @param seen levels, peak or side of it so far, any order
 * @param sighted signs so far
 * @returns draws that are each as likely as the others; those that were given where nothing was seen
 * Source: importance sampling with systematic resampling (Liu 2001, Monte Carlo Strategies in Scientific Computing), no chance in it.
 */
export function correctDraws(draws: Draws, seen: readonly Observation[], sighted: readonly Sighting[] = []): Draws {
  if (seen.length === 0 && sighted.length === 0) return draws
  const { runs, gridHours } = draws
  return taken(runs, gridHours, pickedFrom(runs, weightsOf(logsOf(runs, seen, sighted))))
}

/** Factors of every way: e to its latents. */
const factors = new Map<number, Float64Array>()
function factorsFor(count: number): Float64Array {
  const there = factors.get(count)
  if (there !== undefined) return there
  const made = sequenceOf(count * WAYS, LATENTS).map((z, i) => Math.exp(z * sure(LATENT_SD[i % LATENTS])))
  factors.set(count, made)
  return made
}

/** How well each way goes with all that was seen, as a logarithm; row after row of WAYS. */
function logsOf(runs: Runs, seen: readonly Observation[], sighted: readonly Sighting[]): Float64Array {
  const count = runs.milestones.length
  const by = factorsFor(count)
  const sds = seen.map(sdOf)
  // Level and signs of one look are seen of the same g.
  const moments = [...new Set([...seen, ...sighted].map(({ hours }) => hours))]
  const levelAt = seen.map(({ hours }) => moments.indexOf(hours))
  const signsAt = sighted.map(({ hours }) => moments.indexOf(hours))
  const gas = new Float64Array(moments.length)
  const logs = new Float64Array(count * WAYS)
  const bend = { shape: 1, steep: 1 }
  const onHill = { peakHours: 0 as number | null, peakGas: 0, gas: 0 }
  for (let n = 0; n < logs.length; n++) {
    const k = Math.floor(n / WAYS)
    const { peakHours, peakGas } = sure(runs.milestones[k])
    const top = peakHours ?? Number.POSITIVE_INFINITY
    const stretch = by[n * LATENTS] ?? NaN
    bend.shape = by[n * LATENTS + 1] ?? NaN
    const height = by[n * LATENTS + 2] ?? NaN
    const fall = by[n * LATENTS + 3] ?? NaN
    for (let i = 0; i < moments.length; i++) {
      const own = (moments[i] ?? NaN) / stretch
      gas[i] = own <= top ? height * peakGas * bentShare(runGas(runs, k, own) / peakGas, bend) : height * runGas(runs, k, top + (own - top) * fall)
    }
    let log = 0
    for (let i = 0; i < seen.length; i++) {
      const one = sure(seen[i])
      log -= costOf(one, one.kind === 'level' ? (gas[levelAt[i] ?? 0] ?? NaN) : top * stretch, sds[i] ?? NaN) / 2
    }
    onHill.peakHours = peakHours === null ? null : peakHours * stretch
    onHill.peakGas = peakGas * height
    for (let i = 0; i < sighted.length; i++) {
      onHill.gas = gas[signsAt[i] ?? 0] ?? NaN
      log += sure(sighted[i]).logOf(onHill)
    }
    logs[n] = log
  }
  return logs
}

/** Weights of the ways, flattened until enough of them count. */
function weightsOf(logs: Float64Array): Float64Array {
  const best = logs.reduce((most, log) => Math.max(most, log), Number.NEGATIVE_INFINITY)
  for (let power = 1; ; power *= 0.9) {
    const weights = logs.map((log) => Math.exp(power * (log - best)))
    let sum = 0
    let squares = 0
    for (const weight of weights) {
      sum += weight
      squares += weight * weight
    }
    if ((sum * sum) / squares >= LEAST_EFFECTIVE || power < 0.05) return weights
  }
}

/** Ways as often as they are likely, as many as there are draws; spread evenly over the hours of their peaks. */
function pickedFrom(runs: Runs, weights: Float64Array): Int32Array {
  const count = runs.milestones.length
  const step = weights.reduce((sum, weight) => sum + weight, 0) / count
  const picked = new Int32Array(count)
  let reached = 0
  let next = 0
  for (const n of byPeak(runs)) {
    reached += weights[n] ?? NaN
    while (next < count && reached >= (next + 0.5) * step) picked[next++] = n
  }
  return picked
}

/** Ways in the order of their peaks, the same for every look at a build. */
const orders = new WeakMap<Runs, Float64Array>()
function byPeak(runs: Runs): Float64Array {
  const there = orders.get(runs)
  if (there !== undefined) return there
  const by = factorsFor(runs.milestones.length)
  const order = orderOf(
    Float64Array.from({ length: by.length / LATENTS }, (_, n) => (runs.milestones[Math.floor(n / WAYS)]?.peakHours ?? NEVER) * (by[n * LATENTS] ?? NaN))
  )
  orders.set(runs, order)
  return order
}

function taken(runs: Runs, gridHours: Float64Array, picked: Int32Array): Draws {
  const { points, stepHours } = runs
  const count = picked.length
  const all = sequenceOf(count * WAYS, LATENTS)
  const gas = new Float32Array(count * points)
  const latents = new Float64Array(count * LATENTS)
  const milestones: Milestones[] = []
  for (const [i, n] of picked.entries()) {
    const k = Math.floor(n / WAYS)
    gas.set(runs.gas.subarray(k * points, (k + 1) * points), i * points)
    latents.set(all.subarray(n * LATENTS, (n + 1) * LATENTS), i * LATENTS)
    milestones.push(sure(runs.milestones[k]))
  }
  return reshapeDraws({ stepHours, points, gas, milestones }, gridHours, latents)
}
