import { inoculationOf } from '../../build/solveBuild'
import { fitHours, type School, windowOf } from '../../ferment/forecast'
import { TYPICAL_JAR } from '../../ferment/jarParameters'
import { simulate } from '../../ferment/simulate'
import { feedByRatio, lineOfFeed } from '../../jars/feeding'
import { type BatchLine, vesselOf } from '../../jars/lineage'
import { atRatio, buildFrom, type PlannedBuild } from '../planBuild'
import type { FitWindow, PlanProblem, PlanStage } from './problem'

const MS_PER_HOUR = 3_600_000
const LOOK_HOURS = 96

/** What a stage makes, mixed at a moment, and when that is fit; null where it never is, or where the jar cannot spare the seed. */
export interface MadeStage {
  readonly line: BatchLine
  readonly window: FitWindow
}

/**
 * The build of a stage, with all that the plan's levain is.
 * @param seedLine what the seed came from, where that is known; else the jar as it stands, or a ripe culture
 */
export function buildOfStage({ build }: PlanProblem, stage: PlanStage, seedLine?: BatchLine | null): PlannedBuild {
  const { place, chill, seed, mixTempC } = stage
  const first = stage.kind === 'first build'
  return {
    ...atRatio(build, stage.flourPerSeed),
    ...(first
      ? { levain: { ...atRatio(build, stage.flourPerSeed).levain, doughNeeds: [firstBuildGrams(build)], keepBackGrams: 0, source: 'separate build' as const } }
      : {}),
    seed: { ...build.seed, line: seedLine !== undefined ? seedLine : seed === 'jar' ? build.seed.line : null },
    place: place.standing,
    moves: chill === null ? [] : [{ afterHours: chill.afterHours, ...chill.place.standing }],
    mixTempC
  }
}

/** A first build is so large a share of the last one. */
const FIRST_SHARE = 0.3
const firstBuildGrams = ({ levain }: PlannedBuild) => FIRST_SHARE * levain.doughNeeds.reduce((sum, g) => sum + g, 0)

/** What the jar can spare for a stage, reckoned exactly; null where it cannot be. */
export function makeStage(problem: PlanProblem, stage: PlanStage, startMs: number, seedLine?: BatchLine | null): MadeStage | null {
  const school = stage.kind === 'build' ? problem.school : 'dome'
  if (stage.kind === 'wake') return madeOf(wakeLine(problem, stage, startMs, seedLine), school, problem.build.seed.jar)
  const timed = buildFrom(buildOfStage(problem, stage, seedLine), startMs, school)
  if (!timed.ok) return null
  const { levain, milestones, line } = timed.value
  if (stage.seed === 'jar' && levain.fromJarGrams > levain.spareGrams + 0.05) return null
  const window = asWindow(milestones, school)
  return window === null ? null : { line, window }
}

/** The line of a wake-up feed. */
function wakeLine({ wake, build }: PlanProblem, { flourPerSeed, place, mixTempC, seed }: PlanStage, startMs: number, seedLine?: BatchLine | null): BatchLine {
  const kept = { ...wake.kept, line: seedLine !== undefined ? seedLine : seed === 'jar' ? build.seed.line : null }
  const { flour, water } = wakeGrams(wake, flourPerSeed)
  return lineOfFeed(kept, { feed: wake.feed, flourGrams: flour, waterGrams: water, mixTempC }, [{ fromMs: startMs, ...place.standing }], wake.pantry)
}

/** Flour and water of a wake-up feed by its ratio, g. */
export function wakeGrams({ kept, hydration }: PlanProblem['wake'], flourPerSeed: number): { readonly flour: number; readonly water: number } {
  const fed = feedByRatio(kept, flourPerSeed, hydration)
  return fed.ok ? { flour: fed.value.flour, water: fed.value.water } : { flour: kept.grams * flourPerSeed, water: kept.grams * flourPerSeed * hydration }
}

function madeOf(line: BatchLine, school: School, jar = TYPICAL_JAR): MadeStage | null {
  const { milestones } = simulate(vesselOf(line, jar), jar, { untilHours: LOOK_HOURS, stopPastPeak: true })
  const window = asWindow(milestones, school)
  return window === null ? null : { line, window }
}

function asWindow(milestones: Parameters<typeof windowOf>[0], school: School): FitWindow | null {
  const { opensHours, closesHours } = windowOf(milestones, school)
  const fit = fitHours(milestones, school)
  return opensHours === null || closesHours === null || fit === null ? null : { opens: opensHours, fit, closes: closesHours }
}

