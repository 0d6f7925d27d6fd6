import { MODEL } from '../ferment/constants'
import { fitHours, type School } from '../ferment/forecast'
import type { JarParameters } from '../ferment/jarParameters'
import { simulate, type Vessel } from '../ferment/simulate'
import { type BatchLine, contentsOf, vesselOf } from '../jars/lineage'

/** What moves the ripe moment of a build, and by how much: hours later when there is one more of it. */
export interface Drivers {
  /** A place one kelvin warmer. */
  readonly perDegree: number | null
  /** A mix one kelvin warmer when it is made. */
  readonly perMixDegree: number | null
  /** One more part of flour to each part of seed. */
  readonly perRatio: number | null
  /** One more day of the seed in the cold. */
  readonly perColdDay: number | null
  /** A jar that is a tenth livelier. */
  readonly perTenthPace: number | null
}

const LOOK_HOURS = 240

/** Hours from mixing to the moment a school mixes; null when it never gets there. */
function ripeHours(vessel: Vessel, jar: JarParameters, school: School): number | null {
  return fitHours(simulate(vessel, jar, { untilHours: LOOK_HOURS, stopPastPeak: true }).milestones, school)
}

/**
 * What drives the forecast of a build, each thing changed by itself.
 * @param line what went in and where it stands
 * @param jar its jar as believed now
 * @param school when it is mixed
 * @returns hours; null where that change leaves it never ripe
 */
export function driversOf(line: BatchLine, jar: JarParameters, school: School): Drivers {
  const vessel = vesselOf(line, jar)
  const now = ripeHours(vessel, jar, school)
  /** One change up and down, halved: the slope where it stands. */
  const slope = (changed: (by: 1 | -1) => Vessel): number | null => {
    const more = ripeHours(changed(1), jar, school)
    const less = ripeHours(changed(-1), jar, school)
    return now === null || more === null || less === null ? null : (more - less) / 2
  }
  const later = (changed: Vessel, parameters = jar): number | null => {
    const then = ripeHours(changed, parameters, school)
    return now === null || then === null ? null : then - now
  }
  return {
    perDegree: slope((by) => ({ ...vessel, stays: vessel.stays.map((stay) => ({ ...stay, tempC: stay.tempC + by })) })),
    perMixDegree: slope((by) => ({ ...vessel, mixTempC: vessel.mixTempC + by })),
    perRatio: later(vesselOf(withOnePartMore(line), jar)),
    perColdDay: later({ ...vessel, start: { ...vessel.start, lagWork: vessel.start.lagWork + MODEL.lagWorkPerColdDay } }),
    perTenthPace: later(vessel, { ...jar, vigour: jar.vigour * 1.1 })
  }
}

/** The same seed with one more part of flour, and water to match. */
function withOnePartMore(line: BatchLine): BatchLine {
  const seedGrams = line.parents.reduce((sum, p) => sum + p.grams, 0)
  const fresh = Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)
  if (fresh === 0 || seedGrams === 0) return line
  const factor = (fresh + seedGrams) / fresh
  const { hydration } = contentsOf(line)
  return {
    ...line,
    flours: Object.fromEntries(Object.entries(line.flours).map(([kind, grams]) => [kind, grams * factor])),
    waterGrams: line.waterGrams + hydration * seedGrams
  }
}
