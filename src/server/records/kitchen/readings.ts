import { millisecondsInMinute } from 'date-fns/constants'
import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import { isoOf, MOST_READINGS, type readingsPostSchema, type readingsSchema, type Wire } from '../../../contract'
import { THINGS } from '../../../words/refusals/things'
import { type ImportRow, plain } from '../../db/rows'
import { notFound } from '../../problems'
import { once, type Work } from '../work'
import { placeIn, theKitchen } from './kitchens'

/** A measured temperature, ms and °C. */
interface Measured {
  readonly ms: number
  readonly tempC: number
}

const MS_PER_HOUR = 60 * millisecondsInMinute
/** Readings nearer to each other than this say nothing new to the simulator; of a room sensor they are not kept, ms. */
export const THINNED_MS = 10 * 60_000
/** A stay is followed no longer than this; a reading shortly before it still tells of it. */
const LONGEST_MS = 10 * 24 * MS_PER_HOUR
const BEFORE_MS = MS_PER_HOUR

/** Where readings come from, as it is or newly begun. */
interface Source {
  readonly id: string
  readonly placeId: string
  readonly source: ImportRow['source']
  readonly name: string
}

async function sourceOf(work: Work, { id, placeId, source, name }: Source): Promise<ImportRow & { no: number }> {
  const { models, transaction, nowMs } = work
  const where = { id, placeId }
  const begun = { id, placeId, source, name, kitchenId: (await theKitchen(work)).id, atMs: nowMs, count: 0, firstMs: null, lastMs: null, takenBackAtMs: null }
  const row = (await models.imports.findOne({ where, transaction })) ?? (await models.imports.create(begun, { transaction }))
  return plain(row) as ImportRow & { no: number }
}

/** When a source last told something, ms; 0: never. */
export async function lastReadingMs({ models, transaction }: Work, id: string, placeId: string): Promise<number> {
  const row = await models.imports.findOne({ where: { id, placeId }, transaction })
  return row === null ? 0 : Number(plain(row).lastMs ?? 0)
}

/** Keeps readings of a source; one of the same instant counts once. */
export async function keepReadings(work: Work, source: Source, readings: readonly Measured[]): Promise<void> {
  if (readings.length === 0) return
  const { models, transaction } = work
  const { no } = await sourceOf(work, source)
  await models.readings.bulkCreate(
    readings.map(({ ms, tempC }) => ({ importNo: no, atMs: ms, milliC: Math.round(tempC * 1000) })),
    { transaction, ignoreDuplicates: true }
  )
  // So many as were not there yet.
  await tellOf(work, no, 'count + changes()')
}

/** Notes what a source has: its first and last reading, and their count, as SQL. */
async function tellOf({ models, transaction }: Work, no: number, count: string): Promise<void> {
  const of = (what: string) => `(SELECT ${what} FROM readings WHERE importNo = :no)`
  await models.imports.sequelize?.query(`UPDATE imports SET count = ${count}, firstMs = ${of('MIN(atMs)')}, lastMs = ${of('MAX(atMs)')} WHERE no = :no`, {
    replacements: { no },
    ...(transaction === undefined ? {} : { transaction })
  })
}

/** Keeps what a log says of a place, one reading a minute. Sent twice, it counts once. */
export async function addReadings(work: Work, placeId: string, body: z.output<typeof readingsPostSchema>): Promise<Wire<typeof readingsSchema>> {
  placeIn(await theKitchen(work), placeId)
  const { name, readings, importId = body.id } = body
  const perMinute = new Map(readings.map((r) => [Math.floor(r.at / millisecondsInMinute), { ms: r.at, tempC: r.tempC }]))
  await keepReadings(work, { id: importId, placeId, source: 'import', name }, [...perMinute.values()])
  return readingsOf(work, placeId)
}

const MOST_IMPORTS = 50

/** What is known of a place: how many readings, from and to when, and the logs that were brought in. */
export async function readingsOf({ models, transaction }: Work, placeId: string): Promise<Wire<typeof readingsSchema>> {
  const all = (await models.imports.findAll({ where: { placeId }, order: [['no', 'DESC']], transaction })).map(plain)
  const telling = all.filter(({ takenBackAtMs, count }) => takenBackAtMs === null && count > 0)
  const iso = (ms: number) => (Number.isFinite(ms) ? isoOf(ms) : null)
  return {
    count: telling.reduce((sum, { count }) => sum + count, 0),
    firstAt: iso(Math.min(...telling.map(({ firstMs }) => Number(firstMs)))),
    lastAt: iso(Math.max(...telling.map(({ lastMs }) => Number(lastMs)))),
    imports: all
      .filter(({ source }) => source === 'import')
      .slice(0, MOST_IMPORTS)
      .map(({ id, name, atMs, count, takenBackAtMs }) => ({ id, name, at: isoOf(Number(atMs)), count, takenBack: takenBackAtMs !== null }))
  }
}

