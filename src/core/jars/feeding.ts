import { type BuildMasses, type BuildProblem, solveBuild } from '../build/solveBuild'
import { kindsOfBlend, ownTraitsOfBlend } from '../dough/blend'
import type { BlendPart, Pantry } from '../dough/ingredient'
import type { FloursByKind } from '../ferment/flours'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { firstHoursAt } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import type { Result } from '../units/result'
import { type BatchLine, type LineStay, vesselOf } from './lineage'

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

/** Flour and water of a feed, before it is done. */
export interface Fresh {
  /** Flours and their parts. */
  readonly feed: readonly BlendPart[]
  readonly flourGrams: number
  readonly waterGrams: number
  readonly mixTempC: number
}

/**
 * A feed as a batch.
 * @param stays where it will stand, in the order of time; the first from the feed on
 * @param pantry knows the flours; where it does not, the culture's own kind is meant
 */
export function lineOfFeed(kept: Kept, { feed, flourGrams, waterGrams, mixTempC }: Fresh, stays: readonly LineStay[], pantry: Pantry): BatchLine {
  const kinds: FloursByKind = kindsOfBlend(feed, pantry) ?? { [kept.flour]: 1 }
  return {
    startedAtMs: stays[0]?.fromMs ?? 0,
    flours: Object.fromEntries(Object.entries(kinds).map(([kind, share]) => [kind, share * flourGrams])),
    own: ownTraitsOfBlend(feed, pantry),
    waterGrams,
    saltGrams: 0,
    mixTempC,
    stays,
    parents: [kept]
  }
}

/** Risen by so much it goes into the cold, for those who wait that long. */
export const TWO_THIRDS = 2 / 3
const LOOK_HOURS = 72

/**
 * When a batch has risen by so much for the first time.
 * @param gas g: rise less 1
 * @returns hours since mixing; null when it does not within three days
 */
export function risenHours(line: BatchLine, gas: number, jar: JarParameters = TYPICAL_JAR): number | null {
  const { curve } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS, stopPastPeak: true })
  return firstHoursAt(curve, gas)
}
