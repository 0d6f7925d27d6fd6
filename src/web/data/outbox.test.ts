import { z } from 'zod'

/** A browser's storage and a server that can be away, refuse, or answer. */
const stored = new Map<string, string>()
type Said = 'away' | { status: number; body: unknown }
let answers: Said[] = []
const asked: string[] = []
const sentHeaders: Record<string, string>[] = []

beforeEach(() => {
  jest.resetModules()
  jest.useFakeTimers()
  stored.clear()
  answers = []
  asked.length = 0
  sentHeaders.length = 0
  Object.assign(globalThis, {
    localStorage: {
      getItem: (k: string) => stored.get(k) ?? null,
      setItem: (k: string, v: string) => void stored.set(k, v),
      removeItem: (k: string) => void stored.delete(k)
    },
    fetch: async (path: string, { method, headers }: RequestInit) => {
      asked.push(`${method} ${path}`)
      sentHeaders.push(headers as Record<string, string>)
      const said = answers.shift() ?? { status: 200, body: { ok: true } }
      if (said === 'away') throw new TypeError('network')
      return new Response(JSON.stringify(said.body), { status: said.status })
    }
  })
})
afterEach(() => jest.useRealTimers())

const open = () => import('./outbox')
const any = z.unknown()
const post = (path: string) => ({ method: 'POST' as const, path, body: { path } })
const settle = () => jest.advanceTimersByTimeAsync(10)
const no = { status: 409, body: { error: { code: 'no', message: 'That cannot be.' } } }

test('writes go one after the other, in the order they were made', async () => {
  const { send } = await open()
  await Promise.all(['/a', '/b', '/c'].map((path) => send(path, any, post(path))))
  expect(asked).toEqual(['POST /a', 'POST /b', 'POST /c'])
  expect(stored.get('olvent.outbox')).toBe('[]')
})

test('while the server is away they wait, are told, and go once it is back', async () => {
  const { send, useOutbox } = await open()
  answers = ['away', { status: 503, body: null }]
  const done: string[] = []
  for (const path of ['/a', '/b']) void send(path, any, post(path)).then(() => done.push(path))
  await settle()
  expect(useOutbox.getState().entries.map((e) => e.path)).toEqual(['/a', '/b'])
  expect(useOutbox.getState().held).toBe('away')
  expect(JSON.parse(stored.get('olvent.outbox') ?? '')).toHaveLength(2)
  await jest.advanceTimersByTimeAsync(2100)
  expect(done).toEqual([])
  await jest.advanceTimersByTimeAsync(4100)
  expect(done).toEqual(['/a', '/b'])
  expect(asked).toEqual(['POST /a', 'POST /a', 'POST /a', 'POST /b'])
  expect(useOutbox.getState()).toMatchObject({ entries: [], held: null, tray: [] })
})

test('a refused one is told to whoever sent it, and the next goes on', async () => {
  const { send } = await open()
  answers = [no]
  const first = send('/a', any, post('/a')).catch((error: Error) => error.message)
  await send('/b', any, post('/b'))
  expect(await first).toBe('That cannot be.')
})

test('after a reload what waited is sent, and a refusal is heard by the window', async () => {
  const before = await open()
  answers = ['away']
  void before.send('/a', any, post('/a')).catch(() => undefined)
  await settle()
  jest.clearAllTimers()
  jest.resetModules()
  const after = await open()
  const heard: unknown[] = []
  after.onRefusal((error) => {
    heard.push(error)
    return true
  })
  answers = [no]
  await after.flush()
  expect(asked).toEqual(['POST /a', 'POST /a'])
  expect(heard).toHaveLength(1)
  expect(stored.get('olvent.outbox')).toBe('[]')
})

test('a read waits for the writes before it', async () => {
  const { send, read } = await open()
  const written = send('/a', any, post('/a'))
  await read(any, '/list')
  await written
  expect(asked).toEqual(['POST /a', 'GET /list'])
})

test('one that its editor keeps is not kept twice', async () => {
  const { send } = await open()
  answers = ['away']
  void send('/a', any, post('/a'), { volatile: true }).catch(() => undefined)
  await settle()
  expect(stored.get('olvent.outbox') ?? '[]').toBe('[]')
})

