import { fedAgainPlan } from '../../../../answers'
import { planToWire } from '../../../../contract'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { checkPlan, levainOfBake } from '../bakes'
import { waitForPot } from '../sharedPots'
import { type Effect, type Told, wrongMoment } from './effect'

/** The levain that stands there is fed again: the next one is built from it, as from a first build. It moves no mass before that is weighed. */
export async function fedAgain({ work, row, state, event }: Told<'fed again'>): Promise<Effect> {
  if (state.band === null) throw wrongMoment(REFUSE_BAKES.thereNothingToWatchYet)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  if (row.plan.build.source === 'as it is') throw wrongMoment(REFUSE_BAKES.jarIsFedOnItsPage)
  if (state.deeds.has(event.stage)) throw wrongMoment(REFUSE_BAKES.thisStepHasBeenTold)
  const levain = await levainOfBake(work, row.id)
  if (levain === null) throw new Error('Marked, but no batch.')
  const plan = fedAgainPlan(row.plan, state, { stage: event.stage, flourPerSeed: event.flourPerSeed, atMs: event.happenedAt, mixAtMs: event.mixAt })
  await checkPlan(work, plan, row.plan)
  await work.models.batches.update({ kind: 'preferment' }, { where: { id: levain.id }, transaction: work.transaction })
  const waiting = await waitForPot(work, row.id, plan)
  return { entries: [], batchId: levain.id, plan, trace: { fed: { batchId: levain.id, plan: planToWire(row.plan), waiting } } }
}
