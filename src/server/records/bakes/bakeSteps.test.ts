import { courseFor } from '../../../answers'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
let bakeId: string
const at = (minutes: number) => new Date(Date.parse(TEST_NOW) + minutes * 60_000).toISOString()
const event = (type: string, more: object, minutes = 0) =>
  server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type, happenedAt: at(minutes), ...more })
const step = (name: string, minutes: number, did = 'done') => event('step', { step: name, did }, minutes)
const moveClock = (minutes: number) => server.send('POST', '/api/clock', { now: at(minutes) })
const listed = async (state: string) => (await server.send('GET', `/api/bakes?state=${state}`)).body.total

/** A bake whose dough's day is planned, mixed after ten hours. */
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  const plan = (await planFor(server)) as Loose
  bakeId = testId()
  const course = courseFor({ doughKind: 'wheat', autolyse: false }, { id: plan.placeId, tempC: 22 })
  await server.send('POST', '/api/bakes', { id: bakeId, plan: { ...plan, course, before: [before(plan.placeId)] } })
})
afterEach(() => server.end())

const before = (placeId: string) => ({ id: 'wake', kind: 'wake', at: at(-30), seedGrams: 20, flourGrams: 40, waterGrams: 40, placeId, tempC: 22 })

async function mixedBake() {
  for (const [item, grams] of [
    ['seed', 16],
    ['water', 79],
    ['flour', 79]
  ])
    await event('pour', { item, plannedGrams: grams, weighedGrams: grams })
  await event('band', { mixTempC: 24 })
  await moveClock(600)
  return event('mixed', { levainGrams: 149, keepBackGrams: 20 }, 600)
}

test('mixed is not the end: the bake stays open until the bread is out of the oven', async () => {
  expect((await mixedBake()).body.status).toBe('mixed')
  expect(await listed('open')).toBe(1)
  await moveClock(1200)
  expect((await step('shape', 840)).status).toBe(200)
  expect((await step('bake', 960)).body.status).toBe('mixed')
  expect((await step('out', 1005)).body.status).toBe('baked')
  expect([await listed('open'), await listed('done')]).toEqual([0, 1])
})

test('out of the oven by a slip of the finger: taken back, it is on its way again', async () => {
  await mixedBake()
  const out = await step('out', 600)
  const id = out.body.events.at(-1).id
  expect((await event('undo', { undoes: id }, 600)).body.status).toBe('mixed')
  expect(await listed('open')).toBe(1)
})

test('nobody shapes before the mix, nor twice, nor before it was mixed', async () => {
  expect((await step('shape', 0)).status).toBe(409)
  await mixedBake()
  expect((await step('shape', 500)).status).toBe(400)
  expect((await step('shape', 600)).status).toBe(200)
  expect((await step('shape', 600)).body.error.message).toContain('told already')
})

test('a wake-up feed is told while the bake is planned, and leaves the plan free', async () => {
  const woken = await step('wake', 0)
  expect(woken.body).toMatchObject({ status: 'planned', events: [{ type: 'step', step: 'wake', did: 'done' }] })
  const put = await server.send('PUT', `/api/bakes/${bakeId}`, { version: woken.body.version, plan: { ...woken.body.plan, name: 'Woken' } })
  expect(put.body.plan.name).toBe('Woken')
  await event('pour', { item: 'seed', plannedGrams: 16, weighedGrams: 16 })
  await event('undo', { undoes: woken.body.events[0].id })
  expect((await step('wake', 0)).status).toBe(409)
})

test('a dough that was mixed days ago and never told out has been baked', async () => {
  await mixedBake()
  await moveClock(600 + 6 * 24 * 60)
  expect([await listed('open'), await listed('done')]).toEqual([0, 1])
})

test('a place of the dough that is gone is refused, with the field', async () => {
  const { body } = await server.send('GET', `/api/bakes/${bakeId}`)
  const plan = { ...body.plan, course: { ...body.plan.course, placeId: testId() } }
  expect((await server.send('PUT', `/api/bakes/${bakeId}`, { version: body.version, plan })).status).toBe(400)
})

