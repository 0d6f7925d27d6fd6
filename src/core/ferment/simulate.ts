/**
 * The fermentation of one vessel: yeast, acid bacteria, food, acid, gas held, strength and temperature over time.
 * Equations: docs/model.md. Fourth-order Runge–Kutta at 15 minutes with tabulated rates; temperature is exact, since each
 * place is constant between two moves; a step ends at every move and is shortened while the gas is made fast against what is held.
 */
import { MODEL } from './constants'
import type { CultureState } from './culture'
import { FLOURS, type FlourKind } from './flours'
import { type JarParameters, TYPICAL_JAR, WARM_SHARE } from './jarParameters'
import { findMilestones, type Milestones } from './milestones'
import { RATE, RATE_WIDTH, ratesAt } from './rates'
import { type Stay, timeConstantHours } from './thermal'

/** What is in the vessel and where it will stand. */
export interface Vessel {
  /** The culture just after mixing. */
  readonly start: CultureState
  /** All contents, g. */
  readonly massGrams: number
  /** Water ÷ flour. */
  readonly hydration: number
  /** Salt ÷ flour. */
  readonly salt: number
  /** Share of each kind of flour; the shares sum to 1. */
  readonly flours: Readonly<Partial<Record<FlourKind, number>>>
  /** Temperature just after mixing, °C. */
  readonly mixTempC: number
  /** Places in the order of time, hours since mixing. */
  readonly stays: readonly Stay[]
}

/** A curve of rise: `count` points, the rest of the arrays is free space. */
export interface RiseCurve {
  /** Number of points. */
  readonly count: number
  /** Hours since mixing. */
  readonly hours: Float64Array
  /** g: rise less 1. */
  readonly gas: Float64Array
  /** dg/dt, 1/h. */
  readonly slope: Float64Array
}

/** What a simulation returns. */
export interface Run {
  /** The curve, valid until the next run in the same workspace. */
  readonly curve: RiseCurve
  /** Doubled, window, peak and fall. */
  readonly milestones: Milestones
  /** The culture when the run ended. */
  readonly end: CultureState
  /** Temperature when the run ended, °C. */
  readonly endTempC: number
  /** Strength W when the run ended. */
  readonly endStrength: number
}

export interface SimulateOptions {
  /** How long to look, h. */
  readonly untilHours: number
  /** Stop once the hill is well past its top; leave off when the end state matters. */
  readonly stopPastPeak?: boolean
  /** Space for the curve; the shared one when left out. */
  readonly workspace?: Workspace
}

/** Space for one curve. */
export interface Workspace {
  readonly hours: Float64Array
  readonly gas: Float64Array
  readonly slope: Float64Array
}

const MAX_POINTS = 20_000
const STEP_HOURS = 0.25
const QUICK_STEP_HOURS = 0.1
const HOT_STEP_HOURS = 0.05
/** A change of temperature too small to look the rates up again, K. */
const STEADY_K = 0.002

/** Space for curves of up to 20,000 points. */
export function createWorkspace(points: number = MAX_POINTS): Workspace {
  return { hours: new Float64Array(points), gas: new Float64Array(points), slope: new Float64Array(points) }
}

const shared = createWorkspace()

/** How flours, hydration and salt change the pace and the gas held of white wheat at 100 %. */
export function mixTraits(vessel: Pick<Vessel, 'flours' | 'hydration' | 'salt'>): { pace: number; food: number; hold: number } {
  let [pace, food, hold, total] = [0, 0, 0, 0]
  for (const [kind, share] of Object.entries(vessel.flours) as [FlourKind, number][]) {
    pace += FLOURS[kind].pace * share
    food += FLOURS[kind].food * share
    hold += FLOURS[kind].hold * share
    total += share
  }
  if (!(total > 0)) return { pace: 1, food: 1, hold: 1 }
  const h = vessel.hydration
  const stiff = h < 1 ? Math.max(h, 0.05) ** MODEL.stiffPower : 1
  const texture = h < 1 ? 1 + MODEL.stiffHolds * (1 - h) : 1 / (1 + MODEL.wetLoss * Math.max(0, h - MODEL.wetFrom))
  return { pace: (pace / total) * stiff * Math.exp(-MODEL.saltSlows * vessel.salt), food: food / total, hold: (hold / total) * texture }
}

