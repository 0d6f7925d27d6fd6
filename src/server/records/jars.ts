import { randomUUID } from 'node:crypto'
import { Op, QueryTypes } from 'sequelize'
import type { z } from 'zod'
import {
  type feedSchema,
  type Jar,
  type jarMoveSchema,
  type jarOpeningSchema,
  type jarPacePutSchema,
  type jarSplitSchema,
  lineToWire,
  type weighingSchema
} from '../../contract'
import { type BatchLine, contentsOf, reversed, toGrams, toMilligrams, transfer } from '../../core'
import { type JarRow, plain } from '../db/models'
import { notFound, Problem } from '../problems'
import { createBatch, lineOf, linesOf, type NewBatch, type NewStay, replaceStays, stayAt, staysOf } from './batches'
import { placeIn, theKitchen } from './kitchens'
import { balanceOf, balancesOf, entriesOf, eventById, eventOf, isRecorded, record, undoneIds, type Work } from './work'

const MS_PER_HOUR = 3_600_000
/** A culture whose last feed is not known is taken to have been fed one part to two of flour. */
const ASSUMED_FLOUR_PER_SEED = 2

async function jarRow({ models, transaction }: Work, id: string): Promise<JarRow> {
  const row = await models.jars.findByPk(id, { transaction })
  if (row === null || (row.get('deletedAtMs') as number | null) !== null) throw notFound('This jar')
  return plain(row)
}

function jarView(row: JarRow, line: BatchLine | undefined, milligrams: number, logStamp: string): Jar {
  if (line === undefined) throw new Error(`Jar ${row.id} has no contents.`)
  return {
    id: row.id,
    name: row.name,
    flour: row.flour,
    hydration: contentsOf(line).hydration,
    keepMinimumGrams: toGrams(row.keepMinimumMg),
    grams: toGrams(milligrams),
    placeId: row.placeId,
    version: row.version,
    pace: row.pace ?? { kind: 'learned', since: null },
    logStamp,
    line: lineToWire(line)
  }
}

/** The stamp of a jar without a log. */
const NO_LOG = 'none'

/** Stamps of the jars' logs: finished builds, the last thing that happened to one of them, the last reading. */
async function logStamps({ models, transaction }: Work): Promise<Map<string, string>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<{ jarId: string; builds: number; last: number; reading: number | null }>(
    `SELECT batches.jarId, COUNT(DISTINCT bakes.id) AS builds, MAX(events.sequence) AS last, (SELECT MAX(id) FROM place_readings) AS reading
     FROM batches JOIN bakes ON bakes.id = batches.bakeId AND bakes.status = 'mixed' AND bakes.deletedAtMs IS NULL JOIN events ON events.bakeId = bakes.id
     WHERE batches.kind = 'levain' GROUP BY batches.jarId`,
    { type: QueryTypes.SELECT, transaction }
  )
  return new Map(rows.map(({ jarId, builds, last, reading }) => [jarId, `${builds} ${last} ${reading ?? 0}`]))
}

async function jarViews(work: Work, rows: readonly JarRow[]): Promise<Jar[]> {
  const lines = await linesOf(
    work,
    rows.flatMap((row) => row.currentBatchId ?? [])
  )
  const stamps = await logStamps(work)
  const accountOf = ({ id }: JarRow) => `jar:${id}` as const
  const balances = await balancesOf(work, rows.map(accountOf))
  return rows.map((row) => jarView(row, lines.get(row.currentBatchId ?? ''), balances.get(accountOf(row)) ?? 0, stamps.get(row.id) ?? NO_LOG))
}

/** One jar. */
export async function findJar(work: Work, id: string): Promise<Jar> {
  return (await jarViews(work, [await jarRow(work, id)]))[0] as Jar
}

/** All jars, by name. */
export async function listJars(work: Work): Promise<Jar[]> {
  const rows = await work.models.jars.findAll({ where: { deletedAtMs: null }, order: [['name', 'ASC']], transaction: work.transaction })
  return jarViews(work, rows.map(plain))
}

/** Row and present contents of a jar, for what takes seed out of it. */
export async function jarForSeed(work: Work, id: string): Promise<{ row: JarRow; hydration: number; milligrams: number }> {
  const row = await jarRow(work, id)
  const line = await lineOf(work, row.currentBatchId, 1)
  if (line === null) throw new Error(`Jar ${id} has no contents.`)
  return { row, hydration: contentsOf(line).hydration, milligrams: await balanceOf(work, `jar:${id}`) }
}

