import { entriesOf } from '../units/keysOf'
import { sure } from '../units/sure'
import { ACID } from './constants'
import { FLOURS, type FloursByKind } from './flours'

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

/** How far a figure may be from what an instrument shows: pH, and TTA as a share. Source: craft knowledge, as doubtful as the buffer. */
export const ACIDITY_DOUBT = { pH: 0.15, tta: 0.15 } as const

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
 * @example acidityOf(165, { flours: { 'white wheat': 1 }, hydration: 1, salt: 0 }) // pH 4.08, TTA 9.7
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

/** How sour beside what the baker is used to, from the TTA of both. */
export const SOURNESS = ['much milder', 'a little milder', 'about as sour', 'a little tangier', 'much tangier'] as const
export type Sourness = (typeof SOURNESS)[number]
/** Ends of each step, as a factor on the usual TTA; a tongue tells about a twentieth. Source: craft knowledge. */
const SOURNESS_ENDS = [0.8, 0.95, 1.05, 1.25] as const

/** @example sournessOf(11, 10) // 'a little tangier' */
export function sournessOf(tta: number, usual: number): Sourness {
  const step = SOURNESS_ENDS.findIndex((end) => tta / usual < end)
  return sure(SOURNESS[step === -1 ? SOURNESS.length - 1 : step])
}

/** What makes acid lean to vinegar, and what to milk. */
export const ACID_LEANINGS = ['firm', 'cool', 'long', 'wholegrain', 'warm', 'wet'] as const
export type AcidLeaning = (typeof ACID_LEANINGS)[number]
const LEANS = { firmBelow: 0.75, coolBelowC: 21, longFromHours: 14, wholegrainFrom: 0.25, warmFromC: 27, wetFrom: 1.15 } as const

/**
 * Which of its acids a mix leans to; no figure is claimed, a nose knows better. Firmer, cooler, longer and wholegrain lean to vinegar, warm and wet to milk.
 * @param mix its hydration, temperature half way (°C), hours until it is used, and share of wholegrain or rye
 * @returns the reasons on each side
 * Source: work of bakers; direction only.
 */
export function leaningOf({
  hydration,
  tempC,
  hours,
  wholegrain
}: {
  readonly hydration: number
  readonly tempC: number
  readonly hours: number
  readonly wholegrain: number
}): { readonly vinegar: readonly AcidLeaning[]; readonly milk: readonly AcidLeaning[] } {
  const is: Record<AcidLeaning, boolean> = {
    firm: hydration < LEANS.firmBelow,
    cool: tempC < LEANS.coolBelowC,
    long: hours >= LEANS.longFromHours,
    wholegrain: wholegrain >= LEANS.wholegrainFrom,
    warm: tempC >= LEANS.warmFromC,
    wet: hydration >= LEANS.wetFrom
  }
  const only = (...names: AcidLeaning[]) => names.filter((name) => is[name])
  return { vinegar: only('firm', 'cool', 'long', 'wholegrain'), milk: only('warm', 'wet') }
}
