import { millisecondsInHour } from 'date-fns/constants'
import type { UsualTemps } from '../build/benchTemps'
import { type FitVessel, type JarFit, jarFit, smallestThatFits } from '../build/jarFit'
import { MOST_GROWTH } from '../build/ladder'
import type { PourManner, PourStep } from '../build/pourOrder'
import { type BuildMeasure, levainComposition } from '../build/solveBuild'
import { type LevainSource, type LevainWish, type SourcedLevain, sourceLevain } from '../build/source'
import { blendWater, HEAT, HOTTEST_WATER_C, levainHeat, mixTemperature, type WarmPart, type WaterBlend, waterTemperature } from '../build/waterTemperature'
import { kindsOfBlend, ownTraitsOfBlend } from '../dough/blend'
import type { Formula, Target } from '../dough/formula'
import type { BlendPart, Pantry } from '../dough/ingredient'
import { doughPieces } from '../dough/pieces'
import { isPlausible, likelySlip, PLAUSIBLE_HYDRATION, type Slip, USUAL_PERCENT, within } from '../dough/plausible'
import { roundDough, type WeighedDough } from '../dough/roundDough'
import { type DoughProblem, type SolvedDough, solveFormula } from '../dough/solveFormula'
import { FLOURS, type FlourKind } from '../ferment/flours'
import type { School } from '../ferment/forecast'
import type { JarParameters } from '../ferment/jarParameters'
import type { VesselMaterial } from '../ferment/thermal'
import { conditionOf } from '../jars/condition'
import { type BatchLine, cultureAt, type Strength, strengthOf, temperatureAt } from '../jars/lineage'
import { nightAt, type Sleep } from '../schedule/nights'
import {
  type AwakeRatio,
  atRatio,
  awakeRatios,
  buildFor,
  buildFrom,
  flourPerSeedOf,
  type PlannedBuild,
  type Standing,
  shifted,
  type TimedBuild,
  type TimedStage,
  type TimingProblem,
  timeLadder,
  timeLine
} from '../schedule/planBuild'
import { keysOf } from '../units/keysOf'
import type { Problem, Result } from '../units/result'
import { type CupSizes, type MassRange, massOfVolume, STARTER_DENSITY } from '../units/volume'
import { asBegun, type BegunLevain } from './begun'
import { type WeighedBuild, weighLevain } from './weighLevain'

/** How much seed, as a baker says it; spoons are converted. */
export type SeedMeasure =
  | BuildMeasure
  | { readonly kind: 'spoons'; readonly count: number; readonly spoon: 'tablespoon' | 'teaspoon'; readonly stirred: boolean }

/** The levain of a bake as it is wished. */
export interface BuildPlan {
  readonly source: LevainSource
  readonly by: SeedMeasure
  readonly hydration: number
  /** Salt and oil on all flour of the levain. */
  readonly salt: number
  readonly oil: number
  /** Fresh flour. */
  readonly flours: readonly BlendPart[]
  readonly keepBackGrams: number
  /** What clings to jar and spoon, g; null or left out: worked out. */
  readonly sticksGrams?: number | null
  /** What the jar gets once starter is drawn from it; null or left out: as much as was drawn. */
  readonly refill?: RefillPlan | null
  /** Older ripe levain in a mixed seed, and the jar it is kept in; null or left out: it comes from the discard pot, or from outside. */
  readonly older: { readonly share: number; readonly hydration: number; readonly jarId?: string | null }
  readonly vesselId: string | null
  /** Other doughs that take of the same levain, g each; with its bake where that one is planned here, too. */
  readonly alsoFor: readonly { readonly name: string; readonly grams: number; readonly bakeId?: string | null }[]
}

/** What goes into a jar in the moment in which starter is drawn from it. */
export interface RefillPlan {
  /** Parts of its flour; null: what the jar is fed. */
  readonly flours: readonly BlendPart[] | null
  readonly flourGrams: number
  readonly waterGrams: number
  /** Out of the cold for so long, h; null: it stays where it stands. */
  readonly outHours: number | null
}

