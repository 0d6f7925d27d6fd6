import { Router } from 'express'
import { ROUTES, stockSchema, undoSchema } from '../../contract'
import { moveStock, shelf, undoStock } from '../records/shelf/shelf'
import { deed, reads, type Services } from './route'

/** The shelf: what is in store, what is bought, counted and blended. */
export function shelfRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.shelf,
    reads(services, (work) => shelf(work))
  )
  router.post(ROUTES.stock, deed(services, stockSchema, moveStock, shelf))
  router.post(ROUTES.stockUndo, deed(services, undoSchema, undoStock, shelf))
  return router
}
