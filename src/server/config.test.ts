import { mkdtemp, rm } from 'node:fs/promises'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { createClock } from './clock'
import { ConfigProblem, readConfig } from './config'
import { start } from './start'
import { StartProblem } from './startProblem'
import { firstRun, startTestServer } from './testing/testServer'

test('own kitchen and demo never share a folder or a port', () => {
  const own = readConfig({}, [], '/home/pip/olvent', '/home/pip/.data')
  const demo = readConfig({}, ['--demo'], '/home/pip/olvent', '/home/pip/.data')
  // The baker's own outlives the folder of the program, and one kept there by an earlier version is found.
  expect(own.dataFolder).toBe('/home/pip/.data/own')
  expect(own.formerFolder).toBe('/home/pip/olvent/data/own')
  expect(demo.dataFolder).toBe('/home/pip/olvent/data/demo')
  expect(own.port).not.toBe(demo.port)
  expect(own.host).toBe('127.0.0.1')
})

test('--fresh is for the demo alone', () => {
  expect(() => readConfig({}, ['--fresh'], '/')).toThrow(/does nothing to your own/)
  expect(readConfig({}, ['--demo', '--fresh'], '/').fresh).toBe(true)
})

test.each([
  ['PORT', 'abc'],
  ['PORT', '70000'],
  ['OLVENT_NOW', 'teatime']
])('%s=%s is a sentence, not a crash', (name, value) => {
  expect(() => readConfig({ [name]: value }, [], '/')).toThrow(ConfigProblem)
})

test('a real clock runs and cannot be moved; a standing one stands', () => {
  const real = createClock(null)
  const before = Date.now()
  const told = real.now()
  expect([before <= told, told <= Date.now()]).toEqual([true, true])
  expect(() => real.moveTo(0)).toThrow()
  const standing = createClock(1000)
  standing.moveTo(5000)
  expect(standing.now()).toBe(5000)
})

test('a taken port is told with a way out', async () => {
  const squatter = createServer().listen(0, '127.0.0.1')
  await new Promise((resolve) => squatter.once('listening', resolve))
  const folder = await mkdtemp(join(tmpdir(), 'olvent-port-'))
  const { port } = squatter.address() as AddressInfo
  const started = start(readConfig({ PORT: String(port), OLVENT_DATA: folder }, ['--no-web'], folder), pino({ level: 'silent' }))
  await expect(started).rejects.toThrow(StartProblem)
  await expect(started).rejects.toThrow(`Port ${port} is taken`)
  squatter.close()
  await rm(folder, { recursive: true, force: true })
})

test('the clock can be moved over the wire only while it stands', async () => {
  const standing = await startTestServer()
  expect((await standing.send('POST', '/api/clock', { now: '2026-12-01T08:00:00.000Z' })).body).toEqual({
    now: '2026-12-01T08:00:00.000Z',
    fixed: true,
    lastEntryAt: null
  })
  expect((await standing.send('POST', '/api/clock', { now: 'later' })).status).toBe(400)
  // Set back after an entry: when that was made is told, so that the window can ask.
  await standing.send('POST', '/api/kitchen/first-run', firstRun())
  const back = (await standing.send('POST', '/api/clock', { now: '2026-11-20T08:00:00.000Z' })).body
  expect(back).toEqual({ now: '2026-11-20T08:00:00.000Z', fixed: true, lastEntryAt: '2026-12-01T08:00:00.000Z' })
  await standing.end()
  const real = await startTestServer({ now: null })
  expect((await real.send('POST', '/api/clock', { now: '2026-12-01T08:00:00.000Z' })).status).toBe(404)
  await real.end()
})
