import type { Ingredient, Pantry } from '../dough/ingredient'
import { pricePerGram } from './cost'
import type { ShelfNeed } from './needs'

/** One thing to buy. */
export interface ShoppingItem {
  readonly ingredient: Ingredient
  /** Missing until the horizon, g; what is wanted in all where nothing was counted. */
  readonly grams: number
  /** Whole packs, where the pack is known. */
  readonly packs: { readonly count: number; readonly grams: number; readonly amount: number } | null
  /** What is left of it was counted; else all that is wanted is on the list. */
  readonly counted: boolean
}

/**
 * What to buy.
 * @param needs of the coming weeks
 * @returns what is missing first, then what was never counted; water is never bought
 */
export function shoppingList(needs: readonly ShelfNeed[], pantry: Pantry): ShoppingItem[] {
  return needs
    .flatMap((need): ShoppingItem[] => {
      const ingredient = pantry.get(need.ingredientId)
      const counted = need.grams !== null
      const grams = counted ? need.missingGrams : need.takenGrams
      if (ingredient === undefined || ingredient.kind === 'water' || ingredient.kind === 'starter' || grams < 0.5) return []
      const price = pricePerGram(ingredient, pantry)
      const pack = ingredient.price?.packGrams
      const count = pack === undefined ? 0 : Math.ceil(grams / pack - 1e-9)
      return [{ ingredient, grams, counted, packs: pack === undefined || price === null ? null : { count, grams: pack, amount: count * pack * price } }]
    })
    .sort((a, b) => Number(b.counted) - Number(a.counted))
}

/**
 * The list as Markdown, with boxes to tick.
 * @param words how an item is told: its amount and why
 */
export function shoppingMarkdown(title: string, items: readonly ShoppingItem[], words: (item: ShoppingItem) => string): string {
  return [`# ${title}`, '', ...items.map((item) => `- [ ] ${item.ingredient.name}: ${words(item)}`), ''].join('\n')
}
