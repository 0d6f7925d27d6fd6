import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import { replaceStays } from '../../jars/batches'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { levainOfBake } from '../bakes'
import { type Effect, type Told, wrongMoment } from './effect'
import { staysOfPlan } from './stays'

/** The levain stands somewhere else from now on. */
export async function moved({ work, row, state, event }: Told<'moved'>): Promise<Effect> {
  const levain = await levainOfBake(work, row.id)
  if (state.band === null || levain === null) throw wrongMoment(REFUSE_BAKES.thereNothingToMoveYet)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  const atMs = event.happenedAt
  if (atMs < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.thisMoveLiesBeforeBand)
  const kitchen = await theKitchen(work)
  placeIn(kitchen, event.placeId)
  const moves = [...state.moves, { id: event.id, atMs, placeId: event.placeId, tempC: event.tempC }].sort((a, b) => a.atMs - b.atMs)
  await replaceStays(work, levain.id, staysOfPlan(kitchen, row.plan, state.band.atMs, moves))
  return { entries: [], batchId: levain.id }
}
