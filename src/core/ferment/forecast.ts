import { quantilesOf } from '../units/quantile'
import { drawParameters, LATENT_SD, LATENTS } from './draws'
import { type JarBelief, UNKNOWN_JAR } from './jarParameters'
import { LEVELS, type Milestones, sampleCurve } from './milestones'
import { bentShare, type ClimbShape, straightShare } from './shape'
import { simulate, type Vessel } from './simulate'

/** Taken out of Math once: these are asked for by the million. */
const { exp, floor, max, min } = Math

/** When to mix: the three schools. */
export const SCHOOLS = ['young', 'dome', 'mature', 'full sour', 'for taste'] as const
export type School = (typeof SCHOOLS)[number]

/** The simulations behind a forecast: each draw of jar, seed and room, before its build's own stretch, shape, height and fall. */
export interface Runs {
  /** Hours between two kept points. */
  readonly stepHours: number
  /** Points kept of each run. */
  readonly points: number
  /** g, one row per draw. */
  readonly gas: Float32Array
  readonly milestones: readonly Milestones[]
}

/** Many ways one build may go. */
export interface Draws {
  /** Hours since mixing at which the level of each draw is kept. */
  readonly gridHours: Float64Array
  /** g, one row of the grid per draw. */
  readonly gas: Float32Array
  /** Milestones of each draw, the build's own doings included. */
  readonly milestones: readonly Milestones[]
  readonly runs: Runs
  /** `LATENTS` standard normals for each draw: what its build does differently. */
  readonly latents: Float64Array
}

/** A moment with its doubt, hours since mixing; Infinity: not within the time looked at. */
export interface HourRange {
  readonly p05: number
  readonly p25: number
  readonly p50: number
  readonly p75: number
  readonly p95: number
}

/** What is told of a build: the level with its doubt, and the window of one school. */
export interface Forecast {
  readonly gridHours: readonly number[]
  /** g at each point of the grid: median, and the middle 50 % and 90 %. */
  readonly gas: { readonly p05: number[]; readonly p25: number[]; readonly p50: number[]; readonly p75: number[]; readonly p95: number[] }
  readonly opens: HourRange
  readonly peak: HourRange
  readonly closes: HourRange
  /** Probability that it is fit to mix, for the school, at each point of the grid. */
  readonly fit: readonly number[]
}

const GRID_POINTS = 97
const SHARES = [0.05, 0.25, 0.5, 0.75, 0.95] as const
/** Draws of an ordinary forecast. */
export const DRAW_COUNT = 400

/**
 * How long to look at a build: well past its fall.
 * @returns hours, between 12 and 240
 */
export function horizonHours(milestones: Milestones): number {
  const fall = milestones.collapsedHours ?? milestones.closesHours
  return fall === null ? 240 : min(max(1.9 * fall, 12), 240)
}

/** How much longer than the forecast its simulations look: a build may be quicker than its jar. */
const RUN_BEYOND = 1.35
/** Steps of a draw are so many times longer: that moves its milestones by a minute or two, where draws lie hours apart. */
const DRAW_STRIDE = 1.6

/**
 * Simulates one vessel many times over what is not known of it.
 * @param vessel what is in it and where it stands
 * @param belief what is believed of its jar
 * @param options hours to look, number of draws, how little is known of the room (K)
 * @returns level and milestones of every draw
 */
export function drawForecast(
  vessel: Vessel,
  belief: JarBelief = UNKNOWN_JAR,
  options: { readonly untilHours: number; readonly count?: number; readonly roomSdC?: number }
): Draws {
  const { draws, normals } = drawParameters(options.count ?? DRAW_COUNT, belief, options.roomSdC)
  const points = GRID_POINTS
  const runHours = options.untilHours * RUN_BEYOND
  const stepHours = runHours / (points - 1)
  const gas = new Float32Array(draws.length * points)
  const milestones = draws.map((draw, k) => {
    const stays = vessel.stays.map((stay) => ({ ...stay, tempC: stay.tempC + draw.roomOffsetK }))
    const start = { ...vessel.start, yeast: vessel.start.yeast * draw.seed }
    const run = simulate({ ...vessel, start, stays }, draw.jar, { untilHours: runHours, stopPastPeak: true, stride: DRAW_STRIDE })
    sampleCurve(run.curve, stepHours, points, gas, k * points)
    return run.milestones
  })
  const gridHours = Float64Array.from({ length: points }, (_, i) => (i * options.untilHours) / (points - 1))
  return reshapeDraws({ stepHours, points, gas, milestones }, gridHours, normals)
}

/**
 * The draws with their builds' own doings put in.
 * @param latents `LATENTS` standard normals for each draw
 */
