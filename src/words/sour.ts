import { ACIDITY_DOUBT, type AcidLeaning, type leaningOf, type Sour, sournessOf } from '../core'

/** pH with its doubt. @example '3.9 – 4.2' */
export const pHWords = (pH: number): string => `${(pH - ACIDITY_DOUBT.pH).toFixed(1)} – ${(pH + ACIDITY_DOUBT.pH).toFixed(1)}`

/** TTA with its doubt. @example '9 – 12 ml' */
export const ttaWords = (tta: number): string => `${Math.round(tta * (1 - ACIDITY_DOUBT.tta))} – ${Math.round(tta * (1 + ACIDITY_DOUBT.tta))} ml`

/** What its acid leans to, with the reasons. */
export function leaningWords({ vinegar, milk }: ReturnType<typeof leaningOf>): string {
  const because = (reasons: readonly AcidLeaning[]) => reasons.join(', ')
  if (vinegar.length === milk.length) return 'in between milk and vinegar'
  return vinegar.length > milk.length ? `sharper, like vinegar: ${because(vinegar)}` : `milder, like yogurt: ${because(milk)}`
}

/** "pH 3.8 – 4.1, TTA 9 – 12 ml, about as sour as your last bakes. Its acid is milder, like yogurt: warm, wet." @param usual TTA one is used to; null where nobody knows */
export function sourWords({ pH, tta, leaning }: Sour, usual: number | null = null): string {
  const beside = usual === null ? '' : `, ${besideLast(sournessOf(tta, usual))}`
  return `pH\u202f${pHWords(pH)}, TTA\u202f${ttaWords(tta)}${beside}. Its acid is ${leaningWords(leaning)}.`
}

/** "about as sour as your last bakes", "a little milder than your last bakes" */
const besideLast = (sourness: ReturnType<typeof sournessOf>) => `${sourness}${sourness === 'about as sour' ? ' as' : ' than'} your last bakes`
