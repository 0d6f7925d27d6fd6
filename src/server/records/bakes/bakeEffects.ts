import { type FlourKind, type FloursByKind, type LedgerEntry, type Pantry, pantryOf, toMilligrams } from '../../../core'
import { Problem } from '../../problems'
import { pantryIn } from '../shelf/ingredients'
import type { Work } from '../work'
import type { KeptBake } from './keptBake'

/** What an event does to batches and masses. */
export interface Effect {
  readonly entries: readonly LedgerEntry[]
  readonly batchId: string | null
  /** Kept with the event so that it can be taken back. */
  readonly trace?: Trace
}

/** Batches an event made, and what a jar held before it. */
export interface Trace {
  readonly doughBatchId?: string
  readonly jarBatchId?: string
  readonly previousBatchId?: string | null
}

/** The kitchen's ingredients, as they were when a started bake began. */
export async function pantryFor(work: Work, row: KeptBake): Promise<Pantry> {
  return new Map([...(await pantryIn(work)), ...pantryOf(row.frozen?.ingredients ?? [])])
}

/** Something that cannot be done as the bake stands. */
export const wrongMoment = (sentence: string) => new Problem(409, 'wrong moment', sentence)

/** Flours by kind, for the tables. */
export const inMilligrams = (flours: FloursByKind): Partial<Record<FlourKind, number>> =>
  Object.fromEntries(Object.entries(flours).map(([kind, grams]) => [kind, toMilligrams(grams)]))
