import { millisecondsInHour } from 'date-fns/constants'
import { isAwaited } from '../../ferment/forecast'
import type { JarBelief } from '../../ferment/jarParameters'
import type { BatchLine } from '../../jars/lineage'
import { feedsToWake } from '../../jars/lineage'
import { type Mendings, mendPlans } from './mendPlans'
import type { DayPlan, PlanProblem } from './problem'
import { type SearchProgress, searchPlans } from './searchPlans'
import { LEAST_CHANCE, offerPlans, spreadsOf, type ToldPlan, withRipeLevain, withRoom } from './tellPlan'
import { eatenMs } from './trouble'
import { type YeastedWay, yeastedWay } from './yeastedWay'

/** Schedules that were found, each with what is worth knowing of it; where there is none, what would mend it. */
export interface FoundPlans {
  /** What was asked, with the spread it was worked out with. */
  readonly problem: PlanProblem
  readonly plans: readonly { readonly plan: DayPlan; readonly told: ToldPlan }[]
  readonly mendings: Mendings | null
  /** A day with a little yeast, where the levain alone makes none, a far later one, or one that would more likely fail. */
  readonly yeasted: YeastedWay | null
}

/** Bread that comes with yeast by so much sooner is worth telling of, ms. */
const MUCH_SOONER_MS = 12 * millisecondsInHour

/**
 * Everything that is offered for a wish: first with the levain as it is planned; where no day holds with that, with a lively one, as a jar that is woken makes it.
 * Of a jar that has to be woken the lively one is tried first.
 * @param line the levain as it is planned
 * @yields how far the search is
 */
export function* findSchedules(problem: PlanProblem, line: BatchLine, belief: JarBelief): Generator<SearchProgress, FoundPlans> {
  const asked = { ...problem, spread: spreadsOf(line, belief, problem.school) }
  const ways = [withRoom(asked), withRipeLevain(withRoom(asked))]
  for (const tried of isWeak(asked) ? ways.reverse() : ways) {
    const plans = offerPlans(asked, yield* searchPlans(tried), belief)
    if (plans.length > 0) return { problem: asked, plans, mendings: null, yeasted: yeastBeside(asked, plans, belief) }
  }
  const mendings = mendPlans(asked)
  // What breaks nothing after all had no room left before the hour that was wished for: it is tight, and it is a schedule.
  const tight = offerPlans(
    asked,
    mendings.bent.filter((plan) => plan.violations.length === 0),
    belief
  )
  if (tight.length > 0) return { problem: asked, plans: tight, mendings: null, yeasted: yeastBeside(asked, tight, belief) }
  return { problem: asked, plans: [], mendings, yeasted: yeastedWay(asked, belief) }
}

/** So many feeds would wake a jar whose own levain hardly raises a dough. */
const WEAK_FEEDS = 2

const isWeak = ({ build, nowMs }: PlanProblem) => build.seed.line !== null && feedsToWake(build.seed.line, nowMs, build.seed.jar) >= WEAK_FEEDS

/** Yeast beside schedules that were found: where none of them will do, or it makes bread much sooner where that is wished for. */
function yeastBeside(problem: PlanProblem, plans: FoundPlans['plans'], belief: JarBelief): YeastedWay | null {
  if (!isAwaited(problem.school)) return null
  const soonest = Math.min(...plans.map(({ plan }) => eatenMs(problem, plan.times)))
  const isLate = problem.wish.kind === 'soonest' && soonest > problem.nowMs + MUCH_SOONER_MS
  if (!isLate && plans.some(({ told }) => told.chance >= LEAST_CHANCE)) return null
  const way = yeastedWay(problem, belief)
  return way === null || (isLate && eatenMs(problem, way.plan.times) > soonest - MUCH_SOONER_MS) ? null : way
}
