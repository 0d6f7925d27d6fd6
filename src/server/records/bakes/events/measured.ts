import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import type { Effect, Told } from './effect'
import { refuseClosed } from './refuseClosed'

/** Temperatures of what goes into a bowl. */
export async function measured({ state, event: { into, flourC, cultureC, waterC } }: Told<'measured'>): Promise<Effect> {
  refuseClosed(state, into)
  if ([flourC, cultureC, waterC].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneTemperature)
  return { entries: [], batchId: null }
}
