/** What to do with a running levain: one advice for a moment, by rules that no likelihood may break. Every screen, reminder and calendar tells this one. */
import { type Draws, drawnGas, type Forecast, isAwaited, reaches, type School } from '../ferment/forecast'
import { BELOW_MARK, type Contradiction, SURELY_PAST } from './contradiction'
import type { Mark } from './marks'
import type { Phase } from './phases'
import type { Phases } from './surprise'

/** What to do now. Hours since mixing. */
export type Advice =
  | {
      /** Ready, and seen to be so. */
      readonly kind: 'mix now'
      /** Infinity: no end known. */
      readonly closesHours: number
      /** It has fallen, as it is wanted. */
      readonly fullSour?: boolean
    }
  | {
      readonly kind: 'wait' /** Infinity: nobody knows. */
      readonly opensHours: number
      readonly lookAgainHours: number
      /** Until it has fallen, as it is wanted. */
      readonly fullSour?: boolean
    }
  | {
      /** Nobody has looked of late, or what was seen does not settle it. */
      readonly kind: 'look'
      readonly why: 'should be ready' | 'may be past' | 'not sure'
      readonly closesHours: number
      /** Probability that it is past what the school wants. */
      readonly pastNow: number
    }
  | { /** Yeast raises the dough, so that nobody waits for the levain. */ readonly kind: 'for taste' }
  | { /** The last level contradicts what was seen, or what can be. */ readonly kind: 'ask'; readonly about: Contradiction }
  | {
      /** Chilled while it was ready, and good until then. */ readonly kind: 'held'
      readonly untilHours: number /** Somebody had looked then. */
      readonly seen: boolean
    }
  | { /** Later than the school wants. */ readonly kind: 'past'; readonly how: 'riper than wanted' | 'past its best' | 'collapsed' }
  | {
      readonly kind: 'not rising'
      readonly lookAgainHours: number
      /** By then it would have begun 19 times in 20, for this jar where it stands. */
      readonly lateHours: number
    }

/** What an advice is made of. */
export interface AdviceFacts {
  /** As it was mixed. */
  readonly draws: Draws
  /** As the looks have corrected it. */
  readonly forecast: Forecast
  readonly phases: Phases
  /** Probability that it is fit to mix now. */
  readonly fitNow: number
  readonly nowHours: number
  /** In the order of time. */
  readonly marks: readonly Mark[]
  readonly school: School
  readonly contradiction: Contradiction | null
  /** Phases by the forecast alone, before any look. */
  readonly unseen: Phases
}

/** A look counts as of now for so long, h. */
export const FRESH_HOURS = 0.5
/** Rise below which a jar that should be climbing is not rising. */
const STILL_RISE = 1.1
/** Share of draws below which such a level is a surprise. */
const SURPRISE = 0.1
/** Looked at again after so long at the soonest, h. */
const SOONEST_LOOK_HOURS = 0.25
const LONGEST_WAIT_HOURS = 6
/** Phases in which it is past what a school wants. */
const PAST: Readonly<Record<School, readonly Phase[]>> = {
  young: ['peak', 'easing', 'collapsed'],
  dome: ['easing', 'collapsed'],
  mature: ['collapsed'],
  'full sour': [],
  'for taste': []
}

/** Phases before it. */
const BEFORE: Readonly<Record<School, readonly Phase[]>> = {
  young: ['lag', 'climbing'],
  dome: ['lag', 'climbing', 'young'],
  mature: ['lag', 'climbing', 'young', 'peak'],
  'full sour': ['lag', 'climbing', 'young', 'peak', 'easing'],
  'for taste': []
}
/** Ready at less than even odds: where that is still the likeliest. */
const LEAST_FIT = 0.4
/** Never where it may have collapsed by more than so much. */
const MOST_COLLAPSED = 0.12

/** So many levels outweigh a forecast that is sure. */
const ENOUGH_LOOKS = 3

