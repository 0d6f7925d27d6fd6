/**
 * What can be wrong with a culture: symptoms, their causes ranked by what is known of this jar, and what to do. Source: craft knowledge (docs/model.md).
 * Mould is no cause among others: it has one answer only.
 */

import { millisecondsInHour } from 'date-fns/constants'
import type { JarParameters } from '../ferment/jarParameters'
import { type BatchLine, contentsOf, cultureAt } from '../jars/lineage'
import type { MixedAs } from './observations'

export const SYMPTOMS = ['no rise', 'hooch', 'solvent smell', 'skin', 'falls early', 'rises, bread does not', 'pink or fuzzy'] as const
export type Symptom = (typeof SYMPTOMS)[number]

/** What the history of a jar says of its causes. */
export interface TroubleFacts {
  readonly hoursSinceFeed: number
  /** Of those, in the cold. */
  readonly coldHours: number
  /** Where it stands now, °C. */
  readonly tempC: number
  /** Fresh flour per seed when it was last mixed; and as it usually is, by the feeds before. */
  readonly flourPerSeed: number
  readonly usualFlourPerSeed: number
  /** How long it usually waits for its feed, against what a jar bears. */
  readonly usualWait: number
  readonly hydration: number
  /** Food left, 1 in fresh flour; and work before it wakes. */
  readonly food: number
  readonly lagWork: number
  /** Density of its yeast, 1 in a ripe one. */
  readonly yeast: number
  /** Temperature just after mixing, °C. */
  readonly mixTempC: number
  /** Salt ÷ flour. */
  readonly salt: number
  /** How lively it has shown itself, 1 a usual one; null while nothing is learned. */
  readonly vigour: number | null
  /** The last breads from it that were marked, the latest last. */
  readonly breads: readonly PastBread[]
}

/** A bread from this jar: how its levain was when it was mixed, and how it rose, from 1 to 5. */
export interface PastBread {
  readonly was: MixedAs | null
  readonly rise: number
}

/** Breads that count, and marks that are low. */
const LAST_BREADS = 5
const LOW_RISE = 2

/** Share of the breads that rose badly of which the levain had been mixed so; null where none rose badly, or nobody told how it was. */
function lowShare(breads: readonly PastBread[], was: MixedAs): number | null {
  const low = breads.slice(-LAST_BREADS).filter((bread) => bread.rise <= LOW_RISE && bread.was !== null)
  return low.length === 0 ? null : low.filter((bread) => bread.was === was).length / low.length
}

/** One thing that may be the matter. */
export interface Cause {
  readonly code: keyof typeof CAUSES
  /** Against the others of the same symptom; they sum to 1. */
  readonly share: number
}

/** A jar bears to wait a day in the warm, two weeks in the cold, h. */
const BEARS = { warm: 24, cold: 14 * 24 } as const
const waitOf = (hours: number, coldHours: number) => hours / (coldHours > hours / 2 ? BEARS.cold : BEARS.warm)

const warm = (tempC: number, from: number, to: number) => Math.min(Math.max((tempC - from) / (to - from), 0), 1)
const COLD_PLACE_C = 20

/** Causes: how much the jar's own history speaks for each. A usual share where it says nothing. */
const CAUSES = {
  'too cold': (f: TroubleFacts) => 0.15 + 2 * warm(-f.tempC, -COLD_PLACE_C, -12),
  'mixed too hot': (f: TroubleFacts) => (f.mixTempC > 38 ? 3 : 0.05),
  'still waking': (f: TroubleFacts) => 0.1 + 0.8 * Math.min(f.lagWork, 3),
  'weak culture': (f: TroubleFacts) => 0.15 + 2 * Math.max(0.6 - f.yeast, 0) + (f.vigour !== null && f.vigour < 0.75 ? 1 : 0),
  'little old for much new': (f: TroubleFacts) => 0.05 + 0.15 * Math.max(f.flourPerSeed - 8, 0),
  'salt in it': (f: TroubleFacts) => (f.salt > 0.005 ? 1 : 0.02),
  'just looked too soon': (f: TroubleFacts) => (f.hoursSinceFeed < 3 && f.tempC < 26 ? 0.8 : 0.1),
  hungry: (f: TroubleFacts) => 0.3 + 2 * Math.max(0.15 - f.food, 0) * 6,
  'too long between feeds': (f: TroubleFacts) => 0.2 + Math.min(Math.max(waitOf(f.hoursSinceFeed, f.coldHours), f.usualWait), 2),
  'too warm': (f: TroubleFacts) => 0.1 + 2 * warm(f.tempC, 26, 32),
  'fed too little': (f: TroubleFacts) => 0.1 + Math.max(1.5 - f.usualFlourPerSeed, 0),
  'dries at the top': () => 1,
  'firm and open': (f: TroubleFacts) => (f.hydration < 0.7 ? 0.8 : 0.2),
  'too wet to hold': (f: TroubleFacts) => 0.1 + Math.max(f.hydration - 1.2, 0) * 2,
  'much acid': (f: TroubleFacts) => 0.2 + Math.max(1 - f.usualFlourPerSeed / 2, 0) + warm(f.tempC, 27, 32),
  'used past its peak': (f: TroubleFacts) => 0.1 + 1.4 * (lowShare(f.breads, 'past it') ?? 0.36),
  'mixed too young': (f: TroubleFacts) => 0.1 + 1.4 * (lowShare(f.breads, 'rising') ?? 0.1),
  'dough too cold or too short': (f: TroubleFacts) => 0.3 + 0.9 * (lowShare(f.breads, 'at its peak') ?? 0.22),
  'too much salt in the dough': () => 0.15,
  mould: () => 1
} as const satisfies Record<string, (facts: TroubleFacts) => number>
export type CauseCode = keyof typeof CAUSES

