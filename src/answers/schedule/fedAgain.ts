import { millisecondsInHour } from 'date-fns/constants'
import type { Plan } from '../../contract'
import { type BakeState, beliefShown, FED_AGAIN, type FedWay, feedsOf, isFedAgain, levainAsItShows, type Verdict } from '../../core'
import type { FeedAmounts } from '../jars/feed'
import { type ReadyQuestion, shownAge } from '../judgement/isItReady'

/** When a levain is fed again, and how. */
export interface FeedAgain {
  /** Names it among the stages before the levain: nextStage. */
  readonly stage: string
  readonly flourPerSeed: number
  /** When it is fed, ms. */
  readonly atMs: number
  /** When the dough is mixed with what comes of it, ms. */
  readonly mixAtMs: number
}

/**
 * A plan once its levain is to be fed again: what stands there is a first build, made when its level was marked, and the next one is seeded from it.
 * @param state of the bake, with that levain in it
 */
export function fedAgainPlan(plan: Plan, { poured, band, moves }: Pick<BakeState, 'poured' | 'band' | 'moves'>, feed: FeedAgain): Plan {
  const { build } = plan
  const { placeId, tempC } = moves.at(-1) ?? plan
  return {
    ...plan,
    placeId,
    tempC,
    build: { ...build, source: 'separate build', by: { kind: 'ratio', flourPerSeed: feed.flourPerSeed } },
    // What was fed and built before it has gone into it.
    before: [
      {
        id: feed.stage,
        kind: 'first build',
        at: band?.atMs ?? feed.atMs,
        seedGrams: poured.seed + poured['older levain'],
        flourGrams: poured.flour,
        waterGrams: poured.water,
        placeId: plan.placeId,
        tempC: plan.tempC
      }
    ],
    moves: [],
    pins: [],
    bread: null,
    startAt: feed.atMs,
    mixAt: feed.mixAtMs
  }
}

/** What the levain of a bake is called among the stages once the next one is built from it. */
export function nextStage({ deeds }: Pick<BakeState, 'deeds'>): string {
  const fed = [...deeds.keys()].filter(isFedAgain).length
  return fed === 0 ? FED_AGAIN : `${FED_AGAIN} ${fed + 1}`
}

/** What comes of a levain that is fed again now; null where no feed of it is ripe while the baker is up. */
export function fedNow(question: ReadyQuestion, verdict: Verdict, plannedMixMs: number, awake: (ms: number) => number, nowMs: number): FeedTold | null {
  const { line, school, belief } = question
  const shown = shownAge(question, verdict)
  const jar = beliefShown(belief, line, shown).centre
  const told = feedsTold(feedsOf({ line, nowMs, school, jar }, levainAsItShows(line, shown, nowMs, jar)), plannedMixMs, awake)
  return soonestMixed(told)
}

/** Of the feeds that are told, the one whose levain is mixed soonest: the day of a collapsed levain goes on from it. */
export const soonestMixed = (told: readonly FeedTold[]): FeedTold | null => told.find(({ mixAtMs }) => mixAtMs !== null) ?? null

/** A feed of a jar that leaves as much in it as before, in whole grams. @param grams what is in it @param hydration water per flour of the feed */
export function sameAgain(grams: number, { flourPerSeed }: Pick<FedWay, 'flourPerSeed'>, hydration: number): FeedAmounts {
  const keepGrams = Math.round(grams / (1 + flourPerSeed * (1 + hydration)))
  return { keepGrams, flourGrams: Math.round(keepGrams * flourPerSeed), waterGrams: Math.round(keepGrams * flourPerSeed * hydration) }
}

/** A feed that is told, and when the dough can be mixed with what comes of it. */
export interface FeedTold extends FedWay {
  /** Null where it is ripe and past again while the baker sleeps. */
  readonly mixAtMs: number | null
}

/** A feed is offered as ripe for the planned mix when it comes so near to it, ms. */
const NEAR_MS = 2 * millisecondsInHour

/** The feeds worth telling: the one that is ripe soonest; where that is in somebody's sleep, the soonest that is not; and the one that comes nearest to the mix that was planned. */
export function feedsTold(feeds: readonly FedWay[], plannedMixMs: number, awake: (ms: number) => number): FeedTold[] {
  const all = feeds.map((feed): FeedTold => {
    const mixAtMs = awake(feed.ripeMs)
    return { ...feed, mixAtMs: mixAtMs <= feed.closesMs ? mixAtMs : null }
  })
  const soonest = all[0]
  const off = ({ ripeMs }: FedWay) => Math.abs(ripeMs - plannedMixMs)
  const near = all.reduce<FeedTold | undefined>((best, feed) => (best === undefined || off(feed) < off(best) ? feed : best), undefined)
  const awakeOne = soonestMixed(all)
  return all.filter((feed) => feed === soonest || feed === awakeOne || (feed === near && off(feed) < NEAR_MS))
}
