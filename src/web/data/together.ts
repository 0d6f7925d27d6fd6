import { mutate } from 'swr'
import type { Bake } from '../../answers'
import { isoOf, type Jar, jarsSchema, type NewBakeEvent, ROUTES, type TogetherPart } from '../../contract'
import type { Pantry } from '../../core'
import { showEvent } from './bakes'
import { nowMs } from './clock'
import { newId } from './newId'
import { send } from './outbox'

/** Asks again for all that it may have changed. */
const refreshAll = () => mutate((key) => typeof key === 'string' && key.startsWith('/api/'))

/**
 * Does several things as one: all of them or none, also when the server is away meanwhile.
 * @param shown what is noted of a bake, to be seen at once
 * @returns takes all of them back
 */
export async function doTogether(
  parts: readonly TogetherPart[],
  shown?: { readonly bake: Bake; readonly event: NewBakeEvent; readonly pantry: Pantry }
): Promise<() => Promise<void>> {
  const id = newId()
  const post = async (path: string, body: Readonly<Record<string, unknown>>) => {
    const own = newId()
    await send(own, jarsSchema, { method: 'POST', path, body: { id: own, happenedAt: isoOf(nowMs()), ...body } }).finally(() => void refreshAll())
  }
  if (shown !== undefined) showEvent(shown.bake, shown.event, shown.pantry)
  await post(ROUTES.together, { id, parts })
  return () => post(ROUTES.togetherUndo, { undoes: id })
}

/** Two jars swap places, now, as one deed. @param places where each stands now @returns takes it back */
export function swapPlaces(jar: Jar, other: Jar, places: { readonly jar: string; readonly other: string }): Promise<() => Promise<void>> {
  const move = (to: string) => ({ id: newId(), happenedAt: isoOf(nowMs()), placeId: to })
  return doTogether([
    { do: 'move', jarId: jar.id, move: move(places.other) },
    { do: 'move', jarId: other.id, move: move(places.jar) }
  ])
}