/** Writes a jar with its first batch. @returns id of the batch */
async function createJar(
  work: Work,
  jar: Omit<JarRow, 'currentBatchId' | 'version' | 'deletedAtMs'>,
  batch: Pick<NewBatch, 'startedAtMs' | 'floursMg' | 'waterMg' | 'mixTempC' | 'parents' | 'stays'>
): Promise<string> {
  const { models, transaction } = work
  await models.jars.create({ ...jar, currentBatchId: null, version: 1, deletedAtMs: null }, { transaction })
  const of = { kitchenId: jar.kitchenId, kind: 'feed', jarId: jar.id, bakeId: null, flour: jar.flour, saltMg: 0 } as const
  const batchId = await createBatch(work, { ...of, ...batch })
  await models.jars.update({ currentBatchId: batchId }, { where: { id: jar.id }, transaction })
  return batchId
}

/** Brings a jar into the kitchen with what is in it. The id makes it safe to send twice. */
export async function openJar(work: Work, opening: z.output<typeof jarOpeningSchema>): Promise<void> {
  if ((await work.models.jars.count({ where: { id: opening.id }, transaction: work.transaction })) > 0) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, opening.placeId)
  const fedAtMs = Date.parse(opening.lastFedAt)
  refuseFuture(fedAtMs, work.nowMs, 'The last feed')
  const total = toMilligrams(opening.grams)
  const flourAll = total / (1 + opening.hydration)
  const seedFlour = flourAll / (1 + ASSUMED_FLOUR_PER_SEED * (1 + opening.hydration))
  const seed = Math.round(seedFlour * (1 + opening.hydration))
  const flour = Math.round(flourAll - seedFlour)
  const batchId = await createJar(
    work,
    {
      id: opening.id,
      kitchenId: kitchen.id,
      name: opening.name,
      flour: opening.flour,
      keepMinimumMg: toMilligrams(opening.keepMinimumGrams),
      placeId: place.id,
      pace: null
    },
    {
      startedAtMs: fedAtMs,
      floursMg: { [opening.flour]: flour },
      waterMg: Math.max(total - seed - flour, 0),
      mixTempC: place.tempC,
      parents: [{ parentBatchId: null, milligrams: seed, hydration: opening.hydration, flour: opening.flour }],
      stays: [stayAt(kitchen, place.id, fedAtMs)]
    }
  )
  await record(
    work,
    eventOf(kitchen.id, opening.id, { id: randomUUID(), happenedAt: opening.lastFedAt, source: 'typed' }, 'opened', { grams: opening.grams, batchId }),
    transfer('outside', `jar:${opening.id}`, total)
  )
}

/** A little room for clocks that differ. */
const CLOCKS_DIFFER_MS = 5 * 60_000

/** Things happen before they are noted. */
export function refuseFuture(atMs: number, nowMs: number, what: string): void {
  if (atMs > nowMs + CLOCKS_DIFFER_MS) {
    throw new Problem(400, 'in the future', `${what} lies in the future. Give a time that has been.`, { fields: { happenedAt: 'This time has not come yet.' } })
  }
}

