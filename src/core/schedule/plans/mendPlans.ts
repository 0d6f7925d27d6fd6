import { millisecondsInHour } from 'date-fns/constants'
import type { DayPlan, PlanProblem } from './problem'
import { findPlans } from './searchPlans'
import { withRipeLevain } from './tellPlan'
import { refinePlan } from './weighPlan'

/** Ways out where no plan keeps all limits. */
export interface Mendings {
  /** Plans that break least of them, the nearest first; what each breaks is in its violations. */
  readonly bent: readonly DayPlan[]
  /** The soonest that breaks none: bread, or the mix where an hour of that was wished for. */
  readonly later: DayPlan | null
}

/** Ways out that are told. */
const MOST_BENT = 3
/** A dough that cannot be mixed at its hour is mixed so much later, h: the first that can be. */
const MIXED_LATER_HOURS = [1, 2, 3, 4, 6, 8, 10, 12, 16, 20, 24, 30, 36] as const

/** What would have to give way, and by how little. */
export function mendPlans(problem: PlanProblem): Mendings {
  const bent = findPlans(problem, 'bent')
    .flatMap((plan) => refinePlan(problem, plan) ?? [])
    .sort((a, b) => a.cost - b.cost)
  return { bent: bent.slice(0, MOST_BENT), later: laterOf(problem) }
}

function laterOf(problem: PlanProblem): DayPlan | null {
  const { wish } = problem
  if (wish.kind === 'soonest') return null
  if (wish.kind === 'out' || wish.kind === 'eat') return soonest({ ...problem, wish: { kind: 'soonest' } })
  const wantedMs = wish.kind === 'habit' ? wish.mixMs : wish.atMs
  for (const hours of MIXED_LATER_HOURS) {
    const found = soonest({ ...problem, wish: { kind: 'mix', atMs: wantedMs + hours * millisecondsInHour } })
    if (found !== null) return found
  }
  return null
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
