import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { type Bake, bakeOf } from '../../../answers'
import { bakeSchema, keptPlanSchema, type Plan, planToWire } from '../../../contract'
import { USE_PLAN_DRAFT } from '../../../words/screens/bake'
import { Refusal } from '../../data/api'
import { savePlan, sendPlanLast, showBake } from '../../data/bakes'
import { drop, keep, kept } from '../../data/storage'
import { tellDone } from '../../parts/cards/tell'
import { beginEditing, type Draft, type DraftEvent, type Editing, isSamePlan, type PlanPatch, planDraft } from './planDraft'

const SAVE_AFTER_MS = 500
const keyOf = (id: string) => `olvent.draft.${id}`

/** A plan as it is being edited; what is typed stays in the browser until the server has it. */
export interface PlanDraft extends Pick<Editing, 'refusal' | 'conflict' | 'revision'> {
  readonly plan: Plan
  /** Changes some of the plan; a function is given the plan as it is by then, other changes of the same moment included. */
  readonly edit: (patch: PlanPatch) => void
  /** Takes the last edit back, or does it again; one that the screen has not caught up with counts. */
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly state: 'saved' | 'saving' | 'held'
  readonly keepMine: () => void
  readonly takeTheirs: () => void
}

const draftSchema = z.object({ version: z.number(), plan: keptPlanSchema, base: keptPlanSchema.nullable().default(null) })
const load = (id: string): Draft | null => kept(keyOf(id), draftSchema)
/** A draft as it is kept. */
const wireOf = ({ version, plan, base }: Draft) => ({ version, plan: planToWire(plan), base: base === null ? null : planToWire(base) })

/**
 * Edits the plan of a bake: shown at once, saved half a second after the last keystroke, one save at a time.
 * @param bake as the server has it
 * @param sendable whether the plan can be at all; one that cannot is held back, not lost
 */
export function usePlanDraft(bake: Bake, sendable: (plan: Plan) => boolean): PlanDraft {
  const [editing, setEditing] = useState(() => beginEditing(bake.status === 'planned' ? load(bake.id) : null, bake))
  // Ahead of the screen, which follows an edit when there is time.
  const latest = useRef(editing)
  const tell = useCallback((event: DraftEvent) => {
    latest.current = planDraft(latest.current, event)
    setEditing(latest.current)
    return latest.current
  }, [])
  const { draft, piles, saving, refusal, conflict, revision } = editing
  const plan = draft?.plan ?? bake.plan

  useEffect(() => {
    if (draft === null) drop(keyOf(bake.id))
    else keep(keyOf(bake.id), wireOf(draft))
  }, [draft, bake.id])

  const save = useCallback(
    async (sent: Draft) => {
      tell({ type: 'sent' })
      try {
        tell({ type: 'saved', sent, there: await savePlan(bake.id, sent.version, sent.plan) })
      } catch (error) {
        const stale = error instanceof Refusal && error.detail.code === 'stale' ? bakeSchema.safeParse(error.detail.current) : undefined
        if (!stale?.success) {
          tell({ type: 'refused', sentence: error instanceof Error ? error.message : String(error) })
          return
        }
        const theirs = bakeOf(stale.data)
        if (isSamePlan(theirs.plan, sent.plan)) {
          // It had arrived already, and only the answer was lost.
          await showBake(theirs)
          tell({ type: 'saved', sent, there: theirs })
        } else if (tell({ type: 'stale', theirs }).conflict === null) tellDone(USE_PLAN_DRAFT.anotherWindowChangedThisBake)
      }
    },
    [bake.id, tell]
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
          if (there !== null && there.version === mine.version && isSamePlan(there.plan, mine.plan)) drop(keyOf(bake.id))
        },
        // What was not taken stays with the sheet: it is told when that is opened again.
        () => undefined
      )
    }
  }, [bake.id])

  const decide = (whose: 'mine' | 'theirs') => {
    if (conflict !== null) void showBake(conflict.theirs)
    tell({ type: 'decided', whose })
  }
  return {
    plan,
    edit: (patch) => tell({ type: 'edited', patch, there: bake, atMs: performance.now() }),
    undo: () => tell({ type: 'stepped', way: 'back', there: bake }),
    redo: () => tell({ type: 'stepped', way: 'forth', there: bake }),
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
