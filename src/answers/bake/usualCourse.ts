import type { Course } from '../../contract'
import { type DoughCourse, type DoughKind, type Formula, keysOf, ovenMinutes, USUAL_COURSE } from '../../core'

/** A dough as it comes out of the bowl, °C, and its autolyse, min. Source: craft knowledge. */
const USUAL_DOUGH_C = 25
const USUAL_AUTOLYSE_MINUTES = 40

/** The usual day of a kind of dough, at a place. */
export function courseFor(
  { doughKind, autolyse, oven }: Pick<Formula, 'doughKind' | 'autolyse' | 'oven'>,
  place: { readonly id: string; readonly tempC: number }
): Course {
  return {
    ...USUAL_COURSE[doughKind],
    ...(oven === undefined ? {} : { bakeMinutes: ovenMinutes(oven.stages) }),
    autolyseMinutes: autolyse ? USUAL_AUTOLYSE_MINUTES : 0,
    moves: [],
    placeId: place.id,
    tempC: place.tempC,
    mixTempC: USUAL_DOUGH_C
  }
}

/**
 * The day of a dough that has become another kind: what was as usual for the one is as usual for the other; what its baker has set stays.
 */
export function courseOfKind(course: Course, was: DoughKind, now: DoughKind): Course {
  const set: DoughCourse = course
  const usual = (key: keyof DoughCourse) => JSON.stringify(set[key]) === JSON.stringify(USUAL_COURSE[was][key])
  const changed = keysOf(USUAL_COURSE[now]).filter(usual)
  return { ...course, ...Object.fromEntries(changed.map((key) => [key, USUAL_COURSE[now][key]])) }
}
