/** Something to be weighed. */
export interface WeighItem {
  /** Names it among all that goes into the same bowl. */
  readonly key: string
  /** Wanted, g. */
  readonly grams: number
  /** Smallest step of the scale it is weighed on, g. */
  readonly resolution: number
  /** How far off still counts as right, where that is not as usual, g. */
  readonly tolerance?: number
}

/** How far off still counts as right: a step of the scale, what no hand pours more exactly, and of much a little more. Source: craft knowledge. */
const TOLERANCE = { share: 0.015, mostGrams: 8, hand: { fromGrams: 50, grams: 2 } } as const

/** How far what is weighed may be from what is wanted, g. */
export function toleranceOf({ grams, resolution, tolerance }: Pick<WeighItem, 'grams' | 'resolution' | 'tolerance'>): number {
  const byHand = grams >= TOLERANCE.hand.fromGrams ? TOLERANCE.hand.grams : 0
  return tolerance ?? Math.max(resolution, byHand, Math.min(TOLERANCE.share * grams, TOLERANCE.mostGrams))
}

/** What a mass that stands on the scale means for the item that is due. */
export type PourReading =
  /** Nothing has gone in yet. */
  | { readonly kind: 'nothing' }
  | { readonly kind: 'under'; readonly missing: number }
  | { readonly kind: 'right' }
  | { readonly kind: 'over'; readonly by: number }
  /** It got lighter. */
  | { readonly kind: 'taken out'; readonly by: number }
  /** It got heavier by what another item weighs, at one go. */
  | { readonly kind: 'another item'; readonly key: string }
  /** It shows all that is in the bowl: it was not set to zero. */
  | { readonly kind: 'not tared'; readonly grams: number }

/**
 * Reads what was poured.
 * @param poured g since the item began, or as typed
 * @param item what is due
 * @param later items that are still to come
 * @param before all that is in the bowl already, g
 */
export function readPour(poured: number, item: WeighItem, later: readonly WeighItem[] = [], before = 0): PourReading {
  const tolerance = toleranceOf(item)
  const off = poured - item.grams
  if (Math.abs(off) <= tolerance + 1e-9) return { kind: 'right' }
  if (poured < -tolerance) return { kind: 'taken out', by: -poured }
  if (poured < tolerance / 2) return { kind: 'nothing' }
  const other = later.find((l) => Math.abs(poured - l.grams) <= Math.max(toleranceOf(l) / 2, l.resolution) && Math.abs(l.grams - item.grams) > 2 * tolerance)
  if (other !== undefined) return { kind: 'another item', key: other.key }
  if (before > 2 * tolerance && Math.abs(poured - before - item.grams) <= tolerance) return { kind: 'not tared', grams: poured - before }
  return off < 0 ? { kind: 'under', missing: -off } : { kind: 'over', by: off }
}