export function reshapeDraws(runs: Runs, gridHours: Float64Array, latents: Float64Array): Draws {
  const points = gridHours.length
  const count = runs.milestones.length
  const gridStep = gridHours[1] ?? NaN
  const last = runs.points - 1
  const straight = runs.gas
  const gas = new Float32Array(count * points)
  const milestones = runs.milestones.map((m, k) => {
    const doing = doingOf(latents, k)
    const { height } = doing
    const { peakGas } = m
    const untilPeak = (m.peakHours ?? Number.POSITIVE_INFINITY) / runs.stepHours
    const perPoint = gridStep / (doing.stretch * runs.stepHours)
    const row = k * runs.points
    const to = k * points
    for (let i = 0; i < points; i++) {
      const place = min(turned(i * perPoint, untilPeak, doing), last)
      const left = min(floor(place), last - 1)
      const low = straight[row + left] ?? NaN
      const level = low + (place - left) * ((straight[row + left + 1] ?? NaN) - low)
      gas[to + i] = height * (place < untilPeak ? peakGas * bentShare(level / peakGas, doing) : level)
    }
    return reshaped(m, doing, runs, k)
  })
  return { gridHours, gas, milestones, runs, latents }
}

/** What one build does differently: stretch of its times, fullness of its climb, height, pace of its fall. */
interface Doing extends ClimbShape {
  readonly stretch: number
  readonly height: number
  readonly fall: number
}

/** A time of a build's own on its run: past the peak it goes at the pace of its fall. */
const turned = (hours: number, peakHours: number, { fall }: Doing) => (hours <= peakHours ? hours : peakHours + (hours - peakHours) * fall)

function doingOf(latents: Float64Array, k: number): Doing {
  const factor = (i: number) => exp((latents[k * LATENTS + i] ?? NaN) * (LATENT_SD[i] ?? NaN))
  return { stretch: factor(0), shape: factor(1), steep: 1, height: factor(2), fall: factor(3) }
}

/** g of one run at a time of its own. */
export function runGas({ stepHours, points, gas }: Runs, k: number, hours: number): number {
  const place = min(max(hours / stepHours, 0), points - 1 - 1e-9)
  const i = floor(place)
  const low = gas[k * points + i] ?? NaN
  return low + (place - i) * ((gas[k * points + i + 1] ?? NaN) - low)
}

/** When a run's own level is first passed, h; null where it is not. */
function runPasses(runs: Runs, k: number, level: number): number | null {
  const { points, gas, stepHours } = runs
  for (let i = 1; i < points; i++) {
    const high = gas[k * points + i] ?? NaN
    if (high < level) continue
    const low = gas[k * points + i - 1] ?? NaN
    return stepHours * (i - 1 + (level - low) / max(high - low, 1e-9))
  }
  return null
}

function reshaped(m: Milestones, doing: Doing, runs: Runs, k: number): Milestones {
  const { stretch, height, fall } = doing
  const { peakHours } = m
  const at = (hours: number | null) => (hours === null ? null : hours * stretch)
  const late = (hours: number | null) => (hours === null || peakHours === null ? null : (peakHours + (hours - peakHours) / fall) * stretch)
  const up = (share: number) => (m.peakHours === null ? null : at(runPasses(runs, k, m.peakGas * straightShare(share, doing))))
  const doubled = LEVELS.doubled / height
  return {
    doubledHours: m.peakHours === null ? at(runPasses(runs, k, doubled)) : doubled > m.peakGas ? null : up(doubled / m.peakGas),
    sixtyHours: up(LEVELS.young),
    opensHours: up(LEVELS.window),
    peakHours: at(peakHours),
    closesHours: late(m.closesHours),
    easedHours: late(m.easedHours),
    collapsedHours: late(m.collapsedHours),
    peakGas: m.peakGas * height
  }
}

/**
 * A full sour is used from when it has fallen until so many times those hours: a rye sour that has fallen after 12 h is used until its 24th. Source: craft knowledge.
 */
const FULL_SOUR_LASTS = 2

/** Whether a dough waits for a levain that is wanted so. */
export const isAwaited = (school: School) => school !== 'for taste'

/** Yeast raises the dough, and the levain is there for its taste: fit soon after it was mixed, at its best after some hours, and of no use a day and a half later. Source: craft knowledge. */
const FOR_TASTE = { opensHours: 0.5, fitHours: 4, closesHours: 36 } as const

/**
 * The window of a school on one curve.
 * @returns hours since mixing; null where the curve does not get there
 */
export function windowOf(m: Milestones, school: School): { opensHours: number | null; closesHours: number | null } {
  if (school === 'dome') return { opensHours: m.opensHours, closesHours: m.closesHours }
  if (school === 'mature') return { opensHours: m.peakHours, closesHours: m.easedHours }
  if (school === 'full sour') return { opensHours: m.collapsedHours, closesHours: m.collapsedHours === null ? null : FULL_SOUR_LASTS * m.collapsedHours }
  if (school === 'for taste') return FOR_TASTE
  const early = [m.doubledHours, m.sixtyHours].filter((h) => h !== null)
  return { opensHours: early.length > 0 ? min(...early) : null, closesHours: m.opensHours }
}

/** Hours from mixing at which a school mixes: in the middle of its window, at the peak for the dome. */
export function fitHours(milestones: Milestones, school: School): number | null {
  if (school === 'dome') return milestones.peakHours
  if (school === 'for taste') return FOR_TASTE.fitHours
  const { opensHours, closesHours } = windowOf(milestones, school)
  return opensHours === null || closesHours === null ? null : (opensHours + closesHours) / 2
}

