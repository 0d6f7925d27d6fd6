import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import { replaceStays } from '../../jars/batches'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { doughBatchOf, levainOfBake } from '../bakes'
import { type Effect, type Told, wrongMoment } from './effect'
import { doughStays, staysOfPlan } from './stays'

/** The levain stands somewhere else from now on; once it is mixed, its dough does. */
export async function moved({ work, row, state, event }: Told<'moved'>): Promise<Effect> {
  const levain = await levainOfBake(work, row.id)
  if (state.band === null || levain === null) throw wrongMoment(REFUSE_BAKES.thereNothingToMoveYet)
  const { happenedAt: atMs, id, placeId, tempC } = event
  const kitchen = await theKitchen(work)
  placeIn(kitchen, placeId)
  const move = { id, atMs, placeId, tempC }
  const inTime = (moves: typeof state.moves) => [...moves, move].sort((a, b) => a.atMs - b.atMs)
  if (state.mixed !== null) {
    if (state.deeds.has('bake')) throw wrongMoment(REFUSE_BAKES.itIsInTheOven)
    if (atMs < state.mixed.atMs) throw new Problem(400, 'before the mix', REFUSE_BAKES.thisLiesBeforeDoughWas)
    const dough = await doughBatchOf(work, row.id)
    if (dough !== null) await replaceStays(work, dough.id, doughStays(kitchen, row.plan, state.mixed.atMs, { ...state, doughMoves: inTime(state.doughMoves) }))
    return { entries: [], batchId: dough?.id ?? levain.id }
  }
  if (atMs < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.thisMoveLiesBeforeBand)
  await replaceStays(work, levain.id, staysOfPlan(kitchen, row.plan, state.band.atMs, inTime(state.moves)))
  return { entries: [], batchId: levain.id }
}
