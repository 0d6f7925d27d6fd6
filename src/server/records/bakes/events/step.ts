import { aheadStep, REFILL } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { Problem } from '../../../problems'
import { levainOfBake } from '../bakes'
import { firstStage, mixedFirst } from '../firstBuild'
import { type Effect, type Told, wrongMoment } from './effect'

/** A step of the day that moves no mass: told, and what comes after hangs on it. */
export async function stepDone({ work, row, state, event }: Told<'step'>): Promise<Effect> {
  if (state.deeds.has(event.step)) throw wrongMoment(REFUSE_BAKES.thisStepHasBeenTold)
  const before = row.plan.before.some((stage) => stage.id === event.step)
  if (before && state.status !== 'planned') throw wrongMoment(REFUSE_BAKES.buildHasBegunSoWhat)
  if (event.step === REFILL && state.poured.seed === 0) throw wrongMoment(REFUSE_BAKES.drawStarterFirst)
  if (!before && event.step !== REFILL && event.step !== 'autolyse' && !event.step.startsWith('chill') && !event.step.startsWith(aheadStep(''))) {
    if (state.mixed === null) throw wrongMoment(REFUSE_BAKES.firstDoughHasToBe)
    if (event.happenedAt < state.mixed.atMs) throw new Problem(400, 'before the mix', REFUSE_BAKES.thisLiesBeforeDoughWas)
  }
  const first = firstStage(row.plan)
  if (first !== undefined && first.id === event.step && event.did === 'done') return mixedFirst(work, row, state, first, event.happenedAt)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}