// Scratch for the derivative: the right-hand side writes here, so that a run allocates nothing per step.
const STATES = 7
const y0 = new Float64Array(STATES)
const yt = new Float64Array(STATES)
const k1 = new Float64Array(STATES)
const k2 = new Float64Array(STATES)
const k3 = new Float64Array(STATES)
const k4 = new Float64Array(STATES)
const ratesMid = new Float64Array(RATE_WIDTH)
const ratesEnd = new Float64Array(RATE_WIDTH)
const [LAG, YEAST, BACTERIA, FOOD, ACID, STRENGTH, GAS] = [0, 1, 2, 3, 4, 5, 6]

let vigour = 1
let warmShare = WARM_SHARE
let pace = 1
let coldFactor = 1
let gasHeldMax: number = MODEL.gasHeldMax

function derive(y: Float64Array, rates: Float64Array, tempC: number, out: Float64Array): void {
  const cold =
    tempC >= MODEL.coldNoneC
      ? 1
      : tempC <= MODEL.coldFullC
        ? coldFactor
        : coldFactor + ((1 - coldFactor) * (tempC - MODEL.coldFullC)) / (MODEL.coldNoneC - MODEL.coldFullC)
  const speed = pace * cold
  const alpha = y[LAG] as number
  const n = Math.max(y[YEAST] as number, 0)
  const a = Math.max(y[BACTERIA] as number, 0)
  const s = Math.max(y[FOOD] as number, 0)
  const w = Math.max(y[STRENGTH] as number, 1e-6)
  const g = Math.max(y[GAS] as number, 0)
  const muYeast = speed * ((1 - warmShare) * (rates[RATE.yeast] as number) + warmShare * (rates[RATE.warm] as number))
  const muBacteria = speed * (rates[RATE.bacteria] as number)
  const m = speed * (rates[RATE.metabolism] as number)
  const death = rates[RATE.death] as number
  const eating = s / (s + MODEL.halfFood)
  const eatingBacteria = s / (s + MODEL.halfFoodBacteria)
  const starving = s < MODEL.starvedFood ? MODEL.starvedLoss * m * (1 - s / MODEL.starvedFood) : 0
  const made = vigour * MODEL.gasRate * m * alpha * n * eating
  const held = gasHeldMax * w
  const fill = Math.min(1.2, g / held)
  out[LAG] = muYeast * alpha * (1 - alpha)
  out[YEAST] = vigour * muYeast * alpha * n * eating - (death + starving) * n
  out[BACTERIA] = muBacteria * a * (1 - a / MODEL.bacteriaCeiling) * eatingBacteria - death * a
  out[FOOD] = -MODEL.foodPerGas * made
  out[ACID] = MODEL.acidRate * a * (muBacteria / REFERENCE_BACTERIA) * eatingBacteria
  out[STRENGTH] = -MODEL.weakening * pace * (rates[RATE.weakening] as number) * a * a * w
  out[GAS] = made - (MODEL.leak * g * (rates[RATE.leak] as number) + made * fill * fill * fill * fill * fill + Math.max(0, g - held))
}

/** Rates of the bacteria at 25 °C: acid is counted relative to it. */
const REFERENCE_BACTERIA = 0.41

/**
 * Runs one vessel.
 * @param vessel what is in it and where it stands
 * @param jar how this jar differs from a typical one
 * @param options how long, and into which space
 * @returns curve, milestones and the culture at the end
 * @throws RangeError when the vessel stands nowhere
 * @example simulate({ ... 1:5:5 at 25 °C ... }, TYPICAL_JAR, { untilHours: 48 }).milestones.peakHours // about 8.2
 */
