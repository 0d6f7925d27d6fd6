import { ACIDITY_DOUBT, type Acidity, type AcidLeaning, type leaningOf, sournessOf } from '../core'

/**
 * How sour, in figures with their doubt and in words against what the baker is used to.
 * @param usualTta of the baker's last loaves; null: nothing to compare it with
 * @example 'pH 3.9 to 4.2, TTA 9 to 12: about as sour'
 */
export function sourWords({ pH, tta }: Acidity, usualTta: number | null): string {
  const off = ACIDITY_DOUBT.tta * tta
  const figures = `pH ${(pH - ACIDITY_DOUBT.pH).toFixed(1)} to ${(pH + ACIDITY_DOUBT.pH).toFixed(1)}, TTA ${Math.round(tta - off)} to ${Math.round(tta + off)}`
  return usualTta === null ? figures : `${figures}: ${sournessOf(tta, usualTta)}`
}

/** What its acid leans to, with the reasons. */
export function leaningWords({ vinegar, milk }: ReturnType<typeof leaningOf>): string {
  const because = (reasons: readonly AcidLeaning[]) => reasons.join(', ')
  if (vinegar.length === milk.length) return 'in between'
  return vinegar.length > milk.length ? `sharper, like vinegar: ${because(vinegar)}` : `milder, like yogurt: ${because(milk)}`
}
