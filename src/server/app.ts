import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { ROUTES } from '../contract'
import { REFUSE_SERVER } from '../words/refusals/server'
import { gate } from './access/gate'
import { apiNotFound, errorHandler, Problem } from './problems'
import { accessRoutes } from './routes/access'
import { bakeRoutes } from './routes/bakes'
import { calendarRoutes } from './routes/calendar'
import { clockRoutes } from './routes/clock'
import { deviceRoutes } from './routes/devices'
import { formulaRoutes } from './routes/formulas'
import { jarRoutes } from './routes/jars'
import { keepingRoutes } from './routes/keeping'
import { kitchenRoutes } from './routes/kitchen'
import { pictureRoutes } from './routes/pictures'
import { programRoutes } from './routes/programs'
import type { Services } from './routes/route'
import { shelfRoutes } from './routes/shelf'
import { storeRoutes } from './routes/stores'

/** What an app is made of. */
export interface AppParts extends Services {
  readonly log: Logger
  /** Folder of the built web part, or null to answer only below /api. */
  readonly webFolder: string | null
  /** Names it may be called by besides this machine's own. */
  readonly hostNames: readonly string[]
}

/** Largest body taken, and requests a minute from one address. */
const BODY_LIMIT = '256kb'
const REQUESTS_PER_MINUTE = 1200
/** Devices push ten times a second. */
const PUSHES_PER_MINUTE = 6000
const PUSHES = /^\/api\/devices\/[^/]+\/readings$/

/** The web server: guards first, then the resources, then the pages. */
export function createApp({ log, webFolder, hostNames, ...services }: AppParts): Express {
  const { database, clock } = services
  const app = express()
  app.disable('x-powered-by')
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: (req) => req.url === ROUTES.health || req.url === ROUTES.live },
      serializers: { req: (req) => ({ method: req.method, url: withoutToken(req.url) }), res: (res) => ({ status: res.statusCode }) }
    })
  )
  app.use(hostGuard(hostNames))
  app.use(withNonce, (req, res, next) => {
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'", `'nonce-${res.locals.nonce as string}'`],
          // A picture is looked at here before it is kept.
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"]
        }
      },
      strictTransportSecurity: false,
      // Browsers heed these only over https, and complain about them otherwise.
      crossOriginOpenerPolicy: false,
      originAgentCluster: false
    })(req, res, next)
  })
  app.use(compression({ filter: (req, res) => req.path !== ROUTES.live && compression.filter(req, res) }))
  app.use(
    ['/api', '/calendar'],
    rateLimit({
      windowMs: 60_000,
      // Whoever can move the clock may also ask as often as they like: a kitchen under test lives a week in a minute.
      skip: () => clock.fixed,
      limit: (req) => (PUSHES.test(req.originalUrl) ? PUSHES_PER_MINUTE : REQUESTS_PER_MINUTE),
      keyGenerator: (req) => `${PUSHES.test(req.originalUrl) ? 'push ' : ''}${ipKeyGenerator(req.ip ?? '')}`,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: tooMany
    })
  )
  app.use(['/api', '/calendar'], (_req, res, next) => {
    res.setHeader('Cache-Control', 'no-store')
    next()
  })
  app.use(['/api', '/calendar'], gate(database, clock))
  app.use('/api', express.json({ limit: BODY_LIMIT, verify: (_req, _res, bytes) => refuseNul(bytes) }))

  app.get(ROUTES.health, (_req, res) => {
    res.json({ ok: true })
  })
  for (const routes of [
    accessRoutes,
    keepingRoutes,
    clockRoutes,
    kitchenRoutes,
    jarRoutes,
    programRoutes,
    storeRoutes,
    shelfRoutes,
    formulaRoutes,
    bakeRoutes,
    calendarRoutes,
    deviceRoutes,
    pictureRoutes
  ])
    app.use(routes(services))
  app.use(['/api', '/calendar'], apiNotFound)
  if (webFolder !== null) servePages(app, webFolder)
  app.use(errorHandler)
  return app
}

const withNonce: RequestHandler = (_req, res, next) => {
  res.locals.nonce = randomBytes(16).toString('base64')
  next()
}

const tooMany: RequestHandler = () => {
  throw new Problem(429, 'too many', REFUSE_SERVER.thatWasVeryManyRequests)
}

/** No text holds a NUL, plain or escaped; SQLite and calendars would end at it. */
function refuseNul(bytes: Buffer): void {
  if (bytes.includes(0) || bytes.includes('\\u0000')) throw new Problem(400, 'not understood', REFUSE_SERVER.thisTextHoldsCharacterThat)
}

/** A calendar's token is all its reader needs, so it stands in no log. */
const withoutToken = (url: string) => url.replace(/^(\/calendar\/)[^/?]+/, '$1…')

const LOCAL_NAMES = ['127.0.0.1', 'localhost', '[::1]']

/** Answers only to known names, and takes writes only from its own pages: a page of somebody else cannot reach the kitchen. */
function hostGuard(hostNames: readonly string[]): RequestHandler {
  const known = new Set([...LOCAL_NAMES, ...hostNames])
  const nameOf = (host: string) => host.toLowerCase().replace(/:\d+$/, '')
  return (req, res, next) => {
    const host = req.headers.host ?? ''
    const origin = req.headers.origin
    // A page on another port of this machine counts as the same site, and sends cookies along.
    const fromOtherPage = ['cross-site', 'same-site'].includes(String(req.headers['sec-fetch-site'])) && req.headers['sec-fetch-mode'] !== 'navigate'
    const strange = !known.has(nameOf(host)) || fromOtherPage || (origin !== undefined && origin.replace(/^https?:\/\//, '') !== host)
    if (!strange) return next()
    res.status(403)
    const message = REFUSE_SERVER.olventAnswersOnlyToOwn
    if (req.headers['sec-fetch-mode'] === 'navigate') res.type('text').send(message)
    else res.json({ error: { code: 'strange host', message } })
  }
}

/** Built files never change under their name; the page itself is filled with this answer's nonce. */
function servePages(app: Express, webFolder: string): void {
  const page = readFileSync(join(webFolder, 'index.html'), 'utf8')
  app.use('/assets', express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }))
  app.use(express.static(webFolder, { index: false }))
  app.use((req, res, next) => {
    if (req.method !== 'GET') return next(new Problem(404, 'no such address', REFUSE_SERVER.olventHasNothingAtThis))
    res.setHeader('Cache-Control', 'no-cache')
    res.type('html').send(page.replaceAll('__NONCE__', res.locals.nonce as string))
  })
}
