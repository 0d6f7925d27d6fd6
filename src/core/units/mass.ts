/** Grams in an avoirdupois ounce (exact by definition). */
export const GRAMS_PER_OUNCE = 28.349523125

/** Resolution of the scales of an ordinary kitchen, g. */
export const KITCHEN_SCALE_GRAMS = 1
export const SMALL_SCALE_GRAMS = 0.1

/**
 * What a scale can show.
 * @param grams g
 * @param resolution smallest step of the scale, g
 * @example roundToScale(17.65, 0.1) // 17.7 (17.65 sits a hair above in binary)
 */
export function roundToScale(grams: number, resolution: number): number {
  return Number((Math.round(grams / resolution + 1e-9) * resolution).toFixed(3))
}

/** Ledger entries are whole milligrams. */
export function toMilligrams(grams: number): number {
  return Math.round(grams * 1000)
}

export function toGrams(milligrams: number): number {
  return milligrams / 1000
}
