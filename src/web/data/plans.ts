import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import type { BatchLine, DayPlan, JarBelief, PlanProblem } from '../../core'
import type { FoundPlans } from '../workers/forecast.worker'
import { desk } from './desk'
import { newId } from './newId'

/** A question stands still for so long before it is asked, ms. */
const STILL_MS = 250

/** A search for plans as it goes. */
export interface PlanSearch {
  /** 0 … 1; 1 once it is done. */
  readonly share: number
  /** The first plans, while the rest is searched. */
  readonly early: readonly DayPlan[]
  readonly found: FoundPlans | null
  readonly failed: boolean
}

const IDLE: PlanSearch = { share: 0, early: [], found: null, failed: false }

/**
 * Searches plans in the worker; called off as soon as the question changes.
 * @param problem null: nothing is asked. It has to be the same object while it asks the same.
 */
export function usePlans(problem: PlanProblem | null, line: BatchLine | null, belief: JarBelief): PlanSearch {
  const [search, setSearch] = useState(IDLE)
  useEffect(() => {
    if (problem === null || line === null) {
      setSearch(IDLE)
      return
    }
    const task = newId()
    let wanted = true
    const timer = setTimeout(async () => {
      setSearch((before) => ({ ...before, share: 0, failed: false }))
      try {
        const found = await desk().plans(
          task,
          problem,
          line,
          belief,
          proxy(({ share, plans }) => {
            if (wanted) setSearch((before) => ({ ...before, share, early: plans.length > 0 ? plans : before.early }))
          })
        )
        if (wanted && found !== null) setSearch({ share: 1, early: [], found, failed: false })
      } catch (error) {
        console.error(error)
        if (wanted) setSearch({ ...IDLE, share: 1, failed: true })
      }
    }, STILL_MS)
    return () => {
      wanted = false
      clearTimeout(timer)
      void desk().stop(task)
    }
  }, [problem, line, belief])
  return search
}
