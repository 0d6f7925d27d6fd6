import { Router } from 'express'
import { feedSchema, jarOpeningSchema, ROUTES, undoSchema, weighingSchema } from '../../contract'
import { parse } from '../problems'
import { feedJar, listJars, openJar, undoFeed, weighJar } from '../records/jars'
import { idIn, reads, type Services, writes } from './route'

/** Jars: opened, fed, weighed. */
export function jarRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.jars,
    reads(services, async (work) => ({ jars: await listJars(work) }))
  )
  router.post(
    ROUTES.jars,
    writes(services, (work, req) => openJar(work, parse(jarOpeningSchema, req.body)))
  )
  router.post(
    ROUTES.jarFeeds(':id'),
    writes(services, (work, req) => feedJar(work, idIn(req, 'This jar'), parse(feedSchema, req.body)))
  )
  router.post(
    ROUTES.jarWeighings(':id'),
    writes(services, (work, req) => weighJar(work, idIn(req, 'This jar'), parse(weighingSchema, req.body)))
  )
  router.post(
    ROUTES.jarUndo(':id'),
    writes(services, (work, req) => undoFeed(work, idIn(req, 'This jar'), parse(undoSchema, req.body)))
  )
  return router
}
