/**
 * Learns what makes one jar differ from a typical one from the log of its builds: the most likely parameters (MAP) with a Laplace covariance.
 * Each build has latents of its own (oneBuild.ts), which are fitted and then integrated out on the straight line through the fit, so that a build that ran
 * late as a whole counts once and not once per mark.
 */
import { sure } from '../units/sure'
import { LEARNING, NOISE, PARAMETER_SPREAD } from './constants'
import { LATENT_SD } from './draws'
import { type JarBelief, logsOf, PARAMETERS, parametersOf, TYPICAL_JAR, UNKNOWN_JAR } from './jarParameters'
import { type Metered, souringOf } from './learnSouring'
import { cholesky, invert, solveCholesky } from './matrix'
import { gasAt } from './milestones'
import { type BareHill, type FittedBuild, fitBuild, foretell, type Observation, sdOf } from './oneBuild'
import { simulate, type Vessel } from './simulate'

/** One build of a jar, as it was logged. */
export interface BuildLog {
  readonly vessel: Vessel
  readonly seen: readonly Observation[]
  /** What a pH meter showed, hours since mixing. */
  readonly metered?: readonly Metered[]
  /** How little is known of the room, K; that of an ordinary thermometer when left out. */
  readonly roomSdC?: number
}

/** How far learning has come. */
export interface LearningProgress {
  readonly round: number
  readonly ofRounds: number
}

/** What was learned of a jar. */
export interface LearnedJar {
  readonly belief: JarBelief
  /** Builds that said something. */
  readonly builds: number
}

/** Longest a logged build is followed, h. */
const LONGEST_HOURS = 240
/** Above this no part of a build says anything about the cold, °C. */
const COLD_TELLS_C = 12

const SIZE = PARAMETERS.length
const PRIOR_PRECISION = PARAMETERS.map((name) => 1 / PARAMETER_SPREAD[name] ** 2)

interface Sums {
  /** Curvature by the parameters. */
  readonly curvature: number[][]
  /** Pull on the parameters. */
  readonly pull: number[]
  readonly cost: number
}

/**
 * Learns a jar, round by round.
 * @param logs its builds, any order; those without observations are passed over
 * @yields progress after every round, so that the caller can show it, or stop
 * @returns what was learned; the prior when there is nothing to learn from
 */
export function* learning(logs: readonly BuildLog[]): Generator<LearningProgress, LearnedJar> {
  const telling = logs.filter((log) => log.seen.length > 0)
  const metered = logs.filter((log) => (log.metered?.length ?? 0) > 0)
  let logsNow = logsOf(TYPICAL_JAR)
  let latents: (readonly number[])[] = telling.map(() => [0, 0, 0])
  let sums: Sums | null = null
  for (let round = 0; round < LEARNING.rounds && telling.length > 0; round++) {
    const next = roundOf(telling, logsNow, latents)
    latents = next.latents
    sums = next.sums
    const step = solveCholesky(cholesky(sums.curvature), sums.pull)
    const longest = Math.max(...step.map(Math.abs))
    const share = Math.min(1, LEARNING.longestStep / longest)
    logsNow = logsNow.map((log, i) => log + share * (step[i] ?? NaN))
    yield { round: round + 1, ofRounds: LEARNING.rounds }
    if (longest < LEARNING.settledStep) break
  }
  const covariance = sums === null ? UNKNOWN_JAR.covariance : invert(sums.curvature)
  const centre = parametersOf(logsNow)
  return { belief: { centre: metered.length === 0 ? centre : { ...centre, souring: souringOf(metered, centre) }, covariance }, builds: telling.length }
}

/** Learns a jar in one go. */
export function learnJar(logs: readonly BuildLog[]): LearnedJar {
  const rounds = learning(logs)
  for (;;) {
    const next = rounds.next()
    if (next.done) return next.value
  }
}

/** How far the times of a build may lie from its jar's for all that is known, as sds of stretch, shape and height. */
export function latentSdsOf(roomSdC: number = NOISE.roomSdC): readonly number[] {
  return [Math.hypot(LATENT_SD[0] ?? NaN, LEARNING.pacePerKelvin * roomSdC), LATENT_SD[1] ?? NaN, LATENT_SD[2] ?? NaN]
}

