import type { z } from 'zod'
import { DEVICE_RANGE, type devicePostSchema, type devicePushSchema, isoOf, type LiveReading, type WireDevice } from '../../../contract'
import { REFUSE_DEVICES } from '../../../words/refusals/devices'
import { THINGS } from '../../../words/refusals/things'
import { type DeviceRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { keepReadings, lastReadingMs, THINNED_MS } from '../kitchen/readings'
import type { Work } from '../work'
import { hashOf, newToken } from './tokens'

const deviceOf = ({ id, name, kind, placeId, resolution, seenAtMs }: DeviceRow): WireDevice => ({
  id,
  name,
  kind,
  simulated: false,
  placeId,
  resolution,
  seenAt: seenAtMs === null ? null : isoOf(Number(seenAtMs))
})

/** Devices that push, oldest first. */
export async function listDevices({ models, transaction }: Work): Promise<WireDevice[]> {
  const rows = await models.devices.findAll({ where: { revokedAtMs: null }, order: [['createdAtMs', 'ASC']], transaction })
  return rows.map(plain).map(deviceOf)
}

/** Takes a device in. Its token is told this once; only its hash is kept. @returns the token; sent twice, a new one */
export async function addDevice(work: Work, { id, name, kind, placeId, resolution }: z.output<typeof devicePostSchema>): Promise<string> {
  const kitchen = await theKitchen(work)
  if (placeId !== null) placeIn(kitchen, placeId)
  const token = newToken()
  const { models, transaction, nowMs } = work
  const before = await models.devices.findOne({ where: { id }, transaction })
  if (before !== null && plain(before).revokedAtMs !== null) throw new Problem(409, 'used id', REFUSE_DEVICES.thisDeviceWasTakenAway)
  await models.devices.upsert(
    { id, kitchenId: kitchen.id, name, kind, placeId, resolution, tokenHash: hashOf(token), createdAtMs: nowMs, seenAtMs: null, revokedAtMs: null },
    { transaction }
  )
  return token
}

/** Its token is worth nothing from now on. */
export async function revokeDevice({ models, transaction, nowMs }: Work, id: string): Promise<void> {
  const [count] = await models.devices.update({ revokedAtMs: nowMs }, { where: { id, revokedAtMs: null }, transaction })
  if (count === 0) throw notFound(THINGS.device)
}

/** The device behind a token. @throws Problem where it is not known, or was taken away */
export async function deviceBehind({ models, transaction }: Work, id: string, token: string): Promise<WireDevice> {
  const row = await models.devices.findOne({ where: { id, tokenHash: hashOf(token), revokedAtMs: null }, transaction })
  if (row === null) throw new Problem(401, 'unknown device', REFUSE_DEVICES.thisDeviceNotKnownHere)
  return deviceOf(plain(row))
}

/**
 * Readings that a device pushed, as they go to open windows.
 * @throws Problem where one of them cannot be
 */
export function readingsOfPush({ id, kind }: Pick<WireDevice, 'id' | 'kind'>, { readings }: z.output<typeof devicePushSchema>, nowMs: number): LiveReading[] {
  const [low, high] = DEVICE_RANGE[kind]
  const wrong = readings.find((r) => r.value < low || r.value > high)
  if (wrong !== undefined) throw new Problem(400, 'out of range', REFUSE_DEVICES.cannotBeShowsTo(wrong.value, kind, low, high))
  return readings.map((r) => ({
    type: 'reading',
    device: id,
    kind,
    ms: r.at === undefined ? nowMs : Math.min(r.at, nowMs),
    value: r.value,
    battery: r.battery ?? null
  }))
}

/** Keeps that a device was heard; and what a room sensor said, thinned. */
export async function keepHeard(work: Work, { id, kind, placeId }: WireDevice, readings: readonly LiveReading[]): Promise<void> {
  const { models, transaction, nowMs } = work
  await models.devices.update({ seenAtMs: nowMs }, { where: { id }, transaction })
  if (kind === 'room' && placeId !== null) await keepOfRoom(work, placeId, id, readings)
}

async function keepOfRoom(work: Work, placeId: string, id: string, taken: readonly { ms: number; value: number }[]): Promise<void> {
  let last = await lastReadingMs(work, id, placeId)
  const kept = [...taken]
    .sort((a, b) => a.ms - b.ms)
    .filter(({ ms }) => {
      if (ms - last < THINNED_MS) return false
      last = ms
      return true
    })
  await keepReadings(
    work,
    { id, placeId, source: 'device', name: '' },
    kept.map(({ ms, value }) => ({ ms, tempC: value }))
  )
}
