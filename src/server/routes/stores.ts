import { type RequestHandler, Router } from 'express'
import { ingredientIdSchema, ingredientPutSchema, ROUTES, vesselPutSchema } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { notFound, parse } from '../problems'
import { dropIngredient, listIngredients, putIngredient } from '../records/shelf/ingredients'
import { listVessels, putVessel, setVesselDeleted } from '../records/shelf/vessels'
import { idIn, reads, type Services, writes } from './route'

/** Ingredients and vessels of the kitchen. */
export function storeRoutes(services: Services): Router {
  const router = Router()
  const ingredientId = (req: Parameters<RequestHandler>[0]) => {
    const parsed = ingredientIdSchema.safeParse(req.params.id)
    if (!parsed.success) throw notFound(THINGS.ingredient)
    return parsed.data
  }
  router.get(
    ROUTES.ingredients,
    reads(services, async (work) => ({ ingredients: await listIngredients(work) }))
  )
  router.put(
    `${ROUTES.ingredients}/:id`,
    writes(services, (work, req) => putIngredient(work, ingredientId(req), parse(ingredientPutSchema, req.body)))
  )
  router.delete(
    `${ROUTES.ingredients}/:id`,
    writes(services, (work, req) => dropIngredient(work, ingredientId(req)))
  )
  router.get(
    ROUTES.vessels,
    reads(services, async (work) => ({ vessels: await listVessels(work) }))
  )
  router.put(
    ROUTES.vessel(':id'),
    writes(services, (work, req) => putVessel(work, idIn(req, THINGS.vessel), parse(vesselPutSchema, req.body)))
  )
  router.delete(
    ROUTES.vessel(':id'),
    writes(services, (work, req) => setVesselDeleted(work, idIn(req, THINGS.vessel), true))
  )
  router.post(
    ROUTES.vesselRestore(':id'),
    writes(services, (work, req) => setVesselDeleted(work, idIn(req, THINGS.vessel), false))
  )
  return router
}
