import { millisecondsInHour } from 'date-fns/constants'
import type { Plan } from '../../contract'
import { fitHours, type Milestones, type Pantry, type Variant } from '../../core'

/** Nobody mixes to the minute. */
const FIVE_MINUTES = 300_000

/**
 * A plan as it is once one of the builds beside it has been taken over: begun when they were all begun, mixed when that one is at its best.
 * @returns null where it never gets ripe
 */
export function variantTaken(plan: Plan, variant: Variant, startMs: number, milestones: Milestones, pantry: Pantry): Plan | null {
  const hours = fitHours(milestones, plan.school)
  if (hours === null) return null
  const flour = variant.flour === null ? undefined : [...pantry.values()].find((i) => i.flourKind === variant.flour)
  return {
    ...plan,
    tempC: variant.tempC,
    mixAt: Math.round((startMs + hours * millisecondsInHour) / FIVE_MINUTES) * FIVE_MINUTES,
    startAt: startMs,
    build: {
      ...plan.build,
      by: { kind: 'ratio', flourPerSeed: variant.flourPerSeed },
      hydration: variant.hydration,
      flours: flour === undefined ? plan.build.flours : [{ ingredientId: flour.id, share: 1 }]
    }
  }
}
