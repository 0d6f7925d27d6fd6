import { millisecondsInDay } from 'date-fns/constants'
import { FLOURS, type FlourKind } from '../ferment/flours'

/** Discard is used within a week. */
export const POT_DAYS = 7

/** Discard of gluten-free jars is kept apart from the rest. */
export const POTS = ['with gluten', 'gluten-free'] as const
export type Pot = (typeof POTS)[number]

/** The pot that discard of a flour goes into. */
export const potOf = (flour: FlourKind): Pot => (FLOURS[flour].gluten ? 'with gluten' : 'gluten-free')

/** Something that went into the discard pot or came out of it. */
export interface PotMove {
  /** Whole milligrams; what goes in is positive. */
  readonly milligrams: number
  /** The pot it went into or came out of; left out of what comes out: whichever holds the oldest. */
  readonly pot?: Pot | null
}

/**
 * What is left of all that went into the pots: the oldest is used first.
 * @param moves in the order of time
 * @returns oldest first; what comes out beyond what there is counts for nothing
 * @example leftInPot([{ milligrams: 60_000 }, { milligrams: -20_000 }]) // 40,000 mg of the first
 */
export function leftInPot<Move extends PotMove>(moves: readonly Move[]): { readonly move: Move; readonly milligrams: number }[] {
  let left: { move: Move; milligrams: number }[] = []
  for (const move of moves) {
    if (move.milligrams >= 0) {
      left.push({ move, milligrams: move.milligrams })
      continue
    }
    let wanted = -move.milligrams
    for (const portion of left) {
      if (move.pot != null && portion.move.pot !== move.pot) continue
      const taken = Math.min(wanted, portion.milligrams)
      portion.milligrams -= taken
      wanted -= taken
      if (wanted === 0) break
    }
    left = left.filter((portion) => portion.milligrams > 0)
  }
  return left
}

/** What is left of one thing that went in. */
export interface PotPortion {
  readonly sinceMs: number
  readonly grams: number
  readonly flour: FlourKind
  /** Water ÷ flour. */
  readonly hydration: number
}

/** What the pot holds in all. */
export interface PotContents {
  readonly grams: number
  readonly flourGrams: number
  readonly waterGrams: number
  /** Water ÷ flour; 0 for an empty pot. */
  readonly hydration: number
  /** Some of it holds gluten. */
  readonly gluten: boolean
  /** When the oldest of it has to be used, ms; null for an empty pot. */
  readonly useByMs: number | null
}

/** Flour and water of all portions, and until when they keep. */
export function potContents(portions: readonly PotPortion[]): PotContents {
  const grams = portions.reduce((sum, p) => sum + p.grams, 0)
  const flourGrams = portions.reduce((sum, p) => sum + p.grams / (1 + p.hydration), 0)
  const oldest = portions[0]
  return {
    grams,
    flourGrams,
    waterGrams: grams - flourGrams,
    hydration: flourGrams > 0 ? (grams - flourGrams) / flourGrams : 0,
    gluten: portions.some((p) => FLOURS[p.flour].gluten),
    useByMs: oldest === undefined ? null : oldest.sinceMs + POT_DAYS * millisecondsInDay
  }
}

/** Grams of portions that are older than a week and no longer used. */
export function stalePotGrams(portions: readonly PotPortion[], nowMs: number): number {
  return portions.reduce((sum, p) => (p.sinceMs + POT_DAYS * millisecondsInDay < nowMs ? sum + p.grams : sum), 0)
}
