import { type RequestHandler, Router } from 'express'
import { calendarPostSchema, ROUTES } from '../../contract'
import { parse } from '../problems'
import { calendarBehind, calendarFile, listAddresses, makeAddress, revokeAddress } from '../records/calendar'
import { readWork, type Work } from '../records/work'
import { idIn, reads, type Services, writes } from './route'

/** The steps to come, for calendars: as a file, and at private addresses that update. */
export function calendarRoutes(services: Services): Router {
  const router = Router()
  const files =
    (name: string, file: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<string>): RequestHandler =>
    async (req, res) => {
      const text = await file(readWork(services.database, services.clock.now()), req)
      res.type('text/calendar; charset=utf-8').setHeader('Content-Disposition', `inline; filename="${name}.ics"`)
      res.send(text)
    }
  router.get(
    ROUTES.calendar,
    files('olvent', (work) => calendarFile(work, null))
  )
  router.get(
    ROUTES.bakeCalendar(':id'),
    files('bake', (work, req) => calendarFile(work, idIn(req, 'This bake')))
  )
  router.get(
    ROUTES.calendarAt(':token'),
    files('olvent', (work, req) => calendarBehind(work, String(req.params.token)))
  )
  router.get(
    ROUTES.calendarAddresses,
    reads(services, async (work) => ({ addresses: await listAddresses(work) }))
  )
  router.post(
    ROUTES.calendarAddresses,
    writes(services, async (work, req) => {
      const { id, name } = parse(calendarPostSchema, req.body)
      const token = await makeAddress(work, id, name)
      return { addresses: await listAddresses(work), path: ROUTES.calendarAt(token) }
    })
  )
  router.delete(
    ROUTES.calendarAddress(':id'),
    writes(services, async (work, req) => {
      await revokeAddress(work, idIn(req, 'This address'))
      return { addresses: await listAddresses(work) }
    })
  )
  return router
}