/** A wish for a bake, from dough to the time of mixing. */
export interface BakeWish {
  readonly target: Target
  readonly formula: Formula
  readonly build: BuildPlan
  /** Where the levain stands, °C. */
  readonly tempC: number
  /** Fresh mix of the levain, °C. */
  readonly mixTempC: number
  readonly school: School
  readonly mixAtMs: number
  /** When the build begins, where that was chosen; else as its fit moment wants it. */
  readonly startAtMs?: number | null
}

/** The jar the seed comes from. */
export interface SeedJar {
  readonly grams: number
  readonly keepMinimumGrams: number
  readonly hydration: number
  readonly flour: FlourKind
  readonly line: BatchLine
  readonly parameters?: JarParameters
  /** The old levain that is mixed with it, where it is kept in this kitchen. */
  readonly older?: { readonly flour: FlourKind; readonly line: BatchLine }
}

/** A vessel of the kitchen. */
export interface NamedVessel extends FitVessel {
  readonly id: string
  readonly name: string
  readonly material?: VesselMaterial
}

/** What the kitchen adds to the calculation. */
export interface KitchenFacts {
  readonly sleep: Sleep
  readonly timeZone: string
  /** A scale that shows 0.1 g is at hand. */
  readonly smallScale: boolean
  readonly tapTempC: number
  /** Flour stands at room temperature, °C. */
  readonly flourTempC: number
  /** How the place treats the levain; without it, still air at the temperature of the wish. */
  readonly standing?: Standing
  /** Where it is moved on to. */
  readonly moves?: PlannedBuild['moves']
  readonly pantry: Pantry
  readonly cups: CupSizes
  readonly vessels: readonly NamedVessel[]
}

/** Something to say before going on; figures in the core's units. */
export type Warning =
  | { readonly code: 'start in the night'; readonly startMs: number; readonly others: readonly AwakeRatio[] }
  | { readonly code: 'start has passed'; readonly startMs: number; readonly soonestMs: number; readonly others: readonly AwakeRatio[] }
  | { readonly code: 'mix in the night' }
  | {
      readonly code: 'jar too small'
      readonly seedGrams: number
      readonly spareGrams: number
      /** No ratio needs less of it. */
      readonly asItIs?: boolean
    }
  | { readonly code: 'nothing kept' }
  | { readonly code: 'vessel too small'; readonly vessel: string; readonly full: number; readonly other: string | null }
  | { readonly code: 'gluten into gluten-free' }
  | { readonly code: 'culture weak'; readonly strength: Strength }
  | { readonly code: 'much old starter' }
  | { readonly code: 'hydration unusual'; readonly share: number; readonly usual: readonly [low: number, high: number]; readonly slip: Slip | null }
  | { readonly code: 'salt unusual'; readonly share: number; readonly slip: Slip | null }
  | { readonly code: 'yeast unusual'; readonly share: number }
  | { readonly code: 'pre-fermented unusual'; readonly share: number }
  | { readonly code: 'piece unusual'; readonly grams: number }
  | { readonly code: 'water too hot'; readonly tempC: number }

export type BakeProblem = DoughProblem | TimingProblem | 'no levain' | 'levain flour missing' | 'gluten in it'

/** A dough with its answers: exact, and as it will be weighed. */
export interface BakeDough {
  readonly exact: SolvedDough
  readonly weigh: WeighedDough
}

/** A wish with all its answers. */
export interface SolvedBake {
  /** Exact dough and the grams to weigh, with what is then truly in it. */
  readonly dough: Result<BakeDough, DoughProblem>
  /** The levain: how much, from what, when. Missing while the dough cannot be. */
  readonly build: SolvedLevain | null
  readonly problem: Problem<BakeProblem> | null
  readonly warnings: readonly Warning[]
}

