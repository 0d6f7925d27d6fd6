import type { DayPlan, PlanProblem } from './problem'
import { findPlans } from './searchPlans'
import { withRipeLevain } from './tellPlan'
import { refinePlan } from './weighPlan'

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
  return { bent, later: problem.wish.kind === 'out' || problem.wish.kind === 'eat' ? soonest({ ...problem, wish: { kind: 'soonest' } }) : null }
}

/** The soonest bread, each plan worked out with its own levain: the dough it was searched with may have another. */
function soonest(problem: PlanProblem): DayPlan | null {
  for (const tried of [problem, withRipeLevain(problem)]) {
    const kept = findPlans(tried).flatMap((plan) => refinePlan(problem, plan) ?? [])
    const first = kept.reduce<DayPlan | null>((best, plan) => (best === null || plan.times.outMs < best.times.outMs ? plan : best), null)
    if (first !== null) return first
  }
  return null
}
