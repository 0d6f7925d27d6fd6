import { millisecondsInMinute } from 'date-fns/constants'
import type { Plan } from '../../contract'
import type { CourseTimes } from '../../core'

const FIVE_MINUTES_MS = 5 * millisecondsInMinute

/**
 * A plan moved as a whole, so that its bread is ready when it is wanted; where that would mix it in the past, so that it is mixed now.
 * @param times its dough's stages as they are planned; null where none are
 */
export function shiftedTo(
  plan: Pick<Plan, 'mixAt' | 'startAt' | 'before'>,
  bread: NonNullable<Plan['bread']>,
  times: CourseTimes | null,
  nowMs: number
): Partial<Plan> {
  const readyMs = bread.kind === 'mix' ? plan.mixAt : bread.kind === 'out' ? times?.outMs : times?.eatMs
  if (readyMs === undefined) return {}
  const soonest = Math.ceil((nowMs + millisecondsInMinute) / FIVE_MINUTES_MS) * FIVE_MINUTES_MS
  const by = Math.max(bread.at - readyMs, soonest - plan.mixAt)
  const later = (ms: number) => ms + by
  return {
    mixAt: later(plan.mixAt),
    startAt: plan.startAt === null ? null : later(plan.startAt),
    before: plan.before.map((stage) => ({ ...stage, at: later(stage.at) }))
  }
}
