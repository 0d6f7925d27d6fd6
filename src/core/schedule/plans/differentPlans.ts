import { millisecondsInHour } from 'date-fns/constants'
import { sure } from '../../units/sure'
import type { DayPlan, TimedPlanStage } from './problem'
import { OUT_FIRST_HOURS } from './stages'

/** Plans that are offered at most. */
export const MOST_PLANS = 5
/** A plan so much dearer than the best is no help, in minutes of trouble. */
export const WORTH_WHILE = 130
/** What counts as another: hours between starts and mixes, ratios by their quotient, places by kelvins. */
const APART = { startHours: 2, muchStartHours: 5, mixHours: 2, ratio: 1.6, tempK: 2.5 } as const

/**
 * Picks plans that differ in what a baker would do: not the same day with another decimal.
 * @param plans the cheapest first
 * @returns five at most, fewer where there are no more; never padded
 */
export function differentPlans(plans: readonly DayPlan[]): DayPlan[] {
  const best = plans[0]
  if (best === undefined) return []
  const chosen: DayPlan[] = []
  for (const plan of plans) {
    if (chosen.length === MOST_PLANS || plan.cost > best.cost + WORTH_WHILE || !Number.isFinite(plan.cost)) break
    if (chosen.every((other) => areDifferent(plan, other))) chosen.push(plan)
  }
  return chosen
}

const ripensCold = ({ stage }: Pick<TimedPlanStage, 'stage'>) => OUT_FIRST_HOURS.some((hours) => hours === stage.chill?.afterHours)

/** What of a plan makes it another one. */
export interface Draft extends Pick<DayPlan, 'mixMs' | 'course'> {
  readonly stages: readonly Pick<TimedPlanStage, 'stage' | 'startMs'>[]
}

/** The places a dough stands in; how long in each makes no other day. */
const doughPlaces = ({ course }: Draft) => [course.placeId, ...(course.moves ?? []).map((move) => move.placeId)].join(' ')

/** Whether two plans are truly two: in how they are built, or in at least two of start, mix, ratio and place. */
export function areDifferent(a: Draft, b: Draft): boolean {
  const [x, y] = [sure(a.stages.at(-1)), sure(b.stages.at(-1))]
  const hours = (p: number, q: number) => Math.abs(p - q) / millisecondsInHour
  const [firstA, firstB] = [sure(a.stages[0]), sure(b.stages[0])]
  if (a.stages.length !== b.stages.length) return true
  if ((x.stage.chill === null) !== (y.stage.chill === null)) return true
  if (a.course.proof.kind !== b.course.proof.kind) return true
  if (doughPlaces(a) !== doughPlaces(b)) return true
  if (hours(firstA.startMs, firstB.startMs) >= APART.muchStartHours) return true
  // Held in the cold until the same mix: how it got there makes no other day. What ripens there was out for longer, or not.
  if (x.stage.chill !== null) return x.stage.chill.afterHours !== y.stage.chill?.afterHours && [x, y].every(ripensCold)
  const ratio = x.stage.flourPerSeed / y.stage.flourPerSeed
  const differences = [
    hours(firstA.startMs, firstB.startMs) >= APART.startHours,
    hours(a.mixMs, b.mixMs) >= APART.mixHours,
    Math.max(ratio, 1 / ratio) >= APART.ratio,
    Math.abs(x.stage.place.standing.tempC - y.stage.place.standing.tempC) >= APART.tempK
  ]
  return differences.filter(Boolean).length >= 2
}
