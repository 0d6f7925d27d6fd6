import type { z } from 'zod'
import type { jarSplitSchema } from '../../../../contract'
import { type Culture, cultureOf, toGrams, toMilligrams, transfer } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { type JarRow, plain } from '../../../db/rows'
import { Problem } from '../../../problems'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { stayAt } from '../batches'
import { createJar, feedOf, jarForSeed, refuseFuture } from '../jars'

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
