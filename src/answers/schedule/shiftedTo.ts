import type { Plan } from '../../contract'
import type { CourseTimes } from '../../core'

/**
 * A plan moved as a whole, so that its bread is ready when it is wanted.
 * @param times its dough's stages as they are planned; null where none are
 */
export function shiftedTo(plan: Pick<Plan, 'mixAt' | 'startAt' | 'before'>, bread: NonNullable<Plan['bread']>, times: CourseTimes | null): Partial<Plan> {
  const readyMs = bread.kind === 'mix' ? plan.mixAt : bread.kind === 'out' ? times?.outMs : times?.eatMs
  if (readyMs === undefined) return {}
  const by = bread.at - readyMs
  const later = (ms: number) => ms + by
  return {
    mixAt: later(plan.mixAt),
    startAt: plan.startAt === null ? null : later(plan.startAt),
    before: plan.before.map((stage) => ({ ...stage, at: later(stage.at) }))
  }
}
