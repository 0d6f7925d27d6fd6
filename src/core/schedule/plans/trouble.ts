import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { sure } from '../../units/sure'
import { type Busy, busyGrid, isHard } from '../availability'
import { type CourseTimes, type DoughCourse, outOfOven, type Task, tasksOfOven, tasksUntilShaped } from '../course'
import type { Interval } from '../nights'
import { minutesOf } from '../work'
import { COST, chanceWithin, courseCost, fitCost, MIX_LEEWAY_MS } from './cost'
import { type CostPart, type FitWindow, type PlanProblem, type PlanStage, type Violation, wishEnd } from './problem'
import { flourOfStage } from './windows'

/** A levain is put into the cold for no less than this, h. */
export const LEAST_HELD_HOURS = 2
/** What comes after the wish is looked at so far, ms. */
const BEYOND_MS = 60 * millisecondsInHour
/** A broken limit counts for at least so much, min. */
const LEAST_BROKEN_MINUTES = 5
/** Bread is not planned for longer before it is wanted, h. */
const MOST_EARLY_HOURS = 10

/** Told what a cost is for. */
export type Collect = (part: CostPart, cost: number) => void

/** What the parts of a plan cost. `Infinity` where a hard limit would be broken, unless limits may be bent. */
export interface Trouble {
  /** Of a feed or build at a moment. */
  readonly ofStage: (stage: PlanStage, startMs: number, collect?: Collect) => number
  /** Of using what a stage made at a moment: how far from its fit moment. A wake-up feed waits a while longer. */
  readonly ofUse: (window: FitWindow, hours: number, collect?: Collect) => number
  /** Of mixing a levain at a moment: how near it is to its best, and how likely it is fit while hands are there. */
  readonly ofMix: (stage: PlanStage, window: FitWindow, startMs: number, mixMs: number, collect?: Collect) => number
  /** Of the place a levain has until it is mixed. */
  readonly ofStay: (stage: PlanStage, startMs: number, mixMs: number) => number
  readonly chanceOfMix: (stage: PlanStage, window: FitWindow, startMs: number, mixMs: number) => number
  /** Of a dough until it is shaped: the same for all that may follow. */
  readonly ofMorning: (times: Pick<CourseTimes, 'autolyseMs' | 'mixMs' | 'foldMs' | 'moveMs' | 'shapeMs'>, collect?: Collect) => number
  /** Whether bread that goes into the oven then is neither late nor far too early. */
  readonly isAsked: (course: DoughCourse, bakeMs: number) => boolean
  /** What bread that goes into the oven then costs at least: it is early, or is waited for. */
  readonly ofBreadAtLeast: (course: DoughCourse, bakeMs: number) => number
  /** Of the oven, and of bread that is early or late. */
  readonly ofOven: (course: DoughCourse, times: CourseTimes, collect?: Collect) => number
  /** Of feeds that a culture wants and does not get. */
  readonly ofMissing: (feeds: number, collect?: Collect) => number
}

const silent: Collect = () => undefined

/**
 * Weighs the parts of plans for one problem.
 * @param bent limits may be broken, at a cost by the minute: to find what breaks least
 */
