import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { Problem } from '../../../problems'
import { levainOfBake } from '../bakes'
import { type Effect, type Told, wrongMoment } from './effect'

/** A look at the levain. It moves no mass. */
export async function mark({ work, row, state, event }: Told<'mark'>): Promise<Effect> {
  if (state.band === null) throw wrongMoment(REFUSE_BAKES.thereNothingToWatchYet)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  if (event.happenedAt < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.thisMarkLiesBeforeBand)
  if (event.rise === undefined && event.pH === undefined && Object.keys(event.signs).length === 0)
    throw new Problem(400, 'empty', REFUSE_RECORDS.noteLevelOrAtLeast)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}
