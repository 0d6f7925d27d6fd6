import { millisecondsInHour } from 'date-fns/constants'
import { sourceLevain } from '../../build/source'
import type { CultureState } from '../../ferment/culture'
import { fitHours, type School, windowOf } from '../../ferment/forecast'
import { TYPICAL_JAR } from '../../ferment/jarParameters'
import { simulate } from '../../ferment/simulate'
import { isCold } from '../../jars/condition'
import { feedByRatio, lineOfFeed } from '../../jars/feeding'
import { type BatchLine, vesselOf } from '../../jars/lineage'
import { HELD_HOURS, HOLD } from '../../readiness/hold'
import { sure } from '../../units/sure'
import { atRatio, buildFrom, type PlannedBuild } from '../planBuild'
import { type FitWindow, jarOutBefore, outStretches, type PlanProblem, type PlanStage, type TimedPlanStage, wishEnd } from './problem'

const LOOK_HOURS = 96

/** What a stage makes, mixed at a moment, and when that is fit. */
export interface MadeStage {
  readonly line: BatchLine
  readonly window: FitWindow
}

/**
 * The build of a stage, with all that the plan's levain is.
 * @param seedLine what the seed came from, where that is known; else the jar as it stands, or as it would be once it was fed
 */
export function buildOfStage(problem: PlanProblem, stage: PlanStage, seedLine?: BatchLine | null): PlannedBuild {
  const { build } = problem
  const { place, chill, mixTempC } = stage
  const first = stage.kind === 'first build'
  return {
    ...atRatio(build, stage.flourPerSeed),
    ...(first
      ? { levain: { ...atRatio(build, stage.flourPerSeed).levain, doughNeeds: [firstBuildGrams(build)], keepBackGrams: 0, source: 'separate build' as const } }
      : {}),
    seed: { ...build.seed, ...seedOf(problem, stage, seedLine) },
    place: place.standing,
    moves: chill === null ? [] : [{ afterHours: chill.afterHours, ...chill.place.standing }],
    mixTempC
  }
}

/** A first build is so large a share of the last one. */
const FIRST_SHARE = 0.3
const firstBuildGrams = ({ levain }: PlannedBuild) => FIRST_SHARE * levain.doughNeeds.reduce((sum, g) => sum + g, 0)

/** Whether the jar has the seed of a stage to spare; what was fed before is made as large as it has to be. */
export function canSpare(problem: PlanProblem, stage: PlanStage): boolean {
  const levain = stage.kind === 'wake' || stage.fedBefore > 0 ? null : sourceLevain(buildOfStage(problem, stage).levain)
  return levain === null || (levain.ok && levain.value.fromJarGrams <= levain.value.spareGrams + 0.05)
}

/** What becomes of a stage, worked out exactly; null where it never is fit. */
export function makeStage(problem: PlanProblem, stage: PlanStage, startMs: number, madeBefore?: BatchLine | null): MadeStage | null {
  const seedLine = madeBefore === undefined && stage.fedBefore === 0 ? jarAt(problem, startMs) : madeBefore
  if (seedLine === 'still in the fridge') return null
  const school = stage.kind === 'build' ? problem.school : 'dome'
  if (stage.kind === 'wake') return madeOf(wakeLine(problem, stage, startMs, seedLine), school, problem.build.seed.jar)
  const timed = buildFrom(buildOfStage(problem, stage, seedLine), startMs, school)
  if (!timed.ok) return null
  const { milestones, line } = timed.value
  const window = asWindow(milestones, school)
  return window === null ? null : { line, window: keptInCold(window, stage) }
}

/** The jar as it was taken out in the morning of what is begun at a moment; undefined: as it stands. */
function jarAt(problem: PlanProblem, startMs: number): BatchLine | undefined | 'still in the fridge' {
  const { levainHabit, build } = problem
  const { line } = build.seed
  if (levainHabit?.kind !== 'jar out in the morning' || line === null) return undefined
  const outMs = jarOutBefore(problem, startMs)
  if (outMs === null) return 'still in the fridge'
  return { ...line, stays: [...line.stays.filter((stay) => stay.fromMs < outMs), { fromMs: outMs, ...levainHabit.place.standing }] }
}

