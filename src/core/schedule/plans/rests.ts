import { millisecondsInHour } from 'date-fns/constants'
import type { BatchLine } from '../../jars/lineage'
import { bakedAt, type CourseHere, type CourseTimes, courseTimes, type DoughMove, type DoughPace, doughAt, doughPace, STRETCH } from '../course'
import type { Grid } from './grid'
import type { DoughStand, PlanProblem } from './problem'
import type { Trouble } from './trouble'
import { curveTable } from './windows'

/** How far bulk and warm proof are stretched in the search; drags go further. */
const BULK_STRETCHES = [1, 0.92, 1.08, 1.15] as const
const PROOF_STRETCHES = [1, 0.85, 1.18] as const
/** So near the hours of a dough are read off, h: they are told to five minutes. */
const DOUGH_NEAR_HOURS = 0.01
/** Longest cold proof that is tried, h. */
const LONGEST_COLD_HOURS = 24

/** The best rest of a day from a mix on. */
export interface Rest {
  readonly cost: number
  readonly course: CourseHere
  readonly times: CourseTimes
  readonly pace: DoughPace
}

/** How a dough may go on after its mix: where it stands, and how it is proofed. */
export interface DayKind {
  readonly stand: DoughStand
  readonly course: CourseHere
}

/** Every way a dough may go on: where it is planned to stand with each proof, first; then elsewhere. One that is moved on while it rises is proofed in the warm. */
export function dayKinds({ course, proofs, stands }: PlanProblem): DayKind[] {
  const kind = (stand: DoughStand, proof: CourseHere['proof']): DayKind => ({
    stand,
    course: { ...course, proof, placeId: stand.place.id, moves: stand.moves.map(asMove) }
  })
  return stands.flatMap((stand, i) => proofs.flatMap((proof) => (i > 0 && stand.moves.length > 0 && proof.kind === 'cold' ? [] : [kind(stand, proof)])))
}

const asMove = ({ afterHours, place }: DoughStand['moves'][number]): DoughMove => ({ afterHours, placeId: place.id, tempC: place.standing.tempC })

/** The dough of a problem as it is mixed at a moment, where it stands and goes on to. */
export const doughOfDay = ({ dough }: PlanProblem, { place, moves }: DoughStand, mixMs: number): BatchLine =>
  doughAt(
    dough,
    mixMs,
    place.standing,
    moves.map((move) => ({ afterHours: move.afterHours, ...move.place.standing }))
  )

/** The best rest of the day from each moment on, for one way the dough may go on; null where there is none, or none that costs less than `mostCost`. */
export function restsOf(problem: PlanProblem, { stand, course }: DayKind, trouble: Trouble, grid: Grid, mostCost = Number.POSITIVE_INFINITY): (Rest | null)[] {
  const { wish } = problem
  const jar = problem.build.seed.jar
  const paceAt = (ms: number): readonly [number, number] | null => {
    const { bulkHours, proofHours } = doughPace(doughOfDay(problem, stand, ms), course, jar)
    return bulkHours === null || proofHours === null ? null : [bulkHours, proofHours]
  }
  const last = grid.count - 1
  const isFixed = wish.kind === 'mix' || wish.kind === 'habit'
  const table = isFixed ? paceAt : curveTable(paceAt, grid.at(0), grid.at(last), DOUGH_NEAR_HOURS)
  return Array.from({ length: grid.count }, (_, k) => {
    if (isFixed && k !== last) return null
    if (wish.kind === 'soonest' && trouble.ofBreadAtLeast(course, grid.at(k)) > mostCost) return null
    const found = table(grid.at(k))
    return found === null ? null : bestRest(trouble, course, grid, grid.at(k), { bulkHours: found[0], proofHours: found[1] }, mostCost)
  })
}

/** The best rest of one day. @param mostCost dearer ones are not looked for */
export function bestRest(trouble: Trouble, wanted: CourseHere, grid: Grid, mixMs: number, pace: DoughPace, mostCost = Number.POSITIVE_INFINITY): Rest | null {
  let best: Rest | null = null
  let morning = { shapeMs: Number.NaN, cost: 0 }
  for (const course of coursesTried(wanted)) {
    const first = courseTimes(course, mixMs, pace)
    if (first === null) continue
    let most: number = best?.cost ?? mostCost
    const days = daysOf(course, first, grid.stepMs, (bakeMs) => trouble.ofBreadAtLeast(course, bakeMs) < most && trouble.isAsked(course, bakeMs))
    for (const [day, times] of days) {
      if (first.shapeMs !== morning.shapeMs) morning = { shapeMs: first.shapeMs, cost: trouble.ofMorning(first) }
      // Nothing of the oven can make up for a morning that is dearer than a whole day.
      if (morning.cost === Number.POSITIVE_INFINITY || (best !== null && morning.cost >= best.cost)) break
      const cost = morning.cost + trouble.ofOven(day, times)
      if (cost >= (best?.cost ?? Number.POSITIVE_INFINITY)) continue
      best = { cost, course: day, times, pace }
      // Later bread that costs as much by itself is not worked out any more.
      most = Math.min(most, cost - morning.cost)
    }
  }
  return best
}

/** A course with its stretches, each once. */
export function coursesTried(wanted: CourseHere): readonly CourseHere[] {
  const there = tried.get(wanted) ?? stretched(wanted)
  tried.set(wanted, there)
  return there
}

const tried = new WeakMap<CourseHere, readonly CourseHere[]>()

function stretched(wanted: CourseHere): CourseHere[] {
  return BULK_STRETCHES.flatMap((bulkStretch) =>
    (wanted.proof.kind === 'warm' ? PROOF_STRETCHES : [1]).map((proofStretch) => ({ ...wanted, bulkStretch, proofStretch }))
  )
}

/**
 * Days of a course whose dough is mixed and shaped: one where the proof is warm, one for each moment of the oven where it is cold.
 * @param isAsked whether bread that goes into the oven then is asked for at all
 */
export function* daysOf(
  course: CourseHere,
  times: CourseTimes,
  stepMs: number,
  isAsked: (bakeMs: number) => boolean = () => true
): Generator<readonly [CourseHere, CourseTimes]> {
  if (course.proof.kind === 'warm') {
    if (isAsked(times.bakeMs)) yield [course, times]
    return
  }
  const first = Math.ceil((times.proofMs + STRETCH.coldHours[0] * millisecondsInHour) / stepMs) * stepMs
  for (let bakeMs = first; bakeMs <= times.proofMs + LONGEST_COLD_HOURS * millisecondsInHour; bakeMs += stepMs)
    if (isAsked(bakeMs)) yield [{ ...course, proof: { kind: 'cold', hours: (bakeMs - times.proofMs) / millisecondsInHour } }, bakedAt(course, times, bakeMs)]
}
