import type { BlendPart } from '../../dough/ingredient'
import { sure } from '../../units/sure'
import { WAKE_UP_RATIOS } from '../lineage'
import type { TimedFeed } from '../timedFeeds'
import { feedDeed, type Program, type ProgramStep } from './program'

/** Grams that are kept at each feed of a revival. */
export const REVIVED_GRAMS = 20
/** Fresh flour per gram kept, feed by feed: gently at first. */
export const REVIVAL_RATIOS = WAKE_UP_RATIOS.revival

/**
 * Brings a neglected jar back over some days.
 * @param feeds one after the other, each with when it should be ripe
 */
export function revive(name: string, feed: readonly BlendPart[], feeds: readonly TimedFeed[]): Program {
  const deedOf = ({ flourGrams, waterGrams }: TimedFeed) => feedDeed(REVIVED_GRAMS, feed, flourGrams, waterGrams)
  const last = sure(feeds.at(-1))
  const steps = feeds.map((fed, i): ProgramStep => {
    const before = feeds[i - 1]
    return {
      title: i === 0 ? 'Look, pour off, feed a little' : 'Feed it again',
      afterHours: before === undefined ? 0 : before.ripeHours,
      what:
        i === 0
          ? 'Dark liquid on top is only hunger: pour it off or stir it in. Take the seed from the middle, where it is palest, into a clean jar. Stand it warm.'
          : 'At its top, or when it has just begun to fall.',
      sign:
        before === undefined
          ? { good: 'Grey or dark liquid, a sharp smell: hungry, but sound.', notYet: 'If you are not sure, look by daylight.', againHours: 2, meanwhile: null }
          : {
              good: i === 1 ? 'It has bubbles and has risen a little.' : 'It has risen by half or more.',
              notYet: 'Give it its time: stir, keep it warm, look again half a day later. Do not feed it more; that only thins it.',
              againHours: 12,
              meanwhile: null
            },
      deed: deedOf(fed)
    }
  })
  return {
    kind: 'revival',
    title: `${name} is fed up again`,
    says: 'Small feeds at first, each when the one before is ripe, until it doubles within eight hours.',
    steps: [
      ...steps,
      {
        title: 'Does it double within eight hours?',
        afterHours: last.ripeHours,
        what: 'If it does, it builds a levain again.',
        sign: {
          good: 'Doubled within eight hours of its feed.',
          notYet: 'Feed it once more like the last time, and look tomorrow.',
          againHours: 24,
          meanwhile: deedOf(last)
        },
        deed: null
      }
    ]
  }
}