/**
 * When a level is first reached.
 * @param gas g: rise less 1
 * @returns hours since mixing with their doubt
 */
export function reaches(draws: Draws, gas: number): HourRange {
  const points = draws.gridHours.length
  const hours = draws.milestones.map((_, k) => {
    for (let i = 1; i < points; i++) {
      const high = draws.gas[k * points + i] ?? NaN
      if (high < gas) continue
      const low = draws.gas[k * points + i - 1] ?? NaN
      const left = draws.gridHours[i - 1] ?? NaN
      return left + ((gas - low) / max(high - low, 1e-9)) * ((draws.gridHours[i] ?? NaN) - left)
    }
    return null
  })
  return range(hours)
}

/** A normal distribution leaves 5 % below the first and a quarter below the second, sd. */
const TAIL_SD = 1.645
const QUARTER_SD = 0.674

/** Hours whose pace is not known either. @param sd of its logarithm */
export function withPaceDoubt(range: HourRange, sd: number): HourRange {
  const { p05, p25, p50, p75, p95 } = range
  if (!Number.isFinite(p50)) return range
  const wider = (hours: number, atSd: number) => p50 * exp(Math.sign(atSd) * Math.hypot(Math.log(hours / p50), atSd * sd))
  return { p05: wider(p05, -TAIL_SD), p25: wider(p25, -QUARTER_SD), p50, p75: wider(p75, QUARTER_SD), p95: wider(p95, TAIL_SD) }
}

/** g of one draw at a time between the points of the grid. */
export function drawnGas(draws: Draws, k: number, hours: number): number {
  const points = draws.gridHours.length
  const step = draws.gridHours[1] ?? NaN
  const place = min(max(hours / step, 0), points - 1 - 1e-9)
  const i = floor(place)
  const low = draws.gas[k * points + i] ?? NaN
  return low + (place - i) * ((draws.gas[k * points + i + 1] ?? NaN) - low)
}

/** Median g of a forecast at a time between the points of its grid. */
export function levelOf(forecast: Forecast, hours: number): number {
  const { gridHours, gas } = forecast
  const step = gridHours[1] ?? 1
  const place = min(max(hours / step, 0), gridHours.length - 1 - 1e-9)
  const i = floor(place)
  const low = gas.p50[i] ?? 0
  return low + (place - i) * ((gas.p50[i + 1] ?? low) - low)
}

/**
 * Quantiles of all draws.
 * @param draws from drawForecast or correctDraws, each as likely as the others
 * @param school whose window is asked for
 */
export function summarise(draws: Draws, school: School): Forecast {
  const count = draws.milestones.length
  const points = draws.gridHours.length
  const column = new Float64Array(count)
  const bands = Array.from(draws.gridHours, (_, i) => {
    for (let k = 0; k < count; k++) column[k] = draws.gas[k * points + i] ?? NaN
    return quantilesOf(column, SHARES)
  })
  const line = (share: number) => bands.map((band) => band[share] ?? NaN)
  const gas = { p05: line(0), p25: line(1), p50: line(2), p75: line(3), p95: line(4) }
  const windows = draws.milestones.map((m) => windowOf(m, school))
  return {
    gridHours: Array.from(draws.gridHours),
    gas,
    fit: Array.from(draws.gridHours, (hours) => fitIn(windows, hours)),
    opens: range(windows.map((x) => x.opensHours)),
    peak: range(draws.milestones.map((m) => m.peakHours)),
    closes: range(windows.map((x) => x.closesHours))
  }
}

function range(hours: readonly (number | null)[]): HourRange {
  const q = quantilesOf(
    hours.map((h) => h ?? Number.POSITIVE_INFINITY),
    SHARES
  )
  return { p05: q[0] ?? NaN, p25: q[1] ?? NaN, p50: q[2] ?? NaN, p75: q[3] ?? NaN, p95: q[4] ?? NaN }
}

/** The chance that it is fit to mix at a time, as a forecast tells it; null beyond its grid. */
export const toldFit = ({ gridHours, fit }: Pick<Forecast, 'gridHours' | 'fit'>, hours: number): number | null =>
  fit[Math.round(hours / (gridHours[1] ?? 1))] ?? null

/**
 * Probability that the levain is fit to mix at a time.
 * @param hours since mixing
 * @param withinHours so little before its window or after it counts as in it, h
 * @returns 0 … 1
 */
export function fitAt(draws: Draws, school: School, hours: number, withinHours = 0): number {
  return fitIn(
    draws.milestones.map((m) => windowOf(m, school)),
    hours,
    withinHours
  )
}

function fitIn(windows: readonly ReturnType<typeof windowOf>[], hours: number, within = 0): number {
  const fit = windows.filter(
    ({ opensHours, closesHours }) => opensHours !== null && hours >= opensHours - within && hours <= (closesHours ?? Number.POSITIVE_INFINITY) + within
  )
  return windows.length > 0 ? fit.length / windows.length : 0
}
