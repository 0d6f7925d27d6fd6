/**
 * How likely each sign is in each phase: the craft's knowledge as one table to read and argue with.
 * A row gives P(sign | phase), up to a common factor, in the order lag · climbing · young · peak · easing · collapsed.
 */
import type { Phase } from './phases'
import { PHASES } from './phases'

type Row = readonly [lag: number, climbing: number, young: number, peak: number, easing: number, collapsed: number]

export const SIGNS = {
  top: {
    /** The skin is pushed up from below: gas is made faster than it leaves. */
    domed: [0.1, 0.6, 0.75, 0.42, 0.06, 0.02],
    /** Level: either it has not started, or it stands at the turn. */
    flat: [0.85, 0.35, 0.19, 0.36, 0.24, 0.08],
    /** First small hollows: gas leaves faster than it is made. */
    dimpled: [0.03, 0.04, 0.05, 0.18, 0.46, 0.25],
    /** A hollow in the middle, walls left behind: well past. */
    sunken: [0.02, 0.01, 0.01, 0.04, 0.24, 0.65]
  },
  bubbles: {
    /** None or pinpricks at the side. */
    few: [0.85, 0.3, 0.08, 0.04, 0.05, 0.2],
    /** Many, of all sizes: the strength holds what is made. */
    many: [0.13, 0.6, 0.72, 0.56, 0.35, 0.3],
    /** A lace of large ones, froth on top. */
    frothy: [0.02, 0.1, 0.2, 0.4, 0.6, 0.5]
  },
  smell: {
    /** Wet flour: nothing has happened yet. */
    floury: [0.8, 0.3, 0.05, 0.02, 0.01, 0.01],
    /** Milk, yoghurt, sweet: young. */
    'milky-sweet': [0.15, 0.45, 0.5, 0.3, 0.1, 0.04],
    /** Beer, fruit: at its best. */
    yeasty: [0.03, 0.2, 0.35, 0.45, 0.35, 0.15],
    /** Sharp: food is nearly gone. */
    tangy: [0.01, 0.04, 0.09, 0.2, 0.4, 0.4],
    /** Vinegar or solvent: hungry. */
    vinegar: [0.01, 0.01, 0.01, 0.03, 0.14, 0.4]
  },
  smear: {
    /** A film on the glass above the level: it has been higher. */
    yes: [0.02, 0.02, 0.03, 0.12, 0.75, 0.95],
    no: [0.98, 0.98, 0.97, 0.88, 0.25, 0.05]
  },
  spoon: {
    /** Floats in water: much gas. Says little for rye, wholegrain, wet and gluten-free ones. */
    floats: [0.05, 0.35, 0.7, 0.75, 0.5, 0.2],
    hangs: [0.15, 0.3, 0.2, 0.15, 0.25, 0.25],
    sinks: [0.8, 0.35, 0.1, 0.1, 0.25, 0.55]
  }
} as const satisfies Record<string, Record<string, Row>>

export type SignKind = keyof typeof SIGNS
/** What was seen: at most one sign of each kind. */
export type Signs = { readonly [Kind in SignKind]?: keyof (typeof SIGNS)[Kind] }

/** Signs hang together, so each counts for less than alone. */
export const TEMPER = 0.6
/** How much the spoon says where flour or wetness make it a poor judge. */
export const DULL_SPOON_TEMPER = 0.15
/** What a sign weighs in a jar that hardly domes (rye, gluten-free). */
export const DULL_TOP_TEMPER = 0.25

/**
 * P(sign | phase).
 * @param kind what was looked at
 * @param sign what was seen
 * @returns 0 … 1; 1 for a sign the table does not know
 */
export function likelihood(kind: SignKind, sign: string, phase: Phase): number {
  const row = (SIGNS[kind] as Record<string, Row>)[sign]
  return row === undefined ? 1 : (row[PHASES.indexOf(phase)] as number)
}
