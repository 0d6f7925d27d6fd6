/**
 * What one build did differently from its jar, told from what was seen of it: a stretch of its times, a shape of its climb, a height.
 * Robust least squares (iteratively reweighted, errors with the tails of Student's t) with each of the three drawn towards nothing.
 */
import { normalBelow } from '../units/normalBelow'
import { LEARNING, NOISE } from './constants'
import { cholesky, solveCholesky } from './matrix'
import { bendSlope, bentShare } from './shape'

/** What was seen of a build. */
export type Observation =
  /** A level read off the jar: height ÷ height at the band. */
  | { readonly kind: 'level'; readonly hours: number; readonly rise: number }
  /** It was seen at its top. @param share how far off that may be, as a share of its hours; that of a peak somebody saw when left out */
  | { readonly kind: 'peak'; readonly hours: number; readonly share?: number }
  /** It was still climbing then, or had fallen already when somebody looked, and nobody saw the top. */
  | { readonly kind: 'climbing' | 'fallen'; readonly hours: number; readonly trust?: number }

/** A hill before the build's own doings. */
export interface BareHill {
  readonly peakHours: number | null
  readonly peakGas: number
  /** g at a time of its own, h. */
  readonly gasAt: (hours: number) => number
}

/** One observation against one hill, in standard deviations. */
export interface Row {
  /** Seen less foretold. */
  readonly off: number
  /** How much it counts, 1 for one that fits. */
  readonly weight: number
  /** Slopes of what is foretold by the three latents. */
  readonly slopes: readonly number[]
}

/** The latents of a build as they fit best. */
export interface FittedBuild {
  /** Standard normals: stretch, shape, height. */
  readonly latents: readonly number[]
  readonly rows: readonly Row[]
  /** Curvature of the cost by the latents, the pull towards nothing included. */
  readonly curvature: readonly (readonly number[])[]
  /** Twice the negative log likelihood, the pull included. */
  readonly cost: number
}

/** What is fitted: stretch, shape and height. The fall says nothing of a jar. */
const FITTED = 3
const ROUNDS = 5
/** No latent goes further in one round, nor lies further out, sd. */
const LONGEST_STEP = 1.5
const FURTHEST = 4
const SLOPE_HOURS = 0.05

/** What is foretold of an observation, with its slopes by the latents. */
export function foretell(hill: BareHill, seen: Observation, latents: readonly number[], sds: readonly number[]): { value: number; slopes: number[] } {
  const [stretchLog = 0, shapeLog = 0, heightLog = 0] = latents.map((z, i) => z * (sds[i] ?? NaN))
  const peakHours = hill.peakHours ?? Number.POSITIVE_INFINITY
  if (seen.kind !== 'level') {
    const at = peakHours * Math.exp(stretchLog)
    return { value: at, slopes: [at * (sds[0] ?? NaN), 0, 0] }
  }
  const own = seen.hours * Math.exp(-stretchLog)
  const from = Math.max(own - SLOPE_HOURS, 0)
  const level = hill.gasAt(own)
  const slope = (hill.gasAt(own + SLOPE_HOURS) - hill.gasAt(from)) / (own + SLOPE_HOURS - from)
  const height = Math.exp(heightLog)
  const stretchSd = sds[0] ?? NaN
  if (own >= peakHours || !Number.isFinite(peakHours)) {
    return { value: height * level, slopes: [-height * slope * own * stretchSd, 0, height * level * (sds[2] ?? NaN)] }
  }
  const bend = { shape: Math.exp(shapeLog), steep: 1 }
  const share = level / hill.peakGas
  const bent = bentShare(share, bend)
  const value = height * hill.peakGas * bent
  return {
    value,
    slopes: [
      -height * slope * bendSlope(share, bent, bend) * own * stretchSd,
      height * hill.peakGas * bent * (1 - bent) * (sds[1] ?? NaN),
      value * (sds[2] ?? NaN)
    ]
  }
}

/** One observation against what is foretold of it. */
function rowOf(seen: Observation, { value, slopes }: { value: number; slopes: number[] }): Row & { readonly cost: number } {
  const sd = sdOf(seen)
  const cost = costOf(seen, value, sd)
  if (seen.kind === 'level') return tailed((seen.rise - 1 - value) / sd, slopes, sd, cost)
  // A hill without a peak in the time looked at says nothing here.
  if (!Number.isFinite(value)) return { off: 0, weight: 0, slopes: slopes.map(() => 0), cost }
  if (seen.kind === 'peak') return tailed((seen.hours - value) / sd, slopes, sd, cost)
  const { side, trust, clear, below, likely } = sideOf(seen, value, sd)
  const pull = (millsRatio(clear) * trust * below) / likely
  // The curvature of a sign that may be wrong can be negative: there its slope squared stands for it.
  const weight = Math.min(Math.max(trust < 1 ? pull * pull : pull * (pull + clear), LEAST_WEIGHT), 1)
  const off = pull < LEAST_WEIGHT ? 0 : (side * pull) / weight
  return { off, weight, slopes: slopes.map((s) => s / sd), cost }
}

