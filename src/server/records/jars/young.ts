import { QueryTypes } from 'sequelize'
import { plain } from '../../db/rows'
import { theKitchen } from '../kitchen/kitchens'
import { NOT_UNDONE, type Work } from '../work'
import { entriesOfPrograms, programState } from './programStates'

/** Risen so far in a look, it has risen. */
const RISEN = 1.5
/** So many feeds must have risen before what comes of a new culture can be told. */
const RISEN_TIMES = 2

/**
 * Cultures that were begun from flour and water here and have not shown yet that they rise: nobody can forecast them.
 * One is grown up once it was seen risen after two of its feeds, or its program came to its end.
 * @returns ids of the jars
 */
export async function youngJars(work: Work): Promise<Set<string>> {
  const { models, transaction } = work
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const ask = <Row extends object>(sql: string) => sequelize.query<Row>(sql, { type: QueryTypes.SELECT, transaction })
  // Of a group, SQLite takes the other columns from the row that has the largest sequence.
  const opened = await ask<{ jarId: string; begun: number | null }>(
    `SELECT jarId, MAX(sequence), COALESCE(json_extract(payload, '$.told.begun'), json_extract(payload, '$.begun')) AS begun
     FROM events WHERE type IN ('opened', 'corrected') AND jarId IS NOT NULL GROUP BY jarId`
  )
  const begun = new Set(opened.flatMap(({ jarId, begun: was }) => (was === 1 ? [jarId] : [])))
  if (begun.size === 0) return begun
  const seen = await ask<{ jarId: string; times: number }>(
    `SELECT jarId, COUNT(DISTINCT batchId) AS times FROM events
     WHERE type = 'look' AND json_extract(payload, '$.rise') >= ${RISEN} AND ${NOT_UNDONE} GROUP BY jarId`
  )
  for (const { jarId, times } of seen) if (times >= RISEN_TIMES) begun.delete(jarId)
  const programs = (await models.programs.findAll({ where: { jarId: [...begun] }, transaction })).map(plain).filter((row) => row.program.kind === 'new culture')
  const entries = await entriesOfPrograms(work, programs)
  for (const row of programs) {
    if (programState(row, entries.get(row.id) ?? [], await theKitchen(work)).status === 'done') begun.delete(row.jarId)
  }
  return begun
}
