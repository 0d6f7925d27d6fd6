import type { Step } from '../../core'

/** A step as far as reminding goes. */
export interface Due {
  readonly key: string
  readonly kind: Step['kind'] | 'window'
  readonly title: string
  readonly atMs: number
  /** It is shown and counted, but somebody else calls for it. */
  readonly quiet?: boolean
}

/** What is to be told. */
export interface Reminded {
  /** Became due while somebody could hear it. */
  readonly now: readonly Due[]
  /** Became due while the window slept or was closed. */
  readonly away: readonly Due[]
  /** How many are overdue in all. */
  readonly overdue: number
}

/** So long without a tick, and the window has slept, ms. */
const SLEPT_MS = 3 * 60_000
/** Kinds that want nobody: they are shown, but nobody is called for them. */
const SILENT: readonly Due['kind'][] = ['finish weighing', 'feed again']

/**
 * What became due between two looks at the clock.
 * @param due steps still to do, with their times
 * @param seenMs the look before
 * @param nowMs this one
 */
export function dueSince(due: readonly Due[], seenMs: number, nowMs: number): Reminded {
  const passed = due.filter((d) => d.atMs > seenMs && d.atMs <= nowMs && !SILENT.includes(d.kind) && d.quiet !== true)
  const slept = nowMs - seenMs > SLEPT_MS
  return {
    now: slept ? [] : passed,
    away: slept ? passed : [],
    overdue: due.filter((d) => d.atMs <= nowMs && !SILENT.includes(d.kind) && d.kind !== 'eat' && d.kind !== 'window').length
  }
}
