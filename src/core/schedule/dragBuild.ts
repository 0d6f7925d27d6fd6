import { millisecondsInHour } from 'date-fns/constants'
import type { School } from '../ferment/forecast'
import { buildFrom, type PlannedBuild, type TimedBuild } from './planBuild'
import { type Backwards, type BackwardsProblem, type BackwardsRange, solveBackwards, type Unknown } from './solveBackwards'

/** Where a hill is taken hold of: its ripe moment, its start, or the moment of one of its moves. */
export type Grip = 'ripe' | 'start' | { readonly move: number }

/** A planned build with its two moments. */
export interface HeldBuild {
  readonly build: PlannedBuild
  readonly startMs: number
  /** When it is to be fit to mix, ms. */
  readonly mixAtMs: number
}

/** The same once its hill has been dragged. */
export interface DraggedBuild extends HeldBuild {
  readonly timed: TimedBuild
  /** Why it went no further, when it did not get to where it was dragged. */
  readonly stuck: BackwardsProblem | null
}

/**
 * A hill dragged to a moment. What is held moves; the unknown answers, and all else stays.
 * Dragging the ripe moment, or with an unknown other than the start any grip, keeps what is not held; where the start would have to answer to itself, the ripe moment does.
 * @param held the build before
 * @param grip what is held
 * @param toMs where to
 * @param unknown what answers
 * @param school when it is mixed
 * @param range where the unknown is looked for
 * @returns null when nothing near it can be
 */
export function dragBuild(held: HeldBuild, grip: Grip, toMs: number, unknown: Unknown, school: School, range?: BackwardsRange): DraggedBuild | null {
  const { build, startMs, mixAtMs } = held
  if (grip === 'ripe') {
    const from = unknown === 'start' ? startMs + toMs - mixAtMs : startMs
    return answered(solveBackwards(build, { startMs: from, mixAtMs: toMs, school }, unknown, range), startMs, unknown)
  }
  const moved = grip === 'start' ? build : withMove(build, grip.move, (toMs - startMs) / millisecondsInHour)
  const from = grip === 'start' ? toMs : startMs
  if (unknown !== 'start') return answered(solveBackwards(moved, { startMs: from, mixAtMs, school }, unknown, range), from, unknown)
  const timed = buildFrom(moved, from, school)
  if (!timed.ok) return null
  return { build: moved, startMs: from, mixAtMs: from + timed.value.fitHours * millisecondsInHour, timed: timed.value, stuck: null }
}

function answered(found: Backwards, startMs: number, unknown: Unknown): DraggedBuild | null {
  const answer = found.ok ? found.answer : found.nearest
  if (answer === null) return null
  return {
    build: answer.build,
    startMs: unknown === 'start' ? answer.value : startMs,
    mixAtMs: answer.fitMs,
    timed: answer.timed,
    stuck: found.ok ? null : found.problem
  }
}

/** A move of the build at another time; moves keep their order. */
function withMove(build: PlannedBuild, index: number, afterHours: number): PlannedBuild {
  const moves = build.moves ?? []
  const before = moves[index - 1]?.afterHours ?? 0
  const after = moves[index + 1]?.afterHours ?? Number.POSITIVE_INFINITY
  const held = Math.min(Math.max(afterHours, before), after)
  return { ...build, moves: moves.map((move, i) => (i === index ? { ...move, afterHours: held } : move)) }
}
