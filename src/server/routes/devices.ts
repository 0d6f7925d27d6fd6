import { Router } from 'express'
import { deviceDeedSchema, devicePostSchema, devicePushSchema, type Live, ROUTES } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { callerOf } from '../access/gate'
import { createPushes } from '../devices/pushes'
import { notFound, parse } from '../problems'
import { addDevice, listDevices, revokeDevice } from '../records/devices/devices'
import type { Work } from '../records/work'
import { idIn, reads, type Services, writes } from './route'

/** A word now and then keeps the line open, ms. */
const BREATH_MS = 20_000

/** Devices, what they push, and the live line to every open window. */
export function deviceRoutes(services: Services): Router {
  const router = Router()
  const { hub, adapters } = services
  const pushes = createPushes(services.database, services.clock, hub)
  const all = async (work: Work) => [...(await listDevices(work)), ...adapters.flatMap((a) => a.devices())]
  router.get(
    ROUTES.devices,
    reads(services, async (work) => ({ devices: await all(work) }))
  )
  router.post(
    ROUTES.devices,
    writes(
      services,
      async (work, req) => {
        const device = parse(devicePostSchema, req.body)
        const token = await addDevice(work, device)
        pushes.forget(device.id)
        return { devices: await all(work), token }
      },
      { secret: true }
    )
  )
  router.delete(
    ROUTES.device(':id'),
    writes(services, async (work, req) => {
      const id = idIn(req, THINGS.device)
      await revokeDevice(work, id)
      pushes.forget(id)
      return { devices: await all(work) }
    })
  )
  router.post(ROUTES.deviceReadings(':id'), async (req, res) => {
    const id = idIn(req, THINGS.device)
    const pushed = parse(devicePushSchema, req.body)
    const token = (req.headers.authorization ?? '').replace(/^Bearer /, '')
    res.json({ taken: await pushes.take(id, token, pushed) })
  })
  router.post(ROUTES.deviceDeeds(':id'), (req, res) => {
    const id = idIn(req, THINGS.device)
    const deed = parse(deviceDeedSchema, req.body)
    if (!adapters.some((a) => a.touch?.(id, deed))) throw notFound(THINGS.standIn)
    res.json({ ok: true })
  })
  router.get(ROUTES.live, (req, res) => {
    services.live.open(callerOf(res), res)
    res.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', Connection: 'keep-alive', 'X-Accel-Buffering': 'no' })
    res.write('retry: 1000\n\n')
    const tell = (message: Live) => {
      // A window that does not keep up misses readings; it never makes the server keep them.
      if (message.type === 'reading' && res.writableNeedDrain) return
      res.write(`data: ${JSON.stringify(message)}\n\n`)
    }
    const end = hub.subscribe(tell)
    const breath = setInterval(() => res.write(': here\n\n'), BREATH_MS)
    req.on('close', () => {
      clearInterval(breath)
      end()
    })
  })
  return router
}
