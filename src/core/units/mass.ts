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

/**
 * The same, never less than was asked for.
 * @example ceilToScale(17.61, 1) // 18
 */
export const ceilToScale = (grams: number, resolution: number): number => Number((Math.ceil(grams / resolution - 1e-6) * resolution).toFixed(3))

/** Below this a kitchen scale is too coarse for what goes into a jar, g. */
const TINY_GRAMS = 20

/**
 * Smallest step of the scale that something is weighed on, g.
 * @param smallScale a scale that shows 0.1 g is at hand: salt, and whatever is tiny, goes on it
 */
export const scaleStep = (grams: number, smallScale: boolean, fine = false): number =>
  smallScale && (fine || grams < TINY_GRAMS) ? SMALL_SCALE_GRAMS : KITCHEN_SCALE_GRAMS

/** Ledger entries are whole milligrams. */
export function toMilligrams(grams: number): number {
  return Math.round(grams * 1000)
}

export function toGrams(milligrams: number): number {
  return milligrams / 1000
}
