import type { z } from 'zod'
import type { jarLookSchema } from '../../../../contract'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { Problem } from '../../../problems'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { staysOf } from '../batches'
import { jarRow, refuseFuture } from '../jars'

/** Keeps a look at a jar: it is learned from, as a build is. */
export async function lookAtJar(work: Work, jarId: string, look: z.output<typeof jarLookSchema>): Promise<void> {
  if (await isRecorded(work, look.id)) return
  const row = await jarRow(work, jarId)
  const atMs = look.happenedAt
  refuseFuture(atMs, work.nowMs, REFUSE_JARS.look)
  if (look.rise === undefined && look.pH === undefined && Object.keys(look.signs).length === 0)
    throw new Problem(400, 'empty', REFUSE_RECORDS.noteLevelOrAtLeast)
  const [first] = row.currentBatchId === null ? [] : await staysOf(work, row.currentBatchId)
  if (first !== undefined && atMs < first.fromMs) throw new Problem(400, 'before the feed', REFUSE_JARS.wasFedAfterThat(row.name))
  const event = eventOf(row.kitchenId, jarId, look, 'look', { rise: look.rise, pH: look.pH, signs: look.signs, explained: look.explained })
  await record(work, { ...event, batchId: row.currentBatchId })
  await work.models.jars.update({ version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
}
