import type { Shelf } from '../../../contract'
import { type ShelfNeed, shelfNeeds } from '../../../core'

/** Needs on the shelf, worked out from what was counted and what will be taken. */
export function needsOf(shelf: Pick<Shelf, 'stock' | 'uses'>): ShelfNeed[] {
  return shelfNeeds(
    new Map(shelf.stock.map(({ ingredientId, grams }) => [ingredientId, grams])),
    shelf.uses.map(({ at, ...use }) => ({ ...use, atMs: at }))
  )
}
