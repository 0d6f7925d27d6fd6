/** Some pieces of one weight. */
export interface Pieces {
  readonly count: number
  /** Dough in each, g. */
  readonly grams: number
}

/** What gets lost at the bench: sticks to bowl and hands. */
export const HANDLING_LOSS = 0.02

/**
 * Dough needed for pieces of mixed sizes.
 * @param pieces weights before the oven, g
 * @param handlingLoss fraction that sticks, 2 % unless told
 * @returns D = Σ n·w ÷ (1 − loss), g
 * @example doughForPieces([{ count: 2, grams: 780 }], 0.02) // 1591.84
 */
export function doughForPieces(pieces: readonly Pieces[], handlingLoss: number = HANDLING_LOSS): number {
  return pieces.reduce((sum, p) => sum + p.count * p.grams, 0) / (1 - handlingLoss)
}
