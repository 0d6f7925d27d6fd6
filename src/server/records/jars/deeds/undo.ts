import { Op } from 'sequelize'
import type { z } from 'zod'
import type { undoSchema } from '../../../../contract'
import { balance, reversed } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { THINGS } from '../../../../words/refusals/things'
import { type JarRow, plain } from '../../../db/rows'
import { notFound, Problem } from '../../../problems'
import { balanceOf, entriesOf, eventById, eventOf, isRecorded, record, undoneIds, type Work } from '../../work'
import { type NewStay, replaceStays } from '../batches'
import { jarForSeed, jarRow, PUT_OFF, setContents } from '../jars'
import { uncountForProgram } from '../programStates'
import { setVessel } from './setVessel'

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
const UNDOABLE = ['feed', 'moved', 'planned move', 'split', 'weighing', 'look', PUT_OFF]
const MOVES = ['moved', 'planned move']
const CHANGES_CONTENTS = ['feed', ...MOVES, 'split']

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
      where: { jarId, type: [...MOVES, 'split'], sequence: { [Op.gt]: event.sequence ?? 0 } },
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
  if (event.type === 'feed') await uncountForProgram(work, jarId, event.id, undo)
  if (MOVES.includes(event.type) && trace.before !== undefined) await replaceStays(work, row.currentBatchId as string, trace.before)
  if (event.type === 'feed' || MOVES.includes(event.type)) {
    await setContents(work, row, event.type === 'feed' ? (trace.previousBatchId ?? null) : row.currentBatchId, trace.previousPlaceId ?? row.placeId)
  } else await work.models.jars.update({ version: row.version + 1 }, { where: { id: jarId }, transaction: work.transaction })
  if (event.type === 'feed' && trace.previousVesselId !== undefined) await setVessel(work, jarId, trace.previousVesselId)
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
