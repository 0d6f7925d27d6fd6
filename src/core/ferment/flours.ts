/** Kinds of flour as the model sees them; the names are generic and no brand is meant. */
export const FLOUR_KINDS = ['white wheat', 'wholegrain wheat', 'rye', 'spelt', 'ancient wheat', 'gluten-free'] as const
export type FlourKind = (typeof FLOUR_KINDS)[number]

/** Grams by kind of flour, or shares of it. */
export type FloursByKind = Readonly<Partial<Record<FlourKind, number>>>

/** How a flour ferments beside white wheat. */
export interface FlourTraits {
  /** Factor on the growth of yeast and bacteria. */
  readonly pace: number
  /** Factor on the food it holds. */
  readonly food: number
  /** Factor on the gas it can hold. */
  readonly hold: number
  /** Its ash, % of its weight: what buffers acid. */
  readonly ash: number
  /** Whether it holds gluten, for the guard of a gluten-free jar. */
  readonly gluten: boolean
  /** What one sees of it at the peak, for the judgement: rye and gluten-free hardly dome. */
  readonly domes: boolean
}

/** Start values, craft knowledge; each can be learned per jar. */
export const FLOURS: Readonly<Record<FlourKind, FlourTraits>> = {
  'white wheat': { pace: 1, food: 1, hold: 1, ash: 0.55, gluten: true, domes: true },
  'wholegrain wheat': { pace: 1.15, food: 1.1, hold: 0.8, ash: 1.6, gluten: true, domes: true },
  rye: { pace: 1.2, food: 1.15, hold: 0.52, ash: 1.65, gluten: true, domes: false },
  spelt: { pace: 1.05, food: 1, hold: 0.75, ash: 1.1, gluten: true, domes: true },
  'ancient wheat': { pace: 1.05, food: 1.05, hold: 0.42, ash: 1.2, gluten: true, domes: true },
  'gluten-free': { pace: 1.1, food: 1, hold: 0.35, ash: 1, gluten: false, domes: false }
}
