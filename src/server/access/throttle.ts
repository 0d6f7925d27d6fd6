import { millisecondsInMinute } from 'date-fns/constants'
import { LRUCache } from 'lru-cache'
import { REFUSE_ACCESS } from '../../words/refusals/access'
import { Problem } from '../problems'

/** So many slips cost nothing; every one after it doubles the wait, up to the lock. */
const FREE_SLIPS = 4
const FIRST_WAIT_MS = 2000
const LOCK_MS = 15 * millisecondsInMinute
/** Slips of the whole network in a quarter of an hour, after which everybody waits. */
const SLIPS_OF_ALL = 60
const ADDRESSES_KEPT = 2000

interface Slips {
  count: number
  untilMs: number
}

/** Slows guesses down, for each address and for all of them together. */
export interface Throttle {
  /** @throws Problem `too many` while this address has to wait */
  admit(address: string): void
  slipped(address: string): void
  succeeded(address: string): void
}

/** @param nowMs a clock that only goes forth, ms */
export function createThrottle(nowMs: () => number = () => performance.now()): Throttle {
  const slips = new LRUCache<string, Slips>({ max: ADDRESSES_KEPT })
  const all: Slips = { count: 0, untilMs: 0 }
  let windowEndsMs = 0
  return {
    admit(address) {
      const waitMs = Math.max(slips.get(address)?.untilMs ?? 0, all.untilMs) - nowMs()
      if (waitMs > 0) throw new Problem(429, 'too many', REFUSE_ACCESS.thatWasWrongTooOften(inWords(waitMs)))
    },
    slipped(address) {
      const now = nowMs()
      const { count } = slips.get(address) ?? { count: 0 }
      const over = count + 1 - FREE_SLIPS
      slips.set(address, { count: count + 1, untilMs: over <= 0 ? 0 : now + Math.min(LOCK_MS, FIRST_WAIT_MS * 2 ** (over - 1)) })
      if (now >= windowEndsMs) {
        all.count = 0
        windowEndsMs = now + LOCK_MS
      }
      all.count++
      if (all.count >= SLIPS_OF_ALL) all.untilMs = windowEndsMs
    },
    succeeded: (address) => void slips.delete(address)
  }
}

const inWords = (ms: number) => (ms < millisecondsInMinute ? `${Math.ceil(ms / 1000)} s` : `${Math.ceil(ms / millisecondsInMinute)} min`)
