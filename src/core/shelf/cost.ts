import type { Ingredient, Pantry } from '../dough/ingredient'

/** What something costs. */
export interface Cost {
  /** In the kitchen's currency. */
  readonly amount: number
  /** Ingredients without a price: the cost is so much too low. */
  readonly unpriced: readonly string[]
}

/** Ingredients that cost nothing worth a figure. */
const FREE = ['water']

/** Price of a gram; a blend without its own costs what its flours do. Null where it is not known. */
export function pricePerGram(ingredient: Ingredient, pantry: Pantry): number | null {
  if (ingredient.price !== undefined) return ingredient.price.amount / ingredient.price.packGrams
  if (ingredient.blend === undefined) return null
  const all = ingredient.blend.reduce((sum, part) => sum + part.share, 0)
  let price = 0
  for (const { ingredientId, share } of ingredient.blend) {
    const part = pantry.get(ingredientId)
    const own = part?.price === undefined ? null : part.price.amount / part.price.packGrams
    if (own === null) return null
    price += (own * share) / all
  }
  return price
}

/**
 * What grams of ingredients cost.
 * @param grams by ingredient
 * @returns the sum of those that have a price, and the names of those that have none
 * @example costOf(new Map([['rye', 500]]), pantry).amount // 1.5, for rye at 3.00 a kilogram
 */
export function costOf(grams: ReadonlyMap<string, number>, pantry: Pantry): Cost {
  let amount = 0
  const unpriced: string[] = []
  for (const [id, g] of grams) {
    if (FREE.includes(id) || g <= 0) continue
    const ingredient = pantry.get(id)
    const price = ingredient === undefined ? null : pricePerGram(ingredient, pantry)
    if (price === null) unpriced.push(ingredient?.name ?? id)
    else amount += price * g
  }
  return { amount, unpriced }
}
