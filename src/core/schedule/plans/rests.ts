import { millisecondsInHour } from 'date-fns/constants'
import { type CourseHere, type CourseTimes, courseTimes, type DoughPace, doughAt, doughPace, STRETCH, timesOfBake } from '../course'
import type { Grid } from './grid'
import type { PlanProblem } from './problem'
import type { Trouble } from './trouble'
import { curveTable } from './windows'

/** How far bulk and warm proof are stretched in the search; drags go further. */
const BULK_STRETCHES = [1, 0.92, 1.1] as const
const PROOF_STRETCHES = [1, 0.85, 1.18] as const
/** Longest cold proof that is tried, h. */
const LONGEST_COLD_HOURS = 24

/** The best rest of a day from a mix on. */
export interface Rest {
  readonly cost: number
  readonly course: CourseHere
  readonly times: CourseTimes
  readonly pace: DoughPace
}

/** For each kind of proof, the best rest of the day from each moment on; null where there is none. */
export function restsOf(problem: PlanProblem, trouble: Trouble, grid: Grid): (Rest | null)[][] {
  const { wish, course, proofs, dough, doughPlace } = problem
  const jar = problem.build.seed.jar
  const fixed = wish.kind === 'mix' || wish.kind === 'habit'
  return proofs.map((proof) => {
    const wanted: CourseHere = { ...course, proof }
    const table = curveTable(
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

/** The best rest of one day. */
export function bestRest(trouble: Trouble, wanted: CourseHere, grid: Grid, mixMs: number, pace: DoughPace): Rest | null {
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
export function coursesTried(wanted: CourseHere): CourseHere[] {
  return BULK_STRETCHES.flatMap((bulkStretch) =>
    (wanted.proof.kind === 'warm' ? PROOF_STRETCHES : [1]).map((proofStretch) => ({ ...wanted, bulkStretch, proofStretch }))
  )
}

/** Days of a course whose dough is mixed and shaped: one where the proof is warm, one for each moment of the oven where it is cold. */
export function daysOf(course: CourseHere, times: CourseTimes, stepMs: number): [CourseHere, CourseTimes][] {
  if (course.proof.kind === 'warm') return [[course, times]]
  const days: [CourseHere, CourseTimes][] = []
  const first = Math.ceil((times.proofMs + STRETCH.coldHours[0] * millisecondsInHour) / stepMs) * stepMs
  for (let bakeMs = first; bakeMs <= times.proofMs + LONGEST_COLD_HOURS * millisecondsInHour; bakeMs += stepMs)
    days.push([{ ...course, proof: { kind: 'cold', hours: (bakeMs - times.proofMs) / millisecondsInHour } }, timesOfBake(course, { ...times, bakeMs })])
  return days
}
