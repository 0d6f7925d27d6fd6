import { type Additions, additionsOf } from '../dough/additions'
import { kindsOfGrams, mainKind, type OwnTraits, ownTraits } from '../dough/blend'
import type { Composition } from '../dough/composition'
import type { Pantry } from '../dough/ingredient'
import { drawnIngredients, type WeighedDough } from '../dough/roundDough'
import type { FlourKind, FloursByKind } from '../ferment/flours'
import type { BatchLine } from '../jars/lineage'
import type { Standing } from '../schedule/planBuild'

/** What a dough is made of beside its levain, as it ferments. g. */
export interface DoughContents {
  readonly flours: FloursByKind
  readonly own: OwnTraits | undefined
  /** All of it, that of milk, eggs and butter too. */
  readonly waterGrams: number
  readonly saltGrams: number
  readonly additions: Additions
}

/** What is drawn for a dough, with its flours by kind: what it truly holds, and what else its culture feels. */
export function doughContents(lines: WeighedDough['lines'], pantry: Pantry): DoughContents {
  const ingredients = drawnIngredients(lines)
  const ground = [...ingredients].filter(([id]) => pantry.get(id)?.flourKind !== undefined)
  const others = [...ingredients].filter(([id]) => pantry.get(id)?.flourKind === undefined)
  const held = (part: keyof Composition) => others.reduce((sum, [id, grams]) => sum + grams * (pantry.get(id)?.composition[part] ?? 0), 0)
  const flours = kindsOfGrams(Object.fromEntries(ground), pantry)
  // Flour that something else brings, as discard does, counts as what there is most of.
  const main = mainKind(flours)
  return {
    flours: { ...flours, [main]: (flours[main] ?? 0) + held('flour') },
    own: ownTraits(
      ground.map(([ingredientId, grams]) => ({ ingredientId, grams })),
      pantry
    ),
    waterGrams: held('water'),
    saltGrams: held('salt'),
    additions: additionsOf(lines, pantry)
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
  const { flours, own, waterGrams, saltGrams, additions } = doughContents(dough.lines, pantry)
  return {
    startedAtMs: at.mixAtMs,
    flours,
    own,
    waterGrams,
    saltGrams,
    additions,
    mixTempC: at.mixTempC,
    stays: [{ fromMs: at.mixAtMs, ...at.standing }],
    parents: [{ grams: dough.levainGrams, hydration: levain.hydration, flour: levain.flour, line: levain.line }]
  }
}
