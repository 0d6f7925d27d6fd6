import { TZDate } from '@date-fns/tz'
import { isCold } from '../../jars/condition'
import { type BatchLine, cultureAt, strengthOf, WAKE_UP_RATIOS } from '../../jars/lineage'
import {
  type CourseTimes,
  courseTimes,
  type DoughCourse,
  type DoughPace,
  doughAt,
  doughPace,
  HANDS_MINUTES,
  STRETCH,
  type Task,
  tasksOfDough,
  timesOfBake
} from '../course'
import type { Interval } from '../nights'
import { differentPlans, WORTH_WHILE } from './differentPlans'
import type { CostPart, DayPlan, FitWindow, PlanPlace, PlanProblem, PlanStage, TimedPlanStage } from './problem'
import { type Trouble, troubleOf, usedUntil, violationsOf, wishEnd } from './trouble'
import { lineTable, makeStage, type WindowTable, windowTable } from './windows'

const MINUTE = 60_000
const MS_PER_HOUR = 3_600_000
/** A plan begins no longer before its bread, h. */
const LONGEST_HOURS = 96
/** Flour per seed of wake-up feeds and first builds that are tried. */
const FIRST_RATIOS = [1, 2, 4] as const
/** Seeds for a last build that was fed or built before: no more food than this for a quick one. */
const MOST_SECOND_RATIO = 5
/** Ratios whose levain is put into the cold to hold it. */
const HELD_RATIOS = [2, 3, 5] as const
/** How far bulk and warm proof are stretched in the search; drags go further. */
const BULK_STRETCHES = [1, 0.92, 1.1] as const
const PROOF_STRETCHES = [1, 0.85, 1.18] as const
/** Longest cold proof that is tried, h. */
const LONGEST_COLD_HOURS = 24
/** A habit's build may begin so far from its hour, ms. */
const HABIT_LEEWAY_MS = 20 * MINUTE
const PARTS_PER_DAY = 4

/** How far a search is, and what it has found. */
export interface SearchProgress {
  /** 0 … 1. */
  readonly share: number
  /** Truly different plans, the best first. */
  readonly plans: readonly DayPlan[]
}

/** The best rest of a day from a mix on. */
interface Rest {
  readonly cost: number
  readonly course: DoughCourse
  readonly times: CourseTimes
  readonly pace: DoughPace
}

/** What is ready at each moment of the grid, at what cost, and how it came about. */
interface Ready {
  readonly cost: Float64Array
  /** Start of the stage that made it, as a place in the grid. */
  readonly start: Int32Array
  readonly option: Int32Array
  readonly options: readonly Option[]
  readonly before: Ready | null
}

interface Option {
  readonly stage: PlanStage
  readonly table: WindowTable
}

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
 * Costs add up along a day, so each part is weighed once: the best rest of the day for each mix, the best way to a ripe seed for each start; then all builds between.
 * @param problem what is wanted and what is there
 * @param limits `bent` finds what breaks least where nothing can be kept
 * @yields how far it is, with the plans so far
 * @returns up to five truly different plans; none where no plan keeps the limits
 */
