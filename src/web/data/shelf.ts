import { mutate } from 'swr'
import { isoOf, ROUTES, type Shelf, type StockMove, shelfSchema } from '../../contract'
import { nowMs } from './clock'
import { newId } from './newId'
import { send } from './outbox'
import { useRead } from './useRead'

/** What is in store, what will be taken of it, what things cost. */
export function useShelf(): { readonly shelf: Shelf | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.shelf, shelfSchema)
  return { shelf: data, error }
}

/** Asks for the shelf again: something was taken from it, or changed in price. */
export const refreshShelf = () => mutate(ROUTES.shelf)

type Said<M extends StockMove = StockMove> = M extends StockMove ? Pick<M, 'how' | 'ingredientId' | 'grams'> : never

/** Keeps what was bought, counted or blended. @returns takes it back */
export async function moveStock(said: Said): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, shelfSchema, { method: 'POST', path: ROUTES.stock, body: { id, happenedAt: isoOf(nowMs()), ...said } })
  await refreshShelf()
  return async () => {
    const undo = newId()
    await send(undo, shelfSchema, { method: 'POST', path: ROUTES.stockUndo, body: { id: undo, happenedAt: isoOf(nowMs()), undoes: id } })
    await refreshShelf()
  }
}
