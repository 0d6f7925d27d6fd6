import { randomUUID } from 'node:crypto'
import { request } from 'node:http'
import type { Live } from '../../../contract'
import { startTestServer, type TestServer } from '../../testing/testServer'

let server: TestServer
let lines: Live[]
let hangUp: () => void

/** Listens on the live line as a window does. */
function listen(): void {
  lines = []
  const call = request(`${server.address}/api/live`, (answer) => {
    let rest = ''
    answer.on('data', (chunk: Buffer) => {
      const parts = (rest + chunk.toString()).split('\n\n')
      rest = parts.pop() ?? ''
      for (const part of parts) if (part.startsWith('data: ')) lines.push(JSON.parse(part.slice(6)) as Live)
    })
  })
  call.on('error', () => undefined)
  call.end()
  hangUp = () => call.destroy()
}

async function until(heard: () => boolean): Promise<void> {
  const end = Date.now() + 60_000
  while (!heard()) {
    if (Date.now() > end) throw new Error('Nothing came over the line.')
    await new Promise((go) => setTimeout(go, 20))
  }
}

beforeAll(async () => {
  server = await startTestServer({ demo: true })
  listen()
  await until(() => lines.length > 0)
})
afterAll(async () => {
  hangUp()
  await server.end()
})

const readingsOf = (kind: string) => lines.filter((l) => l.type === 'reading' && l.kind === kind).map((l) => (l.type === 'reading' ? l.value : 0))
const standIn = async (kind: string) =>
  (await server.send('GET', '/api/devices')).body.devices.find((d: { kind: string; simulated: boolean }) => d.simulated && d.kind === kind)

test('five stand-ins ship, and speak while somebody listens', async () => {
  const { body } = await server.send('GET', '/api/devices')
  expect(body.devices.map((d: { kind: string }) => d.kind).sort()).toEqual(['level', 'pH meter', 'probe', 'room', 'scale'])
  await until(() => readingsOf('scale').length > 5)
})

test('what the panel puts on the scale is shown by it', async () => {
  const scale = await standIn('scale')
  expect((await server.send('POST', `/api/devices/${scale.id}/deeds`, { do: 'put', grams: 412 })).status).toBe(200)
  await until(() => Math.abs((readingsOf('scale').at(-1) ?? 0) - 412) <= 2)
  await server.send('POST', `/api/devices/${scale.id}/deeds`, { do: 'tare' })
  await until(() => Math.abs(readingsOf('scale').at(-1) ?? 99) <= 2)
})

test('a pH meter is silent until it is put into something, and settles on its pH within a minute', async () => {
  expect(readingsOf('pH meter')).toEqual([])
  const meter = await standIn('pH meter')
  expect((await server.send('POST', `/api/devices/${meter.id}/deeds`, { do: 'immerse', pH: 4.3 })).status).toBe(200)
  await until(() => Math.abs((readingsOf('pH meter').at(-1) ?? 0) - 4.3) <= 0.06)
  expect((await server.send('POST', `/api/devices/${meter.id}/deeds`, { do: 'immerse', pH: 13 })).status).toBe(400)
})

test('a deed for another device, or nonsense, is refused with a sentence', async () => {
  const probe = await standIn('probe')
  expect((await server.send('POST', `/api/devices/${probe.id}/deeds`, { do: 'tare' })).status).toBe(404)
  expect((await server.send('POST', `/api/devices/${probe.id}/deeds`, { do: 'dance' })).status).toBe(400)
})

test('a real device pushes its readings with its token, and every open window has them', async () => {
  const id = randomUUID()
  const made = await server.send('POST', '/api/devices', { id, name: 'Bowl scale', kind: 'scale', resolution: 0.1 })
  const push = (token: string, value: number) =>
    server.send('POST', `/api/devices/${id}/readings`, { readings: [{ value }] }, { Authorization: `Bearer ${token}` })
  expect((await push('wrong', 12)).status).toBe(401)
  expect((await push(made.body.token, 250.3)).body).toEqual({ taken: 1 })
  await until(() => lines.some((l) => l.type === 'reading' && l.device === id && l.value === 250.3))
  expect((await push(made.body.token, 900_000)).status).toBe(400)
  // Its token is nowhere to be read again, and worth nothing once it is withdrawn.
  expect(JSON.stringify((await server.send('GET', '/api/devices')).body)).not.toContain(made.body.token)
  await server.send('DELETE', `/api/devices/${id}`)
  expect((await push(made.body.token, 250.3)).status).toBe(401)
})

test('a room sensor’s readings are kept, thinned to ten minutes', async () => {
  const place = (await server.send('GET', '/api/kitchen')).body.kitchen.places[0]
  const id = randomUUID()
  expect((await server.send('POST', '/api/devices', { id, name: 'Wall', kind: 'room' })).status).toBe(400)
  const made = await server.send('POST', '/api/devices', { id, name: 'Wall', kind: 'room', placeId: place.id, resolution: 0.1 })
  const before = (await server.send('GET', `/api/places/${place.id}/readings`)).body.count
  const at = (minute: number) => new Date(Date.parse('2026-11-26T18:00:00.000Z') + minute * 60_000).toISOString()
  const readings = Array.from({ length: 61 }, (_, minute) => ({ at: at(minute), value: 21.5 }))
  await server.send('POST', `/api/devices/${id}/readings`, { readings }, { Authorization: `Bearer ${made.body.token}` })
  expect((await server.send('GET', `/api/places/${place.id}/readings`)).body.count - before).toBe(7)
})

test('a write is told to every window, with the one it came from', async () => {
  const { kitchen } = (await server.send('GET', '/api/kitchen')).body
  const { id: _, version, demo: __, ...edit } = kitchen
  await server.send('PUT', '/api/kitchen', { version, kitchen: edit }, { 'X-Olvent-Window': 'tablet' })
  await until(() => lines.some((l) => l.type === 'changed' && l.path === '/api/kitchen' && l.window === 'tablet'))
})
