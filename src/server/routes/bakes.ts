import { Router } from 'express'
import { bakeEventSchema, bakePostSchema, bakePutSchema, bakeQuerySchema, bakeToWire, ROUTES } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { parse } from '../problems'
import { addBakeEvent } from '../records/bakes/addBakeEvent'
import { createBake, findBake, listBakes, putBake } from '../records/bakes/bakes'
import { setDeleted } from '../records/bakes/learnFromBakes'
import type { Work } from '../records/work'
import { changes, idIn, reads, type Services, writes } from './route'

/** One bake as it is told. */
const told = async (work: Work, id: string) => bakeToWire(await findBake(work, id))

/** Bakes: wished for, changed, and what happened to them. */
export function bakeRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.bakes,
    reads(services, async (work, req) => {
      const { bakes, total } = await listBakes(work, parse(bakeQuerySchema, req.query))
      return { bakes: bakes.map(bakeToWire), total }
    })
  )
  router.post(
    ROUTES.bakes,
    writes(services, async (work, req) => {
      const { id, plan } = parse(bakePostSchema, req.body)
      await createBake(work, id, plan)
      return told(work, id)
    })
  )
  router.get(
    ROUTES.bake(':id'),
    reads(services, (work, req) => told(work, idIn(req, THINGS.bake)))
  )
  router.put(
    ROUTES.bake(':id'),
    changes(services, THINGS.bake, told, (work, id, body) => {
      const { version, plan } = parse(bakePutSchema, body)
      return putBake(work, id, version, plan)
    })
  )
  router.delete(
    ROUTES.bake(':id'),
    changes(services, THINGS.bake, told, (work, id) => setDeleted(work, id, true))
  )
  router.post(
    ROUTES.bakeRestore(':id'),
    changes(services, THINGS.bake, told, (work, id) => setDeleted(work, id, false))
  )
  router.post(
    ROUTES.bakeEvents(':id'),
    changes(services, THINGS.bake, told, (work, id, body) => addBakeEvent(work, id, parse(bakeEventSchema, body)))
  )
  return router
}
