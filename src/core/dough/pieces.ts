import type { Target } from './formula'

/** Some pieces of one weight. */
export interface Pieces {
  readonly count: number
  /** Dough in each, g. */
  readonly grams: number
}

/** What gets lost at the bench: sticks to bowl and hands. */
export const HANDLING_LOSS = 0.02
/** What leaves in the oven as steam. */
export const BAKE_LOSS = 0.12

/**
 * Dough needed for pieces of mixed sizes.
 * @param pieces weights, g
 * @param handlingLoss fraction that sticks, 2 % unless told
 * @param bakeLoss fraction that leaves in the oven, where the weights are of the baked pieces
 * @returns D = Σ n·w ÷ (1 − handling) ÷ (1 − bake), g
 * @example doughForPieces([{ count: 2, grams: 780 }], 0.02) // 1591.84
 */
export function doughForPieces(pieces: readonly Pieces[], handlingLoss: number = HANDLING_LOSS, bakeLoss = 0): number {
  return pieces.reduce((sum, p) => sum + p.count * p.grams, 0) / (1 - handlingLoss) / (1 - bakeLoss)
}

/**
 * The pieces a dough is cut into, by what is known of its size; none where it is not sized by pieces.
 * @param dough all of it, and its flour without the levain's, g
 * @returns pieces of dough before the oven
 * @example doughPieces({ kind: 'flour pieces', pieces: [{ count: 4, grams: 130 }] }, { doughGrams: 1000, addedFlourGrams: 520 }) // 4 of 250
 */
export function doughPieces(target: Target, { doughGrams, addedFlourGrams }: { readonly doughGrams: number; readonly addedFlourGrams: number }): Pieces[] {
  if (target.kind === 'pieces') return target.pieces.map(({ count, grams }) => ({ count, grams: grams / (1 - (target.bakeLoss ?? 0)) }))
  if (target.kind !== 'flour pieces' || !(addedFlourGrams > 0)) return []
  return target.pieces.map(({ count, grams }) => ({ count, grams: (grams * doughGrams) / addedFlourGrams }))
}

/** How many pieces a dough is cut into; null where it is not sized by pieces. */
export const pieceCount = (target: Target): number | null =>
  target.kind === 'pieces' || target.kind === 'flour pieces' ? target.pieces.reduce((sum, p) => sum + p.count, 0) : null

/** Shapes with a usual weight of dough. Source: craft knowledge; the baker's own figure replaces any of them. */
export const SHAPES = {
  round: { name: 'Round', measure: 'basket', sizes: [500, 750, 1000] },
  oval: { name: 'Oval', measure: 'basket', sizes: [500, 750, 1000] },
  roll: { name: 'Rolls', measure: 'piece', sizes: [60, 80, 100] },
  'wheat tin': { name: 'Tin, wheat', measure: 'ml', sizes: [1000, 1500, 2000] },
  'rye tin': { name: 'Tin, rye', measure: 'ml', sizes: [1000, 1500, 2000] },
  'thin flatbread': { name: 'Flatbread, thin', measure: 'cm', sizes: [26, 30, 33] },
  'thick flatbread': { name: 'Flatbread, thick', measure: 'cm', sizes: [24, 28, 32] }
} as const
export type ShapeId = keyof typeof SHAPES

/** Dough per ml of tin and per cm² of flatbread, g. A wheat loaf more than doubles, a rye loaf hardly grows. */
const TIN_FILL: Readonly<Record<'wheat tin' | 'rye tin', number>> = { 'wheat tin': 0.46, 'rye tin': 0.78 }
const FLAT_AREA_GRAMS: Readonly<Record<'thin flatbread' | 'thick flatbread', number>> = { 'thin flatbread': 0.37, 'thick flatbread': 0.7 }

/**
 * Dough for one piece of a shape.
 * @param size g for baskets and rolls, ml for tins, cm across for flatbreads
 * @returns g, to whole 5 g
 * @example shapeGrams('thin flatbread', 30) // 260
 */
export function shapeGrams(shape: ShapeId, size: number): number {
  const exact =
    shape === 'wheat tin' || shape === 'rye tin'
      ? size * TIN_FILL[shape]
      : shape === 'thin flatbread' || shape === 'thick flatbread'
        ? (Math.PI / 4) * size * size * FLAT_AREA_GRAMS[shape]
        : size
  return Math.round(exact / 5) * 5
}
