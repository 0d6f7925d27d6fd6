import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { levainOfBake } from '../bakes'
import { type Effect, type Told, wrongMoment } from './effect'

/** Somebody has begun with a step. It moves no mass, and what comes after does not hang on it. */
export async function begun({ work, row, state, event }: Told<'begun'>): Promise<Effect> {
  if (state.deeds.has(event.step)) throw wrongMoment(REFUSE_BAKES.thisStepHasBeenTold)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}
