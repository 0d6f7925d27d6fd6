import type { z } from 'zod'
import type { weighingSchema } from '../../../../contract'
import { toMilligrams, transfer } from '../../../../core'
import { REFUSE_JARS } from '../../../../words/refusals/jars'
import { theKitchen } from '../../kitchen/kitchens'
import { eventOf, isRecorded, record, type Work } from '../../work'
import { jarForSeed, refuseFuture } from '../jars'

/** One weighing corrects what the ledger believes. */
export async function weighJar(work: Work, jarId: string, weighing: z.output<typeof weighingSchema>): Promise<void> {
  if (await isRecorded(work, weighing.id)) return
  const kitchen = await theKitchen(work)
  const { milligrams } = await jarForSeed(work, jarId)
  refuseFuture(weighing.happenedAt, work.nowMs, REFUSE_JARS.weighing)
  const off = toMilligrams(weighing.grams) - milligrams
  await record(
    work,
    eventOf(kitchen.id, jarId, weighing, 'weighing', { grams: weighing.grams }),
    off >= 0 ? transfer('outside', `jar:${jarId}`, off) : transfer(`jar:${jarId}`, 'loss', -off)
  )
}
