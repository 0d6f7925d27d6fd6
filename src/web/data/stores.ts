import useSWR, { mutate } from 'swr'
import {
  ingredientsSchema,
  type ListedIngredient,
  type ListedVessel,
  listedIngredientSchema,
  listedVesselSchema,
  ROUTES,
  type Vessel,
  vesselsSchema
} from '../../contract'
import type { Ingredient } from '../../core'
import { newId } from './newId'
import { read, send } from './outbox'
import { refreshShelf } from './shelf'

/** Everything that can be weighed in here. */
export function useIngredients(): readonly ListedIngredient[] | undefined {
  return useSWR(ROUTES.ingredients, (path) => read(ingredientsSchema, path)).data?.ingredients
}

/** Prices and recipes are part of them, so the shelf changes along. */
const refreshIngredients = () => Promise.all([mutate(ROUTES.ingredients), refreshShelf()])

/** Adds or changes an ingredient. @throws Refusal */
export async function saveIngredient(ingredient: Ingredient, version: number): Promise<void> {
  await send(newId(), listedIngredientSchema, { method: 'PUT', path: ROUTES.ingredient(ingredient.id), body: { version, ingredient } }).finally(() =>
    refreshIngredients()
  )
}

/** Takes one of the baker's own away, or puts a built-in one back to what it was. */
export async function dropIngredient(id: string): Promise<void> {
  await send(newId(), ingredientsSchema, { method: 'DELETE', path: ROUTES.ingredient(id) }).finally(refreshIngredients)
}

/** All vessels, the smallest first. */
export function useVessels(): readonly ListedVessel[] | undefined {
  return useSWR(ROUTES.vessels, (path) => read(vesselsSchema, path)).data?.vessels
}

/** Adds or changes a vessel. @throws Refusal */
export async function saveVessel(vessel: Vessel, version: number): Promise<void> {
  await send(newId(), listedVesselSchema, { method: 'PUT', path: ROUTES.vessel(vessel.id), body: { version, vessel } }).finally(() => mutate(ROUTES.vessels))
}

/** Takes a vessel away. @returns puts it back */
export async function dropVessel(id: string): Promise<() => Promise<void>> {
  await send(newId(), vesselsSchema, { method: 'DELETE', path: ROUTES.vessel(id) }).finally(() => mutate(ROUTES.vessels))
  return async () => {
    await send(newId(), vesselsSchema, { method: 'POST', path: ROUTES.vesselRestore(id) })
    await mutate(ROUTES.vessels)
  }
}
