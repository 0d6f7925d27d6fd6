import { useMemo } from 'react'
import { courseHere, doughOf, levainForDough, minuteOf, progressOf } from '../../../answers'
import type { BatchLine, DoughProgress, SourAsked } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { useBakeHere } from './bakeHere'

/** The dough of the bake at hand as it ferments, or will; null while it cannot be told. */
export function useDoughHere(): BatchLine | null {
  const { bake, plan, solved, belief, judged, day, now } = useBakeHere()
  const here = useKitchen()
  const { mixMs } = day
  const minute = minuteOf(now)
  return useMemo(
    () => doughOf(bake, plan, solved, here, mixMs, levainForDough(bake, judged?.verdict ?? null, mixMs, belief, minute)),
    [bake, plan, solved, here, judged, belief, mixMs, minute]
  )
}

/** Where the dough is by the last level that was read of it; null while none was, or its bulk has no end. */
export function useDoughProgress(line: BatchLine | null): DoughProgress | null {
  const { state, day, belief } = useBakeHere()
  const target = day.bulkStop?.gas ?? null
  return useMemo(() => progressOf(state, line, target, belief), [state, line, target, belief])
}

/** What the sourness of the bake at hand is worked out for; null while it cannot be told. */
export function useSourAsked(): SourAsked | null {
  const { plan, solved, judged, belief, state } = useBakeHere()
  const { kitchen } = useKitchen()
  const dough = useDoughHere()
  const levain = judged?.line ?? solved?.build?.asItStands.line ?? null
  return useMemo(() => {
    if (levain === null || state.mixed !== null) return null
    const course = plan.course === null ? null : courseHere(plan.course, plan, kitchen)
    return {
      levain,
      dough: dough === null || course === null ? null : { line: dough, course },
      school: plan.school,
      jar: belief.centre,
      begun: state.band !== null
    }
  }, [levain, dough, plan, kitchen, belief, state.band, state.mixed])
}
