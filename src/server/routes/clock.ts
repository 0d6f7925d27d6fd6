import { Router } from 'express'
import { clockMoveSchema, ROUTES } from '../../contract'
import { parse } from '../problems'
import type { Services } from './route'

/** The server's time. It can be moved only while it stands still for tests and pictures; all windows follow. */
export function clockRoutes({ clock, hub }: Services): Router {
  const router = Router()
  const answer = () => ({ now: new Date(clock.now()).toISOString(), fixed: clock.fixed })
  router.get(ROUTES.clock, (_req, res) => {
    res.json(answer())
  })
  if (clock.fixed) {
    router.post(ROUTES.clock, (req, res) => {
      clock.moveTo(Date.parse(parse(clockMoveSchema, req.body).now))
      hub.publish({ type: 'changed', path: req.path, window: null })
      res.json(answer())
    })
  }
  return router
}
