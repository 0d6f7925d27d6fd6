import type { z } from 'zod'
import type { Jar, jarEndSchema, undoSchema } from '../../../../contract'
import { reversed, toGrams, transfer } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { THINGS } from '../../../../words/refusals/things'
import { plain } from '../../../db/rows'
import { notFound, Problem } from '../../../problems'
import { entriesOf, eventById, eventOf, isRecorded, record, type Work } from '../../work'
import { findJar, jarForSeed, refuseFuture } from '../jars'

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
