import { z } from 'zod'
import { keep, kept } from '../../data/storage'

const KEPT = 'olvent.base'
/** Longer ago it was another bowl, ms. */
const FRESH_MS = 10 * 60_000
const keptSchema = z.object({ of: z.string(), base: z.number(), atMs: z.number() })

/** What the scale showed before the item that is due, so that a page that is loaded again in the middle of a pour goes on from there. */
export function keptBase(stamp: string): number | null {
  const there = kept(KEPT, keptSchema, 'window')
  return there !== null && there.of === of(stamp) && Date.now() - there.atMs < FRESH_MS ? there.base : null
}

/** Keeps it in this window. */
export function keepBase(stamp: string, base: number): void {
  keep(KEPT, { of: of(stamp), base, atMs: Date.now() }, 'window')
}

const of = (stamp: string) => `${window.location.pathname} ${stamp}`