/** A levain in the cold is used while it is good for something: what ripens there within a day of its opening, what is held there for hours. */
export function keptInCold(window: FitWindow, { chill }: Pick<PlanStage, 'chill'>): FitWindow {
  if (chill === null) return window
  const last = window.opens > chill.afterHours ? window.opens + HOLD.mostHours : chill.afterHours + HELD_HOURS
  const closes = Math.min(window.closes, last)
  return { opens: window.opens, fit: Math.min(window.fit, closes), closes }
}

/** The stages of a plan, each seeded from the one before; null where one never gets ripe. */
export function makeStages(problem: PlanProblem, stages: readonly Pick<TimedPlanStage, 'stage' | 'startMs'>[]): readonly MadeStage[] | null {
  const made: MadeStage[] = []
  for (const { stage, startMs } of stages) {
    const next = makeStage(problem, stage, startMs, made.at(-1)?.line)
    if (next === null) return null
    made.push(next)
  }
  return made
}

/** What a stage is seeded from. */
function seedOf(problem: PlanProblem, { fedBefore }: PlanStage, seedLine?: BatchLine | null): { line: BatchLine | null; state?: CultureState } {
  if (seedLine !== undefined) return { line: seedLine }
  return fedBefore === 0 ? { line: problem.build.seed.line } : { line: null, state: stateOnceFed(problem, fedBefore) }
}

/** How a jar would be once it was fed so often; undefined: ripe, as one is of which nothing else is known. */
function stateOnceFed(problem: PlanProblem, feeds: number): CultureState | undefined {
  if (problem.build.seed.line === null) return undefined
  const states = fedStates.get(problem) ?? []
  fedStates.set(problem, states)
  for (let fed = states.length; fed < feeds; fed++) states.push(stateOfFeed(problem, fed))
  return states[feeds - 1]
}

const fedStates = new WeakMap<PlanProblem, CultureState[]>()
/** The feed that stands for all of them: what other ratios and places leave behind differs little. */
const TYPICAL_FEED = 2

/** How a culture is at the fit moment of a feed, halfway to what is wanted. */
function stateOfFeed(problem: PlanProblem, fedBefore: number): CultureState {
  const { build, places, placeId, nowMs } = problem
  const { jar = TYPICAL_JAR } = build.seed
  const warm = places.filter((p) => !isCold(p.standing.tempC))
  const place = warm.find((p) => p.id === placeId) ?? warm[0] ?? sure(places[0])
  const stage: PlanStage = { kind: 'wake', flourPerSeed: TYPICAL_FEED, place, mixTempC: build.mixTempC, chill: null, fedBefore }
  const vessel = vesselOf(wakeLine(problem, stage, (nowMs + wishEnd(problem)) / 2), jar)
  const untilHours = fitHours(simulate(vessel, jar, { untilHours: LOOK_HOURS, stopPastPeak: true }).milestones, 'dome') ?? LOOK_HOURS
  return simulate(vessel, jar, { untilHours }).end
}

/** The line of a wake-up feed. */
function wakeLine(problem: PlanProblem, stage: PlanStage, startMs: number, seedLine?: BatchLine | null): BatchLine {
  const { wake } = problem
  const { flourPerSeed, place, mixTempC } = stage
  const kept = { ...wake.kept, ...seedOf(problem, stage, seedLine) }
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
  const source = sourceLevain(buildOfStage(problem, stage).levain)
  return source.ok ? source.value.masses.flour : 0
}

