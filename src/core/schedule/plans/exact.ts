import type { FitWindow, PlanProblem, PlanStage } from './problem'
import { makeStage } from './windows'

/** What is read off a curve may be so far off, h: candidates beside a window are kept until they have been reckoned exactly. */
const READ_OFF_HOURS = 0.02

/** Whether a place between two moments of the grid is so near one that what was read off may lie on its other side. */
const isBeside = (place: number, perStep: number) => Math.abs(place - Math.round(place)) < READ_OFF_HOURS * perStep

const widened = (window: FitWindow | null): FitWindow | null =>
  window === null ? null : { ...window, opens: window.opens - READ_OFF_HOURS, closes: window.closes + READ_OFF_HOURS }

/** How what is read off a table is held beside what is exact. */
export const readOff = { isBeside, widened }

/** A window reckoned exactly. */
export type Exact = (stage: PlanStage, startMs: number) => FitWindow

/** Windows reckoned exactly, each once. */
export function exactWindows(problem: PlanProblem): Exact {
  const known = new Map<PlanStage, Map<number, FitWindow>>()
  return (stage, startMs) => {
    const of = known.get(stage) ?? new Map<number, FitWindow>()
    known.set(stage, of)
    const there = of.get(startMs) ?? makeStage(problem, stage, startMs)?.window ?? NEVER
    of.set(startMs, there)
    return there
  }
}

const NEVER: FitWindow = { opens: Number.POSITIVE_INFINITY, fit: Number.POSITIVE_INFINITY, closes: Number.POSITIVE_INFINITY }
