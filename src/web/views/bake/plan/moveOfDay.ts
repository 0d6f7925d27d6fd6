import { millisecondsInHour } from 'date-fns/constants'
import type { BakeDay } from '../../../../answers'
import { MOVABLE_STEPS, type MovableStep, type Plan } from '../../../../contract'
import {
  type Anchor,
  buildFrom,
  type CourseTimes,
  type DoughPace,
  type DraggedBuild,
  dragBuild,
  type Grip,
  type HeldBuild,
  type MoveProblem,
  moveStep,
  sure,
  type Unknown,
  windowOf
} from '../../../../core'
import type { BakeHere } from '../bakeHere'
import { mixRange, patchOfDrag } from '../drag'

/** What a move of a step changes, or why it does not go there. */
export type DayMove =
  | { readonly ok: true; readonly patch: Partial<Plan>; readonly build: DraggedBuild | null; readonly stuck: string | null }
  | { readonly ok: false; readonly problem: MoveProblem | string }

/** The dough's day of a plan, held by its steps. */
export interface HeldDay {
  readonly times: CourseTimes
  readonly pace: DoughPace
}

/** The levain of a plan as it can be moved; null where it cannot be, or none is built. */
export function heldOf(levain: NonNullable<BakeHere['solved']>['build'], mixAt: number): HeldBuild | null {
  return levain === null || levain.ladder === null || levain.ladder.length > 0 || levain.planned.levain.source === 'as it is'
    ? null
    : { build: levain.planned, startMs: levain.asItStands.startMs, mixAtMs: mixAt }
}

/** A dough's day as it can be moved. */
export const heldDay = ({ times, facts }: Pick<BakeDay, 'times' | 'facts'>): HeldDay | null =>
  times === null || facts.dough === null ? null : { times, pace: facts.dough.pace }

const isAnchor = (step: MovableStep): step is Anchor => step !== 'build'

/**
 * Moves a step of a planned bake; levain and dough follow, what is pinned stays.
 * @param held the levain as it is planned; null where it cannot be moved
 * @param unknown what of the levain answers
 */
export function moveOfDay(
  props: Pick<BakeHere, 'plan' | 'solved' | 'jar'>,
  held: HeldBuild | null,
  day: HeldDay | null,
  step: MovableStep,
  toMs: number,
  unknown: Unknown
): DayMove {
  const { plan } = props
  const pinned = (s: MovableStep) => s !== step && plan.pins.includes(s)
  const anchors = MOVABLE_STEPS.filter((s): s is Anchor => isAnchor(s) && pinned(s))
  const dough = (anchor: Anchor, ms: number) =>
    day === null || plan.course === null
      ? null
      : moveStep(
          {
            course: plan.course,
            pace: day.pace,
            at: { mix: day.times.mixMs, shape: day.times.shapeMs, bake: day.times.bakeMs },
            shapingMs: day.times.proofMs - day.times.shapeMs,
            pins: anchors
          },
          anchor,
          ms
        )
  // What holds the levain's other end lets the ratio answer instead of the start.
  const answers = (end: MovableStep): Unknown => (unknown === 'start' && pinned(end) ? 'ratio' : unknown)
  const levain = (grip: Grip, ms: number, end: MovableStep) =>
    held === null ? null : dragBuild(held, grip, ms, answers(end), plan.school, unknown === 'mix' ? mixRange(props) : undefined)
  if (plan.startAt !== null && unknown === 'start' && held !== null) return movedAsItIs(plan, held, step, toMs, dough, pinned)
  if (step === 'build') {
    const build = levain('start', toMs, anchors.length > 0 ? sure(anchors[0]) : 'mix')
    if (build === null) return { ok: false, problem: 'never ripe' }
    const moved = dough('mix', build.mixAtMs)
    if (moved !== null && !moved.ok) return { ok: false, problem: moved.problem }
    return { ok: true, patch: together(plan, patchOfDrag(plan, build, 'start', answers('mix')), moved), build, stuck: build.stuck }
  }
  const moved = dough(step, toMs)
  if (moved !== null && !moved.ok) return { ok: false, problem: moved.problem }
  const mixMs = moved?.mixMs ?? toMs
  if (Math.abs(mixMs - plan.mixAt) < 60_000) return { ok: true, patch: together(plan, {}, moved), build: null, stuck: null }
  const build = levain('ripe', mixMs, 'build')
  if (build === null && held !== null) return { ok: false, problem: 'never ripe' }
  const patch = build === null ? { mixAt: mixMs } : patchOfDrag(plan, build, 'ripe', answers('build'))
  return { ok: true, patch: together(plan, shiftBefore(plan, patch, held, build), moved), build, stuck: build?.stuck ?? null }
}

/**
 * A levain whose start was chosen moves as it is, start and mix together; where one of them is pinned, the other alone, as far as the levain is fit then.
 */
function movedAsItIs(
  plan: Plan,
  { build, startMs, mixAtMs }: HeldBuild,
  step: MovableStep,
  toMs: number,
  dough: (anchor: Anchor, ms: number) => ReturnType<typeof moveStep> | null,
  pinned: (step: MovableStep) => boolean
): DayMove {
  const wanted = step === 'build' ? (pinned('mix') ? mixAtMs : mixAtMs + toMs - startMs) : toMs
  const moved = dough(step === 'build' ? 'mix' : step, wanted)
  if (moved !== null && !moved.ok) return { ok: false, problem: moved.problem }
  const mixMs = moved?.mixMs ?? wanted
  const start = step === 'build' ? toMs : pinned('build') ? startMs : startMs + mixMs - mixAtMs
  const timed = buildFrom(build, start, plan.school)
  if (!timed.ok) return { ok: false, problem: 'never ripe' }
  const { opensHours, closesHours } = windowOf(timed.value.milestones, plan.school)
  const hours = (mixMs - start) / millisecondsInHour
  if (opensHours !== null && hours < opensHours) return { ok: false, problem: 'ripe too late' }
  if (closesHours !== null && hours > closesHours) return { ok: false, problem: 'ripe too early' }
  const by = start - startMs
  const patch = { mixAt: mixMs, startAt: start, before: plan.before.map((stage) => ({ ...stage, at: stage.at + by })) }
  return { ok: true, patch: together(plan, patch, moved), build: { build, startMs: start, mixAtMs: mixMs, timed: timed.value, stuck: null }, stuck: null }
}

/** Feeds and builds before the last one go with it. */
function shiftBefore(plan: Plan, patch: Partial<Plan>, held: HeldBuild | null, build: DraggedBuild | null): Partial<Plan> {
  const by = held === null || build === null ? 0 : build.startMs - held.startMs
  if (plan.before.length === 0 || by === 0) return patch
  return { ...patch, before: plan.before.map((stage) => ({ ...stage, at: stage.at + by })) }
}

function together(plan: Plan, patch: Partial<Plan>, moved: ReturnType<typeof moveStep> | null): Partial<Plan> {
  if (moved === null || !moved.ok || plan.course === null) return patch
  return { ...patch, course: { ...plan.course, ...moved.course } }
}
