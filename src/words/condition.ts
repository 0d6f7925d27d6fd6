import { millisecondsInDay } from 'date-fns/constants'
import { seenNow } from '../answers'
import type { Jar } from '../contract'
import { type Format, isFoodGone, isHungry, type JarCondition } from '../core'
import { near } from './phases'

/** Nobody plans to the hour so far ahead, days. */
const HOUR_DAYS = 6

/** "Sat 08:25", or "Sat 28 Nov" when that is further off. */
export const whenWords = (ms: number, nowMs: number, format: Format): string =>
  Math.abs(ms - nowMs) < HOUR_DAYS * millisecondsInDay ? format.dayTime(near(ms)) : format.date(ms)

/** As people say how long ago it was: to five minutes, from a day on to the hour, from two days on to the day. @param hours since then */
export function agoWords(hours: number, format: Format): string {
  const step = hours < 24 ? 1 / 12 : hours < 48 ? 1 : 24
  const said = Math.round(hours / step) * step
  return said > 0 ? `${format.duration(said)} ago` : 'just now'
}

/** How what is in a jar began: "fed" 3 h ago. */
export function beganWord({ culture, line }: Pick<Jar, 'culture' | 'line'>): string {
  if (culture === 'dried') return 'dried'
  if (Object.keys(line.flours).length > 0) return 'fed'
  return line.parents.length > 1 ? 'topped up with levain' : 'split off'
}

/** What a jar is for the next bake, in a word or two. */
export const USE_WORDS: Readonly<Record<JarCondition['use'], string>> = {
  ripens: 'not ripe yet',
  'ready as it is': 'ready to use',
  'one feed': 'feed it once first',
  'two feeds': 'feed it twice first',
  revival: 'needs reviving over some days'
}

/** How a jar is, told in two lines: the second is what it means for the next bake. */
export interface ToldCondition {
  readonly headline: string
  readonly use: string
  /** It should be fed before it is used. */
  readonly hungry: boolean
}

/**
 * A jar's condition in words: it is called ripe where somebody has just seen it so, and should be ripe where nobody has looked.
 * @param jar whether it is a new culture that has not risen twice yet, and the looks at what is in it
 * @example tellCondition(…).headline // "Ripe about Sat 14:30", "Hungry since Fri 03:00"
 */
export function tellCondition(condition: JarCondition, nowMs: number, format: Format, { young, looks }: Pick<Jar, 'young' | 'looks'>): ToldCondition {
  if (young) return { headline: 'Young: it has not risen twice yet', use: 'feed it each day; until it has risen nobody can say when it is ripe', hungry: false }
  const { use, peakMs, hungryMs } = condition
  const seen = seenNow({ looks }, nowMs) !== undefined
  const hungry = isHungry(condition, nowMs)
  const when = (ms: number) => whenWords(ms, nowMs, format)
  const headline = () => {
    if (use === 'ripens') return peakMs === null ? 'Asleep: it hardly rises here' : `Ripe about ${when(peakMs)}`
    if (use === 'ready as it is') return `${seen ? 'Ripe' : 'Should be ripe'}${isFoodGone(condition) ? ': use it or feed it' : ' now'}`
    return hungry && hungryMs !== null ? `Hungry since ${when(hungryMs)}` : 'Past its best'
  }
  const hungryFrom = hungryMs === null || hungry ? '' : `, hungry from ${when(hungryMs)}`
  const words = use === 'ready as it is' && !seen ? 'look before you use it' : USE_WORDS[use]
  return { headline: headline(), use: `${words}${hungryFrom}`, hungry }
}

/** The neediest first: those hungry longest, then those hungry soonest. */
export function byNeed(a: JarCondition | undefined, b: JarCondition | undefined): number {
  return (a?.hungryMs ?? Number.POSITIVE_INFINITY) - (b?.hungryMs ?? Number.POSITIVE_INFINITY)
}