describe('the pace of the kitchen’s doughs', () => {
  const doughs = async () => (await server.send('GET', '/api/kitchen')).body.kitchen.doughs
  /** Mixed, shaped and put into the oven after so many minutes of bulk and of proof. */
  const baked = async (bulkMinutes: number, proofMinutes: number) => {
    await mixedBake()
    await moveClock(600 + bulkMinutes + proofMinutes + 100)
    await step('shape', 600 + bulkMinutes)
    await step('bake', 600 + bulkMinutes + proofMinutes)
  }

  test('a dough that was slower than reckoned teaches it once it is in the oven; taken back, or the bake taken away, it teaches nothing', async () => {
    expect(await doughs()).toEqual({ log: 0, sd: 0.15, doughs: 0 })
    await baked(600, 300)
    const slow = await doughs()
    expect(slow).toMatchObject({ doughs: 1 })
    expect(slow.log).toBeLessThan(-0.05)
    expect(slow.sd).toBeLessThan(0.15)
    const { events } = (await server.send('GET', `/api/bakes/${bakeId}`)).body
    await event('undo', { undoes: events.at(-1).id }, 1500)
    expect((await doughs()).doughs).toBe(0)
    await step('bake', 1500)
    expect((await doughs()).doughs).toBe(1)
    await server.send('DELETE', `/api/bakes/${bakeId}`)
    expect((await doughs()).doughs).toBe(0)
    await server.send('POST', `/api/bakes/${bakeId}/restore`)
    expect((await doughs()).doughs).toBe(1)
  })

  test('a quick one makes them quicker, and what the baker changes of the kitchen leaves it', async () => {
    await baked(180, 90)
    const quick = await doughs()
    expect(quick.log).toBeGreaterThan(0.05)
    const { kitchen } = (await server.send('GET', '/api/kitchen')).body
    const { id: _id, version, demo: _demo, doughs: _doughs, ...edit } = kitchen
    expect((await server.send('PUT', '/api/kitchen', { version, kitchen: { ...edit, tapTempC: 11 } })).body.doughs).toEqual(quick)
  })
})

test('steps that were begun and done tell how long they take, once the bread is in the oven; begun is no deed and is taken back freely', async () => {
  const workSeen = async () => (await server.send('GET', '/api/kitchen')).body.kitchen.workSeen
  await mixedBake()
  await moveClock(1500)
  for (const [fold, minutes] of [
    [1, 6],
    [2, 7],
    [3, 10]
  ] as const) {
    const begun = await event('begun', { step: `fold ${fold}` }, 600 + 30 * fold)
    expect([begun.status, begun.body.status]).toEqual([200, 'mixed'])
    expect((await step(`fold ${fold}`, 600 + 30 * fold + minutes)).status).toBe(200)
  }
  expect((await event('begun', { step: 'fold 3' }, 700)).status).toBe(409)
  await event('begun', { step: 'shape' }, 1000)
  await step('shape', 1030)
  expect(await workSeen()).toEqual({})
  await step('bake', 1100)
  expect(await workSeen()).toEqual({ fold: 7 })
  const { events } = (await server.send('GET', `/api/bakes/${bakeId}`)).body
  const second = events.find((e: Loose) => e.type === 'begun' && e.step === 'fold 2')
  expect((await event('undo', { undoes: second.id }, 1200)).status).toBe(200)
  expect(await workSeen()).toEqual({})
})

test('a pH measured in the dough is in its jar’s log, with the dough it was measured in', async () => {
  await mixedBake()
  await moveClock(900)
  expect((await event('dough', { pH: 5.1 }, 840)).status).toBe(200)
  const { jarId } = (await server.send('GET', `/api/bakes/${bakeId}`)).body.plan
  const { builds } = (await server.send('GET', `/api/jars/${jarId}/log`)).body
  expect(builds).toMatchObject([{ kind: 'levain', dough: { line: { startedAt: at(600), parents: [{}] }, metered: [{ at: at(840), pH: 5.1 }] } }])
  expect((await event('dough', { pH: 14 }, 850)).status).toBe(400)
})
