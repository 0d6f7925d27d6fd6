import type { BakeEvent } from '../../../../contract'
import { type BakeState, type LedgerEntry, toGrams, toMilligrams, transfer, weighKey } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { Problem } from '../../../problems'
import { balanceOf, type Work } from '../../work'
import { levainOfBake } from '../bakes'
import { weighedFirst } from '../firstBuild'
import { type KeptBake, pantryFor } from '../keptBake'
import { type Effect, type Told, wrongMoment } from './effect'
import { refuseSecond } from './refuseSecond'

/** Something weighed for the dough: it leaves the shelf, or its levain, at once. Pieces only share out what is there. */
export async function weighed({ work, row, state, event }: Told<'weigh'>): Promise<Effect> {
  refuseSecond(event, state.pours.get(weighKey(event)) ?? [])
  if (event.into === 'first build') return weighedFirst(work, row, state, event)
  const levain = await levainOfBake(work, row.id)
  const batchId = levain?.id ?? null
  if (event.into === 'pieces') {
    if (state.mixed === null) throw wrongMoment(REFUSE_BAKES.thereNoDoughToShare)
    return { entries: [], batchId }
  }
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.doughMixedAlreadySoNothing)
  if (event.into === 'dough' && state.bowls !== null && state.bowls !== event.bowls)
    throw wrongMoment(REFUSE_BAKES.thisDoughWeighedIntoAlready(state.bowls, state.bowls === 1 ? 'bowl' : 'bowls'))
  return { entries: await drawnFor(work, row, state, event, batchId), batchId }
}

async function drawnFor(
  work: Work,
  row: KeptBake,
  state: BakeState,
  { ingredientId, into, lineId, weighedGrams }: Extract<BakeEvent, { type: 'weigh' }>,
  levainBatchId: string | null
): Promise<LedgerEntry[]> {
  const dough = `dough:${row.id}` as const
  const poured = toMilligrams(weighedGrams)
  if (ingredientId !== undefined) {
    const starter = (await pantryFor(work, row)).get(ingredientId)?.kind === 'starter'
    return transfer(starter ? 'discard' : `shelf:${ingredientId}`, dough, poured)
  }
  // A pre-ferment was drawn from the shelf when it was weighed, or is when the dough is mixed.
  if (into === 'dough' && row.plan.formula.lines.some((l) => l.id === lineId && l.kind !== 'levain')) return []
  if (state.band === null || levainBatchId === null) throw wrongMoment(REFUSE_BAKES.thisLevainHasNotBeen)
  const there = await balanceOf(work, `batch:${levainBatchId}`)
  if (poured > there)
    throw new Problem(400, 'more than there is', REFUSE_BAKES.levainWeighsGGCannot(toGrams(there), weighedGrams), {
      fields: { weighedGrams: REFUSE_RECORDS.atMostGAreThere(toGrams(there)) }
    })
  return transfer(`batch:${levainBatchId}`, dough, poured)
}
