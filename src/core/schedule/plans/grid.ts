import { TZDate } from '@date-fns/tz'
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { type PlanProblem, wishEnd } from './problem'

/** A plan begins no longer before its bread, h. */
const LONGEST_HOURS = 96
const PARTS_PER_DAY = 4

/** The moments that are tried, by their place. */
export interface Grid {
  readonly count: number
  readonly at: (k: number) => number
  readonly stepMs: number
}

/** Moments that are tried: whole quarters of an hour, or as the wish stands. */
export function gridOf(problem: PlanProblem): Grid {
  const stepMs = problem.gridMinutes * millisecondsInMinute
  const { wish, nowMs } = problem
  const endMs = wishEnd(problem)
  const phase = (wish.kind === 'mix' || wish.kind === 'habit' ? endMs : 0) % stepMs
  const earliest = Math.max(nowMs, endMs - LONGEST_HOURS * millisecondsInHour)
  const fromMs = Math.ceil((earliest - phase) / stepMs) * stepMs + phase
  return { count: Math.max(Math.floor((endMs - fromMs) / stepMs) + 1, 0), at: (k) => fromMs + k * stepMs, stepMs }
}

/** Which part of which day each moment falls into. */
export function partsOfDay({ timeZone }: PlanProblem, grid: Grid): Int32Array {
  return Int32Array.from({ length: grid.count }, (_, k) => {
    const local = new TZDate(grid.at(k), timeZone)
    return local.getDate() * PARTS_PER_DAY + Math.floor(((local.getHours() + 2) % 24) / (24 / PARTS_PER_DAY))
  })
}
