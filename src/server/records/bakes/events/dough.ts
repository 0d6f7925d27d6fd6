import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import { type Effect, type Told, wrongMoment } from './effect'

/** What was seen or measured of the dough. */
export async function doughRead({ state, event: { tempC, rise, sampleRise, poke, pH, coreTempC } }: Told<'dough'>): Promise<Effect> {
  if (state.mixed === null) throw wrongMoment(REFUSE_BAKES.thereNoDoughYet)
  if ([tempC, rise, sampleRise, poke, pH, coreTempC].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneThing)
  return { entries: [], batchId: null }
}
