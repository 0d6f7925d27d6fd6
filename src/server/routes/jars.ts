import { Router } from 'express'
import {
  buildToWire,
  discardUseSchema,
  feedSchema,
  jarCorrectionSchema,
  jarEndSchema,
  jarHistoryQuerySchema,
  jarLookSchema,
  jarMoveSchema,
  jarOpeningSchema,
  jarPacePutSchema,
  jarPutOffSchema,
  jarPutSchema,
  jarSplitSchema,
  jarToWire,
  ROUTES,
  togetherSchema,
  undoSchema,
  weighingSchema
} from '../../contract'
import { THINGS } from '../../words/refusals/things'
import { parse } from '../problems'
import { endJar, restoreJar } from '../records/jars/deeds/end'
import { feedByHand } from '../records/jars/deeds/feedByHand'
import { lookAtJar } from '../records/jars/deeds/look'
import { moveJar } from '../records/jars/deeds/move'
import { putOffFeed } from '../records/jars/deeds/putOff'
import { splitJar } from '../records/jars/deeds/split'
import { undoJar } from '../records/jars/deeds/undo'
import { weighJar } from '../records/jars/deeds/weighing'
import { discardPot, takeDiscard, undoDiscard } from '../records/jars/discard'
import { jarHistory } from '../records/jars/jarHistory'
import { jarLog } from '../records/jars/jarLog'
import { editJar, findJar, listJars, setPace } from '../records/jars/jars'
import { correctJar, openJar, toldOfJar } from '../records/jars/opening'
import { doTogether, undoTogether } from '../records/together'
import type { Work } from '../records/work'
import { changes, deed, idIn, reads, readsLog, type Services, writes } from './route'

/** One jar, and all of them, as they are told. */
const told = async (work: Work, id: string) => jarToWire(await findJar(work, id))
const toldAll = async (work: Work) => ({ jars: (await listJars(work)).map(jarToWire) })

/** Jars: opened, fed, weighed; and the discard pot they fill. */
export function jarRoutes(services: Services): Router {
  const router = Router()
  router.get(ROUTES.jars, reads(services, toldAll))
  router.post(
    ROUTES.jars,
    writes(services, async (work, req) => {
      const opening = parse(jarOpeningSchema, req.body)
      await openJar(work, opening)
      return told(work, opening.id)
    })
  )
  router.put(
    ROUTES.jar(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => editJar(work, id, parse(jarPutSchema, body)))
  )
  router.get(
    ROUTES.jarTold(':id'),
    reads(services, (work, req) => toldOfJar(work, idIn(req, THINGS.jar)))
  )
  router.post(
    ROUTES.jarTold(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => correctJar(work, id, parse(jarCorrectionSchema, body)))
  )
  router.post(
    ROUTES.jarLooks(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => lookAtJar(work, id, parse(jarLookSchema, body)))
  )
  router.post(
    ROUTES.jarEnd(':id'),
    writes(services, async (work, req) => {
      await endJar(work, idIn(req, THINGS.jar), parse(jarEndSchema, req.body))
      return toldAll(work)
    })
  )
  router.post(
    ROUTES.jarRestore(':id'),
    writes(services, async (work, req) => jarToWire(await restoreJar(work, idIn(req, THINGS.jar), parse(undoSchema, req.body))))
  )
  router.post(
    ROUTES.jarFeeds(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => feedByHand(work, id, parse(feedSchema, body)))
  )
  router.post(
    ROUTES.jarWeighings(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => weighJar(work, id, parse(weighingSchema, body)))
  )
  router.post(
    ROUTES.jarUndo(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => undoJar(work, id, parse(undoSchema, body)))
  )
  router.post(
    ROUTES.jarSplits(':id'),
    writes(services, async (work, req) => {
      const split = parse(jarSplitSchema, req.body)
      await splitJar(work, idIn(req, THINGS.jar), split)
      return told(work, split.jarId)
    })
  )
  router.post(
    ROUTES.jarMoves(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => moveJar(work, id, parse(jarMoveSchema, body)))
  )
  router.post(
    ROUTES.jarPutOff(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => putOffFeed(work, id, parse(jarPutOffSchema, body)))
  )
  router.get(
    ROUTES.jarHistory(':id'),
    reads(services, (work, req) => jarHistory(work, idIn(req, THINGS.jar), parse(jarHistoryQuerySchema, req.query)))
  )
  router.get(
    ROUTES.jarLog(':id'),
    readsLog(services, async (work, req) => ({ builds: (await jarLog(work, idIn(req, THINGS.jar))).builds.map(buildToWire) }))
  )
  router.put(
    ROUTES.jarPace(':id'),
    changes(services, THINGS.jar, told, (work, id, body) => setPace(work, id, parse(jarPacePutSchema, body)))
  )
  router.post(ROUTES.together, deed(services, togetherSchema, doTogether, toldAll))
  router.post(ROUTES.togetherUndo, deed(services, undoSchema, undoTogether, toldAll))
  router.get(
    ROUTES.discard,
    reads(services, (work) => discardPot(work))
  )
  router.post(ROUTES.discard, deed(services, discardUseSchema, takeDiscard, discardPot))
  router.post(ROUTES.discardUndo, deed(services, undoSchema, undoDiscard, discardPot))
  return router
}
