import { NOISE } from '../ferment/constants'
import { inverseNormal } from '../ferment/draws'
import { type Draws, drawnGas } from '../ferment/forecast'
import type { Milestones } from '../ferment/milestones'
import type { Observation } from '../ferment/oneBuild'

/** How much the pace of the fall differs from build to build, sd of its logarithm: the forecast is made for the climb. Source: builds of another generator. */
const FALL_SD = 0.5
/** Paces tried, sd. */
const TRIED = [-2, -1.33, -0.67, 0, 0.67, 1.33, 2] as const
const GOLDEN = 0.6180339887498949

/** Draws with a pace of their own for the fall, and what the levels say of it. */
export interface FallenDraws {
  readonly draws: Draws
  /** To be added to the logarithms of their weights. */
  readonly logs: Float64Array
}

/**
 * Gives every draw a pace for its fall: from the levels read after its top, as far as there are any; else as paces are spread.
 * @param draws corrected by the levels so far
 */
export function withFallPace(draws: Draws, levels: readonly Extract<Observation, { kind: 'level' }>[]): FallenDraws {
  const points = draws.gridHours.length
  const step = draws.gridHours[1] ?? NaN
  const gas = draws.gas.slice()
  const logs = new Float64Array(draws.milestones.length)
  const milestones = draws.milestones.map((m, k): Milestones => {
    const { peakHours } = m
    if (peakHours === null) return m
    const late = levels.filter((l) => l.hours > peakHours)
    const said = TRIED.map((z) =>
      late.reduce((sum, l) => sum + levelLog(l.rise - 1, drawnGas(draws, k, peakHours + (l.hours - peakHours) * Math.exp(FALL_SD * z))), -0.5 * z * z)
    )
    const z = late.length === 0 ? inverseNormal(((k + 1) * GOLDEN) % 1) : pick(said, ((k + 1) * GOLDEN) % 1)
    if (late.length > 0) logs[k] = logMean(said) - logMean(TRIED.map((t) => -0.5 * t * t)) - (said[TRIED.indexOf(0)] ?? NaN)
    const pace = Math.exp(FALL_SD * z)
    for (let i = Math.ceil(peakHours / step); i < points; i++) gas[k * points + i] = drawnGas(draws, k, peakHours + (i * step - peakHours) * pace)
    const at = (hours: number | null) => (hours === null ? null : peakHours + (hours - peakHours) / pace)
    return { ...m, closesHours: at(m.closesHours), easedHours: at(m.easedHours), collapsedHours: at(m.collapsedHours) }
  })
  return { draws: { ...draws, gas, milestones }, logs }
}

/** How well a level fits, as a logarithm with tails: a misread line must not throw it over. */
function levelLog(seen: number, foretold: number): number {
  const off = (seen - foretold) / Math.hypot(NOISE.readingSd * (1 + seen), NOISE.levelSd)
  return -2.5 * Math.log(1 + (off * off) / 4)
}

function logMean(logs: readonly number[]): number {
  const best = Math.max(...logs)
  return best + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - best), 0) / logs.length)
}

/** The pace a draw gets, by chance as likely as it is: between the tried ones, too. */
function pick(logs: readonly number[], share: number): number {
  const best = Math.max(...logs)
  const likely = logs.map((l) => Math.exp(l - best))
  let left = share * likely.reduce((a, b) => a + b, 0)
  for (let i = 0; i < likely.length; i++) {
    const own = likely[i] ?? NaN
    if (left <= own) return (TRIED[i] ?? NaN) + (left / own - 0.5) * (TRIED[1] - TRIED[0])
    left -= own
  }
  return TRIED.at(-1) ?? NaN
}
