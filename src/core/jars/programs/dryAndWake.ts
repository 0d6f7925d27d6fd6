import type { BlendPart } from '../../dough/ingredient'
import { DRY_FLAKES } from '../cultures'
import type { TimedFeed } from '../timedFeeds'
import { feedDeed, gramsOfBlend, type Program } from './program'

/** What dried culture is kept as. */
export const DRIED_SHAPES = ['flakes', 'crumb'] as const
export type DriedShape = (typeof DRIED_SHAPES)[number]

/**
 * What so much culture weighs once it snaps.
 * @param grams wet
 * @param hydration water ÷ flour of it
 * @example dryWeight(100, 1) // 55 g: 50 g of flour with a tenth of water
 */
export const dryWeight = (grams: number, hydration: number) => (grams / (1 + hydration)) * (1 + DRY_FLAKES)

/** Water ÷ flour of crumb that rolls apart. Source: craft knowledge. */
const CRUMB_HYDRATION = 0.35
/** What goes into a packet, g: enough to wake twice. */
const PACKET_GRAMS = 20

/**
 * Flour that makes crumb of so much culture.
 * @example crumbFlour(100, 1) // 93 g: 50 g of water want 143 g of flour, and 50 are there
 */
export const crumbFlour = (grams: number, hydration: number) => Math.max((grams * hydration) / (1 + hydration) / CRUMB_HYDRATION - grams / (1 + hydration), 0)

/**
 * Dries some of a jar: rubbed or spread, turned, weighed, packed.
 * @param fed the feed before it, so that there is enough and it is at its best; null: what is there is dried as it is
 */
export function dryCulture(
  jar: { readonly name: string; readonly feed: readonly BlendPart[]; readonly hydration: number },
  wish: { readonly grams: number; readonly keepGrams: number; readonly shape: DriedShape },
  fed: TimedFeed | null
): Program {
  const { name } = jar
  const crumb = wish.shape === 'crumb'
  const rubbed = crumb ? crumbFlour(wish.grams, jar.hydration) : 0
  const dry = Math.round(dryWeight(wish.grams, jar.hydration) + rubbed * (1 + DRY_FLAKES))
  const packets = Math.max(Math.round(dry / PACKET_GRAMS), 1)
  return {
    kind: 'dry',
    title: `A dried spare of ${name}`,
    says: `${Math.round(wish.grams)} g of ripe ${name} become about ${dry} g of ${wish.shape} that sleep for a year or more.`,
    steps: [
      ...(fed === null
        ? []
        : [
            {
              title: `Feed ${name}`,
              afterHours: 0,
              what: 'It is dried at its best, so it is fed first.',
              sign: null,
              deed: feedDeed(wish.keepGrams, jar.feed, fed.flourGrams, fed.waterGrams)
            }
          ]),
      {
        title: crumb ? 'Rub it to crumb' : 'Spread it thin',
        afterHours: fed?.ripeHours ?? 0,
        what: crumb
          ? `Rub ${Math.round(wish.grams)} g with about ${Math.round(rubbed)} g of flour to crumbs, and spread them out. Below 35 °C; a dehydrator or oven light as its maker says.`
          : `Spread ${Math.round(wish.grams)} g on baking paper, thin as a coin. Airy, below 35 °C; a dehydrator or oven light as its maker says.`,
        sign: { good: 'Risen, domed, full of bubbles.', notYet: 'Wait for the top; look again in two hours.', againHours: 2, meanwhile: null },
        deed: { kind: 'take', grams: Math.round(wish.grams), name: `${name}, dried`, dried: true }
      },
      {
        title: 'Turn it',
        afterHours: 12,
        what: crumb ? 'Break up what sticks together.' : 'Peel the sheet off, turn it over.',
        sign: null,
        deed: null
      },
      {
        title: 'Is it dry?',
        afterHours: 18,
        what: `Weigh it: about ${dry} g.`,
        sign: {
          good: crumb ? 'The crumbs are hard and roll apart; none gives when pressed.' : 'It snaps when bent. Nothing is soft, cool or leathery.',
          notYet: 'Half a day more. What is not quite dry will spoil in the bag.',
          againHours: 12,
          meanwhile: null
        },
        deed: { kind: 'weigh' }
      },
      {
        title: 'Mill it and pack it',
        afterHours: 0,
        what: `Break it small or mill it, into bags or jars that close well: about ${packets === 1 ? 'one packet' : `${packets} packets of ${PACKET_GRAMS} g`}. Dry and dark it keeps a year. A label on each.`,
        sign: null,
        deed: null
      }
    ]
  }
}

