import { ACID, BACTERIA_ISOTHERMAL, MODEL, YEAST_ISOTHERMAL, YEAST_WARM } from '../ferment/constants'
import type { JarParameters } from '../ferment/jarParameters'
import type { RiseCurve } from '../ferment/milestones'
import { cardinalRate, heatDeath, isothermalRate, metabolism, weakeningRate } from '../ferment/rates'
import { mixTraits, type Vessel } from '../ferment/simulate'
import { placeTempAt, timeConstantHours } from '../ferment/thermal'

const SECONDS_PER_HOUR = 3600
const KEEP_EVERY = 60

/** α, N, A, S, g, W, T, L. */
export const STATES = 8
export const FOOD = 3
export const GAS = 4
export const WARMTH = 6

export interface Equations {
  readonly start: readonly number[]
  readonly slopes: (hours: number, y: readonly number[]) => number[]
}

/** The same equations, told as plainly as can be: every rate from its formula. */
export function equations(vessel: Vessel, jar: JarParameters): Equations {
  const traits = mixTraits(vessel)
  const top = MODEL.gasHeldMax * traits.hold * jar.hold
  const phi = Math.min(MODEL.warmShare * jar.warmth, 1)
  const { yeast, bacteria, food, acid, lagWork } = vessel.start
  const lag = Math.min(lagWork, MODEL.lagWorkMax) * jar.lag
  const atOnce = MODEL.atOnce * Math.min(Math.exp(MODEL.lagWorkRipe - lag), 1)
  return {
    start: [Math.exp(-lag), yeast, bacteria, food, 0, 1, vessel.mixTempC, acid],
    slopes: (hours, state) => {
      const [alpha = 0, n = 0, a = 0, food = 0, gas = 0, w = 0, tempC = 0, l = 0] = state
      const s = Math.max(food, 0)
      const g = Math.max(gas, 0)
      const stay = vessel.stays.findLast((x) => x.fromHours <= hours + 1e-9) ?? vessel.stays[0]
      if (stay === undefined) throw new RangeError('nowhere')
      const cold = tempC >= 12 ? 1 : tempC <= 4 ? jar.cold : jar.cold + ((1 - jar.cold) * (tempC - 4)) / 8
      const speed = traits.pace * cold
      const muYeast = speed * ((1 - phi) * isothermalRate(YEAST_ISOTHERMAL, tempC) + phi * cardinalRate(YEAST_WARM, tempC))
      const muBacteria = traits.sour * speed * isothermalRate(BACTERIA_ISOTHERMAL, tempC)
      const m = speed * metabolism(tempC)
      const death = Math.min(heatDeath(tempC), MODEL.heatDeathAt50)
      const eating = s / (s + MODEL.halfFood)
      const made = jar.vigour * MODEL.gasRate * m * (atOnce + (1 - atOnce) * alpha) * n * eating
      const dividing = ((1 + MODEL.halfFoodGrowth) * s) / (s + MODEL.halfFoodGrowth)
      const fedBacteria = (a * s) / (s + MODEL.halfFoodBacteria)
      const held = Math.max(top * w, 1e-6)
      const starving = s < MODEL.starvedFood ? MODEL.starvedLoss * m * (1 - s / MODEL.starvedFood) : 0
      return [
        muYeast * alpha * (1 - alpha),
        jar.vigour * muYeast * alpha * n * dividing - (death + starving) * n,
        muBacteria * fedBacteria * Math.max(1 - (l / (traits.buffer * (ACID.flourPh - ACID.growthEndsPh))) ** 3, 0) - death * a,
        -MODEL.foodPerGas * made,
        made - (MODEL.leak * g * metabolism(Math.min(tempC, 33)) + made * Math.min(1.2, g / held) ** 2 + Math.max(0, g - held)),
        -MODEL.weakening * traits.pace * weakeningRate(tempC) * a ** 3 * w,
        (placeTempAt(stay, hours) - tempC) / timeConstantHours(vessel.massGrams, stay.surroundings, vessel.material),
        ACID.rate *
          (jar.souring ?? 1) *
          traits.sour *
          traits.pace *
          metabolism(Math.min(tempC, 33)) *
          fedBacteria *
          Math.max(1 - (l / (traits.buffer * (ACID.flourPh - ACID.makingEndsPh))) ** 2, 0)
      ]
    }
  }
}

/** The level one sees, written anew: less what is dissolved, and chilled gas takes less room. */
export function levelOf(t: number, y: readonly number[], d: readonly number[], lift: number): { t: number; g: number; dg: number } {
  const seen = (gas: number, tempC: number) => {
    const dissolves = MODEL.dissolves * Math.exp(MODEL.dissolvesPerK * (25 - tempC))
    return (lift * (gas + dissolves * Math.expm1(-gas / dissolves)) * (273.15 + tempC)) / 298.15
  }
  const [gas, tempC, step] = [y[GAS] ?? NaN, y[WARMTH] ?? NaN, 1e-5]
  const g = seen(gas, tempC)
  return { t, g, dg: (seen(gas + step * (d[GAS] ?? NaN), tempC + step * (d[WARMTH] ?? NaN)) - g) / step }
}

/** Kept points as a curve. */
export function curveOf(points: readonly { t: number; g: number; dg: number }[]): RiseCurve {
  return {
    count: points.length,
    hours: Float64Array.from(points, (p) => p.t),
    gas: Float64Array.from(points, (p) => p.g),
    slope: Float64Array.from(points, (p) => p.dg)
  }
}

/**
 * One explicit step a second: slow, and the yardstick for the fast one.
 * @param stepSeconds longer where a second would take too long
 * @returns the curve at every sixtieth step, straight from the equations, and when the food runs out
 */
export function referenceRun(vessel: Vessel, jar: JarParameters, untilHours: number, stepSeconds = 1): RiseCurve & { readonly foodGoneHours: number | null } {
  const { start, slopes } = equations(vessel, jar)
  const { lift } = mixTraits(vessel)
  const y = [...start]
  const points: { t: number; g: number; dg: number }[] = []
  const stepHours = stepSeconds / SECONDS_PER_HOUR
  const steps = Math.round(untilHours / stepHours)
  let foodGoneHours: number | null = null
  for (let i = 0; i <= steps; i++) {
    const t = i * stepHours
    const d = slopes(t, y)
    if (i % KEEP_EVERY === 0) points.push(levelOf(t, y, d, lift))
    for (let k = 0; k < STATES; k++) y[k] = (y[k] ?? NaN) + stepHours * (d[k] ?? NaN)
    y[FOOD] = Math.max(y[FOOD] ?? NaN, 0)
    if (foodGoneHours === null && (y[FOOD] ?? NaN) < MODEL.hungryFood) foodGoneHours = t + stepHours
    y[GAS] = Math.max(y[GAS] ?? NaN, 0)
  }
  return { ...curveOf(points), foodGoneHours }
}
