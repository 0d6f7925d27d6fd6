/**
 * The fermentation of one vessel: yeast, acid bacteria, food, acid, gas held, strength and temperature over time.
 * Equations: docs/model.md. Fourth-order Runge–Kutta at 15 minutes with tabulated rates; a place warms or cools along
 * a line within a step and the vessel follows it exactly; a step ends at every move and is shortened while the gas is made fast against what is held.
 */

import { entriesOf } from '../units/keysOf'
import { sure } from '../units/sure'
import { ashOf, bufferOf } from './acidity'
import { ACID, MODEL } from './constants'
import { type CultureState, RIPE } from './culture'
import { FLOURS, type FlourKind } from './flours'
import { type JarParameters, TYPICAL_JAR } from './jarParameters'
import { type Milestones, milestonesOf, type RiseCurve, topOf } from './milestones'
import { RATE, RATE_WIDTH, ratesAt } from './rates'
import { dissolvedAt, seenGas, seenSlope, thirstAt } from './seenGas'
import { bendClimb } from './shape'
import { isSteady, placeTempAt, type Stay, timeConstantHours, type VesselMaterial } from './thermal'

/** Taken out of Math once: the loops below ask for them by the million. */
const { abs, exp, max, min } = Math

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
  /** Sugar that was added, ÷ flour. */
  readonly sugar?: number
  /** Fat that was added, ÷ flour. */
  readonly fat?: number
  /** Share of each kind of flour; the shares sum to 1. */
  readonly flours: Readonly<Partial<Record<FlourKind, number>>>
  /** How the flours differ from what their kinds do; 1 is as usual. */
  readonly own?: { readonly pace: number; readonly hold: number }
  /** Temperature just after mixing, °C. */
  readonly mixTempC: number
  /** Places in the order of time, hours since mixing. */
  readonly stays: readonly Stay[]
  /** What it stands in is made of; glass unless said otherwise. */
  readonly material?: VesselMaterial
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
  /** When its food falls below MODEL.hungryFood, hours since mixing; null: not within the run. */
  readonly foodGoneHours: number | null
  /** When its lag work passes each of MODEL.lagWorkStages, hours since mixing; as many as it passes within the run. */
  readonly fadeHours: readonly number[]
}

