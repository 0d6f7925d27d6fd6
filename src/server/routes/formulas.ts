import { Router } from 'express'
import { formulaPostSchema, formulaPutSchema, ROUTES } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { parse } from '../problems'
import { createFormula, formulaVersions, listFormulas, putFormula, setFormulaDeleted } from '../records/shelf/formulas'
import { idIn, reads, type Services, writes } from './route'

/** The formula library. */
export function formulaRoutes(services: Services): Router {
  const router = Router()
  router.get(
    ROUTES.formulas,
    reads(services, async (work) => ({ formulas: await listFormulas(work) }))
  )
  router.post(
    ROUTES.formulas,
    writes(services, (work, req) => createFormula(work, parse(formulaPostSchema, req.body)))
  )
  router.put(
    ROUTES.formula(':id'),
    writes(services, (work, req) => putFormula(work, idIn(req, THINGS.recipe), parse(formulaPutSchema, req.body)))
  )
  router.delete(
    ROUTES.formula(':id'),
    writes(services, (work, req) => setFormulaDeleted(work, idIn(req, THINGS.recipe), true))
  )
  router.post(
    ROUTES.formulaRestore(':id'),
    writes(services, (work, req) => setFormulaDeleted(work, idIn(req, THINGS.recipe), false))
  )
  router.get(
    ROUTES.formulaVersions(':id'),
    reads(services, (work, req) => formulaVersions(work, idIn(req, THINGS.recipe)))
  )
  return router
}
