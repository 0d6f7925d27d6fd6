import type { DoughKind } from '../dough/formula'

/** How a kind of bread bakes. */
export interface OvenPlan {
  /** Pre-heated to, °C. */
  readonly startC: number
  /** Down to this once the crust has set, °C; null: it stays. */
  readonly laterC: number | null
  /** When it goes down, min after loading. */
  readonly laterMinutes: number
  readonly steam: boolean
  /** In the middle, when it is done, °C; null: too thin to measure. */
  readonly coreC: readonly [low: number, high: number] | null
}

/** What is usual. Source: craft knowledge. */
export const OVEN: Readonly<Record<DoughKind, OvenPlan>> = {
  wheat: { startC: 250, laterC: 220, laterMinutes: 20, steam: true, coreC: [96, 99] },
  'rye tin': { startC: 250, laterC: 190, laterMinutes: 15, steam: true, coreC: [97, 99] },
  enriched: { startC: 190, laterC: null, laterMinutes: 0, steam: false, coreC: [88, 93] },
  flatbread: { startC: 250, laterC: null, laterMinutes: 0, steam: false, coreC: null },
  'gluten-free': { startC: 220, laterC: 200, laterMinutes: 20, steam: true, coreC: [97, 99] }
}

/** What a measured middle says. */
export function coreSays(coreC: OvenPlan['coreC'], measuredC: number): 'not yet' | 'done' | 'dry soon' | null {
  if (coreC === null) return null
  if (measuredC < coreC[0]) return 'not yet'
  return measuredC <= coreC[1] + 1 ? 'done' : 'dry soon'
}
