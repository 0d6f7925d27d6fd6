import { createContext, useContext, useMemo } from 'react'
import useSWR, { mutate } from 'swr'
import type { z } from 'zod'
import {
  type FirstRun,
  type Kitchen,
  type KitchenEdit,
  kitchenAnswerSchema,
  kitchenSchema,
  kitchenToWire,
  type ListedIngredient,
  type ListedVessel,
  ROUTES
} from '../../contract'
import { BUILT_IN_INGREDIENTS, createFormat, type Format, type Pantry, pantryOf } from '../../core'
import { nowMs, syncClock } from './clock'
import { newId } from './newId'
import { read, send } from './outbox'
import { useIngredients, useVessels } from './stores'

/** The kitchen one stands in, how it wants its figures, and what there is in it. */
export interface KitchenHere {
  readonly kitchen: Kitchen
  readonly format: Format
  readonly ingredients: readonly ListedIngredient[]
  readonly pantry: Pantry
  readonly vessels: readonly ListedVessel[]
}

/** Ingredients until the server has told its own. */
const BUILT_IN: readonly ListedIngredient[] = BUILT_IN_INGREDIENTS.map((ingredient) => ({ ingredient, builtIn: true, changed: false, version: 0 }))
const NO_VESSELS: readonly ListedVessel[] = []

const KitchenContext = createContext<KitchenHere | null>(null)
/** Gives all below it the kitchen. */
export const KitchenProvider = KitchenContext.Provider

/** The kitchen of this window. */
export function useKitchen(): KitchenHere {
  const here = useContext(KitchenContext)
  if (here === null) throw new Error('Used outside the kitchen.')
  return here
}

/** A kitchen with its format, ingredients and vessels; each made anew only when it changes. */
export function useKitchenHere(kitchen: Kitchen): KitchenHere {
  const { mass, temperature, clock, timeZone, currency } = kitchen
  const format = useMemo(() => createFormat({ mass, temperature, clock, timeZone, currency }, nowMs), [mass, temperature, clock, timeZone, currency])
  const ingredients = useIngredients() ?? BUILT_IN
  const vessels = useVessels() ?? NO_VESSELS
  const pantry = useMemo(() => pantryOf(ingredients.map((listed) => listed.ingredient)), [ingredients])
  return useMemo(() => ({ kitchen, format, ingredients, pantry, vessels }), [kitchen, format, ingredients, pantry, vessels])
}

/** What the server says of the kitchen: settings, or that there is none yet. The time is asked along with it. */
export function useKitchenAnswer() {
  return useSWR<z.output<typeof kitchenAnswerSchema>, Error>(ROUTES.kitchen, async (path: string) => {
    await syncClock()
    return read(kitchenAnswerSchema, path)
  })
}

const keepKitchen = (kitchen: Kitchen) => mutate(ROUTES.kitchen, { kitchen }, { revalidate: false })

/**
 * Opens the kitchen with the answers of the first run.
 * @param before done when the server has it, and before the window opens it
 */
export async function sendFirstRun(answers: FirstRun, before: () => void): Promise<void> {
  const kitchen = await send(answers.id, kitchenSchema, { method: 'POST', path: ROUTES.firstRun, body: answers })
  before()
  await keepKitchen(kitchen)
}

/**
 * Keeps a change of the kitchen: shown at once, sent in order.
 * @throws Refusal; what the server has is shown again
 */
export async function saveKitchen(kitchen: Kitchen, edit: KitchenEdit): Promise<void> {
  const next = { ...kitchen, ...edit, version: kitchen.version + 1 }
  const sent = send(newId(), kitchenSchema, { method: 'PUT', path: ROUTES.kitchen, body: { version: kitchen.version, kitchen: kitchenToWire(edit) } })
  void keepKitchen(next)
  try {
    const kept = await sent
    await mutate<{ kitchen: Kitchen }>(ROUTES.kitchen, (there) => (there !== undefined && there.kitchen.version > kept.version ? there : { kitchen: kept }), {
      revalidate: false
    })
  } catch (error) {
    await mutate(ROUTES.kitchen)
    throw error
  }
}

/** What of a kitchen may be changed. */
export function editOf({ id: _id, version: _version, demo: _demo, doughs: _doughs, workSeen: _seen, ...edit }: Kitchen): KitchenEdit {
  return edit
}
