import { z } from 'zod'

/** A browser's storage and a server that can be away, refuse, or answer. */
const stored = new Map<string, string>()
type Said = 'away' | { status: number; body: unknown }
let answers: Said[] = []
const asked: string[] = []

beforeEach(() => {
  jest.resetModules()
  jest.useFakeTimers()
  stored.clear()
  answers = []
  asked.length = 0
  Object.assign(globalThis, {
    localStorage: {
      getItem: (k: string) => stored.get(k) ?? null,
      setItem: (k: string, v: string) => void stored.set(k, v),
      removeItem: (k: string) => void stored.delete(k)
    },
    fetch: async (path: string, { method }: RequestInit) => {
      asked.push(`${method} ${path}`)
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
  const { send, outboxStore } = await open()
  answers = ['away', { status: 503, body: null }]
  const done: string[] = []
  for (const path of ['/a', '/b']) void send(path, any, post(path)).then(() => done.push(path))
  await settle()
  expect(outboxStore.view()).toEqual({ waiting: 2, unreachable: true })
  expect(JSON.parse(stored.get('olvent.outbox') ?? '')).toHaveLength(2)
  await jest.advanceTimersByTimeAsync(2100)
  expect(done).toEqual([])
  await jest.advanceTimersByTimeAsync(2100)
  expect(done).toEqual(['/a', '/b'])
  expect(asked).toEqual(['POST /a', 'POST /a', 'POST /a', 'POST /b'])
  expect(outboxStore.view()).toEqual({ waiting: 0, unreachable: false })
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
  after.onRefusal((error) => heard.push(error))
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
