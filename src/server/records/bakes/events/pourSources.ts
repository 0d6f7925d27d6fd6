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
export async function guardOlder(work: Work, jarId: string, olderJarId: string | null): Promise<void> {
  const { row: jar } = await jarForSeed(work, jarId)
  if (FLOURS[jar.flour].gluten) return
  if (olderJarId !== null && !FLOURS[(await jarForSeed(work, olderJarId)).row.flour].gluten) return
  const portions = olderJarId === null ? (await discardPot(work)).portions : []
  if (portions.length > 0 && portions.every((p) => !FLOURS[p.flour].gluten)) return
  throw new Problem(409, 'gluten guard', REFUSE_BAKES.keptFreeGlutenAndOld(jar.name), {
    fields: { item: REFUSE_BAKES.leaveOut }
  })
}

/** Refuses seed that is not there, and the last of a culture where nothing of it stays. */
export async function refuseMoreThanThereIs(work: Work, jarId: string, poured: number, mayEmpty: boolean): Promise<void> {
  const { row: jar, milligrams } = await jarForSeed(work, jarId)
  if (poured <= milligrams - NOTHING_MG || (poured <= milligrams && mayEmpty)) return
  if (poured <= milligrams) {
    throw new Problem(400, 'last portion', REFUSE_BAKES.thatLastAndThisBake(jar.name), {
      fields: { weighedGrams: REFUSE_BAKES.atMostG(toGrams(Math.max(milligrams - NOTHING_MG, 0))) }
    })
  }
  throw moreThanThereIs(jar.name, milligrams, poured)
}

const moreThanThereIs = (name: string, milligrams: number, poured: number) =>
  new Problem(400, 'more than there is', REFUSE_BAKES.holdsGByWhatWas(name, toGrams(milligrams), toGrams(poured)), {
    fields: { weighedGrams: REFUSE_RECORDS.atMostGAreThere(toGrams(milligrams)) }
  })

/** Where a pour comes from. Old levain comes out of its jar, or the discard pot, and from outside where the ledger knows of too little there. */
export async function drawn(
  work: Work,
  event: Extract<BakeEvent, { type: 'pour' }>,
  jarId: string,
  olderJarId: string | null,
  batchId: string,
  poured: number
): Promise<LedgerEntry[]> {
  const to = `batch:${batchId}` as const
  if (event.item === 'seed') return transfer(`jar:${jarId}`, to, poured)
  if (event.item !== 'older levain') return transfer(`shelf:${event.ingredientId ?? event.item}`, to, poured)
  if (olderJarId !== null) {
    const { row: older, milligrams } = await jarForSeed(work, olderJarId)
    // It is there to be used up: nothing of it has to stay.
    if (poured > milligrams) throw moreThanThereIs(older.name, milligrams, poured)
    return transfer(`jar:${olderJarId}`, to, poured)
  }
  const fromPot = Math.min(Math.max(await balanceOf(work, 'discard'), 0), poured)
  return [...transfer('discard', to, fromPot), ...transfer('outside', to, poured - fromPot)]
}
