import { ACIDITY_DOUBT, type AcidLeaning, type leaningOf } from '../core'

/** pH with its doubt. @example '3.9 – 4.2' */
export const pHWords = (pH: number): string => `${(pH - ACIDITY_DOUBT.pH).toFixed(1)} – ${(pH + ACIDITY_DOUBT.pH).toFixed(1)}`

/** TTA with its doubt. @example '9 – 12 ml' */
export const ttaWords = (tta: number): string => `${Math.round(tta * (1 - ACIDITY_DOUBT.tta))} – ${Math.round(tta * (1 + ACIDITY_DOUBT.tta))} ml`

/** What its acid leans to, with the reasons. */
export function leaningWords({ vinegar, milk }: ReturnType<typeof leaningOf>): string {
  const because = (reasons: readonly AcidLeaning[]) => reasons.join(', ')
  if (vinegar.length === milk.length) return 'in between'
  return vinegar.length > milk.length ? `sharper, like vinegar: ${because(vinegar)}` : `milder, like yogurt: ${because(milk)}`
}
