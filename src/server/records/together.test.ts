import { randomUUID } from 'node:crypto'
import { buildWith, firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'

/** Things that belong together are one deed: all of it or nothing, and one way back. */
let server: TestServer
let pip: Loose
let fridge: string
const at = TEST_NOW
const note = () => ({ id: randomUUID(), happenedAt: at })
const jars = async () => (await server.send('GET', '/api/jars')).body.jars as Loose[]
const jar = async (name: string) => (await jars()).find((j) => j.name === name)
const together = (parts: readonly Loose[], id = randomUUID()) => server.send('POST', '/api/together', { id, happenedAt: at, parts })
const undo = (undoes: string) => server.send('POST', '/api/together/undo', { ...note(), undoes })
const feedOf = (keepGrams: number, placeId: string) => ({
  ...note(),
  keepGrams,
  flours: [{ ingredientId: 'white wheat', grams: 40 }],
  waterGrams: 40,
  mixTempC: 24,
  placeId
})

beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  pip = await jar('Pip')
  fridge = (await server.send('GET', '/api/kitchen')).body.kitchen.places[1].id
})
afterEach(() => server.end())

test('a spare is taken, then the rest is fed: taken back it is as it was, the spare gone', async () => {
  const id = randomUUID()
  const split = { ...note(), jarId: randomUUID(), name: 'Spare', grams: 30, placeId: pip.placeId }
  const parts = [
    { do: 'split', jarId: pip.id, split },
    { do: 'feed', jarId: pip.id, feed: feedOf(20, pip.placeId) }
  ]
  expect((await together(parts, id)).status).toBe(200)
  // 100 g, less 30 for the spare, less 50 to the pot, and 80 g fresh.
  expect([(await jar('Pip')).grams, (await jar('Spare')).grams]).toEqual([100, 30])
  // Sent twice it counts once.
  expect((await together(parts, id)).status).toBe(200)
  expect((await jars()).map((j) => [j.name, j.grams])).toEqual([
    ['Pip', 100],
    ['Spare', 30]
  ])
  expect((await undo(id)).status).toBe(200)
  expect((await jars()).map((j) => [j.name, j.grams])).toEqual([['Pip', 100]])
  expect((await jar('Pip')).line.startedAt).toBe(pip.line.startedAt)
  expect((await undo(id)).body.error.code).toBe('too late')
})

test('where the second part cannot be, the first has not been either', async () => {
  const split = { ...note(), jarId: randomUUID(), name: 'Spare', grams: 30, placeId: pip.placeId }
  const { status, body } = await together([
    { do: 'split', jarId: pip.id, split },
    { do: 'feed', jarId: pip.id, feed: feedOf(90, pip.placeId) }
  ])
  expect([status, body.error.code]).toEqual([400, 'more than there is'])
  expect((await jars()).map((j) => [j.name, j.grams])).toEqual([['Pip', 100]])
})

test('two jars swap places, and back', async () => {
  await server.send('POST', '/api/jars', {
    id: randomUUID(),
    name: 'Moss',
    flour: 'rye',
    hydration: 1,
    grams: 60,
    lastFedAt: '2026-11-26T08:00:00.000Z',
    placeId: fridge
  })
  const moss = await jar('Moss')
  const id = randomUUID()
  await together(
    [
      { do: 'move', jarId: pip.id, move: { ...note(), placeId: fridge } },
      { do: 'move', jarId: moss.id, move: { ...note(), placeId: pip.placeId } }
    ],
    id
  )
  expect([(await jar('Pip')).placeId, (await jar('Moss')).placeId]).toEqual([fridge, pip.placeId])
  await undo(id)
  expect([(await jar('Pip')).placeId, (await jar('Moss')).placeId]).toEqual([pip.placeId, fridge])
})

test('a wake-up feed feeds the jar and is told in its bake; starter drawn for a bake stands in the history of the jar', async () => {
  const stage = { id: 'wake', kind: 'wake', at: '2026-11-26T20:00:00.000Z', seedGrams: 20, flourGrams: 40, waterGrams: 40, placeId: pip.placeId, tempC: 22 }
  const plan = await planFor(server, { before: [stage], mixAt: '2026-11-28T09:00:00.000Z' })
  const bake = (await server.send('POST', '/api/bakes', { id: randomUUID(), plan })).body
  const id = randomUUID()
  const step = { ...note(), type: 'step', step: 'wake', did: 'done' }
  await together(
    [
      { do: 'feed', jarId: pip.id, feed: feedOf(20, pip.placeId) },
      { do: 'note', bakeId: bake.id, event: step }
    ],
    id
  )
  const told = async () => (await server.send('GET', `/api/bakes/${bake.id}`)).body.events.map((e: Loose) => e.type)
  expect([(await jar('Pip')).grams, await told()]).toEqual([100, ['step']])
  await undo(id)
  expect([(await jar('Pip')).line.startedAt, await told()]).toEqual([pip.line.startedAt, ['step', 'undo']])

  const own = (await server.send('POST', '/api/bakes', { id: randomUUID(), plan: await planFor(server, { build: buildWith() }) })).body
  const pour = { ...note(), type: 'pour', item: 'seed', plannedGrams: 25, weighedGrams: 26 }
  await server.send('POST', `/api/bakes/${own.id}/events`, pour)
  const history = async () => (await server.send('GET', `/api/jars/${pip.id}/history`)).body.events as Loose[]
  expect((await history())[0]).toMatchObject({ type: 'drawn', grams: 26, bakeName: 'Two loaves', undone: false })
  await server.send('POST', `/api/bakes/${own.id}/events`, { ...note(), type: 'undo', undoes: pour.id })
  expect((await history())[0]).toMatchObject({ type: 'drawn', grams: 26, undone: true })
})
