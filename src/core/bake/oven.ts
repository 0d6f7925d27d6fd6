import type { DoughKind, Formula, OvenPlan, OvenStage } from '../dough/formula'

/** How a kind of bread usually bakes. */
interface UsualOven {
  /** Pre-heated to, °C. */
  readonly startC: number
  /** Down to this once the crust has set, °C; null: it stays. */
  readonly laterC: number | null
  /** When it goes down, min after loading. */
  readonly laterMinutes: number
  readonly steam: boolean
  readonly coreC: OvenPlan['coreC']
}

/** What is usual. Source: craft knowledge. */
const USUAL: Readonly<Record<DoughKind, UsualOven>> = {
  wheat: { startC: 250, laterC: 220, laterMinutes: 20, steam: true, coreC: [96, 99] },
  'rye tin': { startC: 250, laterC: 190, laterMinutes: 15, steam: true, coreC: [97, 99] },
  enriched: { startC: 190, laterC: null, laterMinutes: 0, steam: false, coreC: [88, 93] },
  flatbread: { startC: 250, laterC: null, laterMinutes: 0, steam: false, coreC: null },
  'gluten-free': { startC: 220, laterC: 200, laterMinutes: 20, steam: true, coreC: [97, 99] }
}

/**
 * How a bread is baked: as its recipe says, else as its kind usually is.
 * @param bakeMinutes one load in the oven, min
 * @example ovenOf({ doughKind: 'wheat' }, 45).stages // 250 °C for 20 min with lid or steam, then 220 °C for 25
 */
export function ovenOf({ oven, doughKind }: Pick<Formula, 'oven' | 'doughKind'>, bakeMinutes: number): OvenPlan {
  if (oven !== undefined) return oven
  const { startC, laterC, laterMinutes, steam, coreC } = USUAL[doughKind]
  if (laterC === null || laterMinutes >= bakeMinutes) return { stages: [{ tempC: startC, minutes: bakeMinutes, covered: steam }], coreC }
  const first = { tempC: startC, minutes: laterMinutes, covered: steam }
  return { stages: [first, { tempC: laterC, minutes: bakeMinutes - laterMinutes, covered: false }], coreC }
}

/** All its minutes. */
export const ovenMinutes = (stages: readonly OvenStage[]) => stages.reduce((sum, stage) => sum + stage.minutes, 0)

/**
 * When the lid comes off, or the steam is let out.
 * @returns min after loading; null where it is not covered at first, or to the end
 * @example uncoveredAfter([{ tempC: 250, minutes: 10, covered: true }, { tempC: 200, minutes: 35, covered: false }]) // 10
 */
export function uncoveredAfter(stages: readonly OvenStage[]): number | null {
  const open = stages.findIndex((stage) => !stage.covered)
  return open <= 0 ? null : ovenMinutes(stages.slice(0, open))
}

/** What a measured middle says. */
export function coreSays(coreC: OvenPlan['coreC'], measuredC: number): 'not yet' | 'done' | 'dry soon' | null {
  if (coreC === null) return null
  if (measuredC < coreC[0]) return 'not yet'
  return measuredC <= coreC[1] + 1 ? 'done' : 'dry soon'
}
