import useSWR, { mutate } from 'swr'
import { isoOf, type PlaceReadings, ROUTES, readingsSchema } from '../../contract'
import type { TimedTemp } from '../../core'
import { newId } from './newId'
import { read, send } from './outbox'

/** What was measured at a place so far. */
export function usePlaceReadings(placeId: string): PlaceReadings | undefined {
  return useSWR(ROUTES.placeReadings(placeId), (path) => read(readingsSchema, path)).data
}

/** Brings temperatures of a place in. @returns takes them back */
export async function bringReadings(placeId: string, readings: readonly TimedTemp[]): Promise<() => Promise<void>> {
  const id = newId()
  const path = ROUTES.placeReadings(placeId)
  const body = { id, readings: readings.map((r) => ({ at: isoOf(r.ms), tempC: r.tempC })) }
  await send(id, readingsSchema, { method: 'POST', path, body })
  await mutate(path)
  return async () => {
    await send(newId(), readingsSchema, { method: 'DELETE', path: ROUTES.readingsImport(id) })
    await mutate(path)
  }
}
