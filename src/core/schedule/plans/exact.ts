import type { FitWindow, PlanProblem, PlanStage } from './problem'
import { makeStage } from './windows'

/** What is read off a curve may be so far off, h. */
const READ_OFF_HOURS = 0.012

const opened = (window: FitWindow | null, hours: number): FitWindow | null =>
  window === null ? null : { ...window, opens: window.opens - hours, closes: window.closes + hours }

/** A window that was read off: with all that it may be, for candidates that are worked out exactly later; with only what it surely is. */
export const readOff = {
  widened: (window: FitWindow | null) => opened(window, READ_OFF_HOURS),
  narrowed: (window: FitWindow | null) => opened(window, -READ_OFF_HOURS)
}

/** A window worked out exactly. */
export type Exact = (stage: PlanStage, startMs: number) => FitWindow

/** Windows worked out exactly, each once. */
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
