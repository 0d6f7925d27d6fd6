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

/** So near a straight line between two moments may stand for what lies between, h. */
const STRAIGHT_HOURS = 0.02
const LEAST_SPAN_MS = 0.8 * MS_PER_HOUR
const FIRST_SPAN_MS = 12 * MS_PER_HOUR

/**
 * Reckons figures at few moments and reads the rest off straight lines; where those do not hold, at more.
 * @param reckon hours at a moment; null where there are none
 * @param fromMs first moment
 * @param toMs last moment
 * @returns the figures at any moment between; null beside a moment without any
 */
export function lineTable<Figures extends readonly number[]>(
  reckon: (ms: number) => Figures | null,
  fromMs: number,
  toMs: number
): (ms: number) => Figures | null {
  const at: number[] = []
  const figures: (Figures | null)[] = []
  const put = (ms: number, found: Figures | null) => {
    at.push(ms)
    figures.push(found)
  }
  const between = (left: number, before: Figures | null, right: number, after: Figures | null) => {
    if (right - left <= LEAST_SPAN_MS) return
    const middle = (left + right) / 2
    const found = reckon(middle)
    const holds =
      found === null || before === null || after === null
        ? found === before && found === after
        : found.every((hours, i) => Math.abs(hours - ((before[i] as number) + (after[i] as number)) / 2) < STRAIGHT_HOURS)
    if (!holds) between(left, before, middle, found)
    put(middle, found)
    if (!holds) between(middle, found, right, after)
  }
  const spans = Math.max(Math.ceil((toMs - fromMs) / FIRST_SPAN_MS), 1)
  let left = fromMs
  let before = reckon(left)
  put(left, before)
  for (let i = 1; i <= spans; i++) {
    const right = fromMs + ((toMs - fromMs) * i) / spans
    const after = reckon(right)
    between(left, before, right, after)
    put(right, after)
    left = right
    before = after
  }
  let last = 0
  return (ms) => {
    while (last > 0 && ms < (at[last] as number)) last--
    while (last < at.length - 2 && ms >= (at[last + 1] as number)) last++
    const [a, b] = [figures[last] ?? null, figures[last + 1] ?? null]
    if (a === null || b === null) return null
    const span = (at[last + 1] as number) - (at[last] as number)
    const u = span > 0 ? Math.min(Math.max((ms - (at[last] as number)) / span, 0), 1) : 0
    return a.map((hours, i) => hours + u * ((b[i] as number) - hours)) as unknown as Figures
  }
}

/** A window at any start. */
export type WindowTable = (startMs: number) => FitWindow | null

/** The windows of a stage over a stretch of starts. */
export function windowTable(problem: PlanProblem, stage: PlanStage, fromMs: number, toMs: number): WindowTable {
  const reckon = (ms: number): readonly [number, number, number] | null => {
    const made = makeStage(problem, stage, ms)
    return made === null ? null : [made.window.opens, made.window.fit, made.window.closes]
  }
  const table = lineTable(reckon, fromMs, toMs)
  return (startMs) => {
    const found = table(startMs)
    return found === null ? null : { opens: found[0], fit: found[1], closes: found[2] }
  }
}
