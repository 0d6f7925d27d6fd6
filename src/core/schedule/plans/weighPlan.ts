import { millisecondsInHour } from 'date-fns/constants'
import { feedsToWake } from '../../jars/lineage'
import { sure } from '../../units/sure'
import { type CourseHere, doughPace, type Task, tasksOfDough } from '../course'
import type { Interval } from '../nights'
import { minutesOf } from '../work'
import { isSameStand } from './cost'
import { gridOf } from './grid'
import { type CostPart, type DayPlan, HABIT_LEEWAY_MS, type PlanProblem, type TimedPlanStage } from './problem'
import { bestRest, dayKinds, doughOfDay, type Rest } from './rests'
import { doughStaysOf, type Trouble, troubleOf, violationsOf } from './trouble'
import { makeStages } from './windows'

/** Sums what a plan costs, part by part, and names the limits it breaks. */
export function weighPlan(
  problem: PlanProblem,
  trouble: Trouble,
  stages: readonly TimedPlanStage[],
  mixMs: number,
  { course, times, pace }: Omit<Rest, 'cost'>
): DayPlan {
  const because: Partial<Record<CostPart, number>> = {}
  const collect = (part: CostPart, cost: number) => {
    if (cost > 0) because[part] = (because[part] ?? 0) + cost
  }
  let cost = trouble.ofMissing(missingFeeds(problem, stages), collect) + trouble.ofMorning(times, collect) + trouble.ofOven(course, times, collect)
  stages.forEach(({ stage, startMs, window }, i) => {
    cost += trouble.ofStage(stage, startMs, collect)
    const next = stages[i + 1]
    if (next !== undefined) cost += trouble.ofUse(window, (next.startMs - startMs) / millisecondsInHour, collect)
  })
  const last = sure(stages.at(-1))
  cost += trouble.ofMix(last.stage, last.window, last.startMs, mixMs, collect) + trouble.ofStay(last.stage, last.startMs, mixMs)
  return {
    stages,
    mixMs,
    course,
    pace,
    times,
    chance: trouble.chanceOfMix(last.stage, last.window, last.startMs, mixMs),
    cost,
    because,
    violations: violationsOf(problem, tasksOfPlan({ stages, times, course }), times, staysOfPlan(problem, { stages, mixMs, course, times }))
  }
}

/** All that a plan asks of the baker, in the order of time. */
export function tasksOfPlan({ stages, times, course }: Pick<DayPlan, 'stages' | 'times' | 'course'>): Task[] {
  return [
    ...stages.flatMap(({ stage, startMs }): Task[] => [
      { step: stage.kind, fromMs: startMs, minutes: minutesOf(stage.kind === 'wake' ? 'wake' : 'build', course), needs: 'hands' },
      ...(stage.chill === null
        ? []
        : [
            {
              step: 'chill' as const,
              fromMs: startMs + stage.chill.afterHours * millisecondsInHour,
              minutes: minutesOf('chill', course),
              needs: 'hands' as const
            }
          ])
    ]),
    ...tasksOfDough(times, course)
  ]
}

/** Where levain and dough of a plan stand. */
function staysOfPlan(
  problem: PlanProblem,
  { stages, mixMs, course, times }: Pick<DayPlan, 'stages' | 'mixMs' | 'course' | 'times'>
): (Interval & { placeId: string })[] {
  const last = sure(stages.at(-1))
  return [{ placeId: last.stage.place.id, fromMs: last.startMs, toMs: mixMs }, ...doughStaysOf(problem, course, times)]
}

/** With exact figures the best start of the last build may shift a little: so many moments of the grid are tried on either side. */
const MOVED_STEPS = 4
/** Where its own levain makes the dough too slow or too quick for its limits, it is mixed so many moments sooner or later: the nearest that will do. */
const MIX_MOVED = [0, -1, 1, -2, 2, -3, -4] as const

/**
 * A plan that was found, worked out with what its stages are really seeded with, and its dough with its own levain: the search takes one of each for all.
 * The last build begins a little sooner or later where that is better; the mix moves only where it must.
 * @returns null where it keeps no limits then
 */
export function refinePlan(problem: PlanProblem, plan: DayPlan): DayPlan | null {
  const trouble = troubleOf(problem, plan.violations.length > 0)
  const { stepMs } = gridOf(problem)
  const { wish } = problem
  const fixed = wish.kind === 'mix' || wish.kind === 'habit'
  const isHabit = (startMs: number) => wish.kind !== 'habit' || Math.abs(startMs - wish.buildMs) <= HABIT_LEEWAY_MS
  for (const mixMoved of fixed ? [0] : MIX_MOVED) {
    let best: DayPlan | null = null
    for (let moved = -MOVED_STEPS; moved <= MOVED_STEPS; moved++) {
      const stages = plan.stages.map((s, i) => (i < plan.stages.length - 1 ? s : { ...s, startMs: s.startMs + moved * stepMs }))
      if (!isHabit(sure(stages.at(-1)).startMs)) continue
      const found = reckonedAnew(problem, trouble, { ...plan, mixMs: plan.mixMs + mixMoved * stepMs }, stages)
      if (found !== null && found.cost < (best?.cost ?? Number.POSITIVE_INFINITY)) best = found
    }
    if (best !== null) return best
  }
  return null
}

/** The way a dough goes on in a course that was found. */
const kindOf = (problem: PlanProblem, course: CourseHere) =>
  dayKinds(problem).find((kind) => kind.course.proof.kind === course.proof.kind && isSameStand(kind.course, course))

function reckonedAnew(problem: PlanProblem, trouble: Trouble, { mixMs, course }: DayPlan, stages: readonly TimedPlanStage[]): DayPlan | null {
  const { build, nowMs } = problem
  if (stages.some(({ startMs }) => startMs < nowMs)) return null
  const made = makeStages(problem, stages)
  const levain = made?.at(-1)?.line
  if (made === null || levain === undefined) return null
  const timed = stages.map((s, i) => ({ ...s, window: sure(made[i]).window }))
  const kind = kindOf(problem, course)
  if (kind === undefined) return null
  const mixed = doughOfDay(problem, kind.stand, mixMs)
  const pace = doughPace({ ...mixed, parents: mixed.parents.map((p) => ({ ...p, line: levain })) }, kind.course, build.seed.jar)
  const rest = bestRest(trouble, kind.course, gridOf(problem), mixMs, pace)
  return rest === null ? null : weighPlan(problem, trouble, timed, mixMs, rest)
}

/** Feeds that the culture would want besides those of a plan. */
function missingFeeds({ build }: PlanProblem, stages: readonly TimedPlanStage[]): number {
  const { line, jar } = build.seed
  const wanted = line === null ? 0 : feedsToWake(line, stages[0]?.startMs ?? 0, jar)
  return wanted - (stages.length - 1)
}