export function troubleOf(problem: PlanProblem, bent: boolean): Trouble {
  const { wish, nowMs, course: planned } = problem
  const endMs = wishEnd(problem)
  const grid = busyGrid(problem.busy, nowMs, endMs + BEYOND_MS)
  const hardBusy = problem.busy.filter(isHard)
  const broken = (minutes: number) => (minutes <= 0 ? 0 : bent ? COST.brokenMinute * Math.max(minutes, LEAST_BROKEN_MINUTES) : Number.POSITIVE_INFINITY)
  /** How far what is in the way would have to give, min. */
  const inTheWay = (fromMs: number, toMs: number) => {
    const hard = grid.hard(fromMs, toMs)
    if (hard === 0 || !bent) return hard
    return hardBusy.reduce((sum, busy) => (busy.fromMs < toMs && busy.toMs > fromMs ? sum + toEdge(busy, fromMs, toMs) : sum), 0)
  }
  const ofTask = ({ fromMs, minutes, spare }: Task, collect: Collect): number => {
    const toMs = fromMs + minutes * millisecondsInMinute
    if (spare === true) {
      const cost = grid.hard(fromMs, toMs) > 0 ? COST.fold : 0
      collect('no folds', cost)
      return cost
    }
    const soft = COST.softMinute * grid.soft(fromMs, toMs)
    collect('rather not', soft)
    return soft + broken(inTheWay(fromMs, toMs))
  }
  const overlap = (stretches: readonly Interval[], fromMs: number, toMs: number) =>
    stretches.reduce((sum, s) => sum + Math.max(0, Math.min(s.toMs, toMs) - Math.max(s.fromMs, fromMs)), 0) / millisecondsInMinute
  const placeFull = (placeId: string, fromMs: number, toMs: number) =>
    problem.full.length === 0
      ? 0
      : overlap(
          problem.full.filter((f) => f.placeId === placeId),
          fromMs,
          toMs
        )
  /** How long before it is wanted the bread is there, h; null where no hour of it was wished for. */
  const earlyHours = ({ coolHours }: DoughCourse, outMs: number) =>
    wish.kind === 'out' || wish.kind === 'eat' ? (wish.atMs - outMs) / millisecondsInHour - (wish.kind === 'eat' ? coolHours : 0) : null
  const isWanted = (early: number) => early <= MOST_EARLY_HOURS && (early >= -1e-6 || bent)
  /** The same stages and moments are asked for again and again. */
  const flours = new Map<PlanStage, number>()
  const flourOf = (stage: PlanStage) => {
    const grams = flours.get(stage) ?? flourOfStage(problem, stage)
    flours.set(stage, grams)
    return grams
  }
  const freeAt = new Map<number, Interval>()
  const chanceOfMix = ({ chill, fedBefore }: PlanStage, window: FitWindow, startMs: number, mixMs: number) => {
    const free = freeAt.get(mixMs) ?? grid.freeAround(mixMs, MIX_LEEWAY_MS)
    freeAt.set(mixMs, free)
    const toHours = (free.toMs - startMs) / millisecondsInHour
    // What was to be at its best when it goes into the cold hardly opens there; what is to ripen there does.
    const opensBy = chill === null || window.opens > chill.afterHours ? toHours : Math.min(toHours, chill.afterHours)
    return chanceWithin(window, (free.fromMs - startMs) / millisecondsInHour, opensBy, problem.spread[fedBefore === 0 ? 'jar' : 'fed'])
  }
  return {
    ofStage(stage, startMs, collect = silent) {
      const steps = COST.stage + (stage.chill === null ? 0 : COST.chill)
      const flour = (COST.flour * flourOf(stage)) / 100
      const unlike =
        stage.kind === 'build'
          ? COST.otherRatio * Math.abs(Math.log(stage.flourPerSeed / problem.flourPerSeed)) +
            (stage.place.id === problem.placeId ? 0 : COST.otherPlace) +
            (Math.abs(stage.mixTempC - problem.build.mixTempC) < 0.5 ? 0 : COST.otherWater)
          : 0
      collect('steps', steps)
      collect('flour', flour)
      collect('unlike the plan', unlike)
      let cost =
        steps +
        flour +
        unlike +
        ofTask({ step: 'build', fromMs: startMs, minutes: minutesOf(stage.kind === 'wake' ? 'wake' : 'build', planned), needs: 'hands' }, collect)
      if (stage.chill !== null)
        cost += ofTask(
          { step: 'chill', fromMs: startMs + stage.chill.afterHours * millisecondsInHour, minutes: minutesOf('chill', planned), needs: 'hands' },
          collect
        )
      return cost
    },
    ofUse(window, hours, collect = silent) {
      const last = usedUntil(window)
      if (hours < window.opens || hours > last) return Number.POSITIVE_INFINITY
      const cost = fitCost({ ...window, closes: last }, hours)
      collect('off the fit moment', cost)
      return cost
    },
    ofMix(stage, window, startMs, mixMs, collect = silent) {
      const hours = (mixMs - startMs) / millisecondsInHour
      if (hours < window.opens || hours > window.closes) return Number.POSITIVE_INFINITY
      // What is put into the cold is held there: nobody carries a levain away that goes into the dough at once, or has gone already.
      if (stage.chill !== null && hours < stage.chill.afterHours + LEAST_HELD_HOURS) return Number.POSITIVE_INFINITY
      const fit = fitCost(window, hours)
      const chance = COST.chance * (1 - chanceOfMix(stage, window, startMs, mixMs))
      collect('off the fit moment', fit)
      collect('chance', chance)
      return fit + chance
    },
    ofStay: ({ place }, startMs, mixMs) => broken(placeFull(place.id, startMs, mixMs)),
    chanceOfMix,
    ofMorning(times, collect = silent) {
      // Flour and water cannot have been put together before now.
      if (times.autolyseMs !== null && times.autolyseMs < nowMs) return Number.POSITIVE_INFINITY
      let cost = 0
      for (const task of tasksUntilShaped(times, planned)) cost += ofTask(task, collect)
      return cost
    },
    isAsked: (course, bakeMs) => {
      const early = earlyHours(course, outOfOven(course, bakeMs))
      return early === null || isWanted(early)
    },
    ofBreadAtLeast: (course, bakeMs) => {
      const outMs = outOfOven(course, bakeMs)
      if (wish.kind === 'soonest') return (COST.waitingHour * (outMs - nowMs)) / millisecondsInHour
      return COST.earlyHour * Math.max(earlyHours(course, outMs) ?? 0, 0)
    },
    ofOven(course, times, collect = silent) {
      let cost = 0
      const early = earlyHours(course, times.outMs)
      if (early !== null) {
        if (!isWanted(early)) return Number.POSITIVE_INFINITY
        const dear = early < 0 ? COST.lateMinute * -early * 60 : COST.earlyHour * early
        collect('early bread', Math.max(early, 0) * COST.earlyHour)
        cost += dear
      } else if (wish.kind === 'soonest') {
        const waiting = (COST.waitingHour * (eatenMs(problem, times) - nowMs)) / millisecondsInHour
        collect('waiting', waiting)
        cost += waiting
      }
      // Nobody at home: asked first, since it is most often in the way.
      cost += broken(inTheWay(times.bakeMs, times.outMs))
      if (cost === Number.POSITIVE_INFINITY) return cost
      for (const task of tasksOfOven(times, course)) cost += ofTask(task, collect)
      const stretched = courseCost(course, planned)
      collect('stretched', stretched)
      return (
        cost +
        stretched +
        broken(overlap(problem.oven, times.bakeMs, times.outMs)) +
        (problem.full.length === 0
          ? 0
          : doughStaysOf(problem, course, times).reduce((sum, stay) => sum + broken(placeFull(stay.placeId, stay.fromMs, stay.toMs)), 0))
      )
    },
    ofMissing(feeds, collect = silent) {
      const cost = COST.missingFeed * Math.max(feeds, 0)
      collect('weak culture', cost)
      return cost
    }
  }
}

