import { ok, problem, type Result } from '../units/result'

/** Specific heats and the ice figures, kJ/(kg·K) and kJ/kg. Source: handbook values of flour and water; ice 334 kJ/kg. */
export const HEAT = { flour: 1.8, water: 4.18, melting: 334, meltingFromFreezer: 372 } as const
/** Hottest water that may meet a culture, °C. */
export const HOTTEST_WATER_C = 40

/** Something that goes into the mix besides the water. */
export interface WarmPart {
  readonly grams: number
  readonly tempC: number
  /** c, kJ/(kg·K). */
  readonly heat: number
}

/** c of a levain or starter of a hydration. */
export function levainHeat(hydration: number): number {
  return (HEAT.flour + HEAT.water * hydration) / (1 + hydration)
}

export type WaterProblem = 'too hot for the culture' | 'no water' | 'below freezing'

/**
 * Water temperature that brings a mix to a wanted temperature.
 * @param wantedC temperature of the mix, °C
 * @param waterGrams m_w, g
 * @param parts the rest of the mix
 * @param mixingRiseK warming by mixing, K; 0 by hand with a spoon
 * @returns °C, or why not; `tempC` among the figures says what it would have to be
 * Source: heat balance.
 * @example waterTemperature(26, 150, [{ grams: 60, tempC: 5, heat: 2.99 }, { grams: 120, tempC: 19, heat: 1.8 }]) // 34.42
 */
export function waterTemperature(wantedC: number, waterGrams: number, parts: readonly WarmPart[], mixingRiseK = 0): Result<number, WaterProblem> {
  if (!(waterGrams > 0)) return problem('no water')
  const water = HEAT.water * waterGrams
  const capacity = parts.reduce((sum, p) => sum + p.heat * p.grams, water)
  const brought = parts.reduce((sum, p) => sum + p.heat * p.grams * p.tempC, 0)
  const tempC = (wantedC * capacity - brought - capacity * mixingRiseK) / water
  if (tempC > HOTTEST_WATER_C) return problem('too hot for the culture', { tempC })
  if (tempC < 0) return problem('below freezing', { tempC })
  return ok(tempC)
}

/**
 * Temperature a mix comes out at.
 * @param parts everything, water too
 * @returns °C
 * @throws RangeError when there is nothing to mix
 */
export function mixTemperature(parts: readonly WarmPart[]): number {
  const capacity = parts.reduce((sum, p) => sum + p.heat * p.grams, 0)
  if (!(capacity > 0)) throw new RangeError('Nothing to mix.')
  return parts.reduce((sum, p) => sum + p.heat * p.grams * p.tempC, 0) / capacity
}

/** How to get water of a temperature: from the tap with some from the kettle, or with some ice. */
export interface WaterBlend {
  readonly tapGrams: number
  readonly kettleGrams: number
  readonly iceGrams: number
}

/**
 * Blends water of a temperature from what a kitchen has.
 * @param waterGrams all of it, g
 * @param wantedC 0 … 40 °C
 * @param tapC tap, °C
 * @param hotC kettle, °C
 * @param melting kJ to melt a kg of ice: `HEAT.melting` at 0 °C, `HEAT.meltingFromFreezer` from −18 °C
 * @returns grams that sum to waterGrams
 * Source: heat balance; ice = m c (T_tap − t) / (334 + c T_tap).
 * @example blendWater(480, 20.19, 26).iceGrams // 26.3
 */
export function blendWater(waterGrams: number, wantedC: number, tapC: number, hotC = 95, melting: number = HEAT.melting): WaterBlend {
  if (wantedC >= tapC) {
    const kettleGrams = hotC > tapC ? Math.min((waterGrams * (wantedC - tapC)) / (hotC - tapC), waterGrams) : 0
    return { tapGrams: waterGrams - kettleGrams, kettleGrams, iceGrams: 0 }
  }
  const iceGrams = Math.min((waterGrams * HEAT.water * (tapC - wantedC)) / (melting + HEAT.water * tapC), waterGrams)
  return { tapGrams: waterGrams - iceGrams, kettleGrams: 0, iceGrams }
}
