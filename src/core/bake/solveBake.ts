import { type BuildMasses, levainNeeded } from '../build/solveBuild'
import { blendWater, HEAT, HOTTEST_WATER_C, levainHeat, type WaterBlend, waterTemperature } from '../build/waterTemperature'
import type { TrueValues } from '../dough/composition'
import { doughForPieces, type Pieces } from '../dough/pieces'
import { isPlausible } from '../dough/plausible'
import { type DoughMasses, type DoughProblem, type Formula, type SolvedDough, solveFormula, truthOf } from '../dough/solveFormula'
import { FLOURS, type FlourKind } from '../ferment/flours'
import type { School } from '../ferment/forecast'
import type { JarParameters } from '../ferment/jarParameters'
import { type BatchLine, cultureAt, type Strength, strengthOf, temperatureAt } from '../jars/lineage'
import { nightAt, type Sleep } from '../schedule/nights'
import { type AwakeRatio, awakeRatios, buildFor, type PlannedBuild, type TimedBuild, type TimingProblem } from '../schedule/planBuild'
import { KITCHEN_SCALE_GRAMS, roundToScale, SMALL_SCALE_GRAMS } from '../units/mass'
import type { Problem, Result } from '../units/result'

/** A wish for a bake, from dough to the time of mixing. */
export interface BakeWish extends Formula {
  readonly pieces: readonly Pieces[]
  readonly levainFlour: FlourKind
  readonly flourPerSeed: number
  readonly keepBackGrams: number
  /** Where the levain stands, °C. */
  readonly tempC: number
  /** Fresh mix of the levain, °C. */
  readonly mixTempC: number
  readonly school: School
  readonly mixAtMs: number
}

/** The jar the seed comes from. */
export interface SeedJar {
  readonly grams: number
  readonly keepMinimumGrams: number
  readonly hydration: number
  readonly flour: FlourKind
  readonly line: BatchLine
  readonly parameters?: JarParameters
}

/** What the kitchen adds to the reckoning. */
export interface KitchenFacts {
  readonly sleep: Sleep
  readonly timeZone: string
  /** A scale that shows 0.1 g is at hand. */
  readonly smallScale: boolean
  readonly tapTempC: number
  /** Flour stands at room temperature, °C. */
  readonly flourTempC: number
  /** What surrounds the levain where it stands. */
  readonly surroundings?: 'air' | 'water bath'
}

/** Something to say before going on; figures in the core's units. */
export type Warning =
  | { readonly code: 'start in the night'; readonly startMs: number; readonly others: readonly AwakeRatio[] }
  | { readonly code: 'start has passed'; readonly startMs: number; readonly soonestMs: number; readonly others: readonly AwakeRatio[] }
  | { readonly code: 'mix in the night' }
  | { readonly code: 'jar too small'; readonly seedGrams: number; readonly spareGrams: number }
  | { readonly code: 'gluten into gluten-free' }
  | { readonly code: 'culture weak'; readonly strength: Strength }
  | { readonly code: 'hydration unusual'; readonly share: number }
  | { readonly code: 'salt unusual'; readonly share: number }
  | { readonly code: 'pre-fermented unusual'; readonly share: number }
  | { readonly code: 'piece unusual'; readonly grams: number }
  | { readonly code: 'water too hot'; readonly tempC: number }

/** A wish with all its answers. */
export interface SolvedBake {
  /** Exact dough and the grams to weigh, with what is then truly in it. */
  readonly dough: Result<{ readonly exact: SolvedDough; readonly weigh: DoughMasses; readonly truth: TrueValues; readonly doughGrams: number }, DoughProblem>
  /** The levain: how much, from what, when. Missing while the dough cannot be. */
  readonly build: SolvedLevain | null
  readonly problem: Problem<DoughProblem | TimingProblem> | null
  readonly warnings: readonly Warning[]
}

/** The levain of a bake, answered. */
export interface SolvedLevain {
  /** Levain that goes into the dough, keep-back, what sticks, and all of it, g. */
  readonly needGrams: number
  readonly keepBackGrams: number
  readonly sticksGrams: number
  readonly totalGrams: number
  /** To weigh, rounded to the scale. */
  readonly weigh: BuildMasses
  readonly timed: TimedBuild
  readonly planned: PlannedBuild
  /** What the jar holds once the seed is out, g. */
  readonly jarAfterGrams: number
  readonly strength: Strength
  /** Water for the wanted mix temperature, and how to get it; null where there is none to be had. */
  readonly water: { readonly tempC: number; readonly blend: WaterBlend } | null
}

const MS_PER_HOUR = 3_600_000
/** Below this a small seed is weighed on the small scale, g. */
const TINY_GRAMS = 20

/**
 * Everything that follows from a wish: grams, truth, levain, when to build it, and what to be warned of.
 * @param wish what is wanted
 * @param jar where the seed comes from
 * @param kitchen sleep, scales, temperatures
 * @param nowMs the time now, ms
 */
