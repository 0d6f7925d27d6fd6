import { millisecondsInHour } from 'date-fns/constants'
import type { Format, Phase, Target } from '../core'

/** Phases as words with a shape, so that colour is never alone. */
export const PHASE_WORDS: Readonly<Record<Phase, { readonly word: string; readonly says: string; readonly shape: string }>> = {
  lag: { word: 'Waking', says: 'hardly any rise yet', shape: '▁' },
  climbing: { word: 'Climbing', says: 'on its way up', shape: '◢' },
  young: { word: 'Young', says: 'doubled or near it, still climbing', shape: '◢' },
  peak: { word: 'At its peak', says: 'as high as it gets', shape: '▲' },
  easing: { word: 'Easing', says: 'just past the top', shape: '◣' },
  collapsed: { word: 'Collapsed', says: 'well past, weak and sour', shape: '▂' }
}

/** To five minutes: a forecast to the minute would claim too much. */
export const near = (ms: number) => Math.round(ms / 300_000) * 300_000

/** A span longer than a night is told with its days, ms. */
const LONG_SPAN_MS = 18 * millisecondsInHour

/**
 * "20:35 – 23:20", and with its days where it is long: "Sat 04:50 – Sun 04:50".
 * @param toMs not finite where no end is in sight
 * @param isDayNamed its beginning is told with its day in any case
 */
export function spanWords(fromMs: number, toMs: number, format: Format, isDayNamed = false): string {
  const isLong = toMs - fromMs >= LONG_SPAN_MS
  const words = (ms: number, isNamed: boolean) => (Number.isFinite(ms) ? (isNamed ? format.dayTime : format.time)(near(ms)) : 'later')
  return `${words(fromMs, isLong || isDayNamed)} – ${words(toMs, isLong)}`
}

/** "in 2 h 43 min", "now", "12 min ago". */
export function fromNow(ms: number, nowMs: number, format: Format): string {
  const hours = (ms - nowMs) / millisecondsInHour
  if (Math.abs(hours) < 1 / 120) return 'now'
  return hours > 0 ? `in ${format.duration(hours)}` : `${format.duration(-hours)} ago`
}

/** "18 × 65 g, 1 × 900 g", "1500 g of dough". */
export function sizeWords(target: Target, format: Format): string {
  switch (target.kind) {
    case 'pieces':
      return `${target.pieces.map((p) => `${p.count} × ${format.mass(p.grams)}`).join(', ')}${target.bakeLoss === null ? '' : ', baked'}`
    case 'flour pieces':
      return target.pieces.map((p) => `${p.count} of ${format.mass(p.grams)} of flour`).join(', ')
    case 'dough':
      return `${format.mass(target.grams)} of dough`
    case 'added flour':
      return `${format.mass(target.grams)} of flour`
    case 'total flour':
      return `${format.mass(target.grams)} of flour in all`
    case 'levain':
      return `from ${format.mass(target.grams)} of levain`
    case 'line':
      return `from ${format.mass(target.grams)} at hand`
  }
}
