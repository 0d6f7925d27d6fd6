import { Router } from 'express'
import { ROUTES, stockSchema, undoSchema } from '../../contract'
import { parse } from '../problems'
import { moveStock, shelf, undoStock } from '../records/shelf'
import { reads, type Services, writes } from './route'

/** The shelf: what is in store, what is bought, counted and blended. */
export function shelfRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.shelf,
    reads(services, (work) => shelf(work))
  )
  router.post(
    ROUTES.stock,
    writes(services, async (work, req) => {
      await moveStock(work, parse(stockSchema, req.body))
      return shelf(work)
    })
  )
  router.post(
    ROUTES.stockUndo,
    writes(services, async (work, req) => {
      await undoStock(work, parse(undoSchema, req.body))
      return shelf(work)
    })
  )
  return router
}