export interface SimulateOptions {
  /** How long to look, h. */
  readonly untilHours: number
  /** Stop once the hill is well past its top; leave off when the end state matters. */
  readonly stopPastPeak?: boolean
  /** How many times longer than usual its steps are: for one of many draws, whose doubt is hours. */
  readonly stride?: number
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
const HOT_STEP_HOURS = 0.05
/** In the cold, and once all is eaten, little happens: steps grow so that no population grows more than e to this in one, up to so many times. */
const STEP_GROWTH = 0.07
const SLOWEST = 8
const EATEN = 0.02
const FALLEN_STEPS = 6
/** So near its place a vessel's warmth counts as settled, K. */
const CALM_K = 0.3
/** A change of temperature too small to look the rates up again, K. */
const STEADY_K = 0.0005

/** Drier than this nothing is counted as drier, water ÷ flour. */
const DRIEST = 0.05

/** Space for curves of up to 20,000 points. */
export function createWorkspace(points: number = MAX_POINTS): Workspace {
  return { hours: new Float64Array(points), gas: new Float64Array(points), slope: new Float64Array(points) }
}

const shared = createWorkspace()

/** What flours, water, salt, sugar and fat make of white wheat at 100 %, as factors. */
export interface MixTraits {
  /** On the growth of yeast and bacteria, and on gas. */
  readonly pace: number
  readonly food: number
  /** On the gas that can be held: what is stiff holds more. */
  readonly hold: number
  /** On the height: gas escapes from a weak or wet mix as it is made, and its peak comes no sooner for that. */
  readonly lift: number
  /** On the bacteria besides: salt slows them more. */
  readonly sour: number
  /** β: acid that takes the mix down by one pH, mmol per kg of flour. */
  readonly buffer: number
}

/** Share of a rate that salt leaves. @param onWater salt ÷ water */
const leftBySalt = (onWater: number, half: number, power: number) => 1 / (1 + (onWater / half) ** power)

/** How a mix ferments beside white wheat at 100 %; all 1 where there is no flour. Source: docs/model.md. */
export function mixTraits(vessel: Pick<Vessel, 'flours' | 'own' | 'hydration' | 'salt' | 'sugar' | 'fat'>): MixTraits {
  let [pace, food, hold, total] = [0, 0, 0, 0]
  for (const [kind, share] of entriesOf(vessel.flours)) {
    pace += FLOURS[kind].pace * share
    food += FLOURS[kind].food * share
    hold += FLOURS[kind].hold * share
    total += share
  }
  if (!(total > 0)) return { pace: 1, food: 1, hold: 1, lift: 1, sour: 1, buffer: bufferOf(ashOf({})) }
  const { hydration: h, own = { pace: 1, hold: 1 }, sugar = 0, fat = 0 } = vessel
  const stiff = h < 1 ? max(h, DRIEST) ** MODEL.stiffPower : 1
  const onWater = vessel.salt / max(h, DRIEST)
  const salted = leftBySalt(onWater, MODEL.saltHalfYeast, MODEL.saltPowerYeast)
  const rich = exp(-MODEL.sugarSlows * max(sugar - MODEL.sugarFrom, 0) - MODEL.fatSlows * max(fat - MODEL.fatFrom, 0))
  return {
    pace: own.pace * (pace / total) * stiff * salted * rich,
    food: food / total,
    hold: 1 + MODEL.stiffHolds * max(1 - h, 0),
    lift: own.hold * (hold / total) * exp(-MODEL.wetLoss * max(h - 1, 0) ** MODEL.wetPower),
    sour: leftBySalt(onWater, MODEL.saltHalfBacteria, MODEL.saltPowerBacteria) / salted,
    buffer: bufferOf(ashOf(vessel.flours))
  }
}

// Of the loop where the time goes.
const { halfFood, halfFoodGrowth, halfFoodBacteria, starvedFood, hungryFood, foodPerGas, lagWorkStages } = MODEL

/** The curves of growth are those of plenty: with all the food there. */
const DIVIDING = 1 + halfFoodGrowth

/** At and above this heat kills fast, and the steps are short, °C. */
const HOT_C = 36
/** From this filling on, overpressure answers fast to the gas made: a step makes no more than so much of what can be held. */
const FULL = { from: 0.5, step: 0.13 } as const
/** While the last food goes, a step eats no more of it than is there. */
const HUNGRY = { from: 0.1, to: 0.003 } as const
const LEAST_STEP_HOURS = 0.04
/** A run may stop this far below its top, once the food is nearly gone. */
const WELL_PAST = { gas: 0.785, food: 0.15, leastTop: 0.05 } as const
/** Filling counts up to this. */
const MOST_FULL = 1.2

/** Fields of the rates of one moment, with all that does not change during a run counted in. */
const YEAST = 0
const BACTERIA = 1
const GAS = 2
const WEAK = 3
const DEATH = 4
const LEAK = 5
const STARVE = 6
const LAG_WORK = 7
const SOURING = 8
const MOMENT_WIDTH = 9
/** Where the rates stand that a stage of a step takes: those of its beginning, its middle twice, and its end. */
const STAGE_AT = [0, MOMENT_WIDTH, MOMENT_WIDTH, 2 * MOMENT_WIDTH] as const
const STAGE_WEIGHT = [1, 2, 2, 1] as const
/** How far into the step the next stage looks. */
const STAGE_REACH = [0.5, 0.5, 1, 0] as const

const tabled = new Float64Array(RATE_WIDTH)
const moments = new Float64Array(3 * MOMENT_WIDTH)

/** What does not change during a run, as factors on the rates. */
interface Factors {
  readonly pace: number
  readonly sour: number
  readonly souring: number
  readonly vigour: number
  readonly warmShare: number
  readonly cold: number
}

/** Puts the rates of one temperature into their place. */
function setMoment(at: number, tempC: number, { pace, sour, souring, vigour, warmShare, cold }: Factors): void {
  ratesAt(tempC, tabled)
  const chilled = min(max((MODEL.coldNoneC - tempC) / (MODEL.coldNoneC - MODEL.coldFullC), 0), 1)
  const speed = pace * (1 + (cold - 1) * chilled)
  const metabolism = speed * (tabled[RATE.metabolism] ?? NaN)
  moments[at + YEAST] = speed * ((1 - warmShare) * (tabled[RATE.yeast] ?? NaN) + warmShare * (tabled[RATE.warm] ?? NaN))
  moments[at + BACTERIA] = sour * speed * (tabled[RATE.bacteria] ?? NaN)
  moments[at + SOURING] = ACID.rate * souring * pace * (tabled[RATE.leak] ?? NaN)
  moments[at + GAS] = vigour * MODEL.gasRate * metabolism
  moments[at + WEAK] = MODEL.weakening * pace * (tabled[RATE.weakening] ?? NaN)
  moments[at + DEATH] = tabled[RATE.death] ?? NaN
  moments[at + LEAK] = MODEL.leak * (tabled[RATE.leak] ?? NaN)
  moments[at + STARVE] = MODEL.starvedLoss * metabolism
  moments[at + LAG_WORK] = tabled[RATE.lagWork] ?? NaN
}

/** The rates of a step's end, taken over to another place of it. */
function carryMoment(to: number): void {
  for (let i = 0; i < MOMENT_WIDTH; i++) moments[to + i] = moments[2 * MOMENT_WIDTH + i] ?? NaN
}

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
  const { stays, massGrams, material, start } = vessel
  let place = stays[0]
  if (place === undefined) throw new RangeError('A vessel has to stand somewhere.')
  const { hours, gas, slope } = options.workspace ?? shared
  const { untilHours, stopPastPeak = false, stride = 1 } = options
  const traits = mixTraits(vessel)
  const { vigour } = jar
  const factors: Factors = {
    pace: traits.pace,
    sour: traits.sour,
    souring: traits.sour * (jar.souring ?? 1),
    vigour,
    warmShare: min(MODEL.warmShare * jar.warmth, 1),
    cold: jar.cold
  }
  const gasHeldMax = MODEL.gasHeldMax * traits.hold * jar.hold
  const maxCount = hours.length
  const growsUntil = traits.buffer * (ACID.flourPh - ACID.growthEndsPh)
  const makesUntil = traits.buffer * (ACID.flourPh - ACID.makingEndsPh)

