import { type ChangedField, type ChangedThing, isoOf, type WireChanges } from '../../../contract'
import { plain } from '../../db/rows'
import type { Work } from '../work'

/** Changes of one device to one thing within this are one change, ms: typing is saved twice a second. */
const ONE_CHANGE_MS = 10 * 60_000
const MOST_FIELDS = 60
const MOST_TOLD = 100

const isFields = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * What differs between two values, field by field. Lists whose entries have ids are gone through by these; other lists are one value.
 * @param path of the value itself, empty at the top
 */
export function changedFields(before: unknown, after: unknown, path = ''): ChangedField[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return []
  const [from, to] = [keyed(before), keyed(after)]
  if (!isFields(from) || !isFields(to)) return [{ field: path, from: before ?? null, to: after ?? null }]
  const names = [...new Set([...Object.keys(from), ...Object.keys(to)])]
  return names.flatMap((name) => changedFields(from[name], to[name], path === '' ? name : `${path}.${name}`))
}

/** A list of things with ids as fields by these. */
function keyed(value: unknown): unknown {
  if (!Array.isArray(value) || value.length === 0 || !value.every((one) => isFields(one) && typeof one.id === 'string')) return value
  return Object.fromEntries(value.map((one) => [(one as { id: string }).id, one]))
}

/** Keeps what a change has overwritten. */
export async function noteChange(
  { models, transaction, nowMs, who = null }: Work,
  what: ChangedThing,
  ofId: string,
  before: unknown,
  after: unknown
): Promise<void> {
  const fields = changedFields(before, after).slice(0, MOST_FIELDS)
  if (fields.length === 0) return
  const last = await models.changes.findOne({ where: { what, ofId }, order: [['sequence', 'DESC']], transaction })
  const latest = last === null ? null : plain(last)
  if (latest === null || latest.who !== who || nowMs - Number(latest.atMs) > ONE_CHANGE_MS) {
    await models.changes.create({ what, ofId, atMs: nowMs, who, fields }, { transaction })
    return
  }
  // What was typed there and back again has not changed.
  const merged = new Map(latest.fields.map((one) => [one.field, one]))
  for (const one of fields) merged.set(one.field, { ...one, from: merged.get(one.field)?.from ?? one.from })
  const left = [...merged.values()].filter(({ from, to }) => JSON.stringify(from) !== JSON.stringify(to)).slice(0, MOST_FIELDS)
  const where = { sequence: latest.sequence as number }
  if (left.length === 0) await models.changes.destroy({ where, transaction })
  else await models.changes.update({ fields: left, atMs: nowMs }, { where, transaction })
}

/** The last changes of something, newest first. */
export async function changesOf({ models, transaction }: Work, what: ChangedThing, ofId: string): Promise<WireChanges> {
  const rows = await models.changes.findAll({ where: { what, ofId }, order: [['sequence', 'DESC']], limit: MOST_TOLD, transaction })
  return { changes: rows.map(plain).map(({ atMs, who, fields }) => ({ at: isoOf(Number(atMs)), who, fields })) }
}
