import { type JarParameters, type RiseCurve, timeConstantHours, type Vessel } from '../src/core'
import { BACTERIA_ISOTHERMAL, MODEL, YEAST_ISOTHERMAL, YEAST_WARM } from '../src/core/ferment/constants'
import { WARM_SHARE } from '../src/core/ferment/jarParameters'
import { cardinalRate, heatDeath, isothermalRate, metabolism, weakeningRate } from '../src/core/ferment/rates'
import { mixTraits } from '../src/core/ferment/simulate'

const STEP_HOURS = 1 / 3600
const KEEP_EVERY = 60

/**
 * The same equations, told as plainly as can be: one explicit step a second, every rate from its formula. Slow, and the yardstick for the fast one.
 * @returns the curve by the minute
 */
export function referenceRun(vessel: Vessel, jar: JarParameters, untilHours: number): RiseCurve {
  const traits = mixTraits(vessel)
  const top = MODEL.gasHeldMax * traits.hold * jar.hold
  const phi = Math.min(WARM_SHARE * jar.warmth, 1)
  let alpha = Math.exp(-Math.min(vessel.start.lagWork, MODEL.lagWorkMax) * jar.lag)
  let { yeast: n, bacteria: a, food: s } = vessel.start
  let [g, w, tempC] = [0, 1, vessel.mixTempC]
  const points: { t: number; g: number; dg: number }[] = []
  const steps = Math.round(untilHours / STEP_HOURS)
  for (let i = 0; i <= steps; i++) {
    const t = i * STEP_HOURS
    const stay = vessel.stays.findLast((x) => x.fromHours <= t + 1e-9) ?? vessel.stays[0]
    if (stay === undefined) throw new RangeError('nowhere')
    const cold = tempC >= 12 ? 1 : tempC <= 4 ? jar.cold : jar.cold + ((1 - jar.cold) * (tempC - 4)) / 8
    const speed = traits.pace * cold
    const muYeast = speed * ((1 - phi) * isothermalRate(YEAST_ISOTHERMAL, tempC) + phi * cardinalRate(YEAST_WARM, tempC))
    const muBacteria = speed * isothermalRate(BACTERIA_ISOTHERMAL, tempC)
    const m = speed * metabolism(tempC)
    const leak = speed * metabolism(Math.min(tempC, 33))
    const death = Math.min(heatDeath(tempC), MODEL.heatDeathAt50)
    const eating = s / (s + MODEL.halfFood)
    const made = jar.vigour * MODEL.gasRate * m * alpha * n * eating
    const held = top * w
    const dg = made - (MODEL.leak * g * (leak / cold / traits.pace) + made * Math.min(1.2, g / held) ** 5 + Math.max(0, g - held))
    if (i % KEEP_EVERY === 0) points.push({ t, g, dg })
    const starving = s < MODEL.starvedFood ? MODEL.starvedLoss * m * (1 - s / MODEL.starvedFood) : 0
    const h = STEP_HOURS
    const next = {
      alpha: alpha + h * muYeast * alpha * (1 - alpha),
      n: n + h * (jar.vigour * muYeast * alpha * n * eating - (death + starving) * n),
      a: a + h * (muBacteria * a * (1 - a / MODEL.bacteriaCeiling) * (s / (s + MODEL.halfFoodBacteria)) - death * a),
      s: Math.max(0, s - h * MODEL.foodPerGas * made),
      w: w - h * MODEL.weakening * traits.pace * weakeningRate(tempC) * a * a * w,
      g: Math.max(0, g + h * dg),
      tempC: tempC + (h * (stay.tempC - tempC)) / timeConstantHours(vessel.massGrams, stay.surroundings)
    }
    ;({ alpha, n, a, s, w, g, tempC } = next)
  }
  return {
    count: points.length,
    hours: Float64Array.from(points, (p) => p.t),
    gas: Float64Array.from(points, (p) => p.g),
    slope: Float64Array.from(points, (p) => p.dg)
  }
}
