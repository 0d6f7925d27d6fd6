import type { BlendPart } from '../../dough/ingredient'
import type { TimedFeed } from '../timedFeeds'
import { feedDeed, type Program } from './program'

/**
 * Splits some of a jar for a friend, with a label.
 * @param jar what is in it and what is always kept, g
 * @param grams that are given away
 * @param fed a feed that leaves enough to give, and when it is ripe
 */
export function giftOfJar(
  jar: { readonly name: string; readonly feed: readonly BlendPart[]; readonly keepGrams: number },
  friend: string,
  grams: number,
  fed: TimedFeed
): Program {
  return {
    kind: 'gift',
    title: `Some of ${jar.name} for ${friend}`,
    says: 'A fed, ripe portion in a clean jar with a label that says how to go on.',
    steps: [
      {
        title: `Feed ${jar.name}`,
        afterHours: 0,
        what: 'Enough for both.',
        sign: null,
        deed: feedDeed(jar.keepGrams, jar.feed, fed.flourGrams, fed.waterGrams)
      },
      {
        title: `Take ${Math.round(grams)} g into a clean jar`,
        afterHours: fed.ripeHours,
        what: 'Room for three times as much, the lid loose. Print or copy the label.',
        sign: { good: 'It stands at its top.', notYet: 'Wait for the top; look again in an hour.', againHours: 1, meanwhile: null },
        deed: { kind: 'take', grams: Math.round(grams), name: `For ${friend}`, dried: false }
      },
      { title: 'Give it away', afterHours: 1, what: 'With the label: what it is, when it was fed, what it wants next.', sign: null, deed: { kind: 'give' } }
    ]
  }
}