/** The levain of a bake, answered. */
export interface SolvedLevain {
  /** Levain that goes into the doughs, keep-back, what sticks, and all of it, g. */
  readonly needGrams: number
  readonly keepBackGrams: number
  readonly sticksGrams: number
  readonly totalGrams: number
  readonly weigh: WeighedBuild
  readonly steps: readonly PourStep[]
  readonly manner: PourManner
  /** Seed measured by spoon: what it may weigh. */
  readonly spoons: MassRange | null
  readonly sourced: SourcedLevain
  /** As it is planned; once something is in, as it was poured. */
  readonly timed: TimedBuild
  /** The same as things stand: begun now, where its start has passed and nothing is in. */
  readonly asItStands: TimedBuild
  readonly planned: PlannedBuild
  readonly flourPerSeed: number
  /** What the jar holds once the seed is out, and in the end, g. */
  readonly jarAfterGrams: number
  readonly jarInTheEndGrams: number
  /** How strong the jar is when it begins; and whether it was fed so shortly before that it is still to ripen then. */
  readonly strength: Strength
  readonly ripens: boolean
  /** Stages that grow the seed first: empty when the jar can spare it, null when it has nothing to spare. */
  readonly ladder: readonly TimedStage[] | null
  /** How it stands in its vessel; null without one. */
  readonly fit: (JarFit & { readonly vessel: NamedVessel; readonly other: NamedVessel | null }) | null
  /** Water for the wanted mix temperature, and how to get it with ice from the freezer; null where there is none to be had. */
  readonly water: { readonly tempC: number; readonly blend: WaterBlend } | null
  /** What the seed has when it is taken, °C. */
  readonly seedTempC: number
  /** What the water would have to have, above what a culture bears or below freezing; null while it can be. */
  readonly impossibleWaterC: number | null
}

/** Water off the boil, °C. */
const KETTLE_C = 95
/** Less than this left in a jar is nothing to go on with, g. */
const LEAST_KEPT_GRAMS = 5
/** Less fresh flour per seed than this is too little food for so much old starter. */
const LITTLE_FLOUR = 0.5

/** A levain as it goes into the dough: starter that is used as it is has the water of its jar, and no salt or oil of its own. */
export const asUsed = <Build extends Pick<BuildPlan, 'source' | 'hydration' | 'salt' | 'oil'>>(build: Build, jarHydration: number): Build =>
  build.source === 'as it is' ? { ...build, hydration: jarHydration, salt: 0, oil: 0 } : build

/** Grams of seed that spoons hold. */
export function spoonedSeed(by: Extract<SeedMeasure, { kind: 'spoons' }>, cups: CupSizes): MassRange {
  return massOfVolume(by.count * cups[by.spoon], by.stirred ? STARTER_DENSITY.stirred : STARTER_DENSITY.risen)
}

/**
 * What is asked of a levain: how much of it for which doughs, and from which jar.
 * @param doughGrams levain in the dough, as it is weighed, g
 */
export function levainWishOf({ by, alsoFor, ...build }: BuildPlan, doughGrams: number, jar: LevainWish['jar'], cups: CupSizes): LevainWish {
  const { source, keepBackGrams, sticksGrams, refill, hydration, salt, oil, older } = build
  return {
    source,
    doughNeeds: [doughGrams, ...alsoFor.map((d) => d.grams)].filter((g) => g > 0),
    keepBackGrams,
    sticksGrams,
    refill: refill == null ? null : { flour: refill.flourGrams, water: refill.waterGrams },
    hydration,
    salt,
    oil,
    by: by.kind === 'spoons' ? { kind: 'seed', grams: spoonedSeed(by, cups).middle } : by,
    jar,
    older
  }
}

/**
 * Everything that follows from a wish: grams, truth, levain, when to build it, and what to be warned of.
 * @param wish what is wanted
 * @param jar where the seed comes from
 * @param kitchen sleep, scales, temperatures, ingredients, vessels
 * @param nowMs the time now, ms
 * @param begun what has been poured and measured of a levain that is being weighed in
 */
