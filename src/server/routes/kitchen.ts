import { Router } from 'express'
import { changesQuerySchema, firstRunSchema, kitchenPutSchema, kitchenToWire, ROUTES, readingsPostSchema } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { parse } from '../problems'
import { changesOf } from '../records/kitchen/changes'
import { firstRun } from '../records/kitchen/firstRun'
import { findKitchen, putKitchen } from '../records/kitchen/kitchens'
import { addReadings, readingsOf, setImportTakenBack } from '../records/kitchen/readings'
import { idIn, reads, type Services, writes } from './route'

/** The kitchen: its settings and places, and the first run. */
export function kitchenRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.kitchen,
    reads(services, async (work) => {
      const kitchen = await findKitchen(work)
      return { kitchen: kitchen === null ? null : kitchenToWire(kitchen) }
    })
  )
  router.put(
    ROUTES.kitchen,
    writes(services, async (work, req) => {
      const { version, kitchen } = parse(kitchenPutSchema, req.body)
      return kitchenToWire(await putKitchen(work, version, kitchen))
    })
  )
  router.post(
    ROUTES.firstRun,
    writes(services, async (work, req) => kitchenToWire(await firstRun(work, parse(firstRunSchema, req.body))))
  )
  router.get(
    ROUTES.changes,
    reads(services, (work, req) => {
      const { what, of } = parse(changesQuerySchema, req.query)
      return changesOf(work, what, of)
    })
  )
  router.get(
    ROUTES.placeReadings(':id'),
    reads(services, (work, req) => readingsOf(work, idIn(req, THINGS.place)))
  )
  router.post(
    ROUTES.placeReadings(':id'),
    writes(services, (work, req) => addReadings(work, idIn(req, THINGS.place), parse(readingsPostSchema, req.body)))
  )
  router.delete(
    ROUTES.readingsImport(':id'),
    writes(services, (work, req) => setImportTakenBack(work, idIn(req, THINGS.import), true))
  )
  router.put(
    ROUTES.readingsImport(':id'),
    writes(services, (work, req) => setImportTakenBack(work, idIn(req, THINGS.import), false))
  )
  return router
}
