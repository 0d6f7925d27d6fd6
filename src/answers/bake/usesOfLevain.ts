import type { Plan } from '../../contract'
import type { SolvedLevain } from '../../core'

/** Less than this between what is wanted and what is weighed is the scale's doing, g. */
const ROUNDED_OFF_GRAMS = 3

/** What a levain is for, whole g; the parts add up to the whole. */
export interface LevainUses {
  readonly dough: number
  readonly others: readonly { readonly name: string; readonly grams: number }[]
  readonly keptBack: number
  /** What stays in bowl and on hands, and what the scale rounds off. */
  readonly sticks: number
  readonly whole: number
}

/**
 * What the levain of a plan goes into, in figures that add up to what is weighed.
 * @param levain its needs and what is weighed for them, g
 */
export function usesOfLevain(
  levain: Pick<SolvedLevain, 'needGrams' | 'keepBackGrams' | 'sticksGrams' | 'totalGrams'>,
  { alsoFor }: Pick<Plan['build'], 'alsoFor'>
): LevainUses {
  const wanted = levain.needGrams + levain.keepBackGrams + levain.sticksGrams
  const whole = Math.round(Math.abs(levain.totalGrams - wanted) < ROUNDED_OFF_GRAMS ? levain.totalGrams : wanted)
  const others = alsoFor.map(({ name, grams }) => ({ name, grams: Math.round(grams) }))
  const keptBack = Math.round(levain.keepBackGrams)
  const dough = Math.round(levain.needGrams - alsoFor.reduce((sum, d) => sum + d.grams, 0))
  const rest = whole - dough - keptBack - others.reduce((sum, d) => sum + d.grams, 0)
  return { dough, others, keptBack, sticks: Math.max(rest, 0), whole }
}
