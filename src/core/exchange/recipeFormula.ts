import { levainOf } from '../dough/composition'
import { type Formula, type FormulaLine, PERCENTAGE_BASES, type PercentageBase, type Target } from '../dough/formula'
import type { Ingredient, Pantry } from '../dough/ingredient'
import { restate, type SolvedDough, solveFormula } from '../dough/solveFormula'
import { ok, problem, type Result } from '../units/result'
import type { MassRange } from '../units/volume'

/** One ingredient of a recipe with what it weighs, or its percentage where only that is told. */
export interface RecipeItem {
  readonly id: string
  readonly ingredient: Ingredient
  readonly grams: MassRange | null
  /** As written, 20 for 20 %. */
  readonly percent: number | null
}

/** A recipe as a formula with its size. */
export interface RecipeFormula {
  readonly formula: Formula
  readonly target: Target
  readonly solved: SolvedDough
}

export type RecipeProblem = 'no flour' | 'no water' | 'grams missing' | 'cannot be'

/** A levain of a recipe is taken at 100 % unless said otherwise. */
const LEVAIN_HYDRATION = 1
/** Percentages further apart than this do not speak for a base, in points. */
const CLOSE_POINTS = 0.6

/**
 * A recipe by weight as a formula in the plain base: what is written is what is meant. Starter among the ingredients becomes the levain.
 * @param items all with grams, or all with percentages
 * @param pantry the kitchen's ingredients
 * @param levainHydration of the recipe's starter
 * @returns formula, size and what it comes to; `no flour` or `no water` when one is missing
 */
export function recipeFormula(items: readonly RecipeItem[], pantry: Pantry, levainHydration = LEVAIN_HYDRATION): Result<RecipeFormula, RecipeProblem> {
  const byPercent = items.every((i) => i.grams === null)
  const amount = (i: RecipeItem) => (byPercent ? (i.percent ?? 0) : (i.grams?.middle ?? Number.NaN))
  if (items.some((i) => !Number.isFinite(amount(i)))) return problem('grams missing')
  const sum = (kind: Ingredient['kind']) => items.reduce((t, i) => (i.ingredient.kind === kind ? t + amount(i) : t), 0)
  const [flour, water, salt, levain] = [sum('flour'), sum('water'), sum('salt'), sum('starter')]
  if (!(flour > 0)) return problem('no flour')
  const wet = items.reduce((t, i) => t + amount(i) * i.ingredient.composition.water, 0)
  if (!(wet > 0)) return problem('no water')
  const estimate = (of: readonly RecipeItem[]) => {
    const [least, most] = [of.reduce((t, i) => t + (i.grams?.least ?? 0), 0), of.reduce((t, i) => t + (i.grams?.most ?? 0), 0)]
    return most > least * 1.005 ? (most - least) / (most + least) : undefined
  }
  const marked = (kind: Ingredient['kind']) => estimate(items.filter((i) => i.ingredient.kind === kind))
  const own = items.flatMap((i): FormulaLine[] => {
    const { kind, id: ingredientId } = i.ingredient
    const share = amount(i) / flour
    if (kind === 'flour') return [{ id: i.id, kind: 'flour', ingredientId, share, estimate: estimate([i]) }]
    return kind === 'water' || kind === 'salt' || kind === 'starter' ? [] : [{ id: i.id, kind: 'extra', ingredientId, share, estimate: estimate([i]) }]
  })
  const lines: FormulaLine[] = [
    ...own.filter((l) => l.kind === 'flour'),
    { id: 'water', kind: 'water', estimate: marked('water') },
    ...(levain > 0 ? [{ id: 'levain', kind: 'levain', share: levain / flour, estimate: marked('starter') } as const] : []),
    { id: 'salt', kind: 'salt', estimate: marked('salt') },
    ...own.filter((l) => l.kind === 'extra')
  ]
  const formula: Formula = { base: 'plain', doughKind: doughKindOf(items), hydration: water / flour, salt: salt / flour, lines, autolyse: false, heldBack: 0 }
  const total = items.reduce((t, i) => t + amount(i), 0)
  const target: Target = { kind: 'dough', grams: byPercent ? 1000 : total }
  const solved = solveFormula(formula, target, { pantry, levain: levainOf(levainHydration) })
  return solved.ok ? ok({ formula, target, solved: solved.value }) : problem('cannot be')
}

function doughKindOf(items: readonly RecipeItem[]): Formula['doughKind'] {
  const flours = items.filter((i) => i.ingredient.kind === 'flour')
  const share = (pick: (i: Ingredient) => boolean) => {
    const all = flours.reduce((t, i) => t + (i.grams?.middle ?? i.percent ?? 0), 0)
    return flours.reduce((t, i) => (pick(i.ingredient) ? t + (i.grams?.middle ?? i.percent ?? 0) : t), 0) / all
  }
  if (share((i) => i.flourKind === 'gluten-free') > 0.5) return 'gluten-free'
  if (share((i) => i.flourKind === 'rye') > 0.5) return 'rye tin'
  return items.some((i) => ['egg', 'fat', 'sweet', 'dairy'].includes(i.ingredient.kind)) ? 'enriched' : 'wheat'
}

/** What base a recipe seems to be written in, and what speaks for it. */
export type BaseGuess = { readonly base: PercentageBase; readonly because: 'percentages' | 'round figures' } | null

/**
 * The percentage base a recipe seems to be written in: by the percentages that stand beside its masses, else by which base makes its figures round.
 * @returns null when nothing tells them apart (without a levain all bases say the same)
 */
export function guessBase(items: readonly RecipeItem[], recipe: RecipeFormula): BaseGuess {
  if (!recipe.formula.lines.some((l) => l.kind === 'levain')) return null
  const restated = PERCENTAGE_BASES.map((base) => ({ base, formula: restate(recipe.formula, recipe.solved, base) }))
  const written = items.filter((i) => i.percent !== null && i.grams !== null)
  if (written.length >= 2) {
    const off = restated.map(({ base, formula }) => ({ base, points: written.reduce((t, i) => t + pointsOff(i, formula), 0) / written.length }))
    const [best, next] = [...off].sort((a, b) => a.points - b.points)
    return best !== undefined && next !== undefined && best.points < CLOSE_POINTS && next.points - best.points > 0.3
      ? { base: best.base, because: 'percentages' }
      : null
  }
  const score = restated.map(({ base, formula }) => ({ base, off: (unroundness(formula.hydration) + unroundness(formula.salt * 10)) / 2 }))
  const [best, next] = [...score].sort((a, b) => a.off - b.off)
  return best !== undefined && next !== undefined && best.off < 0.12 && next.off > 2 * best.off + 0.1 ? { base: best.base, because: 'round figures' } : null
}

/** How far a written percentage is from what a base makes of it. Water and salt speak, flour does not. */
function pointsOff(item: RecipeItem, formula: Formula): number {
  const { kind } = item.ingredient
  const share =
    kind === 'water' ? formula.hydration : kind === 'salt' ? formula.salt : kind === 'starter' ? formula.lines.find((l) => l.kind === 'levain') : null
  if (share === null || share === undefined) return 0
  const value = typeof share === 'number' ? share : 'share' in share ? share.share : 0
  return Math.abs(value * 100 - (item.percent ?? 0))
}

/** Distance to the nearest whole percent, 0 to 1. */
function unroundness(share: number): number {
  const percent = share * 100
  return Math.abs(percent - Math.round(percent)) * 2
}