export function solveBake(wish: BakeWish, jar: SeedJar, kitchen: KitchenFacts, nowMs: number, begun: BegunLevain | null = null): SolvedBake {
  const build = asUsed(wish.build, jar.hydration)
  const exact = solveFormula(wish.formula, wish.target, { pantry: kitchen.pantry, levain: levainComposition(build) })
  if (!exact.ok) return { dough: exact, build: null, problem: exact.problem, warnings: [] }
  const weigh = roundDough(exact.value, kitchen.smallScale)
  const dough = { ok: true as const, value: { exact: exact.value, weigh } }
  const doughOnly = (problem: Problem<BakeProblem>): SolvedBake => ({ dough, build: null, problem, warnings: doughWarnings(wish, exact.value) })
  const flours = kindsOfBlend(build.flours, kitchen.pantry)
  if (flours === null) return doughOnly({ code: 'levain flour missing', values: {} })
  const { grams, hydration, keepMinimumGrams } = jar
  const levain = levainWishOf(build, weigh.levainGrams, { grams, hydration, keepMinimumGrams }, kitchen.cups)
  if (levain.doughNeeds.length === 0) return doughOnly({ code: 'no levain', values: {} })
  const spoons = build.by.kind === 'spoons' ? spoonedSeed(build.by, kitchen.cups) : null
  const planned: PlannedBuild = {
    levain,
    flours,
    own: ownTraitsOfBlend(build.flours, kitchen.pantry),
    seed: { flour: jar.flour, line: jar.line, jar: jar.parameters },
    older: jar.older,
    place: kitchen.standing ?? { tempC: wish.tempC },
    moves: kitchen.moves,
    material: kitchen.vessels.find((v) => v.id === build.vesselId)?.material,
    mixTempC: wish.mixTempC
  }
  if (build.source === 'as it is') {
    const ripe = usedOf(planned, jar, wish.school)
    if (!ripe.ok) return doughOnly(ripe.problem)
    const solved = answerLevain(ripe.value, [], null, planned, { ...wish, build }, jar, kitchen)
    return { dough, build: solved, problem: null, warnings: [...jarWarnings(solved, jar), ...doughWarnings(wish, exact.value)] }
  }
  let timed = wish.startAtMs == null ? buildFor(planned, wish.mixAtMs, wish.school) : buildFrom(planned, wish.startAtMs, wish.school)
  if (!timed.ok) return doughOnly(timed.problem)
  const { fromJarGrams, spareGrams } = timed.value.levain
  let ladder: readonly TimedStage[] | null = []
  if (fromJarGrams > spareGrams + 0.05) {
    // The last stage is seeded by a ripe one then, not by the jar as it stands.
    const grown: PlannedBuild = { ...planned, seed: { ...planned.seed, line: null } }
    const last = buildFor(grown, wish.mixAtMs, wish.school)
    if (last.ok) {
      timed = last
      const strength = strengthOf(cultureAt(jar.line, last.value.startMs, jar.parameters))
      const most = strength === 'ready as it is' || strength === 'one feed' ? MOST_GROWTH.vigorous : MOST_GROWTH.sluggish
      ladder = timeLadder(planned, fromJarGrams, spareGrams, last.value.startMs, most)
    }
  }
  const asPlanned = answerLevain(timed.value, ladder, spoons, planned, wish, jar, kitchen)
  const usual = { wantedC: wish.mixTempC, flourC: kitchen.flourTempC, cultureC: asPlanned.seedTempC, riseK: 0 }
  const solved = asThingsStand(asPlanned, begun, usual, wish.school, kitchen.pantry, nowMs)
  return { dough, build: solved, problem: null, warnings: [...buildWarnings(solved, wish, jar, kitchen, nowMs), ...doughWarnings(wish, exact.value)] }
}

/** Starter that is used as it is: its hill is that of the jar since its last feed. */
function usedOf({ levain }: PlannedBuild, jar: SeedJar, school: School): Result<TimedBuild, TimingProblem> {
  const sourced = sourceLevain(levain)
  if (!sourced.ok) return sourced
  const run = timeLine(jar.line, jar.parameters, school)
  return run === null ? { ok: false, problem: { code: 'never ripe', values: {} } } : { ok: true, value: { levain: sourced.value, ...run } }
}

