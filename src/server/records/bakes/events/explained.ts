import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { levainOfBake } from '../bakes'
import { type Effect, type Told, wrongMoment } from './effect'

/** What the baker says of a level that was asked about. It moves no mass. */
export async function explained({ work, row, state, event }: Told<'explained'>): Promise<Effect> {
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  if (!state.marks.some(({ id, rise }) => id === event.look && rise !== undefined)) throw wrongMoment(REFUSE_BAKES.thatLookIsGone)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}
