import { millisecondsInHour } from 'date-fns/constants'
import { sure } from '../../units/sure'
import { areDifferent, type Draft, differentPlans, MOST_PLANS, WORTH_WHILE } from './differentPlans'
import { type Exact, exactWindows, readOff } from './exact'
import { type Grid, gridOf, partsOfDay } from './grid'
import { type DayPlan, HABIT_LEEWAY_MS, type PlanProblem, type TimedPlanStage } from './problem'
import { dayKinds, type Rest, restsOf } from './rests'
import { feedsWanted, type Option, optionsOf, type Ready, type Way, waysTo } from './seeds'
import { lastStages, OUT_FIRST_HOURS } from './stages'
import { type Trouble, troubleOf } from './trouble'
import { weighPlan } from './weighPlan'

/** How far a search is, and what it has found. */
export interface SearchProgress {
  /** 0 … 1. */
  readonly share: number
  /** Truly different plans, the best first. */
  readonly plans: readonly DayPlan[]
}

/** The best rest of the day from each moment of the grid. */
type Rests = readonly (Rest | null)[]

/** One candidate: everything by its place in the grid. */
interface Candidate {
  readonly cost: number
  readonly option: Option
  readonly start: number
  readonly mix: number
  readonly rest: Rest
  readonly before: Ready | null
}

/**
 * Searches plans for a bake: ratio, stages, place, hold in the cold, water, proof and all times.
 * Builds where the plan stands now are tried first, so that something is there at once. Costs add up along a day, so each part is weighed once: the best rest of the day for each mix, the best way to a ripe seed for each start; then all builds between.
 * @param problem what is wanted and what is there
 * @param limits `bent` finds what breaks least where nothing can be kept
 * @yields how far it is, with the plans so far
 * @returns up to five truly different plans; none where no plan keeps the limits
 */
export function* searchPlans(problem: PlanProblem, limits: 'kept' | 'bent' = 'kept'): Generator<SearchProgress, readonly DayPlan[]> {
  const trouble = troubleOf(problem, limits === 'bent')
  const grid = gridOf(problem)
  if (grid.count === 0) return []
  const kinds = dayKinds(problem)
  const rests: Rests[] = []
  /** Dearer than this nothing is offered any more: what has been found is so much cheaper. */
  let mostCost = Number.POSITIVE_INFINITY
  const addRest = () => rests.push(restsOf(problem, sure(kinds[rests.length]), trouble, grid, mostCost))
  const isMixable = () => rests.some((list) => list.some((rest) => rest !== null))
  // The first way a dough may go on is enough to begin with; the others are worked out once something is there.
  while (rests.length < kinds.length && !isMixable()) addRest()
  if (!isMixable()) return []
  const first = rests.length
  const best: Best = new Map()
  const exact = exactWindows(problem)
  const plans = () => plansOf(problem, trouble, grid, best, exact)
  const feeds = feedsWanted(problem, grid)
  const part = partsOfDay(problem, grid)
  const ways = waysTo(problem, trouble, grid, feeds)
  let next = ways.next()
  let tried = 0
  let isTold = false
  /** Worked out once for each seed, whatever way led to it. */
  const lastOptions = new Map<number, (readonly Option[])[]>()
  while (next.done !== true) {
    const way = next.value
    // A seed that was fed three times is as one that was fed twice.
    const fed = Math.min(way.fed, MOST_FED)
    const groups = lastStages(problem, fed)
    const known = lastOptions.get(fed) ?? []
    lastOptions.set(fed, known)
    for (const [i, stages] of groups.entries()) {
      const options = known[i] ?? optionsOf(problem, grid, stages)
      known[i] = options
      for (const option of options) tryBuild(problem, trouble, grid, option, way, rests, feeds, part, best, mostCost)
      tried++
      const early: readonly DayPlan[] = isTold ? [] : plans()
      isTold ||= early.length > 0
      if (early[0] !== undefined) mostCost = early[0].cost + WORTH_WHILE + 2 * READ_OFF_COST
      yield { share: Math.min(tried / (groups.length * way.of), 0.99), plans: early }
      if (tried > 1 || rests.length > first) continue
      while (rests.length < kinds.length) addRest()
      for (const option of options) tryBuild(problem, trouble, grid, option, way, rests, feeds, part, best, mostCost, first)
    }
    next = ways.next()
  }
  return plans()
}

/** All plans of a problem at once; for tests, benches and short searches. */
export function findPlans(problem: PlanProblem, limits: 'kept' | 'bent' = 'kept'): readonly DayPlan[] {
  const search = searchPlans(problem, limits)
  for (;;) {
    const next = search.next()
    if (next.done === true) return next.value
  }
}