function roundOf(logs: readonly BuildLog[], at: readonly number[], starts: readonly (readonly number[])[]): { sums: Sums; latents: (readonly number[])[] } {
  const curvature = PRIOR_PRECISION.map((p, i) => PRIOR_PRECISION.map((_, j) => (i === j ? p : 0)))
  const pull = at.map((log, i) => -(PRIOR_PRECISION[i] ?? NaN) * log)
  let cost = 0
  const latents = logs.map((log, b) => {
    const sds = latentSdsOf(log.roomSdC)
    const horizon = horizonOf(log)
    const { fit, base, peakGas } = onHill(log.vessel, at, horizon, (hill) => {
      const fitted = fitBuild(hill, log.seen, sds, starts[b])
      return { fit: fitted, base: log.seen.map((o) => foretell(hill, o, fitted.latents, sds).value), peakGas: hill.peakGas }
    })
    cost += fit.cost
    const slopes = PARAMETERS.map((name, i) => {
      if (name === 'cold' && !wasCold(log.vessel)) return null
      if (name === 'shape' || name === 'steep') return bendSlopes(name, fit, base, peakGas, at, sds)
      const beside = at.map((x, j) => (i === j ? x + LEARNING.slopeStep : x))
      const there = onHill(log.vessel, beside, horizon, (hill) => log.seen.map((o) => foretell(hill, o, fit.latents, sds).value))
      return there.map((value, n) => {
        const by = (value - (base[n] ?? NaN)) / LEARNING.slopeStep
        return Number.isFinite(by) ? by / sdOf(sure(log.seen[n])) : 0
      })
    })
    addBuild(fit, slopes, curvature, pull)
    return fit.latents
  })
  return { sums: { curvature, pull, cost }, latents }
}

/** Slopes by the jar's own bending: the shape of a build multiplies the same odds, so its slope is known already; steepness is their power. */
function bendSlopes(
  name: 'shape' | 'steep',
  fit: FittedBuild,
  base: readonly number[],
  peakGas: number,
  at: readonly number[],
  sds: readonly number[]
): number[] {
  const [, shapeSd = 1, heightSd = 1] = sds
  const [, shapeZ = 0, heightZ = 0] = fit.latents
  const height = peakGas * Math.exp(heightSd * heightZ)
  const shapeLog = shapeSd * shapeZ + (at[PARAMETERS.indexOf('shape')] ?? NaN)
  return fit.rows.map((row, n) => {
    const byShape = (row.slopes[1] ?? NaN) / shapeSd
    if (name === 'shape' || byShape === 0) return byShape
    const share = Math.min(Math.max((base[n] ?? NaN) / height, 1e-6), 1 - 1e-6)
    return byShape * (Math.log(share / (1 - share)) - shapeLog)
  })
}

/** Adds one build to the normal equations, its latents integrated out. */
function addBuild(fit: FittedBuild, slopes: readonly (readonly number[] | null)[], curvature: number[][], pull: number[]): void {
  const inner = cholesky(fit.curvature)
  // What is left of each observation once the latents' own part is put back.
  const left = fit.rows.map((row) => row.off + row.slopes.reduce((sum, s, i) => sum + s * (fit.latents[i] ?? NaN), 0))
  const cross = slopes.map((by) =>
    by === null ? null : fit.latents.map((_, i) => fit.rows.reduce((sum, row, n) => sum + row.weight * (by[n] ?? NaN) * (row.slopes[i] ?? NaN), 0))
  )
  const leftCross = fit.latents.map((_, i) => fit.rows.reduce((sum, row, n) => sum + row.weight * (left[n] ?? NaN) * (row.slopes[i] ?? NaN), 0))
  const leftSolved = solveCholesky(inner, leftCross)
  for (let i = 0; i < SIZE; i++) {
    const [byI, crossI] = [slopes[i], cross[i]]
    if (byI === null || byI === undefined || crossI === null || crossI === undefined) continue
    const solved = solveCholesky(inner, crossI)
    pull[i] = (pull[i] ?? NaN) + fit.rows.reduce((sum, row, n) => sum + row.weight * (byI[n] ?? NaN) * (left[n] ?? NaN), 0) - dot(crossI, leftSolved)
    for (let j = 0; j < SIZE; j++) {
      const [byJ, crossJ] = [slopes[j], cross[j]]
      if (byJ === null || byJ === undefined || crossJ === null || crossJ === undefined) continue
      const row = sure(curvature[i])
      row[j] = (row[j] ?? NaN) + fit.rows.reduce((sum, r, n) => sum + r.weight * (byI[n] ?? NaN) * (byJ[n] ?? NaN), 0) - dot(solved, crossJ)
    }
  }
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, x, i) => sum + x * (b[i] ?? NaN), 0)

/** Whether a build stood where the cold shows. */
const wasCold = (vessel: Vessel) => vessel.stays.some((stay) => stay.tempC < COLD_TELLS_C)

/** How long a build has to be followed to tell what was seen of it. */
function horizonOf({ seen }: BuildLog): number {
  return Math.min(LONGEST_HOURS, 12 + 2.5 * Math.max(...seen.map((o) => o.hours)))
}

/** Simulates a build with these parameters and hands its hill to `work`. The hill shares its memory with the next one, so `work` must not keep it. */
function onHill<T>(vessel: Vessel, logs: readonly number[], untilHours: number, work: (hill: BareHill) => T): T {
  const { curve, milestones } = simulate(vessel, parametersOf(logs), { untilHours, stopPastPeak: true })
  return work({ peakHours: milestones.peakHours, peakGas: milestones.peakGas, gasAt: (hours) => gasAt(curve, hours) })
}
