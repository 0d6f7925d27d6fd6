import { millisecondsInHour } from 'date-fns/constants'
import type { Jar, Plan, StageBeforePlan } from '../../contract'
import { asSeed, buildFor, kindsOfBlend, ownTraitsOfBlend, type PlannedBuild, windowOf } from '../../core'
import { type Cultures, type Stocked, standingIn } from '../bake/solvePlan'
import { usualRatio } from '../jars/jarCare'
import { beliefIn } from '../judgement/beliefs'
import { awakeAt } from '../kitchen/awakeAt'

/** Flour per starter that is tried, the jar's own usual one first. Source: craft knowledge. */
const RATIOS = [2, 1, 3, 4, 5, 6, 8, 10, 1.5, 0.5]
/** A scale of whole grams is off by so much: 20 g are 20 g. */
const SCALE_GRAMS = 0.5
/** What stays in a jar that has no least of its own, g. */
const USUAL_LEFT = 20

/**
 * The feed that makes a jar ready for a mix it is used for as it is, and large enough for it.
 * @param seedGrams starter that goes into the dough, g
 * @param nowMs the time now, ms: the feed is given later, while the baker is awake
 * @returns null where no ratio has such a feed
 */
export function feedForMix(
  plan: Plan,
  jar: Jar,
  seedGrams: number,
  { beliefs }: Cultures,
  { kitchen, pantry }: Stocked,
  nowMs: number
): StageBeforePlan | null {
  const { hydration, flour, feed, keepMinimumGrams } = jar
  const kinds = kindsOfBlend(feed, pantry)
  if (kinds === null) return null
  const leastTotal = seedGrams + Math.max(keepMinimumGrams, USUAL_LEFT)
  const { placeId, tempC, mixTempC, school, mixAt } = plan
  for (const flourPerSeed of new Set([...usualRatio(jar), ...RATIOS])) {
    const growth = 1 + flourPerSeed * (1 + hydration)
    if (leastTotal > growth * jar.grams + SCALE_GRAMS) continue
    // Whoever keeps more at each feed keeps as much now, so that less is thrown away.
    const total = Math.min(Math.max(leastTotal, growth * Math.min(jar.lastFeed?.keepGrams ?? 0, jar.grams)), growth * jar.grams)
    const build: PlannedBuild = {
      levain: {
        source: 'separate build',
        doughNeeds: [total],
        keepBackGrams: 0,
        sticksGrams: 0,
        hydration,
        salt: 0,
        oil: 0,
        by: { kind: 'ratio', flourPerSeed },
        jar: { grams: jar.grams, hydration, keepMinimumGrams: 0 },
        older: { share: 0, hydration }
      },
      flours: kinds,
      own: ownTraitsOfBlend(feed, pantry),
      seed: { flour, line: asSeed(jar.line), jar: beliefIn(beliefs, jar.id).centre },
      place: standingIn(kitchen, placeId, tempC, mixAt),
      mixTempC
    }
    const timed = buildFor(build, mixAt, school)
    if (!timed.ok) continue
    const { startMs, milestones } = timed.value
    // Fed a little later, once somebody is up, it is ready at the mix as long as its window has opened by then.
    const feedMs = awakeAt(kitchen, Math.max(startMs, nowMs))
    const { opensHours } = windowOf(milestones, school)
    if (feedMs !== startMs && (opensHours === null || mixAt - feedMs < opensHours * millisecondsInHour)) continue
    const { seed, flour: flourGrams, water } = timed.value.levain.masses
    return {
      id: 'wake',
      kind: 'wake',
      at: feedMs,
      seedGrams: Math.round(seed),
      flourGrams: Math.round(flourGrams),
      waterGrams: Math.round(water),
      placeId,
      tempC
    }
  }
  return null
}
