import { mutate } from 'swr'
import { type DiscardPot, type DiscardUse, discardSchema, isoOf, ROUTES } from '../../contract'
import type { Pot } from '../../core'
import { nowMs } from './clock'
import { newId } from './newId'
import { send } from './outbox'
import { useRead } from './useRead'

/** The discard pot. */
export function useDiscardPot(): { readonly pot: DiscardPot | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.discard, discardSchema)
  return { pot: data, error }
}

/** Asks for the pot again: a feed has filled it. */
export const refreshDiscard = () => mutate(ROUTES.discard)

/** Takes discard out of a pot. @param grams how much @returns puts it back */
export async function takeDiscard(pot: Pot, grams: number, went: DiscardUse['went']): Promise<() => Promise<void>> {
  const use: DiscardUse = { id: newId(), happenedAt: isoOf(nowMs()), grams, went, pot }
  await send(use.id, discardSchema, { method: 'POST', path: ROUTES.discard, body: use })
  await refreshDiscard()
  return async () => {
    const id = newId()
    await send(id, discardSchema, { method: 'POST', path: ROUTES.discardUndo, body: { id, happenedAt: isoOf(nowMs()), undoes: use.id } })
    await refreshDiscard()
  }
}
