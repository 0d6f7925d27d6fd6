import { millisecondsInMinute } from 'date-fns/constants'
import { type Busy, isHard } from '../../core'

const FIVE_MINUTES_MS = 5 * millisecondsInMinute

/**
 * When a starter that ripens anyway can be mixed: the moment of its window nearest to the middle at which somebody is up, at home and free.
 * @param window when it is at its best, ms
 * @param busy what takes hands, nights with it
 * @returns a whole five minutes; null where the window is over, or nobody is there in it
 */
export function homeWhenReady(window: { readonly fromMs: number; readonly toMs: number }, busy: readonly Busy[], nowMs: number): number | null {
  const middleMs = (window.fromMs + window.toMs) / 2
  const isFree = (ms: number) => !busy.some((b) => isHard(b) && b.fromMs <= ms && ms < b.toMs)
  let best: number | null = null
  for (let ms = Math.ceil(Math.max(window.fromMs, nowMs) / FIVE_MINUTES_MS) * FIVE_MINUTES_MS; ms <= window.toMs; ms += FIVE_MINUTES_MS)
    if (isFree(ms) && (best === null || Math.abs(ms - middleMs) < Math.abs(best - middleMs))) best = ms
  return best
}
