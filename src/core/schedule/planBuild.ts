import type { BuildProblem } from '../build/solveBuild'
import { type BuildMasses, ratioOf, solveBuild } from '../build/solveBuild'
import type { FlourKind } from '../ferment/flours'
import { type School, windowOf } from '../ferment/forecast'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import type { Milestones } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import type { Surroundings } from '../ferment/thermal'
import { type BatchLine, vesselOf } from '../jars/lineage'
import type { Result } from '../units/result'
import { nightAt, type Sleep } from './nights'

const MS_PER_HOUR = 3_600_000

/** A build that is thought about: what goes in, from which jar, and where it will stand. */
export interface PlannedBuild {
  /** M, g. */
  readonly totalGrams: number
  /** Water ÷ flour of the levain. */
  readonly hydration: number
  /** Fresh flour per gram of seed. */
  readonly flourPerSeed: number
  /** Kind of the fresh flour. */
  readonly flour: FlourKind
  /** The jar it is seeded from. */
  readonly seed: { readonly hydration: number; readonly flour: FlourKind; readonly line: BatchLine | null; readonly jar?: JarParameters }
  /** Where it will stand. */
  readonly place: { readonly tempC: number; readonly surroundings?: Surroundings }
  /** Temperature of the fresh mix, °C. */
  readonly mixTempC: number
}

/** The batch a plan would become when mixed at a time with given masses. */
export function lineOfPlan(build: PlannedBuild, masses: BuildMasses, startMs: number): BatchLine {
  return {
    startedAtMs: startMs,
    flours: { [build.flour]: masses.flour },
    waterGrams: masses.water,
    saltGrams: 0,
    mixTempC: build.mixTempC,
    stays: [{ fromMs: startMs, tempC: build.place.tempC, surroundings: build.place.surroundings }],
    parents: [{ grams: masses.seed, hydration: build.seed.hydration, flour: build.seed.flour, line: build.seed.line }]
  }
}

/** A plan with its answer. */
export interface TimedBuild {
  readonly masses: BuildMasses
  /** When to mix it, ms. */
  readonly startMs: number
  readonly milestones: Milestones
  /** Hours from mixing to the moment it is fittest for the school. */
  readonly fitHours: number
  /** The batch it would become. */
  readonly line: BatchLine
}

export type TimingProblem = BuildProblem | 'never ripe'

/** Longest a build is followed, h. */
const LONGEST_BUILD_HOURS = 24 * 10

/** Hours from mixing at which a school mixes: in the middle of its window, at the peak for the dome. */
export function fitHours(milestones: Milestones, school: School): number | null {
  if (school === 'dome') return milestones.peakHours
  const { opensHours, closesHours } = windowOf(milestones, school)
  return opensHours === null || closesHours === null ? null : (opensHours + closesHours) / 2
}

/**
 * Runs a planned build from a start.
 * @returns masses, milestones and the batch, or why it cannot be
 */
export function buildFrom(build: PlannedBuild, startMs: number, school: School): Result<TimedBuild, TimingProblem> {
  const solved = solveBuild({
    totalGrams: build.totalGrams,
    hydration: build.hydration,
    seedHydration: build.seed.hydration,
    flourPerSeed: build.flourPerSeed
  })
  if (!solved.ok) return solved
  const line = lineOfPlan(build, solved.value, startMs)
  const jar = build.seed.jar ?? TYPICAL_JAR
  const { milestones } = simulate(vesselOf(line, jar), jar, { untilHours: LONGEST_BUILD_HOURS, stopPastPeak: true })
  const fit = fitHours(milestones, school)
  if (fit === null) return { ok: false, problem: { code: 'never ripe', values: { tempC: build.place.tempC } } }
  return { ok: true, value: { masses: solved.value, startMs, milestones, fitHours: fit, line } }
}

/**
 * When to mix a build so that it is fittest at a time. The jar goes on ageing until then, so start and strength are solved together.
 * @param build what goes in and where it stands
 * @param mixAtMs when the dough is to be mixed, ms
 * @param school which part of the hill is wanted
 * @returns start with milestones, or why it cannot be
 */
export function buildFor(build: PlannedBuild, mixAtMs: number, school: School): Result<TimedBuild, TimingProblem> {
  let startMs = mixAtMs - 8 * MS_PER_HOUR
  let answer = buildFrom(build, startMs, school)
  for (let round = 0; round < 6 && answer.ok; round++) {
    const next = mixAtMs - answer.value.fitHours * MS_PER_HOUR
    const settled = Math.abs(next - startMs) < 20_000
    startMs = next
    if (settled) break
    answer = buildFrom(build, startMs, school)
  }
  return answer.ok
    ? {
        ok: true,
        value: {
          ...answer.value,
          startMs,
          line: { ...answer.value.line, startedAtMs: startMs, stays: answer.value.line.stays.map((s) => ({ ...s, fromMs: startMs })) }
        }
      }
    : answer
}

/** Another ratio that lets the baker sleep. */
export interface AwakeRatio {
  readonly flourPerSeed: number
  readonly startMs: number
  readonly ratio: string
  readonly seedGrams: number
}

const LEAST_FLOUR = 0.5
const MOST_FLOUR = 20
const FLOUR_STEP = 0.5

/**
 * Ratios whose start falls while the baker is awake, one on each side of the night: the nearest later and the nearest earlier start.
 * @param startMs the start that falls in the night
 * @returns none, one or two, later start first
 */
export function awakeRatios(
  build: PlannedBuild,
  mixAtMs: number,
  school: School,
  startMs: number,
  sleep: Sleep,
  timeZone: string,
  nowMs: number
): AwakeRatio[] {
  const found: AwakeRatio[] = []
  const seek = (step: number) => {
    for (let f = Math.round(build.flourPerSeed / FLOUR_STEP) * FLOUR_STEP + step; f >= LEAST_FLOUR && f <= MOST_FLOUR; f += step) {
      const answer = buildFor({ ...build, flourPerSeed: f }, mixAtMs, school)
      if (!answer.ok) return
      const at = answer.value.startMs
      if (at >= nowMs && nightAt(at, sleep, timeZone) === undefined) {
        found.push({ flourPerSeed: f, startMs: at, ratio: ratioOf(answer.value.masses), seedGrams: answer.value.masses.seed })
        return
      }
    }
  }
  if (startMs >= nowMs || nightAt(startMs, sleep, timeZone) !== undefined) seek(-FLOUR_STEP)
  seek(FLOUR_STEP)
  return found
}
