import { millisecondsInHour } from 'date-fns/constants'
import { isAwaited } from '../../ferment/forecast'
import type { JarBelief } from '../../ferment/jarParameters'
import { isCold } from '../../jars/condition'
import { contentsOf } from '../../jars/lineage'
import { withInstantYeast } from '../../readiness/ways'
import { sure } from '../../units/sure'
import type { DayPlan, PlanProblem } from './problem'
import { findPlans } from './searchPlans'
import { type ToldPlan, tellPlan, withRoom } from './tellPlan'
import { eatenMs } from './trouble'
import { refinePlan } from './weighPlan'
import { canSpare } from './windows'

/** A day whose dough is raised by a little yeast: it does not wait for its levain. */
export interface YeastedWay {
  /** As it was searched: for taste, with the yeast in its dough. */
  readonly problem: PlanProblem
  readonly plan: DayPlan
  readonly told: ToldPlan
  /** Instant yeast, g, and as a share of all flour. */
  readonly yeastGrams: number
  readonly share: number
}

/** Instant yeast that is tried, the least first, as shares of all flour. Source: craft knowledge, a dough that rises in two to five hours. */
const SHARES = [0.002, 0.004, 0.008] as const
/** Bread as soon as can be is looked for within a day, h. */
const SAME_DAY_HOURS = 24

/** As much starter as the jar can spare: it gives more taste in a few hours than flour that was just fed. */
function ratioFor(asked: PlanProblem): number {
  const { ratios, flourPerSeed, places, placeId, build } = asked
  const place = places.find((p) => p.id === placeId) ?? sure(places[0])
  const stage = { kind: 'build', place, mixTempC: build.mixTempC, chill: null, fedBefore: 0 } as const
  return ratios.find((ratio) => ratio <= flourPerSeed && canSpare(asked, { ...stage, flourPerSeed: ratio })) ?? flourPerSeed
}

/**
 * The way with the least yeast whose dough keeps all limits, its levain built straight from the jar as it stands. Where bread is wanted as soon as can be, within a day.
 * @returns null where yeast mends nothing
 */
export function yeastedWay(asked: PlanProblem, belief: JarBelief): YeastedWay | null {
  if (!isAwaited(asked.school) || asked.asItIs === true) return null
  const { flourGrams } = contentsOf(asked.dough)
  const own = asked.places.filter(({ id, standing }) => id === asked.placeId && !isCold(standing.tempC))
  for (const share of SHARES) {
    const yeastGrams = Math.round(share * flourGrams * 10) / 10
    const problem: PlanProblem = {
      ...asked,
      school: 'for taste',
      straightFromJar: true,
      // It is a way out, whatever else the levain was to do.
      levainHabit: undefined,
      wish: asked.wish.kind === 'soonest' ? { ...asked.wish, withinHours: SAME_DAY_HOURS } : asked.wish,
      places: own.length > 0 ? own : asked.places,
      ratios: [ratioFor(asked)],
      mixTemps: [asked.build.mixTempC],
      dough: withInstantYeast(asked.dough, yeastGrams),
      stands: asked.stands.slice(0, 1)
    }
    const plan = findPlans(withRoom(problem))
      .flatMap((found) => refinePlan(problem, found) ?? [])
      .find(({ times }) => asked.wish.kind !== 'soonest' || eatenMs(asked, times) <= asked.nowMs + SAME_DAY_HOURS * millisecondsInHour)
    if (plan !== undefined) return { problem, plan, told: tellPlan(problem, plan, belief), yeastGrams, share }
  }
  return null
}
