import { millisecondsInHour } from 'date-fns/constants'
import { bakeOf } from '../../answers'
import { bakeSchema } from '../../contract'
import { nightAt } from '../../core'
import { openDatabase } from '../db/connect'
import { type Loose, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'
import { layDemo } from './layDemo'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ demo: true })
})
afterAll(() => server.end())

const open = async () => (await server.send('GET', '/api/bakes?state=open')).body.bakes as Loose[]
const done = async () => (await server.send('GET', '/api/bakes?state=done&limit=100')).body as Loose

/** A bake as the wire tells it, folded. */
const stateAt = (bake: Loose) => bakeOf(bakeSchema.parse(bake)).state

test('Lantern Street: four jars with something in each, and a dried spare of Juno', async () => {
  const { jars } = (await server.send('GET', '/api/jars')).body
  expect(jars.map((j: Loose) => [j.name, j.culture])).toEqual([
    ['Bramble', 'rye'],
    ['Juno', 'white wheat'],
    ['Juno, dried', 'dried'],
    ['Keel', 'stiff'],
    ['Moth', 'gluten-free']
  ])
  for (const jar of jars) expect(jar.grams).toBeGreaterThan(jar.keepMinimumGrams)
  expect(jars[2]).toMatchObject({ grams: 22, originId: jars[1].id, line: { dried: true } })
})

test('flours stand on the shelf with their price, and the coming bakes take of them', async () => {
  const { stock, uses, bakes, keeping } = (await server.send('GET', '/api/shelf')).body
  expect(stock.length).toBeGreaterThan(6)
  for (const { grams } of stock) expect(Number.isFinite(grams)).toBe(true)
  for (const bake of ['Market rolls and a crown', 'Monday’s rye tin', 'Moth’s pan loaf', 'Juno', 'Moth'])
    expect(uses.map((u: Loose) => u.forWhat)).toContain(bake)
  expect(bakes.find((b: Loose) => b.name === 'Two lantern loaves').amount).toBeGreaterThan(0.5)
  expect(keeping.length).toBeGreaterThanOrEqual(3)
})

test('one levain is on its way, with looks at it that rise', async () => {
  const running = (await open()).filter((b) => b.status === 'ripening')
  expect(running).toHaveLength(1)
  const rises = stateAt(running[0]).marks.map((m) => m.rise ?? 0)
  expect(rises.length).toBeGreaterThanOrEqual(2)
  expect(rises).toEqual([...rises].sort((a, b) => a - b))
})

test('the bakes to come are mixed while somebody is awake', async () => {
  const planned = (await open()).filter((b) => b.status === 'planned')
  expect(planned.map((b) => b.plan.name)).toEqual(['Market rolls and a crown', 'Monday’s rye tin', 'Moth’s pan loaf'])
  for (const { plan } of planned) expect(nightAt(Date.parse(plan.mixAt), { from: '22:30', to: '06:30' }, 'Europe/Lisbon')).toBeUndefined()
})

test('twelve weeks of builds, all in the past, peaks where sourdough peaks', async () => {
  const { bakes, total } = await done()
  expect(total).toBeGreaterThanOrEqual(15)
  for (const bake of bakes) {
    const { band, mixed } = stateAt(bake)
    const hours = ((mixed?.atMs ?? 0) - (band?.atMs ?? 0)) / millisecondsInHour
    expect(mixed?.atMs).toBeLessThan(Date.parse(TEST_NOW))
    expect(hours).toBeGreaterThan(3)
    expect(hours).toBeLessThan(20)
  }
})

test('laid for the same moment it is the same kitchen', async () => {
  const other = await startTestServer({ demo: true })
  const marks = (page: Loose) => page.bakes.map((b: Loose) => stateAt(b).marks.map((m) => m.rise))
  expect(marks((await other.send('GET', '/api/bakes?state=done&limit=100')).body)).toEqual(marks(await done()))
  await other.end()
})

test('it is laid once, and again only when its folder is empty', async () => {
  const first = await open()
  await server.restart()
  expect((await open()).map((b) => b.id)).toEqual(first.map((b) => b.id))
  const database = await openDatabase(server.folder)
  expect(await layDemo(database, Date.parse(TEST_NOW))).toBe(false)
  await database.close()
  expect((await open()).map((b) => b.id)).toEqual(first.map((b) => b.id))
})
