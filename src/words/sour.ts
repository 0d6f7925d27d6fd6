import { ACIDITY_DOUBT, type AcidLeaning, type Format, type LeverEffect, type leaningOf, type Sour, type SourLever, sournessOf, TURNS } from '../core'

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

/** "pH 3.8 – 4.1, TTA 9 – 12 ml, about as sour as your last bakes. Its acid is milder, like yogurt: warm, wet." @param usual what one is used to; null where nobody knows */
export function sourWords({ pH, tta, leaning }: Sour, usual: UsualSour | null = null): string {
  const beside = usual === null ? '' : `, ${besideLast(tta, usual)}`
  return `pH\u202f${pHWords(pH)}, TTA\u202f${ttaWords(tta)}${beside}. Its acid is ${leaningWords(leaning)}.`
}

/** What a baker is used to: the middle of the last few bakes. */
export interface UsualSour {
  readonly tta: number
  /** How many they are. */
  readonly bakes: number
}

const LAST = ['', 'your last bake', 'your last two bakes', 'your last three bakes'] as const

/** "about as sour as your last bake", "a little milder than your last three bakes" */
export function besideLast(tta: number, usual: UsualSour): string {
  const sourness = sournessOf(tta, usual.tta)
  return `${sourness}${sourness === 'about as sour' ? ' as' : ' than'} ${LAST[usual.bakes] ?? 'your last bakes'}`
}

/** What is turned. */
export function leverWords(lever: SourLever, format: Format): string {
  switch (lever) {
    case 'warmer':
      return `Levain ${format.temperatureGap(TURNS.tempK)} warmer`
    case 'cooler':
      return `Levain ${format.temperatureGap(TURNS.tempK)} cooler`
    case 'riper':
      return 'Mix the levain an hour riper'
    case 'younger':
      return 'Mix the levain an hour younger'
    case 'more levain':
      return 'Half as much levain again in the dough'
    case 'less levain':
      return 'A third less levain in the dough'
    case 'more starter':
      return 'Twice the starter for the same flour'
    case 'less starter':
      return 'Half the starter for the same flour'
    case 'wholegrain':
      return '20 % of the flour as wholegrain'
    case 'cold proof':
      return '12 h of cold proof instead of a warm one'
    case 'firmer':
      return 'A firm levain, 60 %'
    case 'wetter':
      return 'A wet levain, 130 %'
    case 'fed twice before':
      return 'Feed the starter twice first'
  }
}

/** "+11 %: a little tangier, pH about 5.0" */
export const effectWords = ({ change, sour }: LeverEffect): string =>
  `${change < 0 ? '−' : '+'}${Math.round(Math.abs(change) * 100)}\u202f%: ${sournessOf(1 + change, 1)}, pH about ${sour.pH.toFixed(1)}`
