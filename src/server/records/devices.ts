import type { z } from 'zod'
import { DEVICE_RANGE, type Device, type devicePostSchema, type devicePushSchema, type LiveReading } from '../../contract'
import { type DeviceRow, plain } from '../db/models'
import { notFound, Problem } from '../problems'
import { placeIn, theKitchen } from './kitchens'
import { hashOf, newToken } from './tokens'
import type { Work } from './work'

/** A room sensor's readings nearer to each other than this are not kept, ms. */
const THINNED_MS = 10 * 60_000

const deviceOf = ({ id, name, kind, placeId, resolution, seenAtMs }: DeviceRow): Device => ({
  id,
  name,
  kind,
  simulated: false,
  placeId,
  resolution,
  seenAt: seenAtMs === null ? null : new Date(Number(seenAtMs)).toISOString()
})

/** Devices that push, oldest first. */
export async function listDevices({ models, transaction }: Work): Promise<Device[]> {
  const rows = await models.devices.findAll({ where: { revokedAtMs: null }, order: [['createdAtMs', 'ASC']], transaction })
  return rows.map(plain).map(deviceOf)
}

/** Takes a device in. Its token is told this once; only its hash is kept. @returns the token; sent twice, a new one */
export async function addDevice(work: Work, { id, name, kind, placeId, resolution }: z.output<typeof devicePostSchema>): Promise<string> {
  const kitchen = await theKitchen(work)
  if (placeId !== null) placeIn(kitchen, placeId)
  const token = newToken()
  const { models, transaction, nowMs } = work
  await models.devices.upsert(
    { id, kitchenId: kitchen.id, name, kind, placeId, resolution, tokenHash: hashOf(token), createdAtMs: nowMs, seenAtMs: null, revokedAtMs: null },
    { transaction }
  )
  return token
}

/** Its token is worth nothing from now on. */
export async function revokeDevice({ models, transaction, nowMs }: Work, id: string): Promise<void> {
  const [count] = await models.devices.update({ revokedAtMs: nowMs }, { where: { id, revokedAtMs: null }, transaction })
  if (count === 0) throw notFound('This device')
}

/**
 * Takes readings in that a device pushes; a room sensor's are kept, thinned.
 * @param token from its Authorization header
 * @returns the readings as they go to open windows
 */
export async function takeReadings(work: Work, id: string, token: string, { readings }: z.output<typeof devicePushSchema>): Promise<LiveReading[]> {
  const { models, transaction, nowMs } = work
  const row = await models.devices.findOne({ where: { id, tokenHash: hashOf(token), revokedAtMs: null }, transaction })
  if (row === null) throw new Problem(401, 'unknown device', 'This device is not known here, or its token has been withdrawn.')
  const device = plain(row)
  const [low, high] = DEVICE_RANGE[device.kind]
  const wrong = readings.find((r) => r.value < low || r.value > high)
  if (wrong !== undefined) throw new Problem(400, 'out of range', `${wrong.value} cannot be: a ${device.kind} shows ${low} to ${high}.`)
  const taken = readings.map((r) => ({ ms: r.at === undefined ? nowMs : Math.min(Date.parse(r.at), nowMs), value: r.value, battery: r.battery ?? null }))
  await models.devices.update({ seenAtMs: nowMs }, { where: { id }, transaction })
  if (device.kind === 'room' && device.placeId !== null) await keepOfRoom(work, device.placeId, id, taken)
  return taken.map((r) => ({ type: 'reading', device: id, kind: device.kind, ...r }))
}

async function keepOfRoom({ models, transaction }: Work, placeId: string, importId: string, taken: readonly { ms: number; value: number }[]): Promise<void> {
  let last = Number((await models.placeReadings.max('atMs', { where: { placeId, importId }, transaction })) ?? 0)
  const kept = [...taken]
    .sort((a, b) => a.ms - b.ms)
    .filter(({ ms }) => {
      if (ms - last < THINNED_MS) return false
      last = ms
      return true
    })
  await models.placeReadings.bulkCreate(
    kept.map(({ ms, value }) => ({ placeId, importId, atMs: ms, tempC: value, source: 'device' as const })),
    { transaction }
  )
}
