import { type Bake, type MergedPlans, mergePlans } from '../../../answers'
import { type Plan, planToWire } from '../../../contract'
import { afterEdit, type EditPiles, NO_EDITS, step } from './editPiles'

/** A change of a plan; a function is given the plan as it is by then. */
export type PlanPatch = Partial<Plan> | ((plan: Plan) => Partial<Plan>)

/** What the time of a build hangs on. */
const TIMING: readonly (keyof Plan)[] = ['target', 'formula', 'build', 'jarId', 'placeId', 'tempC', 'mixTempC', 'moves', 'school', 'mixAt']

/** A start that was chosen holds until something it hangs on is changed by hand; then the moment to mix decides again. */
export function freeStart(patch: PlanPatch): PlanPatch {
  return (plan) => {
    const changed = typeof patch === 'function' ? patch(plan) : patch
    return 'startAt' in changed || !TIMING.some((key) => key in changed) ? changed : { ...changed, startAt: null }
  }
}

/** A plan that the server has not got yet, the version it was made from, and what stood there. */
export interface Draft {
  readonly version: number
  readonly plan: Plan
  readonly base: Plan | null
}

/** Two windows changed the same of a plan. What only one of them changed is in both of these. */
export interface PlanConflict {
  readonly theirs: Bake
  readonly merged: MergedPlans
}

/** The editing of one plan. */
export interface Editing {
  /** Null while nothing is typed that the server has not got. */
  readonly draft: Draft | null
  readonly piles: EditPiles<Plan>
  readonly saving: boolean
  /** Why the server does not take it, as a sentence; nothing is sent again until the plan is changed. */
  readonly refusal: string | null
  /** What another window made of the same fields meanwhile. */
  readonly conflict: PlanConflict | null
  /** Grows with every step back or forth, and when another window's version is taken. */
  readonly revision: number
}

/** A plan as the server has it. */
type There = Pick<Bake, 'version' | 'plan'>

export type DraftEvent =
  | { readonly type: 'edited'; readonly patch: PlanPatch; readonly there: There; readonly atMs: number }
  | { readonly type: 'stepped'; readonly way: 'back' | 'forth'; readonly there: There }
  | { readonly type: 'sent' }
  /** The server has a draft now, in this version. */
  | { readonly type: 'saved'; readonly sent: Draft; readonly there: There }
  | { readonly type: 'refused'; readonly sentence: string }
  /** Another window was faster. */
  | { readonly type: 'stale'; readonly theirs: Bake }
  | { readonly type: 'decided'; readonly whose: 'mine' | 'theirs' }

export const isSamePlan = (a: Plan, b: Plan): boolean => JSON.stringify(planToWire(a)) === JSON.stringify(planToWire(b))

/** Where the editing of a plan begins. @param kept what this browser kept of it; what the server has by now is no draft any more */
export const beginEditing = (kept: Draft | null, { plan }: There): Editing => ({
  draft: kept !== null && isSamePlan(kept.plan, plan) ? null : kept,
  piles: NO_EDITS,
  saving: false,
  refusal: null,
  conflict: null,
  revision: 0
})

/** One step in the editing of a plan: nothing typed is ever lost by what the server answers. */
export function planDraft(now: Editing, event: DraftEvent): Editing {
  const { draft, piles, revision } = now
  switch (event.type) {
    case 'edited': {
      const before = draft?.plan ?? event.there.plan
      const plan = { ...before, ...(typeof event.patch === 'function' ? event.patch(before) : event.patch) }
      return { ...now, draft: changed(draft, plan, event.there), piles: afterEdit(piles, before, event.atMs), refusal: null }
    }
    case 'stepped': {
      const gone = step(piles, event.way, draft?.plan ?? event.there.plan)
      if (gone === null) return now
      return { ...now, draft: changed(draft, gone.to, event.there), piles: gone.piles, refusal: null, revision: revision + 1 }
    }
    case 'sent':
      return { ...now, saving: true }
    case 'saved': {
      // What was typed meanwhile goes on from the version just saved.
      const left = draft === null || draft === event.sent ? null : { ...draft, version: event.there.version, base: event.there.plan }
      return { ...now, draft: left, saving: false, refusal: null }
    }
    case 'refused':
      return { ...now, saving: false, refusal: event.sentence }
    case 'stale': {
      if (draft === null) return { ...now, saving: false }
      // What only one of the two changed stays, and only what both changed is asked about.
      const { theirs } = event
      const merged = mergePlans(draft.base, draft.plan, theirs.plan)
      if (merged.clashes.length > 0) return { ...now, saving: false, conflict: { theirs, merged } }
      return { ...now, saving: false, draft: { version: theirs.version, plan: merged.mine, base: theirs.plan }, revision: revision + 1 }
    }
    case 'decided': {
      if (now.conflict === null) return now
      const { theirs, merged } = now.conflict
      return { ...now, conflict: null, draft: { version: theirs.version, plan: merged[event.whose], base: theirs.plan }, revision: revision + 1 }
    }
  }
}

const changed = (draft: Draft | null, plan: Plan, there: There): Draft => ({
  version: draft?.version ?? there.version,
  plan,
  base: draft === null ? there.plan : draft.base
})
