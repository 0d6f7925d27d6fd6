import useSWR from 'swr'
import { mannerOf, type Reasons, type Ways, type WaysAsked } from '../../core'
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
