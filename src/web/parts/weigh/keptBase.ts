import { z } from 'zod'

const KEPT = 'olvent.base'
/** Longer ago it was another bowl, ms. */
const FRESH_MS = 10 * 60_000
const keptSchema = z.object({ of: z.string(), base: z.number(), atMs: z.number() })

/** What the scale showed before the item that is due, so that a page that is loaded again in the middle of a pour goes on from there. */
export function keptBase(stamp: string): number | null {
  try {
    const kept = keptSchema.parse(JSON.parse(sessionStorage.getItem(KEPT) ?? 'null'))
    return kept.of === of(stamp) && Date.now() - kept.atMs < FRESH_MS ? kept.base : null
  } catch {
    return null
  }
}

/** Keeps it in this window. */
export function keepBase(stamp: string, base: number): void {
  try {
    sessionStorage.setItem(KEPT, JSON.stringify({ of: of(stamp), base, atMs: Date.now() }))
  } catch {
    // A full or forbidden storage: a pour that is cut off by a reload begins anew.
  }
}

const of = (stamp: string) => `${window.location.pathname} ${stamp}`
