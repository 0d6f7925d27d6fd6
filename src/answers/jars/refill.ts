import type { Jar, Plan } from '../../contract'
import { gramsOfBlend, type RefillPlan } from '../../core'

/** What goes into a jar that starter was drawn from, g; and how long it stays out then, h, null: it does not move. */
export interface Refill {
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
  readonly flourGrams: number
  readonly waterGrams: number
  readonly outHours: number | null
}

/** What a refill is where nobody said: as much as was drawn, at the jar's own hydration, and the jar stays where it is. */
export function usualRefill(drawnGrams: number, { hydration }: Pick<Jar, 'hydration'>): RefillPlan {
  const flourGrams = Math.round(drawnGrams / (1 + hydration))
  return { flours: null, flourGrams, waterGrams: Math.round(drawnGrams) - flourGrams, outHours: null }
}

/**
 * What a jar is refilled with once its starter is drawn.
 * @param drawnGrams what was taken out of it, g
 */
export function refillOf({ build }: Pick<Plan, 'build'>, jar: Pick<Jar, 'feed' | 'hydration'>, drawnGrams: number): Refill {
  const { flours, ...amounts } = build.refill ?? usualRefill(drawnGrams, jar)
  return { ...amounts, flours: gramsOfBlend(flours ?? jar.feed, amounts.flourGrams).filter((f) => f.grams > 0) }
}
