import { millisecondsInHour } from 'date-fns/constants'
import type { Jar, Kitchen, Place } from '../../contract'
import { conditionOf, FRESH_HOURS, isCold, type JarCondition, type JarParameters } from '../../core'

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

/** The cold place a jar stands in at a moment; undefined where it stands in the warm. */
export function coldPlaceOf(jar: Pick<Jar, 'placeId' | 'stays'>, { places }: Pick<Kitchen, 'places'>, nowMs: number): Place | undefined {
  const { placeId } = whereItStands(jar, nowMs)
  return places.find((place) => place.id === placeId && isCold(place.tempC))
}

/** A move that was planned and that nobody has said was made. */
export interface PlannedMove {
  readonly placeId: string
  readonly atMs: number
}

/** After this it is taken for made, h: whoever forgot to say so is not asked for ever. */
const ASKED_HOURS = 24

/** The moves of a jar that are to come, or that have been due for less than a day without a word. */
export function plannedMoves({ stays, placeToldAt }: Pick<Jar, 'stays' | 'placeToldAt'>, nowMs: number): PlannedMove[] {
  return stays
    .filter((stay) => stay.from > placeToldAt && stay.from > nowMs - ASKED_HOURS * millisecondsInHour)
    .map(({ placeId, from }) => ({ placeId, atMs: from }))
}

/** The look that tells how a jar is now: one of the last half hour; undefined where nobody has looked, or it was stirred. */
export function seenNow({ looks }: Pick<Jar, 'looks'>, nowMs: number): Jar['looks'][number] | undefined {
  const last = looks.at(-1)
  const tells = last?.explained !== 'stirred' && last?.explained !== 'band moved'
  return last !== undefined && tells && nowMs - last.at <= FRESH_HOURS * millisecondsInHour ? last : undefined
}

/** How a jar is at a moment, and what it needs when. */
export const howItIs = ({ line }: Pick<Jar, 'line'>, parameters: JarParameters, nowMs: number): JarCondition => conditionOf(line, nowMs, parameters)
