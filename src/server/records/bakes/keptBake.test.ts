import { join } from 'node:path'
import { Sequelize } from 'sequelize'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
const bakeId = testId()
const event = (type: string, more: object) => server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type, happenedAt: TEST_NOW, ...more })
const bake = async (): Promise<Loose> => (await server.send('GET', `/api/bakes/${bakeId}`)).body

/** Writes into the kitchen's file what a version with other ranges and other words would have written. */
async function rewrite(sql: string, replacements: Record<string, unknown>): Promise<void> {
  const file = new Sequelize({ dialect: 'sqlite', storage: join(server.folder, 'kitchen.sqlite'), logging: false })
  await file.query(sql, { replacements })
  await file.close()
}

beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  await server.send('POST', '/api/bakes', { id: bakeId, plan: await planFor(server) })
  await event('pour', { item: 'seed', plannedGrams: 16, weighedGrams: 16 })
})
afterEach(() => server.end())

test('a kitchen opens with masses, temperatures and names that no range of today would take', async () => {
  const { plan } = await bake()
  const name = 'A very long name of former days, '.repeat(20)
  await rewrite('UPDATE bakes SET plan = json_set(plan, :name, :long, :temp, 71) WHERE id = :id', {
    name: '$.name',
    long: name,
    temp: '$.mixTempC',
    id: bakeId
  })
  await rewrite('UPDATE events SET payload = json_set(payload, :mass, 90000) WHERE type = :type', { mass: '$.weighedGrams', type: 'pour' })
  await server.restart()
  expect((await bake()).plan).toEqual({ ...plan, name, mixTempC: 71 })
  expect((await bake()).events).toMatchObject([{ type: 'pour', item: 'seed', weighedGrams: 90_000 }])
  for (const path of ['/api/bakes', '/api/shelf', `/api/bakes/${bakeId}/calendar.ics`, '/api/jars'])
    expect([path, (await server.send('GET', path)).status]).toEqual([path, 200])
})

test('an event that this version has no word for closes nothing: the bake opens without it, and goes on', async () => {
  await event('pour', { item: 'water', plannedGrams: 79, weighedGrams: 79 })
  await rewrite('UPDATE events SET type = :word WHERE payload LIKE :which', { word: 'sung to', which: '%"water"%' })
  await server.restart()
  expect((await bake()).events).toMatchObject([{ type: 'pour', item: 'seed' }])
  expect((await event('pour', { item: 'water', plannedGrams: 79, weighedGrams: 80 })).body.events).toMatchObject([
    { item: 'seed' },
    { item: 'water', weighedGrams: 80 }
  ])
})
