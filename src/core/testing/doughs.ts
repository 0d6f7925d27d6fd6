import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { levainOf } from '../dough/composition'
import type { Formula, FormulaContext, FormulaLine } from '../dough/formula'
import { pantryOf } from '../dough/ingredient'
import { usualMix } from '../dough/mix'

/** Ingredients of a new kitchen. */
export const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)

/** A kitchen whose levain has a hydration. */
export const contextWith = (levainHydration: number): FormulaContext => ({ pantry: PANTRY, levain: levainOf(levainHydration) })

/** One flour, water, salt and levain. */
export function simpleFormula(more: Partial<Formula> & { levain?: number; extras?: readonly [ingredientId: string, share: number][] } = {}): Formula {
  const { levain = 0.27, extras = [], ...rest } = more
  return {
    base: 'dough flour',
    doughKind: 'wheat',
    hydration: 0.74,
    salt: 0.021,
    autolyse: false,
    heldBack: 0,
    lines: [
      { id: 'flour', kind: 'flour', ingredientId: 'white wheat', share: 1 },
      { id: 'water', kind: 'water' },
      { id: 'levain', kind: 'levain', share: levain },
      { id: 'salt', kind: 'salt' },
      ...extras.map(([ingredientId, share]): FormulaLine => ({ id: ingredientId, kind: 'extra', ingredientId, share }))
    ],
    ...rest
  }
}

/** Two flours, milk, and where asked a poolish and a soaker. */
export function richFormula(base: Formula['base'], levain: number, ahead: 'none' | 'poolish' | 'poolish and soaker'): Formula {
  return {
    base,
    doughKind: 'wheat',
    hydration: 0.72,
    salt: 0.02,
    autolyse: false,
    heldBack: 0,
    lines: [
      { id: 'white', kind: 'flour', ingredientId: 'strong white', share: 70 },
      { id: 'rye', kind: 'flour', ingredientId: 'rye', share: 30 },
      { id: 'water', kind: 'water' },
      { id: 'salt', kind: 'salt' },
      { id: 'levain', kind: 'levain', share: levain },
      ...(ahead === 'none' ? [] : [{ id: 'poolish', kind: 'pre-ferment', style: 'poolish', mix: usualMix('poolish', 'strong white'), share: 0.2 } as const]),
      ...(ahead === 'poolish and soaker'
        ? [{ id: 'soaker', kind: 'pre-ferment', style: 'soaker', mix: usualMix('soaker', 'strong white'), share: 0.15 } as const]
        : []),
      { id: 'milk', kind: 'extra', ingredientId: 'milk', share: 0.1 }
    ]
  }
}
