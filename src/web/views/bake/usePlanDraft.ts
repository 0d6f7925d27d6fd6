import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { type Bake, bakeOf, type MergedPlans, mergePlans } from '../../../answers'
import { bakeSchema, keptPlanSchema, type Plan, planToWire } from '../../../contract'
import { USE_PLAN_DRAFT } from '../../../words/screens/bake'
import { Refusal } from '../../data/api'
import { savePlan, sendPlanLast, showBake } from '../../data/bakes'
import { drop, keep, kept } from '../../data/storage'
import { tellDone } from '../../parts/cards/tell'
import { afterEdit, type EditPiles, NO_EDITS, step } from './editPiles'

const SAVE_AFTER_MS = 500
const keyOf = (id: string) => `olvent.draft.${id}`

/** A change of a plan. */
export type PlanPatch = Partial<Plan> | ((plan: Plan) => Partial<Plan>)

/** What the time of a build hangs on. */
const TIMING: readonly (keyof Plan)[] = ['target', 'formula', 'build', 'jarId', 'placeId', 'tempC', 'mixTempC', 'moves', 'school', 'mixAt']

/** A start that was chosen holds until something it hangs on is changed by hand; then the fit moment tells it again. */
export function freeStart(patch: PlanPatch): PlanPatch {
  return (plan) => {
    const changed = typeof patch === 'function' ? patch(plan) : patch
    return 'startAt' in changed || !TIMING.some((key) => key in changed) ? changed : { ...changed, startAt: null }
  }
}

/** A plan as it is being edited; what is typed stays in the browser until the server has it. */
export interface PlanDraft {
  readonly plan: Plan
  /** Changes some of the plan; a function is given the plan as it is by then, other changes of the same moment included. */
  readonly edit: (patch: PlanPatch) => void
  /** Takes the last edit back, or does it again; one that the screen has not caught up with counts. */
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly state: 'saved' | 'saving' | 'held'
  /** Grows with every step back or forth, and when another window's version is taken. */
  readonly revision: number
  /** Why the server does not take it, as a sentence. */
  readonly refusal: string | null
  /** What another window made of the same fields meanwhile. */
  readonly conflict: PlanConflict | null
  readonly keepMine: () => void
  readonly takeTheirs: () => void
}

/** Two windows changed the same of a plan. What only one of them changed is in both of these. */
export interface PlanConflict {
  readonly theirs: Bake
  readonly merged: MergedPlans
}

/** A plan that the server has not got yet, the version it was made from, and what stood there. */
const draftSchema = z.object({ version: z.number(), plan: keptPlanSchema, base: keptPlanSchema.nullable().default(null) })
type Draft = z.infer<typeof draftSchema>

const load = (id: string): Draft | null => kept(keyOf(id), draftSchema)

/** A draft as it is kept. */
const wireOf = ({ version, plan, base }: Draft) => ({ version, plan: planToWire(plan), base: base === null ? null : planToWire(base) })
const isSame = (a: Plan, b: Plan) => JSON.stringify(planToWire(a)) === JSON.stringify(planToWire(b))

/** A draft that the server has by now is no draft any more. */
const unlessSaved = (draft: Draft | null, { plan }: Bake): Draft | null => (draft !== null && isSame(draft.plan, plan) ? null : draft)

/**
 * Edits the plan of a bake: shown at once, saved half a second after the last keystroke, one save at a time.
 * @param bake as the server has it
 * @param sendable whether the plan can be at all; one that cannot is held back, not lost
 */
