/**
 * Habits of looking at a build: what a made-up baker of each kind writes down of one, at honest hours, misread as looks are. It imports nothing from ferment or readiness.
 */
import { keysOf } from '../units/keysOf'
import { type TrueLook, trueLook } from './trueLooks'
import type { TrueCurve } from './trueRise'

/** What was written down of one build. */
export interface HabitNotes {
  readonly looks: readonly TrueLook[]
  /** When it was mixed and how it was then by eye; null: not told. */
  readonly mixed: { readonly hours: number; readonly as: 'rising' | 'at its peak' | 'past it' } | null
}

/** Chance. */
interface Chance {
  readonly random: () => number
  readonly normal: () => number
}

/** Within this share of its peak's hours a levain is called at its peak. */
const AT_PEAK = 0.06

/** A look at a share of the peak's hours, somewhere between two. @param kinds of signs noted */
function between(curve: TrueCurve, [from, to]: readonly [number, number], kinds: number, { random, normal }: Chance): TrueLook {
  return trueLook(curve, (from + (to - from) * random()) * curve.peakHours, 'careful', kinds, random, normal)
}

/** The four habits learning is judged by. */
export const HABITS = {
  'one look at the dome': (curve: TrueCurve, chance: Chance): HabitNotes => {
    const look = between(curve, [0.85, 1.05], 0, chance)
    return { looks: [{ ...look, signs: { top: 'domed' } }], mixed: null }
  },
  'two looks': (curve: TrueCurve, chance: Chance): HabitNotes => ({
    looks: [between(curve, [0.4, 0.65], 2, chance), between(curve, [0.8, 1.02], 2, chance)],
    mixed: null
  }),
  'three levels without signs': (curve: TrueCurve, chance: Chance): HabitNotes => ({
    looks: [between(curve, [0.25, 0.4], 0, chance), between(curve, [0.5, 0.65], 0, chance), between(curve, [0.8, 0.98], 0, chance)],
    mixed: null
  }),
  'only mixed, with the level then': (curve: TrueCurve, chance: Chance): HabitNotes => {
    const look = between(curve, [0.85, 1.12], 0, chance)
    const seen = look.hours / curve.peakHours + (AT_PEAK / 2) * chance.normal()
    return { looks: [look], mixed: { hours: look.hours, as: seen < 1 - AT_PEAK ? 'rising' : seen > 1 + AT_PEAK ? 'past it' : 'at its peak' } }
  }
} as const satisfies Record<string, (curve: TrueCurve, chance: Chance) => HabitNotes>
export type Habit = keyof typeof HABITS
export const HABIT_NAMES = keysOf(HABITS)

/** Two levels read on the way up of a running build. */
export function twoLooks(curve: TrueCurve, chance: Chance): readonly TrueLook[] {
  return [between(curve, [0.3, 0.45], 0, chance), between(curve, [0.5, 0.65], 0, chance)]
}
