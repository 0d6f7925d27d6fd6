import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { DoughKind } from '../dough/formula'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { firstHoursAt, gasAt } from '../ferment/milestones'
import { type Run, simulate, type Vessel } from '../ferment/simulate'
import { isCold } from '../jars/condition'
import { type BatchLine, vesselOf } from '../jars/lineage'
import { type BulkStop, bulkStop, proofedGas } from './bulkStop'
import type { Standing } from './planBuild'
import { type Hands, type HandsStep, minutesOf } from './work'

/** Nobody shapes to the minute. */
const FIVE_MINUTES = 5 * millisecondsInMinute

/** How shaped dough is proofed: warm until it has grown so much more, or in the cold for so long. */
export type Proof =
  | {
      readonly kind: 'warm'
      /** g it gains after shaping. */
      readonly gas: number
    }
  | {
      readonly kind: 'cold'
      readonly hours: number
    }

/** A dough goes on to another place while it rises: to the cool for a night, into the fridge and out again. */
export interface DoughMove {
  /** After the mix, h. */
  readonly afterHours: number
  readonly placeId: string
  /** How warm it is there, °C. */
  readonly tempC: number
}

/** The dough's own stages, from the mix to bread that can be cut. */
export interface DoughCourse extends Hands {
  /** Flour and water rest so long before the levain goes in, min; 0: not at all. */
  readonly autolyseMinutes: number
  /** How often the dough is folded while it rises. */
  readonly folds: number
  /** Between two folds, and before the first, min. */
  readonly foldEveryMinutes: number
  /** Where it is mixed and proofed in the warm; left out where that does not matter. */
  readonly placeId?: string
  /** Where it goes on to while it rises; left out: nowhere. Shaped, it is proofed where it was mixed. */
  readonly moves?: readonly DoughMove[]
  /** How far it is let rise in bulk: g, its rise less 1; null: as far as its proof wants. */
  readonly bulkGas: number | null
  /** Factor on the time that takes, where a step was moved by hand. */
  readonly bulkStretch: number
  readonly proof: Proof
  /** The same for a warm proof. */
  readonly proofStretch: number
  /** The oven is on so long before, min. */
  readonly preheatMinutes: number
  /** One load in the oven, min. */
  readonly bakeMinutes: number
  /** The lid comes off, or the steam is let out, so long after loading, min; null: it does not; left out: as usual. */
  readonly lidMinutes?: number | null
  /** Loads one after the other. */
  readonly loads: number
  /** From the oven until it can be cut, h. */
  readonly coolHours: number
}

/** A course with what the end of its bulk is worked back from. */
export interface CourseHere extends DoughCourse {
  readonly kind: DoughKind
  /** The largest piece, g. */
  readonly pieceGrams: number
  /** How cold it is where it is proofed in the cold, °C. */
  readonly coldC: number
}

const WHEAT: DoughCourse = {
  autolyseMinutes: 0,
  folds: 3,
  foldEveryMinutes: 30,
  bulkGas: null,
  bulkStretch: 1,
  proof: { kind: 'warm', gas: 0.35 },
  proofStretch: 1,
  preheatMinutes: 45,
  bakeMinutes: 45,
  loads: 1,
  coolHours: 1.5
}

/** What is usual for each kind of dough. Source: craft knowledge; every figure can be changed. */
export const USUAL_COURSE: Readonly<Record<DoughKind, DoughCourse>> = {
  wheat: WHEAT,
  'rye tin': { ...WHEAT, folds: 0, proof: { kind: 'warm', gas: 0.3 }, bakeMinutes: 60, coolHours: 12 },
  enriched: { ...WHEAT, folds: 2, proof: { kind: 'warm', gas: 0.5 }, preheatMinutes: 30, bakeMinutes: 30, coolHours: 1 },
  flatbread: { ...WHEAT, folds: 1, proof: { kind: 'warm', gas: 0.15 }, bakeMinutes: 15, coolHours: 0.25 },
  'gluten-free': { ...WHEAT, folds: 0, proof: { kind: 'warm', gas: 0.15 }, bakeMinutes: 60, coolHours: 3 }
}

/** How far each kind of dough rises in bulk before a proof in the warm, g. Source: craft knowledge. */
export const USUAL_BULK: Readonly<Record<DoughKind, number>> = { wheat: 0.5, 'rye tin': 0.25, enriched: 0.6, flatbread: 0.5, 'gluten-free': 0.2 }