  const lag = min(start.lagWork, MODEL.lagWorkMax) * jar.lag
  let alpha = exp(-lag)
  // A vigorous seed ferments at once; one that rested has to wake for that, too.
  const atOnce = min(MODEL.atOnce * exp(MODEL.lagWorkRipe - lag), MODEL.atOnce)
  let { yeast, bacteria, food, acid } = start
  let strength = 1
  let held = 0

  let stay = 0
  let t = 0
  let tempC = vessel.mixTempC
  let tau = timeConstantHours(place.pieceGrams ?? massGrams, place.surroundings, material)
  let steady = isSteady(place)
  let placeC = placeTempAt(place, 0)
  let nextMove = stays[1]?.fromHours ?? Number.POSITIVE_INFINITY
  let lagWork: number = MODEL.lagWorkRipe
  let highest = 0
  let lastMade = 0
  let foodGoneHours = food < hungryFood ? 0 : null
  const fadeHours: number[] = []
  let count = 1
  hours[0] = 0
  gas[0] = 0
  slope[0] = 0
  let ratesC = tempC
  let dissolvesC = tempC
  let dissolves = dissolvedAt(tempC)
  let thirst = 1
  for (const at of [0, MOMENT_WIDTH, 2 * MOMENT_WIDTH]) setMoment(at, tempC, factors)

