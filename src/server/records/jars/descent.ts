import { QueryTypes } from 'sequelize'
import type { Work } from '../work'

/** A jar, or one it came out of. */
export interface Ancestor {
  readonly id: string
  /** Until when what happened to it was lived through by the culture that is asked about, ms. */
  readonly untilMs: number
}

/** Jars by id as far as their descent goes, those put away among them: a spare goes on as it was known where it came from. */
async function originsOf({ models, transaction }: Work): Promise<Map<string, { readonly originId: string | null; readonly isDried: boolean }>> {
  const rows = await models.jars.findAll({ attributes: ['id', 'originId', 'culture'], transaction })
  return new Map(rows.map((row) => [row.get('id') as string, { originId: row.get('originId') as string | null, isDried: row.get('culture') === 'dried' }]))
}

/** A jar and those it came out of, nearest first. Flakes end it: what is woken has to be known anew. */
export async function descentsOf(work: Work, jarIds: readonly string[]): Promise<Map<string, readonly string[]>> {
  const origins = await originsOf(work)
  const living = (id: string | null | undefined) => id != null && origins.get(id)?.isDried === false
  return new Map(
    jarIds.map((jarId) => {
      const descent = [jarId]
      for (let at = jarId; living(at); ) {
        const origin = origins.get(at)?.originId
        if (origin == null || !living(origin) || descent.includes(origin)) break
        descent.push(origin)
        at = origin
      }
      return [jarId, descent]
    })
  )
}

/** A jar and those it came out of, nearest first, each with the moment the next one left it. */
export async function descentOf(work: Work, jarId: string): Promise<readonly Ancestor[]> {
  const ids = (await descentsOf(work, [jarId])).get(jarId) ?? [jarId]
  const came = await cameAt(work, ids)
  let untilMs = work.nowMs
  return ids.map((id) => {
    const ancestor = { id, untilMs }
    untilMs = Math.min(untilMs, came.get(id) ?? 0)
    return ancestor
  })
}

/** When something first came into each jar, ms. */
async function cameAt({ models, transaction }: Work, jarIds: readonly string[]): Promise<Map<string, number>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<{ account: string; atMs: number }>(
    `SELECT ledger_entries.account AS account, MIN(events.happenedAtMs) AS atMs FROM ledger_entries JOIN events ON events.id = ledger_entries.eventId
     WHERE ledger_entries.account IN (:accounts) GROUP BY ledger_entries.account`,
    { type: QueryTypes.SELECT, transaction, replacements: { accounts: jarIds.map((id) => `jar:${id}`) } }
  )
  return new Map(rows.map(({ account, atMs }) => [account.slice('jar:'.length), Number(atMs)]))
}