/** Within these a stage may be stretched by hand before the bread suffers; cold hours as they are. Source: craft knowledge. */
export const STRETCH = { bulk: [0.88, 1.15], proof: [0.8, 1.25], coldHours: [8, 36] } as const satisfies Record<string, readonly [number, number]>

/** The lid comes off so long after the loaf went in, min; only where it bakes long enough. */
const LID_MINUTES = 20
const LEAST_LIDDED_MINUTES = 35

/** How long a dough takes, h; null where it never gets there. */
export interface DoughPace {
  readonly bulkHours: number | null
  /** A warm proof after it. */
  readonly proofHours: number | null
}

/** The same, with where its bulk is to be stopped. */
export interface DoughForecast extends DoughPace {
  readonly stop: BulkStop | null
}

/** A night in the cold, h. */
const NIGHT_HOURS = 10
/** A dough is followed no longer than this, h. */
const LONGEST_DOUGH_HOURS = 36

/**
 * How long the bulk and a warm proof of a dough take where it stands. Where nobody said how far it is to rise, bulk ends where its proof wants it:
 * before a night in the cold worked back from the loaf that goes into the oven, which is to hold as much gas as after a proof in the warm.
 * @param dough as it is mixed: doughLine
 * @param course what is wanted of it
 * @param jar how its culture differs from a typical one
 */
export function doughPace(dough: BatchLine, course: CourseHere, jar: JarParameters = TYPICAL_JAR): DoughForecast {
  const { vessel, bulk } = takenOut(vesselOf(dough, jar), course, jar)
  const { proof, kind } = course
  if (course.bulkGas === null && proof.kind === 'cold') {
    const found = bulkStop(vessel, bulk, { ...course, wantedGas: wantedGas(kind), shapeHours: minutesOf('shape', course) / 60 }, jar)
    return found === null ? NEVER : { bulkHours: found.hours, proofHours: 0, stop: found.stop }
  }
  const gas = course.bulkGas ?? USUAL_BULK[kind]
  const reached = firstHoursAt(bulk.curve, gas)
  if (reached === null) return NEVER
  const hours = waitsInCold(vessel, bulk, reached, gas)
  const stop = { gas: course.bulkStretch === 1 && hours === reached ? gas : gasAt(bulk.curve, hours * course.bulkStretch), cold: null }
  // It is proofed where it was planned to stand, wherever it was put for its bulk. That run writes over the curve of this one.
  const proofing = vessel.stays.length < 2 ? bulk : simulate(backFrom(vessel, hours), jar, { untilHours: LONGEST_DOUGH_HOURS, stopPastPeak: true })
  const proofed = firstHoursAt(proofing.curve, gas + (proof.kind === 'warm' ? proof.gas : 0))
  return {
    bulkHours: hours,
    proofHours: proofed === null ? null : proofed - hours,
    stop
  }
}

/** A dough in the cold waits for its baker until it has risen so much more than was wanted, as a share of it. Source: craft knowledge. */
const WAITS_UNTIL = 1.3

/** When a dough is shaped that has risen far enough while it stood in the cold, h: when it comes out, if it can wait that long. */
function waitsInCold({ stays }: Vessel, { curve }: Run, reached: number, gas: number): number {
  const here = stays.findLast((stay) => stay.fromHours <= reached)
  const out = stays.find((stay) => stay.fromHours > reached)
  if (here === undefined || out === undefined || !isCold(here.tempC) || isCold(out.tempC)) return reached
  return gasAt(curve, out.fromHours) <= WAITS_UNTIL * gas ? out.fromHours : reached
}

/** The dough back where it was planned to stand from an hour on. */
const backFrom = (vessel: Vessel, hours: number): Vessel => {
  const [planned] = vessel.stays
  return planned === undefined ? vessel : { ...vessel, stays: [...vessel.stays.filter((s) => s.fromHours < hours), { ...planned, fromHours: hours }] }
}

/** A dough that was put where it never rises as far as wanted: it is taken out again after a night there. */
function takenOut(vessel: Vessel, course: CourseHere, jar: JarParameters): { readonly vessel: Vessel; readonly bulk: Run } {
  const last = vessel.stays.at(-1)
  const runOf = (stood: Vessel) => simulate(stood, jar, { untilHours: LONGEST_DOUGH_HOURS, stopPastPeak: true })
  const bulk = runOf(vessel)
  if (vessel.stays.length < 2 || last === undefined || firstHoursAt(bulk.curve, course.bulkGas ?? USUAL_BULK[course.kind]) !== null) return { vessel, bulk }
  const out = backFrom(vessel, last.fromHours + NIGHT_HOURS)
  return { vessel: out, bulk: runOf(out) }
}

