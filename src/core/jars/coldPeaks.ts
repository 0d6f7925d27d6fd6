import { millisecondsInDay } from 'date-fns/constants'
import { MODEL } from '../ferment/constants'
import type { BatchLine } from './lineage'

/** Seen lower than this share of the highest level seen, its top was before. */
const PAST_TOP = 0.97

/** A peak that was seen in the cold. */
export interface ColdPeak {
  /** Fresh flour per gram kept. */
  readonly ratio: number
  readonly days: number
}

/** A feed with the looks at it. */
export interface WatchedFeed {
  readonly line: BatchLine
  readonly marks: readonly { readonly atMs: number; readonly rise?: number }[]
}

/**
 * Days to the peak in the cold, feed by feed, as far as looks tell it: the highest level that was followed by a lower one.
 * @returns in the order given; feeds that stood warm, or were not followed past their top, are left out
 */
export function coldPeaks(feeds: readonly WatchedFeed[]): ColdPeak[] {
  return feeds.flatMap(({ line, marks }): ColdPeak[] => {
    const kept = line.parents.reduce((sum, p) => sum + p.grams, 0)
    const flour = Object.values(line.flours).reduce((sum, g) => sum + g, 0)
    const cold = line.stays.at(-1)
    if (!(kept > 0 && flour > 0) || cold === undefined || cold.tempC >= MODEL.coldNoneC) return []
    const levels = marks.flatMap(({ atMs, rise }) => (rise === undefined ? [] : [{ atMs, rise }])).sort((a, b) => a.atMs - b.atMs)
    const top = levels.reduce<(typeof levels)[number] | null>((best, next) => (best === null || next.rise > best.rise ? next : best), null)
    if (top === null || !levels.some((later) => later.atMs > top.atMs && later.rise - 1 < PAST_TOP * (top.rise - 1))) return []
    return [{ ratio: flour / kept, days: (top.atMs - line.startedAtMs) / millisecondsInDay }]
  })
}
