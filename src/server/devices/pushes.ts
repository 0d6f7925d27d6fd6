import type { z } from 'zod'
import type { devicePushSchema, WireDevice } from '../../contract'
import type { Clock } from '../clock'
import type { Database } from '../db/connect'
import { deviceBehind, keepHeard, readingsOfPush } from '../records/devices/devices'
import { hashOf } from '../records/devices/tokens'
import { readWork, writeWork } from '../records/work'
import type { Hub } from './hub'

/** A token that was found good is not looked up again for so long, and that a device was heard is kept this often, ms. */
const TRUSTED_MS = 10_000

/** Takes what devices push, ten times a second and more, without asking the database each time. */
export interface Pushes {
  /** @returns how many readings were taken */
  take(id: string, token: string, pushed: z.output<typeof devicePushSchema>): Promise<number>
  /** Its token is not trusted any more. */
  forget(id: string): void
}

export function createPushes(database: Database, clock: Clock, hub: Hub): Pushes {
  const trusted = new Map<string, { readonly hash: string; readonly device: WireDevice; readonly untilMs: number }>()
  return {
    async take(id, token, pushed) {
      const known = trusted.get(id)
      const tickMs = performance.now()
      const fresh = known !== undefined && known.untilMs > tickMs && known.hash === hashOf(token)
      const device = fresh ? known.device : await deviceBehind(readWork(database, clock.now()), id, token)
      const readings = readingsOfPush(device, pushed, clock.now())
      for (const reading of readings) hub.publish(reading)
      if (!fresh || device.kind === 'room') {
        trusted.set(id, { hash: hashOf(token), device, untilMs: tickMs + TRUSTED_MS })
        await writeWork(database, clock.now(), (work) => keepHeard(work, device, readings))
      }
      return readings.length
    },
    forget: (id) => void trusted.delete(id)
  }
}
