import { randomUUID } from 'node:crypto'
import { Sequelize, Transaction } from 'sequelize'
import { NOTED_HEADER, WRITE_HEADER } from '../../contract'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'

let server: TestServer
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

const jar = async (): Promise<Loose> => (await server.send('GET', '/api/jars')).body.jars[0]
const kitchen = async (): Promise<Loose> => (await server.send('GET', '/api/kitchen')).body.kitchen

test('a write whose answer was lost is answered the same when it is sent again, and changes nothing twice', async () => {
  const { id: _id, version, demo: _demo, ...edit } = await kitchen()
  const headers = { [WRITE_HEADER]: randomUUID() }
  const body = { version, kitchen: { ...edit, name: 'Lantern Street' } }
  const first = await server.send('PUT', '/api/kitchen', body, headers)
  const again = await server.send('PUT', '/api/kitchen', body, headers)
  expect([first.status, again.status]).toEqual([200, 200])
  expect(again.body).toEqual(first.body)
  expect((await kitchen()).version).toBe(version + 1)
})

test('under an id that was used something else is refused, by header or by body', async () => {
  const { id } = await jar()
  const body = { id: randomUUID(), happenedAt: TEST_NOW, grams: 90 }
  expect((await server.send('POST', `/api/jars/${id}/weighings`, body)).status).toBe(200)
  const other = await server.send('POST', `/api/jars/${id}/weighings`, { ...body, grams: 20 })
  expect([other.status, other.body.error.code]).toEqual([409, 'used id'])
  expect((await jar()).grams).toBe(90)
})

test('what was refused may be mended and sent again under its id', async () => {
  const { id } = await jar()
  const body = { id: randomUUID(), happenedAt: TEST_NOW, grams: -5 }
  expect((await server.send('POST', `/api/jars/${id}/weighings`, body)).status).toBe(400)
  expect((await server.send('POST', `/api/jars/${id}/weighings`, { ...body, grams: 85 })).body.grams).toBe(85)
})

test('an entry that had to wait is believed against a clock that was set back half an hour since', async () => {
  const plan = await planFor(server)
  const bake = (await server.send('POST', '/api/bakes', { id: randomUUID(), plan })).body
  const pour = (id: string) => ({ id, happenedAt: '2026-11-26T19:41:00.000Z', type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 20 })
  await server.send('POST', '/api/clock', { now: '2026-11-26T19:12:00.000Z' })
  const id = randomUUID()
  expect((await server.send('POST', `/api/bakes/${bake.id}/events`, pour(id))).body.error.code).toBe('in the future')
  const waited = await server.send('POST', `/api/bakes/${bake.id}/events`, pour(id), { [NOTED_HEADER]: '2026-11-26T19:41:05.000Z' })
  expect(waited.body.events.map((e: Loose) => [e.id, e.happenedAt])).toEqual([[id, '2026-11-26T19:41:00.000Z']])
  // A clock is never believed to be weeks off.
  const far = await server.send(
    'POST',
    `/api/bakes/${bake.id}/events`,
    { ...pour(randomUUID()), happenedAt: '2027-11-26T19:41:00.000Z' },
    { [NOTED_HEADER]: '2027-11-26T19:41:05.000Z' }
  )
  expect(far.status).toBe(400)
})

test('answers are kept for the last writes only; older ones are still known', async () => {
  const { id } = await jar()
  const weighing = (n: number) => ({ id: `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`, happenedAt: TEST_NOW, grams: 50 + (n % 40) })
  for (let n = 0; n < 205; n++) await server.send('POST', `/api/jars/${id}/weighings`, weighing(n))
  expect((await server.send('POST', `/api/jars/${id}/weighings`, weighing(0))).status).toBe(200)
  expect((await server.send('POST', `/api/jars/${id}/weighings`, { ...weighing(0), grams: 77 })).body.error.code).toBe('used id')
  expect((await jar()).grams).toBe(50 + (204 % 40))
})

test('a full disk is “not now”: nothing is stored, and the same goes through once there is room', async () => {
  const { id, grams } = await jar()
  const { transaction } = Sequelize.prototype
  const full = jest.spyOn(Sequelize.prototype, 'transaction').mockImplementation(function (this: Sequelize, ...how: unknown[]) {
    // Only what is written needs room.
    if ((how[0] as { type?: string }).type === Transaction.TYPES.DEFERRED) return Reflect.apply(transaction, this, how)
    return Promise.reject(Object.assign(new Error('full'), { parent: { code: 'SQLITE_FULL' } }))
  })
  const body = { id: randomUUID(), happenedAt: TEST_NOW, grams: 61 }
  const refused = await server.send('POST', `/api/jars/${id}/weighings`, body)
  expect([refused.status, refused.body.error.code]).toEqual([507, 'disk full'])
  expect(refused.body.error.message).toContain('disk')
  expect((await jar()).grams).toBe(grams)
  full.mockRestore()
  expect((await server.send('POST', `/api/jars/${id}/weighings`, body)).body.grams).toBe(61)
})