const OF_SYMPTOM: Readonly<Record<Symptom, readonly CauseCode[]>> = {
  'no rise': ['too cold', 'mixed too hot', 'still waking', 'weak culture', 'little old for much new', 'salt in it', 'just looked too soon'],
  hooch: ['hungry', 'too long between feeds', 'too warm', 'fed too little'],
  'solvent smell': ['hungry', 'too warm', 'too long between feeds', 'fed too little'],
  skin: ['dries at the top', 'firm and open'],
  'falls early': ['too warm', 'fed too little', 'too wet to hold', 'much acid'],
  'rises, bread does not': ['used past its peak', 'mixed too young', 'dough too cold or too short', 'much acid', 'weak culture', 'too much salt in the dough'],
  'pink or fuzzy': ['mould']
}

/** One feed of a jar's past. */
interface Feed {
  readonly flourPerSeed: number
  /** Until the next one, h; and of those in the cold. */
  readonly hours: number
  readonly coldHours: number
}

/** Colder than this a jar sleeps, °C. */
const COLD_C = 12

function feedOf(line: BatchLine, untilMs: number): Feed {
  const seed = line.parents.reduce((sum, p) => sum + p.grams, 0)
  const fresh = Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)
  const hours = (fromMs: number, toMs: number) => Math.max(toMs - fromMs, 0) / millisecondsInHour
  const coldHours = line.stays.reduce((sum, stay, i) => {
    const until = Math.min(line.stays[i + 1]?.fromMs ?? untilMs, untilMs)
    return stay.tempC < COLD_C ? sum + hours(stay.fromMs, until) : sum
  }, 0)
  return { flourPerSeed: seed > 0 ? fresh / seed : 0, hours: hours(line.startedAtMs, untilMs), coldHours }
}

/** This feed and those before it, the latest first, as far back as the line goes. */
function feedsOf(line: BatchLine, untilMs: number): Feed[] {
  const before = line.parents[0]?.line
  return [feedOf(line, untilMs), ...(before == null ? [] : feedsOf(before, line.startedAtMs))]
}

const middleOf = (figures: readonly number[]) => [...figures].sort((a, b) => a - b)[Math.floor(figures.length / 2)] ?? 0

/** What a jar's line and belief say of it at a moment. */
export function troubleFactsOf(line: BatchLine, atMs: number, jar: JarParameters, isLearned: boolean, breads: readonly PastBread[] = []): TroubleFacts {
  const { flourGrams, hydration } = contentsOf(line)
  const state = cultureAt(line, atMs, jar)
  const feeds = feedsOf(line, atMs)
  const [{ flourPerSeed, hours, coldHours }, ...before] = feeds as [Feed, ...Feed[]]
  return {
    hoursSinceFeed: hours,
    coldHours,
    tempC: line.stays.findLast((s) => s.fromMs <= atMs)?.tempC ?? line.mixTempC,
    flourPerSeed,
    usualFlourPerSeed: middleOf(feeds.map((f) => f.flourPerSeed)),
    usualWait: middleOf(before.map((f) => waitOf(f.hours, f.coldHours))),
    hydration,
    food: state.food,
    lagWork: state.lagWork,
    yeast: state.yeast,
    mixTempC: line.mixTempC,
    salt: flourGrams > 0 ? line.saltGrams / flourGrams : 0,
    vigour: isLearned ? jar.vigour : null,
    breads
  }
}

/**
 * What may be the matter, the likeliest for this jar first.
 * @example causesOf('hooch', facts of a jar fed two days ago in a warm kitchen)[0].code // 'too long between feeds'
 */
export function causesOf(symptom: Symptom, facts: TroubleFacts): Cause[] {
  const weighed = OF_SYMPTOM[symptom].map((code) => ({ code, share: CAUSES[code](facts) }))
  const all = weighed.reduce((sum, c) => sum + c.share, 0)
  return weighed.map((c) => ({ ...c, share: c.share / all })).sort((a, b) => b.share - a.share)
}
