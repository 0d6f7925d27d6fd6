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
        const line = solved?.build?.asItStands.line
        if (line === undefined || (status !== 'planned' && status !== 'building')) return []
        return [{ id, line, school: plan.school, belief: beliefIn(cultures?.beliefs, plan.jarId) }]
      }),
    [days, cultures]
  )
  const forecasts = useForecasts(planned)
  return useMemo(
    () =>
      (days ?? []).flatMap(({ bake, solved, judged, times, beginsMs }) => {
        if (cultures === undefined) return []
        const hill =
          judged !== undefined
            ? runningHill(judged, cultures)
            : bake.status === 'mixed' && bake.line !== null
              ? recordHill(bake, bake.line, cultures)
              : planned.some(({ id }) => id === bake.id)
                ? plannedHill(bake, solved, cultures, forecasts.get(bake.id))
                : null
        return hill === null ? [] : [withDay(hill, bake.plan, times, bake.state.band === null ? beginsMs : null)]
      }),
    [days, cultures, planned, forecasts]
  )
}

/**
 * A hill with the dough's day after it, and what comes before it.
 * @param beginsMs when the work for it begins, where that is before the levain is mixed: feeds, and stages that grow its starter; null: with the levain
 */
export function withDay(hill: Hill, { course }: Pick<Plan, 'course'>, times: CourseTimes | null, beginsMs: number | null = null): Hill {
  const startMs = hill.points[0]?.ms
  const led = beginsMs === null || startMs === undefined || beginsMs >= startMs ? hill : { ...hill, points: [{ ms: beginsMs, gas: 0 }, ...hill.points] }
  if (times === null || course === null) return led
  const cold = course.proof.kind === 'cold'
  return {
    ...led,
    day: [
      { kind: 'bulk', fromMs: times.mixMs, toMs: times.shapeMs },
      { kind: cold ? 'cold' : 'proof', fromMs: times.proofMs, toMs: times.bakeMs },
      { kind: 'oven', fromMs: times.bakeMs, toMs: times.outMs }
    ]
  }
}