export function* searchPlans(problem: PlanProblem, limits: 'kept' | 'bent' = 'kept'): Generator<SearchProgress, readonly DayPlan[]> {
  const trouble = troubleOf(problem, limits === 'bent')
  const grid = gridOf(problem)
  if (grid.count === 0) return []
  const rests = restsOf(problem, trouble, grid)
  const best: Best = new Map()
  const exact = exactWindows(problem)
  const plans = () => differentPlans(plansOf(problem, trouble, grid, best, exact))
  const mixable = rests.some((list) => list.some((rest) => rest !== null))
  if (!mixable) return []
  const feeds = feedsWanted(problem, grid)
  const part = partsOfDay(problem, grid)
  const ways = waysTo(problem, trouble, grid, exact, feeds)
  let next = ways.next()
  let tried = 0
  /** Reckoned once for each seed, whatever way led to it. */
  const lastOptions = new Map<PlanStage['seed'], (Option | PlanStage)[]>()
  while (next.done !== true) {
    const way = next.value
    const stages = lastOptions.get(way.seed) ?? lastStages(problem, way.seed)
    lastOptions.set(way.seed, stages)
    for (const [i, last] of stages.entries()) {
      const option = 'table' in last ? last : { stage: last, table: windowTable(problem, last, grid.at(0), grid.at(grid.count - 1)) }
      stages[i] = option
      tryBuild(problem, trouble, grid, option, way, rests, feeds, part, best)
      tried++
      if (tried === OWN_FIRST || tried % 12 === 0) yield { share: Math.min(tried / (stages.length * way.of), 0.99), plans: tried === OWN_FIRST ? plans() : [] }
    }
    next = ways.next()
  }
  return plans()
}

/** Builds where the plan stands now are tried first, so that something is there at once. */
const OWN_FIRST = 9

/** All plans of a problem at once; for tests, benches and short searches. */
export function findPlans(problem: PlanProblem, limits: 'kept' | 'bent' = 'kept'): readonly DayPlan[] {
  const search = searchPlans(problem, limits)
  for (;;) {
    const next = search.next()
    if (next.done === true) return next.value
  }
}

interface Grid {
  readonly count: number
  readonly at: (k: number) => number
  readonly stepMs: number
}

/** Moments that are tried: whole quarters of an hour, or as the wish stands. */
function gridOf(problem: PlanProblem): Grid {
  const stepMs = problem.gridMinutes * MINUTE
  const { wish, nowMs } = problem
  const endMs = wishEnd(problem)
  const phase = (wish.kind === 'mix' || wish.kind === 'habit' ? endMs : 0) % stepMs
  const earliest = Math.max(nowMs, endMs - LONGEST_HOURS * MS_PER_HOUR)
  const fromMs = Math.ceil((earliest - phase) / stepMs) * stepMs + phase
  return { count: Math.max(Math.floor((endMs - fromMs) / stepMs) + 1, 0), at: (k) => fromMs + k * stepMs, stepMs }
}

/** For each kind of proof, the best rest of the day from each moment on; null where there is none. */
function restsOf(problem: PlanProblem, trouble: Trouble, grid: Grid): (Rest | null)[][] {
  const { wish, course, proofs, dough, doughPlace } = problem
  const jar = problem.build.seed.jar
  const fixed = wish.kind === 'mix' || wish.kind === 'habit'
  return proofs.map((proof) => {
    const wanted: DoughCourse = { ...course, proof }
    const table = lineTable(
      (ms): readonly [number, number] | null => {
        const { bulkHours, proofHours } = doughPace(doughAt(dough, ms, doughPlace.standing), wanted, jar)
        return bulkHours === null || proofHours === null ? null : [bulkHours, proofHours]
      },
      grid.at(0),
      grid.at(grid.count - 1)
    )
    return Array.from({ length: grid.count }, (_, k) => {
      if (fixed && k !== grid.count - 1) return null
      const found = table(grid.at(k))
      return found === null ? null : bestRest(trouble, wanted, grid, grid.at(k), { bulkHours: found[0], proofHours: found[1] })
    })
  })
}

function bestRest(trouble: Trouble, wanted: DoughCourse, grid: Grid, mixMs: number, pace: DoughPace): Rest | null {
  let best: Rest | null = null
  let morning = { shapeMs: Number.NaN, cost: 0 }
  for (const course of coursesTried(wanted)) {
    const first = courseTimes(course, mixMs, pace)
    if (first === null) continue
    if (first.shapeMs !== morning.shapeMs) morning = { shapeMs: first.shapeMs, cost: trouble.ofMorning(first) }
    if (morning.cost === Number.POSITIVE_INFINITY) continue
    // Nothing of the oven can make up for a morning that is dearer than a whole day.
    if (best !== null && morning.cost >= best.cost) continue
    for (const [day, times] of daysOf(course, first, grid.stepMs)) {
      const cost = morning.cost + trouble.ofOven(day, times)
      if (cost < (best?.cost ?? Number.POSITIVE_INFINITY)) best = { cost, course: day, times, pace }
    }
  }
  return best
}

