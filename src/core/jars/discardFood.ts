import { levainOf, type Portion, type TrueValues, trueValues } from '../dough/composition'
import type { Pantry } from '../dough/ingredient'
import type { PotContents } from './discardPot'

/** Something good made of discard. */
export interface DiscardFood {
  readonly name: string
  /** Grams of each ingredient for 100 g of discard. */
  readonly per100: Readonly<Record<string, number>>
  readonly method: string
}

/** Kitchen recipes of our own; the flour is whichever the pot is of. */
export const DISCARD_FOODS: readonly DiscardFood[] = [
  {
    name: 'Flat cakes',
    per100: { flour: 20, oil: 8, salt: 2 },
    method: 'Stir, rest a quarter of an hour. Fry thin rounds in a hot oiled pan, three minutes a side, until no raw spot is left.'
  },
  {
    name: 'Crackers',
    per100: { flour: 55, oil: 22, salt: 3, sesame: 12 },
    method: 'Knead short, roll two millimetres thin, cut, prick. Bake at 170 °C for about 25 minutes, until crisp and dry.'
  },
  {
    name: 'Waffles',
    per100: { flour: 60, milk: 95, egg: 50, butter: 25, sugar: 12, salt: 1 },
    method: 'Melt the butter, whisk all of it smooth, rest half an hour. Bake each until brown and dry at the edges.'
  },
  {
    name: 'Crumble',
    per100: { flour: 70, oats: 40, butter: 65, sugar: 55, salt: 1 },
    method: 'Rub together to crumbs over sharp fruit. Bake at 180 °C for about 35 minutes, until brown.'
  }
]

/** One line of a recipe, scaled. */
export interface FoodLine {
  readonly ingredientId: string
  readonly name: string
  readonly grams: number
}

/** A recipe for some discard, with what is truly in it. */
export interface FoodOfDiscard {
  readonly lines: readonly FoodLine[]
  readonly values: TrueValues
}

/** Flour that keeps a gluten-free pot gluten-free. */
const FLOUR_IDS = { gluten: 'white wheat', free: 'gluten-free' } as const

/**
 * A recipe scaled to discard, its flour and water counted.
 * @param pot what the discard is
 * @param grams of discard that go in
 * @param pantry names and compositions of ingredients; one that is not there is left out, and in a gluten-free pot what holds gluten
 */
export function foodOfDiscard(food: DiscardFood, pot: Pick<PotContents, 'hydration' | 'gluten'>, grams: number, pantry: Pantry): FoodOfDiscard {
  const found = Object.entries(food.per100).flatMap(([id, per100]) => {
    const ingredient = pantry.get(id === 'flour' ? (pot.gluten ? FLOUR_IDS.gluten : FLOUR_IDS.free) : id)
    return ingredient === undefined || (!pot.gluten && ingredient.allergens.includes('gluten')) ? [] : [{ ingredient, grams: (per100 * grams) / 100 }]
  })
  const portions: Portion[] = [
    { grams, composition: levainOf(pot.hydration) },
    ...found.map((f) => ({ grams: f.grams, composition: f.ingredient.composition }))
  ]
  return {
    lines: found.map((f) => ({ ingredientId: f.ingredient.id, name: f.ingredient.name, grams: f.grams })),
    values: trueValues(portions)
  }
}
