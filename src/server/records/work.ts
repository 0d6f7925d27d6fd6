import { col, fn, type Transaction } from 'sequelize'
import { type Account, closes, type LedgerEntry } from '../../core'
import type { Database } from '../db/connect'
import type { Models } from '../db/models'
import { type EventRow, plain } from '../db/rows'

/** One piece of work on the records: the tables, the moment, and the transaction it belongs to. */
export interface Work {
  readonly models: Models
  readonly transaction?: Transaction
  /** The server's time, ms. */
  readonly nowMs: number
  /** Name of the device it comes from; left out: the machine of the server. */
  readonly who?: string | null
  /** What this piece of work has read already and does not change: kitchen, ingredients. */
  readonly known?: Map<string, unknown>
}

/** Reads something once for a piece of work. */
export async function once<T>({ known }: Work, name: string, read: () => Promise<T>): Promise<T> {
  if (known?.has(name)) return known.get(name) as T
  const value = await read()
  known?.set(name, value)
  return value
}

/** Forgets what was read: it has just been changed. */
export const forget = ({ known }: Work, name: string) => known?.delete(name)

/** Runs a write as one piece of work. */
export function writeWork<T>(database: Database, nowMs: number, work: (w: Work) => Promise<T>, who: string | null = null): Promise<T> {
  return database.write((transaction) => work({ models: database.models, transaction, nowMs, who, known: new Map() }))
}

/** Reads of one moment: what is written meanwhile is not seen. */
export function readTogether<T>(database: Database, nowMs: number, work: (w: Work) => Promise<T>): Promise<T> {
  return database.read((transaction) => work({ models: database.models, transaction, nowMs, known: new Map() }))
}

/** A single read, outside any transaction. */
export function readWork(database: Database, nowMs: number): Work {
  return { models: database.models, nowMs }
}

/** When the entry that was recorded last was made, ms; null while there is none. */
export async function lastEntryMs({ models, transaction }: Work): Promise<number | null> {
  const last = await models.events.findOne({ attributes: ['recordedAtMs'], order: [['sequence', 'DESC']], transaction })
  return last === null ? null : Number(plain(last).recordedAtMs)
}

/** An event to be kept. */
export type NewEvent = Omit<EventRow, 'recordedAtMs' | 'sequence'>

/** Something noted by a person or a device, about a jar or about none, as an event. */
export function eventOf(
  kitchenId: string,
  jarId: string | null,
  note: { readonly id: string; readonly happenedAt: number; readonly source: EventRow['source']; readonly device?: string },
  type: string,
  payload: Record<string, unknown>
): NewEvent {
  return {
    id: note.id,
    kitchenId,
    bakeId: null,
    jarId,
    batchId: null,
    type,
    payload,
    happenedAtMs: note.happenedAt,
    source: note.source,
    device: note.device ?? null
  }
}

/** Whether an event has been recorded already: a repeated send changes nothing. */
export async function isRecorded({ models, transaction }: Work, id: string): Promise<boolean> {
  return (await models.events.count({ where: { id }, transaction })) > 0
}

/**
 * Keeps an event and moves its masses.
 * @throws when the entries do not close, which would be a fault of ours
 */
export async function record({ models, transaction, nowMs }: Work, event: NewEvent, entries: readonly LedgerEntry[] = []): Promise<void> {
  if (!closes(entries)) throw new Error(`The ledger does not close for ${event.type}.`)
  await models.events.create({ ...event, recordedAtMs: nowMs }, { transaction })
  if (entries.length > 0)
    await models.ledger.bulkCreate(
      entries.map((e) => ({ eventId: event.id, ...e })),
      { transaction }
    )
}

/** Entries an event made. */
export async function entriesOf({ models, transaction }: Work, eventId: string): Promise<LedgerEntry[]> {
  const rows = await models.ledger.findAll({ where: { eventId }, transaction })
  return rows.map((row) => ({ account: row.get('account') as Account, milligrams: row.get('milligrams') as number }))
}

/** An event, whoever it belongs to. */
export async function eventById({ models, transaction }: Work, id: string): Promise<EventRow | null> {
  const row = await models.events.findOne({ where: { id }, transaction })
  return row === null ? null : plain(row)
}

/** Ids of what was taken back, of one jar or of none. */
export async function undoneIds({ models, transaction }: Work, jarId: string | null): Promise<Set<unknown>> {
  const rows = await models.events.findAll({ where: { type: 'undo', jarId, bakeId: null }, transaction })
  return new Set(rows.map((row) => plain(row).payload.undoes))
}

/** SQL: an event that was not taken back. Bakes take their own back by folding. */
export const NOT_UNDONE = "id NOT IN (SELECT json_extract(payload, '$.undoes') FROM events WHERE type = 'undo' AND bakeId IS NULL)"

/** Balance of one account, mg. */
export async function balanceOf(work: Work, account: Account): Promise<number> {
  return (await balancesOf(work, [account])).get(account) ?? 0
}

/** Balances of many accounts in one question, mg; those nothing was ever moved to are left out. */
export async function balancesOf({ models, transaction }: Work, accounts: readonly Account[]): Promise<Map<Account, number>> {
  const rows = await models.ledger.findAll({
    attributes: ['account', [fn('SUM', col('milligrams')), 'milligrams']],
    where: { account: [...accounts] },
    group: ['account'],
    transaction
  })
  return new Map(rows.map((row) => [row.get('account') as Account, row.get('milligrams') as number]))
}
