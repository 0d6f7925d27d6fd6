import type { Formula } from './formula'
import { ALLERGENS, type Allergen, type Pantry } from './ingredient'
import { ingredientsOf } from './mix'

/**
 * Allergens of a dough, its pre-ferments and its levain.
 * @param levainFlours ingredients the levain is fed with
 * @returns in a fixed order
 */
export function allergensOf(formula: Formula, levainFlours: readonly string[], pantry: Pantry): Allergen[] {
  const ids = formula.lines.flatMap((line) => {
    if (line.kind === 'flour' || line.kind === 'extra') return line.share > 0 ? [line.ingredientId] : []
    if (line.kind === 'pre-ferment') return ingredientsOf(line.mix)
    return line.kind === 'levain' ? levainFlours : []
  })
  const found = new Set(ids.flatMap((id) => pantry.get(id)?.allergens ?? []))
  return ALLERGENS.filter((a) => found.has(a))
}
