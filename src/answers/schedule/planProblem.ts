import { millisecondsInHour } from 'date-fns/constants'
import type { Kitchen, Place, Plan, StageBeforePlan } from '../../contract'
import {
  atRatio,
  type BreadWish,
  type Busy,
  busyBetween,
  type Claim,
  type DayPlan,
  type Interval,
  levainNeeded,
  type PlanPlace,
  type PlanProblem,
  type SolvedBake,
  solveBuild,
  sourceLevain,
  USUAL_COURSE,
  wakeGrams
} from '../../core'
import { courseHere } from '../bake/courseHere'
import { doughOf } from '../bake/dayOfBake'
import { type Cultures, type Stocked, solvePlan, standingIn } from '../bake/solvePlan'
import { type Bake, hoursOf } from '../fromWire'

/** Flour per seed that is tried. */
const RATIOS = [1, 2, 3, 4, 5, 6, 8, 10]
/** More flour, for hours that are fixed: only that makes a levain last a warm night. */
const LONG_RATIOS = [12, 15, 20]
/** A warm mix, where the plan's own is not warm already, °C. */
const WARM_MIX_C = 28
const GRID_MINUTES = 15
/** Times that are taken are looked up so far ahead, ms. */
const AHEAD_MS = 9 * 24 * millisecondsInHour
/** What is kept of a jar at a wake-up feed where it has no least, g. */
const KEPT_GRAMS = 20

/** Stretches in which a place that takes so many is full. */
export function fullStretches({ id, takes }: Pick<Place, 'id' | 'takes'>, others: readonly Claim[]): (Interval & { placeId: string })[] {
  if (takes === null) return []
  const stays = others.flatMap((o) => o.stays.filter((s) => s.placeId === id))
  const edges = [...new Set(stays.flatMap((s) => [s.fromMs, s.toMs]))].sort((a, b) => a - b)
  return edges.slice(1).flatMap((toMs, i) => {
    const fromMs = edges[i] ?? NaN
    const there = stays.filter((s) => s.fromMs <= fromMs && s.toMs >= toMs).length
    return there >= takes ? [{ placeId: id, fromMs, toMs }] : []
  })
}

/** All that takes the baker away, other bakes among it. */
export function busyIn(kitchen: Kitchen, others: readonly Claim[], fromMs: number, toMs: number): Busy[] {
  return [...busyBetween(fromMs, toMs, hoursOf(kitchen)), ...others.flatMap(({ name, hands }) => hands.map((h): Busy => ({ ...h, kind: 'other bake', name })))]
}

/** All that takes the baker away in the days that are looked at. */
export const busyAhead = (kitchen: Kitchen, others: readonly Claim[], nowMs: number): Busy[] => busyIn(kitchen, others, nowMs, nowMs + AHEAD_MS)

/**
 * What a search is asked for a bake.
 * @param others what else goes on in the kitchen
 * @returns null while there is no levain or no dough to plan, and where starter is used as it is: there is no build to look for
 */
export function planProblemOf(
  bake: Pick<Bake, 'ingredients' | 'state'>,
  plan: Plan,
  solved: SolvedBake | null,
  wish: BreadWish,
  cultures: Cultures,
  stocked: Stocked,
  nowMs: number,
  others: readonly Claim[]
): PlanProblem | null {
  if (plan.build.source === 'as it is') return null
  const { kitchen, pantry } = stocked
  // The jar as it stands: what an earlier plan would have fed it does not count.
  const bare = plan.before.length === 0 ? solved : solvePlan({ ...plan, before: [] }, cultures, stocked, nowMs)
  const build = bare?.build
  const jar = cultures.jars.find((j) => j.id === plan.jarId)
  const course = plan.course === null ? null : courseHere(plan.course, plan, kitchen)
  const dough = doughOf(bake, plan, bare, stocked, plan.mixAt)
  if (build === null || build === undefined || jar === undefined || course === null || dough === null) return null
  const mixMs = plan.mixAt
  const placeOf = (id: string, tempC: number): PlanPlace => ({ id, standing: standingIn(kitchen, id, tempC, mixMs) })
  const own = build.planned.seed
  return {
    nowMs,
    timeZone: kitchen.timeZone,
    wish,
    build: { ...build.planned, moves: [] },
    flourPerSeed: build.flourPerSeed,
    placeId: plan.placeId,
    school: plan.school,
    places: kitchen.places.map((p) => placeOf(p.id, p.id === plan.placeId ? plan.tempC : p.tempC)),
    // Amounts that were given stay: only place, warmth and hour are looked for.
    ratios:
      plan.build.by.kind === 'amounts'
        ? [build.flourPerSeed]
        : [...new Set([...RATIOS, ...(wish.kind === 'habit' ? LONG_RATIOS : []), Math.round(build.flourPerSeed * 2) / 2])]
            .filter((r) => r >= 1)
            .sort((a, b) => a - b),
    mixTemps: plan.mixTempC < WARM_MIX_C - 2 ? [plan.mixTempC, WARM_MIX_C] : [plan.mixTempC],
    wake: {
      kept: { grams: Math.min(Math.max(jar.keepMinimumGrams, KEPT_GRAMS), Math.max(jar.grams, 1)), hydration: jar.hydration, flour: jar.flour, line: own.line },
      feed: jar.feed,
      hydration: jar.hydration,
      pantry
    },
    course,
    proofs: course.proof.kind === 'warm' ? [course.proof, { kind: 'cold' as const, hours: 12 }] : [course.proof, USUAL_COURSE[plan.formula.doughKind].proof],
    dough,
    doughPlace: placeOf(course.placeId, course.tempC),
    busy: busyAhead(kitchen, others, nowMs),
    oven: others.flatMap((o) => o.oven ?? []),
    full: kitchen.places.flatMap((p) => fullStretches(p, others)),
    spread: { jar: 0, fed: 0 },
    gridMinutes: GRID_MINUTES
  }
}

