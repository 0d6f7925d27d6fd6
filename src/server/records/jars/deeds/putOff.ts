import { millisecondsInDay } from 'date-fns/constants'
import type { z } from 'zod'
import type { jarPutOffSchema } from '../../../../contract'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { Problem } from '../../../problems'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { jarRow, PUT_OFF, refuseFuture } from '../jars'

/** A feed is put off no longer than this. */
const MOST_DAYS = 60

/** Puts the feed of a jar off: it is asked for again then. */
export async function putOffFeed(work: Work, jarId: string, { until, ...note }: z.output<typeof jarPutOffSchema>): Promise<void> {
  if (await isRecorded(work, note.id)) return
  const row = await jarRow(work, jarId)
  refuseFuture(note.happenedAt, work.nowMs, 'This')
  if (until <= note.happenedAt || until > note.happenedAt + MOST_DAYS * millisecondsInDay) {
    throw new Problem(400, 'not understood', REFUSE_JARS.putOffUntilLater(MOST_DAYS), { fields: { until: REFUSE_JARS.putOffUntilLater(MOST_DAYS) } })
  }
  await record(work, eventOf(row.kitchenId, jarId, note, PUT_OFF, { until }))
  await work.models.jars.update({ version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
}
