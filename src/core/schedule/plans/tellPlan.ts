import { millisecondsInHour } from 'date-fns/constants'
import { sourceLevain } from '../../build/source'
import type { Acidity } from '../../ferment/acidity'
import { drawForecast, fitHours, horizonHours, type School, windowOf } from '../../ferment/forecast'
import { type JarBelief, TYPICAL_JAR } from '../../ferment/jarParameters'
import { simulate } from '../../ferment/simulate'
import { isCold } from '../../jars/condition'
import { type BatchLine, vesselOf } from '../../jars/lineage'
import { sourAfter } from '../../readiness/compareLines'
import { chilledSince, isReadyWithin } from '../../readiness/hold'
import { sure } from '../../units/sure'
import { type Busy, busyGrid } from '../availability'
import { COST, MIX_LEEWAY_MS } from './cost'
import type { DayPlan, FitWindow, PlanProblem, PlanStage } from './problem'
import { eatenMs } from './trouble'
import { refinePlan, tasksOfPlan } from './weighPlan'
import { buildOfStage, flourOfStage, keptInCold, makeStages } from './windows'

/** A kitchen is taken to be so far off what is said of it: sd of the draws, and what is told as warmer and colder, K. */
const KITCHEN_OFF_K = 2
const SPREAD_DRAWS = 60
/** For a likelihood to within a few in a hundred. */
const CHANCE_DRAWS = 400
/** Without any top to be seen in a draw, the pace is taken to be so uncertain. */
const UNKNOWN_SPREAD = 0.35
/** A pace is never known more closely. */
const LEAST_SPREAD = 0.01

/** What is told of a plan beside its times. */
export interface ToldPlan {
  /** How likely the levain is fit while hands are there: over all that is not known of jar, build and room. */
  readonly chance: number
  /** The window as it is worked out, and with the kitchen 2 °C colder and warmer; ms. */
  readonly window: Told
  readonly colder: Told | null
  readonly warmer: Told | null
  /** How sour its levain is when it is mixed; null where there is none. */
  readonly sour: Acidity | null
  readonly handsMinutes: number
  /** Fresh flour of all feeds and builds, g. */
  readonly flourGrams: number
  /** What goes to the discard pot, g. */
  readonly discardGrams: number
}

/** A window on the clock, ms. */
export interface Told {
  readonly fromMs: number
  readonly toMs: number
}

/**
 * How little is known of the pace of a build: sd of the logarithm of the hours to its fit moment, the kitchen 2 °C off.
 * @param line the build as it is planned
 */
function paceSpread(line: BatchLine, belief: JarBelief, school: School): number {
  const vessel = vesselOf(line, belief.centre)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const draws = drawForecast(vessel, belief, { untilHours: horizonHours(milestones), count: SPREAD_DRAWS, roomSdC: KITCHEN_OFF_K })
  const logs = draws.milestones.flatMap((m) => {
    const hours = fitHours(m, school)
    return hours === null ? [] : [Math.log(hours)]
  })
  if (logs.length < SPREAD_DRAWS / 2) return UNKNOWN_SPREAD
  const mean = logs.reduce((sum, x) => sum + x, 0) / logs.length
  return Math.max(Math.sqrt(logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (logs.length - 1)), LEAST_SPREAD)
}

/** The spreads of a problem: of the build seeded from the jar as it stands, and of one whose seed was fed. */
export function spreadsOf(line: BatchLine, belief: JarBelief, school: School): PlanProblem['spread'] {
  const fed = { ...line, parents: line.parents.map((p) => ({ ...p, line: null })) }
  return { jar: paceSpread(line, belief, school), fed: paceSpread(fed, belief, school) }
}

/**
 * Plans with what is told of them, by what they cost once their real likelihood is known, or by when there is bread to eat where that is wished for as soon as can be;
 * those that would most likely fail only where there is nothing better.
 */
export function rankPlans(problem: Pick<PlanProblem, 'wish' | 'busy'>, told: readonly { readonly plan: DayPlan; readonly told: ToldPlan }[]): typeof told {
  const costOf = ({ plan, told: t }: (typeof told)[number]) => plan.cost + COST.chance * (plan.chance - t.chance)
  const eaten = ({ plan }: (typeof told)[number]) => (problem.wish.kind === 'soonest' ? eatenMs(problem, plan.times) : 0)
  const ranked = [...told].sort((a, b) => eaten(a) - eaten(b) || costOf(a) - costOf(b))
  const likely = ranked.filter((r) => r.told.chance >= LEAST_CHANCE)
  return likely.length > 0 ? likely : ranked
}

/** Below this a plan would more likely fail than not. */
export const LEAST_CHANCE = 0.5

/** With exact figures a plan may end a little later than the search thought: it leaves so much room before a time that must be kept, ms. */
const ROOM_MS = 10 * 60_000

/** The problem as it is searched: with a little room before the bread is wanted, since the dough is worked out again for each plan. */
export function withRoom(problem: PlanProblem): PlanProblem {
  const { wish } = problem
  return wish.kind === 'out' || wish.kind === 'eat' ? { ...problem, wish: { ...wish, atMs: wish.atMs - ROOM_MS } } : problem
}