const fault = { status: 500, body: { error: { code: 'fault', message: 'Something went wrong.' } } }

test('a server that fails once over each of sixty entries loses none of them, and their order stays', async () => {
  const { send, useOutbox } = await open()
  const paths = Array.from({ length: 60 }, (_, n) => `/${n}`)
  answers = paths.flatMap(() => [fault, { status: 200, body: { ok: true } }])
  const done: string[] = []
  for (const path of paths) void send(path, any, post(path)).then(() => done.push(path))
  await jest.advanceTimersByTimeAsync(60 * 2100)
  expect(done).toEqual(paths)
  expect(useOutbox.getState().tray).toEqual([])
})

test('one that the server fails over again and again goes to the tray with its figures, and the others go on', async () => {
  const { send, useOutbox } = await open()
  answers = [fault, fault, fault, fault]
  const first = send('/a', any, post('/a')).catch((error: Error) => error.message)
  const second = send('/b', any, post('/b'))
  await jest.advanceTimersByTimeAsync(20_000)
  await second
  expect(await first).toContain('failed over this')
  expect(useOutbox.getState().tray.map(({ id, body }) => [id, body])).toEqual([['/a', { path: '/a' }]])
})

test('what is refused after it had to wait stays in the tray over a reload, can be mended, and is sent again', async () => {
  const before = await open()
  answers = ['away', no]
  void before.send('/a', any, post('/a')).catch(() => undefined)
  void before.send('/b', any, post('/b')).catch(() => undefined)
  await jest.advanceTimersByTimeAsync(5000)
  jest.resetModules()
  const after = await open()
  const [entry] = after.useOutbox.getState().tray
  expect([entry?.id, entry?.why, after.useOutbox.getState().tray.length]).toEqual(['/a', 'That cannot be.', 1])
  if (entry !== undefined) after.sendAgain(entry, { path: '/mended' })
  await settle()
  expect(asked.at(-1)).toBe('POST /a')
  expect(after.useOutbox.getState().tray).toEqual([])
  expect(stored.get('olvent.tray')).toBe('[]')
})

test('thrown away, and put back', async () => {
  const before = await open()
  answers = ['away', no]
  void before.send('/a', any, post('/a')).catch(() => undefined)
  await jest.advanceTimersByTimeAsync(5000)
  const [entry] = before.useOutbox.getState().tray
  if (entry === undefined) throw new Error('nothing in the tray')
  const back = before.throwAway(entry)
  expect(before.useOutbox.getState().tray).toEqual([])
  await back()
  expect(before.useOutbox.getState().tray).toEqual([entry])
})

test('an entry that had to wait says when it was noted; one that goes at once does not; each has its id', async () => {
  const { send } = await open()
  await send('00000000-0000-4000-8000-000000000001', any, post('/now'))
  answers = ['away']
  const later = send('00000000-0000-4000-8000-000000000002', any, post('/later'))
  await jest.advanceTimersByTimeAsync(2100)
  await later
  expect(sentHeaders.map((h) => [h['x-olvent-write']?.slice(-1), h['x-olvent-noted'] !== undefined])).toEqual([
    ['1', false],
    ['2', false],
    ['2', true]
  ])
})

test.each([
  [
    'full',
    () =>
      Object.assign(globalThis.localStorage, {
        setItem: () => {
          throw new Error('QuotaExceededError')
        }
      })
  ],
  [
    'forbidden',
    () =>
      Object.defineProperty(globalThis, 'localStorage', {
        configurable: true,
        get: () => {
          throw new Error('SecurityError')
        }
      })
  ]
])('a storage that is %s: entries wait in the window all the same, and it is known', async (_, spoil) => {
  spoil()
  const { send, useOutbox } = await open()
  const { useStorage } = await import('./storage')
  answers = ['away']
  const sent = send('/a', any, post('/a'))
  await settle()
  expect(useOutbox.getState().entries).toHaveLength(1)
  expect(useStorage.getState().works).toBe(false)
  await jest.advanceTimersByTimeAsync(2100)
  await sent
  Object.defineProperty(globalThis, 'localStorage', { configurable: true, writable: true, value: undefined })
})
