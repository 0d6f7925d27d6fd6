import { randomUUID } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { millisecondsInDay } from 'date-fns/constants'
import { pino } from 'pino'
import { readConfig } from '../config'
import { start } from '../start'
import { StartProblem } from '../startProblem'
import { allRoutes } from '../testing/routesOf'
import { firstRun, type Loose, startTestServer, type TestServer } from '../testing/testServer'
import { createPairings, PAIRING_MS } from './pairings'
import { hashPassphrase, isPassphrase } from './passphrase'
import { createThrottle } from './throttle'

const WORDS = 'four warm loaves on Saturday'
/** A name that is not this machine's own: whoever calls it by that comes from elsewhere. */
const ELSEWHERE = 'kitchen.home'

let server: TestServer
beforeEach(async () => {
  server = await startTestServer({ hosts: ELSEWHERE })
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  await server.send('PUT', '/api/passphrase', { next: WORDS })
})
afterEach(() => server.end())

interface GuestAnswer {
  readonly status: number
  readonly body: Loose
  readonly cookie: string | null
}

/** Asks as another device of the network would. */
function guest(
  method: string,
  path: string,
  { body, cookie, headers = {} }: { body?: unknown; cookie?: string | null; headers?: Record<string, string> } = {}
): Promise<GuestAnswer> {
  const { port } = new URL(server.address)
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        port,
        path,
        method,
        headers: {
          host: `${ELSEWHERE}:${port}`,
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...(cookie == null ? {} : { cookie: `olvent_session=${cookie}` }),
          ...headers
        }
      },
      (answer) => {
        const chunks: Buffer[] = []
        answer.on('data', (chunk: Buffer) => chunks.push(chunk))
        answer.on('end', () => {
          const text = Buffer.concat(chunks).toString()
          const given = answer.headers['set-cookie']?.[0] ?? null
          resolve({
            status: answer.statusCode ?? 0,
            body: text.startsWith('{') ? JSON.parse(text) : text,
            cookie: given === null ? null : (/olvent_session=([^;]*)/.exec(given)?.[1] ?? null)
          })
        })
      }
    )
    sent.on('error', reject)
    sent.end(body === undefined ? undefined : JSON.stringify(body))
  })
}
const signIn = (more: Record<string, unknown> = {}) => guest('POST', '/api/session', { body: { passphrase: WORDS, name: 'My phone', ...more } })

describe('an address beyond this machine', () => {
  test('is not served without a passphrase, and the sentence says what to type', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'olvent-home-'))
    const config = readConfig({ OLVENT_DATA: folder, PORT: '0', HOST: '0.0.0.0' }, ['--no-web'], folder)
    const opening = start(config, pino({ level: 'silent' }))
    await expect(opening).rejects.toThrow(StartProblem)
    await expect(opening).rejects.toThrow('npm start -- --home')
    const asked = await start(config, pino({ level: 'silent' }), { askPassphrase: async () => WORDS })
    expect(asked.addresses.length).toBeGreaterThan(0)
    expect(asked.addresses.join()).not.toContain('0.0.0.0')
    await asked.stop()
    await (await start(config, pino({ level: 'silent' }))).stop()
    await rm(folder, { recursive: true })
  })
})

describe('without a session', () => {
  test('no route answers but health, sign-in and what has a key of its own: the whole table walked', async () => {
    const routes = await allRoutes()
    expect(routes.length).toBeGreaterThan(60)
    const answered: string[] = []
    for (const { method, path } of routes) {
      const { status } = await guest(method, path.replace(/:\w+/g, randomUUID()), ['GET', 'DELETE'].includes(method) ? {} : { body: { id: randomUUID() } })
      if (status !== 401) answered.push(`${method} ${path} ${status}`)
    }
    expect(answered.sort()).toEqual([
      'GET /api/health 200',
      // Nobody has this calendar; whoever has its token may read it.
      'GET /calendar/:token.ics 404',
      // A device without its token, and a sign-in without a passphrase.
      'POST /api/devices/:id/readings 400',
      'POST /api/session 400'
    ])
    expect((await server.send('GET', '/api/jars')).body.jars).toHaveLength(1)
  })

  test('this machine needs none, unless it is called through another server', async () => {
    expect((await server.send('GET', '/api/kitchen')).status).toBe(200)
    expect((await server.send('GET', '/api/kitchen', undefined, { 'x-forwarded-for': '192.168.1.7' })).status).toBe(401)
  })

  test.each(['%2e%2e/api/kitchen', '/api/./kitchen', '/API/kitchen', '//api/kitchen', '/api/kitchen/', '/calendar/../api/kitchen.ics'])(
    'no way around by %s',
    async (path) => {
      const { status, body } = await guest('GET', path.startsWith('/') ? path : `/${path}`)
      expect([401, 404]).toContain(status)
      expect(JSON.stringify(body)).not.toContain('places')
    }
  )
})

