import useSWR, { mutate } from 'swr'
import { isoOf, type PlaceReadings, ROUTES, readingsSchema } from '../../contract'
import type { TimedTemp } from '../../core'
import { newId } from './newId'
import { read, send } from './outbox'

/** What was measured at a place so far. */
export function usePlaceReadings(placeId: string): PlaceReadings | undefined {
  return useSWR(ROUTES.placeReadings(placeId), (path) => read(readingsSchema, path)).data
}

const MS_PER_MINUTE = 60_000
/** So many readings go in one write; a longer log goes in several. */
const PART = 3000

/** Brings temperatures of a place in, one a minute. @returns takes all of them back */
export async function bringReadings(placeId: string, readings: readonly TimedTemp[]): Promise<() => Promise<void>> {
  const path = ROUTES.placeReadings(placeId)
  const perMinute = [...new Map(readings.map((r) => [Math.floor(r.ms / MS_PER_MINUTE), r])).values()]
  const parts = Array.from({ length: Math.ceil(perMinute.length / PART) }, (_, n) => ({ id: newId(), readings: perMinute.slice(n * PART, (n + 1) * PART) }))
  for (const part of parts) {
    const body = { id: part.id, readings: part.readings.map((r) => ({ at: isoOf(r.ms), tempC: r.tempC })) }
    await send(part.id, readingsSchema, { method: 'POST', path, body })
  }
  await mutate(path)
  return async () => {
    for (const { id } of parts) await send(newId(), readingsSchema, { method: 'DELETE', path: ROUTES.readingsImport(id) })
    await mutate(path)
  }
}
