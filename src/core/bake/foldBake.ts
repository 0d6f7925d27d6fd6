import { POUR_ITEMS, type PourItem, pourKey } from '../build/pourOrder'
import { kindsOfGrams } from '../dough/blend'
import type { Pantry } from '../dough/ingredient'
import type { Signs } from '../readiness/likelihoods'
import type { LineMasses } from '../schedule/planBuild'

/** What happened to a bake, as far as its state depends on it. `undo` takes an earlier one back. */
export type Happening = { readonly id: string; readonly happenedAtMs: number } & (
  | {
      readonly type: 'pour'
      readonly item: PourItem
      /** Which flour. */
      readonly ingredientId?: string
      readonly plannedGrams: number
      readonly weighedGrams: number
    }
  | { readonly type: 'band'; readonly mixTempC: number }
  | { readonly type: 'mark'; readonly rise?: number; readonly signs: Signs; readonly note?: string }
  | { readonly type: 'moved'; readonly placeId: string; readonly tempC: number }
  | { readonly type: 'mixed'; readonly levainGrams: number; readonly keepBackGrams: number }
  | {
      /** A step of the day that is no pour, band or mix. */
      readonly type: 'step'
      readonly step: string
      readonly did: StepDeed['did']
    }
  | { readonly type: 'undo'; readonly undoes: string }
)

/** What became of a step. */
export interface StepDeed {
  readonly id: string
  readonly atMs: number
  readonly did: 'done' | 'skipped'
}

/** Where a bake stands, in order. */
export const BAKE_STATUSES = ['planned', 'building', 'ripening', 'mixed', 'baked'] as const
export type BakeStatus = (typeof BAKE_STATUSES)[number]

/** State of a bake, folded from what happened. */
export interface BakeState {
  readonly status: BakeStatus
  /** Poured so far, g. */
  readonly poured: Readonly<Record<PourItem, number>>
  /** Flour poured so far by ingredient, g. */
  readonly flours: Readonly<Record<string, number>>
  /** Pours that have been made at least once, by their key, in order. */
  readonly done: readonly string[]
  readonly band: { readonly id: string; readonly atMs: number; readonly mixTempC: number } | null
  readonly marks: readonly { readonly id: string; readonly atMs: number; readonly rise?: number; readonly signs: Signs; readonly note?: string }[]
  /** Where it was moved to, in the order of time. */
  readonly moves: readonly { readonly id: string; readonly atMs: number; readonly placeId: string; readonly tempC: number }[]
  readonly mixed: { readonly id: string; readonly atMs: number; readonly levainGrams: number; readonly keepBackGrams: number } | null
  /** Steps that were done or left out, by their name. */
  readonly deeds: ReadonlyMap<string, StepDeed>
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
  const poured = Object.fromEntries(POUR_ITEMS.map((item) => [item, 0])) as Record<PourItem, number>
  const flours: Record<string, number> = {}
  const done = new Set<string>()
  let band: BakeState['band'] = null
  let mixed: BakeState['mixed'] = null
  const marks: BakeState['marks'][number][] = []
  const moves: BakeState['moves'][number][] = []
  const deeds = new Map<string, StepDeed>()
  for (const h of stood) {
    if (h.type === 'pour') {
      poured[h.item] += h.weighedGrams
      if (h.item === 'flour' && h.ingredientId !== undefined) flours[h.ingredientId] = (flours[h.ingredientId] ?? 0) + h.weighedGrams
      done.add(pourKey(h))
    } else if (h.type === 'band') band = { id: h.id, atMs: h.happenedAtMs, mixTempC: h.mixTempC }
    else if (h.type === 'mark') marks.push({ id: h.id, atMs: h.happenedAtMs, rise: h.rise, signs: h.signs, note: h.note })
    else if (h.type === 'moved') moves.push({ id: h.id, atMs: h.happenedAtMs, placeId: h.placeId, tempC: h.tempC })
    else if (h.type === 'step') deeds.set(h.step, { id: h.id, atMs: h.happenedAtMs, did: h.did })
    else mixed = { id: h.id, atMs: h.happenedAtMs, levainGrams: h.levainGrams, keepBackGrams: h.keepBackGrams }
  }
  marks.sort((a, b) => a.atMs - b.atMs)
  moves.sort((a, b) => a.atMs - b.atMs)
  const status: BakeStatus = mixed !== null ? (deeds.has('out') ? 'baked' : 'mixed') : band !== null ? 'ripening' : done.size > 0 ? 'building' : 'planned'
  return { status, poured, flours, done: [...done], band, marks, moves, mixed, deeds, lastUndoable: stood.at(-1) ?? null }
}

/** What has been poured, as the batch it makes. */
export function massesOfPours({ poured, flours }: Pick<BakeState, 'poured' | 'flours'>, pantry: Pantry): LineMasses {
  return { seed: poured.seed, older: poured['older levain'], water: poured.water, salt: poured.salt, flours: kindsOfGrams(flours, pantry) }
}

/** All that has been poured, g. */
export const pouredGrams = (poured: BakeState['poured']) => POUR_ITEMS.reduce((t, item) => t + poured[item], 0)
