import { Router } from 'express'
import { bakeEventSchema, bakePostSchema, bakePutSchema, bakeQuerySchema, ROUTES } from '../../contract'
import { parse } from '../problems'
import { addBakeEvent } from '../records/bakeEvents'
import { createBake, findBake, listBakes, putBake, setDeleted } from '../records/bakes'
import { changes, idIn, reads, type Services, writes } from './route'

/** Bakes: wished for, changed, and what happened to them. */
export function bakeRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.bakes,
    reads(services, (work, req) => listBakes(work, parse(bakeQuerySchema, req.query)))
  )
  router.post(
    ROUTES.bakes,
    writes(services, async (work, req) => {
      const { id, plan } = parse(bakePostSchema, req.body)
      await createBake(work, id, plan)
      return findBake(work, id)
    })
  )
  router.get(
    ROUTES.bake(':id'),
    reads(services, (work, req) => findBake(work, idIn(req, 'This bake')))
  )
  router.put(
    ROUTES.bake(':id'),
    changes(services, 'This bake', findBake, (work, id, body) => {
      const { version, plan } = parse(bakePutSchema, body)
      return putBake(work, id, version, plan)
    })
  )
  router.delete(
    ROUTES.bake(':id'),
    changes(services, 'This bake', findBake, (work, id) => setDeleted(work, id, true))
  )
  router.post(
    ROUTES.bakeRestore(':id'),
    changes(services, 'This bake', findBake, (work, id) => setDeleted(work, id, false))
  )
  router.post(
    ROUTES.bakeEvents(':id'),
    changes(services, 'This bake', findBake, (work, id, body) => addBakeEvent(work, id, parse(bakeEventSchema, body)))
  )
  return router
}
