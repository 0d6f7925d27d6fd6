import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { Jar, Kitchen, Place } from '../../contract'
import { asSeed, feedByRatio, isCold, type JarBelief, type LineStay, lineOfFeed, nightAt, type Pantry, simulate, vesselOf } from '../../core'
import { standingAt } from '../bake/solvePlan'
import { chanceAt, fitWindow, whatToExpect } from '../judgement/isItReady'
import { freshMixC, usualRatio } from './jarCare'
import { whereItStands } from './jarNow'

/** How a jar waits for its day. */
export type DateWayKind = 'warm' | 'cold' | 'cold, then out'

/** A feed now after which a jar is ripe when it is wanted. */
export interface DateWay {
  readonly kind: DateWayKind
  /** Fresh flour per gram kept. */
  readonly ratio: number
  readonly keepGrams: number
  readonly flourGrams: number
  readonly waterGrams: number
  readonly mixTempC: number
  /** Where it stands at first. */
  readonly placeId: string
  /** Where it waits in the cold, from `coldMs` on; null: it stays where it is. */
  readonly coldPlaceId: string | null
  readonly coldMs: number | null
  /** When it is taken out of the cold again; null: it is not. */
  readonly outMs: number | null
  /** When it is highest. */
  readonly peakMs: number
  readonly window: { readonly fromMs: number; readonly toMs: number } | null
  /** How likely it is ready at the moment it is wanted. */
  readonly chance: number | null
}

/** Fresh flour per gram kept that is thought of. */
const RATIOS = { least: 0.5, most: 20 } as const
/** For a jar that is taken out again: what it may be fed before, its own habit first. */
const USUAL_RATIOS = [2, 5, 1, 3, 10]
const HOUR_OUT_MS = millisecondsInHour
const LOOK_HOURS = 24 * 30
const USUAL_KEEP = 20
/** A peak so near the wish is the wish, ms. */
const NEAR_MS = 10 * millisecondsInMinute

/** A ratio as bakers say it: to a tenth, from 1:3 on to a half. */
const asSaid = (ratio: number) => (ratio < 3 ? Math.round(ratio * 10) / 10 : Math.round(ratio * 2) / 2)

/** What is usually kept of a jar, g. */
export const usuallyKept = ({ grams, lastFeed }: Pick<Jar, 'grams' | 'lastFeed'>) =>
  lastFeed !== null && lastFeed.keepGrams >= 1 && lastFeed.keepGrams <= grams ? lastFeed.keepGrams : Math.max(Math.min(USUAL_KEEP, Math.floor(grams)), 1)

/** Where a jar is fed, and where it waits: as warm as it stands, and the first cold place. */
interface Spots {
  /** Where it stands now. */
  readonly hereC: number
  readonly warm: Place
  readonly cold: Place | undefined
  readonly stay: (place: Place, fromMs: number) => LineStay
}

/** @returns null for a kitchen that is cold everywhere */
function spotsOf(jar: Jar, { places, timeZone }: Kitchen, nowMs: number): Spots | null {
  const here = places.find((p) => p.id === whereItStands(jar, nowMs).placeId)
  const warm = here !== undefined && !isCold(here.tempC) ? here : places.find((p) => !isCold(p.tempC))
  if (warm === undefined) return null
  const stay = (place: Place, fromMs: number): LineStay => ({ fromMs, ...standingAt(place, place.tempC, fromMs, timeZone) })
  return { hereC: here?.tempC ?? warm.tempC, warm, cold: places.find((p) => isCold(p.tempC)), stay }
}

/** A feed at a ratio and what comes of it. @returns null for one that cannot be mixed */
function fedAt(jar: Jar, keepGrams: number, ratio: number, stays: readonly LineStay[], { hereC, warm }: Spots, pantry: Pantry, belief: JarBelief) {
  const kept = { grams: keepGrams, hydration: jar.hydration, flour: jar.flour, line: asSeed(jar.line) }
  const fed = feedByRatio(kept, ratio, jar.hydration)
  if (!fed.ok) return null
  const flourGrams = Math.max(Math.round(fed.value.flour), 1)
  const waterGrams = Math.max(Math.round(fed.value.water), 1)
  const mixTempC = Math.round(freshMixC(keepGrams, hereC, flourGrams + waterGrams, warm.tempC) * 10) / 10
  const line = lineOfFeed(kept, { feed: jar.feed, flourGrams, waterGrams, mixTempC }, stays, pantry)
  const { peakHours } = simulate(vesselOf(line, belief.centre), belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true }).milestones
  return { flourGrams, waterGrams, mixTempC, line, peakHours }
}
type Fed = NonNullable<ReturnType<typeof fedAt>>

/** Ratios whose days in the cold are told. */
const COLD_RATIOS = [1, 2, 5, 10] as const

