import type { Jar, Kitchen, Plan } from '../../contract'
import {
  asUsed,
  type BakeDough,
  type BakeProblem,
  type BakeState,
  CUP_SIZES,
  gramsOfBlend,
  kindsOfBlend,
  type LevainWeights,
  levainComposition,
  levainWishOf,
  type Pantry,
  type Result,
  roundDough,
  type SourcedLevain,
  type StepDeed,
  solveFormula,
  sourceLevain,
  weighLevain
} from '../../core'

/** What a kitchen adds to the weights: its scales and cups, and what is in store. */
export interface Weighing {
  readonly kitchen: Pick<Kitchen, 'smallScale' | 'cups'>
  readonly pantry: Pantry
}

/** A plan in grams. */
export interface PlanWeights extends LevainWeights {
  readonly dough: BakeDough
  /** The levain before it is rounded. */
  readonly sourced: SourcedLevain
}

/** The dough of a plan: exact, and as it is weighed. */
export function doughToWeigh(
  { formula, target, build }: Pick<Plan, 'formula' | 'target' | 'build'>,
  { kitchen, pantry }: Weighing
): Result<BakeDough, BakeProblem> {
  const exact = solveFormula(formula, target, { pantry, levain: levainComposition(build) })
  return exact.ok ? { ok: true, value: { exact: exact.value, weigh: roundDough(exact.value, kitchen.smallScale) } } : exact
}

/**
 * What is to be weighed for the levain of a plan: what the window offers, the server demands and the shelf gives.
 * @param seedHydration of what it is seeded from: seedHydrationOf
 * @returns the weights, or why the plan cannot be
 */
export function levainToWeigh(plan: Pick<Plan, 'formula' | 'target' | 'build'>, seedHydration: number, weighing: Weighing): Result<PlanWeights, BakeProblem> {
  const build = asUsed(plan.build, seedHydration)
  const { kitchen, pantry } = weighing
  const dough = doughToWeigh({ ...plan, build }, weighing)
  if (!dough.ok) return dough
  const kinds = kindsOfBlend(build.flours, pantry)
  if (kinds === null) return { ok: false, problem: { code: 'levain flour missing', values: {} } }
  const jar = { grams: 0, hydration: seedHydration, keepMinimumGrams: 0 }
  const wish = levainWishOf(build, dough.value.weigh.levainGrams, jar, CUP_SIZES[kitchen.cups])
  if (wish.doughNeeds.length === 0) return { ok: false, problem: { code: 'no levain', values: {} } }
  const sourced = sourceLevain(wish)
  if (!sourced.ok) return sourced
  return {
    ok: true,
    value: { dough: dough.value, sourced: sourced.value, ...weighLevain(sourced.value, build.flours, kinds, build.hydration, kitchen.smallScale) }
  }
}

/** Deeds that were told of a bake, by their step. */
type Deeds = ReadonlyMap<string, Pick<StepDeed, 'did'>>

/** Feeds and builds of a plan that are still to make its seed what it will be: a wake-up feed that was done is in the jar itself. */
export const stagesToCome = ({ before }: Pick<Plan, 'before'>, deeds: Deeds): Plan['before'] =>
  before.filter((stage) => {
    const deed = deeds.get(stage.id)
    return deed === undefined || (stage.kind !== 'wake' && deed.did !== 'skipped')
  })

/** Water ÷ flour of what a stage makes of its seed. */
export function hydrationAfter(stage: Pick<Plan['before'][number], 'seedGrams' | 'flourGrams' | 'waterGrams'>, seedHydration: number): number {
  const flour = stage.flourGrams + stage.seedGrams / (1 + seedHydration)
  return (stage.seedGrams + stage.flourGrams + stage.waterGrams - flour) / flour
}

/** Water ÷ flour of what a levain is seeded from: the jar, or what the feeds and builds before make of it. */
export const seedHydrationOf = (plan: Pick<Plan, 'before'>, jar: Pick<Jar, 'hydration'>, deeds: Deeds): number =>
  stagesToCome(plan, deeds).reduce((hydration, stage) => hydrationAfter(stage, hydration), jar.hydration)

/** What a levain takes off the shelf, g by ingredient. */
export function levainFromShelf({ weigh }: Pick<PlanWeights, 'weigh'>): ReadonlyMap<string, number> {
  const taken: readonly (readonly [string, number])[] = [
    ...weigh.flours.map((f) => [f.ingredientId, f.grams] as const),
    ['water', weigh.water],
    ['salt', weigh.salt],
    ['oil', weigh.oil]
  ]
  return new Map(taken.filter(([, grams]) => grams > 0))
}

/** What a first build is made of: the flours of the levain that it will seed, g. */
export const floursOfFirstBuild = ({ build }: Pick<Plan, 'build'>, { flourGrams }: Pick<Plan['before'][number], 'flourGrams'>) =>
  gramsOfBlend(build.flours, flourGrams)

/**
 * What the stages that are still to come before a levain take off the shelf, g by ingredient.
 * @param weighed what is in the first build already, and has left the shelf
 */
export function stagesFromShelf(
  plan: Pick<Plan, 'before' | 'build'>,
  jar: Pick<Jar, 'feed'>,
  { deeds, weighed }: Pick<BakeState, 'deeds' | 'weighed'>
): ReadonlyMap<string, number> {
  const taken = new Map<string, number>()
  for (const stage of plan.before) {
    if (deeds.has(stage.id)) continue
    const flours = stage.kind === 'wake' ? gramsOfBlend(jar.feed, stage.flourGrams) : floursOfFirstBuild(plan, stage)
    for (const { ingredientId, grams } of [...flours, { ingredientId: 'water', grams: stage.waterGrams }]) {
      const there = stage.kind === 'wake' ? [] : weighed.filter((w) => w.into === stage.kind && w.key === ingredientId)
      taken.set(ingredientId, (taken.get(ingredientId) ?? 0) + Math.max(grams - there.reduce((sum, w) => sum + w.grams, 0), 0))
    }
  }
  return taken
}