/** Flakes that go into a waking, and what is fed then, g. */
const WAKING = { flakes: 10, flour: 10, feeds: [2, 2] as readonly number[] } as const
/** Never more than this part of what there is: the rest is the spare. */
const MOST_OF_IT = 0.5

/** Dried culture keeps at its best so long, in a packet that closes well, dry and dark, days. Source: craft knowledge. */
export const DRIED_KEEPS_DAYS = 365

/**
 * What so many flakes are woken with.
 * @param hydration water ÷ flour of the woken culture
 * @example wakingOf(10, 1) // 10 g of flour and 18 g of water: the flakes hold 9.1 g of flour and 0.9 g of water
 */
export function wakingOf(flakes: number, hydration: number): { readonly flourGrams: number; readonly waterGrams: number } {
  const ground = flakes / (1 + DRY_FLAKES)
  const flourGrams = Math.max(Math.round((WAKING.flour * flakes) / WAKING.flakes), 1)
  return { flourGrams, waterGrams: Math.round((ground + flourGrams) * hydration - (flakes - ground)) }
}

/** What is told of waking on a packet. */
export const WAKING_FLAKES = WAKING.flakes

/** Wakes some of a dried culture; at least half of it stays. */
export function wakeDried(
  dried: { readonly name: string; readonly grams: number },
  woken: { readonly name: string; readonly feed: readonly BlendPart[]; readonly hydration: number }
): Program {
  const flakes = Math.max(Math.min(WAKING.flakes, Math.floor(dried.grams * MOST_OF_IT)), 1)
  const { flourGrams: flour, waterGrams: water } = wakingOf(flakes, woken.hydration)
  const kept = 20
  const fed = (keepGrams: number | null, ratio: number) => ({ ...feedDeed(keepGrams, woken.feed, kept * ratio, kept * ratio * woken.hydration), taken: true })
  const feeds = WAKING.feeds.map((ratio) => fed(kept, ratio))
  const [second, third] = feeds
  return {
    kind: 'wake',
    title: `${woken.name} wakes`,
    says: 'Three days from flakes to a culture that builds. At least half of the flakes stay as the spare.',
    steps: [
      {
        title: 'Soak and feed',
        afterHours: 0,
        what: `Crumble ${flakes} g into ${water} g of water, not above 35 °C; stir after ten minutes, then ${flour} g of flour. Stand it at 24 to 26 °C.`,
        sign: null,
        deed: { kind: 'wake', grams: flakes, name: woken.name, flours: gramsOfBlend(woken.feed, flour), waterGrams: water }
      },
      {
        title: 'The first bubbles',
        afterHours: 24,
        what: 'Feed all of it.',
        sign: { good: 'Some bubbles, a fresh sour smell.', notYet: 'Stir it and give it another day, warmer if you can.', againHours: 24, meanwhile: null },
        deed: fed(null, 1)
      },
      {
        title: 'Feed it',
        afterHours: 24,
        what: 'Keep a little, feed it well.',
        sign: {
          good: 'Risen by half or more.',
          notYet: 'Feed all of it once more, a little.',
          againHours: 24,
          meanwhile: fed(kept, 1)
        },
        deed: second ?? null
      },
      {
        title: 'Does it double within eight hours?',
        afterHours: 12,
        what: 'Then it is a jar like any other.',
        sign: { good: 'Doubled within eight hours.', notYet: 'Feed it once more, and look tomorrow.', againHours: 24, meanwhile: third ?? null },
        deed: null
      }
    ]
  }
}
