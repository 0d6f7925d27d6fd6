import { useMemo } from 'react'
import { beliefIn } from '../../../answers'
import type { Plan } from '../../../contract'
import type { CourseTimes } from '../../../core'
import type { KitchenDays } from '../../data/days'
import { type PlannedLine, useForecasts } from '../../data/forecasts'
import type { Hill } from './geometry'
import { plannedHill, recordHill, runningHill } from './hills'

/** The hills of all open bakes, each with its dough's day. */
export function useHills({ days, cultures }: KitchenDays): readonly Hill[] {
  const planned = useMemo(
    () =>
      (days ?? []).flatMap(({ bake: { id, status, plan }, solved }): PlannedLine[] => {
        const line = solved?.build?.timed.line
        if (line === undefined || (status !== 'planned' && status !== 'building')) return []
        return [{ id, line, school: plan.school, belief: beliefIn(cultures?.beliefs, plan.jarId) }]
      }),
    [days, cultures]
  )
  const forecasts = useForecasts(planned)
  return useMemo(
    () =>
      (days ?? []).flatMap(({ bake, solved, judged, times }) => {
        if (cultures === undefined) return []
        const hill =
          judged !== undefined
            ? runningHill(judged, cultures)
            : bake.status === 'mixed' && bake.line !== null
              ? recordHill(bake, bake.line, cultures)
              : planned.some(({ id }) => id === bake.id)
                ? plannedHill(bake, solved, cultures, forecasts.get(bake.id))
                : null
        return hill === null ? [] : [withDay(hill, bake.plan, times)]
      }),
    [days, cultures, planned, forecasts]
  )
}

/** A hill with the dough's day after it. */
export function withDay(hill: Hill, { course }: Pick<Plan, 'course'>, times: CourseTimes | null): Hill {
  if (times === null || course === null) return hill
  const cold = course.proof.kind === 'cold'
  return {
    ...hill,
    day: [
      { kind: 'bulk', fromMs: times.mixMs, toMs: times.shapeMs },
      { kind: cold ? 'cold' : 'proof', fromMs: times.proofMs, toMs: times.bakeMs },
      { kind: 'oven', fromMs: times.bakeMs, toMs: times.outMs }
    ]
  }
}
