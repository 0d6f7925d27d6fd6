import { createContext, use } from 'react'
import type { Bake, BakeDay } from '../../../answers'
import type { Jar, Plan } from '../../../contract'
import type { BakeState, Forecast, JarBelief, SolvedBake } from '../../../core'
import type { Judged } from '../../data/forecasts'
import type { PlanPatch } from './planDraft'

/** The bake that is open, as every station sees it. */
export interface BakeHere {
  readonly bake: Bake
  readonly state: BakeState
  readonly plan: Plan
  readonly edit: (patch: PlanPatch) => void
  /** Takes the last edit back, or does it again. */
  readonly undo: () => void
  readonly redo: () => void
  /** Grows with every step back or forth along the edits: what is half typed is gone then. */
  readonly revision: number
  readonly solved: SolvedBake | null
  readonly forecast: Forecast | undefined
  readonly judged: Judged | undefined
  /** Its day as it comes out by now. */
  readonly day: BakeDay
  /** What is believed of the jar it is seeded from. */
  readonly belief: JarBelief
  readonly jars: readonly Jar[]
  readonly jar: Jar | undefined
  readonly now: number
  /** The plan stands: something has been poured. */
  readonly frozen: boolean
}

/** Holds the open bake; set by its sheet. */
export const BakeContext = createContext<BakeHere | null>(null)

/** The bake that is open. @throws outside of its sheet, which is a mistake of ours */
export function useBakeHere(): BakeHere {
  const here = use(BakeContext)
  if (here === null) throw new Error('No bake is open here.')
  return here
}