/** When bread can be wished for so that a search with its room finds this plan again, ms. */
export function wishableMs({ times }: Pick<DayPlan, 'times'>, wish: PlanProblem['wish']): number {
  if (wish.kind === 'mix' || wish.kind === 'habit') return times.mixMs
  return Math.ceil(((wish.kind === 'eat' ? times.eatMs : times.outMs) + ROOM_MS) / FIVE_MINUTES_MS) * FIVE_MINUTES_MS
}
const FIVE_MINUTES_MS = 5 * 60_000

/** The problem with a levain that is ripe and lively: what a jar that is woken first makes of a dough. */
export function withRipeLevain(problem: PlanProblem): PlanProblem {
  return { ...problem, dough: { ...problem.dough, parents: problem.dough.parents.map((p) => ({ ...p, line: null })) } }
}

/** Plans as they are offered: each worked out again with its own levain, told, and ranked; those that keep no limits then are left out. */
export function offerPlans(problem: PlanProblem, plans: readonly DayPlan[], belief: JarBelief): readonly { readonly plan: DayPlan; readonly told: ToldPlan }[] {
  const refined = plans.flatMap((plan) => refinePlan(problem, plan) ?? [])
  return rankPlans(
    problem,
    refined.map((plan) => ({ plan, told: tellPlan(problem, plan, belief) }))
  )
}

/** Everything of a plan that is worth knowing before it is taken. */
export function tellPlan(problem: PlanProblem, plan: DayPlan, belief: JarBelief): ToldPlan {
  const last = sure(plan.stages.at(-1))
  const line = makeStages(problem, plan.stages)?.at(-1)?.line ?? null
  const jar = problem.build.seed.jar ?? TYPICAL_JAR
  const onClock = (window: FitWindow | null): Told | null =>
    window === null ? null : { fromMs: last.startMs + window.opens * millisecondsInHour, toMs: last.startMs + window.closes * millisecondsInHour }
  const off = (k: number) => onClock(line === null ? null : windowAtOffset(line, jar, problem.school, k, last.stage))
  const wakes = plan.stages.filter(({ stage }) => stage.kind === 'wake')
  const source = sourceLevain(buildOfStage(problem, last.stage).levain)
  const emptied = wakes.length > 0 ? Math.max(problem.build.levain.jar.grams - problem.wake.kept.grams, 0) : 0
  return {
    chance: line === null ? 0 : chanceWhileHome(line, belief, problem.school, plan.mixMs, problem.busy, problem.nowMs),
    window: off(0) ?? (onClock(last.window) as Told),
    colder: off(-KITCHEN_OFF_K),
    warmer: off(KITCHEN_OFF_K),
    sour: line === null ? null : sourAfter(line, (plan.mixMs - last.startMs) / millisecondsInHour, jar),
    handsMinutes: tasksOfPlan(plan).reduce((sum, t) => sum + (t.needs === 'hands' ? t.minutes : 0), 0),
    flourGrams: plan.stages.reduce((sum, { stage }) => sum + flourOfStage(problem, stage), 0),
    discardGrams: emptied + (source.ok ? source.value.discardGrams : 0)
  }
}

/** The window where all places are so much warmer or colder; what is cold stays cold. */
function windowAtOffset(line: BatchLine, jar: Parameters<typeof vesselOf>[1], school: School, offK: number, stage: PlanStage): FitWindow | null {
  const shifted = { ...line, stays: line.stays.map((stay) => (isCold(stay.tempC) ? stay : { ...stay, tempC: stay.tempC + offK })) }
  const { milestones } = simulate(vesselOf(shifted, jar), jar, { untilHours: 240, stopPastPeak: true })
  const { opensHours, closesHours } = windowOf(milestones, school)
  const fit = fitHours(milestones, school)
  return opensHours === null || closesHours === null || fit === null ? null : keptInCold({ opens: opensHours, fit, closes: closesHours }, stage)
}

/**
 * How likely a levain is ready while the baker is at home around the hour of the mix: over all that is not known of jar, build and room.
 * @param line the levain as it is planned
 * @param busy times that are taken, from now on
 */
export function chanceWhileHome(line: BatchLine, belief: JarBelief, school: School, mixMs: number, busy: readonly Busy[], nowMs: number): number {
  const free = busyGrid(busy, nowMs, mixMs + MIX_LEEWAY_MS).freeAround(mixMs, MIX_LEEWAY_MS)
  const hoursAt = (ms: number) => (ms - line.startedAtMs) / millisecondsInHour
  return chanceOf(line, belief, school, hoursAt(free.fromMs), hoursAt(free.toMs))
}

/** Share of the draws whose window meets the time in which hands are there. */
function chanceOf(line: BatchLine, belief: JarBelief, school: School, fromHours: number, toHours: number): number {
  const vessel = vesselOf(line, belief.centre)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: 240, stopPastPeak: true })
  const untilHours = Math.max(horizonHours(milestones), toHours * 1.2)
  const draws = drawForecast(vessel, belief, { untilHours, count: CHANCE_DRAWS, roomSdC: KITCHEN_OFF_K })
  const chilled = chilledSince(line, toHours)?.hours ?? null
  const fit = draws.milestones.filter((m) => isReadyWithin(windowOf(m, school), fromHours, toHours, chilled))
  return fit.length / draws.milestones.length
}
