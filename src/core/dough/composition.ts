/** What one gram of an ingredient holds; fractions by weight, the rest is neither. */
export interface Composition {
  /** φ: flour. */
  readonly flour: number
  /** ω: water. */
  readonly water: number
  /** σ: salt. */
  readonly salt: number
}

/** A portion of something in a dough or build. */
export interface Portion {
  readonly grams: number
  readonly composition: Composition
}

/** What a mix truly is. */
export interface TrueValues {
  /** H*: all water ÷ all flour. */
  readonly hydration: number
  /** S*: all salt ÷ all flour. */
  readonly salt: number
  /** All flour, g. */
  readonly flourGrams: number
  /** All water, g. */
  readonly waterGrams: number
  /** Everything, g. */
  readonly totalGrams: number
}

export const FLOUR: Composition = { flour: 1, water: 0, salt: 0 }
export const WATER: Composition = { flour: 0, water: 1, salt: 0 }
export const SALT: Composition = { flour: 0, water: 0, salt: 1 }

/**
 * A levain or starter of a hydration.
 * @param hydration water ÷ flour, 0 or more
 * @example levainOf(1) // { flour: 0.5, water: 0.5, salt: 0 }
 */
export function levainOf(hydration: number): Composition {
  return { flour: 1 / (1 + hydration), water: hydration / (1 + hydration), salt: 0 }
}

/**
 * Several portions as one ingredient: a pre-ferment or soaker composed from its own, to any depth.
 * @throws RangeError when the portions weigh nothing
 */
export function compose(portions: readonly Portion[]): Composition {
  const total = portions.reduce((sum, p) => sum + p.grams, 0)
  if (!(total > 0)) throw new RangeError('Nothing to compose.')
  const share = (pick: (c: Composition) => number) => portions.reduce((sum, p) => sum + p.grams * pick(p.composition), 0) / total
  return { flour: share((c) => c.flour), water: share((c) => c.water), salt: share((c) => c.salt) }
}

/**
 * True hydration and salt, with everything counted.
 * @param portions all that is in the bowl, g
 * @returns fractions; 0 where there is no flour
 */
export function trueValues(portions: readonly Portion[]): TrueValues {
  const sum = (pick: (c: Composition) => number) => portions.reduce((total, p) => total + p.grams * pick(p.composition), 0)
  const flourGrams = sum((c) => c.flour)
  const waterGrams = sum((c) => c.water)
  return {
    hydration: flourGrams > 0 ? waterGrams / flourGrams : 0,
    salt: flourGrams > 0 ? sum((c) => c.salt) / flourGrams : 0,
    flourGrams,
    waterGrams,
    totalGrams: portions.reduce((total, p) => total + p.grams, 0)
  }
}