/** Days a jar takes to its peak in the cold after an hour out, ratio by ratio. @returns none where there is no cold place */
export function coldDays(
  jar: Jar,
  { kitchen, pantry }: { readonly kitchen: Kitchen; readonly pantry: Pantry },
  belief: JarBelief,
  nowMs: number
): { readonly ratio: number; readonly days: number }[] {
  const spots = spotsOf(jar, kitchen, nowMs)
  if (spots?.cold === undefined) return []
  const stays = [spots.stay(spots.warm, nowMs), spots.stay(spots.cold, nowMs + HOUR_OUT_MS)]
  return COLD_RATIOS.flatMap((ratio) => {
    const peakHours = fedAt(jar, usuallyKept(jar), ratio, stays, spots, pantry, belief)?.peakHours
    return peakHours == null ? [] : [{ ratio, days: peakHours / 24 }]
  })
}

/**
 * Ways to feed a jar now so that it is ripe at a moment: warm all the time, an hour out and then in the cold, or taken out of the cold again in time.
 * @param keepGrams what is kept of it
 * @param wantMs when it is wanted, ms
 * @returns those that come out, the likeliest first; none where it is too soon, or further off than a month
 */
export function waysForDate(
  jar: Jar,
  { kitchen, pantry }: { readonly kitchen: Kitchen; readonly pantry: Pantry },
  belief: JarBelief,
  keepGrams: number,
  nowMs: number,
  wantMs: number
): DateWay[] {
  const spots = spotsOf(jar, kitchen, nowMs)
  if (spots === null || wantMs <= nowMs || wantMs > nowMs + LOOK_HOURS * millisecondsInHour) return []
  const { warm, cold, stay } = spots
  const fed = (ratio: number, stays: readonly LineStay[]) => fedAt(jar, keepGrams, ratio, stays, spots, pantry, belief)
  const peakOf = (feed: Fed | null) => nowMs + (feed === null ? Number.POSITIVE_INFINITY : (feed.peakHours ?? LOOK_HOURS) * millisecondsInHour)
  const told = (kind: DateWayKind, ratio: number, feed: Fed, coldMs: number | null, outMs: number | null): DateWay => {
    const { line, peakHours: _, ...amounts } = feed
    const forecast = whatToExpect(line, 'dome', belief)
    return {
      kind,
      ratio,
      keepGrams,
      ...amounts,
      peakMs: peakOf(feed),
      placeId: warm.id,
      coldPlaceId: coldMs === null ? null : (cold?.id ?? null),
      coldMs,
      outMs,
      window: fitWindow(forecast, nowMs),
      chance: chanceAt(forecast, nowMs, wantMs)
    }
  }
  /** The ratio whose peak is when it is wanted: more flour takes longer. */
  const byRatio = (kind: DateWayKind, stays: readonly LineStay[], coldMs: number | null): DateWay[] => {
    const ratio = crossing((tried) => peakOf(fed(tried, stays)), RATIOS.least, RATIOS.most, wantMs)
    if (ratio === null) return []
    const feed = fed(asSaid(ratio), stays)
    return feed === null ? [] : [told(kind, asSaid(ratio), feed, coldMs, null)]
  }
  const coldMs = nowMs + HOUR_OUT_MS
  /** The hour it is taken out, for a ratio its baker uses anyway: the later, the later it is ripe. */
  const outAgain = (place: Place): DateWay[] => {
    for (const ratio of new Set([...usualRatio(jar), ...USUAL_RATIOS])) {
      const stays = (outMs: number) => [stay(warm, nowMs), stay(place, coldMs), stay(warm, outMs)]
      const found = crossing((outMs) => peakOf(fed(ratio, stays(outMs))), coldMs + HOUR_OUT_MS, wantMs, wantMs)
      if (found === null) continue
      const outMs = Math.round(found / NEAR_MS) * NEAR_MS
      if (nightAt(outMs, kitchen.sleep, kitchen.timeZone) !== undefined) continue
      const feed = fed(ratio, stays(outMs))
      if (feed !== null) return [told('cold, then out', ratio, feed, coldMs, outMs)]
    }
    return []
  }
  const ways = [
    ...byRatio('warm', [stay(warm, nowMs)], null),
    ...(cold === undefined ? [] : byRatio('cold', [stay(warm, nowMs), stay(cold, coldMs)], coldMs)),
    ...(cold === undefined || wantMs < coldMs + 2 * HOUR_OUT_MS ? [] : outAgain(cold))
  ]
  return ways.sort((a, b) => (b.chance ?? 0) - (a.chance ?? 0))
}

const HALVINGS = 14

/**
 * Where a rising function comes to a value.
 * @returns null where it is above it from the start, or never gets there
 */
function crossing(of: (x: number) => number, from: number, to: number, value: number): number | null {
  if (of(from) > value + NEAR_MS || of(to) < value - NEAR_MS) return null
  let [low, high] = [from, to]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (of(middle) < value) low = middle
    else high = middle
  }
  return (low + high) / 2
}