/** A course with its stretches. */
export function coursesTried(wanted: DoughCourse): DoughCourse[] {
  return BULK_STRETCHES.flatMap((bulkStretch) =>
    (wanted.proof.kind === 'warm' ? PROOF_STRETCHES : [1]).map((proofStretch) => ({ ...wanted, bulkStretch, proofStretch }))
  )
}

/** Days of a course whose dough is mixed and shaped: one where the proof is warm, one for each moment of the oven where it is cold. */
export function daysOf(course: DoughCourse, times: CourseTimes, stepMs: number): [DoughCourse, CourseTimes][] {
  if (course.proof.kind === 'warm') return [[course, times]]
  const days: [DoughCourse, CourseTimes][] = []
  const first = Math.ceil((times.proofMs + STRETCH.coldHours[0] * MS_PER_HOUR) / stepMs) * stepMs
  for (let bakeMs = first; bakeMs <= times.proofMs + LONGEST_COLD_HOURS * MS_PER_HOUR; bakeMs += stepMs)
    days.push([{ ...course, proof: { kind: 'cold', hours: (bakeMs - times.proofMs) / MS_PER_HOUR } }, timesOfBake(course, { ...times, bakeMs })])
  return days
}

/** Moments at which the strength of a culture is looked at first; between two alike it is taken to be the same, h. */
const STRENGTH_EVERY_HOURS = 4

/** Wake-up feeds that the culture would want at each moment. */
function feedsWanted({ build }: PlanProblem, grid: Grid): Int32Array {
  const wanted = new Int32Array(grid.count)
  const { line, jar } = build.seed
  if (line === null) return wanted
  const at = (k: number) => WAKE_UP_RATIOS[strengthOf(cultureAt(line, grid.at(k), jar))].length
  const every = Math.max(Math.round((STRENGTH_EVERY_HOURS * MS_PER_HOUR) / grid.stepMs), 1)
  wanted[0] = at(0)
  for (let from = 0; from < grid.count - 1; from += every) {
    const to = Math.min(from + every, grid.count - 1)
    wanted[to] = at(to)
    const alike = wanted[from] === wanted[to]
    for (let k = from + 1; k < to; k++) wanted[k] = alike ? (wanted[to] as number) : at(k)
  }
  return wanted
}

/** A way to the seed of the last build. */
interface Way {
  readonly name: string
  readonly seed: PlanStage['seed']
  readonly ready: Ready | null
  /** How many ways there are. */
  readonly of: number
}

/** Ways to the seed: straight from the jar, after wake-up feeds, after a first build. */
function* waysTo(problem: PlanProblem, trouble: Trouble, grid: Grid, exact: Exact, wanted: Int32Array): Generator<Way, void> {
  const most = wanted.reduce((m, n) => Math.max(m, n), 0)
  const of = 2 + most
  yield { name: 'jar', seed: 'jar', ready: null, of }
  const tableFrom = grid.at(0)
  const tableTo = grid.at(grid.count - 1)
  const optionsOf = (kind: 'wake' | 'first build', seed: PlanStage['seed']): Option[] =>
    FIRST_RATIOS.flatMap((flourPerSeed) =>
      firstPlaces(problem).map((place): Option => {
        const stage: PlanStage = { kind, flourPerSeed, place, mixTempC: problem.build.mixTempC, chill: null, seed }
        return { stage, table: windowTable(problem, stage, tableFrom, tableTo) }
      })
    )
  yield { name: 'first build', seed: 'ripe', ready: stageReady(trouble, grid, exact, optionsOf('first build', 'jar'), null, wanted, 1), of }
  if (most === 0) return
  const fromJar = optionsOf('wake', 'jar')
  const ripe = most > 1 ? optionsOf('wake', 'ripe') : []
  for (let feeds = 1; feeds <= most; feeds++) {
    let ready = stageReady(trouble, grid, exact, fromJar, null, wanted, feeds)
    for (let fed = 1; fed < feeds; fed++) ready = stageReady(trouble, grid, exact, ripe, ready, wanted, feeds)
    yield { name: `wake ${feeds}`, seed: 'ripe', ready, of }
  }
}