export function solveBake(wish: BakeWish, jar: SeedJar, kitchen: KitchenFacts, nowMs: number): SolvedBake {
  const doughGrams = doughForPieces(wish.pieces)
  const exact = solveFormula(doughGrams, wish)
  if (!exact.ok) return { dough: exact, build: null, problem: exact.problem, warnings: [] }
  const weigh = roundedDough(exact.value.masses, kitchen.smallScale)
  const dough = { ok: true as const, value: { exact: exact.value, weigh, truth: truthOf(weigh, wish), doughGrams } }
  const need = levainNeeded([weigh.levain], wish.keepBackGrams)
  const planned: PlannedBuild = {
    totalGrams: need.total,
    hydration: wish.levainHydration,
    flourPerSeed: wish.flourPerSeed,
    flour: wish.levainFlour,
    seed: { hydration: jar.hydration, flour: jar.flour, line: jar.line, jar: jar.parameters },
    place: { tempC: wish.tempC, surroundings: kitchen.surroundings },
    mixTempC: wish.mixTempC
  }
  const timed = buildFor(planned, wish.mixAtMs, wish.school)
  if (!timed.ok) return { dough, build: null, problem: timed.problem, warnings: doughWarnings(wish, exact.value) }
  const build = roundedBuild(timed.value, need, weigh.levain, planned, wish, jar, kitchen)
  return { dough, build, problem: null, warnings: [...buildWarnings(build, wish, jar, kitchen, nowMs), ...doughWarnings(wish, exact.value)] }
}

function roundedDough(masses: DoughMasses, smallScale: boolean): DoughMasses {
  const kitchen = (grams: number) => roundToScale(grams, KITCHEN_SCALE_GRAMS)
  return {
    flour: kitchen(masses.flour),
    water: kitchen(masses.water),
    salt: roundToScale(masses.salt, smallScale ? SMALL_SCALE_GRAMS : KITCHEN_SCALE_GRAMS),
    levain: kitchen(masses.levain),
    extras: masses.extras.map(kitchen)
  }
}

function roundedBuild(
  timed: TimedBuild,
  need: { sticks: number; total: number },
  needGrams: number,
  planned: PlannedBuild,
  wish: BakeWish,
  jar: SeedJar,
  kitchen: KitchenFacts
): SolvedLevain {
  const { masses, startMs } = timed
  const seedScale = kitchen.smallScale && masses.seed < TINY_GRAMS ? SMALL_SCALE_GRAMS : KITCHEN_SCALE_GRAMS
  const weigh = {
    seed: Math.max(roundToScale(masses.seed, seedScale), seedScale),
    flour: roundToScale(masses.flour, KITCHEN_SCALE_GRAMS),
    water: roundToScale(masses.water, KITCHEN_SCALE_GRAMS)
  }
  const water = waterTemperature(wish.mixTempC, weigh.water, [
    { grams: weigh.seed, tempC: temperatureAt(jar.line, startMs, jar.parameters), heat: levainHeat(jar.hydration) },
    { grams: weigh.flour, tempC: kitchen.flourTempC, heat: HEAT.flour }
  ])
  return {
    needGrams,
    keepBackGrams: wish.keepBackGrams,
    sticksGrams: need.sticks,
    totalGrams: weigh.seed + weigh.flour + weigh.water,
    weigh,
    timed,
    planned,
    jarAfterGrams: jar.grams - weigh.seed,
    strength: strengthOf(cultureAt(jar.line, startMs, jar.parameters)),
    water: water.ok ? { tempC: water.value, blend: blendWater(weigh.water, water.value, kitchen.tapTempC) } : null
  }
}

function buildWarnings(build: SolvedLevain, wish: BakeWish, jar: SeedJar, kitchen: KitchenFacts, nowMs: number): Warning[] {
  const warnings: Warning[] = []
  const { startMs } = build.timed
  const others = () => awakeRatios(build.planned, wish.mixAtMs, wish.school, startMs, kitchen.sleep, kitchen.timeZone, nowMs)
  if (startMs < nowMs) warnings.push({ code: 'start has passed', startMs, soonestMs: nowMs + build.timed.fitHours * MS_PER_HOUR, others: others() })
  else if (nightAt(startMs, kitchen.sleep, kitchen.timeZone) !== undefined) warnings.push({ code: 'start in the night', startMs, others: others() })
  if (nightAt(wish.mixAtMs, kitchen.sleep, kitchen.timeZone) !== undefined) warnings.push({ code: 'mix in the night' })
  const spareGrams = Math.max(jar.grams - jar.keepMinimumGrams, 0)
  if (build.weigh.seed > spareGrams) warnings.push({ code: 'jar too small', seedGrams: build.weigh.seed, spareGrams })
  if (!FLOURS[jar.flour].gluten && FLOURS[wish.levainFlour].gluten) warnings.push({ code: 'gluten into gluten-free' })
  if (build.strength === 'two feeds' || build.strength === 'revival') warnings.push({ code: 'culture weak', strength: build.strength })
  if (build.water === null) warnings.push({ code: 'water too hot', tempC: HOTTEST_WATER_C })
  return warnings
}

function doughWarnings(wish: BakeWish, dough: SolvedDough): Warning[] {
  const warnings: Warning[] = []
  const { hydration, salt } = dough.truth
  if (!isPlausible('hydration', hydration)) warnings.push({ code: 'hydration unusual', share: hydration })
  if (!isPlausible('salt', salt)) warnings.push({ code: 'salt unusual', share: salt })
  if (!isPlausible('preFermented', dough.preFermented)) warnings.push({ code: 'pre-fermented unusual', share: dough.preFermented })
  for (const piece of wish.pieces) if (!isPlausible('pieceGrams', piece.grams)) warnings.push({ code: 'piece unusual', grams: piece.grams })
  return warnings
}