/** Feeds a jar: the rest goes to the discard pot, flour and water go in. */
export async function feedJar(work: Work, jarId: string, feed: z.output<typeof feedSchema>): Promise<void> {
  if (await isRecorded(work, feed.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, feed.placeId)
  const later = feed.later === null ? null : placeIn(kitchen, feed.later.placeId)
  const { row, hydration, milligrams } = await jarForSeed(work, jarId)
  const fedAtMs = Date.parse(feed.happenedAt)
  refuseFuture(fedAtMs, work.nowMs, 'The feed')
  const kept = toMilligrams(feed.keepGrams)
  if (kept > milligrams) {
    throw new Problem(400, 'more than there is', `${row.name} holds ${toGrams(milligrams)} g; ${feed.keepGrams} g cannot be kept of it.`, {
      fields: { keepGrams: `At most ${toGrams(milligrams)} g are there.` }
    })
  }
  if (kept === 0)
    throw new Problem(400, 'nothing kept', `Keep at least a little of ${row.name}, or the culture is gone.`, {
      fields: { keepGrams: 'Keep at least a little.' }
    })
  const flour = toMilligrams(feed.flourGrams)
  const water = toMilligrams(feed.waterGrams)
  const batchId = await createBatch(work, {
    kitchenId: kitchen.id,
    kind: 'feed',
    jarId,
    bakeId: null,
    startedAtMs: fedAtMs,
    flour: row.flour,
    floursMg: { [row.flour]: flour },
    waterMg: water,
    saltMg: 0,
    mixTempC: feed.mixTempC,
    parents: [{ parentBatchId: row.currentBatchId, milligrams: kept, hydration, flour: row.flour }],
    stays: [stayAt(kitchen, place.id, fedAtMs), ...(later === null ? [] : [stayAt(kitchen, later.id, fedAtMs + (feed.later?.afterHours ?? 0) * MS_PER_HOUR)])]
  })
  await record(work, eventOf(kitchen.id, jarId, feed, 'feed', { ...feed, batchId, previousBatchId: row.currentBatchId, previousPlaceId: row.placeId }), [
    ...transfer(`jar:${jarId}`, 'discard', milligrams - kept),
    ...transfer(`shelf:${row.flour}`, `jar:${jarId}`, flour),
    ...transfer('shelf:water', `jar:${jarId}`, water)
  ])
  await setContents(work, row, batchId, (later ?? place).id)
}

/** Points a jar at another batch. */
export async function setContents({ models, transaction }: Work, row: JarRow, batchId: string | null, placeId: string): Promise<void> {
  await models.jars.update({ currentBatchId: batchId, placeId, version: row.version + 1 }, { where: { id: row.id }, transaction })
}

/** One weighing corrects what the ledger believes. */
export async function weighJar(work: Work, jarId: string, weighing: z.output<typeof weighingSchema>): Promise<void> {
  if (await isRecorded(work, weighing.id)) return
  const kitchen = await theKitchen(work)
  const { milligrams } = await jarForSeed(work, jarId)
  refuseFuture(Date.parse(weighing.happenedAt), work.nowMs, 'The weighing')
  const off = toMilligrams(weighing.grams) - milligrams
  await record(
    work,
    eventOf(kitchen.id, jarId, weighing, 'weighing', { grams: weighing.grams }),
    off >= 0 ? transfer('outside', `jar:${jarId}`, off) : transfer(`jar:${jarId}`, 'loss', -off)
  )
}

/** Puts a jar in another place, from a moment on. */
export async function moveJar(work: Work, jarId: string, move: z.output<typeof jarMoveSchema>): Promise<void> {
  if (await isRecorded(work, move.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, move.placeId)
  const row = await jarRow(work, jarId)
  const batchId = row.currentBatchId
  if (batchId === null) throw new Error(`Jar ${jarId} has no contents.`)
  const atMs = Date.parse(move.happenedAt)
  refuseFuture(atMs, work.nowMs, 'The move')
  const before = await staysOf(work, batchId)
  if (atMs < (before[0]?.fromMs ?? 0)) {
    throw new Problem(400, 'before the feed', `${row.name} was fed after that. Move it from its last feed on.`, {
      fields: { happenedAt: 'This lies before its last feed.' }
    })
  }
  await replaceStays(work, batchId, [...before.filter((stay) => stay.fromMs < atMs), stayAt(kitchen, place.id, atMs)])
  await record(work, eventOf(kitchen.id, jarId, move, 'moved', { placeId: place.id, batchId, before, previousPlaceId: row.placeId }))
  await setContents(work, row, batchId, place.id)
}

/** Puts some of a jar into a new one. The new one holds what was taken as it was, and goes its own way from there. */
export async function splitJar(work: Work, jarId: string, split: z.output<typeof jarSplitSchema>): Promise<void> {
  if (await isRecorded(work, split.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, split.placeId)
  const { row, hydration, milligrams } = await jarForSeed(work, jarId)
  const atMs = Date.parse(split.happenedAt)
  refuseFuture(atMs, work.nowMs, 'This')
  const taken = toMilligrams(split.grams)
  if (taken > milligrams - row.keepMinimumMg) {
    const spare = Math.max(toGrams(milligrams - row.keepMinimumMg), 0)
    throw new Problem(400, 'more than there is', `${row.name} can spare ${spare} g and keep its least; ${split.grams} g cannot be taken. Feed it first.`, {
      fields: { grams: `At most ${spare} g can be spared.` }
    })
  }
  const batchId = await createJar(
    work,
    {
      id: split.jarId,
      kitchenId: kitchen.id,
      name: split.name,
      flour: row.flour,
      keepMinimumMg: row.keepMinimumMg,
      placeId: place.id,
      pace: row.pace
    },
    {
      startedAtMs: atMs,
      floursMg: {},
      waterMg: 0,
      mixTempC: place.tempC,
      parents: [{ parentBatchId: row.currentBatchId, milligrams: taken, hydration, flour: row.flour }],
      stays: [stayAt(kitchen, place.id, atMs)]
    }
  )
  await record(
    work,
    eventOf(kitchen.id, jarId, split, 'split', { grams: split.grams, newJarId: split.jarId, newBatchId: batchId, batchId: row.currentBatchId }),
    transfer(`jar:${jarId}`, `jar:${split.jarId}`, taken)
  )
}

/** Takes a split back: the new jar goes, as long as nothing has happened to it. */
async function undoSplit(work: Work, row: JarRow, { newJarId, newBatchId }: UndoTrace): Promise<void> {
  const { models, transaction } = work
  const { row: fresh, milligrams } = await jarForSeed(work, newJarId as string)
  const taken = (await models.batchParents.findOne({ where: { batchId: newBatchId as string }, transaction }))?.get('milligrams')
  if (fresh.currentBatchId !== newBatchId || milligrams !== taken) throw tooLate(row)
  await models.jars.update({ deletedAtMs: work.nowMs }, { where: { id: fresh.id }, transaction })
}

const tooLate = ({ name }: JarRow) => new Problem(409, 'too late', `Something has happened to ${name} since, so this can no longer be taken back.`)

/** What an event keeps so that it can be taken back. */
interface UndoTrace {
  readonly batchId?: string
  readonly previousBatchId?: string
  readonly previousPlaceId?: string
  readonly before?: readonly NewStay[]
  readonly newJarId?: string
  readonly newBatchId?: string
}

const UNDOABLE = ['feed', 'moved', 'split']

/** Takes the last feed, move or split of a jar back, as long as nothing has happened to the jar since. */
export async function undoJar(work: Work, jarId: string, undo: { id: string; undoes: string; happenedAt: string }): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const row = await jarRow(work, jarId)
  const event = await eventById(work, undo.undoes)
  if (event === null || event.jarId !== jarId || !UNDOABLE.includes(event.type)) throw notFound('This feed, move or split')
  const trace = event.payload as UndoTrace
  const undone = await undoneIds(work, jarId)
  const since = await work.models.events.findAll({
    where: { jarId, type: ['moved', 'split'], sequence: { [Op.gt]: event.sequence ?? 0 } },
    transaction: work.transaction
  })
  const changed = since.map(plain).some((later) => !undone.has(later.id) && later.payload.batchId === trace.batchId)
  if (undone.has(event.id) || trace.batchId !== row.currentBatchId || (event.type !== 'split' && changed)) throw tooLate(row)
  if (event.type === 'split') await undoSplit(work, row, trace)
  await record(work, eventOf(row.kitchenId, jarId, { ...undo, source: 'typed' }, 'undo', { undoes: undo.undoes }), reversed(await entriesOf(work, undo.undoes)))
  if (event.type === 'split') return
  if (trace.before !== undefined) await replaceStays(work, row.currentBatchId as string, trace.before)
  await setContents(work, row, event.type === 'feed' ? (trace.previousBatchId ?? null) : row.currentBatchId, trace.previousPlaceId ?? row.placeId)
}

/** Pins the pace of a jar, or has it learned from its log again. */
export async function setPace(work: Work, jarId: string, { pace, ...note }: z.output<typeof jarPacePutSchema>): Promise<void> {
  if (await isRecorded(work, note.id)) return
  const row = await jarRow(work, jarId)
  await record(work, eventOf(row.kitchenId, jarId, note, 'pace', { pace, before: row.pace }))
  await work.models.jars.update({ pace, version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
}
