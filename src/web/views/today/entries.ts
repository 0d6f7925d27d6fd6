import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { type PlannedMove, plannedMoves } from '../../../answers'
import type { Jar, Kitchen } from '../../../contract'
import { nightAt, type Step } from '../../../core'
import { moveTitle, programTitle, stepTitle } from '../../../words'
import type { OpenBake } from '../../data/days'
import { JOB, jobOfStep, stationOfStep } from '../../parts/steps/stepPlaces'

/** One thing to do: a step of a bake, or of a program a jar is in; or a jar that is to go to another place. */
export interface Entry {
  readonly key: string
  readonly title: string
  readonly atMs: number
  readonly href: string
  readonly of:
    | { readonly kind: 'bake'; readonly day: OpenBake; readonly step: Step }
    | { readonly kind: 'program'; readonly jar: Jar; readonly says: string }
    | { readonly kind: 'move'; readonly jar: Jar; readonly says: string; readonly move: PlannedMove }
  /** When it was to be, where it has moved since. */
  readonly plannedMs: number | null
  /** The baker sleeps then, until this moment; null: they are up, or up now in that same night. */
  readonly asleepUntilMs: number | null
}

/** An entry before it is known who sleeps. */
type Due = Omit<Entry, 'asleepUntilMs'>

/** Less than this is no move worth telling. */
const MOVED_MS = 10 * millisecondsInMinute
/** A move waits so long among the steps, then with what else the jars want: no jar stands large above a dough for longer. */
export const MOVE_WAITS_MS = 30 * millisecondsInMinute
/** How far ahead is shown. */
const AHEAD_MS = 48 * millisecondsInHour

/** Everything to do over all bakes and jars, overdue first; what lies further ahead than two days only where there is nothing before it. */
export function entriesOf(
  days: readonly OpenBake[],
  jars: readonly Jar[],
  { places, sleep, timeZone }: Pick<Kitchen, 'places' | 'sleep' | 'timeZone'>,
  now: number
): Entry[] {
  const steps = days.flatMap((day) =>
    day.steps.map((step): Due => {
      const planned = day.planned.get(step.id)
      return {
        key: `${day.bake.id} ${step.id}`,
        title: stepTitle(day.bake, step, jars),
        atMs: step.atMs,
        href: `/bakes/${day.bake.id}/${stationOfStep(step, day.bake)}${jobOfStep(step) === null ? '' : `?${JOB}=${jobOfStep(step)}`}`,
        of: { kind: 'bake', day, step },
        plannedMs: planned !== undefined && Math.abs(planned - step.atMs) >= MOVED_MS ? planned : null
      }
    })
  )
  const programs = jars.flatMap((jar): Due[] =>
    jar.program === null
      ? []
      : [
          {
            key: `program-${jar.program.id}`,
            title: programTitle(jar.name, jar.program.step),
            atMs: jar.program.dueAt,
            href: `/programs/${jar.program.id}`,
            of: { kind: 'program', jar, says: jar.program.title },
            plannedMs: null
          }
        ]
  )
  const moves = jars.flatMap((jar) =>
    plannedMoves(jar, now)
      .filter((move) => move.atMs > now - MOVE_WAITS_MS)
      .map((move): Due => {
        const title = moveTitle(jar.name, move, places)
        return {
          key: `moves-${jar.id}-${move.atMs}`,
          title,
          atMs: move.atMs,
          href: `/jars/${jar.id}`,
          of: { kind: 'move', jar, says: jar.name, move },
          plannedMs: null
        }
      })
  )
  const asleep = ({ atMs, of }: Due) => {
    const night = of.kind === 'bake' && of.step.minutes === 0 ? undefined : nightAt(atMs, sleep, timeZone)
    return night === undefined || now >= night.fromMs ? null : night.toMs
  }
  const all = [...steps, ...programs, ...moves].map((due): Entry => ({ ...due, asleepUntilMs: asleep(due) })).sort((a, b) => a.atMs - b.atMs)
  const near = all.filter((entry) => entry.atMs < now + AHEAD_MS)
  return near.length > 0 ? near : all
}

/** Whether a step is overdue: its time has passed, and the time in which it may wait. */
export function isLate({ atMs, of }: Entry, now: number): boolean {
  const until = of.kind === 'bake' ? (of.step.untilMs ?? atMs) : atMs
  const kind = of.kind === 'bake' ? of.step.kind : 'program'
  return kind !== 'eat' && kind !== 'finish weighing' && until < now - MOVED_MS
}
