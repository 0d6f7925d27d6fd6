/**
 * How likely each sign is in each phase: the craft's knowledge as one table to read and argue with.
 * A row gives P(sign | phase) in the order lag · climbing · young · peak · easing · collapsed, and why.
 */
import { keysOf } from '../units/keysOf'
import type { Phase } from './phases'
import { PHASES } from './phases'

/** P(sign | phase), by phase in the order of life. */
type Shares = readonly [lag: number, climbing: number, young: number, peak: number, easing: number, collapsed: number]
/** One row: how likely, and why. */
export interface Row {
  readonly p: Shares
  readonly why: string
}
const row = (p: Shares, why: string): Row => ({ p, why })

/** What the signs say of an ordinary levain: wheat, not stiff, not runny. */
export const SIGNS = {
  top: {
    domed: row([0.1, 0.6, 0.75, 0.42, 0.06, 0.02], 'Gas is made faster than it leaves, so the skin is pushed up from below.'),
    flat: row([0.85, 0.35, 0.19, 0.36, 0.24, 0.08], 'Nothing lifts it yet; or it stands at the turn, where as much leaves as is made.'),
    dimpled: row([0.03, 0.04, 0.05, 0.18, 0.46, 0.25], 'The first bubbles break and are not filled again: gas leaves faster than it is made.'),
    sunken: row([0.02, 0.01, 0.01, 0.04, 0.24, 0.65], 'The middle has gone down and left its walls behind: well past.')
  },
  surface: {
    smooth: row([0.85, 0.45, 0.2, 0.1, 0.1, 0.2], 'No bubble has come through yet; an old one that has settled closes over again.'),
    pitted: row([0.1, 0.4, 0.5, 0.4, 0.25, 0.2], 'Bubbles come through as small holes while the whole still holds.'),
    foamy: row([0.03, 0.1, 0.2, 0.35, 0.5, 0.5], 'Many bubbles open at the top: the matrix lets them through.'),
    cracked: row([0.02, 0.05, 0.1, 0.15, 0.15, 0.1], 'A skin that is pushed apart; on a wheat levain more often one that has dried.')
  },
  bubbles: {
    few: row([0.85, 0.3, 0.08, 0.04, 0.05, 0.2], 'Hardly any gas has been made; or it has run out through a weak matrix.'),
    many: row([0.13, 0.6, 0.72, 0.56, 0.35, 0.3], 'Gas in bubbles of all sizes: the strength holds what is made.'),
    frothy: row([0.02, 0.1, 0.2, 0.4, 0.6, 0.5], 'Bubbles have run together into large ones: the walls between them give way.')
  },
  webbing: {
    none: row([0.85, 0.35, 0.08, 0.04, 0.05, 0.15], 'Dense paste: there is no gas to stretch it into strands.'),
    strands: row([0.13, 0.45, 0.35, 0.2, 0.2, 0.2], 'Some gas between, some strands: on its way, or on its way out.'),
    web: row([0.01, 0.18, 0.54, 0.71, 0.45, 0.1], 'A net of fine strands around gas: full of gas, and still strong.'),
    slack: row([0.01, 0.02, 0.03, 0.05, 0.3, 0.55], 'It runs off the spoon and no strand holds: acid has eaten the strength.')
  },
  smell: {
    floury: row([0.8, 0.3, 0.05, 0.02, 0.01, 0.01], 'Wet flour: nothing has happened yet.'),
    'milky-sweet': row([0.15, 0.45, 0.5, 0.3, 0.1, 0.04], 'Milk, yoghurt, sweet: sugar is there and acid is young.'),
    yeasty: row([0.03, 0.2, 0.35, 0.45, 0.35, 0.15], 'Beer and fruit: the yeast is at its busiest.'),
    tangy: row([0.01, 0.04, 0.09, 0.2, 0.4, 0.4], 'Sharp: food is nearly gone, acid has gathered.'),
    vinegar: row([0.006, 0.006, 0.007, 0.025, 0.11, 0.28], 'Vinegar: hungry for some time.'),
    solvent: row([0.004, 0.004, 0.003, 0.005, 0.03, 0.12], 'Nail varnish, glue: starved, and warm with it.')
  },
  smear: {
    yes: row([0.02, 0.02, 0.03, 0.12, 0.75, 0.95], 'A film on the glass above the level shows that it has been higher.'),
    no: row([0.98, 0.98, 0.97, 0.88, 0.25, 0.05], 'Clean glass above the level: it has never been higher.')
  },
  spoon: {
    floats: row([0.05, 0.35, 0.7, 0.75, 0.5, 0.2], 'Enough gas to carry it; how much it takes depends on flour and water.'),
    hangs: row([0.15, 0.3, 0.2, 0.15, 0.25, 0.25], 'Nearly enough gas: before its best, or after it.'),
    sinks: row([0.8, 0.35, 0.1, 0.1, 0.25, 0.55], 'Too little gas in it, not yet or no longer; or the spoon has knocked it out.')
  }
} as const satisfies Record<string, Record<string, Row>>

