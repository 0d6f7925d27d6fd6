import { ceilToScale, KITCHEN_SCALE_GRAMS, roundToScale, SMALL_SCALE_GRAMS } from '../units/mass'
import { type TrueValues, trueValues } from './composition'
import type { SolvedDough, SolvedLine } from './solveFormula'

/** A dough as it will be weighed. */
export interface WeighedDough {
  /** Lines with grams as the scale shows them, in the formula's order. */
  readonly lines: readonly (SolvedLine & { readonly resolution: number })[]
  /** True values of the rounded grams. */
  readonly truth: TrueValues
  readonly doughGrams: number
  readonly levainGrams: number
}

/** Below this a kitchen scale is too coarse for anything, g. */
const TINY_GRAMS = 10

/**
 * Rounds every line to the scale it is weighed on, up where that is wanted, and works out the truth anew.
 * @param smallScale a scale that shows 0.1 g is at hand: salt, yeast, spices and whatever is tiny goes on it
 */
export function roundDough(solved: SolvedDough, smallScale: boolean): WeighedDough {
  const resolutionOf = ({ grams, fine }: { readonly grams: number; readonly fine: boolean }) =>
    smallScale && (fine || grams < TINY_GRAMS) ? SMALL_SCALE_GRAMS : KITCHEN_SCALE_GRAMS
  const round = solved.roundUp ? ceilToScale : roundToScale
  const roundParts = (parts: SolvedLine['parts']): SolvedLine['parts'] =>
    parts.map((part) => {
      const resolution = resolutionOf(part)
      return { ...part, grams: round(part.grams, resolution), resolution, parts: roundParts(part.parts) }
    })
  const lines = solved.lines.map((line) => {
    const resolution = resolutionOf(line)
    return { ...line, grams: round(line.grams, resolution), parts: roundParts(line.parts), resolution }
  })
  const truth = trueValues(lines)
  return { lines, truth, doughGrams: truth.totalGrams, levainGrams: lines.reduce((t, l) => (l.kind === 'levain' ? t + l.grams : t), 0) }
}

/** Grams of every ingredient that goes into a dough beside its levain, pre-ferments taken apart. */
export function drawnIngredients(lines: readonly SolvedLine[]): ReadonlyMap<string, number> {
  const drawn = new Map<string, number>()
  const add = (id: string | null, grams: number) => {
    if (id !== null && grams > 0) drawn.set(id, (drawn.get(id) ?? 0) + grams)
  }
  const walk = (parts: SolvedLine['parts']) => {
    for (const part of parts) {
      add(part.ingredientId, part.grams)
      walk(part.parts)
    }
  }
  for (const line of lines) {
    add(line.ingredientId, line.grams)
    walk(line.parts)
  }
  return drawn
}
