import { proxy } from 'comlink'
import { useEffect, useMemo, useState } from 'react'
import type { BatchLine, DayPlan, FoundPlans, JarBelief, PlanProblem, SearchProgress } from '../../core'
import { desk } from './desk'
import { newId } from './newId'

/** A question stands still for so long before it is asked, ms; longer before it is looked into ahead of being asked. */
const STILL_MS = { asked: 250, ahead: 1500 } as const

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

/** What the worker is asked. */
interface Question {
  readonly problem: PlanProblem
  readonly line: BatchLine
  readonly belief: JarBelief
}

/**
 * Searches plans in the worker; called off as soon as the question changes. It is looked into before it is asked, so that the answer is there at once.
 * @param problem null: there is nothing to ask; asked anew only when it asks something else
 * @param line the levain as it is planned
 */
export function usePlans(problem: PlanProblem | null, line: BatchLine | null, belief: JarBelief, asked: boolean): PlanSearch {
  const question = useSame(useMemo(() => (problem === null || line === null ? null : { problem, line, belief }), [problem, line, belief]))
  const [search, setSearch] = useState(IDLE)
  const [still, setStill] = useState<Question | null>(null)
  useEffect(() => {
    const timer = setTimeout(() => setStill(question), asked ? STILL_MS.asked : STILL_MS.ahead)
    return () => clearTimeout(timer)
  }, [question, asked])
  useEffect(() => {
    setSearch(IDLE)
    if (question === null || still !== question) return
    const task = newId()
    let wanted = true
    let running = true
    // Progress comes by a channel of its own: the last of it may arrive after the answer, and no longer counts then.
    const tell = proxy(({ share, plans }: SearchProgress) => {
      if (wanted && running) setSearch((before) => ({ ...before, share, early: plans.length > 0 ? plans : before.early }))
    })
    const run = async () => {
      try {
        const found = await desk().plans(task, question.problem, question.line, question.belief, tell)
        running = false
        if (wanted && found !== null) setSearch({ share: 1, early: [], found, failed: false })
      } catch (error) {
        running = false
        console.error(error)
        if (wanted) setSearch({ ...IDLE, share: 1, failed: true })
      }
    }
    void run()
    return () => {
      wanted = false
      if (running) void desk().stop(task)
    }
  }, [question, still])
  return search
}

/** The same object for as long as it says the same. */
function useSame(now: Question | null): Question | null {
  const words = useMemo(() => JSON.stringify(now, (_, value) => (value instanceof Map ? [...value] : value)), [now])
  const [same, setSame] = useState({ words, question: now })
  if (same.words !== words) setSame({ words, question: now })
  return same.words === words ? same.question : now
}
