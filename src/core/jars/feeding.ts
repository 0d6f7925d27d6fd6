import { type BuildMasses, type BuildProblem, solveBuild } from '../build/solveBuild'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { gasAt } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import type { Result } from '../units/result'
import { type BatchLine, type LineStay, vesselOf } from './lineage'

const MS_PER_HOUR = 3_600_000

/** What is kept of a jar when it is fed: it goes into the mix. */
export type Kept = BatchLine['parents'][number]

/**
 * Flour and water for what is kept, by ratio, so that all of it then has a hydration.
 * @param kept g, and water ÷ flour of it
 * @param flourPerSeed 2 for 1:2
 * @param hydration of the fed jar
 * @returns masses; `seed too wet` with the smallest ratio that works
 * @example feedByRatio({ grams: 20, hydration: 1 }, 2, 1) // 20 : 40 : 40
 */
export function feedByRatio(kept: Pick<Kept, 'grams' | 'hydration'>, flourPerSeed: number, hydration: number): Result<BuildMasses, BuildProblem> {
  const totalGrams = kept.grams * (flourPerSeed + 1 / (1 + kept.hydration)) * (1 + hydration)
  return solveBuild({ totalGrams, hydration, seedHydration: kept.hydration, by: { kind: 'ratio', flourPerSeed } })
}

/**
 * A feed as a batch, before it is done.
 * @param stays where it will stand, in the order of time; the first from the feed on
 */
export function lineOfFeed(
  kept: Kept,
  fresh: { readonly flourGrams: number; readonly waterGrams: number; readonly mixTempC: number },
  stays: readonly LineStay[]
): BatchLine {
  return {
    startedAtMs: stays[0]?.fromMs ?? 0,
    flours: { [kept.flour]: fresh.flourGrams },
    waterGrams: fresh.waterGrams,
    saltGrams: 0,
    mixTempC: fresh.mixTempC,
    stays,
    parents: [kept]
  }
}

/** Risen by so much it goes into the cold, for those who wait that long. */
export const TWO_THIRDS = 2 / 3
const LOOK_HOURS = 72
const ROUNDS = 30

/**
 * When a batch has risen by so much for the first time.
 * @param gas g: rise less 1
 * @returns hours since mixing; null when it does not within three days
 */
export function risenHours(line: BatchLine, gas: number, jar: JarParameters = TYPICAL_JAR): number | null {
  const { curve } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS, stopPastPeak: true })
  const after = curve.gas.subarray(0, curve.count).findIndex((g) => g >= gas)
  if (after <= 0) return null
  let [low, high] = [curve.hours[after - 1] as number, curve.hours[after] as number]
  for (let round = 0; round < ROUNDS; round++) {
    const middle = (low + high) / 2
    if (gasAt(curve, middle) < gas) low = middle
    else high = middle
  }
  return high
}

/** One feed of waking a jar up. */
export interface WakeUpFeed {
  readonly atMs: number
  /** Fresh flour per gram kept. */
  readonly flourPerSeed: number
  /** When it is at its top: the next feed, or the build, is then. */
  readonly ripeMs: number
}

/** A feed that never shows a top is followed by the next after so long, h. */
const SILENT_HOURS = 24
const KEPT_GRAMS = 20

/**
 * Feeds that bring a jar back to strength, each at the top of the one before.
 * @param jarNow what is in it
 * @param ratios fresh flour per gram kept, feed by feed
 * @param atMs when the first is
 * @param stayAt where it stands from a moment on
 */
export function wakeUpPlan(
  jarNow: Omit<Kept, 'grams'>,
  ratios: readonly number[],
  atMs: number,
  stayAt: (fromMs: number) => LineStay,
  jar: JarParameters = TYPICAL_JAR
): WakeUpFeed[] {
  const feeds: WakeUpFeed[] = []
  let kept: Kept = { ...jarNow, grams: KEPT_GRAMS }
  let now = atMs
  for (const flourPerSeed of ratios) {
    const stay = stayAt(now)
    const flourGrams = KEPT_GRAMS * flourPerSeed
    const line = lineOfFeed(kept, { flourGrams, waterGrams: flourGrams * kept.hydration, mixTempC: stay.tempC }, [stay])
    const { milestones } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS, stopPastPeak: true })
    const ripeMs = now + (milestones.peakHours ?? SILENT_HOURS) * MS_PER_HOUR
    feeds.push({ atMs: now, flourPerSeed, ripeMs })
    kept = { ...kept, line }
    now = ripeMs
  }
  return feeds
}
