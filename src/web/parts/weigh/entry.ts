import { type DueItem, type MixItem, type Pantry, type PourItem, STARTER_DENSITY, WATER_DENSITY, type WeighItem } from '../../../core'

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

/** g/ml of what is weighed, for those who measure it by cups and spoons; undefined where that makes no sense. */
export function densityOf({ note, isCulture }: Pick<Entry, 'note' | 'isCulture'>, pantry: Pantry): readonly [least: number, most: number] | undefined {
  if (isCulture) return STARTER_DENSITY.stirred
  if ('item' in note && note.item === 'water') return WATER_DENSITY
  return pantry.get(note.ingredientId ?? ('item' in note ? note.item : ''))?.density
}

/** What its bowl comes to: what is in by now, and what is still to come. */
export const mixItemOf = ({ composition, isCulture, due, grams, poured }: Entry): MixItem => ({
  composition,
  isCulture,
  grams: due ? Math.max(grams, poured) : poured
})

/** What is still to go in of an entry, read with a scale whose smallest step is `resolution`, g. */
export function dueItemOf(entry: Entry, entries: readonly Entry[], resolution: number): DueItem {
  const { key, grams, poured, tolerance } = entry
  return {
    key,
    grams: poured > 0 ? Math.max(grams - poured, 0) : grams,
    resolution: Math.max(entry.resolution, resolution),
    ...(tolerance === undefined ? {} : { tolerance }),
    stamp: `${key} ${poured}`,
    later: entries.filter((e) => e.due && e !== entry),
    inBowl: entries.reduce((sum, e) => sum + e.poured, 0)
  }
}