export type SignKind = keyof typeof SIGNS
/** What was seen: at most one sign of each kind. */
export type Signs = { readonly [Kind in SignKind]?: keyof (typeof SIGNS)[Kind] }
export const SIGN_KINDS = keysOf(SIGNS)

/** Cultures that are judged by their own measure. */
export const MANNERS = ['wheat', 'whole or wet', 'stiff', 'rye', 'gluten-free'] as const
export type CultureManner = (typeof MANNERS)[number]

type Own = { readonly [Kind in SignKind]?: { readonly [Sign in keyof (typeof SIGNS)[Kind]]: Row } }

/** What a culture shows otherwise than an ordinary levain. */
export const OWN_SIGNS: Readonly<Partial<Record<CultureManner, Own>>> = {
  stiff: {
    surface: {
      smooth: row([0.9, 0.5, 0.15, 0.08, 0.08, 0.1], 'A firm ball keeps its skin until it swells.'),
      pitted: row([0.05, 0.1, 0.1, 0.1, 0.12, 0.2], 'A firm skin lets few bubbles through while it is strong.'),
      foamy: row([0.01, 0.02, 0.02, 0.02, 0.05, 0.2], 'It foams only once it has gone soft.'),
      cracked: row([0.04, 0.38, 0.73, 0.8, 0.75, 0.5], 'A stiff dough cracks open as it swells, and the cracks stay.')
    },
    spoon: {
      floats: row([0.05, 0.6, 0.88, 0.92, 0.85, 0.6], 'A stiff piece rises in water as soon as it holds gas, and goes on floating.'),
      hangs: row([0.15, 0.2, 0.07, 0.05, 0.08, 0.2], 'Nearly enough gas to rise.'),
      sinks: row([0.8, 0.2, 0.05, 0.03, 0.07, 0.2], 'No gas in it yet, or so soft that it soaks.')
    }
  },
  rye: {
    surface: {
      smooth: row([0.8, 0.3, 0.08, 0.04, 0.08, 0.3], 'No bubble has come through the paste yet; an old one closes over again.'),
      pitted: row([0.15, 0.45, 0.35, 0.2, 0.32, 0.45], 'Rye has no skin: bubbles prick it from early on.'),
      foamy: row([0.03, 0.2, 0.5, 0.7, 0.55, 0.2], 'Rye froths at its best; the froth goes down with it.'),
      cracked: row([0.02, 0.05, 0.07, 0.06, 0.05, 0.05], 'A strewn or dry top that opens as it swells.')
    }
  }
}

/** Signs hang together, so each counts for less than alone. */
const TEMPER = 0.6
/** What a sign weighs where it says little of a culture. */
const DULL = 0.15

/** Kinds of sign that say little of a culture: no dome without gluten, no floating where water runs in, no web without strands. */
export const DULL_KINDS: Readonly<Record<CultureManner, readonly SignKind[]>> = {
  wheat: [],
  'whole or wet': ['spoon'],
  stiff: ['top', 'bubbles'],
  rye: ['top', 'spoon', 'webbing'],
  'gluten-free': ['top', 'spoon', 'webbing']
}

/** So often any sign at all is noted, whatever there is to be seen: a slip of eye or thumb. */
const SLIP = 0.08

/** The rows of a kind of sign for a culture. */
export function rowsOf(kind: SignKind, manner: CultureManner): Readonly<Record<string, Row>> {
  return (OWN_SIGNS[manner] as Partial<Record<SignKind, Record<string, Row>>> | undefined)?.[kind] ?? SIGNS[kind]
}

/**
 * P(sign | phase), slips of the observer included.
 * @param kind what was looked at
 * @param sign what was seen
 * @param manner what kind of culture it is
 * @returns 0 … 1; 1 for a sign the table does not know
 */
export function likelihood(kind: SignKind, sign: string, phase: Phase, manner: CultureManner): number {
  const rows = rowsOf(kind, manner)
  const found = rows[sign]
  if (found === undefined) return 1
  return (1 - SLIP) * (found.p[PHASES.indexOf(phase)] ?? NaN) + SLIP / Object.keys(rows).length
}

/** What a sign weighs for a culture, as an exponent of its likelihood; a sunken centre is past in every culture. */
export const temperOf = (kind: SignKind, manner: CultureManner, sign?: string) => (DULL_KINDS[manner].includes(kind) && sign !== 'sunken' ? DULL : TEMPER)
