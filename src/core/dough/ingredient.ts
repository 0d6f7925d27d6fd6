import type { FlourKind } from '../ferment/flours'
import type { Composition } from './composition'

/** What an ingredient is in a dough. `flour`, `water` and `salt` are what a formula solves for; a `starter` is discard or ripe starter. */
export const INGREDIENT_KINDS = [
  'flour',
  'water',
  'salt',
  'yeast',
  'starter',
  'dairy',
  'egg',
  'fat',
  'sweet',
  'seed',
  'malt',
  'spice',
  'fruit',
  'other'
] as const
export type IngredientKind = (typeof INGREDIENT_KINDS)[number]

/** Allergens that are listed on what is printed or exported. */
export const ALLERGENS = ['gluten', 'milk', 'egg', 'nuts', 'sesame', 'soy'] as const
export type Allergen = (typeof ALLERGENS)[number]

/** One flour of a blend with its part of it. */
export interface BlendPart {
  readonly ingredientId: string
  /** Any measure; shares are taken of their sum. */
  readonly share: number
}

/** What was paid for how much. */
export interface Price {
  /** In the kitchen's currency. */
  readonly amount: number
  /** What the pack holds, g. */
  readonly packGrams: number
}

/** The packet that stands open on the shelf. */
export interface Packet {
  readonly lot?: string
  /** Day it was opened, YYYY-MM-DD. */
  readonly openedOn?: string
  readonly note?: string
}

/** Something that can be weighed into a dough. */
export interface Ingredient {
  /** A word of the built-in list, or a UUID of the baker's own. */
  readonly id: string
  readonly name: string
  readonly kind: IngredientKind
  /** Flour, water and salt by weight. */
  readonly composition: Composition
  /** Sugar and fat by weight, where they mix with the dough; what stays inside a raisin or a nut does not count. */
  readonly sugar?: number
  readonly fat?: number
  /** How it ferments; flours only. */
  readonly flourKind?: FlourKind
  /** g/ml when spooned or poured, least and most; missing where volume makes no sense. */
  readonly density?: readonly [least: number, most: number]
  /** One piece without shell or stone, g, least and most. */
  readonly pieceGrams?: readonly [least: number, most: number]
  readonly allergens: readonly Allergen[]
  /** Weighed on the small scale where there is one. */
  readonly fine: boolean
  /** Other words it goes by in a recipe, lower case. */
  readonly alsoCalled?: readonly string[]
  /** Protein by weight, from the packet. */
  readonly protein?: number
  /** How much of the whole grain it is, 0 white … 1 wholegrain. */
  readonly wholegrain?: number
  /** Water it drinks beyond white wheat, points of hydration as a fraction. */
  readonly absorption?: number
  /** Factor on the pace of white wheat; that of its kind where it is not said. */
  readonly pace?: number
  /** Factor on the gas white wheat can hold. */
  readonly hold?: number
  readonly price?: Price
  readonly packet?: Packet
  /** A blend of other flours: its recipe. What it is follows from them. */
  readonly blend?: readonly BlendPart[]
}

/** Looks an ingredient up; undefined when the kitchen does not have it. */
export type Pantry = ReadonlyMap<string, Ingredient>

/** An ingredient list as a pantry. */
export function pantryOf(ingredients: readonly Ingredient[]): Pantry {
  return new Map(ingredients.map((i) => [i.id, i]))
}
