import type { Pieces } from '../dough/pieces'

/** Hands-on minutes of what a baker does. */
export const WORK_STEPS = [
  'wake',
  'ahead',
  'build',
  'refill',
  'chill',
  'move',
  'autolyse',
  'mix',
  'fold',
  'shape',
  'piece',
  'roll',
  'preheat',
  'bake',
  'lid',
  'out'
] as const
/** `shape` is what shaping takes whatever there is; `piece` what each loaf adds to it, `roll` each small piece; `bake` and `out` are for each load. */
export type WorkStep = (typeof WORK_STEPS)[number]
/** Steps that are done as a whole. */
export type HandsStep = Exclude<WorkStep, 'piece' | 'roll'>
export type Work = Readonly<Record<WorkStep, number>>

/** What is usual, min. Source: craft knowledge; a kitchen has its own. */
export const USUAL_WORK: Work = {
  wake: 8,
  ahead: 8,
  build: 10,
  refill: 4,
  chill: 2,
  move: 2,
  autolyse: 8,
  mix: 15,
  fold: 4,
  shape: 15,
  piece: 5,
  roll: 2,
  preheat: 2,
  bake: 8,
  lid: 2,
  out: 5
}

/** Longest that may be set for one of them, min. */
export const MOST_WORK_MINUTES = 120
/** Loaves of a dough of which nobody said how many. */
const USUAL_PIECES = 2
/** A lighter piece is a roll, g. */
const ROLL_GRAMS = 250

/** Whose hands, and how many loaves and rolls they shape. */
export interface Hands {
  /** Left out: what is usual. */
  readonly work?: Work
  /** Left out: two. */
  readonly pieces?: number
  /** Left out: none. */
  readonly rolls?: number
}

/** Loaves and rolls among the pieces of a dough; none where it is not sized by pieces. */
export function shapedOf(pieces: readonly Pieces[]): Pick<Hands, 'pieces' | 'rolls'> {
  const count = (some: readonly Pieces[]) => some.reduce((sum, p) => sum + p.count, 0)
  const rolls = pieces.filter((p) => p.grams < ROLL_GRAMS)
  return pieces.length === 0 ? {} : { pieces: count(pieces) - count(rolls), rolls: count(rolls) }
}

/**
 * Hands-on time of a step, min.
 * @example minutesOf('shape', { pieces: 1, rolls: 12 }) // 44
 */
export function minutesOf(step: HandsStep, { work = USUAL_WORK, pieces = USUAL_PIECES, rolls = 0 }: Hands = {}): number {
  return step === 'shape' ? work.shape + work.piece * pieces + work.roll * rolls : work[step]
}

/** Whether a step of a bake takes hands. */
export const takesHands = (step: string): step is HandsStep => step !== 'piece' && step !== 'roll' && WORK_STEPS.some((one) => one === step)
