import { Router } from 'express'
import { bakeEventSchema, bakePostSchema, bakePutSchema, bakeQuerySchema, ROUTES } from '../../contract'
import { parse } from '../problems'
import { addBakeEvent } from '../records/bakeEvents'
import { createBake, findBake, listBakes, putBake, setDeleted } from '../records/bakes'
import { idIn, reads, type Services, writes } from './route'

/** Bakes: wished for, changed, and what happened to them. */
export function bakeRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.bakes,
    reads(services, (work, req) => listBakes(work, parse(bakeQuerySchema, req.query)))
  )
  router.post(
    ROUTES.bakes,
    writes(services, (work, req) => {
      const { id, plan } = parse(bakePostSchema, req.body)
      return createBake(work, id, plan)
    })
  )
  router.get(
    ROUTES.bake(':id'),
    reads(services, (work, req) => findBake(work, idIn(req, 'This bake')))
  )
  router.put(
    ROUTES.bake(':id'),
    writes(services, (work, req) => {
      const { version, plan } = parse(bakePutSchema, req.body)
      return putBake(work, idIn(req, 'This bake'), version, plan)
    })
  )
  router.delete(
    ROUTES.bake(':id'),
    writes(services, (work, req) => setDeleted(work, idIn(req, 'This bake'), true))
  )
  router.post(
    ROUTES.bakeRestore(':id'),
    writes(services, (work, req) => setDeleted(work, idIn(req, 'This bake'), false))
  )
  router.post(
    ROUTES.bakeEvents(':id'),
    writes(services, async (work, req) => {
      const id = idIn(req, 'This bake')
      await addBakeEvent(work, id, parse(bakeEventSchema, req.body))
      return findBake(work, id)
    })
  )
  return router
}
