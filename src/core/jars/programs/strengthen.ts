import { millisecondsInHour } from 'date-fns/constants'
import type { BlendPart } from '../../dough/ingredient'
import { ok, problem, type Result } from '../../units/result'
import { sure } from '../../units/sure'
import type { TimedFeed } from '../timedFeeds'
import { feedDeed, type Program } from './program'

/** Feeds in a row before a bake that matters. */
export const STRENGTHENING_RATIOS = [1, 2, 2] as const

/**
 * Feeds in a row, the last ripe when it is needed.
 * @param keepGrams kept at each feed
 * @param whenMs when it is to be at its best, ms
 * @returns the program; `too soon` with the first moment that works
 */
export function strengthen(
  name: string,
  keepGrams: number,
  feed: readonly BlendPart[],
  feeds: readonly TimedFeed[],
  nowMs: number,
  whenMs: number
): Result<Program, 'too soon'> {
  const all = feeds.reduce((sum, f) => sum + f.ripeHours, 0)
  const waitHours = (whenMs - nowMs) / millisecondsInHour - all
  if (waitHours < -0.25) return problem('too soon', { earliestMs: nowMs + all * millisecondsInHour })
  return ok({
    kind: 'strengthen',
    title: `${name} gathers strength`,
    says: 'Three feeds in a row, each at the top of the one before; the last one is ripe when you need it.',
    steps: [
      ...feeds.map(({ flourGrams, waterGrams }, i) => ({
        title: i === 0 ? 'The first feed' : i === feeds.length - 1 ? 'The last feed' : 'Feed it again',
        afterHours: i === 0 ? Math.max(waitHours, 0) : sure(feeds[i - 1]).ripeHours,
        what: 'Warm, 24 to 26 °C, the lid loose.',
        sign:
          i === 0
            ? null
            : { good: 'It stands at its top or has just begun to fall.', notYet: 'Wait for the top; look again in an hour.', againHours: 1, meanwhile: null },
        deed: feedDeed(keepGrams, feed, flourGrams, waterGrams)
      })),
      {
        title: 'At its best',
        afterHours: sure(feeds.at(-1)).ripeHours,
        what: 'Build the levain from it now.',
        sign: { good: 'Domed, well risen, full of bubbles.', notYet: 'Look again in an hour.', againHours: 1, meanwhile: null },
        deed: null
      }
    ]
  })
}
