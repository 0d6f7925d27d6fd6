import type { Observation } from '../ferment/oneBuild'
import type { Mark } from './marks'

/** How a levain was when it was mixed, by eye. */
export const MIXED_AS = ['rising', 'at its peak', 'past it'] as const
export type MixedAs = (typeof MIXED_AS)[number]

/** How often such a sign is right about the side of the top. Source: craft knowledge; a dome is no proof, a sunken centre nearly one. */
const TRUST = { domed: 0.8, dimpled: 0.75, sunken: 0.95, smear: 0.85 } as const

/**
 * A dome at the last look, soon before the mix: it was good enough for the baker, so near its top, on the whole a little before it. A dome long before the mix
 * was only on its way. Source: craft knowledge.
 */
const LAST_DOME = { of: 0.8, before: 1.05, share: 0.12 } as const

/** What a look says of the side of the top; null: nothing. */
function sideOf({ signs }: Mark): { readonly kind: 'climbing' | 'fallen'; readonly trust: number } | null {
  if (signs?.top === 'sunken' || signs?.top === 'dimpled') return { kind: 'fallen', trust: TRUST[signs.top] }
  if (signs?.smear === 'yes') return { kind: 'fallen', trust: TRUST.smear }
  return signs?.top === 'domed' ? { kind: 'climbing', trust: TRUST.domed } : null
}

/**
 * What was seen of a finished build says of its hill: levels, on which side of the top it was when nobody saw the top itself, and how it was when it was mixed.
 * "Mixed while rising" says that the peak would have come later, never that it was then.
 * @param marks in the order of time
 * @param mixed when it was mixed (h), and how it was then by eye where that was told; null: it was not mixed, or nobody knows when
 */
export function observationsOf(marks: readonly Mark[], mixed: { readonly hours: number; readonly as?: MixedAs } | null = null): Observation[] {
  const seen: Observation[] = marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))
  const sides = marks.flatMap((mark) => {
    const side = sideOf(mark)
    return side === null ? [] : [{ ...side, hours: mark.hours }]
  })
  const fallen = sides.find(({ kind }) => kind === 'fallen')
  if (fallen !== undefined) seen.push(fallen)
  const climbing = sides.findLast(({ kind }) => kind === 'climbing')
  if (climbing !== undefined && (fallen === undefined || climbing.hours < fallen.hours)) {
    const wasLast =
      fallen === undefined && climbing.hours === marks.at(-1)?.hours && climbing.hours >= LAST_DOME.of * (mixed?.hours ?? Number.POSITIVE_INFINITY)
    seen.push(wasLast && mixed?.as === undefined ? { kind: 'peak', hours: LAST_DOME.before * climbing.hours, share: LAST_DOME.share } : climbing)
  }
  if (mixed?.as !== undefined) seen.push({ kind: MIXED_SAYS[mixed.as], hours: mixed.hours })
  return seen
}

const MIXED_SAYS = { rising: 'climbing', 'at its peak': 'peak', 'past it': 'fallen' } as const satisfies Record<MixedAs, Observation['kind']>
