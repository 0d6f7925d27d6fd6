import { Router } from 'express'
import { clockMoveSchema, isoOf, ROUTES } from '../../contract'
import { parse } from '../problems'
import type { Services } from './route'

/** The server's time. It can be moved only while it stands still for tests and pictures; all windows follow. */
export function clockRoutes({ clock, hub }: Services): Router {
  const router = Router()
  const answer = () => ({ now: isoOf(clock.now()), fixed: clock.fixed })
  router.get(ROUTES.clock, (_req, res) => {
    res.json(answer())
  })
  if (clock.fixed) {
    router.post(ROUTES.clock, (req, res) => {
      clock.moveTo(parse(clockMoveSchema, req.body).now)
      hub.publish({ type: 'changed', path: req.path, window: null })
      res.json(answer())
    })
  }
  return router
}
