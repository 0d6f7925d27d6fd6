import { kindsOfGrams, type OwnTraits, ownTraits } from '../dough/blend'
import type { Pantry } from '../dough/ingredient'
import { drawnIngredients, type WeighedDough } from '../dough/roundDough'
import type { FlourKind, FloursByKind } from '../ferment/flours'
import type { BatchLine } from '../jars/lineage'
import type { Standing } from '../schedule/planBuild'

/** What a dough is made of beside its levain, as it ferments. g. */
export interface DoughContents {
  /** By ingredient, water and salt among them. */
  readonly ingredients: ReadonlyMap<string, number>
  readonly flours: FloursByKind
  readonly own: OwnTraits | undefined
  readonly waterGrams: number
  readonly saltGrams: number
}

/** What is drawn for a dough, with its flours by kind. */
export function doughContents(lines: WeighedDough['lines'], pantry: Pantry): DoughContents {
  const ingredients = drawnIngredients(lines)
  const ground = [...ingredients].filter(([id]) => pantry.get(id)?.flourKind !== undefined)
  return {
    ingredients,
    flours: kindsOfGrams(Object.fromEntries(ground), pantry),
    own: ownTraits(
      ground.map(([ingredientId, grams]) => ({ ingredientId, grams })),
      pantry
    ),
    waterGrams: ingredients.get('water') ?? 0,
    saltGrams: ingredients.get('salt') ?? 0
  }
}

/**
 * A dough as a batch: the same simulator tells its bulk that tells its levain.
 * @param dough as it will be weighed
 * @param levain the batch that goes in, with its water ÷ flour and what it counts as
 * @param at when it is mixed (ms), how warm, and where it stands
 */
export function doughLine(
  dough: WeighedDough,
  levain: { readonly line: BatchLine; readonly hydration: number; readonly flour: FlourKind },
  at: { readonly mixAtMs: number; readonly mixTempC: number; readonly standing: Standing },
  pantry: Pantry
): BatchLine {
  const { flours, own, waterGrams, saltGrams } = doughContents(dough.lines, pantry)
  return {
    startedAtMs: at.mixAtMs,
    flours,
    own,
    waterGrams,
    saltGrams,
    mixTempC: at.mixTempC,
    stays: [{ fromMs: at.mixAtMs, ...at.standing }],
    parents: [{ grams: dough.levainGrams, hydration: levain.hydration, flour: levain.flour, line: levain.line }]
  }
}
