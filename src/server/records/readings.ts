import { Op } from 'sequelize'
import type { z } from 'zod'
import { isoOf, MOST_READINGS, type readingsPostSchema, type readingsSchema, type Wire } from '../../contract'
import { type BatchStayRow, plain } from '../db/models'
import { notFound } from '../problems'
import { placeIn, theKitchen } from './kitchens'
import { once, type Work } from './work'

/** A measured temperature, ms and °C. */
interface Measured {
  readonly ms: number
  readonly tempC: number
}

const MS_PER_HOUR = 3_600_000
/** Readings nearer to each other say nothing new to the simulator. */
const THINNED_MS = 10 * 60_000
/** A stay is followed no longer than this; a reading shortly before it still tells of it. */
const LONGEST_MS = 10 * 24 * MS_PER_HOUR
const BEFORE_MS = MS_PER_HOUR

/** Keeps what was measured at a place. Sent twice, it counts once. */
export async function addReadings(
  work: Work,
  placeId: string,
  { id, source, readings }: z.output<typeof readingsPostSchema>
): Promise<Wire<typeof readingsSchema>> {
  const { models, transaction } = work
  placeIn(await theKitchen(work), placeId)
  if ((await models.placeReadings.count({ where: { importId: id }, transaction })) === 0) {
    await models.placeReadings.bulkCreate(
      readings.map((r) => ({ placeId, importId: id, atMs: r.at, tempC: r.tempC, source })),
      { transaction }
    )
  }
  return readingsOf(work, placeId)
}

/** What is known of a place: how many readings, and from when to when. */
export async function readingsOf({ models, transaction }: Work, placeId: string): Promise<Wire<typeof readingsSchema>> {
  const where = { placeId }
  const [count, first, last] = await Promise.all([
    models.placeReadings.count({ where, transaction }),
    models.placeReadings.min('atMs', { where, transaction }) as Promise<number | null>,
    models.placeReadings.max('atMs', { where, transaction }) as Promise<number | null>
  ])
  const iso = (ms: number | null) => (ms === null || count === 0 ? null : isoOf(Number(ms)))
  return { count, firstAt: iso(first), lastAt: iso(last) }
}

/** Takes one import back. */
export async function dropReadings(work: Work, importId: string): Promise<Wire<typeof readingsSchema>> {
  const { models, transaction } = work
  const one = await models.placeReadings.findOne({ where: { importId }, transaction })
  if (one === null) throw notFound('This import')
  await models.placeReadings.destroy({ where: { importId }, transaction })
  return readingsOf(work, plain(one).placeId)
}

/** Readings that tell of some stays, by place, in the order of time. */
export async function readingsFor(work: Work, stays: readonly BatchStayRow[]): Promise<Map<string, Measured[]>> {
  const found = new Map<string, Measured[]>()
  const { models, transaction } = work
  const places = [...new Set(stays.flatMap((s) => s.placeId ?? []))]
  if (
    places.length === 0 ||
    !(await once(work, 'any readings', async () => (await models.placeReadings.findOne({ attributes: ['id'], transaction })) !== null))
  )
    return found
  const from = Math.min(...stays.map((s) => Number(s.fromMs))) - BEFORE_MS
  const to = Math.max(...stays.map((s) => Number(s.fromMs))) + LONGEST_MS
  const rows = await models.placeReadings.findAll({
    where: { placeId: places, atMs: { [Op.between]: [from, to] } },
    order: [
      ['atMs', 'ASC'],
      ['id', 'ASC']
    ],
    transaction
  })
  for (const { placeId, atMs, tempC } of rows.map(plain)) {
    const there = found.get(placeId) ?? []
    const last = there.at(-1)
    if (last === undefined || Number(atMs) - last.ms >= THINNED_MS) there.push({ ms: Number(atMs), tempC })
    found.set(placeId, there)
  }
  return found
}

/** Those of one stay. */
export function readingsBetween(readings: readonly Measured[], fromMs: number, toMs: number): Measured[] {
  const until = Math.min(toMs, fromMs + LONGEST_MS)
  return readings.filter((r) => r.ms >= fromMs - BEFORE_MS && r.ms <= until).slice(0, MOST_READINGS)
}
