import type { Kitchen, Plan, StageBeforePlan } from '../../contract'
import {
  atRatio,
  type DayPlan,
  type FormulaLine,
  levainNeeded,
  type PlanProblem,
  type SolvedBake,
  type SolvedDough,
  solveBuild,
  sourceLevain,
  sure,
  wakeGrams,
  type YeastedWay
} from '../../core'
import { type Cultures, type Stocked, solvePlan } from '../bake/solvePlan'

/** A plan as it is once a way to it has been taken. */
export function takePlan(
  plan: Plan,
  problem: PlanProblem,
  { stages, mixMs, course: { proof, bulkStretch, proofStretch, placeId, moves = [] } }: DayPlan,
  { places }: Kitchen
): Partial<Plan> {
  const last = stages.at(-1)
  if (last === undefined || plan.course === null) return {}
  const tempOf = (id: string) => (id === plan.placeId ? plan.tempC : (places.find((p) => p.id === id)?.tempC ?? plan.tempC))
  const { stage } = last
  const asItIs = plan.build.source === 'as it is'
  return {
    school: problem.school,
    build: asItIs || plan.build.by.kind === 'amounts' ? plan.build : { ...plan.build, by: { kind: 'ratio', flourPerSeed: stage.flourPerSeed } },
    placeId: stage.place.id,
    tempC: tempOf(stage.place.id),
    mixTempC: stage.mixTempC,
    moves: stage.chill === null ? [] : [{ afterHours: stage.chill.afterHours, placeId: stage.chill.place.id, tempC: tempOf(stage.chill.place.id) }],
    mixAt: mixMs,
    startAt: asItIs ? null : last.startMs,
    course: {
      ...plan.course,
      proof,
      bulkStretch,
      proofStretch,
      moves,
      ...(placeId === undefined || placeId === plan.course.placeId ? {} : { placeId, tempC: tempOf(placeId) })
    },
    before: stages.slice(0, asItIs ? undefined : -1).map((s, i) => beforeOf(problem, s, i, stages, tempOf)),
    pins: []
  }
}

/** The dry yeast of this kitchen's shelf. */
const DRY_YEAST = 'dry yeast'

/** What of a formula's base flour stands for a share of all flour, to a hundredth of a percent of it. */
const ofBase = (share: number, { truth, baseFlourGrams }: SolvedDough) => Math.max(Math.round((10_000 * share * truth.flourGrams) / baseFlourGrams), 1) / 10_000

/** The recipe with the yeast of a way: more of what there is, or a line of its own. */
export function withYeast(formula: Plan['formula'], { share }: Pick<YeastedWay, 'share'>, dough: SolvedDough): Plan['formula'] {
  const more = ofBase(share, dough)
  const isYeast = (line: FormulaLine) => line.kind === 'extra' && line.ingredientId === DRY_YEAST
  const lines = formula.lines.some(isYeast)
    ? formula.lines.map((line) => (isYeast(line) && line.kind === 'extra' ? { ...line, share: line.share + more } : line))
    : [...formula.lines, { id: DRY_YEAST, kind: 'extra' as const, ingredientId: DRY_YEAST, share: more }]
  return { ...formula, lines }
}

/** A plan as it is once a way with yeast has been taken: its recipe has the yeast, and its levain is there for taste. */
export function takeYeasted(plan: Plan, way: YeastedWay, solved: SolvedBake | null, kitchen: Kitchen): Partial<Plan> {
  const taken = takePlan(plan, way.problem, way.plan, kitchen)
  return solved?.dough.ok === true ? { ...taken, formula: withYeast(plan.formula, way, solved.dough.value.exact) } : taken
}

/** A way as it is once it has been taken: what its card tells is what the plan tells then. */
export interface WayTaken {
  readonly plan: Plan
  readonly solved: SolvedBake | null
  /** Fresh flour of all its feeds and builds, g. */
  readonly flourGrams: number
}

