import { MODEL } from './constants'

/** How a vessel is kept: what carries heat to it. */
export type Surroundings = 'air' | 'water bath'

/** One stay of a vessel at one place. */
export interface Stay {
  /** When it begins, hours since mixing; the first is at or before 0. */
  readonly fromHours: number
  /** Temperature of the place, °C. */
  readonly tempC: number
  /** What surrounds the vessel there. */
  readonly surroundings?: Surroundings
}

/**
 * Time constant with which a vessel follows its surroundings.
 * @param massGrams g of contents, above 0
 * @param surroundings still air unless said otherwise
 * @returns hours
 * Source: fitted to cooling of jars and tubs (craft knowledge): 0.6 h (m/50)^.61 up to 250 g, then 1.6 h (m/250)^.37.
 * @example timeConstantHours(50) // 0.6
 */
export function timeConstantHours(massGrams: number, surroundings: Surroundings = 'air'): number {
  const inAir = massGrams <= 250 ? 0.6 * (massGrams / 50) ** 0.61 : 1.6 * (massGrams / 250) ** 0.37
  return surroundings === 'air' ? inAir : inAir * MODEL.waterBathFactor
}