/** A plan as it is once a way to it has been taken. */
export function takePlan(
  plan: Plan,
  problem: PlanProblem,
  { stages, mixMs, course: { proof, bulkStretch, proofStretch } }: DayPlan,
  { places }: Kitchen
): Partial<Plan> {
  const last = stages.at(-1)
  if (last === undefined || plan.course === null) return {}
  const tempOf = (id: string) => (id === plan.placeId ? plan.tempC : (places.find((p) => p.id === id)?.tempC ?? plan.tempC))
  const { stage } = last
  return {
    build: plan.build.by.kind === 'amounts' ? plan.build : { ...plan.build, by: { kind: 'ratio', flourPerSeed: stage.flourPerSeed } },
    placeId: stage.place.id,
    tempC: tempOf(stage.place.id),
    mixTempC: stage.mixTempC,
    moves: stage.chill === null ? [] : [{ afterHours: stage.chill.afterHours, placeId: stage.chill.place.id, tempC: tempOf(stage.chill.place.id) }],
    mixAt: mixMs,
    startAt: last.startMs,
    course: { ...plan.course, proof, bulkStretch, proofStretch },
    before: stages.slice(0, -1).map((s, i) => beforeOf(problem, s, i, stages.length, stage.flourPerSeed, tempOf)),
    pins: []
  }
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
  count: number,
  lastRatio: number,
  tempOf: (id: string) => number
): StageBeforePlan {
  const round = (grams: number) => Math.max(Math.round(grams), 1)
  const common = { at: startMs, placeId: stage.place.id, tempC: tempOf(stage.place.id) }
  if (stage.kind === 'wake') {
    const { flour, water } = wakeGrams(problem.wake, stage.flourPerSeed)
    return {
      id: count > 2 ? `wake ${index + 1}` : 'wake',
      kind: 'wake',
      seedGrams: round(problem.wake.kept.grams),
      flourGrams: round(flour),
      waterGrams: round(water),
      ...common
    }
  }
  const { seed, flour, water } = firstBuildMasses(problem, stage.flourPerSeed, lastRatio)
  return { id: 'first build', kind: 'first build', seedGrams: round(seed), flourGrams: round(flour), waterGrams: round(water), ...common }
}

/** What a first build is made of, so that it yields the seed of the last one. */
function firstBuildMasses({ build }: PlanProblem, flourPerSeed: number, lastRatio: number): { seed: number; flour: number; water: number } {
  const { levain } = build
  const last = sourceLevain(levain.by.kind === 'amounts' ? levain : atRatio(build, lastRatio).levain)
  const totalGrams = levainNeeded([last.ok ? last.value.fromJarGrams : 0], 0).total
  const solved = solveBuild({ totalGrams, hydration: levain.hydration, seedHydration: levain.jar.hydration, by: { kind: 'ratio', flourPerSeed } })
  const seed = totalGrams / (1 + flourPerSeed * (1 + levain.hydration))
  return solved.ok ? solved.value : { seed, flour: seed * flourPerSeed, water: seed * flourPerSeed * levain.hydration }
}