const LEAST_WEIGHT = 1e-9

/** Standard deviation an observation is measured in: g for a level, hours for the others. */
export function sdOf(seen: Observation): number {
  if (seen.kind === 'level') return Math.hypot(NOISE.readingSd * seen.rise, NOISE.levelSd)
  return (seen.kind === 'peak' ? (seen.share ?? NOISE.seenPeakSd) : NOISE.sideSd) * Math.max(seen.hours, 1)
}

function tailed(off: number, slopes: readonly number[], sd: number, cost: number): Row & { readonly cost: number } {
  const { tailDegrees } = LEARNING
  return { off, weight: (tailDegrees + 1) / (tailDegrees + off * off), slopes: slopes.map((s) => s / sd), cost }
}

/**
 * What an observation costs: twice its negative log likelihood, but for what is the same whatever was foretold.
 * @param value what is foretold: g for a level, hours of the peak for the others
 * @param sd what it is measured in, of sdOf
 */
export function costOf(seen: Observation, value: number, sd: number): number {
  if (!Number.isFinite(value)) return 0
  if (seen.kind === 'climbing' || seen.kind === 'fallen') return -2 * Math.log(sideOf(seen, value, sd).likely)
  const { tailDegrees } = LEARNING
  const off = ((seen.kind === 'level' ? seen.rise - 1 : seen.hours) - value) / sd
  return (tailDegrees + 1) * Math.log(1 + (off * off) / tailDegrees)
}

/** A side of the peak against the peak foretold. A sign that may be wrong says no more than how likely it is right: what plainly contradicts it is not bent to it. */
function sideOf(seen: Extract<Observation, { kind: 'climbing' | 'fallen' }>, peakHours: number, sd: number) {
  const { trust = 1 } = seen
  const side = seen.kind === 'climbing' ? 1 : -1
  const clear = (side * (peakHours - seen.hours)) / sd
  const below = normalBelow(clear)
  return { side, trust, clear, below, likely: Math.max((1 - trust) / 2 + trust * below, 1e-12) }
}

/** φ(x) / Φ(x); for x far below nothing it is −x. */
function millsRatio(x: number): number {
  if (x < -5) return -x + 1 / -x
  return (0.3989422804014327 * Math.exp(-0.5 * x * x)) / normalBelow(x)
}

/**
 * Fits what one build did differently.
 * @param hill the jar's hill for this build
 * @param seen what was observed, any order
 * @param sds standard deviations of stretch, shape and height
 * @param start where to begin, standard normals
 */
export function fitBuild(hill: BareHill, seen: readonly Observation[], sds: readonly number[], start: readonly number[] = [0, 0, 0]): FittedBuild {
  const look = (latents: readonly number[]) => {
    const rows = seen.map((o) => rowOf(o, foretell(hill, o, latents, sds)))
    return { latents, rows, cost: rows.reduce((sum, r) => sum + r.cost, 0) + latents.reduce((sum, z) => sum + z * z, 0) }
  }
  let best = look(start)
  for (let round = 0; round < ROUNDS; round++) {
    const curvature = curvatureOf(best.rows)
    const pull = best.latents.map((z, i) => best.rows.reduce((sum, r) => sum + r.weight * (r.slopes[i] ?? NaN) * r.off, -z))
    const step = solveCholesky(cholesky(curvature), pull)
    const longest = Math.max(...step.map(Math.abs))
    if (longest < 1e-3) break
    let share = Math.min(1, LONGEST_STEP / longest)
    let next = look(moved(best.latents, step, share))
    while (next.cost > best.cost && share > 0.1) {
      share /= 2
      next = look(moved(best.latents, step, share))
    }
    if (next.cost >= best.cost) break
    best = next
  }
  return { ...best, curvature: curvatureOf(best.rows) }
}

const moved = (from: readonly number[], step: readonly number[], share: number) =>
  from.map((z, i) => Math.min(Math.max(z + share * (step[i] ?? NaN), -FURTHEST), FURTHEST))

function curvatureOf(rows: readonly Row[]): number[][] {
  return Array.from({ length: FITTED }, (_, i) =>
    Array.from({ length: FITTED }, (__, j) => rows.reduce((sum, r) => sum + r.weight * (r.slopes[i] ?? NaN) * (r.slopes[j] ?? NaN), i === j ? 1 : 0))
  )
}
