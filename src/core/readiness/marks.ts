import type { Signs } from './likelihoods'

/** What a baker says of a level that cannot be: it is right, the levain was stirred or knocked down before it, or its band was moved. */
export const EXPLANATIONS = ['right', 'stirred', 'band moved'] as const
export type Explanation = (typeof EXPLANATIONS)[number]

/** One look at the jar. */
export interface Mark {
  /** Hours since mixing. */
  readonly hours: number
  /** Height now ÷ height at the band; left out when only signs were noted. */
  readonly rise?: number
  /** What was seen. */
  readonly signs?: Signs
  /** What the baker said of its level, where it was asked about. */
  readonly explained?: Explanation
}

/** How levels are read: the level as it would be, had nobody stirred the levain or moved its band, is `rise · scale + lostGas`. */
export interface Reads {
  readonly scale: number
  /** Gas that was knocked out, g. */
  readonly lostGas: number
}
export const AS_MARKED: Reads = { scale: 1, lostGas: 0 }

/**
 * How levels are read after a disturbance.
 * @param rise level read then
 * @param foretold level that was forecast for then, g
 * @example since(AS_MARKED, 'stirred', 1.4, 1.1) // { scale: 1, lostGas: 0.7 }
 */
export function since(reads: Reads, disturbance: Exclude<Explanation, 'right'>, rise: number, foretold: number): Reads {
  const level = rise * reads.scale + reads.lostGas
  if (disturbance === 'stirred') return { ...reads, lostGas: reads.lostGas + Math.max(1 + foretold - level, 0) }
  const by = (1 + foretold) / Math.max(level, 0.1)
  return { scale: reads.scale * by, lostGas: reads.lostGas * by }
}

/** A level as it is read in the jar. @param gas forecast, as if nothing had disturbed it, g */
export const readAs = (gas: number, { scale, lostGas }: Reads) => Math.max((1 + gas - lostGas) / scale, 0)

/**
 * Looks from which a jar can be learned: no level since it was stirred or its band moved.
 * @param marks in the order of time
 */
export function undisturbed<M extends { readonly rise?: number; readonly signs?: Signs; readonly explained?: Explanation }>(marks: readonly M[]): M[] {
  const first = marks.findIndex(({ explained }) => explained === 'stirred' || explained === 'band moved')
  return first < 0 ? [...marks] : marks.map((mark, i) => (i < first ? mark : { ...mark, rise: undefined, signs: i === first ? {} : mark.signs }))
}