/** So near what was expected the curve between the knots has to be unless it is said otherwise, h. */
const NEAR_HOURS = 0.01
/** What does not change by more than this over the whole stretch is taken to be the same everywhere, h. */
const SAME_HOURS = 1e-4
/** Between two knots at first, h; halved as often as it takes, so that no knot is worked out twice. */
const KNOT_HOURS = 12
const HALVED = [1, 2, 4, 8, 16] as const
/** Where it is tried, as shares of the stretch. */
const TRIED = [0.13, 0.49, 0.87] as const

/**
 * Works out figures at few moments and reads the rest off a cubic through the four nearest.
 * @param reckon hours at a moment; null where there are none
 * @param fromMs first moment
 * @param toMs last moment
 * @param nearHours how near the read figures have to be
 * @returns the figures at any moment between; null beside a moment without any
 */
export function curveTable<Figures extends readonly number[]>(
  reckon: (ms: number) => Figures | null,
  fromMs: number,
  toMs: number,
  nearHours = NEAR_HOURS
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
  if ([middle, last].every((other) => isNear(first, other, Math.max(SAME_HOURS, nearHours / 30)))) return () => first
  const widest = Math.max(Math.ceil((toMs - fromMs) / (KNOT_HOURS * millisecondsInHour)), 3)
  for (const halved of HALVED) {
    const knots = widest * halved
    const stepMs = (toMs - fromMs) / knots
    const figures = Array.from({ length: knots + 1 }, (_, k) => at(fromMs + k * stepMs))
    const read = (ms: number) => cubicAt(figures, (ms - fromMs) / stepMs)
    // Tried between two knots, where the curve is farthest from what is known.
    const tried = TRIED.map((share) => fromMs + (Math.floor(share * knots) + 0.5) * stepMs)
    if (halved === HALVED.at(-1) || tried.every((ms) => isNear(at(ms), read(ms), nearHours))) return read
  }
  return () => null
}

const isNear = (a: readonly number[] | null, b: readonly number[] | null, hours: number) =>
  a === null || b === null ? a === b : a.every((x, i) => Math.abs(x - (b[i] ?? NaN)) < hours)

/** Value at a place between knots, of the cubic through four of them; a straight line where one of the four is missing. */
function cubicAt<Figures extends readonly number[]>(figures: readonly (Figures | null)[], place: number): Figures | null {
  const last = figures.length - 1
  const left = Math.min(Math.max(Math.floor(place), 0), last - 1)
  const [b, c] = [figures[left] ?? null, figures[left + 1] ?? null]
  if (b === null || c === null) return null
  const from = Math.min(Math.max(left - 1, 0), last - 3)
  const u = place - from
  const p = figures[from]
  const q = figures[from + 1]
  const r = figures[from + 2]
  const s = figures[from + 3]
  // Read by the hundred thousand: plain sums, and one array.
  const read: number[] = []
  if (!p || !q || !r || !s) {
    for (let i = 0; i < b.length; i++) read.push((b[i] ?? NaN) + (place - left) * ((c[i] ?? NaN) - (b[i] ?? NaN)))
    return read as unknown as Figures
  }
  const ofP = ((u - 1) * (u - 2) * (u - 3)) / -6
  const ofQ = (u * (u - 2) * (u - 3)) / 2
  const ofR = (u * (u - 1) * (u - 3)) / -2
  const ofS = (u * (u - 1) * (u - 2)) / 6
  for (let i = 0; i < b.length; i++) read.push(ofP * (p[i] ?? NaN) + ofQ * (q[i] ?? NaN) + ofR * (r[i] ?? NaN) + ofS * (s[i] ?? NaN))
  return read as unknown as Figures
}

/** A window at any start. */
export type WindowTable = (startMs: number) => FitWindow | null

type Figures = readonly [number, number, number]

