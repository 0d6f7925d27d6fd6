import useSWR, { mutate } from 'swr'
import { type CalendarAddress, calendarAddressesSchema, calendarMadeSchema, ROUTES } from '../../contract'
import { newId } from './newId'
import { read, send } from './outbox'

/** Addresses at which calendars read the steps to come; undefined until they are known. */
export function useCalendarAddresses(): readonly CalendarAddress[] | undefined {
  return useSWR(ROUTES.calendarAddresses, (path) => read(calendarAddressesSchema, path)).data?.addresses
}

/** Makes an address. @returns where it is: told this once */
export async function makeCalendarAddress(name: string): Promise<string> {
  const id = newId()
  const { path, addresses } = await send(id, calendarMadeSchema, { method: 'POST', path: ROUTES.calendarAddresses, body: { id, name } })
  await mutate(ROUTES.calendarAddresses, { addresses }, { revalidate: false })
  return new URL(path, window.location.origin).href
}

/** Withdraws an address. */
export async function revokeCalendarAddress(id: string): Promise<void> {
  await send(newId(), calendarAddressesSchema, { method: 'DELETE', path: ROUTES.calendarAddress(id) }).finally(() => mutate(ROUTES.calendarAddresses))
}
