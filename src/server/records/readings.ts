import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import { isoOf, MOST_READINGS, type readingsPostSchema, type readingsSchema, type Wire } from '../../contract'
import { plain } from '../db/rows'
import { notFound } from '../problems'
import { placeIn, theKitchen } from './kitchens'
import { once, type Work } from './work'

/** A measured temperature, ms and °C. */
interface Measured {
  readonly ms: number
  readonly tempC: number
}

const MS_PER_MINUTE = 60_000
const MS_PER_HOUR = 60 * MS_PER_MINUTE
/** Readings nearer to each other than this say nothing new to the simulator; of a room sensor they are not kept, ms. */
export const THINNED_MS = 10 * 60_000
/** A stay is followed no longer than this; a reading shortly before it still tells of it. */
const LONGEST_MS = 10 * 24 * MS_PER_HOUR
const BEFORE_MS = MS_PER_HOUR

/** Keeps what a log says of a place, one reading a minute. Sent twice, it counts once. */
export async function addReadings(work: Work, placeId: string, body: z.output<typeof readingsPostSchema>): Promise<Wire<typeof readingsSchema>> {
  const { models, transaction, nowMs } = work
  const kitchen = await theKitchen(work)
  placeIn(kitchen, placeId)
  const { name, readings, importId = body.id } = body
  if ((await models.imports.findByPk(importId, { transaction })) === null)
    await models.imports.create({ id: importId, kitchenId: kitchen.id, placeId, name, atMs: nowMs, takenBackAtMs: null }, { transaction })
  const there = await models.placeReadings.findAll({ attributes: ['atMs'], where: { importId }, transaction })
  const minuteOf = (ms: number) => Math.floor(ms / MS_PER_MINUTE)
  const known = new Set(there.map((row) => minuteOf(Number(plain(row).atMs))))
  const perMinute = new Map(readings.filter((r) => !known.has(minuteOf(r.at))).map((r) => [minuteOf(r.at), r]))
  await models.placeReadings.bulkCreate(
    [...perMinute.values()].map((r) => ({ placeId, importId, atMs: r.at, tempC: r.tempC, source: 'import' as const })),
    { transaction }
  )
  return readingsOf(work, placeId)
}

/** What is known of a place: how many readings, from and to when, and the logs that were brought in. */
export async function readingsOf({ models, transaction }: Work, placeId: string): Promise<Wire<typeof readingsSchema>> {
  const where = { placeId }
  const [count, first, last, imports] = await Promise.all([
    models.placeReadings.count({ where, transaction }),
    models.placeReadings.min('atMs', { where, transaction }) as Promise<number | null>,
    models.placeReadings.max('atMs', { where, transaction }) as Promise<number | null>,
    models.imports.findAll({ where, order: [['atMs', 'DESC']], limit: MOST_IMPORTS, transaction })
  ])
  const iso = (ms: number | null) => (ms === null || count === 0 ? null : isoOf(Number(ms)))
  const told = imports.map(plain).map(async ({ id, name, atMs, takenBackAtMs }) => {
    const kept = takenBackAtMs === null ? models.placeReadings : models.readingsAside
    return { id, name, at: isoOf(Number(atMs)), count: await kept.count({ where: { importId: id }, transaction }), takenBack: takenBackAtMs !== null }
  })
  return { count, firstAt: iso(first), lastAt: iso(last), imports: await Promise.all(told) }
}

const MOST_IMPORTS = 50

/** Takes an import back: its readings tell nothing any more, and are set aside. Or has them tell again. */
export async function setImportTakenBack(work: Work, importId: string, takenBack: boolean): Promise<Wire<typeof readingsSchema>> {
  const { models, transaction, nowMs } = work
  const found = await models.imports.findByPk(importId, { transaction })
  if (found === null) throw notFound('This import')
  const { placeId, takenBackAtMs } = plain(found)
  if ((takenBackAtMs !== null) !== takenBack) {
    const [from, to] = takenBack ? ['place_readings', 'readings_aside'] : ['readings_aside', 'place_readings']
    const columns = 'placeId, importId, atMs, tempC, source'
    const options = { replacements: { importId }, ...(transaction === undefined ? {} : { transaction }) }
    await models.imports.sequelize?.query(`INSERT INTO ${to} (${columns}) SELECT ${columns} FROM ${from} WHERE importId = :importId`, options)
    await models.imports.sequelize?.query(`DELETE FROM ${from} WHERE importId = :importId`, options)
    await models.imports.update({ takenBackAtMs: takenBack ? nowMs : null }, { where: { id: importId }, transaction })
  }
  return readingsOf(work, placeId)
}

