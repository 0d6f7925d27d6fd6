import { useLocalStorage } from '@mantine/hooks'
import { mutate } from 'swr'
import { type Device, type DeviceDeed, type DeviceKind, deviceMadeSchema, devicesSchema, doneSchema, type NewDevice, ROUTES } from '../../contract'
import { ask } from './api'
import { newId } from './newId'
import { send } from './outbox'
import { useRead } from './useRead'

/** All devices, real ones first. */
export function useDevices(): readonly Device[] {
  const { data } = useRead(ROUTES.devices, devicesSchema)
  return data?.devices ?? []
}

/** Takes a real device in. @returns its token, told this once */
export async function addDevice(device: NewDevice): Promise<{ readonly id: string; readonly token: string }> {
  const { token } = await send(newId(), deviceMadeSchema, { method: 'POST', path: ROUTES.devices, body: device })
  await mutate(ROUTES.devices)
  return { id: device.id, token }
}

/** Its token is worth nothing from now on. */
export async function removeDevice(id: string): Promise<void> {
  await send(newId(), devicesSchema, { method: 'DELETE', path: ROUTES.device(id) })
  await mutate(ROUTES.devices)
}

/** Moves what a stand-in measures; not kept for later: it is of this moment or not at all. */
export async function touchDevice(id: string, deed: DeviceDeed): Promise<void> {
  await ask(doneSchema, { method: 'POST', path: ROUTES.deviceDeeds(id), body: deed })
}

/** The device of a kind that this window reads from; null: figures are typed. */
export function useChosenDevice(kind: DeviceKind): {
  readonly device: Device | null
  readonly all: readonly Device[]
  readonly choose: (id: string | null) => void
} {
  const all = useDevices().filter((d) => d.kind === kind)
  const [id, choose] = useLocalStorage<string | null>({ key: `olvent.${kind}`, defaultValue: null })
  return { device: all.find((d) => d.id === id) ?? null, all, choose }
}
