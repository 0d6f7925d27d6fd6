import type { MixItem, PourItem, WeighItem } from '../../../core'

/** One thing that is weighed at the bench. */
export interface Entry extends WeighItem, Pick<MixItem, 'composition' | 'isCulture'> {
  readonly title: string
  /** How it goes in. */
  readonly how: string
  /** In the bowl already, g. */
  readonly poured: number
  /** Its latest pour, which can be taken back; null: none. */
  readonly lastPourId: string | null
  /** Which bowl it goes into, from 1 on, where a dough is shared out. */
  readonly bowl?: number
  /** Still to be weighed. */
  readonly due: boolean
  /** What is noted of it. */
  readonly note: { readonly item: PourItem; readonly ingredientId?: string } | { readonly lineId: string; readonly ingredientId?: string }
}

/** What its bowl comes to: what is in by now, and what is still to come. */
export const mixItemOf = ({ composition, isCulture, due, grams, poured }: Entry): MixItem => ({
  composition,
  isCulture,
  grams: due ? Math.max(grams, poured) : poured
})
