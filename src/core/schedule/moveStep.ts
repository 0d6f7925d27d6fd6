import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { sure } from '../units/sure'
import { type DoughCourse, type DoughPace, STRETCH } from './course'
import { minutesOf } from './work'

/** The moments of a dough's day that can be moved by hand. */
export const ANCHORS = ['mix', 'shape', 'bake'] as const
export type Anchor = (typeof ANCHORS)[number]

/** A day that is held by one of its moments. */
export interface HeldDoughDay {
  readonly course: DoughCourse
  readonly pace: DoughPace
  readonly at: Readonly<Record<Anchor, number>>
  /** How long it takes to shape it, ms; left out: what is usual. */
  readonly shapingMs?: number
  /** Moments that must stay. */
  readonly pins: readonly Anchor[]
}

/** Why a step cannot go there: what lies between two moments cannot be so short, or so long. */
export interface MoveProblem {
  readonly stage: 'bulk' | 'proof'
  readonly end: 'short' | 'long'
  /** How long it may last at that end, h. */
  readonly hours: number
  /** What is pinned on the other side. */
  readonly pinned: Anchor
}

export type Moved = { readonly ok: true; readonly mixMs: number; readonly course: DoughCourse } | { readonly ok: false; readonly problem: MoveProblem }

interface Span {
  readonly stage: 'bulk' | 'proof'
  readonly least: number
  readonly most: number
  readonly now: number
  /** Gives way before anything else is moved: a proof in the cold. */
  readonly elastic: boolean
}

/**
 * Moves one step of a dough's day; the rest follows. A cold proof gives way first, a bulk or warm proof keeps its length unless something beyond it is pinned.
 * @param toMs where the step is to be
 * @returns the mix and the course that make it so, or what is in the way
 */
export function moveStep(
  { course, pace, at, pins, shapingMs = minutesOf('shape', course) * millisecondsInMinute }: HeldDoughDay,
  step: Anchor,
  toMs: number
): Moved {
  const spans = spansOf(course, pace, at, shapingMs)
  const index = ANCHORS.indexOf(step)
  const moved = ANCHORS.map((anchor) => at[anchor])
  moved[index] = toMs
  for (const direction of [1, -1] as const) {
    const problem = follow(moved, spans, index, direction, pins)
    if (problem !== null) return { ok: false, problem }
  }
  const [mixMs, shapeMs, bakeMs] = moved as [number, number, number]
  const bulkHours = (shapeMs - mixMs) / millisecondsInHour
  const proofHours = (bakeMs - shapeMs - shapingMs) / millisecondsInHour
  const proof = course.proof.kind === 'cold' ? { kind: 'cold' as const, hours: proofHours } : course.proof
  return {
    ok: true,
    mixMs,
    course: {
      ...course,
      bulkStretch: pace.bulkHours === null ? course.bulkStretch : bulkHours / pace.bulkHours,
      proof,
      proofStretch: course.proof.kind === 'cold' || pace.proofHours === null ? course.proofStretch : proofHours / pace.proofHours
    }
  }
}

function spansOf(course: DoughCourse, { bulkHours, proofHours }: DoughPace, at: HeldDoughDay['at'], shaping: number): [Span, Span] {
  const ms = (hours: number) => hours * millisecondsInHour
  const { proof } = course
  const bulk = bulkHours ?? (at.shape - at.mix) / millisecondsInHour
  const warm = proofHours ?? (at.bake - at.shape) / millisecondsInHour
  const cold = proof.kind === 'cold'
  return [
    { stage: 'bulk', least: ms(bulk * STRETCH.bulk[0]), most: ms(bulk * STRETCH.bulk[1]), now: at.shape - at.mix, elastic: false },
    {
      stage: 'proof',
      least: shaping + ms(cold ? STRETCH.coldHours[0] : warm * STRETCH.proof[0]),
      most: shaping + ms(cold ? STRETCH.coldHours[1] : warm * STRETCH.proof[1]),
      now: at.bake - at.shape,
      elastic: cold
    }
  ]
}

/** Lets what lies on one side follow; what is pinned there stays, and the stages up to it share what is left. */
function follow(moved: number[], spans: readonly Span[], from: number, direction: 1 | -1, pins: readonly Anchor[]): MoveProblem | null {
  const pinned = direction === 1 ? indexFrom(from + 1, 1, pins) : indexFrom(from - 1, -1, pins)
  if (pinned !== null) return share(moved, spans, from, pinned)
  for (let i = from; i + direction >= 0 && i + direction < ANCHORS.length; i += direction) {
    const next = i + direction
    const span = sure(spans[Math.min(i, next)])
    const length = Math.abs((moved[next] ?? NaN) - (moved[i] ?? NaN))
    const ahead = ((moved[next] ?? NaN) - (moved[i] ?? NaN)) * direction > 0
    if (span.elastic && ahead && length >= span.least && length <= span.most) return null
    const kept = span.elastic ? Math.min(Math.max(ahead ? length : span.least, span.least), span.most) : span.now
    moved[next] = (moved[i] ?? NaN) + direction * kept
  }
  return null
}

function indexFrom(first: number, direction: 1 | -1, pins: readonly Anchor[]): number | null {
  for (let i = first; i >= 0 && i < ANCHORS.length; i += direction) if (pins.includes(sure(ANCHORS[i]))) return i
  return null
}

/** The stages between a moved and a pinned moment share the time between them; the elastic one first. */
function share(moved: number[], spans: readonly Span[], from: number, to: number): MoveProblem | null {
  const [low, high] = [Math.min(from, to), Math.max(from, to)]
  const between = spans.slice(low, high)
  const gap = (moved[high] ?? NaN) - (moved[low] ?? NaN)
  const least = between.reduce((sum, s) => sum + s.least, 0)
  const most = between.reduce((sum, s) => sum + s.most, 0)
  if (gap < least || gap > most) {
    const tight = between.length > 1 && gap > most ? (between.find((s) => s.elastic) ?? sure(between[0])) : sure(between[0])
    return { stage: tight.stage, end: gap < least ? 'short' : 'long', hours: (gap < least ? least : most) / millisecondsInHour, pinned: sure(ANCHORS[to]) }
  }
  const lengths = between.map((s) => Math.min(Math.max(s.now, s.least), s.most))
  let left = gap - lengths.reduce((sum, l) => sum + l, 0)
  const order = between.map((_, i) => i).sort((a, b) => Number(sure(between[b]).elastic) - Number(sure(between[a]).elastic))
  for (const i of order) {
    const span = sure(between[i])
    const length = Math.min(Math.max((lengths[i] ?? NaN) + left, span.least), span.most)
    left -= length - (lengths[i] ?? NaN)
    lengths[i] = length
  }
  for (let i = low; i < high - 1; i++) moved[i + 1] = (moved[i] ?? NaN) + (lengths[i - low] ?? NaN)
  return null
}
