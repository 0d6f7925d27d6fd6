import type { BakeEvent } from '../../../contract'
import { type BakeState, type LedgerEntry, pourKey, type RepairInto, toGrams, toMilligrams, transfer, weighKey } from '../../../core'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { Problem } from '../../problems'
import { balanceOf, type Work } from '../work'
import { type Effect, pantryFor, wrongMoment } from './bakeEffects'
import { levainOfBake } from './bakes'
import { weighedFirst } from './firstBuild'
import type { KeptBake } from './keptBake'

/**
 * Refuses a pour when another device has noted one of the same item since: nobody knows whether it is the same one.
 * @param there what stands of it already
 */
export function refuseSecond({ nth, weighedGrams }: { nth?: number; weighedGrams: number }, there: readonly { readonly grams: number }[]): void {
  if (nth === undefined || there.length <= nth) return
  const grams = there.reduce((sum, p) => sum + p.grams, 0)
  throw new Problem(409, 'poured already', REFUSE_BAKES.anotherDeviceHasNotedG(toGrams(Math.round(grams * 1000)), weighedGrams))
}

/** Two windows read the same scale: what both say of it within so long, and so near, is one pour. */
const ECHO = { ms: 8000, grams: 2 } as const

/** Whether a pour is what another window has noted of the same device just before. */
export function isEcho(noted: readonly BakeEvent[], event: BakeEvent): boolean {
  if ((event.type !== 'pour' && event.type !== 'weigh') || event.source !== 'device') return false
  const keyOf = (e: BakeEvent) => (e.type === 'pour' ? pourKey(e) : e.type === 'weigh' ? weighKey(e) : null)
  return noted.some(
    (e) =>
      (e.type === 'pour' || e.type === 'weigh') &&
      e.source === 'device' &&
      e.device === event.device &&
      keyOf(e) === keyOf(event) &&
      Math.abs(e.happenedAt - event.happenedAt) < ECHO.ms &&
      Math.abs(e.weighedGrams - event.weighedGrams) <= ECHO.grams &&
      !noted.some((u) => u.type === 'undo' && u.undoes === e.id)
  )
}

/** Something weighed for the dough: it leaves the shelf, or its levain, at once. Pieces only share out what is there. */
export async function weighed(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'weigh' }>): Promise<Effect> {
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

/** Refuses what comes after its bowl was closed. */
function refuseClosed({ band, mixed }: BakeState, into: RepairInto): void {
  if (into === 'levain' && band !== null) throw wrongMoment(REFUSE_BAKES.levelMarkedAlreadySoNothing)
  if (into !== 'levain' && mixed !== null) throw wrongMoment(REFUSE_BAKES.doughMixedAlreadySoNothing)
}

/** What a bowl is to hold from now on. */
export async function repaired(state: BakeState, { into }: Extract<BakeEvent, { type: 'repair' }>): Promise<Effect> {
  refuseClosed(state, into)
  return { entries: [], batchId: null }
}

/** Temperatures of what goes into a bowl. */
export async function measuredFor(state: BakeState, { into, flourC, cultureC, waterC }: Extract<BakeEvent, { type: 'measured' }>): Promise<Effect> {
  refuseClosed(state, into)
  if ([flourC, cultureC, waterC].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneTemperature)
  return { entries: [], batchId: null }
}

/** What was seen or measured of the dough. */
export async function doughRead(state: BakeState, { tempC, rise, sampleRise, poke, coreTempC }: Extract<BakeEvent, { type: 'dough' }>): Promise<Effect> {
  if (state.mixed === null) throw wrongMoment(REFUSE_BAKES.thereNoDoughYet)
  if ([tempC, rise, sampleRise, poke, coreTempC].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneThing)
  return { entries: [], batchId: null }
}

/** How the bread came out. */
export async function outcome(state: BakeState, { rise, crumb, taste, note, picture }: Extract<BakeEvent, { type: 'outcome' }>): Promise<Effect> {
  if (!state.deeds.has('out')) throw wrongMoment(REFUSE_BAKES.breadNotOutOvenYet)
  if ([rise, crumb, taste, note, picture].every((x) => x === undefined)) throw new Problem(400, 'empty', REFUSE_BAKES.noteAtLeastOneThing2)
  return { entries: [], batchId: null }
}
