import { BUILT_IN_INGREDIENTS, type Formula, type FormulaLine, pantryOf, type Target, usualMix } from '../../core'

/** Ingredients of the demo: as they come. */
export const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)
/** So many pieces of so many grams. */
export const pieces = (...list: [count: number, grams: number][]): Target => ({
  kind: 'pieces',
  pieces: list.map(([count, grams]) => ({ count, grams })),
  handlingLoss: 0.02,
  bakeLoss: null
})
const flourLines = (...list: [ingredientId: string, share: number][]): FormulaLine[] =>
  list.map(([ingredientId, share]) => ({ id: ingredientId, kind: 'flour', ingredientId, share }))
const extraLines = (...list: [ingredientId: string, share: number][]): FormulaLine[] =>
  list.map(([ingredientId, share]) => ({ id: ingredientId, kind: 'extra', ingredientId, share }))

/** A dough as Lantern Street writes it down: flours, water, levain, salt, the rest. */
function formulaOf(flours: FormulaLine[], levain: number, more: Partial<Formula> & { rest?: FormulaLine[] } = {}): Formula {
  const { rest = [], ...figures } = more
  return {
    base: 'dough flour',
    doughKind: 'wheat',
    hydration: 0.74,
    salt: 0.021,
    lines: [...flours, { id: 'water', kind: 'water' }, { id: 'levain', kind: 'levain', share: levain }, { id: 'salt', kind: 'salt' }, ...rest],
    autolyse: false,
    heldBack: 0,
    ...figures
  }
}

/** Doughs that Lantern Street bakes. */
export const DOUGHS = {
  lantern: formulaOf(flourLines(['strong white', 85], ['wholegrain wheat', 15]), 0.27, { autolyse: true, heldBack: 0.03 }),
  market: formulaOf(flourLines(['strong white', 90], ['spelt', 10]), 0.25, {
    doughKind: 'enriched',
    hydration: 0.66,
    salt: 0.02,
    rest: [
      ...extraLines(['milk', 0.2], ['butter', 0.06], ['honey', 0.03], ['sesame', 0.02]),
      { id: 'soaker', kind: 'pre-ferment', style: 'soaker', mix: usualMix('soaker', 'strong white'), share: 0.12 }
    ]
  }),
  rye: formulaOf(flourLines(['rye', 100]), 0.35, {
    doughKind: 'rye tin',
    hydration: 0.86,
    rest: [{ id: 'scald', kind: 'pre-ferment', style: 'scald', mix: usualMix('scald', 'rye'), share: 0.12 }, ...extraLines(['caraway', 0.01])]
  }),
  ryePast: formulaOf(flourLines(['rye', 100]), 0.27, { doughKind: 'rye tin', hydration: 0.82 }),
  moth: formulaOf(flourLines(['buckwheat', 50], ['sorghum', 50]), 0.3, {
    doughKind: 'gluten-free',
    hydration: 1.1,
    rest: extraLines(['psyllium', 0.05], ['oil', 0.04])
  })
} satisfies Record<string, Formula>