export function simulate(vessel: Vessel, jar: JarParameters = TYPICAL_JAR, options: SimulateOptions): Run {
  const first = vessel.stays[0]
  if (first === undefined) throw new RangeError('A vessel has to stand somewhere.')
  const { hours, gas, slope } = options.workspace ?? shared
  const traits = mixTraits(vessel)
  vigour = jar.vigour
  warmShare = Math.min(WARM_SHARE * jar.warmth, 1)
  pace = traits.pace
  coldFactor = jar.cold
  gasHeldMax = MODEL.gasHeldMax * traits.hold * jar.hold

  y0[LAG] = Math.exp(-Math.min(vessel.start.lagWork, MODEL.lagWorkMax) * jar.lag)
  y0[YEAST] = vessel.start.yeast
  y0[BACTERIA] = vessel.start.bacteria
  y0[FOOD] = vessel.start.food
  y0[ACID] = vessel.start.acid
  y0[STRENGTH] = 1
  y0[GAS] = 0

  let stay = 0
  let t = 0
  let tempC = vessel.mixTempC
  let tau = timeConstantHours(vessel.massGrams, first.surroundings)
  let lagWork: number = MODEL.lagWorkRipe
  let count = 0
  let top = 0
  const maxCount = hours.length
  ratesAt(tempC, ratesEnd)
  ratesMid.set(ratesEnd)
  let ratesEndC = tempC
  derive(y0, ratesEnd, tempC, k1)

  for (;;) {
    hours[count] = t
    gas[count] = y0[GAS] as number
    slope[count] = k1[GAS] as number
    count++
    if (t >= options.untilHours - 1e-9 || count >= maxCount) break
    const g = y0[GAS] as number
    if (g > top) top = g
    if (options.stopPastPeak && top > 0.05 && g < 0.72 * top && (y0[FOOD] as number) < 0.15) break

    while (stay + 1 < vessel.stays.length && (vessel.stays[stay + 1] as Stay).fromHours <= t + 1e-9) {
      stay++
      tau = timeConstantHours(vessel.massGrams, (vessel.stays[stay] as Stay).surroundings)
    }
    const place = vessel.stays[stay] as Stay
    const next = vessel.stays[stay + 1]?.fromHours ?? Number.POSITIVE_INFINITY
    const held = Math.max(gasHeldMax * (y0[STRENGTH] as number), 1e-6)
    const quick = Math.abs(k1[GAS] as number) / held > 0.22 || t < 0.5
    let h = Math.min(quick ? QUICK_STEP_HOURS : STEP_HOURS, options.untilHours - t)
    if (held < 0.25) h = Math.min(h, QUICK_STEP_HOURS)
    if (tempC > 36) h = Math.min(h, HOT_STEP_HOURS)
    if (next - t < h) h = Math.max(next - t, 1e-6)

    const gap = tempC - place.tempC
    const midC = place.tempC + gap * Math.exp(-h / (2 * tau))
    const endC = place.tempC + gap * Math.exp(-h / tau)
    if (Math.abs(endC - ratesEndC) > STEADY_K) {
      ratesAt(midC, ratesMid)
      ratesAt(endC, ratesEnd)
      ratesEndC = endC
    }
    for (let i = 0; i < STATES; i++) yt[i] = (y0[i] as number) + (h / 2) * (k1[i] as number)
    derive(yt, ratesMid, midC, k2)
    for (let i = 0; i < STATES; i++) yt[i] = (y0[i] as number) + (h / 2) * (k2[i] as number)
    derive(yt, ratesMid, midC, k3)
    for (let i = 0; i < STATES; i++) yt[i] = (y0[i] as number) + h * (k3[i] as number)
    derive(yt, ratesEnd, endC, k4)
    for (let i = 0; i < STATES; i++) {
      y0[i] = (y0[i] as number) + (h / 6) * ((k1[i] as number) + 2 * (k2[i] as number) + 2 * (k3[i] as number) + (k4[i] as number))
    }
    if ((y0[FOOD] as number) < 0) y0[FOOD] = 0
    if ((y0[GAS] as number) < 0) y0[GAS] = 0
    if ((y0[FOOD] as number) < MODEL.starvedFood) lagWork += h * (ratesMid[RATE.lagWork] as number)
    t += h
    tempC = endC
    derive(y0, ratesEnd, tempC, k1)
  }

  const curve = { count, hours, gas, slope }
  return {
    curve,
    milestones: findMilestones(curve),
    end: {
      yeast: y0[YEAST] as number,
      bacteria: y0[BACTERIA] as number,
      food: y0[FOOD] as number,
      acid: y0[ACID] as number,
      lagWork: Math.min(Math.max(lagWork, remainingLag(vessel.start.lagWork, y0[LAG] as number)), MODEL.lagWorkMax)
    },
    endTempC: tempC,
    endStrength: y0[STRENGTH] as number
  }
}

/** A culture taken before it woke still has the rest of its lag to do. */
function remainingLag(lagWork: number, alpha: number): number {
  return alpha < 0.5 ? Math.min(lagWork, -Math.log(Math.max(alpha, 1e-3))) : 0
}