/** Tries a build at every start with every mix in its window, and keeps the best of each kind of day. */
function tryBuild(
  problem: PlanProblem,
  trouble: Trouble,
  grid: Grid,
  option: Option,
  { name, ready }: Way,
  rests: readonly Rests[],
  wanted: Int32Array,
  part: Int32Array,
  best: Best,
  mostCost: number,
  from = 0
): void {
  const { stage, table } = option
  const { wish } = problem
  const perStep = millisecondsInHour / grid.stepMs
  const kind = `${name} ${stage.place.id} ${bucketOf(stage.flourPerSeed)} ${stage.chill === null ? 0 : OUT_FIRST_HOURS.some((hours) => hours === stage.chill?.afterHours) ? stage.chill.afterHours : 1}`
  const of = best.get(kind) ?? new Map<number, Candidate[]>()
  best.set(kind, of)
  for (let s = 0; s < grid.count; s++) {
    if (wish.kind === 'habit' && Math.abs(grid.at(s) - wish.buildMs) > HABIT_LEEWAY_MS) continue
    const seedCost = ready === null ? trouble.ofMissing(wanted[s] ?? NaN) : (ready.cost[s] ?? NaN)
    if (seedCost === Number.POSITIVE_INFINITY) continue
    const startMs = grid.at(s)
    const window = readOff.widened(table(startMs))
    if (window === null) continue
    const first = Math.ceil(s + window.opens * perStep)
    const last = Math.min(Math.floor(s + window.closes * perStep), grid.count - 1)
    if (last < first || first >= grid.count) continue
    const own = trouble.ofStage(stage, startMs)
    if (own === Number.POSITIVE_INFINITY || seedCost + own > mostCost) continue
    for (let t = first; t <= last; t++) {
      let soFar = -1
      for (let p = from; p < rests.length; p++) {
        const rest = rests[p]?.[t] ?? null
        if (rest === null || seedCost + own + rest.cost > mostCost) continue
        if (soFar < 0) soFar = seedCost + own + trouble.ofMix(stage, window, startMs, grid.at(t)) + trouble.ofStay(stage, startMs, grid.at(t))
        const cost = soFar + rest.cost
        const key = (part[s] ?? NaN) * MOST_DAYS + p
        if (isAmongBest(of.get(key), cost)) keepBest(of, key, { cost, option, start: s, mix: t, rest, before: ready })
      }
    }
  }
}

/** More feeds than this before it leave a seed no livelier. */
const MOST_FED = 2

/** Ways a dough may go on, at most: room for their numbers in a key. */
const MOST_DAYS = 64

/** How many of each kind of day are kept until they have been worked out exactly. */
const KEPT_PER_KIND = 4

/** The best candidates of each kind of day: by way, place, size of ratio and hold; then by part of the day and proof. */
type Best = Map<string, Map<number, Candidate[]>>

/** Whether a cost is among the best of its kind of day. */
const isAmongBest = (kept: readonly Candidate[] | undefined, cost: number) =>
  cost < Number.POSITIVE_INFINITY && (kept === undefined || kept.length < KEPT_PER_KIND || cost < sure(kept.at(-1)).cost)

function keepBest(best: Map<number, Candidate[]>, key: number, candidate: Candidate): void {
  const kept = best.get(key)
  if (kept === undefined) {
    best.set(key, [candidate])
    return
  }
  const at = kept.findIndex((other) => candidate.cost < other.cost)
  kept.splice(at === -1 ? kept.length : at, 0, candidate)
  if (kept.length > KEPT_PER_KIND) kept.pop()
}

/** A candidate's cost is read off tables: it may be so far off, in minutes of trouble. */
const READ_OFF_COST = 12

/** The best candidates as plans that differ, the cheapest first. Only what may be chosen is worked out exactly. */
function plansOf(problem: PlanProblem, trouble: Trouble, grid: Grid, best: Best, exact: Exact): DayPlan[] {
  const candidates = [...best.values()].flatMap((of) => [...of.values()].flat()).sort((a, b) => a.cost - b.cost)
  const chosen: DayPlan[] = []
  for (const candidate of candidates) {
    const cheapest = chosen[0]?.cost ?? Number.POSITIVE_INFINITY
    if (candidate.cost > cheapest + WORTH_WHILE + READ_OFF_COST) break
    const draft = draftOf(grid, candidate)
    const alike = chosen.findIndex((plan) => !areDifferent(draft, plan))
    const against = alike === -1 ? (chosen[MOST_PLANS - 1]?.cost ?? Number.POSITIVE_INFINITY) : sure(chosen[alike]).cost
    if (candidate.cost >= against) continue
    const plan = planOf(problem, trouble, grid, candidate, exact)
    if (plan.cost >= against) continue
    chosen.splice(alike === -1 ? chosen.length : alike, 1, plan)
    chosen.sort((a, b) => a.cost - b.cost)
  }
  return differentPlans(chosen)
}

const bucketOf = (flourPerSeed: number) => (flourPerSeed <= 2 ? 0 : flourPerSeed <= 5 ? 1 : 2)

/** What a candidate would be, its stages followed back. */
function draftOf(grid: Grid, { option, start, mix, rest, before }: Candidate): Draft {
  const stages = [{ stage: option.stage, startMs: grid.at(start) }]
  let ready = before
  let at = start
  while (ready !== null) {
    const made = sure(ready.options[ready.option[at] ?? NaN])
    at = ready.start[at] ?? NaN
    stages.unshift({ stage: made.stage, startMs: grid.at(at) })
    ready = ready.before
  }
  return { stages, mixMs: grid.at(mix), course: rest.course }
}

/** A candidate as a plan, its cost taken apart; infinite where it does not hold when it is worked out exactly. */
function planOf(problem: PlanProblem, trouble: Trouble, grid: Grid, candidate: Candidate, exact: Exact): DayPlan {
  const { stages, mixMs } = draftOf(grid, candidate)
  const timed = stages.map((s): TimedPlanStage => ({ ...s, window: exact(s.stage, s.startMs) }))
  return weighPlan(problem, trouble, timed, mixMs, candidate.rest)
}
