import { millisecondsInHour } from 'date-fns/constants'
import { type LadderStage, solveLadder } from '../build/ladder'
import { type BuildProblem, flourPerSeedFor, ratioOf } from '../build/solveBuild'
import { type LevainWish, type SourcedLevain, sourceLevain } from '../build/source'
import type { OwnTraits } from '../dough/blend'
import type { CultureState } from '../ferment/culture'
import type { FlourKind, FloursByKind } from '../ferment/flours'
import { fitHours, type School } from '../ferment/forecast'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import type { Milestones } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import type { Surroundings, VesselMaterial } from '../ferment/thermal'
import { type BatchLine, type Swing, vesselOf } from '../jars/lineage'
import type { Result } from '../units/result'
import { sure } from '../units/sure'
import { nightAt, type Sleep } from './nights'

/** How a place treats what stands there. */
export interface Standing {
  /** °C; the mean where it swings. */
  readonly tempC: number
  readonly surroundings?: Surroundings
  readonly swing?: Swing
}

/** A build that is thought about: what goes in, from which jar, and where it will stand. */
export interface PlannedBuild {
  /** How much of it, by which school and ratio. */
  readonly levain: LevainWish
  /** Shares of the fresh flour; they sum to 1. */
  readonly flours: FloursByKind
  /** How those flours differ from what their kinds do. */
  readonly own?: OwnTraits
  /** The jar it is seeded from; `line` null: a seed as `state` says, or a ripe one. */
  readonly seed: { readonly flour: FlourKind; readonly line: BatchLine | null; readonly state?: CultureState; readonly jar?: JarParameters }
  /** The old levain that is mixed with its seed; left out: a ripe one. */
  readonly older?: { readonly flour: FlourKind; readonly line: BatchLine }
  /** Where it will stand. */
  readonly place: Standing
  /** Moved on some hours after mixing: into the cold, into the warm. */
  readonly moves?: readonly (Standing & { readonly afterHours: number })[]
  /** What it stands in is made of. */
  readonly material?: VesselMaterial
  /** Temperature of the fresh mix, °C. */
  readonly mixTempC: number
}

/** What really goes into a build, g. */
export interface LineMasses {
  readonly seed: number
  readonly older: number
  readonly water: number
  readonly salt: number
  readonly flours: FloursByKind
}

/** The batch a plan would become when mixed at a time with given masses. An older levain that nobody knows is taken to be ripe. */
export function lineOfPlan(build: PlannedBuild, masses: LineMasses, startMs: number): BatchLine {
  const { jar, older } = build.levain
  const parents = [
    { grams: masses.seed, hydration: jar.hydration, flour: build.seed.flour, line: build.seed.line, state: build.seed.state },
    { grams: masses.older, hydration: older.hydration, flour: build.older?.flour ?? build.seed.flour, line: build.older?.line ?? null }
  ]
  return {
    startedAtMs: startMs,
    flours: masses.flours,
    own: build.own,
    waterGrams: masses.water,
    saltGrams: masses.salt,
    mixTempC: build.mixTempC,
    stays: [
      { fromMs: startMs, ...build.place },
      ...(build.moves ?? []).map(({ afterHours, ...standing }) => ({ fromMs: startMs + afterHours * millisecondsInHour, ...standing }))
    ],
    material: build.material,
    parents: parents.filter((p) => p.grams > 0)
  }
}

/** A plan with its answer. */
export interface TimedBuild {
  readonly levain: SourcedLevain
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

/**
 * Runs a planned build from a start.
 * @returns masses, milestones and the batch, or why it cannot be
 */
export function buildFrom(build: PlannedBuild, startMs: number, school: School): Result<TimedBuild, TimingProblem> {
  const levain = sourceLevain(build.levain)
  if (!levain.ok) return levain
  const { masses, fromJarGrams, fromOlderGrams } = levain.value
  const flours = Object.fromEntries(Object.entries(build.flours).map(([kind, share]) => [kind, share * masses.flour])) as FloursByKind
  const line = lineOfPlan(build, { seed: fromJarGrams, older: fromOlderGrams, water: masses.water, salt: masses.salt, flours }, startMs)
  const run = timeLine(line, build.seed.jar, school)
  if (run === null) return { ok: false, problem: { code: 'never ripe', values: { tempC: build.place.tempC } } }
  return { ok: true, value: { levain: levain.value, ...run } }
}

/**
 * When a batch does what.
 * @param jar undefined: a typical one
 * @returns null where it never gets ripe
 */
export function timeLine(line: BatchLine, jar: JarParameters | undefined, school: School): Omit<TimedBuild, 'levain'> | null {
  const { milestones } = simulate(vesselOf(line, jar ?? TYPICAL_JAR), jar ?? TYPICAL_JAR, { untilHours: LONGEST_BUILD_HOURS, stopPastPeak: true })
  const fit = fitHours(milestones, school)
  return fit === null ? null : { startMs: line.startedAtMs, milestones, fitHours: fit, line }
}

/**
 * When to mix a build so that it is fittest at a time. The jar goes on ageing until then, so start and strength are solved together.
 * @param build what goes in and where it stands
 * @param mixAtMs when the dough is to be mixed, ms
 * @param school which part of the hill is wanted
 * @param guessMs a start to try first, ms: the nearer, the quicker
 * @returns start with milestones, or why it cannot be
 */
export function buildFor(
  build: PlannedBuild,
  mixAtMs: number,
  school: School,
  guessMs: number = mixAtMs - 8 * millisecondsInHour
): Result<TimedBuild, TimingProblem> {
  let startMs = guessMs
  let answer = buildFrom(build, startMs, school)
  for (let round = 0; round < 6 && answer.ok; round++) {
    const next = mixAtMs - answer.value.fitHours * millisecondsInHour
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
          line: shifted(answer.value.line, startMs)
        }
      }
    : answer
}

