import type { Model } from 'sequelize'
import { type BakeEvent, isoOf, keptBakeEventSchema, keptPlanSchema, type Plan } from '../../../contract'
import { type Ingredient, type Pantry, pantryOf } from '../../../core'
import { type BakeRow, type EventRow, plain } from '../../db/rows'
import { pantryIn } from '../shelf/ingredients'
import type { Work } from '../work'

/** A bake out of the tables, its plan as the house takes it. */
export interface KeptBake extends Omit<BakeRow, 'plan' | 'frozen'> {
  readonly plan: Plan
  /** What its ingredients were when the first item was poured. */
  readonly frozen: { readonly ingredients: Ingredient[] } | null
}

/** Reads a row of the bakes. What was kept is read, whatever ranges hold today. */
export function keptBake(row: Model<BakeRow, BakeRow>): KeptBake {
  const { plan, ...rest } = plain(row)
  return { ...rest, plan: keptPlanSchema.parse(plan), mixAtMs: Number(rest.mixAtMs), createdAtMs: Number(rest.createdAtMs) }
}

/**
 * Reads an event of a bake; null for one that this version has no word for: the bake opens without it. What the ledger keeps for its own undo stays behind.
 */
export function keptBakeEvent({ id, payload, happenedAtMs, source, device, type }: EventRow): BakeEvent | null {
  const { trace: _, ...told } = payload as Record<string, unknown>
  const read = keptBakeEventSchema.safeParse({ ...told, id, type, source, device: device ?? undefined, happenedAt: isoOf(Number(happenedAtMs)) })
  return read.success ? read.data : null
}

/** The kitchen's ingredients, as they were when a started bake began. */
export async function pantryFor(work: Work, row: KeptBake): Promise<Pantry> {
  return new Map([...(await pantryIn(work)), ...pantryOf(row.frozen?.ingredients ?? [])])
}