/** Fresh flour that goes into a stage, g. */
export function flourOfStage(problem: PlanProblem, stage: PlanStage): number {
  if (stage.kind === 'wake') return wakeGrams(problem.wake, stage.flourPerSeed).flour
  const { levain } = problem.build
  const total = stage.kind === 'build' ? levain.doughNeeds.reduce((sum, g) => sum + g, 0) + levain.keepBackGrams : firstBuildGrams(problem.build)
  return (total / (1 + levain.hydration)) * (1 - inoculationOf(stage.flourPerSeed) / (1 + inoculationOf(stage.flourPerSeed)))
}

/** So near what was reckoned the curve between the knots has to be, h. */
const NEAR_HOURS = 0.01
/** What does not change by more than this over the whole stretch is taken to be the same everywhere, h. */
const SAME_HOURS = 1e-4
/** Between two knots at first, h; halved as often as it takes, so that no knot is reckoned twice. */
const KNOT_HOURS = 12
const HALVED = [1, 2, 4, 8, 16] as const
/** Where it is tried, as shares of the stretch. */
const TRIED = [0.13, 0.49, 0.87] as const

/**
 * Reckons figures at few moments and reads the rest off a cubic through the four nearest.
 * @param reckon hours at a moment; null where there are none
 * @param fromMs first moment
 * @param toMs last moment
 * @returns the figures at any moment between; null beside a moment without any
 */
export function curveTable<Figures extends readonly number[]>(
  reckon: (ms: number) => Figures | null,
  fromMs: number,
  toMs: number
): (ms: number) => Figures | null {
  const known = new Map<number, Figures | null>()
  const at = (ms: number) => {
    const there = known.get(ms)
    if (there !== undefined) return there
    const found = reckon(ms)
    known.set(ms, found)
    return found
  }
  const [first, middle, last] = [at(fromMs), at((fromMs + toMs) / 2), at(toMs)]
  if (isNear(first, middle, SAME_HOURS) && isNear(first, last, SAME_HOURS)) return () => first
  const widest = Math.max(Math.ceil((toMs - fromMs) / (KNOT_HOURS * MS_PER_HOUR)), 3)
  for (const halved of HALVED) {
    const knots = widest * halved
    const stepMs = (toMs - fromMs) / knots
    const figures = Array.from({ length: knots + 1 }, (_, k) => at(fromMs + k * stepMs))
    const read = (ms: number) => cubicAt(figures, (ms - fromMs) / stepMs)
    // Tried between two knots, where the curve is farthest from what is known.
    const tried = TRIED.map((share) => fromMs + (Math.floor(share * knots) + 0.5) * stepMs)
    if (halved === HALVED.at(-1) || tried.every((ms) => isNear(at(ms), read(ms), NEAR_HOURS))) return read
  }
  return () => null
}

const isNear = (a: readonly number[] | null, b: readonly number[] | null, hours: number) =>
  a === null || b === null ? a === b : a.every((x, i) => Math.abs(x - (b[i] as number)) < hours)

/** Value at a place between knots, of the cubic through four of them; a straight line where one of the four is missing. */
function cubicAt<Figures extends readonly number[]>(figures: readonly (Figures | null)[], place: number): Figures | null {
  const last = figures.length - 1
  const left = Math.min(Math.max(Math.floor(place), 0), last - 1)
  const [b, c] = [figures[left] ?? null, figures[left + 1] ?? null]
  if (b === null || c === null) return null
  const from = Math.min(Math.max(left - 1, 0), last - 3)
  const four = [0, 1, 2, 3].map((i) => figures[from + i] ?? null)
  const u = place - from
  if (four.includes(null)) return b.map((x, i) => x + (place - left) * ((c[i] as number) - x)) as unknown as Figures
  const weights = [((u - 1) * (u - 2) * (u - 3)) / -6, (u * (u - 2) * (u - 3)) / 2, (u * (u - 1) * (u - 3)) / -2, (u * (u - 1) * (u - 2)) / 6]
  return b.map((_, i) => weights.reduce((sum, w, k) => sum + w * ((four[k] as Figures)[i] as number), 0)) as unknown as Figures
}

/** A window at any start. */
export type WindowTable = (startMs: number) => FitWindow | null

/** The windows of a stage over a stretch of starts. */
export function windowTable(problem: PlanProblem, stage: PlanStage, fromMs: number, toMs: number): WindowTable {
  const reckon = (ms: number): readonly [number, number, number] | null => {
    const made = makeStage(problem, stage, ms)
    return made === null ? null : [made.window.opens, made.window.fit, made.window.closes]
  }
  const table = curveTable(reckon, fromMs, toMs)
  return (startMs) => {
    const found = table(startMs)
    return found === null ? null : { opens: found[0], fit: found[1], closes: found[2] }
  }
}
