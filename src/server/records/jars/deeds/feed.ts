import { millisecondsInHour } from 'date-fns/constants'
import type { z } from 'zod'
import type { feedSchema } from '../../../../contract'
import { kindsOfGrams, ownTraits, toGrams, toMilligrams, transfer } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { plain, type VesselRow } from '../../../db/rows'
import { Problem } from '../../../problems'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { pantryIn } from '../../shelf/ingredients'
import { eventOf, isRecorded, once, record, type Work } from '../../work'
import { createBatch, stayAt } from '../batches'
import { guardGluten, jarForSeed, refuseFuture, refuseUnknownFlours, setContents, vesselIn } from '../jars'
import { setVessel } from './setVessel'

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
