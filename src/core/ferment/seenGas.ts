/**
 * What is seen of the gas in a mix: the first of it dissolves in the water before any bubble grows, more of it in the cold; and gas that is chilled takes less room.
 * Source: solubility of carbon dioxide in water (1.9 times at 4 °C what it is at 25 °C), the gas law; how much dissolves in a mix is fitted.
 */

import { MODEL } from './constants'

const { exp } = Math
const WARM_K = 298.15
const KELVIN = 273.15

/** Gas that the water takes up, volumes per volume. */
const dissolvedAt = (tempC: number) => MODEL.dissolves * exp(-MODEL.dissolvesPerK * (tempC - 25))

/**
 * The gas one sees as height.
 * @param held gas in the mix, volumes per volume at 25 °C
 * @returns g before what escapes from wet and weak mixes
 * @example seenGas(2, 25) // what dissolves is missing
 */
export function seenGas(held: number, tempC: number): number {
  const most = dissolvedAt(tempC)
  return ((held - most * (1 - exp(-held / most))) * (tempC + KELVIN)) / WARM_K
}

/**
 * Its slope, 1/h.
 * @param perHour change of the gas held
 * @param warming of the mix, K per hour
 */
export function seenSlope(held: number, perHour: number, tempC: number, warming: number): number {
  const most = dissolvedAt(tempC)
  const free = exp(-held / most)
  const bubbles = held - most * (1 - free)
  const released = MODEL.dissolvesPerK * (most * (1 - free) - held * free)
  return ((perHour * (1 - free) + released * warming) * (tempC + KELVIN) + bubbles * warming) / WARM_K
}
