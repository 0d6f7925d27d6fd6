import type { Signs } from '../readiness/likelihoods'

/** What goes into a one-stage build, in the order it is poured: the seed is loosened in the water before the flour. */
export const POUR_ORDER = ['seed', 'water', 'flour'] as const
export type PourItem = (typeof POUR_ORDER)[number]

/** What happened to a bake, as far as its state depends on it. `undo` takes an earlier one back. */
export type Happening = { readonly id: string; readonly happenedAtMs: number } & (
  | { readonly type: 'pour'; readonly item: PourItem; readonly plannedGrams: number; readonly weighedGrams: number }
  | { readonly type: 'band'; readonly mixTempC: number }
  | { readonly type: 'mark'; readonly rise?: number; readonly signs: Signs; readonly note?: string }
  | { readonly type: 'mixed'; readonly levainGrams: number; readonly keepBackGrams: number }
  | { readonly type: 'undo'; readonly undoes: string }
)

/** Where a bake stands, in order. */
export const BAKE_STATUSES = ['planned', 'building', 'ripening', 'mixed'] as const
export type BakeStatus = (typeof BAKE_STATUSES)[number]

/** State of a bake, folded from what happened. */
export interface BakeState {
  readonly status: BakeStatus
  /** Poured so far, g. */
  readonly poured: Readonly<Record<PourItem, number>>
  /** Items that have been poured at least once. */
  readonly done: readonly PourItem[]
  readonly band: { readonly id: string; readonly atMs: number; readonly mixTempC: number } | null
  readonly marks: readonly { readonly id: string; readonly atMs: number; readonly rise?: number; readonly signs: Signs; readonly note?: string }[]
  readonly mixed: { readonly id: string; readonly atMs: number; readonly levainGrams: number; readonly keepBackGrams: number } | null
  /** The latest happening that may be taken back, if any. */
  readonly lastUndoable: Exclude<Happening, { type: 'undo' }> | null
}

/** Happenings that stand: those taken back are left out. */
export function standing<H extends Happening>(happenings: readonly H[]): Exclude<H, { type: 'undo' }>[] {
  const undone = new Set(happenings.flatMap((h) => (h.type === 'undo' ? [h.undoes] : [])))
  return happenings.filter((h): h is Exclude<H, { type: 'undo' }> => h.type !== 'undo' && !undone.has(h.id))
}

/**
 * Folds what happened into where a bake stands. Only the latest happening that stands can be taken back, so that nothing is left hanging.
 * @param happenings in the order they were recorded
 */
export function foldBake(happenings: readonly Happening[]): BakeState {
  const stood = standing(happenings)
  const poured: Record<PourItem, number> = { seed: 0, water: 0, flour: 0 }
  const done = new Set<PourItem>()
  let band: BakeState['band'] = null
  let mixed: BakeState['mixed'] = null
  const marks: BakeState['marks'][number][] = []
  for (const h of stood) {
    if (h.type === 'pour') {
      poured[h.item] += h.weighedGrams
      done.add(h.item)
    } else if (h.type === 'band') band = { id: h.id, atMs: h.happenedAtMs, mixTempC: h.mixTempC }
    else if (h.type === 'mark') marks.push({ id: h.id, atMs: h.happenedAtMs, rise: h.rise, signs: h.signs, note: h.note })
    else mixed = { id: h.id, atMs: h.happenedAtMs, levainGrams: h.levainGrams, keepBackGrams: h.keepBackGrams }
  }
  marks.sort((a, b) => a.atMs - b.atMs)
  const status: BakeStatus = mixed !== null ? 'mixed' : band !== null ? 'ripening' : done.size > 0 ? 'building' : 'planned'
  return { status, poured, done: POUR_ORDER.filter((item) => done.has(item)), band, marks, mixed, lastUndoable: stood.at(-1) ?? null }
}
