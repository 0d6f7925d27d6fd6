import { millisecondsInHour } from 'date-fns/constants'
import type { BakeEvent, BakeRecord, JarBuild, Kitchen, Plan } from '../contract'
import { type BakeState, type BakeWish, type BuildLog, foldBake, type Happening, type Hours, observationsOf, vesselOf } from '../core'

/** A bake with where it stands. Its schema has made instants of its dates and a batch of its line. */
export interface Bake extends BakeRecord {
  readonly state: BakeState
}

/** An event as the core folds it. */
export const happeningOf = (event: BakeEvent): Happening => ({ ...event, happenedAtMs: event.happenedAt })

/** What happened to a bake, folded. */
export const stateOf = (events: readonly BakeEvent[]): BakeState => foldBake(events.map(happeningOf))

/** A bake that came over the wire, or out of the tables, folded once for everyone. */
export const bakeOf = (record: BakeRecord): Bake => ({ ...record, state: stateOf(record.events) })

/** A plan as the core takes it. */
export const wishOf = (plan: Plan): BakeWish => ({ ...plan, mixAtMs: plan.mixAt, startAtMs: plan.startAt })

/** Where a bake stands; one whose dough is not planned ends with the mix. */
export const statusOf = (plan: Pick<Plan, 'course'>, status: BakeRecord['status']): BakeRecord['status'] =>
  status === 'mixed' && plan.course === null ? 'baked' : status

/** When the baker is awake and at home, as the core takes it. */
export const hoursOf = ({ sleep, weekly, once, timeZone }: Pick<Kitchen, 'sleep' | 'weekly' | 'once' | 'timeZone'>): Hours => ({
  sleep,
  weekly,
  once: once.map(({ from, to, name, kind }) => ({ fromMs: from, toMs: to, name, kind })),
  timeZone
})

/** What learning takes of a logged build: its levain, and its dough where a meter was put into that. */
export function buildLogsOf(build: JarBuild): BuildLog[] {
  const { dough } = build
  if (dough === undefined) return [buildLogOf(build)]
  const metered = dough.metered.map(({ at, pH }) => ({ hours: (at - dough.line.startedAtMs) / millisecondsInHour, pH }))
  return [buildLogOf(build), { vessel: vesselOf(dough.line), seen: [], metered }]
}

/** A logged build as learning takes it. */
export function buildLogOf({ kind, line, marks, mixedAt, mixedAs }: JarBuild): BuildLog {
  const hoursAt = (ms: number) => Math.max((ms - line.startedAtMs) / millisecondsInHour, 0)
  const seen = marks.map(({ at, rise, signs }) => ({ hours: hoursAt(at), rise, signs }))
  const metered = marks.flatMap(({ at, pH }) => (pH === undefined ? [] : [{ hours: hoursAt(at), pH }]))
  return { vessel: vesselOf(line), metered, seen: observationsOf(seen, kind === 'levain' ? { hours: hoursAt(mixedAt), as: mixedAs } : null) }
}