/**
 * What a stage makes ready at each moment, from what was ready before it.
 * @param feeds how many the whole way has: those the culture wants besides are missing
 */
function stageReady(trouble: Trouble, grid: Grid, exact: Exact, options: readonly Option[], before: Ready | null, wanted: Int32Array, feeds: number): Ready {
  const cost = new Float64Array(grid.count).fill(Number.POSITIVE_INFINITY)
  const start = new Int32Array(grid.count)
  const option = new Int32Array(grid.count)
  const perStep = MS_PER_HOUR / grid.stepMs
  options.forEach(({ stage, table }, i) => {
    for (let s = 0; s < grid.count; s++) {
      const seedCost = before === null ? trouble.ofMissing((wanted[s] as number) - feeds) : (before.cost[s] as number)
      if (seedCost === Number.POSITIVE_INFINITY) continue
      const read = table(grid.at(s))
      // Only one way to each moment is kept, so a window whose edge lies by a moment of the grid is reckoned exactly.
      const window =
        read !== null && (besideGrid(s + read.opens * perStep, perStep) || besideGrid(s + usedUntil(read) * perStep, perStep)) ? exact(stage, grid.at(s)) : read
      const own = window === null ? Number.POSITIVE_INFINITY : trouble.ofStage(stage, grid.at(s))
      if (window === null || own === Number.POSITIVE_INFINITY) continue
      const last = Math.min(Math.floor(s + usedUntil(window) * perStep), grid.count - 1)
      for (let t = Math.ceil(s + window.opens * perStep); t <= last; t++) {
        const all = seedCost + own + trouble.ofUse(window, (t - s) / perStep)
        if (all < (cost[t] as number)) {
          cost[t] = all
          start[t] = s
          option[t] = i
        }
      }
    }
  })
  return { cost, start, option, options, before }
}

/** Places in which wake-up feeds and first builds stand: where the plan stands, and the warmest. */
function firstPlaces({ places, placeId }: PlanProblem): PlanPlace[] {
  const warm = buildPlaces(places)
  const own = warm.find((p) => p.id === placeId)
  const warmest = warm.at(-1)
  return [own, warmest].filter((p, i, all): p is PlanPlace => p !== undefined && all.indexOf(p) === i)
}

/** Places in which a levain ripens, the coolest first. */
const buildPlaces = (places: readonly PlanPlace[]) => places.filter((p) => !isCold(p.standing.tempC)).sort((a, b) => a.standing.tempC - b.standing.tempC)

/** Last builds that are tried, those where the plan stands first. */
export function lastStages(problem: PlanProblem, seed: PlanStage['seed']): PlanStage[] {
  const { places, placeId, ratios, mixTemps, build } = problem
  const own = (place: PlanPlace) => Number(place.id !== placeId)
  const warm = buildPlaces(places).sort((a, b) => own(a) - own(b))
  const tried = ratios.filter((ratio) => seed === 'jar' || ratio <= MOST_SECOND_RATIO)
  const plain = mixTemps.flatMap((mixTempC) =>
    warm.flatMap((place) => tried.map((flourPerSeed): PlanStage => ({ kind: 'build', flourPerSeed, place, mixTempC, chill: null, seed })))
  )
  const first = plain.filter((s) => s.place.id === placeId && s.mixTempC === build.mixTempC)
  const cold = places.filter((p) => isCold(p.standing.tempC)).sort((a, b) => a.standing.tempC - b.standing.tempC)[0]
  return [...first, ...plain.filter((s) => !first.includes(s)), ...(cold === undefined ? [] : heldStages(problem, seed, warm, cold))]
}

