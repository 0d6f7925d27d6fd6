import type { z } from 'zod'
import type { jarMoveSchema } from '../../../../contract'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { Problem } from '../../../problems'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { replaceStays, stayAt, staysOf } from '../batches'
import { jarRow, refuseFuture, setContents } from '../jars'

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