/** What to do with a levain now. */
export function advise(facts: AdviceFacts): Advice {
  const { draws, forecast, phases, fitNow, nowHours, marks, school, contradiction } = facts
  if (!isAwaited(school)) return { kind: 'for taste' }
  if (notRising(draws, marks)) return { kind: 'not rising', lookAgainHours: nowHours + 2, lateHours: reaches(draws, STILL_RISE - 1).p95 }
  if (school === 'full sour') return adviseSour(facts)
  const pastNow = shareOf(phases, PAST[school])
  const beforeNow = shareOf(phases, BEFORE[school])
  const closes = forecast.closes.p50
  const closesHours = closes > nowHours ? closes : Number.POSITIVE_INFINITY
  const ready = phases.collapsed <= MOST_COLLAPSED && (fitNow >= 0.5 || (fitNow >= LEAST_FIT && fitNow >= beforeNow))
  // A level below its forecast alone, once it is said to be right, is what the forecast goes on from.
  const below =
    contradiction !== null &&
    (contradiction.kind === 'fell' ? contradiction.earlier !== null || !contradiction.believed : contradiction.kind === 'below the mark')
  // A slow levain lies below its forecast, too: it is asked about only where it would be taken for a ripe one, or has been higher.
  if (contradiction !== null && !contradiction.believed && (contradiction.earlier !== null || contradiction.kind !== 'fell' || ready || pastNow >= 0.5))
    return { kind: 'ask', about: contradiction }
  const last = marks.at(-1)
  const isFresh = isFreshly(last, nowHours)
  const sunken = last?.signs?.top === 'sunken'
  // Where the forecast is sure that it is past, or a film shows that it has been higher, one level or two may be misread: they do not make it ready.
  const saysPast = shareOf(facts.unseen, PAST[school]) >= SURELY_PAST || (school === 'dome' && last?.signs?.smear === 'yes')
  const against = saysPast && marks.filter(({ rise }) => rise !== undefined).length < ENOUGH_LOOKS
  if (ready && !below && !sunken && !(isFresh && against))
    return isFresh ? { kind: 'mix now', closesHours } : { kind: 'look', why: 'should be ready', closesHours, pastNow }
  const hasBeenHigher = below && contradiction.earlier !== null
  if (sunken || hasBeenHigher || pastNow >= 0.5) {
    if (!isFresh && !sunken && !hasBeenHigher) return { kind: 'look', why: 'may be past', closesHours, pastNow }
    const how =
      phases.collapsed >= phases.easing && phases.collapsed >= phases.peak
        ? 'collapsed'
        : phases.easing >= phases.peak || sunken
          ? 'past its best'
          : 'riper than wanted'
    return { kind: 'past', how }
  }
  const opens = forecast.opens.p50
  if (nowHours < opens) {
    return waitFor(forecast, nowHours)
  }
  return { kind: 'look', why: 'not sure', closesHours, pastNow }
}

/** A look that tells how it is now. */
const isFreshly = (last: Mark | undefined, nowHours: number) =>
  last !== undefined && last.explained !== 'stirred' && last.explained !== 'band moved' && nowHours - last.hours <= FRESH_HOURS

function waitFor({ opens }: Pick<Forecast, 'opens'>, nowHours: number): Extract<Advice, { kind: 'wait' }> {
  const soonest = nowHours + SOONEST_LOOK_HOURS
  // Where nobody knows when it gets there, it is looked at again after some hours.
  const wait = Math.min(opens.p50 - nowHours, LONGEST_WAIT_HOURS)
  return { kind: 'wait', opensHours: opens.p50, lookAgainHours: Math.max(soonest, Math.min(opens.p25, nowHours + 0.7 * wait)) }
}

/** What to do with a sour that is wanted past its peak: that it has fallen is no harm, and only waiting too long is. */
function adviseSour({ forecast, fitNow, nowHours, marks, contradiction }: AdviceFacts): Advice {
  // What fell was wanted to; a level that cannot be is asked about all the same.
  if (contradiction !== null && !contradiction.believed && contradiction.kind !== 'fell') return { kind: 'ask', about: contradiction }
  const closesHours = forecast.closes.p50
  const isFresh = isFreshly(marks.at(-1), nowHours)
  // What the last look showed tells that it has fallen, not for how long: the clock tells the end.
  if (nowHours >= closesHours)
    return isFresh ? { kind: 'past', how: 'past its best' } : { kind: 'look', why: 'may be past', closesHours: Number.POSITIVE_INFINITY, pastNow: 1 - fitNow }
  if (fitNow >= 0.5) return isFresh ? { kind: 'mix now', closesHours, fullSour: true } : { kind: 'look', why: 'should be ready', closesHours, pastNow: 0 }
  return nowHours < forecast.opens.p50 ? { ...waitFor(forecast, nowHours), fullSour: true } : { kind: 'look', why: 'not sure', closesHours, pastNow: 0 }
}

const shareOf = (phases: Phases, some: readonly Phase[]) => some.reduce((sum, phase) => sum + phases[phase], 0)

/** The last look found the level at the band, where it has always been, although hardly any draw says it could still be there. */
function notRising(draws: Draws, marks: readonly Mark[]): boolean {
  const last = marks.at(-1)
  if (marks.some(({ rise = 1 }) => rise >= STILL_RISE)) return false
  if (last?.rise === undefined || last.rise < BELOW_MARK) return false
  const { hours } = last
  const lazy = draws.milestones.filter((_, k) => drawnGas(draws, k, hours) < STILL_RISE - 1).length
  return lazy < SURPRISE * draws.milestones.length
}
