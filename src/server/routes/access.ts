import { type RequestHandler, Router } from 'express'
import { isoOf, passphrasePutSchema, ROUTES, signInSchema, type WireAccess } from '../../contract'
import { REFUSE_ROUTES } from '../../words/refusals/routes'
import { THINGS } from '../../words/refusals/things'
import { checkPassphrase, closeSession, listSessions, openSession, passphraseOf, setPassphrase } from '../access/doors'
import { callerOf, setCookie } from '../access/gate'
import { createPairings } from '../access/pairings'
import { createThrottle } from '../access/throttle'
import { Problem, parse } from '../problems'
import { readWork, type Work, writeWork } from '../records/work'
import { idIn, type Services } from './route'

/** Who may come in: signing in and out, the devices that are in, codes for another one, the passphrase. */
export function accessRoutes({ database, clock, addresses, live }: Services): Router {
  const router = Router()
  const throttle = createThrottle()
  const pairings = createPairings()
  // One guess is worked on at a time, so that guessing fills neither memory nor cores.
  let guessing: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(guess: () => Promise<T>): Promise<T> => {
    const next = guessing.then(guess)
    guessing = next.catch(() => undefined)
    return next
  }
  const addressOf = (req: Parameters<RequestHandler>[0]) => req.socket.remoteAddress ?? ''
  /** Runs what may be guessed at; a wrong guess counts. */
  const guarded = (req: Parameters<RequestHandler>[0], check: () => Promise<void>) =>
    inTurn(async () => {
      throttle.admit(addressOf(req))
      try {
        await check()
      } catch (error) {
        throttle.slipped(addressOf(req))
        throw error
      }
      throttle.succeeded(addressOf(req))
    })
  const told = async (work: Work, res: Parameters<RequestHandler>[1]): Promise<WireAccess> => {
    const { thisMachine, sessionId } = callerOf(res)
    return {
      thisMachine,
      atHome: addresses.length > 0,
      hasPassphrase: (await passphraseOf(work)) !== null,
      addresses: [...addresses],
      sessions: await listSessions(work, sessionId)
    }
  }
  router.get(ROUTES.access, async (_req, res) => {
    res.json(await told(readWork(database, clock.now()), res))
  })
  router.post(ROUTES.session, async (req, res) => {
    const asked = parse(signInSchema, req.body)
    await guarded(req, async () => {
      if ('code' in asked) pairings.use(asked.code, clock.now())
      else await checkPassphrase(readWork(database, clock.now()), asked.passphrase)
    })
    const { id, token } = await writeWork(database, clock.now(), (work) => openSession(work, asked.name))
    setCookie(res, token)
    res.json({ id })
  })
  router.delete(ROUTES.sessionOf(':id'), async (req, res) => {
    const id = idIn(req, THINGS.device)
    const answer = await writeWork(database, clock.now(), async (work) => {
      await closeSession(work, id)
      return told(work, res)
    })
    live.close(id)
    if (callerOf(res).sessionId === id) setCookie(res, null)
    res.json(answer)
  })
  router.post(ROUTES.pairings, (_req, res) => {
    const { code, untilMs } = pairings.make(clock.now())
    res.json({ code, until: isoOf(untilMs) })
  })
  router.put(ROUTES.passphrase, async (req, res) => {
    const { current, next } = parse(passphrasePutSchema, req.body)
    const { thisMachine, sessionId } = callerOf(res)
    if (!thisMachine) {
      if (current === undefined) throw new Problem(400, 'wrong passphrase', REFUSE_ROUTES.typePresentPassphraseToo)
      await guarded(req, () => checkPassphrase(readWork(database, clock.now()), current))
    }
    const answer = await writeWork(database, clock.now(), async (work) => {
      await setPassphrase(work, next, sessionId)
      return told(work, res)
    })
    live.closeAllBut(sessionId)
    res.json(answer)
  })
  return router
}
