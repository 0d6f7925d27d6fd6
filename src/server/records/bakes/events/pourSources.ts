import type { BakeEvent } from '../../../../contract'
import { FLOURS, type LedgerEntry, toGrams, transfer } from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { Problem } from '../../../problems'
import { discardPot } from '../../jars/discard'
import { jarForSeed } from '../../jars/jars'
import { balanceOf, type Work } from '../../work'

/** Less than this left in a jar is nothing, mg. */
export const NOTHING_MG = 1000

/** Older levain out of the common pot may hold gluten: it does not go where a gluten-free jar is kept up from. */
export async function guardOlder(work: Work, jarId: string): Promise<void> {
  const { row: jar } = await jarForSeed(work, jarId)
  if (FLOURS[jar.flour].gluten) return
  const { portions } = await discardPot(work)
  if (portions.length > 0 && portions.every((p) => !FLOURS[p.flour].gluten)) return
  throw new Problem(409, 'gluten guard', REFUSE_BAKES.keptFreeGlutenAndOld(jar.name), {
    fields: { item: REFUSE_BAKES.leaveOut }
  })
}

/** Refuses seed that is not there, and the last of a culture. */
export async function refuseMoreThanThereIs(work: Work, jarId: string, poured: number, keepBackGrams: number): Promise<void> {
  const { row: jar, milligrams } = await jarForSeed(work, jarId)
  if (poured <= milligrams - NOTHING_MG || (poured <= milligrams && keepBackGrams > 0)) return
  if (poured <= milligrams) {
    throw new Problem(400, 'last portion', REFUSE_BAKES.thatLastAndThisBake(jar.name), {
      fields: { weighedGrams: REFUSE_BAKES.atMostG(toGrams(Math.max(milligrams - NOTHING_MG, 0))) }
    })
  }
  throw new Problem(400, 'more than there is', REFUSE_BAKES.holdsGByWhatWas(jar.name, toGrams(milligrams), toGrams(poured)), {
    fields: { weighedGrams: REFUSE_RECORDS.atMostGAreThere(toGrams(milligrams)) }
  })
}

/** Where a pour comes from. Older levain comes out of the discard pot, and from outside where the book knows of too little there. */
export async function drawn(work: Work, event: Extract<BakeEvent, { type: 'pour' }>, jarId: string, batchId: string, poured: number): Promise<LedgerEntry[]> {
  const to = `batch:${batchId}` as const
  if (event.item === 'seed') return transfer(`jar:${jarId}`, to, poured)
  if (event.item !== 'older levain') return transfer(`shelf:${event.ingredientId ?? event.item}`, to, poured)
  const fromPot = Math.min(Math.max(await balanceOf(work, 'discard'), 0), poured)
  return [...transfer('discard', to, fromPot), ...transfer('outside', to, poured - fromPot)]
}
