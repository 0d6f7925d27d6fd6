import type { BakeEvent, Plan, WirePlan } from '../../../../contract'
import { type BakeState, type FlourKind, type FloursByKind, type Happening, type LedgerEntry, toMilligrams } from '../../../../core'
import { Problem } from '../../../problems'
import type { Work } from '../../work'
import type { KeptBake } from '../keptBake'
import type { HandedOver, Waiting } from '../sharedPots'

/** What an event does to batches and masses. */
export interface Effect {
  readonly entries: readonly LedgerEntry[]
  readonly batchId: string | null
  /** The plan as it is from now on, where the event changes it. */
  readonly plan?: Plan
  /** Kept with the event so that it can be taken back. */
  readonly trace?: Trace
}

/** Batches an event made, and what a jar held before it. */
export interface Trace {
  readonly doughBatchId?: string
  readonly jarBatchId?: string
  /** The jar that was made for what was kept. */
  readonly keptJarId?: string
  readonly previousBatchId?: string | null
  /** What other doughs got of the same pot. */
  readonly handed?: readonly HandedOver[]
  /** The levain that became the seed of the next, the plan it was built for, and the doughs that wait for it. */
  readonly fed?: { readonly batchId: string; readonly plan: WirePlan; readonly waiting: readonly Waiting[] }
}

/** An event with what it meets. */
export interface Told<Type extends BakeEvent['type']> {
  readonly work: Work
  readonly row: KeptBake
  /** The bake as it stood before the event. */
  readonly state: BakeState
  readonly event: Extract<BakeEvent, { type: Type }>
  /** All that happened before it. */
  readonly before: readonly Happening[]
}

/** Something that cannot be done as the bake stands. */
export const wrongMoment = (sentence: string) => new Problem(409, 'wrong moment', sentence)

/** Flours by kind, for the tables. */
export const inMilligrams = (flours: FloursByKind): Partial<Record<FlourKind, number>> =>
  Object.fromEntries(Object.entries(flours).map(([kind, grams]) => [kind, toMilligrams(grams)]))