  while (t < untilHours - 1e-9 && count < maxCount) {
    if (held > highest) highest = held
    if (stopPastPeak && highest > WELL_PAST.leastTop && held < WELL_PAST.gas * highest && food < WELL_PAST.food) break

    while (nextMove <= t + 1e-9) {
      place = sure(stays[++stay])
      tau = timeConstantHours(place.pieceGrams ?? massGrams, place.surroundings, material)
      steady = isSteady(place)
      placeC = placeTempAt(place, t)
      nextMove = stays[stay + 1]?.fromHours ?? Number.POSITIVE_INFINITY
    }
    const most = max(gasHeldMax * strength, 1e-6)
    const calm = steady && abs(tempC - placeC) < CALM_K
    const fastest = max(moments[2 * MOMENT_WIDTH + YEAST] ?? NaN, moments[2 * MOMENT_WIDTH + BACTERIA] ?? NaN)
    const fallen = food < EATEN && held < WELL_PAST.gas * highest
    const slowly = calm && (fallen || held < most) ? min(max(STEP_GROWTH / (fastest * STEP_HOURS), fallen ? FALLEN_STEPS : 1), SLOWEST) : 1
    const filling = held > FULL.from * most ? (stride * FULL.step * most) / max(lastMade, 1e-9) : STEP_HOURS * SLOWEST
    const eating = food < HUNGRY.from && food > HUNGRY.to ? (stride * food) / max(foodPerGas * lastMade, 1e-9) : STEP_HOURS * SLOWEST
    const usual = tempC > HOT_C ? HOT_STEP_HOURS : stride * STEP_HOURS * slowly
    let h = min(usual, max(filling, stride * LEAST_STEP_HOURS), max(eating, stride * LEAST_STEP_HOURS), untilHours - t)
    if (nextMove - t < h) h = max(nextMove - t, 1e-6)

    // Within a step the place warms or cools along a line, and the vessel follows it exactly.
    const placeEndC = steady ? placeC : placeTempAt(place, t + h)
    let midC = tempC
    let endC = tempC
    if (abs(placeC - tempC) > 1e-6 || placeEndC !== placeC) {
      const perHour = (placeEndC - placeC) / h
      const behind = perHour * tau
      const gap = tempC - placeC + behind
      midC = placeC + (perHour * h) / 2 - behind + gap * exp(-h / (2 * tau))
      endC = placeEndC - behind + gap * exp(-h / tau)
    }
    if (abs(endC - ratesC) > STEADY_K || abs(midC - ratesC) > STEADY_K) {
      carryMoment(0)
      setMoment(MOMENT_WIDTH, midC, factors)
      setMoment(2 * MOMENT_WIDTH, endC, factors)
      ratesC = endC
    } else if (moments[YEAST] !== moments[2 * MOMENT_WIDTH + YEAST]) {
      carryMoment(0)
      carryMoment(MOMENT_WIDTH)
    }

    // Plain variables on purpose: this loop is where the time goes.
    let al = alpha
    let n = yeast
    let b = bacteria
    let s = food
    let l = acid
    let w = strength
    let g = held
    let sumAl = 0
    let sumN = 0
    let sumB = 0
    let sumS = 0
    let sumL = 0
    let sumW = 0
    let sumG = 0
    let lastG = 0
    let made = 0
    for (let stage = 0; stage < 4; stage++) {
      const at = STAGE_AT[stage] ?? NaN
      const muYeast = moments[at + YEAST] ?? NaN
      const death = moments[at + DEATH] ?? NaN
      const fed = s / (s + halfFood)
      const fedBacteria = (b * s) / (s + halfFoodBacteria)
      const sourToGrow = l / growsUntil
      const sourToMake = l / makesUntil
      const starving = s < starvedFood ? (moments[at + STARVE] ?? NaN) * (1 - s / starvedFood) : 0
      made = (moments[at + GAS] ?? NaN) * (atOnce + (1 - atOnce) * al) * n * fed
      const can = gasHeldMax * w
      const full = min(MOST_FULL, g / can)
      const dAl = muYeast * al * (1 - al)
      const dN = (vigour * muYeast * DIVIDING * al * n * s) / (s + halfFoodGrowth) - (death + starving) * n
      const dB = (moments[at + BACTERIA] ?? NaN) * fedBacteria * max(1 - sourToGrow * sourToGrow * sourToGrow, 0) - death * b
      const dL = (moments[at + SOURING] ?? NaN) * fedBacteria * max(1 - sourToMake * sourToMake, 0)
      const dS = -foodPerGas * made
      const dW = -(moments[at + WEAK] ?? NaN) * b * b * b * w
      const dG = made - ((moments[at + LEAK] ?? NaN) * g + made * full * full + max(0, g - can))
      if (stage === 0) slope[count - 1] = traits.lift * seenSlope(g, dissolves, thirst, dG, tempC, (placeC - tempC) / tau)
      const weight = STAGE_WEIGHT[stage] ?? NaN
      sumAl += weight * dAl
      sumN += weight * dN
      sumB += weight * dB
      sumS += weight * dS
      sumL += weight * dL
      sumW += weight * dW
      sumG += weight * dG
      lastG = dG
      const reach = h * (STAGE_REACH[stage] ?? NaN)
      al = alpha + reach * dAl
      n = max(yeast + reach * dN, 0)
      b = max(bacteria + reach * dB, 0)
      s = max(food + reach * dS, 0)
      l = acid + reach * dL
      w = max(strength + reach * dW, 1e-6)
      g = max(held + reach * dG, 0)
    }
    const sixth = h / 6
    alpha += sixth * sumAl
    yeast += sixth * sumN
    bacteria += sixth * sumB
    const foodBefore = food
    food = max(food + sixth * sumS, 0)
    if (foodGoneHours === null && food < hungryFood) foodGoneHours = t + (h * (foodBefore - hungryFood)) / (foodBefore - food)
    acid += sixth * sumL
    strength = max(strength + sixth * sumW, 1e-6)
    held = max(held + sixth * sumG, 0)
    if (food < starvedFood) {
      const work = h * (moments[MOMENT_WIDTH + LAG_WORK] ?? NaN)
      for (let next = lagWorkStages[fadeHours.length]; next !== undefined && lagWork + work >= next; next = lagWorkStages[fadeHours.length])
        fadeHours.push(t + (h * (next - lagWork)) / work)
      lagWork += work
    }
    lastMade = made
    t += h
    tempC = endC
    placeC = placeEndC
    hours[count] = t
    if (tempC !== dissolvesC) {
      dissolves = dissolvedAt(tempC)
      dissolvesC = tempC
    }
    thirst = thirstAt(held, dissolves)
    gas[count] = traits.lift * seenGas(held, dissolves, thirst, tempC)
    slope[count] = traits.lift * seenSlope(held, dissolves, thirst, lastG, tempC, (placeC - tempC) / tau)
    count++
  }

  const curve = { count, hours, gas, slope }
  const top = topOf(curve)
  if (top.reached) bendClimb(curve, top, jar)
  return {
    curve,
    milestones: milestonesOf(curve, top),
    end: {
      yeast,
      bacteria,
      food,
      acid,
      lagWork: min(max(lagWork - unspent(food), remainingLag(start.lagWork, alpha)), MODEL.lagWorkMax)
    },
    endTempC: tempC,
    endStrength: strength,
    foodGoneHours,
    fadeHours
  }
}

/** What a culture that still has food is quicker to grow again than a ripe one, as lag work. */
const unspent = (food: number) => (MODEL.lagWorkRipe - MODEL.lagWorkFed) * min(max((food - RIPE.food) / (MODEL.plentyOfFood - RIPE.food), 0), 1)

/** A culture taken before it woke still has the rest of its lag to do. */
function remainingLag(lagWork: number, alpha: number): number {
  return alpha < 0.5 ? min(lagWork, -Math.log(max(alpha, 1e-3))) : 0
}