/** The windows of a stage over a stretch of starts. What is seeded from a culture that is always the same repeats itself every day. */
export function windowTable(problem: PlanProblem, stage: PlanStage, fromMs: number, toMs: number): WindowTable {
  const reckon = (ms: number): Figures | null => {
    const made = makeStage(problem, stage, ms)
    return made === null ? null : [made.window.opens, made.window.fit, made.window.closes]
  }
  if (stage.fedBefore === 0 && problem.build.seed.line !== null) {
    const stretches = outStretches(problem).filter((out) => out.toMs > fromMs && out.fromMs < toMs)
    if (stretches.length === 0) return asTable(curveTable(reckon, fromMs, toMs))
    // A jar that comes out in the morning is another one every day.
    const days = stretches.map((out) => ({ ...out, table: asTable(curveTable(reckon, out.fromMs, out.toMs)) }))
    return (ms) => days.find((out) => ms >= out.fromMs && ms <= out.toMs)?.table(ms) ?? null
  }
  const day = curveTable(reckon, fromMs, fromMs + DAY_MS)
  return asTable((ms) => day(fromMs + ((ms - fromMs) % DAY_MS)))
}

const DAY_MS = 24 * millisecondsInHour

const asTable =
  (figures: (ms: number) => Figures | null): WindowTable =>
  (startMs) => {
    const found = figures(startMs)
    return found === null ? null : { opens: found[0], fit: found[1], closes: found[2] }
  }

/** So many ratios are worked out; those between are read off a cubic through them. */
const ANCHORS = 4

/**
 * The windows of stages that differ only in their ratio: windows grow evenly with its logarithm, so that few have to be worked out.
 * @param stages the same but for their ratio, which grows
 */
export function windowTables(problem: PlanProblem, stages: readonly PlanStage[], fromMs: number, toMs: number): WindowTable[] {
  const reckoned = (stage: PlanStage) => windowTable(problem, stage, fromMs, toMs)
  if (stages.length <= ANCHORS) return stages.map(reckoned)
  const sizes = stages.map(({ flourPerSeed }) => Math.log(flourPerSeed))
  const anchors = anchorsOf(sizes)
  const tables = new Map(anchors.map((i) => [i, reckoned(sure(stages[i]))]))
  return stages.map((stage, i) => {
    const own = tables.get(i)
    if (own !== undefined) return own
    const weights = weightsAt(
      sizes[i] ?? NaN,
      anchors.map((a) => sizes[a] ?? NaN)
    )
    const between: WindowTable = (ms) => {
      const sum = { opens: 0, fit: 0, closes: 0 }
      for (const [k, a] of anchors.entries()) {
        const window = tables.get(a)?.(ms) ?? null
        if (window === null) return null
        const weight = weights[k] ?? NaN
        sum.opens += weight * window.opens
        sum.fit += weight * window.fit
        sum.closes += weight * window.closes
      }
      return sum
    }
    const holds = TRIED.every((share) => {
      const ms = fromMs + share * (toMs - fromMs)
      const [read, made] = [between(ms), makeStage(problem, stage, ms)?.window ?? null]
      return read !== null && made !== null && isNear([read.opens, read.fit, read.closes], [made.opens, made.fit, made.closes], 2 * NEAR_HOURS)
    })
    return holds ? between : reckoned(stage)
  })
}

/** The first, the last, and those nearest to even steps between. */
function anchorsOf(sizes: readonly number[]): number[] {
  const [first, last] = [sizes[0] ?? NaN, sizes.at(-1) ?? NaN]
  const wanted = Array.from({ length: ANCHORS }, (_, k) => first + ((last - first) * k) / (ANCHORS - 1))
  const nearest = wanted.map((size) => sizes.reduce((best, s, i) => (Math.abs(s - size) < Math.abs((sizes[best] ?? NaN) - size) ? i : best), 0))
  return [...new Set(nearest)]
}

/** Weights of a polynomial through places, at another one. Source: Lagrange. */
function weightsAt(x: number, places: readonly number[]): number[] {
  return places.map((a, i) => places.reduce((product, b, k) => (k === i ? product : (product * (x - b)) / (a - b)), 1))
}