/** A stretch of time at a place. */
export interface Span {
  readonly placeId: string | null
  readonly fromMs: number
  /** When it was left; later than it is followed counts as not left yet. */
  readonly toMs: number
}

/**
 * Readings that tell of some stays, in the order of time. One question for all of them, and of each stay no more rows than
 * the simulator can use, however many readings there are.
 * @returns a list for each span, in their order
 */
export async function readingsFor(work: Work, spans: readonly Span[]): Promise<Measured[][]> {
  const found = spans.map((): Measured[] => [])
  const { models, transaction } = work
  const { sequelize } = models.placeReadings
  const asked = spans.flatMap(({ placeId, fromMs, toMs }, n) =>
    placeId === null ? [] : [[n, placeId, fromMs - BEFORE_MS, Math.min(toMs, fromMs + LONGEST_MS)]]
  )
  if (asked.length === 0 || sequelize === undefined || !(await once(work, 'any readings', () => anyReadings(work)))) return found
  const rows = await sequelize.query<{ n: number; ms: number; tempC: number }>(
    `WITH spans AS (
       SELECT json_extract(value, '$[0]') AS n, json_extract(value, '$[1]') AS placeId, json_extract(value, '$[2]') AS fromMs, json_extract(value, '$[3]') AS toMs
       FROM json_each(:asked)
     )
     SELECT spans.n AS n, MIN(r.atMs) AS ms, r.tempC AS tempC
     FROM spans CROSS JOIN place_readings r ON r.placeId = spans.placeId AND r.atMs BETWEEN spans.fromMs AND spans.toMs
     GROUP BY spans.n, (r.atMs - spans.fromMs) / ${THINNED_MS}
     ORDER BY spans.n, ms`,
    { replacements: { asked: JSON.stringify(asked) }, type: QueryTypes.SELECT, ...(transaction === undefined ? {} : { transaction }) }
  )
  for (const { n, ms, tempC } of rows) {
    const list = found[n]
    if (list !== undefined && list.length < MOST_READINGS) list.push({ ms: Number(ms), tempC })
  }
  return found
}

const anyReadings = async ({ models, transaction }: Work) => (await models.placeReadings.findOne({ attributes: ['id'], transaction })) !== null

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
  const { sequelize } = models.placeReadings
  const where = { source: 'device' as const }
  const oldest = (await models.placeReadings.min('atMs', { where })) as number | null
  if (oldest === null || sequelize === undefined) return
  const hourOf = (ms: number) => ms - (ms % MS_PER_HOUR)
  const until = hourOf(nowMs - FINE_DAYS * MS_PER_DAY)
  for (let fromMs = hourOf(Number(oldest)); fromMs < until; fromMs += CHUNK_MS) {
    const toMs = Math.min(fromMs + CHUNK_MS, until)
    await write(async ({ transaction }) => {
      const inChunk = "source = 'device' AND atMs >= :fromMs AND atMs < :toMs"
      const extreme = (which: 'MIN' | 'MAX') =>
        `SELECT id FROM (SELECT id, ${which}(tempC) FROM place_readings WHERE ${inChunk} GROUP BY placeId, atMs / ${MS_PER_HOUR})`
      await sequelize.query(`DELETE FROM place_readings WHERE ${inChunk} AND id NOT IN (${extreme('MIN')} UNION ${extreme('MAX')})`, {
        replacements: { fromMs, toMs },
        ...(transaction === undefined ? {} : { transaction })
      })
    })
  }
}
