/**
 * Another kitchen's truth: rises made by other laws than the forecast's, so that demo, stand-in devices, benches and tests never
 * check the model against itself. It imports nothing from ferment.
 *
 * Yeast: square-root law of temperature (Ratkowsky et al. 1982, J. Bacteriol. 149:1), logistic growth toward a crowd of 1, woken by a pause
 * counted in warm hours. Bacteria: a fixed factor per 10 K. Gas: made from sugar, lost through pores that open with acid and through a foam that
 * can hold only so much. Acid: gathers as long as there is room for it, at a pace of its own; pH and TTA each have a law of their own. Baker's yeast: a second crowd that
 * wakes soon. Salt, sugar and fat: each takes its share of the pace, salt along a line, the others as a hyperbola. The figures below were fitted, by random search and by hand,
 * to what bakers see (docs/model.md); none comes from the forecast's tables.
 */

/** What the forecast is not told about a jar; 1 is a usual one. */
export interface HiddenJar {
  /** Factor on pace. */
  readonly pace: number
  /** Factor on the pause before it wakes. */
  readonly pause: number
  /** Factor on the height it reaches. */
  readonly height: number
}

export const USUAL_JAR: HiddenJar = { pace: 1, pause: 1, height: 1 }

/** A culture at a moment. */
export interface TrueCulture {
  /** Yeast, 1 is full. */
  readonly crowd: number
  readonly sugar: number
  readonly sour: number
  /** Acid gathered, 1 is all there can be. */
  readonly acid: number
  /** Added to the pause by rest in the cold, warm hours. */
  readonly restHours: number
}

/** A culture at the top of its hill. */
export const TRUE_RIPE: TrueCulture = { crowd: 0.9, sugar: 0.12, sour: 0.8, acid: 0.7, restHours: 0 }
/** Pause added by a day in the cold, warm hours. */
const REST_PER_COLD_DAY = 0.33

/** A ripe culture that was dried: hardly one in a thousand lives, and sleeps deep. */
export const DRIED_CULTURE: TrueCulture = { ...TRUE_RIPE, crowd: 0.0006, sour: 0.03, restHours: 8 }

/** A ripe culture that stood in the cold. */
export const restedCulture = (coldDays: number): TrueCulture => ({ ...TRUE_RIPE, restHours: REST_PER_COLD_DAY * coldDays })

/** One build as it really goes. */
export interface TrueBuild {
  /** Share of all flour that came with the seed. */
  readonly seedShare: number
  readonly seed: TrueCulture
  /** Real temperature of the levain over time, °C by hour. */
  readonly tempAt: (hours: number) => number
  readonly jar: HiddenJar
  /** Factor on pace of this one build. */
  readonly chance: number
  /** Factor on pace by flour, water and salt; 1 for white wheat at 100 %. */
  readonly mixPace?: number
  /** Instant yeast ÷ flour. */
  readonly yeast?: number
  /** Water ÷ flour: what is wetter than 100 % holds less of its gas. */
  readonly hydration?: number
}

/** A true rise over time. */
export interface TrueCurve {
  readonly hours: readonly number[]
  /** Height ÷ height at the band. */
  readonly rise: readonly number[]
  /** Acid gathered, at the same hours. */
  readonly acid: readonly number[]
  /** Infinity while it still climbs. */
  readonly peakHours: number
  /** The culture at the peak. */
  readonly atPeak: TrueCulture
  /** When it was followed to its end, with the baker's yeast in it as a share of instant yeast that would be as much. */
  readonly end: TrueCulture & { readonly yeast: number }
}

/** Share of all flour that comes with a seed as wet as its feed, with so much fresh flour per gram of it. */
export const seedShareOf = (flourPerSeed: number, hydration = 1) => 1 / (1 + flourPerSeed * (1 + hydration))

const LAW = {
  lowestC: -3,
  endC: 42,
  endSharpness: 0.3,
  growth: 0.463,
  gas: 1.931,
  sugarPerGas: 0.1533,
  halfSugar: 0.0342,
  pores: 0.0619,
  acidPores: 0.7317,
  acidHalf: 2.333,
  acidPower: 4,
  foam: 2.008,
  souring: 0.509,
  pauseHours: 1.195,
  /** What a seed with sugar above the first is quicker to wake, as a share of the pause for each unit of it. */
  wellFedFrom: 0.2,
  wellFed: 0.9,
  /** Acid gathered per hour at 25 °C by a full crowd of bacteria; twice that for each 10 K more. */
  acid: 0.17,
  /** Below the first, °C, what is seen of the gas shrinks by so much for each kelvin: the water takes it up. */
  shrinksBelowC: 15,
  shrinksPerK: 0.022,
  /** What a mix wetter than 100 % keeps of its height: a hyperbola. */
  wet: 4,
  wetPower: 1.75,
  /** Instant yeast: crowd for each share of the flour, how soon it wakes (warm hours), and its gas beside that of the culture's own. */
  yeastCrowd: 62,
  yeastPauseHours: 0.5
} as const
const STEP_HOURS = 0.02
const KEEP_EVERY = 3
/** Hours between two points of a true curve. */
const POINT_HOURS = STEP_HOURS * KEEP_EVERY

/** Square-root law of growth: 1 at 25 °C. */
export function warmHoursPerHour(tempC: number): number {
  return rawWarmth(tempC) / RAW_25
}
const rawWarmth = (tempC: number) => (Math.max(tempC - LAW.lowestC, 0) * Math.max(1 - Math.exp(LAW.endSharpness * (tempC - LAW.endC)), 0)) ** 2
const RAW_25 = rawWarmth(25)

