import { useMemo } from 'react'
import { courseHere, levainPlanned, progressOf } from '../../../answers'
import type { BatchLine, DoughProgress, SourAsked } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { useBakeHere } from './bakeHere'

/** Where the dough is by the last level that was read of it; null while none was, or its bulk has no end. */
export function useDoughProgress(line: BatchLine | null): DoughProgress | null {
  const { state, day } = useBakeHere()
  const { belief } = day
  const target = day.bulkStop?.gas ?? null
  return useMemo(() => progressOf(state, line, target, belief), [state, line, target, belief])
}

/** What the sourness of the bake at hand is worked out for; null while it cannot be told. */
export function useSourAsked(): SourAsked | null {
  const { plan, solved, judged, belief, state, day } = useBakeHere()
  const { dough } = day
  const { kitchen } = useKitchen()
  const levain = judged?.line ?? levainPlanned(plan, solved)?.line ?? null
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
