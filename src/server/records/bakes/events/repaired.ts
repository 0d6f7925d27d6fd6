import type { Effect, Told } from './effect'
import { refuseClosed } from './refuseClosed'

/** What a bowl is to hold from now on. */
export async function repaired({ state, event: { into } }: Told<'repair'>): Promise<Effect> {
  refuseClosed(state, into)
  return { entries: [], batchId: null }
}
