import type { Composition } from './composition'
import type { Pantry } from './ingredient'
import type { Mix, PreFermentStyle } from './mix'
import type { Pieces } from './pieces'

/**
 * Which flour counts as 100 %: `total flour` (the levain is given as its share of all flour), `dough flour` (flour added at
 * the mix; water and salt are solved so that the overall values hold), `plain` (every % literal, nothing counted).
 */
export const PERCENTAGE_BASES = ['total flour', 'dough flour', 'plain'] as const
export type PercentageBase = (typeof PERCENTAGE_BASES)[number]

/** Kinds of dough: what is plausible depends on them. */
export const DOUGH_KINDS = ['wheat', 'rye tin', 'enriched', 'flatbread', 'gluten-free'] as const
export type DoughKind = (typeof DOUGH_KINDS)[number]

/** One line of a formula. Every formula has one water and one salt line, at least one flour, and at most one levain. */
export type FormulaLine = {
  readonly id: string
  /** Converted from a volume and not weighed yet: half the range, as a fraction. */
  readonly estimate?: number
} & (
  | {
      readonly kind: 'flour'
      readonly ingredientId: string
      /** Part of the flour lines; they are taken relative to their sum. */
      readonly share: number
    }
  | { readonly kind: 'water' }
  | { readonly kind: 'salt' }
  | {
      readonly kind: 'levain'
      /** Total flour: share of all flour that ripens in it. Other bases: all of it, on the base flour. */
      readonly share: number
    }
  | {
      /** A portion fermented or soaked ahead; its flour, water and salt are taken out of the dough's own. */
      readonly kind: 'pre-ferment'
      readonly style: PreFermentStyle
      readonly mix: Mix
      /** How long it stands before it goes into the dough, h; left out: as is usual for its style. */
      readonly hours?: number
      /** Its flour as a share of the base flour; all of it where it holds no flour. */
      readonly share: number
    }
  | {
      readonly kind: 'extra'
      readonly ingredientId: string
      /** Fraction of the base flour. */
      readonly share: number
    }
)

/** A dough as it is wished. All shares are fractions of the base flour. */
export interface Formula {
  readonly base: PercentageBase
  readonly doughKind: DoughKind
  /** Water ÷ flour that is wanted: true in the counted bases, literal in `plain`. */
  readonly hydration: number
  /** Salt ÷ flour that is wanted. */
  readonly salt: number
  /** In the order they are shown. */
  readonly lines: readonly FormulaLine[]
  /** Flour and first water rest together before the rest goes in. */
  readonly autolyse: boolean
  /** Part of the water that is held back and worked in at the end, as a fraction of the base flour. */
  readonly heldBack: number
  /** What is weighed is rounded up to the scale, never down. */
  readonly roundUp?: boolean
  /** How it is baked; left out: as its kind usually is. */
  readonly oven?: OvenPlan
}

/** One step of the oven. */
export interface OvenStage {
  readonly tempC: number
  readonly minutes: number
  /** Under a lid, or in steam. */
  readonly covered: boolean
}

/** How a bread is baked. */
export interface OvenPlan {
  /** In their order; the oven is heated to the first. */
  readonly stages: readonly OvenStage[]
  /** In the middle of the bread, when it is done, °C; null: it is not measured. */
  readonly coreC: readonly [low: number, high: number] | null
}

/** What is known of the size; all else follows. */
export type Target =
  | {
      readonly kind: 'pieces'
      readonly pieces: readonly Pieces[]
      /** Fraction that sticks to bowl and hands. */
      readonly handlingLoss: number
      /** Fraction that leaves in the oven, where the weights are wanted baked; null: weights before the oven. */
      readonly bakeLoss: number | null
    }
  /** Flour in each piece; the levain's own is not counted. */
  | { readonly kind: 'flour pieces'; readonly pieces: readonly Pieces[] }
  | { readonly kind: 'dough'; readonly grams: number }
  /** All that comes out of the flour bags, what goes into yeasted pre-ferments too. */
  | { readonly kind: 'added flour'; readonly grams: number }
  /** All flour, the levain's too. */
  | { readonly kind: 'total flour'; readonly grams: number }
  /** Ripe levain at hand. */
  | { readonly kind: 'levain'; readonly grams: number }
  /** So much of one line at the mix: "500 g of this flour". */
  | { readonly kind: 'line'; readonly lineId: string; readonly grams: number }

/** What a formula is worked out with. */
export interface FormulaContext {
  readonly pantry: Pantry
  /** What the levain holds; salt or oil in its build count. */
  readonly levain: Composition
}

/** What a line is called; undefined when the kitchen does not have its ingredient any more. */
export function lineName(line: FormulaLine, pantry: Pantry): string | undefined {
  if (line.kind === 'levain') return 'Levain'
  if (line.kind === 'pre-ferment') return line.mix.name
  return pantry.get(ingredientOfLine(line) ?? '')?.name
}

/** The ingredient a line is weighed of; null for levain and pre-ferments. */
export function ingredientOfLine(line: FormulaLine): string | null {
  if (line.kind === 'flour' || line.kind === 'extra') return line.ingredientId
  return line.kind === 'water' || line.kind === 'salt' ? line.kind : null
}
