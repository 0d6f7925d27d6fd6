import { millisecondsInHour } from 'date-fns/constants'
import { Op } from 'sequelize'
import type { z } from 'zod'
import type { feedSchema, Jar, jarEndSchema, jarLookSchema, jarMoveSchema, jarSplitSchema, undoSchema, weighingSchema } from '../../../contract'
import { balance, type Culture, cultureOf, kindsOfGrams, ownTraits, reversed, toGrams, toMilligrams, transfer } from '../../../core'
import { REFUSE_JARS } from '../../../words/refusals/jars'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { THINGS } from '../../../words/refusals/things'
import { type JarRow, plain, type VesselRow } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import { balanceOf, entriesOf, eventById, eventOf, isRecorded, once, record, undoneIds, type Work } from '../work'
import { createBatch, type NewStay, replaceStays, stayAt, staysOf } from './batches'
import { createJar, feedOf, findJar, guardGluten, jarForSeed, jarRow, refuseFuture, refuseUnknownFlours, setContents, vesselIn } from './jars'

/** Feeds a jar: crust and slime are lost, the rest goes to the discard pot, flour and water go in. */
export async function feedJar(work: Work, jarId: string, feed: z.output<typeof feedSchema>): Promise<void> {
  if (await isRecorded(work, feed.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, feed.placeId)
  const later = feed.later === null ? null : placeIn(kitchen, feed.later.placeId)
  const { row, hydration, milligrams } = await jarForSeed(work, jarId)
  if (row.culture === 'dried') throw new Problem(409, 'wrong moment', REFUSE_JARS.driedWakeSomeFirstRest(row.name))
  const fedAtMs = feed.happenedAt
  refuseFuture(fedAtMs, work.nowMs, REFUSE_JARS.feed)
  const kept = toMilligrams(feed.keepGrams)
  const trimmed = toMilligrams(feed.trimGrams)
  if (kept + trimmed > milligrams) {
    const both = trimmed > 0 ? REFUSE_JARS.gKeptAndGCut(feed.keepGrams, feed.trimGrams) : REFUSE_JARS.gCannotBeKept(feed.keepGrams)
    throw new Problem(400, 'more than there is', REFUSE_JARS.holdsG(row.name, toGrams(milligrams), both), {
      fields: { keepGrams: REFUSE_RECORDS.atMostGAreThere(toGrams(Math.max(milligrams - trimmed, 0))) }
    })
  }
  if (kept === 0)
    throw new Problem(400, 'nothing kept', REFUSE_JARS.keepAtLeastLittleOr(row.name), {
      fields: { keepGrams: REFUSE_JARS.keepAtLeastLittle }
    })
  const pantry = await pantryIn(work)
  const flourIds = feed.flours.map((f) => f.ingredientId)
  await refuseUnknownFlours(work, flourIds)
  await guardGluten(work, row, flourIds)
  const vesselId = feed.vesselId === undefined ? row.vesselId : feed.vesselId
  const vessel = feed.vesselId === undefined ? await vesselNow(work, vesselId) : await vesselIn(work, vesselId)
  const flours = feed.flours.map(({ ingredientId, grams }) => ({ ingredientId, milligrams: toMilligrams(grams) }))
  const water = toMilligrams(feed.waterGrams)
  const stays = [
    stayAt(kitchen, place.id, fedAtMs),
    ...(later === null ? [] : [stayAt(kitchen, later.id, fedAtMs + (feed.later?.afterHours ?? 0) * millisecondsInHour)])
  ]
  const batchId = await createBatch(work, {
    kitchenId: kitchen.id,
    kind: 'feed',
    jarId,
    bakeId: null,
    startedAtMs: fedAtMs,
    flour: row.flour,
    floursMg: kindsOfGrams(Object.fromEntries(flours.map((f) => [f.ingredientId, f.milligrams])), pantry),
    own: ownTraits(feed.flours, pantry),
    waterMg: water,
    saltMg: 0,
    mixTempC: feed.mixTempC,
    material: vessel?.material,
    parents: [{ parentBatchId: row.currentBatchId, milligrams: kept, hydration, flour: row.flour }],
    stays: feed.underWater ? stays.map((stay) => ({ ...stay, surroundings: 'water bath' as const })) : stays
  })
  const flourGrams = toGrams(flours.reduce((sum, f) => sum + f.milligrams, 0))
  const before = { previousBatchId: row.currentBatchId, previousPlaceId: row.placeId, previousVesselId: row.vesselId }
  await record(work, eventOf(kitchen.id, jarId, feed, 'feed', { ...feed, flourGrams, batchId, ...before }), [
    ...transfer(`jar:${jarId}`, 'loss', trimmed),
    ...transfer(`jar:${jarId}`, 'discard', milligrams - kept - trimmed),
    ...flours.flatMap(({ ingredientId, milligrams: mg }) => transfer(`shelf:${ingredientId}`, `jar:${jarId}`, mg)),
    ...transfer('shelf:water', `jar:${jarId}`, water)
  ])
  await setContents(work, row, batchId, (later ?? place).id)
  if (vesselId !== row.vesselId) await setVessel(work, jarId, vesselId)
}

/** The vessel a jar stands in, though it may have been taken off the list since. */
async function vesselNow(work: Work, vesselId: string | null): Promise<VesselRow | null> {
  if (vesselId === null) return null
  return once(work, `vessel ${vesselId}`, async () => {
    const found = await work.models.vessels.findByPk(vesselId, { transaction: work.transaction })
    return found === null ? null : plain(found)
  })
}

async function setVessel({ models, transaction }: Work, jarId: string, vesselId: string | null): Promise<void> {
  await models.jars.update({ vesselId }, { where: { id: jarId }, transaction })
}

/** One weighing corrects what the ledger believes. */
export async function weighJar(work: Work, jarId: string, weighing: z.output<typeof weighingSchema>): Promise<void> {
  if (await isRecorded(work, weighing.id)) return
  const kitchen = await theKitchen(work)
  const { milligrams } = await jarForSeed(work, jarId)
  refuseFuture(weighing.happenedAt, work.nowMs, REFUSE_JARS.weighing)
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
  const atMs = move.happenedAt
  refuseFuture(atMs, work.nowMs, REFUSE_JARS.move)
  const before = await staysOf(work, batchId)
  if (atMs < (before[0]?.fromMs ?? 0)) {
    throw new Problem(400, 'before the feed', REFUSE_JARS.wasFedAfterThatMove(row.name), {
      fields: { happenedAt: REFUSE_JARS.thisLiesBeforeLastFeed }
    })
  }
  await replaceStays(work, batchId, [...before.filter((stay) => stay.fromMs < atMs), stayAt(kitchen, place.id, atMs)])
  await record(work, eventOf(kitchen.id, jarId, move, 'moved', { placeId: place.id, batchId, before, previousPlaceId: row.placeId }))
  await setContents(work, row, batchId, place.id)
}

/** Puts some of a jar into a new one. The new one holds what was taken as it was, and goes its own way from there; or it is spread out to dry. */
export async function splitJar(work: Work, jarId: string, split: z.output<typeof jarSplitSchema>): Promise<void> {
  if (await isRecorded(work, split.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, split.placeId)
  const { row, hydration, milligrams } = await jarForSeed(work, jarId)
  const atMs = split.happenedAt
  refuseFuture(atMs, work.nowMs, 'This')
  const taken = toMilligrams(split.grams)
  if (taken > milligrams - row.keepMinimumMg) {
    const spare = Math.max(toGrams(milligrams - row.keepMinimumMg), 0)
    const advice = row.culture === 'dried' ? REFUSE_JARS.lastSpare : REFUSE_JARS.feedFirst
    throw new Problem(400, 'more than there is', REFUSE_JARS.canSpareGAndKeep(row.name, spare, split.grams, advice), {
      fields: { grams: REFUSE_JARS.atMostGCanBe(spare) }
    })
  }
  const culture = split.as === 'dried' ? 'dried' : split.as === 'woken' && row.culture === 'dried' ? await wokenCulture(work, row) : row.culture
  const batchId = await createJar(
    work,
    {
      id: split.jarId,
      kitchenId: kitchen.id,
      name: split.name,
      culture,
      flour: row.flour,
      feed: culture === 'dried' ? row.feed : feedOf({ ...row, culture }),
      vesselId: null,
      originId: jarId,
      keepMinimumMg: culture === 'dried' ? Math.min(row.keepMinimumMg, DRIED_LEAST_MG) : Math.max(row.keepMinimumMg, LIVING_LEAST_MG),
      placeId: place.id,
      pace: row.pace
    },
    {
      kind: culture === 'dried' ? 'dried' : 'feed',
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

/** What flakes become when they are woken: what the jar is that they came from. */
async function wokenCulture({ models, transaction }: Work, { originId, flour }: JarRow): Promise<Culture> {
  const origin = originId === null ? null : await models.jars.findByPk(originId, { transaction })
  const culture = origin === null ? 'dried' : plain(origin).culture
  return culture === 'dried' ? cultureOf(flour, 1) : culture
}

/** The least that stays of dried flakes, and of a living jar taken from some. */
const DRIED_LEAST_MG = 5_000
const LIVING_LEAST_MG = 10_000

/** Keeps a look at a jar: it is learned from, as a build is. */
export async function lookAtJar(work: Work, jarId: string, look: z.output<typeof jarLookSchema>): Promise<void> {
  if (await isRecorded(work, look.id)) return
  const row = await jarRow(work, jarId)
  const atMs = look.happenedAt
  refuseFuture(atMs, work.nowMs, REFUSE_JARS.look)
  if (look.rise === undefined && Object.keys(look.signs).length === 0) throw new Problem(400, 'empty', REFUSE_RECORDS.noteLevelOrAtLeast)
  const [first] = row.currentBatchId === null ? [] : await staysOf(work, row.currentBatchId)
  if (first !== undefined && atMs < first.fromMs) throw new Problem(400, 'before the feed', REFUSE_JARS.wasFedAfterThat(row.name))
  const event = eventOf(row.kitchenId, jarId, look, 'look', { rise: look.rise, signs: look.signs })
  await record(work, { ...event, batchId: row.currentBatchId })
  await work.models.jars.update({ version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
}

/** Takes a jar out of the kitchen: spoiled and thrown away, not wanted any more, or given to somebody. */
export async function endJar(work: Work, jarId: string, end: z.output<typeof jarEndSchema>): Promise<void> {
  if (await isRecorded(work, end.id)) return
  const { row, milligrams } = await jarForSeed(work, jarId)
  refuseFuture(end.happenedAt, work.nowMs, 'This')
  const { models, transaction, nowMs } = work
  const open = await models.bakes.findAll({ where: { status: ['planned', 'building', 'ripening'], deletedAtMs: null }, transaction })
  const planned = open.map(plain).find((bake) => bake.plan.jarId === jarId && bake.frozen !== null)
  if (planned !== undefined) throw new Problem(409, 'in use', REFUSE_JARS.hasBeenStartedFromFinish(planned.plan.name, row.name))
  await record(
    work,
    eventOf(row.kitchenId, jarId, end, 'ended', { grams: toGrams(milligrams), why: end.why, batchId: row.currentBatchId }),
    transfer(`jar:${jarId}`, end.why === 'given away' ? 'outside' : 'loss', milligrams)
  )
  await models.jars.update({ deletedAtMs: nowMs, version: row.version + 1 }, { where: { id: jarId }, transaction })
}

/** Puts a jar back that was taken out of the kitchen. */
export async function restoreJar(work: Work, jarId: string, undo: z.output<typeof undoSchema>): Promise<Jar> {
  if (!(await isRecorded(work, undo.id))) {
    const { models, transaction } = work
    const event = await eventById(work, undo.undoes)
    const found = await models.jars.findByPk(jarId, { transaction })
    if (event === null || event.type !== 'ended' || event.jarId !== jarId || found === null) throw notFound(THINGS.jar)
    const row = plain(found)
    if (row.deletedAtMs === null) throw new Problem(409, 'too late', REFUSE_JARS.hasBeenPutBackAlready(row.name))
    await record(work, eventOf(row.kitchenId, jarId, undo, 'undo', { undoes: undo.undoes }), reversed(await entriesOf(work, undo.undoes)))
    await models.jars.update({ deletedAtMs: null, version: row.version + 1 }, { where: { id: jarId }, transaction })
  }
  return findJar(work, jarId)
}

/** Takes a split back: the new jar goes, as long as nothing has happened to it. */
async function undoSplit(work: Work, row: JarRow, { newJarId, newBatchId }: UndoTrace): Promise<void> {
  const { models, transaction } = work
  const { row: fresh, milligrams } = await jarForSeed(work, newJarId as string)
  const taken = (await models.batchParents.findOne({ where: { batchId: newBatchId as string }, transaction }))?.get('milligrams')
  if (fresh.currentBatchId !== newBatchId || milligrams !== taken) throw tooLate(row)
  await models.jars.update({ deletedAtMs: work.nowMs }, { where: { id: fresh.id }, transaction })
}

const tooLate = ({ name }: JarRow) => new Problem(409, 'too late', REFUSE_JARS.somethingHasHappenedToSince(name))

/** What an event keeps so that it can be taken back. */
interface UndoTrace {
  readonly batchId?: string
  readonly previousBatchId?: string
  readonly previousPlaceId?: string
  readonly previousVesselId?: string | null
  readonly before?: readonly NewStay[]
  readonly newJarId?: string
  readonly newBatchId?: string
}

/** What can be taken back, and what of it must be the latest on what is in the jar. */
const UNDOABLE = ['feed', 'moved', 'split', 'weighing', 'look']
const CHANGES_CONTENTS = ['feed', 'moved', 'split']

/** Takes a feed, move, split, weighing or look of a jar back, as long as nothing has happened to the jar since that hangs on it. */
export async function undoJar(work: Work, jarId: string, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const row = await jarRow(work, jarId)
  const event = await eventById(work, undo.undoes)
  if (event === null || event.jarId !== jarId || !UNDOABLE.includes(event.type)) throw notFound(THINGS.entry)
  const trace = event.payload as UndoTrace
  const undone = await undoneIds(work, jarId)
  if (undone.has(event.id)) throw tooLate(row)
  if (CHANGES_CONTENTS.includes(event.type)) {
    const since = await work.models.events.findAll({
      where: { jarId, type: ['moved', 'split'], sequence: { [Op.gt]: event.sequence ?? 0 } },
      transaction: work.transaction
    })
    const changed = since.map(plain).some((later) => !undone.has(later.id) && later.payload.batchId === trace.batchId)
    if (trace.batchId !== row.currentBatchId || (event.type !== 'split' && changed)) throw tooLate(row)
  }
  if (event.type === 'split') await undoSplit(work, row, trace)
  const taken = reversed(await entriesOf(work, undo.undoes))
  const left = (await balanceOf(work, `jar:${jarId}`)) + balance(taken, `jar:${jarId}`)
  if (left < 0) throw tooLate(row)
  await record(work, eventOf(row.kitchenId, jarId, undo, 'undo', { undoes: undo.undoes }), taken)
  if (event.type === 'moved' && trace.before !== undefined) await replaceStays(work, row.currentBatchId as string, trace.before)
  if (event.type === 'feed' || event.type === 'moved') {
    await setContents(work, row, event.type === 'feed' ? (trace.previousBatchId ?? null) : row.currentBatchId, trace.previousPlaceId ?? row.placeId)
  } else await work.models.jars.update({ version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
  if (event.type === 'feed' && trace.previousVesselId !== undefined) await setVessel(work, jarId, trace.previousVesselId)
}
