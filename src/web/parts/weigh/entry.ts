import type { Composition, PourItem, WeighItem } from '../../../core'

/** One thing that is weighed at the bench. */
export interface Entry extends WeighItem {
  readonly title: string
  /** How it goes in. */
  readonly how: string
  /** In the bowl already, g. */
  readonly poured: number
  /** Its latest pour, which can be taken back; null: none. */
  readonly lastPourId: string | null
  /** Still to be weighed. */
  readonly due: boolean
  readonly composition: Composition
  readonly isCulture: boolean
  /** What is noted of it. */
  readonly note: { readonly item: PourItem; readonly ingredientId?: string } | { readonly lineId: string; readonly ingredientId?: string }
}
