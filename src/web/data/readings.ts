import { millisecondsInMinute } from 'date-fns/constants'
import useSWR, { mutate } from 'swr'
import { isoOf, LONGEST_NAME, type PlaceReadings, ROUTES, readingsSchema } from '../../contract'
import type { TimedTemp } from '../../core'
import { newId } from './newId'
import { read, send } from './outbox'

/** What was measured at a place so far. */
export function usePlaceReadings(placeId: string): PlaceReadings | undefined {
  return useSWR(ROUTES.placeReadings(placeId), (path) => read(readingsSchema, path)).data
}

/** So many readings go in one write; a longer log goes in several. */
const PART = 3000

/** Brings temperatures of a place in, one a minute. @returns takes all of them back */
export async function bringReadings(placeId: string, name: string, readings: readonly TimedTemp[]): Promise<() => Promise<void>> {
  const path = ROUTES.placeReadings(placeId)
  const importId = newId()
  const perMinute = [...new Map(readings.map((r) => [Math.floor(r.ms / millisecondsInMinute), r])).values()]
  for (let from = 0; from < perMinute.length; from += PART) {
    const id = newId()
    const part = perMinute.slice(from, from + PART).map((r) => ({ at: isoOf(r.ms), tempC: r.tempC }))
    await send(id, readingsSchema, { method: 'POST', path, body: { id, importId, name: name.slice(0, LONGEST_NAME), readings: part } })
  }
  await mutate(path)
  return () => setImportTakenBack(placeId, importId, true)
}

/** Takes a log back, or has it tell again. */
export async function setImportTakenBack(placeId: string, importId: string, takenBack: boolean): Promise<void> {
  await send(newId(), readingsSchema, { method: takenBack ? 'DELETE' : 'PUT', path: ROUTES.readingsImport(importId) })
  await mutate(ROUTES.placeReadings(placeId))
}