const NEVER: DoughForecast = { bulkHours: null, proofHours: null, stop: null }

/** Gas a loaf of a kind holds when it goes into the oven. */
function wantedGas(kind: DoughKind): number {
  const { proof } = USUAL_COURSE[kind]
  return proofedGas(USUAL_BULK[kind], proof.kind === 'warm' ? proof.gas : 0)
}

/** When a dough has grown by so much where it stands, h; null where it never does: what its bulk is timed by. */
export const hoursToGas = (dough: BatchLine, bulkGas: number, jar: JarParameters = TYPICAL_JAR): number | null =>
  firstHoursAt(simulate(vesselOf(dough, jar), jar, { untilHours: LONGEST_DOUGH_HOURS, stopPastPeak: true }).curve, bulkGas)

/** How long the bulk is let go on, stretched where a step was moved by hand, h; null where it never rises so far. */
export const bulkHoursOf = ({ bulkStretch }: Pick<DoughCourse, 'bulkStretch'>, { bulkHours }: Pick<DoughPace, 'bulkHours'>): number | null =>
  bulkHours === null ? null : bulkHours * bulkStretch

/**
 * The same dough mixed at another time and standing elsewhere; its levain is then as old as it was, from what it was seeded with as that is by then.
 * @param moves where it goes on to while it rises, h after the mix
 */
export function doughAt(dough: BatchLine, mixAtMs: number, standing: Standing, moves: readonly (Standing & { readonly afterHours: number })[] = []): BatchLine {
  const by = mixAtMs - dough.startedAtMs
  const moved = (line: BatchLine): BatchLine => ({
    ...line,
    startedAtMs: line.startedAtMs + by,
    stays: line.stays.map((stay) => ({ ...stay, fromMs: stay.fromMs + by }))
  })
  const parents = dough.parents.map((p) => ({ ...p, line: p.line === null ? null : moved(p.line) }))
  const stays = moves.map(({ afterHours, ...there }) => ({ fromMs: mixAtMs + afterHours * millisecondsInHour, ...there }))
  return { ...dough, startedAtMs: mixAtMs, stays: [{ fromMs: mixAtMs, ...standing }, ...stays], parents }
}

/** The moments of a dough's day, ms. */
export interface CourseTimes {
  readonly autolyseMs: number | null
  readonly mixMs: number
  readonly foldMs: readonly number[]
  /** It goes on to another place. */
  readonly moveMs: readonly number[]
  readonly shapeMs: number
  /** Shaped, and put to proof. */
  readonly proofMs: number
  readonly preheatMs: number
  readonly bakeMs: number
  readonly lidMs: number | null
  readonly outMs: number
  /** Cooled: it can be cut. */
  readonly eatMs: number
}

/** Nobody carries a dough away that is shaped so soon. */
const LEAST_MOVED_MS = 20 * millisecondsInMinute

const toFive = (ms: number) => Math.round(ms / FIVE_MINUTES) * FIVE_MINUTES

/**
 * The day of a dough from its mix on.
 * @param mixMs when the levain goes in
 * @param pace from doughPace
 * @returns null when it never rises so far
 */
export function courseTimes(course: DoughCourse, mixMs: number, pace: DoughPace): CourseTimes | null {
  const bulkHours = bulkHoursOf(course, pace)
  return bulkHours === null ? null : timesFrom(course, mixMs, toFive(mixMs + bulkHours * millisecondsInHour), pace.proofHours)
}

/** The rest of the day once it is known when the dough is shaped. */
export function timesFrom(course: DoughCourse, mixMs: number, shapeMs: number, warmProofHours: number | null): CourseTimes | null {
  const proofHours = course.proof.kind === 'cold' ? course.proof.hours : warmProofHours === null ? null : warmProofHours * course.proofStretch
  if (proofHours === null) return null
  const proofMs = shapeMs + minutesOf('shape', course) * millisecondsInMinute
  return timesOfBake(course, { mixMs, shapeMs, proofMs, bakeMs: toFive(proofMs + proofHours * millisecondsInHour) })
}

