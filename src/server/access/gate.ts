import { millisecondsInHour } from 'date-fns/constants'
import type { Request, RequestHandler, Response } from 'express'
import { ROUTES } from '../../contract'
import { REFUSE_ACCESS } from '../../words/refusals/access'
import type { Clock } from '../clock'
import type { Database } from '../db/connect'
import { Problem } from '../problems'
import { readWork, writeWork } from '../records/work'
import { IDLE_MS, sessionBehind, sessionSeen } from './doors'

export const COOKIE = 'olvent_session'
/** That a device was seen is kept no more often than this. */
const SEEN_EVERY_MS = millisecondsInHour
const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])
const LOCAL_HOSTS = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/i
/** Whoever comes by one of these headers comes through another server, and so from elsewhere. */
const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-real-ip'] as const

/** Whether a request comes from the machine of the server itself. */
export function isThisMachine(req: Request): boolean {
  return (
    LOOPBACK.has(req.socket.remoteAddress ?? '') && LOCAL_HOSTS.test(req.headers.host ?? '') && FORWARDED.every((header) => req.headers[header] === undefined)
  )
}

/** Whom a request comes from. */
export interface Caller {
  readonly thisMachine: boolean
  /** Id of its session; null on this machine. */
  readonly sessionId: string | null
  /** Name of the device; null on this machine. */
  readonly name: string | null
}
export const callerOf = (res: Response) => res.locals.caller as Caller

/** What answers without a session: each has its own key, or tells nothing. */
const OPEN: readonly { readonly method: string; readonly path: RegExp }[] = [
  { method: 'GET', path: new RegExp(`^${ROUTES.health}$`) },
  { method: 'POST', path: new RegExp(`^${ROUTES.session}$`) },
  { method: 'GET', path: /^\/calendar\/[^/]+\.ics$/ },
  { method: 'POST', path: /^\/api\/devices\/[^/]+\/readings$/ }
]

/** Lets nobody but this machine and signed-in devices to the kitchen. */
export function gate(database: Database, clock: Clock): RequestHandler {
  return async (req, res, next) => {
    const path = `${req.baseUrl}${req.path}`
    const thisMachine = isThisMachine(req)
    let caller: Caller = { thisMachine, sessionId: null, name: null }
    const token = thisMachine ? null : tokenOf(req)
    const session = token === null ? null : await sessionBehind(readWork(database, clock.now()), token)
    if (session !== null) {
      caller = { thisMachine, sessionId: session.id, name: session.name }
      if (clock.now() - Number(session.seenAtMs) > SEEN_EVERY_MS) await writeWork(database, clock.now(), (work) => sessionSeen(work, session.id))
    }
    res.locals.caller = caller
    if (!thisMachine && session === null && !OPEN.some((open) => open.method === req.method && open.path.test(path)))
      throw new Problem(401, 'sign in', REFUSE_ACCESS.signInWithPassphraseThis)
    next()
  }
}

/** The token of a request's cookie. */
function tokenOf(req: Request): string | null {
  for (const part of (req.headers.cookie ?? '').split(';')) {
    const [name, value] = part.trim().split('=')
    if (name === COOKIE && value !== undefined && value !== '') return value
  }
  return null
}

/** Gives a device its token, or takes it away. Pages of others never send it, and no script reads it. */
export function setCookie(res: Response, token: string | null): void {
  res.cookie(COOKIE, token ?? '', { httpOnly: true, sameSite: 'strict', path: '/', maxAge: token === null ? 0 : IDLE_MS })
}
