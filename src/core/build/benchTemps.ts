import type { Composition } from '../dough/composition'
import type { Result } from '../units/result'
import { HEAT, HOTTEST_WATER_C, mixTemperature, type WarmPart, type WaterProblem, waterTemperature } from './waterTemperature'

/** What was measured at the bench, °C; undefined: not measured. */
export interface BenchTemps {
  readonly flourC?: number
  /** The seed of a levain, the levain of a dough. */
  readonly cultureC?: number
  /** The water as it goes in. */
  readonly waterC?: number
}

/** One thing of a mix: what is in the bowl of it, or will be. */
export interface MixItem {
  readonly grams: number
  readonly composition: Composition
  readonly isCulture: boolean
}

/** What holds where nothing is measured, °C, and how far mixing warms it, K. */
export interface UsualTemps {
  /** Wanted of the mix. */
  readonly wantedC: number
  readonly flourC: number
  readonly cultureC: number
  readonly riseK: number
}

/** The temperatures of a mix. */
export interface ReckonedMix {
  readonly flourC: number
  readonly cultureC: number
  /** Water that would bring the mix to what is wanted, or why there is none. */
  readonly wantedWater: Result<number, WaterProblem>
  /** Water as measured; else as wanted, as near as may be. */
  readonly waterC: number
  /** How warm it comes out, to 0.1 °C; as wanted where there is nothing in it. */
  readonly mixC: number
}

/** Mixing a dough by hand warms it so far; a levain is only stirred, K. Source: craft knowledge. */
export const DOUGH_RISE_K = 1

/** Share of water from which on a thing counts as the water of a mix. */
const IS_WATER = 0.99

/** Whether it is the water of a mix. */
export const isWater = ({ composition }: Pick<MixItem, 'composition'>) => composition.water > IS_WATER

/**
 * The water for a mix and how warm it comes out, with what was measured by now.
 * @param items all of it, g
 * Source: heat balance; what is no water warms like flour.
 */
export function reckonMix(items: readonly MixItem[], measured: BenchTemps, usual: UsualTemps): ReckonedMix {
  const { flourC = usual.flourC, cultureC = usual.cultureC } = measured
  const water = items.filter(isWater).reduce((sum, i) => sum + i.grams, 0)
  const rest = items
    .filter((i) => !isWater(i) && i.grams > 0)
    .map(({ grams, composition, isCulture }): WarmPart => {
      const heat = HEAT.water * composition.water + HEAT.flour * (1 - composition.water)
      return { grams, tempC: isCulture ? cultureC : flourC, heat }
    })
  const wantedWater = waterTemperature(usual.wantedC, water, rest, usual.riseK)
  const waterC =
    measured.waterC ?? (wantedWater.ok ? wantedWater.value : Math.min(Math.max(wantedWater.problem.values.tempC ?? usual.wantedC, 0), HOTTEST_WATER_C))
  const all = water > 0 ? [...rest, { grams: water, tempC: waterC, heat: HEAT.water }] : rest
  const mixC = all.length === 0 ? usual.wantedC : Math.round((mixTemperature(all) + usual.riseK) * 10) / 10
  return { flourC, cultureC, wantedWater, waterC, mixC }
}