/** A planned levain with what there is of it by now, or begun now where its start has passed. */
function asThingsStand(planned: SolvedLevain, begun: BegunLevain | null, usual: UsualTemps, school: School, pantry: Pantry, nowMs: number): SolvedLevain {
  if (begun !== null) {
    const timed = asBegun(planned, begun, usual, school, pantry)
    if (begun.pours.size > 0) return { ...planned, timed, asItStands: timed }
    planned = { ...planned, timed, asItStands: timed }
  }
  if (planned.ladder === null || planned.ladder.length > 0 || planned.timed.startMs >= nowMs) return planned
  const late = timeLine(shifted(planned.timed.line, nowMs), planned.planned.seed.jar, school)
  return late === null ? planned : { ...planned, asItStands: { ...planned.timed, ...late } }
}

/** What meets the water of a levain. */
const besidesWater = ({ weigh, sourced, seedTempC }: Pick<SolvedLevain, 'weigh' | 'sourced' | 'seedTempC'>, flourTempC: number): WarmPart[] => [
  { grams: weigh.seed + weigh.older, tempC: seedTempC, heat: levainHeat(sourced.seedHydration) },
  { grams: weigh.flour, tempC: flourTempC, heat: HEAT.flour }
]

/**
 * How warm a levain comes out with water as it is.
 * @param flourTempC of its flour, °C
 * @returns of the fresh mix, to 0.01 °C
 */
export function mixWithWater(build: Pick<SolvedLevain, 'weigh' | 'sourced' | 'seedTempC'>, flourTempC: number, waterTempC: number): number {
  const mixed = mixTemperature([...besidesWater(build, flourTempC), { grams: build.weigh.water, tempC: waterTempC, heat: HEAT.water }])
  return Math.round(mixed * 100) / 100
}

function answerLevain(
  timed: TimedBuild,
  ladder: readonly TimedStage[] | null,
  spoons: MassRange | null,
  planned: PlannedBuild,
  wish: BakeWish,
  jar: SeedJar,
  kitchen: KitchenFacts
): SolvedLevain {
  const { levain: sourced } = timed
  const { build } = wish
  const asItIs = build.source === 'as it is'
  // What is used as it is leaves the jar when the dough is mixed.
  const startMs = asItIs ? wish.mixAtMs : timed.startMs
  const { weigh, steps, manner } = weighLevain(sourced, build.flours, planned.flours, build.hydration, kitchen.smallScale)
  const seedTempC = temperatureAt(jar.line, startMs, jar.parameters)
  const water = asItIs ? null : waterTemperature(wish.mixTempC, weigh.water, besidesWater({ weigh, sourced, seedTempC }, kitchen.flourTempC))
  const vessel = asItIs ? undefined : kitchen.vessels.find((v) => v.id === build.vesselId)
  const rise = 1 + timed.milestones.peakGas
  return {
    needGrams: planned.levain.doughNeeds.reduce((t, g) => t + g, 0),
    keepBackGrams: sourced.keepBackGrams,
    sticksGrams: sourced.sticksGrams,
    totalGrams: weigh.seed + weigh.older + weigh.flour + weigh.water + weigh.salt + weigh.oil,
    weigh,
    steps,
    manner,
    spoons,
    sourced,
    timed,
    asItStands: timed,
    planned,
    flourPerSeed: asItIs ? 0 : flourPerSeedOf(sourced, build.hydration),
    jarAfterGrams: sourced.jarAfterGrams,
    jarInTheEndGrams: sourced.jarInTheEndGrams,
    strength: strengthOf(cultureAt(jar.line, startMs, jar.parameters)),
    ripens: conditionOf(jar.line, startMs, jar.parameters).use === 'ripens',
    ladder,
    fit:
      vessel === undefined
        ? null
        : {
            ...jarFit(vessel, sourced.totalGrams, build.hydration, rise),
            vessel,
            other: smallestThatFits(kitchen.vessels, sourced.totalGrams, build.hydration, rise) ?? null
          },
    water: water?.ok ? { tempC: water.value, blend: blendWater(weigh.water, water.value, kitchen.tapTempC, KETTLE_C, HEAT.meltingFromFreezer) } : null,
    seedTempC,
    impossibleWaterC: water === null || water.ok ? null : (water.problem.values.tempC ?? null)
  }
}

