import useSWR, { mutate } from 'swr'
import { type DiscardPot, type DiscardUse, discardSchema, isoOf, ROUTES } from '../../contract'
import { nowMs } from './clock'
import { newId } from './newId'
import { read, send } from './outbox'

/** The discard pot. */
export function useDiscardPot(): { readonly pot: DiscardPot | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR(ROUTES.discard, (path) => read(discardSchema, path))
  return { pot: data, error: error as Error | undefined }
}

/** Asks for the pot again: a feed has filled it. */
export const refreshDiscard = () => mutate(ROUTES.discard)

/** Takes discard out of the pot. @returns puts it back */
export async function takeDiscard(grams: number, went: DiscardUse['went']): Promise<() => Promise<void>> {
  const use: DiscardUse = { id: newId(), happenedAt: isoOf(nowMs()), grams, went }
  await send(use.id, discardSchema, { method: 'POST', path: ROUTES.discard, body: use })
  await refreshDiscard()
  return async () => {
    const id = newId()
    await send(id, discardSchema, { method: 'POST', path: ROUTES.discardUndo, body: { id, happenedAt: isoOf(nowMs()), undoes: use.id } })
    await refreshDiscard()
  }
}