/** The same batch, mixed at another moment. */
export function shifted(line: BatchLine, startMs: number): BatchLine {
  const by = startMs - line.startedAtMs
  return { ...line, startedAtMs: startMs, stays: line.stays.map((s) => ({ ...s, fromMs: s.fromMs + by })) }
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

/** The same build at another ratio. */
export function atRatio(build: PlannedBuild, flourPerSeed: number): PlannedBuild {
  return { ...build, levain: { ...build.levain, by: { kind: 'ratio', flourPerSeed } } }
}

/**
 * Ratios whose start falls while the baker is awake, one on each side of the night: the nearest later and the nearest earlier start.
 * @param flourPerSeed the ratio whose start falls in the night
 * @param startMs that start
 * @returns none, one or two, later start first
 */
export function awakeRatios(
  build: PlannedBuild,
  flourPerSeed: number,
  mixAtMs: number,
  school: School,
  startMs: number,
  sleep: Sleep,
  timeZone: string,
  nowMs: number
): AwakeRatio[] {
  const found: AwakeRatio[] = []
  const seek = (step: number) => {
    for (let f = Math.round(flourPerSeed / FLOUR_STEP) * FLOUR_STEP + step; f >= LEAST_FLOUR && f <= MOST_FLOUR; f += step) {
      const answer = buildFor(atRatio(build, f), mixAtMs, school)
      if (!answer.ok) return
      const at = answer.value.startMs
      if (at >= nowMs && nightAt(at, sleep, timeZone) === undefined) {
        const { masses } = answer.value.levain
        found.push({ flourPerSeed: f, startMs: at, ratio: ratioOf(masses), seedGrams: masses.seed })
        return
      }
    }
  }
  if (startMs >= nowMs || nightAt(startMs, sleep, timeZone) !== undefined) seek(-FLOUR_STEP)
  seek(FLOUR_STEP)
  return found
}

/** One rung of a ladder with its time. */
export interface TimedStage extends LadderStage {
  readonly startMs: number
}

/**
 * The stages that grow the seed first, each ripe when the next one begins.
 * @param build the last stage as planned
 * @param lastStartMs when it begins, ms
 * @param mostGrowth growth a stage may make
 * @returns in the order of time; null when the jar has nothing to spare or a stage never gets ripe
 */
export function timeLadder(build: PlannedBuild, seedGrams: number, spareGrams: number, lastStartMs: number, mostGrowth: number): TimedStage[] | null {
  const { jar, hydration } = build.levain
  const ladder = solveLadder({ seedGrams, spareGrams, jarHydration: jar.hydration, hydration, mostGrowth })
  if (!ladder.ok) return null
  const stages: TimedStage[] = []
  let readyMs = lastStartMs
  for (let i = ladder.value.length - 1; i >= 0; i--) {
    const stage = sure(ladder.value[i])
    const rung: PlannedBuild = {
      ...build,
      seed: i === 0 ? build.seed : { ...build.seed, line: null },
      levain: {
        ...build.levain,
        source: 'separate build',
        // The wish adds what sticks; the stage has it already.
        doughNeeds: [stage.totalGrams],
        keepBackGrams: 0,
        by: { kind: 'ratio', flourPerSeed: stage.flourPerSeed },
        jar: { ...jar, hydration: stage.seedHydration }
      }
    }
    const timed = buildFor(rung, readyMs, 'dome')
    if (!timed.ok) return null
    readyMs = timed.value.startMs
    stages.unshift({ ...stage, startMs: readyMs })
  }
  return stages
}

/** Flour per seed of masses that were given otherwise. */
export const flourPerSeedOf = ({ totalGrams, masses, seedHydration }: SourcedLevain, hydration: number) =>
  flourPerSeedFor(totalGrams / masses.seed, { hydration, seedHydration })
