import { createRequire } from 'node:module'
import { type JarParameters, placeTempAt, type RiseCurve, timeConstantHours, type Vessel } from '../src/core'
import { BACTERIA_ISOTHERMAL, MODEL, YEAST_ISOTHERMAL, YEAST_WARM } from '../src/core/ferment/constants'
import { cardinalRate, heatDeath, isothermalRate, metabolism, weakeningRate } from '../src/core/ferment/rates'
import { mixTraits } from '../src/core/ferment/simulate'

/** The little of the solver package that is used; what it ships is not strict TypeScript, so it is not imported but required. */
interface Solver {
  absoluteTolerance: number
  relativeTolerance: number
  denseOutput: boolean
  maxStepSize: number
  solve(
    f: (x: number, y: number[]) => number[],
    from: number,
    start: readonly number[],
    to: number,
    step: (nr: number, xOld: number, x: number, y: number[], dense: (component: number, x: number) => number) => undefined
  ): { readonly y: number[] }
}
const { Solver: GeneralSolver } = createRequire(import.meta.url)('odex') as { Solver: new (equations: number) => Solver }

const STEP_HOURS = 1 / 3600
const KEEP_EVERY = 60

/** α, N, A, S, g, W, T. */
const STATES = 7
const GAS = 4

interface Equations {
  readonly start: readonly number[]
  readonly slopes: (hours: number, y: readonly number[]) => number[]
}

/** The same equations, told as plainly as can be: every rate from its formula. */
function equations(vessel: Vessel, jar: JarParameters): Equations {
  const traits = mixTraits(vessel)
  const top = MODEL.gasHeldMax * traits.hold * jar.hold
  const phi = Math.min(MODEL.warmShare * jar.warmth, 1)
  const { yeast, bacteria, food, lagWork } = vessel.start
  return {
    start: [Math.exp(-Math.min(lagWork, MODEL.lagWorkMax) * jar.lag), yeast, bacteria, food, 0, 1, vessel.mixTempC],
    slopes: (hours, state) => {
      const [alpha = 0, n = 0, a = 0, food = 0, gas = 0, w = 0, tempC = 0] = state
      const s = Math.max(food, 0)
      const g = Math.max(gas, 0)
      const stay = vessel.stays.findLast((x) => x.fromHours <= hours + 1e-9) ?? vessel.stays[0]
      if (stay === undefined) throw new RangeError('nowhere')
      const cold = tempC >= 12 ? 1 : tempC <= 4 ? jar.cold : jar.cold + ((1 - jar.cold) * (tempC - 4)) / 8
      const speed = traits.pace * cold
      const muYeast = speed * ((1 - phi) * isothermalRate(YEAST_ISOTHERMAL, tempC) + phi * cardinalRate(YEAST_WARM, tempC))
      const muBacteria = speed * isothermalRate(BACTERIA_ISOTHERMAL, tempC)
      const m = speed * metabolism(tempC)
      const death = Math.min(heatDeath(tempC), MODEL.heatDeathAt50)
      const eating = s / (s + MODEL.halfFood)
      const made = jar.vigour * MODEL.gasRate * m * alpha * n * eating
      const held = Math.max(top * w, 1e-6)
      const starving = s < MODEL.starvedFood ? MODEL.starvedLoss * m * (1 - s / MODEL.starvedFood) : 0
      return [
        muYeast * alpha * (1 - alpha),
        jar.vigour * muYeast * alpha * n * eating - (death + starving) * n,
        muBacteria * a * (1 - a / MODEL.bacteriaCeiling) * (s / (s + MODEL.halfFoodBacteria)) - death * a,
        -MODEL.foodPerGas * made,
        made - (MODEL.leak * g * metabolism(Math.min(tempC, 33)) + made * Math.min(1.2, g / held) ** 5 + Math.max(0, g - held)),
        -MODEL.weakening * traits.pace * weakeningRate(tempC) * a * a * w,
        (placeTempAt(stay, hours) - tempC) / timeConstantHours(vessel.massGrams, stay.surroundings, vessel.material)
      ]
    }
  }
}

function curveOf(points: readonly { t: number; g: number; dg: number }[]): RiseCurve {
  return {
    count: points.length,
    hours: Float64Array.from(points, (p) => p.t),
    gas: Float64Array.from(points, (p) => p.g),
    slope: Float64Array.from(points, (p) => p.dg)
  }
}

/**
 * One explicit step a second: slow, and the yardstick for the fast one.
 * @returns the curve by the minute
 */
export function referenceRun(vessel: Vessel, jar: JarParameters, untilHours: number): RiseCurve {
  const { start, slopes } = equations(vessel, jar)
  const y = [...start]
  const points: { t: number; g: number; dg: number }[] = []
  const steps = Math.round(untilHours / STEP_HOURS)
  for (let i = 0; i <= steps; i++) {
    const t = i * STEP_HOURS
    const d = slopes(t, y)
    if (i % KEEP_EVERY === 0) points.push({ t, g: y[GAS] as number, dg: d[GAS] as number })
    for (let k = 0; k < STATES; k++) y[k] = (y[k] as number) + STEP_HOURS * (d[k] as number)
    y[3] = Math.max(y[3] as number, 0)
    y[GAS] = Math.max(y[GAS] as number, 0)
  }
  return curveOf(points)
}

/** Quarter hours at which the general solver's curve is read. */
const READ_HOURS = 0.25

/**
 * The same by a general-purpose solver (extrapolation with step control), from move to move.
 * @param tolerance absolute and relative
 */
export function solverRun(vessel: Vessel, jar: JarParameters, untilHours: number, tolerance: number): RiseCurve {
  const { start, slopes } = equations(vessel, jar)
  const moves = [0, ...vessel.stays.map((s) => s.fromHours).filter((h) => h > 0 && h < untilHours), untilHours]
  let y: number[] = [...start]
  const points: { t: number; g: number; dg: number }[] = [{ t: 0, g: 0, dg: 0 }]
  let next = READ_HOURS
  for (let i = 0; i + 1 < moves.length; i++) {
    const solver = new GeneralSolver(STATES)
    solver.absoluteTolerance = tolerance
    solver.relativeTolerance = tolerance
    solver.denseOutput = true
    solver.maxStepSize = 1
    const to = moves[i + 1] as number
    y = solver.solve(slopes, moves[i] as number, y, to, (_nr, _from, x, _y, dense) => {
      for (; next <= x + 1e-12; next += READ_HOURS) {
        const t = Math.min(next, x)
        const g = dense(GAS, t)
        points.push({ t, g, dg: (g - dense(GAS, t - 1e-3)) / 1e-3 })
      }
      return undefined
    }).y
  }
  return curveOf(points)
}
