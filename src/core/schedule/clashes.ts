import { millisecondsInMinute } from 'date-fns/constants'
import type { Interval } from './nights'

/** What a bake takes, as far as others might want it at the same time. */
export interface Claim {
  readonly id: string
  readonly name: string
  readonly hands: readonly (Interval & { readonly step: string })[]
  readonly oven: Interval | null
  readonly stays: readonly (Interval & { readonly placeId: string })[]
}

/** Two bakes that want the same thing at the same time. */
export interface Clash {
  readonly kind: 'hands' | 'oven' | 'place'
  readonly ids: readonly [string, string]
  readonly names: readonly [string, string]
  /** What each does then; the place where one is full. */
  readonly what: readonly [string, string]
  readonly fromMs: number
  readonly toMs: number
}

/** Hands may do two things within so many minutes; longer is a clash. */
const SHARED_MINUTES = 5

const overlap = (a: Interval, b: Interval): Interval => ({ fromMs: Math.max(a.fromMs, b.fromMs), toMs: Math.min(a.toMs, b.toMs) })

/**
 * Everything that two of several bakes want at once: one oven, one pair of hands, places that take only so many.
 * @param claims what each takes
 * @param takes how many find room at a place; missing: as many as there are
 * @returns in the order of time; each pair once for each thing and step
 */
export function clashesOf(claims: readonly Claim[], takes: ReadonlyMap<string, number> = new Map()): Clash[] {
  const found: Clash[] = []
  claims.forEach((a, i) => {
    for (const b of claims.slice(i + 1)) {
      const note = (kind: Clash['kind'], what: readonly [string, string], at: Interval) =>
        found.push({ kind, ids: [a.id, b.id], names: [a.name, b.name], what, fromMs: at.fromMs, toMs: at.toMs })
      if (a.oven !== null && b.oven !== null) {
        const both = overlap(a.oven, b.oven)
        if (both.toMs > both.fromMs) note('oven', ['oven', 'oven'], both)
      }
      for (const x of a.hands)
        for (const y of b.hands) {
          const both = overlap(x, y)
          if (both.toMs - both.fromMs > SHARED_MINUTES * millisecondsInMinute) note('hands', [x.step, y.step], both)
        }
    }
  })
  for (const [placeId, room] of takes) found.push(...crowded(claims, placeId, room))
  return found.sort((a, b) => a.fromMs - b.fromMs)
}

/** Stretches in which more stand at a place than it takes: the last that came with the first that is there. */
function crowded(claims: readonly Claim[], placeId: string, room: number): Clash[] {
  const stays = claims
    .flatMap((claim) => claim.stays.filter((s) => s.placeId === placeId).map((stay) => ({ claim, stay })))
    .sort((a, b) => a.stay.fromMs - b.stay.fromMs)
  return stays.flatMap(({ claim, stay }, i) => {
    const there = stays.slice(0, i).filter((other) => other.stay.toMs > stay.fromMs && other.claim.id !== claim.id)
    const first = there[0]
    if (there.length < room || first === undefined) return []
    const both = overlap(first.stay, stay)
    return [
      { kind: 'place', ids: [first.claim.id, claim.id], names: [first.claim.name, claim.name], what: [placeId, placeId], fromMs: both.fromMs, toMs: both.toMs }
    ]
  })
}
