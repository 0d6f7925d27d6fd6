import type { DayPlan, PlanProblem } from './problem'
import { findPlans } from './searchPlans'

/** Ways out where no plan keeps all limits. */
export interface Mendings {
  /** The plan that breaks least of them; what it breaks is in its violations. */
  readonly bent: DayPlan | null
  /** The soonest bread that breaks none. */
  readonly later: DayPlan | null
}

/** What would have to give way, and by how little. */
export function mendPlans(problem: PlanProblem): Mendings {
  const bent = findPlans(problem, 'bent')[0] ?? null
  const later = problem.wish.kind === 'out' || problem.wish.kind === 'eat' ? (findPlans({ ...problem, wish: { kind: 'soonest' } })[0] ?? null) : null
  return { bent, later }
}
