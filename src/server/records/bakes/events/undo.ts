import { keptPlanSchema } from '../../../../contract'
import { canUndo, reversed, standing } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { dropBatch, dropLineage, replaceStays } from '../../jars/batches'
import { jarForSeed, setContents } from '../../jars/jars'
import { theKitchen } from '../../kitchen/kitchens'
import { entriesOf, eventById, type Work } from '../../work'
import { doughBatchOf, levainOfBake } from '../bakes'
import { firstStage, unmixFirst } from '../firstBuild'
import type { KeptBake } from '../keptBake'
import { takeBackHanded, waitNoLonger } from '../sharedPots'
import { type Effect, type Told, type Trace, wrongMoment } from './effect'
import { doughStays, staysOfPlan } from './stays'

/** Takes an entry back, with all that it did. */
export async function undo({ work, row, state, event, before }: Told<'undo'>): Promise<Effect> {
  if (!canUndo(before, event.undoes)) throw wrongMoment(REFUSE_BAKES.otherThingsStandOnThis)
  const last = standing(before).find((h) => h.id === event.undoes)
  if (last === undefined) throw new Error('Nothing to take back.')
  const trace = await traceOf(work, last.id)
  if (trace.fed !== undefined) {
    // Of the next one nothing is there any more; what was noted of it stays in the record.
    const next = await levainOfBake(work, row.id)
    if (next !== null) await work.models.batches.update({ bakeId: null }, { where: { id: next.id }, transaction: work.transaction })
    await work.models.batches.update({ kind: 'levain' }, { where: { id: trace.fed.batchId }, transaction: work.transaction })
    await waitNoLonger(work, trace.fed.waiting)
    return { entries: [], batchId: trace.fed.batchId, plan: keptPlanSchema.parse(trace.fed.plan) }
  }
  const levain = await levainOfBake(work, row.id)
  await undoTrace(work, row, trace)
  if (last.type === 'band' && levain !== null) {
    await work.models.batches.update(
      { startedAtMs: null, floursMg: {}, own: null, waterMg: 0, saltMg: 0, mixTempC: null },
      { where: { id: levain.id }, transaction: work.transaction }
    )
    await dropLineage(work, levain.id)
  }
  if (last.type === 'step' && last.did === 'done' && last.step === firstStage(row.plan)?.id) await unmixFirst(work, row)
  const dough = state.mixed === null ? null : await doughBatchOf(work, row.id)
  if (last.type === 'moved' && dough !== null && state.mixed !== null && state.doughMoves.some((move) => move.id === last.id)) {
    const left = state.doughMoves.filter((move) => move.id !== last.id)
    await replaceStays(work, dough.id, doughStays(await theKitchen(work), row.plan, state.mixed.atMs, { ...state, doughMoves: left }))
  } else if (last.type === 'moved' && levain !== null && state.band !== null) {
    const left = state.moves.filter((move) => move.id !== last.id)
    await replaceStays(work, levain.id, staysOfPlan(await theKitchen(work), row.plan, state.band.atMs, left))
  }
  return { entries: reversed(await entriesOf(work, event.undoes)), batchId: levain?.id ?? null }
}

/** What an event kept, so that it can be taken back. */
async function traceOf(work: Work, eventId: string): Promise<Trace> {
  const { trace } = ((await eventById(work, eventId))?.payload ?? {}) as { trace?: Trace }
  return trace ?? {}
}

/** Takes the batches away that an event made, and gives the jar back what it held. */
async function undoTrace(work: Work, row: KeptBake, trace: Trace): Promise<void> {
  await takeBackHanded(work, row, trace.handed ?? [])
  const { row: jar } = await jarForSeed(work, trace.keptJarId ?? row.plan.jarId)
  if (trace.jarBatchId !== undefined) {
    if (jar.currentBatchId !== trace.jarBatchId) throw wrongMoment(REFUSE_BAKES.hasBeenFedSinceSo(jar.name))
    if (trace.keptJarId === undefined) await setContents(work, jar, trace.previousBatchId ?? null, jar.placeId)
    else await work.models.jars.update({ deletedAtMs: work.nowMs, currentBatchId: null }, { where: { id: jar.id }, transaction: work.transaction })
  }
  for (const batchId of [trace.doughBatchId, trace.jarBatchId, ...(trace.handed ?? []).map((one) => one.jarBatchId)]) {
    if (batchId !== undefined) await dropBatch(work, batchId)
  }
}