/** Bacteria: two and a half times per 10 K, gone by 40 °C. */
function souringPerHour(tempC: number): number {
  return tempC >= 40 ? 0 : 2.5 ** ((tempC - 25) / 10) * Math.min(1, (40 - tempC) / 4)
}

/**
 * The hill as it really is.
 * @param build seed, warmth, jar and chance
 * @param untilHours how long
 * @returns rise every few minutes
 */
export function trueRise(build: TrueBuild, untilHours: number): TrueCurve {
  const { seedShare, seed, jar, chance, mixPace = 1, yeast = 0, hydration = 1 } = build
  const fed = Math.max(seed.sugar - LAW.wellFedFrom, 0)
  const pause = (LAW.pauseHours * (1 - LAW.wellFed * fed) + seed.restHours) * jar.pause
  let crowd = seedShare * seed.crowd
  let sugar = 1 - seedShare + seedShare * seed.sugar
  let sour = seedShare * seed.sour
  let acid = seedShare * seed.acid
  let bakers = LAW.yeastCrowd * yeast
  const keeps = 1 / (1 + LAW.wet * Math.max(hydration - 1, 0) ** LAW.wetPower)
  let [gas, warm, top, peakHours] = [0, 0, 0, Number.POSITIVE_INFINITY]
  let atPeak = seed
  const hours: number[] = []
  const rise: number[] = []
  const acids: number[] = []
  for (let i = 0; i * STEP_HOURS <= untilHours; i++) {
    const t = i * STEP_HOURS
    if (i % KEEP_EVERY === 0) {
      hours.push(t)
      rise.push(1 + gas * jar.height * keeps * (1 - LAW.shrinksPerK * Math.max(LAW.shrinksBelowC - build.tempAt(t), 0)))
      acids.push(acid)
    }
    if (gas > top) {
      top = gas
      peakHours = t
      atPeak = { crowd, sugar, sour, acid, restHours: 0 }
    }
    const tempC = build.tempAt(t)
    const warmth = warmHoursPerHour(tempC)
    const pace = warmth * mixPace * jar.pace * chance
    const woken = smooth((warm - 0.4 * pause) / (0.8 * pause))
    const risen = smooth((warm / jar.pace - 0.4 * LAW.yeastPauseHours) / (0.8 * LAW.yeastPauseHours))
    const working = jar.pace * woken * crowd + risen * bakers
    const made = (LAW.gas * warmth * mixPace * chance * working * sugar) / (sugar + LAW.halfSugar)
    const opened = (sour / LAW.acidHalf) ** LAW.acidPower
    const lost =
      gas * (LAW.pores * warmHoursPerHour(Math.min(tempC, 33)) + ((LAW.acidPores * opened) / (1 + opened)) * Math.sqrt(warmth)) +
      made * Math.min(1, (gas / LAW.foam) ** 3)
    const room = Math.max(1 - crowd - bakers, 0)
    crowd += STEP_HOURS * LAW.growth * pace * woken * crowd * room
    bakers += STEP_HOURS * LAW.growth * (pace / jar.pace) * risen * bakers * room
    acid += STEP_HOURS * LAW.acid * acidWarmth(tempC) * mixPace * sour * (1 - acid)
    sugar = Math.max(sugar - STEP_HOURS * LAW.sugarPerGas * made, 0)
    sour += STEP_HOURS * LAW.souring * souringPerHour(tempC) * mixPace * sour * (1 - sour)
    gas = Math.max(gas + STEP_HOURS * (made - lost), 0)
    warm += STEP_HOURS * pace
  }
  const end = { crowd, sugar, sour, acid, restHours: 0, yeast: bakers / LAW.yeastCrowd }
  const stillClimbing = 1 + gas * jar.height >= 1 + top * jar.height * 0.999
  return { hours, rise, acid: acids, peakHours: stillClimbing ? Number.POSITIVE_INFINITY : peakHours, atPeak, end }
}

/** Twice per 10 K, gone by 42 °C. */
const acidWarmth = (tempC: number) => (tempC >= 42 ? 0 : 2 ** ((tempC - 25) / 10))

/**
 * What salt, sugar and fat leave of the pace of a mix, and its dryness: each by a law of its own.
 * @param mix water, salt, sugar and fat ÷ flour
 */
export function mixPaceOf({ hydration, salt, sugar = 0, fat = 0 }: { hydration: number; salt: number; sugar?: number; fat?: number }): number {
  const dry = Math.min(1, 0.55 + 0.45 * hydration)
  const sweet = 1 / (1 + Math.max(sugar - 0.05, 0) / 0.16)
  const rich = 1 / (1 + Math.max(fat - 0.1, 0) / 0.4)
  return dry * Math.max(1 - 6.5 * salt, 0) * sweet * rich
}

/**
 * pH and TTA as an instrument would show them.
 * @param acid gathered
 * @param mix share of wholegrain or rye in the flour, and flour ÷ mix
 */
export function trueAcidity(acid: number, { wholegrain = 0, flourShare = 0.5 } = {}): { readonly pH: number; readonly tta: number } {
  return { pH: 3.4 + 2.6 * Math.exp(-(2.4 - 0.5 * wholegrain) * acid), tta: (flourShare / 0.5) * (2 + 14 * acid) * (1 + 0.5 * wholegrain) }
}

function smooth(share: number): number {
  const x = Math.min(Math.max(share, 0), 1)
  return x * x * (3 - 2 * x)
}

/** Rise at a time, held at the ends. */
export function trueRiseAt(curve: TrueCurve, hours: number): number {
  const place = Math.min(Math.max(hours / POINT_HOURS, 0), curve.rise.length - 1)
  const i = Math.min(Math.floor(place), curve.rise.length - 2)
  const low = curve.rise[i] ?? NaN
  return low + (place - i) * ((curve.rise[i + 1] ?? NaN) - low)
}