/** Builds that ripen to their fit moment and are held in the cold then: what is put there before it has opened hardly opens. */
function heldStages(problem: PlanProblem, seed: PlanStage['seed'], warm: readonly PlanPlace[], cold: PlanPlace): PlanStage[] {
  const atMs = (problem.nowMs + wishEnd(problem)) / 2
  return problem.ratios
    .filter((ratio) => HELD_RATIOS.some((held) => held === ratio))
    .flatMap((flourPerSeed) =>
      warm.slice(0, 2).flatMap((place): PlanStage[] => {
        const stage: PlanStage = { kind: 'build', flourPerSeed, place, mixTempC: problem.build.mixTempC, chill: null, seed }
        const made = makeStage(problem, stage, atMs)
        return made === null ? [] : [{ ...stage, chill: { afterHours: Math.round(made.window.fit * 4) / 4, place: cold } }]
      })
    )
}

/** Which part of which day each moment falls into. */
function partsOfDay({ timeZone }: PlanProblem, grid: Grid): Int32Array {
  return Int32Array.from({ length: grid.count }, (_, k) => {
    const local = new TZDate(grid.at(k), timeZone)
    return local.getDate() * PARTS_PER_DAY + Math.floor(((local.getHours() + 2) % 24) / (24 / PARTS_PER_DAY))
  })
}

/** Tries a build at every start with every mix in its window, and keeps the best of each kind of day. */
function tryBuild(
  problem: PlanProblem,
  trouble: Trouble,
  grid: Grid,
  option: Option,
  { name, ready }: Way,
  rests: readonly (readonly (Rest | null)[])[],
  wanted: Int32Array,
  part: Int32Array,
  best: Best
): void {
  const { stage, table } = option
  const { wish } = problem
  const perStep = MS_PER_HOUR / grid.stepMs
  const kind = `${name} ${stage.place.id} ${bucketOf(stage.flourPerSeed)} ${stage.chill === null ? 0 : 1}`
  const of = best.get(kind) ?? new Map<number, Candidate[]>()
  best.set(kind, of)
  for (let s = 0; s < grid.count; s++) {
    if (wish.kind === 'habit' && Math.abs(grid.at(s) - wish.buildMs) > HABIT_LEEWAY_MS) continue
    const seedCost = ready === null ? trouble.ofMissing(wanted[s] as number) : (ready.cost[s] as number)
    if (seedCost === Number.POSITIVE_INFINITY) continue
    const startMs = grid.at(s)
    const window = widened(table(startMs))
    if (window === null) continue
    const first = Math.ceil(s + window.opens * perStep)
    const last = Math.min(Math.floor(s + window.closes * perStep), grid.count - 1)
    if (last < first || first >= grid.count) continue
    const own = trouble.ofStage(stage, startMs)
    if (own === Number.POSITIVE_INFINITY) continue
    for (let t = first; t <= last; t++) {
      let soFar = -1
      for (let p = 0; p < rests.length; p++) {
        const rest = rests[p]?.[t] ?? null
        if (rest === null) continue
        if (soFar < 0) soFar = seedCost + own + trouble.ofMix(stage, window, startMs, grid.at(t)) + trouble.ofStay(stage, startMs, grid.at(t))
        const cost = soFar + rest.cost
        keepBest(of, (part[s] as number) * rests.length + p, { cost, option, start: s, mix: t, rest, before: ready })
      }
    }
  }
}

/** How many of each kind of day are kept until they have been reckoned exactly. */
const KEPT_PER_KIND = 4

