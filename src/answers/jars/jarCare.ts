import { millisecondsInHour } from 'date-fns/constants'
import type { Feed, Jar, Kitchen, Plan } from '../../contract'
import { isCold, type JarCondition, nightAt } from '../../core'
import { awakeAt } from '../kitchen/awakeAt'
import { whereItStands } from './jarNow'

/** When a jar is to be fed: at an hour somebody is up, and by when at the latest. */
export interface FeedDue {
  readonly atMs: number
  /** From then on one feed is not enough; null: not within the time that is looked at. */
  readonly byMs: number | null
}

/** Nobody is called to a jar sooner after its feed than this, h. */
const SOONEST_HOURS = 2

/** A culture that does not rise yet is fed every day, h. */
const YOUNG_HOURS = 24

/** A moment that falls into the baker's sleep is moved before it where that is still to come, else after it. */
function whileAwake(ms: number, soonestMs: number, { sleep, timeZone }: Pick<Kitchen, 'sleep' | 'timeZone'>): number {
  const night = nightAt(ms, sleep, timeZone)
  if (night === undefined) return ms
  return night.fromMs >= soonestMs ? night.fromMs : night.toMs
}

/**
 * When a jar wants its next feed: as often as it is fed, where that is known, once it is ripe, and before one feed is not enough any more; else when it
 * gets hungry.
 * @param plans of open bakes: where one of them feeds this jar, that is its feed
 * @param nowMs the time now, ms
 * @returns null for one that sleeps dried, is in a program, is old levain to be used up, is empty, or is fed by a bake
 */
export function feedDue(
  jar: Pick<Jar, 'id' | 'culture' | 'program' | 'grams' | 'keepMinimumGrams' | 'lastFeed' | 'line' | 'putOffUntil' | 'young'>,
  condition: Pick<JarCondition, 'hungryMs' | 'peakMs' | 'fades'>,
  kitchen: Pick<Kitchen, 'sleep' | 'timeZone'>,
  plans: readonly Pick<Plan, 'jarId' | 'before'>[] = []
): FeedDue | null {
  if (jar.culture === 'dried' || jar.program !== null || jar.grams < 1 || jar.keepMinimumGrams === 0) return null
  if (plans.some((plan) => plan.jarId === jar.id && plan.before.some((stage) => stage.kind === 'wake'))) return null
  const { lastFeed, line } = jar
  const byMs = jar.young ? null : (condition.fades.find((fade) => fade.strength === 'two feeds')?.fromMs ?? null)
  const habitMs = lastFeed?.everyHours == null ? null : lastFeed.at + lastFeed.everyHours * millisecondsInHour
  // Whatever the habit: what is still rising is not thrown away.
  const dailyMs = line.startedAtMs + YOUNG_HOURS * millisecondsInHour
  const usual = jar.young ? dailyMs : habitMs === null ? condition.hungryMs : Math.max(habitMs, condition.peakMs ?? habitMs)
  if (usual === null) return null
  const atMs = byMs === null ? usual : Math.min(usual, byMs)
  const soonestMs = line.startedAtMs + SOONEST_HOURS * millisecondsInHour
  const dueMs = whileAwake(Math.max(atMs, soonestMs), soonestMs, kitchen)
  return { atMs: jar.putOffUntil !== null && jar.putOffUntil > dueMs ? awakeAt(kitchen, jar.putOffUntil) : dueMs, byMs }
}

/** Who puts a feed off is asked again so long before one feed is not enough any more, ms. */
const BEFORE_TOO_LATE_MS = 2 * millisecondsInHour

/** Until when a feed is put off: as long as its baker says, but not past the time when one feed is not enough any more, unless that is over already. */
export function putOffTo(wantedMs: number, { byMs }: Pick<FeedDue, 'byMs'>, nowMs: number): number {
  const latestMs = (byMs ?? Number.POSITIVE_INFINITY) - BEFORE_TOO_LATE_MS
  return latestMs > nowMs + BEFORE_TOO_LATE_MS ? Math.min(wantedMs, latestMs) : wantedMs
}

/** Until when a feed waits that is left out once: the next one by its habit. @returns null where it has none */
export function skippedUntil({ lastFeed }: Pick<Jar, 'lastFeed'>, { atMs }: FeedDue, nowMs: number): number | null {
  return lastFeed?.everyHours == null ? null : Math.max(atMs, nowMs) + lastFeed.everyHours * millisecondsInHour
}

/** Flour per starter of the last feed that is known, or as it was told when the jar came: none or one. */
export function usualRatio({ lastFeed, line }: Pick<Jar, 'lastFeed' | 'line'>): number[] {
  const [kept, flour] =
    lastFeed === null
      ? [line.parents.reduce((sum, p) => sum + p.grams, 0), Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)]
      : [lastFeed.keepGrams, lastFeed.flours.reduce((sum, f) => sum + f.grams, 0)]
  if (!(kept > 0)) return []
  const ratio = flour / kept
  return ratio >= 0.5 && ratio <= 20 ? [Math.round(ratio * 10) / 10] : []
}

/** A feed like the last one. */
export interface HabitualFeed extends Pick<Feed, 'keepGrams' | 'waterGrams' | 'mixTempC' | 'placeId' | 'later'> {
  readonly flours: Feed['flours']
  readonly flourGrams: number
  /** What goes to the discard pot, g. */
  readonly discardGrams: number
}

/** Where the fed jar stands, and how warm it comes out: what is kept has the warmth of its place, flour and water that of the room. */
export function freshMixC(keptGrams: number, keptC: number, freshGrams: number, roomC: number): number {
  const all = keptGrams + freshGrams
  return all > 0 ? (keptGrams * keptC + freshGrams * roomC) / all : roomC
}

/**
 * The feed a jar is used to: the grams of its last one, and out of the cold for as long as then.
 * @returns null where no feed of it is known, or it holds too little for it
 */
export function habitualFeed(jar: Jar, { places }: Pick<Kitchen, 'places'>, nowMs: number): HabitualFeed | null {
  const { lastFeed, grams, stays } = jar
  if (lastFeed === null || lastFeed.keepGrams < 1 || lastFeed.keepGrams > grams) return null
  const { keepGrams, flours, waterGrams } = lastFeed
  const flourGrams = flours.reduce((sum, f) => sum + f.grams, 0)
  const { placeId } = whereItStands(jar, nowMs)
  const tempOf = (id: string) => places.find((p) => p.id === id)?.tempC ?? Number.NaN
  const [first, next] = stays
  // It was put into the cold some hours after its last feed.
  const out = first !== undefined && next !== undefined && next.placeId === placeId && isCold(tempOf(placeId)) && !isCold(tempOf(first.placeId))
  const roomC = places[0]?.tempC ?? tempOf(placeId)
  return {
    keepGrams,
    flours,
    flourGrams,
    waterGrams,
    discardGrams: Math.max(grams - keepGrams, 0),
    mixTempC: Math.round(freshMixC(keepGrams, tempOf(placeId), flourGrams + waterGrams, roomC) * 10) / 10,
    placeId: out ? first.placeId : placeId,
    later: out ? { placeId, afterHours: (next.from - first.from) / millisecondsInHour } : null
  }
}
