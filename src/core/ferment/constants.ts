/**
 * Every constant of the fermentation model, with where it comes from.
 * "Craft knowledge" marks a start value that no paper gives; learning replaces it jar by jar.
 */

/** One isothermal growth curve of the form μ(T) = a (Tmax − T)^b e^{−c (Tmax − T)}, 1/h; 0 at and above Tmax. */
export interface IsothermalCurve {
  /** Scale, 1/h. */
  readonly a: number
  /** Power of the distance to Tmax. */
  readonly b: number
  /** Decay per kelvin away from Tmax. */
  readonly c: number
  /** Temperature at which growth ends, °C. */
  readonly maxC: number
}

/** A cardinal-temperature curve: zero at minC and maxC, `atOptimum` at optC. */
export interface CardinalCurve {
  /** Lowest temperature of growth, °C. */
  readonly minC: number
  /** Temperature of the fastest growth, °C. */
  readonly optC: number
  /** Highest temperature of growth, °C. */
  readonly maxC: number
  /** Value at the optimum. */
  readonly atOptimum: number
}

/** Named in every stored forecast, so that an old one can be told from a new one. Raise it with the equations. */
export const MODEL_VERSION = 'hill-3'

/** Published isothermal rates: Gänzle, Ehmann & Hammes 1998, Appl. Environ. Microbiol. 64:2616. */
export const YEAST_ISOTHERMAL: IsothermalCurve = { a: 0.01194, b: 3.012, c: 0.3384, maxC: 36 }
export const BACTERIA_ISOTHERMAL: IsothermalCurve = { a: 0.1284, b: 1.535, c: 0.193, maxC: 41 }

/** A home culture's yeasts stand warmth better than the isolate. Form: Rosso et al. 1993; values: craft knowledge. */
export const YEAST_WARM: CardinalCurve = { minC: -1.25, optC: 33.5, maxC: 39.6, atOptimum: 0.717 }

/** Gas made per yeast, relative to 25 °C: a cardinal curve to a power. Form: Rosso et al. 1993; values: fitted to what bakers see. */
export const METABOLISM: CardinalCurve & { readonly power: number } = { minC: -4.7, optC: 32.2, maxC: 40.5, atOptimum: 1, power: 1.28 }

/** The rest of the model. All rates per hour, all masses relative to flour. Craft knowledge unless noted. */
export const MODEL = {
  /** k_P: gas made per hour by a levain's own peak density, 25 °C, volumes per volume. */
  gasRate: 2.67,
  /** y: food used per volume of gas. */
  foodPerGas: 0.128,
  /** K_S: food at which the yeast works at half speed. */
  halfFood: 0.234,
  /** ε: share of the yeast that makes gas from the first minutes whether it is awake or not; the rest does as it wakes. */
  atOnce: 0.139,
  /** The same for the bacteria, which go on longer. */
  halfFoodBacteria: 0.015,
  /** K_G: dividing goes with (1 + K_G) S/(S + K_G), so that it slows with the food long before fermenting does. */
  halfFoodGrowth: 3.08,
  /** k_W: loss of strength per cubed density of bacteria. */
  weakening: 0.026,
  /** Above the first, °C, the flour's own enzymes weaken it by so much more with each kelvin. */
  enzymesFromC: 33,
  enzymesPerK: 1.3,
  /** k_L: leak of gas. */
  leak: 0.1,
  /** Gas that dissolves before any bubble grows, volumes per volume at 25 °C; and how much less with each kelvin, as a share. */
  dissolves: 0.175,
  dissolvesPerK: 0.031,
  /** g_max of white wheat at 100 % hydration: the gas it can hold, volumes per volume. */
  gasHeldMax: 2.44,
  /** Food below which the yeast starves. */
  starvedFood: 0.05,
  /** Food below which a culture is hungry. */
  hungryFood: 0.1,
  /** Loss of starved yeast per hour at 25 °C. */
  starvedLoss: 0.01,
  /** δ = 12 e^{.55 (T − 50)}: heat death per hour. */
  heatDeathAt50: 12,
  heatDeathPerK: 0.55,
  /** h₀ of a seed at its peak. */
  lagWorkRipe: 0.5,
  /** h₀ of one that still has plenty of food, and how much that is; in between on a straight line from a ripe one. */
  lagWorkFed: 0.1,
  plentyOfFood: 0.6,
  /** Growth of h₀ per day at 4 °C once the food is gone; it doubles every 10 K. */
  lagWorkPerColdDay: 0.14,
  lagWorkMax: 5,
  /** Lag work up to which a culture builds as it is, after one feed, and after two. */
  lagWorkStages: [0.6, 1.5, 3],
  /** The factor on rates in the cold is whole at 4 °C and gone at 12 °C. */
  coldFullC: 4,
  coldNoneC: 12,
  /** Below 100 % hydration the rates fall with hydration to this power. */
  stiffPower: 0.572,
  /** Gas held grows by this share as the hydration falls from 100 % to 0. */
  stiffHolds: 0.1,
  /** Above 100 % hydration foam escapes: the height falls by e to the first, times 100 points above to the second. Fitted to the heights of wet levains. */
  wetLoss: 1.6,
  wetPower: 1.1,
  /**
   * Salt ÷ water at which yeast and bacteria grow half as fast, and how steeply they fall around it. Gänzle, Ehmann & Hammes 1998: 2.8 % leaves yeast nearly
   * alone and takes a fifth from the bacteria; near 6 and 10 % their growth is all but gone.
   */
  saltHalfYeast: 0.0462,
  saltPowerYeast: 3.2,
  saltHalfBacteria: 0.037,
  saltPowerBacteria: 5,
  /** Sugar on flour above the first slows yeast and bacteria by e to the second per unit: it binds water. Craft knowledge. */
  sugarFrom: 0.05,
  sugarSlows: 3.93,
  /** The same for fat. Craft knowledge. */
  fatFrom: 0.1,
  fatSlows: 3,
  /** How much fuller a climb is seen near its top than the gas made in it tells. Fitted to when bakers see the window open. */
  dome: 0.3,
  /** φ of a typical jar: the share of its yeast that stands warmth. */
  warmShare: 0.675
} as const

