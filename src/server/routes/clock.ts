import { Router } from 'express'
import { clockMoveSchema, isoOf, ROUTES } from '../../contract'
import { parse } from '../problems'
import { lastEntryMs, readWork } from '../records/work'
import type { Services } from './route'

/** The server's time, and when the newest entry was made. It can be moved only while it stands still for tests and pictures; all windows follow. */
export function clockRoutes({ database, clock, hub }: Services): Router {
  const router = Router()
  const answer = async () => {
    const nowMs = clock.now()
    const lastMs = await lastEntryMs(readWork(database, nowMs))
    return { now: isoOf(nowMs), fixed: clock.fixed, lastEntryAt: lastMs === null ? null : isoOf(lastMs) }
  }
  router.get(ROUTES.clock, async (_req, res) => {
    res.json(await answer())
  })
  if (clock.fixed) {
    router.post(ROUTES.clock, async (req, res) => {
      clock.moveTo(parse(clockMoveSchema, req.body).now)
      hub.publish({ type: 'changed', path: req.path, window: null })
      res.json(await answer())
    })
  }
  return router
}