/** When bread can be eaten: once it has cooled, and its baker is up, ms. */
export const eatenMs = ({ busy }: Pick<PlanProblem, 'busy'>, { eatMs }: Pick<CourseTimes, 'eatMs'>): number =>
  busy.find(({ kind, fromMs, toMs }) => kind === 'asleep' && fromMs <= eatMs && eatMs < toMs)?.toMs ?? eatMs

/** Where the dough of a plan stands, one place after the other; shaped, it is proofed where it was mixed. */
export function doughStaysOf(problem: PlanProblem, course: DoughCourse, times: CourseTimes): (Interval & { readonly placeId: string })[] {
  const moves = (course.moves ?? []).slice(0, times.moveMs.length)
  const own = course.placeId ?? sure(problem.stands[0]).place.id
  const places = [{ placeId: own, fromMs: times.mixMs }, ...moves.map(({ placeId }, i) => ({ placeId, fromMs: sure(times.moveMs[i]) }))]
  const inBulk = places.map((place, i) => ({ ...place, toMs: places[i + 1]?.fromMs ?? times.proofMs }))
  return course.proof.kind === 'cold' ? inBulk : [...inBulk, { placeId: own, fromMs: times.proofMs, toMs: times.bakeMs }]
}

/** What a wake-up feed or a first build made is used until then, h: a while past its window it is still a good seed. */
export const usedUntil = ({ opens, closes }: FitWindow) => closes + (closes - opens) / 2

/** The hard limits that a plan's tasks would break. */
export function violationsOf(
  problem: PlanProblem,
  tasks: readonly Task[],
  times: CourseTimes,
  stays: readonly (Interval & { readonly placeId: string })[]
): Violation[] {
  const found: Violation[] = []
  for (const { step, fromMs, minutes, spare } of tasks) {
    if (spare === true) continue
    const toMs = fromMs + minutes * millisecondsInMinute
    for (const busy of problem.busy) {
      const over = Math.min(busy.toMs, toMs) - Math.max(busy.fromMs, fromMs)
      if (!isHard(busy) || over <= 0) continue
      const kind = busy.kind as Exclude<Busy['kind'], 'rather not'>
      if (found.some((f) => f.step === step && f.fromMs === busy.fromMs)) continue
      found.push({ kind, name: busy.name, step, minutes: toEdge(busy, fromMs, toMs), fromMs: busy.fromMs, toMs: busy.toMs })
    }
  }
  for (const oven of problem.oven) {
    const over = Math.min(oven.toMs, times.outMs) - Math.max(oven.fromMs, times.bakeMs)
    if (over > 0) found.push({ kind: 'oven', name: 'oven', step: 'bake', minutes: over / millisecondsInMinute, ...oven })
  }
  for (const stay of stays)
    for (const full of problem.full) {
      const over = Math.min(full.toMs, stay.toMs) - Math.max(full.fromMs, stay.fromMs)
      if (full.placeId === stay.placeId && over > 0)
        found.push({ kind: 'full', name: full.placeId, step: 'build', minutes: over / millisecondsInMinute, fromMs: full.fromMs, toMs: full.toMs })
    }
  const { wish } = problem
  if (wish.kind === 'out' || wish.kind === 'eat') {
    const readyMs = wish.kind === 'out' ? times.outMs : times.eatMs
    if (readyMs > wish.atMs + 1)
      found.push({ kind: 'late', name: '', step: wish.kind, minutes: (readyMs - wish.atMs) / millisecondsInMinute, fromMs: wish.atMs, toMs: readyMs })
  }
  return found
}

/** How far a busy time would have to give way for a task, min: from its nearer edge. */
function toEdge(busy: Interval, fromMs: number, toMs: number): number {
  return Math.min(toMs - busy.fromMs, busy.toMs - fromMs) / millisecondsInMinute
}
