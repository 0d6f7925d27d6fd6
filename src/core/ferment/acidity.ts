import { ACID } from './constants'
import { FLOURS, type FloursByKind } from './flours'
import { entriesOf } from '../units/keysOf'

/** How sour a mix is, as an instrument would tell it. */
export interface Acidity {
  readonly pH: number
  /** Total titratable acidity: ml of 0.1 N NaOH that bring 10 g of the mix to pH 8.5. */
  readonly tta: number
}

/**
 * β: acid that takes a mix down by one pH, between 6 and 3.5.
 * @param ash of its flour, %
 * @returns mmol per kg of flour
 * Source: textbooks of cereal technology; doubtful by a fifth.
 * @example bufferOf(0.55) // 85.75
 */
export const bufferOf = (ash: number) => ACID.bufferBase + ACID.bufferPerAsh * ash

/** Ash of a blend, %. @param flours grams or shares by kind */
export function ashOf(flours: FloursByKind): number {
  let [ash, total] = [0, 0]
  for (const [kind, share] of entriesOf(flours)) {
    ash += FLOURS[kind].ash * share
    total += share
  }
  return total > 0 ? ash / total : FLOURS['white wheat'].ash
}

/**
 * pH and TTA of a mix. The two agree: both come from the acid that was made and from the same buffer; the flour's own acidity counts in TTA only.
 * @param acid made, mmol per kg of flour
 * @param mix its flours (grams or shares by kind), and water, salt, sugar and fat ÷ flour
 * @example acidityOf(165, { flours: { 'white wheat': 1 }, hydration: 1, salt: 0 }) // pH 4.08, TTA 10
 */
export function acidityOf(
  acid: number,
  mix: { readonly flours: FloursByKind; readonly hydration: number; readonly salt: number; readonly sugar?: number; readonly fat?: number }
): Acidity {
  const ash = ashOf(mix.flours)
  const flourShare = 1 / (1 + mix.hydration + mix.salt + (mix.sugar ?? 0) + (mix.fat ?? 0))
  // 1 ml of 0.1 N is 0.1 mmol, and 10 g are 0.01 kg: the two make one tenth.
  return { pH: ACID.flourPh - acid / bufferOf(ash), tta: ((acid + ACID.ownBase + ACID.ownPerAsh * ash) * flourShare) / 10 }
}
