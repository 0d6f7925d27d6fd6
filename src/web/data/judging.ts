import useSWR from 'swr'
import type { DoughLeft, ReadyQuestion } from '../../answers'
import { mannerOf, type OtherPlace, type OutWay, type Reasons, type Ways, type WaysAsked } from '../../core'
import { desk, ONCE } from './desk'
import type { Judged } from './forecasts'

/** Why a verdict is what it is, and what to look at next; undefined while it is worked out. */
export function useReasons(judged: Judged | undefined): Reasons | undefined {
  const key = judged === undefined ? null : ['reasons', judged.line, judged.marks, judged.hours, judged.belief]
  const { data } = useSWR(
    key,
    () => (judged === undefined ? undefined : desk().reasons(judged.line, judged.marks, judged.hours, mannerOf(judged.line), judged.belief)),
    ONCE
  )
  return judged === undefined ? undefined : data
}

/** What is asked besides the levain itself. */
export type WaysWanted = Pick<WaysAsked, 'places' | 'dough' | 'course' | 'mostGrams' | 'plannedMixMs' | 'school'>

/** What can be done with a running levain now; undefined while it is worked out. */
export function useWays(judged: Judged | undefined, wanted: WaysWanted): Ways | undefined {
  const key = judged === undefined ? null : ['ways', judged.line, judged.marks, judged.hours, judged.belief, wanted]
  const { data } = useSWR(key, () => (judged === undefined ? undefined : desk().ways(judged.line, judged.marks, judged.hours, wanted, judged.belief)), ONCE)
  return judged === undefined ? undefined : data
}

/** What becomes of a running levain until somebody is back; undefined while it is worked out. */
export function useLevainOut(question: ReadyQuestion | null, places: readonly OtherPlace[], backMs: number | null): readonly OutWay[] | undefined {
  const key = question === null || backMs === null ? null : ['levain out', question, places, backMs]
  return useSWR(key, () => (question === null || backMs === null ? undefined : desk().levainOut(question, places, backMs)), ONCE).data
}

/** What becomes of a dough until somebody is back; undefined while it is worked out. */
export function useDoughOut(
  left: (DoughLeft & { readonly nowMs: number }) | null,
  places: readonly OtherPlace[],
  backMs: number | null
): readonly OutWay[] | undefined {
  const key = left === null || backMs === null ? null : ['dough out', left, places, backMs]
  return useSWR(
    key,
    () => (left === null || backMs === null ? undefined : desk().doughOut(left.dough, left.nowMs, backMs, left.wantedGas, places, left.belief)),
    ONCE
  ).data
}