/** Takes a way on trial. */
export function wayTaken(plan: Plan, problem: PlanProblem, way: DayPlan, cultures: Cultures, stocked: Stocked, nowMs: number): WayTaken {
  const taken: Plan = { ...plan, ...takePlan(plan, problem, way, stocked.kitchen) }
  const solved = solvePlan(taken, cultures, stocked, nowMs)
  const before = taken.before.reduce((sum, stage) => sum + stage.flourGrams, 0)
  return { plan: taken, solved, flourGrams: before + (solved?.build?.weigh.flour ?? 0) }
}

function beforeOf(
  problem: PlanProblem,
  { stage, startMs }: DayPlan['stages'][number],
  index: number,
  stages: DayPlan['stages'],
  tempOf: (id: string) => number
): StageBeforePlan {
  const round = (grams: number) => Math.max(Math.round(grams), 1)
  const common = { at: startMs, placeId: stage.place.id, tempC: tempOf(stage.place.id) }
  if (stage.kind === 'wake') {
    const { wake } = problem
    const grams = Math.ceil(keptAtWake(problem, stages, index))
    const { flour, water } = wakeGrams({ ...wake, kept: { ...wake.kept, grams } }, stage.flourPerSeed)
    return {
      id: stages.length > 2 ? `wake ${index + 1}` : 'wake',
      kind: 'wake',
      seedGrams: grams,
      flourGrams: round(flour),
      waterGrams: round(water),
      ...common
    }
  }
  const feed = stage.kind === 'build' ? sourceLevain(lastLevain(problem, stage.flourPerSeed)) : null
  if (feed?.ok === true) {
    // The feed that makes the jar ready for the mix, the last of those before it.
    const { seed, flour, water } = feed.value.masses
    const id = stages.length > 1 ? `wake ${stages.length}` : 'wake'
    return { id, kind: 'wake', seedGrams: round(seed), flourGrams: round(flour), waterGrams: round(water), ...common }
  }
  const { seed, flour, water } = firstBuildMasses(problem, stage.flourPerSeed, sure(stages.at(-1)).stage.flourPerSeed)
  return { id: 'first build', kind: 'first build', seedGrams: round(seed), flourGrams: round(flour), waterGrams: round(water), ...common }
}

/** A feed leaves so much more than is taken from it: some sticks to the spoon, g. */
const SPARE_GRAMS = 3

/** What a wake-up feed keeps of the jar, g: as usual, or as much as it takes for the next feed or build to have its seed, and no more than there is. */
function keptAtWake(problem: PlanProblem, stages: DayPlan['stages'], index: number): number {
  const { wake, build } = problem
  const { jar } = build.levain
  const next = stages[index + 1]
  const last = next?.stage.kind === 'build' ? sourceLevain(lastLevain(problem, next.stage.flourPerSeed)) : null
  const wanted = last === null ? keptAtWake(problem, stages, index + 1) : (last.ok ? last.value.fromJarGrams : 0) + jar.keepMinimumGrams
  const { flour, water } = wakeGrams(wake, sure(stages[index]).stage.flourPerSeed)
  const growth = 1 + (flour + water) / wake.kept.grams
  const needed = Math.max(wake.kept.grams, (wanted + SPARE_GRAMS) / growth)
  return index === 0 ? Math.min(needed, jar.grams) : needed
}

/** The levain of the last build, at its ratio. */
const lastLevain = ({ build }: PlanProblem, flourPerSeed: number) => (build.levain.by.kind === 'amounts' ? build.levain : atRatio(build, flourPerSeed).levain)

/** What a first build is made of, so that it yields the seed of the last one. */
function firstBuildMasses(problem: PlanProblem, flourPerSeed: number, lastRatio: number): { seed: number; flour: number; water: number } {
  const { levain } = problem.build
  const last = sourceLevain(lastLevain(problem, lastRatio))
  const totalGrams = levainNeeded([last.ok ? last.value.fromJarGrams : 0], 0).total
  const solved = solveBuild({ totalGrams, hydration: levain.hydration, seedHydration: levain.jar.hydration, by: { kind: 'ratio', flourPerSeed } })
  const seed = totalGrams / (1 + flourPerSeed * (1 + levain.hydration))
  return solved.ok ? solved.value : { seed, flour: seed * flourPerSeed, water: seed * flourPerSeed * levain.hydration }
}
