/** Edits closer together than this are one step of undo, ms. */
const ONE_EDIT_MS = 1200
/** Edits that can be taken back. */
const MOST = 60

/** What was before the edits of a sheet, and what was taken back of them; the latest last. */
export interface EditPiles<T> {
  readonly past: readonly T[]
  readonly ahead: readonly T[]
  /** When the last edit came; long ago after a step back or forth, so that the next edit stands by itself. */
  readonly editedMs: number
}

export const NO_EDITS: EditPiles<never> = { past: [], ahead: [], editedMs: Number.NEGATIVE_INFINITY }

/**
 * The piles after an edit: one that follows another closely belongs to it.
 * @param before what stood until now
 * @param nowMs by any clock that only goes forward
 */
export function afterEdit<T>({ past, editedMs }: EditPiles<T>, before: T, nowMs: number): EditPiles<T> {
  const own = nowMs - editedMs > ONE_EDIT_MS
  return { past: own ? [...past.slice(1 - MOST), before] : past, ahead: [], editedMs: nowMs }
}

/**
 * One step along the edits.
 * @param now what stands
 * @returns what stands then, with the piles; null where there is nothing to go to
 */
export function step<T>({ past, ahead }: EditPiles<T>, way: 'back' | 'forth', now: T): { readonly to: T; readonly piles: EditPiles<T> } | null {
  const [from, onto] = way === 'back' ? [past, ahead] : [ahead, past]
  const to = from.at(-1)
  if (to === undefined) return null
  const [shorter, longer] = [from.slice(0, -1), [...onto, now]]
  const { editedMs } = NO_EDITS
  return { to, piles: way === 'back' ? { past: shorter, ahead: longer, editedMs } : { past: longer, ahead: shorter, editedMs } }
}