/** Whether the jar holds enough for what is taken out of it. */
function jarWarnings({ weigh, planned, sourced: { spareGrams }, jarInTheEndGrams }: SolvedLevain, { keepMinimumGrams }: SeedJar): Warning[] {
  if (weigh.seed > spareGrams)
    return [{ code: 'jar too small', seedGrams: weigh.seed, spareGrams, ...(planned.levain.source === 'as it is' ? { asItIs: true } : {}) }]
  return jarInTheEndGrams < Math.min(keepMinimumGrams, LEAST_KEPT_GRAMS) ? [{ code: 'nothing kept' }] : []
}

function buildWarnings(build: SolvedLevain, wish: BakeWish, jar: SeedJar, kitchen: KitchenFacts, nowMs: number): Warning[] {
  const warnings: Warning[] = []
  const startMs = build.ladder?.[0]?.startMs ?? build.timed.startMs
  const others = () =>
    awakeRatios(atRatio(build.planned, build.flourPerSeed), build.flourPerSeed, wish.mixAtMs, wish.school, startMs, kitchen.sleep, kitchen.timeZone, nowMs)
  if (startMs < nowMs)
    warnings.push({ code: 'start has passed', startMs, soonestMs: build.asItStands.startMs + build.asItStands.fitHours * millisecondsInHour, others: others() })
  else if (nightAt(startMs, kitchen.sleep, kitchen.timeZone) !== undefined) warnings.push({ code: 'start in the night', startMs, others: others() })
  if (nightAt(wish.mixAtMs, kitchen.sleep, kitchen.timeZone) !== undefined) warnings.push({ code: 'mix in the night' })
  warnings.push(...jarWarnings(build, jar))
  if (build.fit !== null && !build.fit.fits) {
    warnings.push({ code: 'vessel too small', vessel: build.fit.vessel.name, full: build.fit.full, other: build.fit.other?.name ?? null })
  }
  const glutenInside = keysOf(build.planned.flours).some((kind) => FLOURS[kind].gluten)
  if (!FLOURS[jar.flour].gluten && glutenInside) warnings.push({ code: 'gluten into gluten-free' })
  if (build.strength === 'two feeds' || build.strength === 'revival') warnings.push({ code: 'culture weak', strength: build.strength })
  if (build.flourPerSeed < LITTLE_FLOUR) warnings.push({ code: 'much old starter' })
  if ((build.impossibleWaterC ?? 0) > HOTTEST_WATER_C) warnings.push({ code: 'water too hot', tempC: HOTTEST_WATER_C })
  return warnings
}

const PERCENT = 100

function doughWarnings({ formula, target }: Pick<BakeWish, 'formula' | 'target'>, dough: SolvedDough): Warning[] {
  const warnings: Warning[] = []
  const { hydration, salt } = dough.truth
  const usual = PLAUSIBLE_HYDRATION[formula.doughKind]
  if (!within(usual, hydration)) {
    warnings.push({ code: 'hydration unusual', share: hydration, usual, slip: likelySlip(formula.hydration * PERCENT, USUAL_PERCENT.hydration) })
  }
  if (!isPlausible('salt', salt))
    warnings.push({ code: 'salt unusual', share: salt, slip: likelySlip(Math.round(formula.salt * 10_000) / PERCENT, USUAL_PERCENT.salt) })
  if (!isPlausible('yeast', dough.yeast)) warnings.push({ code: 'yeast unusual', share: dough.yeast })
  if (!isPlausible('preFermented', dough.preFermented)) warnings.push({ code: 'pre-fermented unusual', share: dough.preFermented })
  for (const piece of doughPieces(target, dough)) if (!isPlausible('pieceGrams', piece.grams)) warnings.push({ code: 'piece unusual', grams: piece.grams })
  return warnings
}
