import type { JarBelief } from '../../ferment/jarParameters'
import type { BatchLine } from '../../jars/lineage'
import { type Mendings, mendPlans } from './mendPlans'
import type { DayPlan, PlanProblem } from './problem'
import { type SearchProgress, searchPlans } from './searchPlans'
import { offerPlans, spreadsOf, type ToldPlan, withRipeLevain, withRoom } from './tellPlan'

/** Schedules that were found, each with what is worth knowing of it; where there is none, what would mend it. */
export interface FoundPlans {
  /** What was asked, with the spread it was worked out with. */
  readonly problem: PlanProblem
  readonly plans: readonly { readonly plan: DayPlan; readonly told: ToldPlan }[]
  readonly mendings: Mendings | null
}

/**
 * Everything that is offered for a wish: first with the levain as it is planned; where no day holds with that, with a lively one, as a jar that is woken makes it.
 * @param line the levain as it is planned
 * @yields how far the search is
 */
export function* findSchedules(problem: PlanProblem, line: BatchLine, belief: JarBelief): Generator<SearchProgress, FoundPlans> {
  const asked = { ...problem, spread: spreadsOf(line, belief, problem.school) }
  for (const tried of [withRoom(asked), withRipeLevain(withRoom(asked))]) {
    const plans = offerPlans(asked, yield* searchPlans(tried), belief)
    if (plans.length > 0) return { problem: asked, plans, mendings: null }
  }
  const mendings = mendPlans(asked)
  // What breaks nothing after all had no room left before the hour that was wished for: it is tight, and it is a schedule.
  const tight = offerPlans(
    asked,
    mendings.bent.filter((plan) => plan.violations.length === 0),
    belief
  )
  return tight.length > 0 ? { problem: asked, plans: tight, mendings: null } : { problem: asked, plans: [], mendings }
}
