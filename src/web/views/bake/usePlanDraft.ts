import { useCallback, useEffect, useRef, useState } from 'react'
import { type Bake, bakeSchema, type Plan, planSchema } from '../../../contract'
import { Refusal } from '../../data/api'
import { savePlan } from '../../data/bakes'

const SAVE_AFTER_MS = 500
/** Edits closer together than this are one step of undo. */
const ONE_EDIT_MS = 1200
const keyOf = (id: string) => `olvent.draft.${id}`

/** A plan as it is being edited; what is typed stays in the browser until the server has it. */
export interface PlanDraft {
  readonly plan: Plan
  readonly edit: (patch: Partial<Plan>) => void
  /** Takes the last edit back; null when there is none. */
  readonly undo: (() => void) | null
  readonly state: 'saved' | 'saving' | 'held'
  /** Why the server does not take it, as a sentence. */
  readonly refusal: string | null
  /** What another window made of it meanwhile. */
  readonly conflict: Bake | null
  readonly keepMine: () => void
  readonly takeTheirs: () => void
}

function load(id: string): Plan | null {
  try {
    return planSchema.parse(JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null'))
  } catch {
    return null
  }
}

/**
 * Edits the plan of a bake: shown at once, saved half a second after the last keystroke.
 * @param bake as the server has it
 * @param sendable whether the plan can be at all; one that cannot is held back, not lost
 */
export function usePlanDraft(bake: Bake, sendable: (plan: Plan) => boolean): PlanDraft {
  const [draft, setDraft] = useState<Plan | null>(() => (bake.status === 'planned' ? load(bake.id) : null))
  const [past, setPast] = useState<Plan[]>([])
  const [refusal, setRefusal] = useState<string | null>(null)
  const [conflict, setConflict] = useState<Bake | null>(null)
  const lastEditMs = useRef(0)
  const latest = useRef({ bake, draft })
  latest.current = { bake, draft }
  const plan = draft ?? bake.plan

  const put = useCallback((next: Plan | null, id: string) => {
    if (next === null) localStorage.removeItem(keyOf(id))
    else localStorage.setItem(keyOf(id), JSON.stringify(next))
    setDraft(next)
  }, [])

  const save = useCallback(
    async (base: Bake, mine: Plan) => {
      try {
        await savePlan(base, mine)
        if (latest.current.draft === mine) put(null, base.id)
        setRefusal(null)
      } catch (error) {
        if (!(error instanceof Refusal)) return setRefusal(error instanceof Error ? error.message : String(error))
        const theirs = bakeSchema.safeParse(error.detail.current)
        if (error.detail.code === 'stale' && theirs.success) setConflict(theirs.data)
        else setRefusal(error.message)
      }
    },
    [put]
  )

  useEffect(() => {
    if (draft === null || conflict !== null || !sendable(draft)) return
    const timer = setTimeout(() => void save(latest.current.bake, draft), SAVE_AFTER_MS)
    return () => clearTimeout(timer)
  }, [draft, conflict, save, sendable])

  const edit = (patch: Partial<Plan>) => {
    const now = performance.now()
    if (now - lastEditMs.current > ONE_EDIT_MS) setPast((before) => [...before.slice(-30), plan])
    lastEditMs.current = now
    setRefusal(null)
    put({ ...plan, ...patch }, bake.id)
  }
  const back = past.at(-1)
  return {
    plan,
    edit,
    undo:
      back === undefined
        ? null
        : () => {
            setPast((before) => before.slice(0, -1))
            lastEditMs.current = 0
            put(back, bake.id)
          },
    state: draft === null ? 'saved' : refusal !== null || conflict !== null || !sendable(draft) ? 'held' : 'saving',
    refusal,
    conflict,
    keepMine: () => {
      if (conflict === null) return
      setConflict(null)
      void save(conflict, plan)
    },
    takeTheirs: () => {
      setConflict(null)
      put(null, bake.id)
    }
  }
}
