import { millisecondsInDay } from 'date-fns/constants'
import type { z } from 'zod'
import type { jarMoveSchema } from '../../../../contract'
import { sure } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { Problem } from '../../../problems'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { type NewStay, replaceStays, stayAt, staysOf } from '../batches'
import { jarRow, lastMoves, placeToldAt, refuseFuture, setContents } from '../jars'

/** A move is planned no further ahead than this. */
const MOST_DAYS_AHEAD = 30

/**
 * Where a jar stands once it was moved, or is to be.
 * @param before its stays, in the order of time
 * @param toldMs what they say of later is planned
 * @param moved the place and the moment
 * @returns a move that was planned to that place has become this one, and what is planned after it stays
 */
function staysAfter(before: readonly NewStay[], toldMs: number, moved: NewStay): NewStay[] {
  const next = before.find((stay) => stay.fromMs > toldMs)
  if (next === undefined || next.placeId !== moved.placeId) return [...before.filter((stay) => stay.fromMs < moved.fromMs), moved]
  const rest = before.filter((stay) => stay !== next && stay.fromMs > toldMs)
  return [...before.filter((stay) => stay.fromMs <= toldMs && stay.fromMs < moved.fromMs), moved, ...rest.filter((stay) => stay.fromMs > moved.fromMs)]
}

/** Puts a jar in another place, from a moment on; or plans it. */
export async function moveJar(work: Work, jarId: string, move: z.output<typeof jarMoveSchema>): Promise<void> {
  if (await isRecorded(work, move.id)) return
  const kitchen = await theKitchen(work)
  const place = placeIn(kitchen, move.placeId)
  const row = await jarRow(work, jarId)
  const batchId = row.currentBatchId
  if (batchId === null) throw new Error(`Jar ${jarId} has no contents.`)
  const atMs = move.happenedAt
  if (move.planned !== true) refuseFuture(atMs, work.nowMs, REFUSE_JARS.move)
  else if (atMs > work.nowMs + MOST_DAYS_AHEAD * millisecondsInDay) {
    throw new Problem(400, 'in the future', REFUSE_JARS.movePlannedAtMost(MOST_DAYS_AHEAD), {
      fields: { happenedAt: REFUSE_JARS.movePlannedAtMost(MOST_DAYS_AHEAD) }
    })
  }
  const before = await staysOf(work, batchId)
  if (atMs < (before[0]?.fromMs ?? 0)) {
    throw new Problem(400, 'before the feed', REFUSE_JARS.wasFedAfterThatMove(row.name), {
      fields: { happenedAt: REFUSE_JARS.thisLiesBeforeLastFeed }
    })
  }
  const toldMs = placeToldAt(before, (await lastMoves(work)).get(jarId))
  await replaceStays(work, batchId, staysAfter(before, toldMs, stayAt(kitchen, place.id, atMs)))
  await record(
    work,
    eventOf(kitchen.id, jarId, move, move.planned === true ? 'planned move' : 'moved', { placeId: place.id, batchId, before, previousPlaceId: row.placeId })
  )
  const { placeId } = sure((await staysOf(work, batchId)).at(-1))
  await setContents(work, row, batchId, placeId ?? place.id)
}
