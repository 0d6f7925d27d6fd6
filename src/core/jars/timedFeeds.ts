import { millisecondsInHour } from 'date-fns/constants'
import type { BlendPart, Pantry } from '../dough/ingredient'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { feedByRatio, type Kept, lineOfFeed } from './feeding'
import { type LineStay, vesselOf } from './lineage'

/** A feed that shows no top is taken to be ripe after so long, h. */
const SILENT_HOURS = 24
const LOOK_HOURS = 72

/** One feed of several, with when it should be ripe. */
export interface TimedFeed {
  readonly flourPerSeed: number
  readonly flourGrams: number
  readonly waterGrams: number
  /** When it is done, ms, if each is done at the top of the one before. */
  readonly atMs: number
  /** Hours until it is at its top. */
  readonly ripeHours: number
}

/** What feeds are worked out from. */
export interface FeedsFrom {
  /** What is in the jar, and how much of it is kept at each feed, g. */
  readonly kept: Kept
  readonly feed: readonly BlendPart[]
  /** Water ÷ flour it is to have. */
  readonly hydration: number
  readonly pantry: Pantry
  /** Where it stands from a moment on. */
  readonly stayAt: (fromMs: number) => LineStay
  readonly jar?: JarParameters
}

/**
 * Feeds one after the other, each at the top of the one before.
 * @param ratios fresh flour per gram kept, feed by feed; one too small for the hydration is raised to the least that works
 * @param atMs when the first is
 */
export function timedFeeds({ kept, feed, hydration, pantry, stayAt, jar = TYPICAL_JAR }: FeedsFrom, ratios: readonly number[], atMs: number): TimedFeed[] {
  const feeds: TimedFeed[] = []
  let seed = kept
  let now = atMs
  for (const wanted of ratios) {
    const first = feedByRatio(seed, wanted, hydration)
    const flourPerSeed = first.ok ? wanted : (first.problem.values.leastFlourPerSeed ?? wanted)
    const fed = first.ok ? first : feedByRatio(seed, flourPerSeed, hydration)
    const { flour, water } = fed.ok ? fed.value : { flour: seed.grams * flourPerSeed, water: seed.grams * flourPerSeed * hydration }
    const stay = stayAt(now)
    const masses = { flourGrams: Math.max(Math.round(flour), 1), waterGrams: Math.max(Math.round(water), 1) }
    const line = lineOfFeed(seed, { feed, ...masses, mixTempC: stay.tempC }, [stay], pantry)
    const { milestones } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS, stopPastPeak: true })
    const ripeHours = milestones.peakHours ?? SILENT_HOURS
    feeds.push({ flourPerSeed, ...masses, atMs: now, ripeHours })
    seed = { ...seed, hydration, line }
    now += ripeHours * millisecondsInHour
  }
  return feeds
}
