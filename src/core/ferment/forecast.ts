import { weightedQuantiles } from '../units/quantile'
import { drawParameters } from './draws'
import { type JarParameters, TYPICAL_JAR } from './jarParameters'
import { gasAt, type Milestones } from './milestones'
import { simulate, type Vessel } from './simulate'

/** When to mix: the three schools. */
export const SCHOOLS = ['young', 'dome', 'mature'] as const
export type School = (typeof SCHOOLS)[number]

/** Many ways one build may go. */
export interface Draws {
  /** Hours since mixing at which the level of each draw is kept. */
  readonly gridHours: Float64Array
  /** g, one row of the grid per draw. */
  readonly gas: Float32Array
  /** Milestones of each draw, the build's own stretch of time included. */
  readonly milestones: readonly Milestones[]
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
  return fall === null ? 240 : Math.min(Math.max(1.9 * fall, 12), 240)
}

/**
 * Simulates one vessel many times over what is not known of it.
 * @param vessel what is in it and where it stands
 * @param jar the jar's parameters as believed now
 * @param options hours to look, number of draws, how well the jar is known (0 … 1)
 * @returns level and milestones of every draw
 */
export function drawForecast(
  vessel: Vessel,
  jar: JarParameters = TYPICAL_JAR,
  options: { readonly untilHours: number; readonly count?: number; readonly certainty?: number }
): Draws {
  const draws = drawParameters(options.count ?? DRAW_COUNT, jar, options.certainty)
  const gridHours = Float64Array.from({ length: GRID_POINTS }, (_, i) => (i * options.untilHours) / (GRID_POINTS - 1))
  const gas = new Float32Array(draws.length * GRID_POINTS)
  const milestones = draws.map((draw, k) => {
    const stays = vessel.stays.map((stay) => ({ ...stay, tempC: stay.tempC + draw.roomOffsetK }))
    const start = { ...vessel.start, yeast: vessel.start.yeast * draw.seed }
    const run = simulate({ ...vessel, start, stays }, draw.jar, { untilHours: options.untilHours / draw.stretch, stopPastPeak: true })
    for (let i = 0; i < GRID_POINTS; i++) gas[k * GRID_POINTS + i] = gasAt(run.curve, (gridHours[i] as number) / draw.stretch)
    return stretched(run.milestones, draw.stretch)
  })
  return { gridHours, gas, milestones }
}

function stretched(m: Milestones, by: number): Milestones {
  const at = (hours: number | null) => (hours === null ? null : hours * by)
  return {
    doubledHours: at(m.doubledHours),
    sixtyHours: at(m.sixtyHours),
    opensHours: at(m.opensHours),
    peakHours: at(m.peakHours),
    closesHours: at(m.closesHours),
    easedHours: at(m.easedHours),
    collapsedHours: at(m.collapsedHours),
    peakGas: m.peakGas
  }
}

/**
 * The window of a school on one curve.
 * @returns hours since mixing; null where the curve does not get there
 */
export function windowOf(m: Milestones, school: School): { opensHours: number | null; closesHours: number | null } {
  if (school === 'dome') return { opensHours: m.opensHours, closesHours: m.closesHours }
  if (school === 'mature') return { opensHours: m.peakHours, closesHours: m.easedHours }
  const early = [m.doubledHours, m.sixtyHours].filter((h) => h !== null)
  return { opensHours: early.length > 0 ? Math.min(...early) : null, closesHours: m.opensHours }
}

/** g of one draw at a time between the points of the grid. */
export function drawnGas(draws: Draws, k: number, hours: number): number {
  const points = draws.gridHours.length
  const step = draws.gridHours[1] as number
  const place = Math.min(Math.max(hours / step, 0), points - 1 - 1e-9)
  const i = Math.floor(place)
  const low = draws.gas[k * points + i] as number
  return low + (place - i) * ((draws.gas[k * points + i + 1] as number) - low)
}

/** Median g of a forecast at a time between the points of its grid. */
export function levelOf(forecast: Forecast, hours: number): number {
  const { gridHours, gas } = forecast
  const step = gridHours[1] ?? 1
  const place = Math.min(Math.max(hours / step, 0), gridHours.length - 1 - 1e-9)
  const i = Math.floor(place)
  const low = gas.p50[i] ?? 0
  return low + (place - i) * ((gas.p50[i + 1] ?? low) - low)
}

/**
 * Quantiles of all draws.
 * @param draws from drawForecast
 * @param school whose window is asked for
 * @param weights how likely each draw is; all alike when left out
 */
export function summarise(draws: Draws, school: School, weights?: ArrayLike<number>): Forecast {
  const count = draws.milestones.length
  const w = weights ?? new Float64Array(count).fill(1)
  const points = draws.gridHours.length
  const gas = { p05: [] as number[], p25: [] as number[], p50: [] as number[], p75: [] as number[], p95: [] as number[] }
  const column = new Float64Array(count)
  for (let i = 0; i < points; i++) {
    for (let k = 0; k < count; k++) column[k] = draws.gas[k * points + i] as number
    const q = weightedQuantiles(column, w, SHARES)
    gas.p05.push(q[0] as number)
    gas.p25.push(q[1] as number)
    gas.p50.push(q[2] as number)
    gas.p75.push(q[3] as number)
    gas.p95.push(q[4] as number)
  }
  const windows = draws.milestones.map((m) => windowOf(m, school))
  return {
    gridHours: Array.from(draws.gridHours),
    gas,
    opens: range(
      windows.map((x) => x.opensHours),
      w
    ),
    peak: range(
      draws.milestones.map((m) => m.peakHours),
      w
    ),
    closes: range(
      windows.map((x) => x.closesHours),
      w
    )
  }
}

function range(hours: readonly (number | null)[], weights: ArrayLike<number>): HourRange {
  const q = weightedQuantiles(
    hours.map((h) => h ?? Number.POSITIVE_INFINITY),
    weights,
    SHARES
  )
  return { p05: q[0] as number, p25: q[1] as number, p50: q[2] as number, p75: q[3] as number, p95: q[4] as number }
}

/**
 * Probability that the levain is fit to mix at a time.
 * @param hours since mixing
 * @returns 0 … 1
 */
export function fitAt(draws: Draws, school: School, hours: number, weights?: ArrayLike<number>): number {
  let fit = 0
  let total = 0
  draws.milestones.forEach((m, k) => {
    const weight = weights === undefined ? 1 : (weights[k] as number)
    const { opensHours, closesHours } = windowOf(m, school)
    total += weight
    if (opensHours !== null && hours >= opensHours && hours <= (closesHours ?? Number.POSITIVE_INFINITY)) fit += weight
  })
  return total > 0 ? fit / total : 0
}