/** Acid: what the bacteria make and what the flour buffers. */
export const ACID = {
  /** pH of flour and water. */
  flourPh: 6,
  /** pH at which the bacteria no longer grow, and at which they make no more acid. Gänzle, Ehmann & Hammes 1998: growth ends near 3.8; the first is fitted to pH after the peak. */
  growthEndsPh: 4.08,
  makingEndsPh: 3.4,
  /** Acid made per hour by a levain's own peak density of bacteria at 25 °C, mmol per kg of flour. Fitted to pH and TTA of ripe levains. */
  rate: 57.8,
  /** β = bufferBase + bufferPerAsh × ash (%): acid for one pH between 6 and 3.5, mmol per kg of flour. Textbooks of cereal technology. */
  bufferBase: 50,
  bufferPerAsh: 65,
  /** The flour's own acidity from pH 6 to the 8.5 of a titration, mmol per kg of flour: its own base and slope by ash. Craft knowledge. */
  ownBase: 5,
  ownPerAsh: 43
} as const

/** How heat gets to a vessel. Craft knowledge, fitted to the cooling of jars and tubs. */
export const THERMAL = {
  /** Time constant of 50 g in still air, h, and the power of mass up to `kneeGrams`. */
  smallHours: 0.6,
  smallPower: 0.61,
  /** The same from there on. */
  kneeGrams: 250,
  largeHours: 1.6,
  largePower: 0.37,
  /** Factor on the time constant by what surrounds the vessel: water carries heat better, a box of foam worse. */
  surroundings: { air: 1, 'water bath': 0.35, 'insulated box': 2.5 },
  /** Factor by what the vessel is made of. */
  materials: { glass: 1, plastic: 1.15, stoneware: 1.3, steel: 0.85 },
  /** What a room was warmer or colder than expected at the last reading is forgotten with this time constant, h. */
  readingFadesHours: 3
} as const

/** How much jars differ from a typical one (sd of the logarithm of each parameter). */
export const PARAMETER_SPREAD = { vigour: 0.34, lag: 0.4, hold: 0.2, cold: 0.4, warmth: 0.3, shape: 0.15, steep: 0.1 } as const

/** How little is known of the seed: its density of yeast when it was taken (sd of the logarithm). Craft knowledge. */
export const SEED_SPREAD = 0.1

/** Noise that stays in every forecast, however well the jar is known. */
export const NOISE = {
  /** The room is not what the thermometer said, K. */
  roomSdC: 1,
  /** A room nobody measured, K. */
  unmeasuredRoomSdC: 3,
  /** A level read off a jar, as a share of the height. */
  readingSd: 0.05,
  /** A peak somebody saw, as a share of its hours: nobody looks all the time, and it is told by eye. */
  seenPeakSd: 0.08,
  /** How sharply "still climbing" and "fallen already" tell the two sides of a peak apart, as a share of its hours. */
  sideSd: 0.05,
  /** What the model itself gets wrong about the pace of one build (sd of the logarithm). */
  buildSd: 0.1,
  /** How much fuller or emptier the climb of one build is than its jar's (sd of the logarithm of the shape). */
  buildShapeSd: 0.3,
  /** How far its height does (sd of the logarithm). */
  buildHeightSd: 0.08,
  /** How far the pace of its fall does (sd of the logarithm): a forecast is made for the climb. Source: builds of another generator. */
  buildFallSd: 0.4,
  /** What the model gets wrong about a level beside that, in jar heights. */
  levelSd: 0.06
} as const

/** How a jar is learned from its log. */
export const LEARNING = {
  /** Degrees of freedom of the marks' errors: the fewer, the less an odd mark counts. */
  tailDegrees: 4,
  /** Pace gained or lost per kelvin of a room that is not as said, as a share: what a doubtful thermometer costs. */
  pacePerKelvin: 0.07,
  /** Rounds of fitting at most, and the step at which it is settled. */
  rounds: 12,
  settledStep: 2e-3,
  /** Longest step of one round, in logs. */
  longestStep: 0.5,
  /** Step for the slopes, in logs. */
  slopeStep: 0.02
} as const
