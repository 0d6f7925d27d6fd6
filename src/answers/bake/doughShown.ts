import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import type { Kitchen } from '../../contract'
import { type BatchLine, type DoughShown, doughPace, doughProgress, levainAsItShows, minutesOf } from '../../core'
import type { Bake } from '../fromWire'
import { beliefOfBake } from '../judgement/beliefs'
import { courseHere } from './courseHere'
import { shownAtMix } from './dayOfBake'

/** How well a level read in the bowl tells the pace, and a bulk or proof that was ended by eye, sd of the logarithm. Source: craft knowledge. */
const READ_SD = 0.1
const BY_HAND_SD = 0.2
/** Below this a level says little of the pace, rise. */
const LEAST_RISE = 1.1

/**
 * What a baked dough has shown of the pace of its kitchen's doughs: by the last level that was read in bulk, else by when it was shaped; and by when it went into
 * the oven after a proof in the warm, unless a finger said that it was not ready.
 * @param line the dough as it was mixed
 * @returns null where nothing of it was read or told, or it has not been baked
 */
export function doughShown(bake: Bake, line: BatchLine, kitchen: Kitchen): DoughShown | null {
  const { plan, state } = bake
  if (plan.course === null || state.mixed === null || !isDone(bake, 'bake')) return null
  const mixMs = state.mixed.atMs
  const jar = beliefOfBake(bake, undefined).centre
  const shown = shownAtMix(bake)
  const dough = {
    ...line,
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : levainAsItShows(p.line, shown, mixMs, jar) }))
  }
  const course = courseHere(plan.course, plan, kitchen)
  const { bulkHours, proofHours } = doughPace(dough, course, jar)
  if (bulkHours === null) return null
  const hoursTo = (step: string) => (isDone(bake, step) ? ((state.deeds.get(step)?.atMs ?? Number.NaN) - mixMs) / millisecondsInHour : Number.NaN)
  const shapedHours = hoursTo('shape')
  const told: DoughShown[] = []
  const read = state.readings.findLast((r) => (r.rise ?? r.sampleRise ?? 1) >= LEAST_RISE && !(r.atMs > mixMs + shapedHours * millisecondsInHour))
  const pace =
    read === undefined
      ? null
      : doughProgress(dough, { rise: read.rise ?? read.sampleRise ?? 1, of: read.rise === undefined ? 'sample' : 'bowl', atMs: read.atMs }, 1, jar)?.pace
  if (pace != null) told.push({ log: Math.log(pace), sd: READ_SD })
  else if (shapedHours > 0) told.push({ log: Math.log((bulkHours * course.bulkStretch) / shapedHours), sd: BY_HAND_SD })
  const poke = state.readings.findLast((r) => r.poke !== undefined)?.poke
  const risenHours = hoursTo('bake') - (minutesOf('shape', course) * millisecondsInMinute) / millisecondsInHour
  if (course.proof.kind === 'warm' && proofHours !== null && risenHours > 0 && (poke === undefined || poke === 'comes back slowly'))
    told.push({ log: Math.log((bulkHours + proofHours) / risenHours), sd: BY_HAND_SD })
  if (told.length === 0) return null
  const precision = told.reduce((sum, { sd }) => sum + 1 / sd ** 2, 0)
  return { log: told.reduce((sum, { log, sd }) => sum + log / sd ** 2, 0) / precision, sd: 1 / Math.sqrt(precision) }
}

const isDone = ({ state }: Bake, step: string) => state.deeds.get(step)?.did === 'done'
