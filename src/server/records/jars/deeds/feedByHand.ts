import type { z } from 'zod'
import type { feedSchema } from '../../../../contract'
import { isRecorded, type Work } from '../../work'
import { countForProgram } from '../programStates'
import { feedJar } from './feed'

/** Feeds a jar outside its program: where a feed was due in that, this was it. */
export async function feedByHand(work: Work, jarId: string, feed: z.output<typeof feedSchema>): Promise<void> {
  if (await isRecorded(work, feed.id)) return
  await feedJar(work, jarId, feed)
  await countForProgram(work, jarId, feed)
}