describe('signed in', () => {
  test('with the passphrase, by a cookie that no script reads and no other page sends', async () => {
    const { status, cookie } = await signIn()
    expect(status).toBe(200)
    expect((await guest('GET', '/api/jars', { cookie })).body.jars).toHaveLength(1)
    const { sessions, thisMachine } = (await guest('GET', '/api/access', { cookie })).body
    expect([thisMachine, sessions.length, sessions[0].name, sessions[0].here]).toEqual([false, 1, 'My phone', true])
  })

  test('a wrong passphrase lets nobody in', async () => {
    const { status, body, cookie } = await signIn({ passphrase: 'four warm loaves on Sunday' })
    expect([status, body.error.code, cookie]).toEqual([403, 'wrong passphrase', null])
  })

  test('a session that was given beforehand is not taken over', async () => {
    const planted = 'A'.repeat(32)
    const { cookie } = await guest('POST', '/api/session', { cookie: planted, body: { passphrase: WORDS, name: 'My phone' } })
    expect(cookie).not.toBe(planted)
    expect((await guest('GET', '/api/jars', { cookie: planted })).status).toBe(401)
  })

  test('signed out, its cookie is worth nothing, also sent again; and so it is after ninety days unseen', async () => {
    const [first, second] = [await signIn(), await signIn({ name: 'Tablet' })]
    await guest('DELETE', `/api/sessions/${first.body.id}`, { cookie: second.cookie })
    expect((await guest('GET', '/api/jars', { cookie: first.cookie })).status).toBe(401)
    await server.send('POST', '/api/clock', { now: '2027-02-23T19:42:00.000Z' })
    expect((await guest('GET', '/api/jars', { cookie: second.cookie })).status).toBe(200)
    await server.send('POST', '/api/clock', { now: '2027-05-25T19:42:00.000Z' })
    expect((await guest('GET', '/api/jars', { cookie: second.cookie })).status).toBe(401)
  })

  test('a new passphrase ends all other sessions; elsewhere the present one is asked for', async () => {
    const [first, second] = [await signIn(), await signIn({ name: 'Tablet' })]
    const next = 'rye on the window sill'
    expect((await guest('PUT', '/api/passphrase', { cookie: first.cookie, body: { next } })).status).toBe(400)
    expect((await guest('PUT', '/api/passphrase', { cookie: first.cookie, body: { next, current: 'no idea at all' } })).status).toBe(403)
    expect((await guest('PUT', '/api/passphrase', { cookie: first.cookie, body: { next, current: WORDS } })).status).toBe(200)
    expect((await guest('GET', '/api/jars', { cookie: first.cookie })).status).toBe(200)
    expect((await guest('GET', '/api/jars', { cookie: second.cookie })).status).toBe(401)
    expect((await signIn()).status).toBe(403)
    expect((await signIn({ passphrase: next })).status).toBe(200)
  })

  test('a page on another port of the same machine cannot write, nor one that calls itself by another name', async () => {
    const { cookie } = await signIn()
    const { port } = new URL(server.address)
    const write = (headers: Record<string, string>) => guest('POST', '/api/bakes', { cookie, body: {}, headers })
    expect((await write({ origin: `http://${ELSEWHERE}:${Number(port) + 1}` })).status).toBe(403)
    expect((await write({ 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' })).status).toBe(403)
    expect((await guest('GET', '/api/jars', { cookie, headers: { 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' } })).status).toBe(403)
    expect((await guest('GET', '/api/jars', { cookie, headers: { host: `rebound.example:${port}` } })).status).toBe(403)
    expect((await write({ origin: `http://${ELSEWHERE}:${port}`, 'sec-fetch-site': 'same-origin' })).status).toBe(400)
  })
})

describe('pairing', () => {
  const code = async (): Promise<string> => (await server.send('POST', '/api/pairings')).body.code
  test('a code lets one device in, once', async () => {
    const shown = await code()
    const first = await guest('POST', '/api/session', { body: { code: shown, name: 'Tablet' } })
    expect(first.status).toBe(200)
    expect((await guest('GET', '/api/jars', { cookie: first.cookie })).status).toBe(200)
    expect((await guest('POST', '/api/session', { body: { code: shown, name: 'Stranger' } })).status).toBe(403)
  })
  test('for five minutes, and never by guessing', async () => {
    const pairings = createPairings()
    const { code: shown } = pairings.make(0)
    expect(() => pairings.use(shown, PAIRING_MS)).toThrow('older than five minutes')
    expect((await guest('POST', '/api/session', { body: { code: `${await code()}x`, name: 'Stranger' } })).status).toBe(403)
  })
  test('a guest cannot make one', async () => {
    expect((await guest('POST', '/api/pairings')).status).toBe(401)
  })
})

describe('guesses', () => {
  test('ten thousand of them over a day: fewer than two hundred are looked at, and none gets in', () => {
    let now = 0
    const throttle = createThrottle(() => now)
    let looked = 0
    for (let n = 0; n < 10_000; n++) {
      now += millisecondsInDay / 10_000
      try {
        throttle.admit('192.168.1.66')
      } catch {
        continue
      }
      looked++
      throttle.slipped('192.168.1.66')
    }
    expect(looked).toBeLessThan(200)
    expect(looked).toBeGreaterThan(4)
  })
  test('many addresses at once have to wait as well', () => {
    const throttle = createThrottle(() => 0)
    let looked = 0
    for (let n = 0; n < 1000; n++) {
      try {
        throttle.admit(`10.0.${n >> 8}.${n & 255}`)
      } catch {
        continue
      }
      looked++
      throttle.slipped(`10.0.${n >> 8}.${n & 255}`)
    }
    expect(looked).toBe(60)
  })
  test('whoever slips a few times still gets in', async () => {
    for (let n = 0; n < 3; n++) expect((await signIn({ passphrase: `wrong number ${n}` })).status).toBe(403)
    expect((await signIn()).status).toBe(200)
  })
  test('over the wire the fifth wrong one has to wait', async () => {
    const statuses: number[] = []
    for (let n = 0; n < 7; n++) statuses.push((await signIn({ passphrase: `wrong number ${n}` })).status)
    expect(statuses).toEqual([403, 403, 403, 403, 403, 429, 429])
    expect((await signIn()).status).toBe(429)
  })
})

test('what is kept of a passphrase tells nothing of it, and the same words in another encoding are the same', async () => {
  const kept = await hashPassphrase('crème brûlée, thrice')
  expect(kept).toMatch(/^scrypt:32768:8:1:/)
  expect(kept).not.toContain('crème')
  expect(await isPassphrase('crème brûlée, thrice'.normalize('NFD'), kept)).toBe(true)
  expect(await isPassphrase('creme brulee, thrice', kept)).toBe(false)
})

test('a device reaches its own readings only, and a withdrawn calendar address nothing', async () => {
  const { token } = (await server.send('POST', '/api/devices', { id: randomUUID(), name: 'Wall', kind: 'room', placeId: null, resolution: 0.1 })).body
  const headers = { authorization: `Bearer ${token}` }
  for (const path of ['/api/kitchen', '/api/jars', '/api/devices']) expect((await guest('GET', path, { headers })).status).toBe(401)
  const id = randomUUID()
  const made = (await server.send('POST', '/api/calendar-addresses', { id, name: 'My phone' })).body
  expect((await guest('GET', made.path)).body).toContain('BEGIN:VCALENDAR')
  expect((await guest('GET', '/api/kitchen', { headers: { authorization: made.path } })).status).toBe(401)
  await server.send('DELETE', `/api/calendar-addresses/${id}`)
  expect((await guest('GET', made.path)).status).toBe(404)
  // Its id does not come back either.
  expect((await server.send('POST', '/api/calendar-addresses', { id, name: 'Other phone' })).status).toBe(409)
})
