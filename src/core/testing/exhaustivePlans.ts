import { millisecondsInMinute } from 'date-fns/constants'
import { cultureAt, strengthOf, WAKE_UP_RATIOS } from '../jars/lineage'
import { courseTimes, doughPace } from '../schedule/course'
import { type FitWindow, type PlanProblem, type PlanStage, wishEnd } from '../schedule/plans/problem'
import { coursesTried, dayKinds, daysOf, doughOfDay } from '../schedule/plans/rests'
import { lastStages } from '../schedule/plans/stages'
import { type Trouble, troubleOf, usedUntil } from '../schedule/plans/trouble'
import { makeStage } from '../schedule/plans/windows'

const HOUR = 60 * millisecondsInMinute

/** What every combination costs, worked out one by one: no table, no straight lines, nothing left out. */
export interface Exhaustive {
  readonly best: number
  /** Over all combinations that keep the limits. */
  readonly median: number
  readonly count: number
}

/** All starts of a stage with what it makes, worked out exactly. */
function windowsOf(problem: PlanProblem, stage: PlanStage, moments: readonly number[]): (FitWindow | null)[] {
  return moments.map((ms) => makeStage(problem, stage, ms)?.window ?? null)
}

/**
 * Weighs every plan of a small problem: each ratio, place and water, straight from the jar, after one feed or a first build, each start, each mix, each day of the dough.
 * It shares with the search what things cost and which builds there are, and nothing else.
 */
export function exhaustivePlans(problem: PlanProblem): Exhaustive {
  const trouble = troubleOf(problem, false)
  const stepMs = problem.gridMinutes * millisecondsInMinute
  const endMs = wishEnd(problem)
  const phase = (problem.wish.kind === 'mix' ? endMs : 0) % stepMs
  const moments: number[] = []
  for (let ms = Math.ceil((problem.nowMs - phase) / stepMs) * stepMs + phase; ms <= endMs; ms += stepMs) moments.push(ms)
  const rests = moments.map((mixMs) => restsAt(problem, trouble, mixMs, stepMs))
  const wanted = moments.map((ms) => {
    const { line, jar } = problem.build.seed
    return line === null ? 0 : WAKE_UP_RATIOS[strengthOf(cultureAt(line, ms, jar))].length
  })
  const costs: number[] = []
  const finish = (seedCost: readonly number[], fedBefore: number) => {
    for (const stage of lastStages(problem, fedBefore).flat()) {
      const windows = windowsOf(problem, stage, moments)
      moments.forEach((startMs, s) => {
        const window = windows[s] ?? null
        if (window === null || seedCost[s] === Number.POSITIVE_INFINITY) return
        const own = (seedCost[s] ?? NaN) + trouble.ofStage(stage, startMs)
        if (own === Number.POSITIVE_INFINITY) return
        moments.forEach((mixMs, t) => {
          const hours = (mixMs - startMs) / HOUR
          if (hours < window.opens || hours > window.closes) return
          const levain = own + trouble.ofMix(stage, window, startMs, mixMs) + trouble.ofStay(stage, startMs, mixMs)
          for (const rest of rests[t] ?? []) if (levain + rest < Number.POSITIVE_INFINITY) costs.push(levain + rest)
        })
      })
    }
  }
  finish(
    wanted.map((feeds) => trouble.ofMissing(feeds)),
    0
  )
  const { placeId, places, build } = problem
  const warm = places.filter((p) => p.standing.tempC >= 12).sort((a, b) => a.standing.tempC - b.standing.tempC)
  const firstPlaces = [...new Set([warm.find((p) => p.id === placeId), warm.at(-1)])].flatMap((p) => p ?? [])
  const readyFrom = (kind: 'first build' | 'wake', fedBefore: number, seedCost: readonly number[]) => {
    const ready = moments.map(() => Number.POSITIVE_INFINITY)
    for (const flourPerSeed of [1, 2, 4])
      for (const place of firstPlaces) {
        const stage: PlanStage = { kind, flourPerSeed, place, mixTempC: build.mixTempC, chill: null, fedBefore }
        windowsOf(problem, stage, moments).forEach((window, s) => {
          const startMs = moments[s] ?? NaN
          if (window === null) return
          const own = (seedCost[s] ?? NaN) + trouble.ofStage(stage, startMs)
          if (own === Number.POSITIVE_INFINITY) return
          moments.forEach((ms, t) => {
            const hours = (ms - startMs) / HOUR
            if (hours < window.opens || hours > usedUntil(window)) return
            ready[t] = Math.min(ready[t] ?? NaN, own + trouble.ofUse(window, hours))
          })
        })
      }
    return ready
  }
  const missing = (feeds: number) => wanted.map((w) => trouble.ofMissing(w - feeds))
  finish(readyFrom('first build', 0, missing(1)), 1)
  for (let feeds = 1; feeds <= Math.max(...wanted); feeds++) {
    let ready = readyFrom('wake', 0, missing(feeds))
    for (let fed = 1; fed < feeds; fed++) ready = readyFrom('wake', fed, ready)
    finish(ready, feeds)
  }
  costs.sort((a, b) => a - b)
  return { best: costs[0] ?? Number.POSITIVE_INFINITY, median: costs[Math.floor(costs.length / 2)] ?? Number.POSITIVE_INFINITY, count: costs.length }
}

/** What each day of the dough costs from a mix on. */
function restsAt(problem: PlanProblem, trouble: Trouble, mixMs: number, stepMs: number): number[] {
  if (problem.wish.kind === 'mix' && mixMs !== problem.wish.atMs) return []
  return dayKinds(problem).flatMap(({ stand, course: wanted }) => {
    const pace = doughPace(doughOfDay(problem, stand, mixMs), wanted, problem.build.seed.jar)
    return coursesTried(wanted).flatMap((course) => {
      const first = courseTimes(course, mixMs, pace)
      if (first === null) return []
      return [...daysOf(course, first, stepMs)].map(([day, times]) => trouble.ofMorning(times) + trouble.ofOven(day, times)).filter(Number.isFinite)
    })
  })
}