export function usePlanDraft(bake: Bake, sendable: (plan: Plan) => boolean): PlanDraft {
  const [draft, setDraft] = useState<Draft | null>(() => (bake.status === 'planned' ? unlessSaved(load(bake.id), bake) : null))
  const [piles, setPiles] = useState<EditPiles<Plan>>(NO_EDITS)
  const [refusal, setRefusal] = useState<string | null>(null)
  const [conflict, setConflict] = useState<PlanConflict | null>(null)
  const [saving, setSaving] = useState(false)
  const [revision, setRevision] = useState(0)
  // Both are ahead of the screen, which follows an edit when there is time.
  const latest = useRef(draft)
  const latestPiles = useRef(piles)
  const plan = draft?.plan ?? bake.plan

  const put = useCallback((next: Draft | null) => {
    latest.current = next
    setDraft(next)
  }, [])
  useEffect(() => {
    if (draft === null) drop(keyOf(bake.id))
    else keep(keyOf(bake.id), wireOf(draft))
  }, [draft, bake.id])

  // Another window was faster: what only one of the two changed stays, and only what both changed is asked about.
  const merge = useCallback(
    (theirs: Bake) => {
      const mine = latest.current
      if (mine === null) return
      const merged = mergePlans(mine.base, mine.plan, theirs.plan)
      if (merged.clashes.length > 0) {
        setConflict({ theirs, merged })
        return
      }
      put({ version: theirs.version, plan: merged.mine, base: theirs.plan })
      setRevision((r) => r + 1)
      tellDone(USE_PLAN_DRAFT.anotherWindowChangedThisBake)
    },
    [put]
  )

  const save = useCallback(
    async (mine: Draft) => {
      setSaving(true)
      try {
        const { version, plan: base } = await savePlan(bake.id, mine.version, mine.plan)
        // What was typed meanwhile goes on from the version just saved.
        if (latest.current === mine) put(null)
        else if (latest.current !== null) put({ ...latest.current, version, base })
        setRefusal(null)
      } catch (error) {
        const theirs = error instanceof Refusal && error.detail.code === 'stale' ? bakeSchema.safeParse(error.detail.current) : undefined
        if (theirs?.success && isSame(theirs.data.plan, mine.plan)) {
          // It had arrived already, and only the answer was lost.
          await showBake(bakeOf(theirs.data))
          put(null)
        } else if (theirs?.success) merge(bakeOf(theirs.data))
        else setRefusal(error instanceof Error ? error.message : String(error))
      }
      setSaving(false)
    },
    [bake.id, put, merge]
  )

  const ready = draft !== null && !saving && refusal === null && conflict === null && sendable(draft.plan)
  useEffect(() => {
    if (!ready || draft === null) return
    const timer = setTimeout(() => void save(draft), SAVE_AFTER_MS)
    return () => clearTimeout(timer)
  }, [ready, draft, save])

  // A draft is not left behind: it goes as its sheet is closed, and with the last breath of a page that is put away.
  const unsent = useRef<Draft | null>(null)
  useLayoutEffect(() => {
    unsent.current = ready ? draft : null
  }, [ready, draft])
  useEffect(() => {
    const flush = () => {
      const mine = unsent.current
      if (mine !== null) sendPlanLast(bake.id, mine.version, mine.plan)
    }
    window.addEventListener('pagehide', flush)
    return () => {
      window.removeEventListener('pagehide', flush)
      const mine = unsent.current
      if (mine === null) return
      savePlan(bake.id, mine.version, mine.plan).then(
        () => {
          const there = load(bake.id)
          if (there !== null && there.version === mine.version && isSame(there.plan, mine.plan)) drop(keyOf(bake.id))
        },
        // What was not taken stays with the sheet: it is told when that is opened again.
        () => undefined
      )
    }
  }, [bake.id])

  const change = (next: Plan) => {
    setRefusal(null)
    put({ version: latest.current?.version ?? bake.version, plan: next, base: latest.current === null ? bake.plan : latest.current.base })
  }
  const putPiles = (next: EditPiles<Plan>) => {
    latestPiles.current = next
    setPiles(next)
  }
  const planNow = () => latest.current?.plan ?? bake.plan
  const edit = (patch: PlanPatch) => {
    const before = planNow()
    putPiles(afterEdit(latestPiles.current, before, performance.now()))
    change({ ...before, ...(typeof patch === 'function' ? patch(before) : patch) })
  }
  const go = (way: 'back' | 'forth') => () => {
    const gone = step(latestPiles.current, way, planNow())
    if (gone === null) return
    putPiles(gone.piles)
    setRevision((r) => r + 1)
    change(gone.to)
  }
  const decide = (whose: 'mine' | 'theirs') => {
    if (conflict === null) return
    const { theirs, merged } = conflict
    setConflict(null)
    setRevision((r) => r + 1)
    void showBake(theirs)
    put({ version: theirs.version, plan: merged[whose], base: theirs.plan })
  }
  return {
    plan,
    edit,
    undo: go('back'),
    redo: go('forth'),
    canUndo: piles.past.length > 0,
    canRedo: piles.ahead.length > 0,
    state: draft === null ? 'saved' : saving || ready ? 'saving' : 'held',
    revision,
    refusal,
    conflict,
    keepMine: () => decide('mine'),
    takeTheirs: () => decide('theirs')
  }
}
