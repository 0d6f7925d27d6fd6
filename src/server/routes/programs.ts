import { Router } from 'express'
import { programEntrySchema, programPostSchema, ROUTES, undoSchema } from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { parse } from '../problems'
import { addProgramEntry, findProgram, setProgramEnded, startProgram, undoProgramEntry } from '../records/jars/programs'
import { changes, idIn, reads, type Services, writes } from './route'

/** Guided runs of days with a jar. */
export function programRoutes(services: Services): Router {
  const router = Router()
  router.post(
    ROUTES.programs,
    writes(services, async (work, req) => {
      const post = parse(programPostSchema, req.body)
      await startProgram(work, post)
      return findProgram(work, post.id)
    })
  )
  router.get(
    ROUTES.program(':id'),
    reads(services, (work, req) => findProgram(work, idIn(req, THINGS.program)))
  )
  router.delete(
    ROUTES.program(':id'),
    changes(services, THINGS.program, findProgram, (work, id) => setProgramEnded(work, id, true))
  )
  router.put(
    ROUTES.program(':id'),
    changes(services, THINGS.program, findProgram, (work, id) => setProgramEnded(work, id, false))
  )
  router.post(
    ROUTES.programEntries(':id'),
    changes(services, THINGS.program, findProgram, (work, id, body) => addProgramEntry(work, id, parse(programEntrySchema, body)))
  )
  router.post(
    ROUTES.programUndo(':id'),
    changes(services, THINGS.program, findProgram, (work, id, body) => undoProgramEntry(work, id, parse(undoSchema, body)))
  )
  return router
}