/** Takes a log back: its readings tell nothing any more, and stay. Or has them tell again. */
export async function setImportTakenBack(work: Work, id: string, takenBack: boolean): Promise<Wire<typeof readingsSchema>> {
  const { models, transaction, nowMs } = work
  const found = await models.imports.findOne({ where: { id, source: 'import' }, transaction })
  if (found === null) throw notFound(THINGS.import)
  await models.imports.update({ takenBackAtMs: takenBack ? nowMs : null }, { where: { id }, transaction })
  return readingsOf(work, plain(found).placeId)
}

/** A stretch of time at a place. */
export interface Span {
  readonly placeId: string | null
  readonly fromMs: number
  /** When it was left; later than it is followed counts as not left yet. */
  readonly toMs: number
}

const nextFrom = (importNo: string, ms: string) => `(SELECT MIN(atMs) FROM readings WHERE importNo = ${importNo} AND atMs >= ${ms})`

/**
 * Readings that tell of some stays, in the order of time. One question for all of them, and of each stay no more rows than
 * the simulator can use: it goes from one to the next that is far enough, however many lie between.
 * @returns a list for each span, in their order
 */
export async function readingsFor(work: Work, spans: readonly Span[]): Promise<Measured[][]> {
  const found = spans.map((): Measured[] => [])
  const { models, transaction } = work
  const { sequelize } = models.imports
  const asked = spans.flatMap(({ placeId, fromMs, toMs }, n) =>
    placeId === null ? [] : [[n, placeId, fromMs - BEFORE_MS, Math.min(toMs, fromMs + LONGEST_MS)]]
  )
  if (asked.length === 0 || sequelize === undefined || !(await once(work, 'any readings', () => anyReadings(work)))) return found
  const rows = await sequelize.query<{ n: number; ms: number; milliC: number }>(
    `WITH RECURSIVE spans AS (
       SELECT json_extract(value, '$[0]') AS n, json_extract(value, '$[1]') AS placeId, json_extract(value, '$[2]') AS fromMs, json_extract(value, '$[3]') AS toMs
       FROM json_each(:asked)
     ), told (n, importNo, ms, toMs) AS (
       SELECT spans.n, i.no, ${nextFrom('i.no', 'spans.fromMs')}, spans.toMs
       FROM spans CROSS JOIN imports i ON i.placeId = spans.placeId AND i.takenBackAtMs IS NULL AND i.firstMs <= spans.toMs AND i.lastMs >= spans.fromMs
       UNION ALL
       SELECT n, importNo, ${nextFrom('told.importNo', `ms + ${THINNED_MS}`)}, toMs FROM told WHERE ms <= toMs
     )
     SELECT n, ms, milliC FROM told CROSS JOIN readings r ON r.importNo = told.importNo AND r.atMs = ms WHERE ms <= toMs ORDER BY n, ms`,
    { replacements: { asked: JSON.stringify(asked) }, type: QueryTypes.SELECT, ...(transaction === undefined ? {} : { transaction }) }
  )
  for (const { n, ms, milliC } of rows) {
    const list = found[n]
    // Two sources of one place may tell of the same minutes.
    if (list !== undefined && list.length < MOST_READINGS && ms - (list.at(-1)?.ms ?? 0) >= THINNED_MS) list.push({ ms, tempC: milliC / 1000 })
  }
  return found
}

const anyReadings = async ({ models, transaction }: Work) => (await models.imports.findOne({ attributes: ['no'], transaction })) !== null

const MS_PER_DAY = 24 * MS_PER_HOUR
/** What devices said is kept every few minutes for so long, then hourly with its least and most. */
const FINE_DAYS = 60
/** So much is thinned in one write, so that others do not wait for it. */
const CHUNK_MS = 14 * MS_PER_DAY

/**
 * Thins what devices said long ago to the least and most of every hour. What was read from a file stays as it is.
 * @param write runs each part as a write of its own
 */
export async function thinOldReadings({ models, nowMs }: Work, write: (part: (work: Work) => Promise<void>) => Promise<void>): Promise<void> {
  const { sequelize } = models.imports
  if (sequelize === undefined) return
  const hourOf = (ms: number) => ms - (ms % MS_PER_HOUR)
  const until = hourOf(nowMs - FINE_DAYS * MS_PER_DAY)
  for (const { no = 0, firstMs } of (await models.imports.findAll({ where: { source: 'device' } })).map(plain)) {
    for (let fromMs = hourOf(Number(firstMs ?? until)); fromMs < until; fromMs += CHUNK_MS)
      await write(async ({ transaction }) => {
        const inChunk = 'importNo = :no AND atMs >= :fromMs AND atMs < :toMs'
        const extreme = (which: 'MIN' | 'MAX') =>
          `SELECT atMs FROM (SELECT atMs, ${which}(milliC) FROM readings WHERE ${inChunk} GROUP BY atMs / ${MS_PER_HOUR})`
        await sequelize.query(`DELETE FROM readings WHERE ${inChunk} AND atMs NOT IN (${extreme('MIN')} UNION ${extreme('MAX')})`, {
          replacements: { no, fromMs, toMs: Math.min(fromMs + CHUNK_MS, until) },
          ...(transaction === undefined ? {} : { transaction })
        })
      })
    await write((work) => tellOf(work, no, '(SELECT COUNT(*) FROM readings WHERE importNo = :no)'))
  }
}
