import type { Pieces } from '../dough/pieces'
import { quantileOf } from '../units/quantile'

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

/** What a kitchen takes for its work: as its baker has set it, else as it was seen, else what is usual. */
export const workOf = ({ work, workSeen }: { readonly work?: Work; readonly workSeen: Partial<Work> }): Work => work ?? { ...USUAL_WORK, ...workSeen }

/** One step as it was really done. */
export interface StepTime {
  readonly step: HandsStep
  readonly minutes: number
  /** What was shaped. */
  readonly hands: Pick<Hands, 'pieces' | 'rolls'>
}

/** Steps of a kind that have to be seen before anything is learned, and the latest that count. */
const SEEN_STEPS = { least: 3, most: 12 } as const
/** Whoever takes so many times as long has forgotten to say that it was done; who is so much quicker has said both at once. Source: craft knowledge. */
const MISTOLD = { slower: 4, quicker: 1 / 5 } as const

/**
 * How long a baker takes, from steps that were seen begun and done: the median of the latest, beside what is usual; of shaping it is learned for setting up
 * and for each piece alike.
 * @param seen the latest first
 * @returns min; only what has been seen often enough
 * @example learnWork(three folds of 6 min) // { fold: 6 }
 */
export function learnWork(seen: readonly StepTime[]): Partial<Work> {
  const learned: Partial<Record<WorkStep, number>> = {}
  for (const step of WORK_STEPS.filter(takesHands)) {
    const shares = seen
      .filter((one) => one.step === step)
      .map(({ minutes, hands }) => minutes / minutesOf(step, hands))
      .filter((share) => share > MISTOLD.quicker && share < MISTOLD.slower)
      .slice(0, SEEN_STEPS.most)
    if (shares.length < SEEN_STEPS.least) continue
    const share = quantileOf(shares, 0.5)
    const of: readonly WorkStep[] = step === 'shape' ? ['shape', 'piece', 'roll'] : [step]
    for (const one of of) learned[one] = Math.max(Math.round(share * USUAL_WORK[one]), 1)
  }
  return learned
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
