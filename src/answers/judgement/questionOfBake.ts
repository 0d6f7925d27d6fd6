import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { type JarBelief, simulate, vesselOf } from '../../core'
import { stagesToCome } from '../bake/levainToWeigh'
import { awaitsPot } from '../bake/onePot'
import type { Cultures } from '../bake/solvePlan'
import type { Bake } from '../fromWire'
import { beliefIn } from './beliefs'
import { marksOfJar } from './howItShows'
import { LOOK_HOURS, minuteOf, type ReadyQuestion, readyQuestion } from './isItReady'

/** A bake as far as its jar is asked about. */
type AskedBake = Pick<Bake, 'plan' | 'state' | 'line'>

/** A jar that is used as it is is judged from so long before the mix on, ms: whoever plans days ahead is not sent to look. */
const JUDGED_AHEAD_MS = 12 * millisecondsInHour
/** Who plans to mix after so many times the hours to its peak means to use it past its best. */
const MEANT_PAST = 2

/**
 * What is asked of a jar that goes into a bake's dough as it is, until that is mixed.
 * @param belief of the jar, which knows these looks: a level tells where it stands either way
 * @returns null where it is built from, fed before, was fed again since it was weighed, or is meant to be past its best
 */
export function jarQuestion({ plan, state, line: weighed }: AskedBake, jar: Jar | undefined, belief: JarBelief, nowMs: number): ReadyQuestion | null {
  if (jar === undefined || jar.young || plan.build.source !== 'as it is' || awaitsPot(plan) || state.mixed !== null) return null
  if (plan.mixAt - nowMs > JUDGED_AHEAD_MS || stagesToCome(plan, state.deeds).length > 0) return null
  // Once it is weighed, what rose is the jar as it was then.
  const line = state.band === null ? jar.line : weighed?.parents[0]?.line
  if (line == null || line.startedAtMs !== jar.line.startedAtMs) return null
  const hoursAt = (ms: number) => Math.max((ms - line.startedAtMs) / millisecondsInHour, 0)
  const { milestones } = simulate(vesselOf(line, belief.centre), belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
  if (milestones.peakHours === null || hoursAt(plan.mixAt) > MEANT_PAST * milestones.peakHours) return null
  return { line, marks: marksOfJar(jar), hours: hoursAt(minuteOf(nowMs)), school: plan.school, belief }
}

/** What is asked of a bake at a moment: of the levain on its way, or of the jar it takes as it is. */
export function questionOfBake(bake: Bake, { jars, beliefs }: Cultures, nowMs: number): ReadyQuestion | null {
  const belief = beliefIn(beliefs, bake.plan.jarId)
  const jar = jars.find(({ id }) => id === bake.plan.jarId)
  return readyQuestion(bake, belief, nowMs) ?? jarQuestion(bake, jar, belief, nowMs)
}
