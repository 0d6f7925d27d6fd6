/**
 * What is seen of the gas in a mix: the first of it dissolves in the water before any bubble grows, more of it in the cold; and gas that is chilled takes less room.
 * Source: solubility of carbon dioxide in water (1.9 times at 4 °C what it is at 25 °C), the gas law; how much dissolves in a mix is fitted.
 */

import { MODEL } from './constants'

const { exp } = Math
const WARM_K = 298.15
const KELVIN = 273.15

/** Gas that the water takes up, volumes per volume. */
export const dissolvedAt = (tempC: number) => MODEL.dissolves * exp(-MODEL.dissolvesPerK * (tempC - 25))

/** Share of what could dissolve that still does not: 1 in a fresh mix, next to none once it is full of gas. @param most from dissolvedAt */
export const thirstAt = (held: number, most: number) => exp(-held / most)

/**
 * The gas one sees as height.
 * @param held gas in the mix, volumes per volume at 25 °C
 * @param most from dissolvedAt
 * @param thirst from thirstAt
 * @returns g before what escapes from wet and weak mixes
 */
export const seenGas = (held: number, most: number, thirst: number, tempC: number): number => ((held - most * (1 - thirst)) * (tempC + KELVIN)) / WARM_K

/**
 * Its slope, 1/h.
 * @param perHour change of the gas held
 * @param warming of the mix, K per hour
 */
export function seenSlope(held: number, most: number, thirst: number, perHour: number, tempC: number, warming: number): number {
  const bubbles = held - most * (1 - thirst)
  const released = MODEL.dissolvesPerK * (most * (1 - thirst) - held * thirst)
  return ((perHour * (1 - thirst) + released * warming) * (tempC + KELVIN) + bubbles * warming) / WARM_K
}