/** The best candidates of each kind of day: by way, place, size of ratio and hold; then by part of the day and proof. */
type Best = Map<string, Map<number, Candidate[]>>

function keepBest(best: Map<number, Candidate[]>, key: number, candidate: Candidate): void {
  if (candidate.cost === Number.POSITIVE_INFINITY) return
  const kept = best.get(key)
  if (kept === undefined) best.set(key, [candidate])
  else if (kept.length < KEPT_PER_KIND || candidate.cost < (kept.at(-1) as Candidate).cost) {
    const at = kept.findIndex((other) => candidate.cost < other.cost)
    kept.splice(at === -1 ? kept.length : at, 0, candidate)
    if (kept.length > KEPT_PER_KIND) kept.pop()
  }
}

/** A candidate's cost is read off tables: it may be so far off, in minutes of trouble. */
const READ_OFF_COST = 12

/** The best candidates as plans, the cheapest first; those that would be too dear to be offered are not reckoned. */
function plansOf(problem: PlanProblem, trouble: Trouble, grid: Grid, best: Best, exact: Exact): DayPlan[] {
  const candidates = [...best.values()].flatMap((of) => [...of.values()].flat()).sort((a, b) => a.cost - b.cost)
  const plans: DayPlan[] = []
  let cheapest = Number.POSITIVE_INFINITY
  for (const candidate of candidates) {
    if (candidate.cost > cheapest + WORTH_WHILE + READ_OFF_COST) break
    const plan = planOf(problem, trouble, grid, candidate, exact)
    if (!Number.isFinite(plan.cost)) continue
    cheapest = Math.min(cheapest, plan.cost)
    plans.push(plan)
  }
  return plans.sort((a, b) => a.cost - b.cost)
}

const bucketOf = (flourPerSeed: number) => (flourPerSeed <= 2 ? 0 : flourPerSeed <= 5 ? 1 : 2)

/** What is read off straight lines may be so far off, h: candidates beside a window are kept until they have been reckoned exactly. */
const READ_OFF_HOURS = 0.02

/** Whether a place between two moments of the grid is so near one that what was read off may lie on its other side. */
const besideGrid = (place: number, perStep: number) => Math.abs(place - Math.round(place)) < READ_OFF_HOURS * perStep

const widened = (window: FitWindow | null): FitWindow | null =>
  window === null ? null : { ...window, opens: window.opens - READ_OFF_HOURS, closes: window.closes + READ_OFF_HOURS }

type Exact = (stage: PlanStage, startMs: number) => FitWindow

