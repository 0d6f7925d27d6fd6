import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import { type Effect, type Told, wrongMoment } from './effect'

/** How the bread came out. */
export async function outcome({ state, event: { rise, crumb, taste, note, picture } }: Told<'outcome'>): Promise<Effect> {
  if (!state.deeds.has('out')) throw wrongMoment(REFUSE_BAKES.breadNotOutOvenYet)
  if ([rise, crumb, taste, note, picture].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneThing2)
  return { entries: [], batchId: null }
}
