import type { Jar } from '../../contract'
import { conditionOf, type JarCondition, type JarParameters } from '../../core'

/** Where a jar stands, and where it goes on to. */
export interface Standpoint {
  readonly placeId: string
  /** A move that is still to be made; null: it stays. */
  readonly next: { readonly placeId: string; readonly atMs: number } | null
}

/** Where a jar stands at a moment, not where it will be in the end. */
export function whereItStands({ placeId, stays }: Pick<Jar, 'placeId' | 'stays'>, nowMs: number): Standpoint {
  const here = stays.findLast((stay) => stay.from <= nowMs) ?? stays[0]
  const next = stays.find((stay) => stay.from > nowMs && stay !== here)
  return { placeId: here?.placeId ?? placeId, next: next === undefined ? null : { placeId: next.placeId, atMs: next.from } }
}

/** How a jar is at a moment, and what it needs when. */
export const howItIs = ({ line }: Pick<Jar, 'line'>, parameters: JarParameters, nowMs: number): JarCondition => conditionOf(line, nowMs, parameters)