/** Windows reckoned exactly, each once. */
function exactWindows(problem: PlanProblem): Exact {
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

/**
 * A plan that was found, its dough reckoned with the levain as it will be: the search takes it to be ripe.
 * @param levain what the plan's last stage becomes
 * @returns null where the rest of the day keeps no limits then
 */
export function refinePlan(problem: PlanProblem, plan: DayPlan, levain: BatchLine): DayPlan | null {
  const { dough, doughPlace, build } = problem
  const trouble = troubleOf(problem, plan.violations.length > 0)
  const wanted: DoughCourse = { ...problem.course, proof: problem.proofs.find((p) => p.kind === plan.course.proof.kind) ?? plan.course.proof }
  const mixed = doughAt(dough, plan.mixMs, doughPlace.standing)
  const pace = doughPace({ ...mixed, parents: mixed.parents.map((p) => ({ ...p, line: levain })) }, wanted, build.seed.jar)
  const rest = bestRest(trouble, wanted, gridOf(problem), plan.mixMs, pace)
  return rest === null ? null : weighPlan(problem, trouble, plan.stages, plan.mixMs, rest, missingFeeds(problem, plan.stages))
}

/** Feeds that the culture would want besides those of a plan. */
function missingFeeds({ build }: PlanProblem, stages: readonly TimedPlanStage[]): number {
  const { line, jar } = build.seed
  const wanted = line === null ? 0 : WAKE_UP_RATIOS[strengthOf(cultureAt(line, stages[0]?.startMs ?? 0, jar))].length
  return wanted - (stages.length - 1)
}

/** A candidate as a plan: its stages followed back, its cost taken apart; infinite where it does not hold when it is reckoned exactly. */
function planOf(problem: PlanProblem, trouble: Trouble, grid: Grid, { option, start, mix, rest, before }: Candidate, exact: Exact): DayPlan {
  const stages: TimedPlanStage[] = [{ stage: option.stage, startMs: grid.at(start), window: exact(option.stage, grid.at(start)) }]
  let ready = before
  let at = start
  while (ready !== null) {
    const made = ready.options[ready.option[at] as number] as Option
    at = ready.start[at] as number
    stages.unshift({ stage: made.stage, startMs: grid.at(at), window: exact(made.stage, grid.at(at)) })
    ready = ready.before
  }
  return weighPlan(problem, trouble, stages, grid.at(mix), rest, missingFeeds(problem, stages))
}

/** Sums what a plan costs, part by part, and names the limits it breaks. */
export function weighPlan(
  problem: PlanProblem,
  trouble: Trouble,
  stages: readonly TimedPlanStage[],
  mixMs: number,
  { course, times, pace }: Omit<Rest, 'cost'>,
  missingFeeds: number
): DayPlan {
  const because: Partial<Record<CostPart, number>> = {}
  const collect = (part: CostPart, cost: number) => {
    if (cost > 0) because[part] = (because[part] ?? 0) + cost
  }
  let cost = trouble.ofMissing(missingFeeds, collect) + trouble.ofMorning(times, collect) + trouble.ofOven(course, times, collect)
  stages.forEach(({ stage, startMs, window }, i) => {
    cost += trouble.ofStage(stage, startMs, collect)
    const next = stages[i + 1]
    if (next !== undefined) cost += trouble.ofUse(window, (next.startMs - startMs) / MS_PER_HOUR, collect)
  })
  const last = stages.at(-1) as TimedPlanStage
  cost += trouble.ofMix(last.stage, last.window, last.startMs, mixMs, collect) + trouble.ofStay(last.stage, last.startMs, mixMs)
  return {
    stages,
    mixMs,
    course,
    pace,
    times,
    chance: trouble.chanceOfMix(last.stage, last.window, last.startMs, mixMs),
    cost,
    because,
    violations: violationsOf(problem, tasksOfPlan({ stages, times }), times, staysOfPlan(problem, { stages, mixMs, course, times }))
  }
}

/** All that a plan asks of the baker, in the order of time. */
export function tasksOfPlan({ stages, times }: Pick<DayPlan, 'stages' | 'times'>): Task[] {
  return [
    ...stages.flatMap(({ stage, startMs }): Task[] => [
      { step: stage.kind, fromMs: startMs, minutes: HANDS_MINUTES[stage.kind === 'wake' ? 'wake' : 'build'], needs: 'hands' },
      ...(stage.chill === null
        ? []
        : [{ step: 'chill' as const, fromMs: startMs + stage.chill.afterHours * MS_PER_HOUR, minutes: HANDS_MINUTES.chill, needs: 'hands' as const }])
    ]),
    ...tasksOfDough(times)
  ]
}

/** Where levain and dough of a plan stand. */
function staysOfPlan(
  problem: PlanProblem,
  { stages, mixMs, course, times }: Pick<DayPlan, 'stages' | 'mixMs' | 'course' | 'times'>
): (Interval & { placeId: string })[] {
  const last = stages.at(-1) as TimedPlanStage
  return [
    { placeId: last.stage.place.id, fromMs: last.startMs, toMs: mixMs },
    { placeId: problem.doughPlace.id, fromMs: mixMs, toMs: course.proof.kind === 'cold' ? times.proofMs : times.bakeMs }
  ]
}
