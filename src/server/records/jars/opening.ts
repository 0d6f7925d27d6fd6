import { randomUUID } from 'node:crypto'
import { Op } from 'sequelize'
import type { z } from 'zod'
import { type JarTold, type jarCorrectionSchema, type jarOpeningSchema, jarToldSchema, type Kitchen, toldToWire } from '../../../contract'
import { CULTURE_TRAITS, cultureOf, FLOURS, gramsOfBlend, type LedgerEntry, toMilligrams, transfer, usualFeed } from '../../../core'
import { REFUSE_JARS } from '../../../words/refusals/jars'
import { THINGS } from '../../../words/refusals/things'
import { type JarRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { balanceOf, eventOf, isRecorded, record, type Work } from '../work'
import { addLineage, dropLineage, type NewBatch, type NewStay, stayAt, staysOf } from './batches'
import { createJar, guardGluten, jarRow, refuseFuture, refuseMixedUp, vesselIn } from './jars'

/** What a culture just begun is seeded with: what lives on the flour, a trace. */
const TRACE_MG = 1

const cultureTold = ({ culture, flour, hydration }: JarTold) => culture ?? cultureOf(flour, hydration)

/** What a jar was told to hold, as a batch; fed as its culture usually is where nobody knows how. */
function batchTold(
  kitchen: Kitchen,
  told: JarTold
): Pick<NewBatch, 'startedAtMs' | 'floursMg' | 'waterMg' | 'mixTempC' | 'parents'> & { readonly kind: 'dried' | 'feed'; readonly stay: NewStay } {
  const { hydration, flour, begun, lastFedAt } = told
  const place = placeIn(kitchen, told.placeId)
  const dried = cultureTold(told) === 'dried'
  const total = toMilligrams(told.grams)
  const flourAll = total / (1 + hydration)
  const seedFlour = flourAll / (1 + (told.flourPerSeed ?? CULTURE_TRAITS[cultureTold(told)].flourPerSeed) * (1 + hydration))
  const seed = begun ? TRACE_MG : dried ? total : Math.round(seedFlour * (1 + hydration))
  const fresh = Math.round((total - seed) / (1 + hydration))
  return {
    kind: dried ? 'dried' : 'feed',
    startedAtMs: lastFedAt,
    floursMg: fresh > 0 ? { [flour]: fresh } : {},
    waterMg: Math.max(total - seed - fresh, 0),
    mixTempC: place.tempC,
    parents: [{ parentBatchId: null, milligrams: seed, hydration, flour }],
    stay: stayAt(kitchen, place.id, lastFedAt)
  }
}

/** Brings a jar into the kitchen with what is in it. The id makes it safe to send twice. */
export async function openJar(work: Work, opening: z.output<typeof jarOpeningSchema>): Promise<void> {
  if ((await work.models.jars.count({ where: { id: opening.id }, transaction: work.transaction })) > 0) return
  const kitchen = await theKitchen(work)
  const told = jarToldSchema.decode(jarToldSchema.encode(opening))
  const { stay, ...batch } = batchTold(kitchen, told)
  refuseFuture(told.lastFedAt, work.nowMs, REFUSE_JARS.lastFeed)
  const culture = cultureTold(told)
  refuseMixedUp(culture, told.flour)
  await vesselIn(work, opening.vesselId)
  const batchId = await createJar(
    work,
    {
      id: opening.id,
      kitchenId: kitchen.id,
      name: opening.name,
      culture,
      flour: told.flour,
      feed: null,
      vesselId: opening.vesselId,
      originId: null,
      keepMinimumMg: toMilligrams(opening.keepMinimumGrams),
      placeId: told.placeId,
      pace: null
    },
    { ...batch, stays: [stay] }
  )
  const total = toMilligrams(told.grams)
  const note = { id: randomUUID(), happenedAt: told.lastFedAt, source: 'typed' as const }
  await record(
    work,
    eventOf(kitchen.id, opening.id, note, 'opened', { grams: told.grams, batchId, begun: told.begun, told: toldToWire(told) }),
    told.begun ? await fromShelf(work, opening, total) : transfer('outside', `jar:${opening.id}`, total)
  )
}

/** Flour and water of a culture just begun come off the shelf. */
async function fromShelf(work: Work, { id, culture, flour, hydration }: z.output<typeof jarOpeningSchema>, totalMg: number): Promise<LedgerEntry[]> {
  const flourMg = Math.round(totalMg / (1 + hydration))
  const feed = usualFeed(culture ?? cultureOf(flour, hydration), flour)
  const parts = gramsOfBlend(feed, flourMg)
  await guardGluten(
    work,
    { name: 'This culture', flour },
    parts.map((p) => p.ingredientId)
  )
  return [
    ...parts.flatMap(({ ingredientId, grams }) => transfer(`shelf:${ingredientId}`, `jar:${id}`, grams)),
    ...transfer('shelf:water', `jar:${id}`, totalMg - flourMg)
  ]
}

/** How a jar came, as it was last told, with its first batch. */
interface Opened {
  readonly told: JarTold
  readonly batchId: string
}

/** @throws Problem when it came out of another jar */
async function openedAs(work: Work, row: JarRow): Promise<Opened> {
  const { models, transaction } = work
  const where = { jarId: row.id, type: ['opened', 'corrected'] }
  const last = await models.events.findOne({ where, order: [['sequence', 'DESC']], transaction })
  if (last === null) throw notFound(THINGS.entry)
  const {
    told,
    batchId,
    grams = 0,
    begun = false
  } = plain(last).payload as { told?: z.input<typeof jarToldSchema>; batchId: string; grams?: number; begun?: boolean }
  if (told !== undefined) return { told: jarToldSchema.parse(told), batchId }
  // Older versions kept no more than its batch.
  const [batch] = (await models.batches.findAll({ where: { id: batchId }, transaction })).map(plain)
  const [parent] = (await models.batchParents.findAll({ where: { batchId }, transaction })).map(plain)
  if (batch === undefined || parent === undefined) throw notFound(THINGS.entry)
  const [stay] = await staysOf(work, batchId)
  const { flour, startedAtMs } = batch
  const rest = { grams, begun, culture: row.culture, flour, hydration: parent.hydration, flourPerSeed: null, guesses: [] }
  return { told: { ...rest, lastFedAt: Number(startedAtMs), placeId: stay?.placeId ?? row.placeId }, batchId }
}

/** What a jar was told to be when it came. */
export const toldOfJar = async (work: Work, jarId: string) => ({ told: toldToWire((await openedAs(work, await jarRow(work, jarId))).told) })

/** A jar is told free of gluten, or not, only while nothing was made of it, and no flour it is fed brings gluten in. */
async function guardCorrected(work: Work, row: JarRow, before: JarTold, told: JarTold, isUsed: boolean): Promise<void> {
  if (FLOURS[before.flour].gluten === FLOURS[told.flour].gluten) return
  if (isUsed)
    throw new Problem(
      409,
      'gluten guard',
      FLOURS[before.flour].gluten ? REFUSE_JARS.hasLivedOnGlutenAnd(row.name) : REFUSE_JARS.keptFreeGlutenAndStays(row.name),
      {
        fields: { flour: REFUSE_JARS.startNewCultureForThis }
      }
    )
  await guardGluten(
    work,
    { name: row.name, flour: told.flour },
    (row.feed ?? []).map((part) => part.ingredientId)
  )
}

/**
 * Corrects what a jar was told to be when it came. All that was made from it since follows, and what it holds now is as much more or less.
 * @throws Problem when it would have been fed after something that happened to it
 */
export async function correctJar(work: Work, jarId: string, { told, ...note }: z.output<typeof jarCorrectionSchema>): Promise<void> {
  if (await isRecorded(work, note.id)) return
  const row = await jarRow(work, jarId)
  const before = await openedAs(work, row)
  const kitchen = await theKitchen(work)
  const culture = cultureTold(told)
  const { stay, kind, parents, ...batch } = batchTold(kitchen, told)
  refuseFuture(told.lastFedAt, work.nowMs, REFUSE_JARS.lastFeed)
  refuseMixedUp(culture, told.flour)
  const { models, transaction } = work
  const [, ...later] = await staysOf(work, before.batchId)
  const children = (await models.batchParents.findAll({ where: { parentBatchId: before.batchId }, transaction })).map(plain)
  const used = await models.batches.findAll({ where: { id: children.map((child) => child.batchId), startedAtMs: { [Op.ne]: null } }, transaction })
  const first = Math.min(...used.map((one) => Number(plain(one).startedAtMs)), ...later.map((one) => one.fromMs))
  if (told.lastFedAt >= first)
    throw new Problem(400, 'before the feed', REFUSE_JARS.somethingHappenedBefore(row.name), { fields: { lastFedAt: REFUSE_JARS.giveEarlierTime } })
  await guardCorrected(work, row, before.told, told, children.length > 0)
  const more = toMilligrams(told.grams) - toMilligrams(before.told.grams)
  if ((await balanceOf(work, `jar:${jarId}`)) + more < 0)
    throw new Problem(409, 'cannot be', REFUSE_JARS.moreWasTakenOut(row.name), { fields: { grams: REFUSE_JARS.giveMoreGrams } })
  await models.batches.update({ ...batch, kind, flour: told.flour }, { where: { id: before.batchId }, transaction })
  await dropLineage(work, before.batchId)
  await addLineage(work, before.batchId, parents, [stay, ...later])
  await models.batchParents.update({ hydration: told.hydration, flour: told.flour }, { where: { parentBatchId: before.batchId }, transaction })
  const isFirst = row.currentBatchId === before.batchId
  // What a program or its baker has made of the jar since stays, unless this is what is corrected.
  const changed = { ...(culture === cultureTold(before.told) ? {} : { culture }), ...(told.flour === before.told.flour ? {} : { flour: told.flour }) }
  await models.jars.update(
    { ...changed, version: row.version + 1, ...(isFirst && later.length === 0 ? { placeId: told.placeId } : {}) },
    { where: { id: jarId }, transaction }
  )
  const entries = more >= 0 ? transfer('outside', `jar:${jarId}`, more) : transfer(`jar:${jarId}`, 'outside', -more)
  await record(
    work,
    eventOf(kitchen.id, jarId, note, 'corrected', { grams: told.grams, batchId: before.batchId, told: toldToWire(told), before: toldToWire(before.told) }),
    entries
  )
}
