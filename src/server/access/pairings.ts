import { REFUSE_ACCESS } from '../../words/refusals/access'
import { Problem } from '../problems'
import { hashOf, newToken } from '../records/devices/tokens'

/** A code lets one device in, for so long. */
export const PAIRING_MS = 5 * 60_000
/** So many codes can be open at once. */
const MOST_OPEN = 10

/** Codes that let another device in without the passphrase. They are kept nowhere and end with the server. */
export interface Pairings {
  make(nowMs: number): { readonly code: string; readonly untilMs: number }
  /** Uses a code up. @throws Problem when it is not known, was used or has ended */
  use(code: string, nowMs: number): void
}

export function createPairings(): Pairings {
  const open = new Map<string, number>()
  return {
    make(nowMs) {
      for (const [hash, untilMs] of open) if (untilMs <= nowMs) open.delete(hash)
      if (open.size >= MOST_OPEN) open.delete(open.keys().next().value ?? '')
      const code = newToken()
      const untilMs = nowMs + PAIRING_MS
      open.set(hashOf(code), untilMs)
      return { code, untilMs }
    },
    use(code, nowMs) {
      const hash = hashOf(code)
      const untilMs = open.get(hash)
      open.delete(hash)
      if (untilMs === undefined || untilMs <= nowMs) throw new Problem(403, 'wrong passphrase', REFUSE_ACCESS.thisCodeHasBeenUsed)
    }
  }
}
