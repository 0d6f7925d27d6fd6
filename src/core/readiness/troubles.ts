/**
 * What can be wrong with a culture: symptoms, their causes ranked by what is known of this jar, and what to do. Source: craft knowledge (docs/model.md).
 * Mould is no cause among others: it has one answer only.
 */

import type { JarParameters } from '../ferment/jarParameters'
import { type BatchLine, contentsOf, cultureAt } from '../jars/lineage'

export const SYMPTOMS = ['no rise', 'hooch', 'solvent smell', 'skin', 'falls early', 'rises, bread does not', 'pink or fuzzy'] as const
export type Symptom = (typeof SYMPTOMS)[number]

/** What the history of a jar says of its causes. */
export interface TroubleFacts {
  readonly hoursSinceFeed: number
  /** Of those, in the cold. */
  readonly coldHours: number
  /** Where it stands now, °C. */
  readonly tempC: number
  /** Fresh flour per seed when it was last mixed. */
  readonly flourPerSeed: number
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
}

/** One thing that may be the matter. */
export interface Cause {
  readonly code: keyof typeof CAUSES
  /** Against the others of the same symptom; they sum to 1. */
  readonly share: number
}

const warm = (tempC: number, from: number, to: number) => Math.min(Math.max((tempC - from) / (to - from), 0), 1)
const COLD_PLACE_C = 20
const DAY_HOURS = 24

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
  'too long between feeds': (f: TroubleFacts) => 0.2 + Math.min(f.hoursSinceFeed / (f.coldHours > f.hoursSinceFeed / 2 ? 14 * DAY_HOURS : DAY_HOURS), 2),
  'too warm': (f: TroubleFacts) => 0.1 + 2 * warm(f.tempC, 26, 32),
  'fed too little': (f: TroubleFacts) => 0.1 + Math.max(1.5 - f.flourPerSeed, 0),
  'dries at the top': () => 1,
  'firm and open': (f: TroubleFacts) => (f.hydration < 0.7 ? 0.8 : 0.2),
  'too wet to hold': (f: TroubleFacts) => 0.1 + Math.max(f.hydration - 1.2, 0) * 2,
  'much acid': (f: TroubleFacts) => 0.2 + Math.max(1 - f.flourPerSeed / 2, 0) + warm(f.tempC, 27, 32),
  'used past its peak': () => 0.6,
  'dough too cold or too short': () => 0.5,
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
  'rises, bread does not': ['used past its peak', 'dough too cold or too short', 'much acid', 'weak culture', 'too much salt in the dough'],
  'pink or fuzzy': ['mould']
}

/** What a jar's line and belief say of it at a moment. */
export function troubleFactsOf(line: BatchLine, atMs: number, jar: JarParameters, isLearned: boolean): TroubleFacts {
  const { flourGrams, hydration } = contentsOf(line)
  const state = cultureAt(line, atMs, jar)
  const seed = line.parents.reduce((sum, p) => sum + p.grams, 0)
  const fresh = Object.values(line.flours).reduce((sum, grams) => sum + grams, 0)
  const hours = (fromMs: number, toMs: number) => Math.max(toMs - fromMs, 0) / 3_600_000
  const coldHours = line.stays.reduce((sum, stay, i) => {
    const until = Math.min(line.stays[i + 1]?.fromMs ?? atMs, atMs)
    return stay.tempC < 12 ? sum + hours(stay.fromMs, until) : sum
  }, 0)
  return {
    hoursSinceFeed: hours(line.startedAtMs, atMs),
    coldHours,
    tempC: line.stays.findLast((s) => s.fromMs <= atMs)?.tempC ?? line.mixTempC,
    flourPerSeed: seed > 0 ? fresh / seed : 0,
    hydration,
    food: state.food,
    lagWork: state.lagWork,
    yeast: state.yeast,
    mixTempC: line.mixTempC,
    salt: flourGrams > 0 ? line.saltGrams / flourGrams : 0,
    vigour: isLearned ? jar.vigour : null
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
