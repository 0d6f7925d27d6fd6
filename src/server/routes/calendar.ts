import { type RequestHandler, Router } from 'express'
import { LRUCache } from 'lru-cache'
import { calendarPostSchema, ROUTES } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import type { Calendars } from '../calendars'
import { parse } from '../problems'
import { findBake } from '../records/bakes/bakes'
import { listAddresses, makeAddress, readAt, revokeAddress } from '../records/calendar/calendar'
import { readWork, type Work } from '../records/work'
import { idIn, reads, type Services, writes } from './route'

/** The steps to come, for calendars: as a file, and at private addresses that update. */
export function calendarRoutes(services: Services): Router {
  const router = Router()
  const kept = keptFiles(services)
  const files =
    (name: string, bakeOf: (req: Parameters<RequestHandler>[0], work: Work) => Promise<string | null>): RequestHandler =>
    async (req, res) => {
      const work = readWork(services.database, services.clock.now())
      const bakeId = await bakeOf(req, work)
      // One that is not there is told here, where its answer is known.
      if (bakeId !== null) await findBake(work, bakeId)
      const text = await kept(bakeId, work.nowMs)
      res.type('text/calendar; charset=utf-8').setHeader('Content-Disposition', `inline; filename="${name}.ics"`)
      res.send(text)
    }
  router.get(
    ROUTES.calendar,
    files('olvent', async () => null)
  )
  router.get(
    ROUTES.bakeCalendar(':id'),
    files('bake', async (req) => idIn(req, THINGS.bake))
  )
  router.get(
    ROUTES.calendarAt(':token'),
    files('olvent', async (req, work) => {
      await readAt(work, String(req.params.token))
      return null
    })
  )
  router.get(
    ROUTES.calendarAddresses,
    reads(services, async (work) => ({ addresses: await listAddresses(work) }))
  )
  router.post(
    ROUTES.calendarAddresses,
    writes(
      services,
      async (work, req) => {
        const { id, name } = parse(calendarPostSchema, req.body)
        const token = await makeAddress(work, id, name)
        return { addresses: await listAddresses(work), path: ROUTES.calendarAt(token) }
      },
      { secret: true }
    )
  )
  router.delete(
    ROUTES.calendarAddress(':id'),
    writes(services, async (work, req) => {
      await revokeAddress(work, idIn(req, THINGS.address))
      return { addresses: await listAddresses(work) }
    })
  )
  return router
}

/** A file tells the steps to come from now, so it is made anew after so long even where nothing has changed, ms. */
const FRESH_MS = 60_000
const FILES_KEPT = 50

/** Files are made once for all who ask, until something is written or a minute has passed. */
function keptFiles({ database, calendars }: Services): Calendars['file'] {
  const files = new LRUCache<string, Promise<string>>({ max: FILES_KEPT })
  return (bakeId, nowMs) => {
    const key = `${bakeId} ${database.writes()} ${Math.floor(nowMs / FRESH_MS)}`
    const there = files.get(key)
    if (there !== undefined) return there
    const made = calendars.file(bakeId, nowMs)
    files.set(key, made)
    made.catch(() => files.delete(key))
    return made
  }
}