/** The rest of the day once it is known when the oven is loaded. */
export function timesOfBake(
  course: DoughCourse,
  { mixMs, shapeMs, proofMs, bakeMs }: Pick<CourseTimes, 'mixMs' | 'shapeMs' | 'proofMs' | 'bakeMs'>
): CourseTimes {
  const every = course.foldEveryMinutes * millisecondsInMinute
  return {
    autolyseMs: course.autolyseMinutes > 0 ? mixMs - course.autolyseMinutes * millisecondsInMinute : null,
    mixMs,
    foldMs: Array.from({ length: course.folds }, (_, i) => mixMs + (i + 1) * every).filter((ms) => ms < shapeMs - every / 2),
    moveMs: (course.moves ?? []).map((move) => mixMs + move.afterHours * millisecondsInHour).filter((ms) => ms < shapeMs - LEAST_MOVED_MS),
    shapeMs,
    proofMs,
    ...timesOfOven(course, bakeMs)
  }
}

/** The same day with its oven at another moment. */
export const bakedAt = (course: DoughCourse, times: CourseTimes, bakeMs: number): CourseTimes => ({ ...times, ...timesOfOven(course, bakeMs) })

/** When bread that goes into the oven at a moment is out again, ms. */
export const outOfOven = ({ bakeMinutes, loads }: DoughCourse, bakeMs: number): number => bakeMs + bakeMinutes * loads * millisecondsInMinute

function timesOfOven(course: DoughCourse, bakeMs: number): Pick<CourseTimes, 'preheatMs' | 'bakeMs' | 'lidMs' | 'outMs' | 'eatMs'> {
  const outMs = outOfOven(course, bakeMs)
  const usualLid = course.bakeMinutes >= LEAST_LIDDED_MINUTES ? LID_MINUTES : null
  const lidMinutes = course.lidMinutes === undefined ? usualLid : course.lidMinutes
  return {
    preheatMs: bakeMs - course.preheatMinutes * millisecondsInMinute,
    bakeMs,
    lidMs: lidMinutes === null || course.loads > 1 ? null : bakeMs + lidMinutes * millisecondsInMinute,
    outMs,
    eatMs: outMs + course.coolHours * millisecondsInHour
  }
}

/** What of a day wants the baker: hands, or somebody at home with an eye on it. */
export interface Task {
  readonly step: DayStep
  readonly fromMs: number
  readonly minutes: number
  readonly needs: 'hands' | 'eyes'
  /** It may be left out when nobody is there. */
  readonly spare?: boolean
}

/** Steps of a bake, by what is done. */
export const DAY_STEPS = ['wake', 'first build', 'build', 'chill', 'autolyse', 'mix', 'fold', 'move', 'shape', 'preheat', 'bake', 'lid', 'out', 'eat'] as const
export type DayStep = (typeof DAY_STEPS)[number]

type Handed = HandsStep & DayStep

const handsFor =
  (hands: Hands) =>
  (step: Handed, fromMs: number | null, spare?: boolean): Task[] =>
    fromMs === null ? [] : [{ step, fromMs, minutes: minutesOf(step, hands), needs: 'hands', spare }]

/** What a dough asks of the baker until it is shaped. */
export function tasksUntilShaped(times: Pick<CourseTimes, 'autolyseMs' | 'mixMs' | 'foldMs' | 'moveMs' | 'shapeMs'>, course: Hands): Task[] {
  const hands = handsFor(course)
  return [
    ...hands('autolyse', times.autolyseMs),
    ...hands('mix', times.mixMs),
    ...times.foldMs.flatMap((ms) => hands('fold', ms, true)),
    ...times.moveMs.flatMap((ms) => hands('move', ms)),
    ...hands('shape', times.shapeMs)
  ]
}

/** What the oven asks of the baker, load after load. While bread is in it somebody is at home: that is not among them. */
export function tasksOfOven(times: CourseTimes, course: Hands & Pick<DoughCourse, 'loads'>): Task[] {
  const hands = handsFor(course)
  const loadMs = (times.outMs - times.bakeMs) / course.loads
  const changes = Array.from({ length: course.loads - 1 }, (_, i) => times.bakeMs + (i + 1) * loadMs)
  return [
    ...hands('preheat', times.preheatMs),
    ...hands('bake', times.bakeMs),
    ...hands('lid', times.lidMs),
    ...changes.flatMap((ms) => [...hands('out', ms), ...hands('bake', ms)]),
    ...hands('out', times.outMs)
  ]
}

/** All that a dough's day asks of the baker, in the order of time. */
export function tasksOfDough(times: CourseTimes, course: Hands & Pick<DoughCourse, 'loads'>): Task[] {
  return [
    ...tasksUntilShaped(times, course),
    ...tasksOfOven(times, course),
    { step: 'bake', fromMs: times.bakeMs, minutes: (times.outMs - times.bakeMs) / millisecondsInMinute, needs: 'eyes' }
  ]
}
