import { firstRun, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
const HOUR = 3_600_000
const ago = (hours: number) => new Date(Date.parse(TEST_NOW) - hours * HOUR).toISOString()
const jar = async () => (await server.send('GET', '/api/jars')).body.jars[0]
const told = async () => (await server.send('GET', `/api/jars/${(await jar()).id}/told`)).body.told
const correct = async (more: object) =>
  server.send('POST', `/api/jars/${(await jar()).id}/told`, { id: testId(), happenedAt: TEST_NOW, told: { ...(await told()), ...more } })
const feed = async (happenedAt: string, more: object = {}) => {
  const { id, placeId } = await jar()
  const flours = [{ ingredientId: 'white wheat', grams: 50 }]
  return server.send('POST', `/api/jars/${id}/feeds`, { id: testId(), happenedAt, keepGrams: 20, flours, waterGrams: 50, mixTempC: 22, placeId, ...more })
}
const opening = {
  id: testId(),
  name: 'Pip',
  flour: 'white wheat',
  hydration: 1,
  grams: 120,
  lastFedAt: ago(9 * 24),
  stands: 'fridge',
  guesses: ['grams', 'lastFedAt']
}

beforeEach(async () => {
  server = await startTestServer()
})
afterEach(() => server.end())
const begin = (more: object = {}) => server.send('POST', '/api/kitchen/first-run', firstRun({ jar: { ...opening, ...more } }))

test('a jar in the fridge has stood there since it was fed, and what nobody knew is a guess', async () => {
  await begin()
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  expect(await jar()).toMatchObject({ placeId: places[1].id, stays: [{ placeId: places[1].id, from: ago(9 * 24) }], guesses: ['grams', 'lastFedAt'] })
  expect(places.map((p: { name: string; tempC: number; guessed: boolean }) => [p.name, p.tempC, p.guessed])).toEqual([
    ['Worktop', 22, false],
    ['Fridge', 4, true]
  ])
})

test('no starter yet, hours out of the house and a proofer: all of it is in the kitchen', async () => {
  const out = { id: testId(), name: 'Work', kind: 'out', days: [1, 2, 3, 4, 5], from: '08:00', to: '18:00' }
  const { status, body } = await server.send(
    'POST',
    '/api/kitchen/first-run',
    firstRun({ jar: null, out, roomTempC: null, fridgeTempC: 6, elsewhere: { name: 'Proofer', tempC: 27 } })
  )
  expect(status).toBe(200)
  expect(body).toMatchObject({
    weekly: [out],
    places: [
      { name: 'Worktop', tempC: 21, guessed: true },
      { name: 'Fridge', tempC: 6, guessed: false },
      { name: 'Proofer', tempC: 27 }
    ]
  })
  expect((await server.send('GET', '/api/jars')).body.jars).toEqual([])
})

test('a jar somewhere else needs a somewhere', async () => {
  const { status, body } = await begin({ stands: 'elsewhere' })
  expect([status, body.error.message]).toEqual([400, 'Say where else the jar stands, and how warm it is there.'])
  expect((await server.send('GET', '/api/kitchen')).body.kitchen).toBeNull()
})

test('fed 1:5 it starts with less of the old in it than fed 1:2', async () => {
  // 100 g at 100 %: 50 g of flour; of it the old one's share is 1 in 1 + f (1 + h) of its weight.
  await begin({ grams: 100, flourPerSeed: 5 })
  const { line } = await jar()
  expect(line.parents[0].grams).toBeCloseTo((50 / 11) * 2, 2)
  expect(line.flours['white wheat']).toBeCloseTo(50 - 50 / 11, 2)
})

test('a correction mends the past: when, where, how much and how thick, and it is no guess any more', async () => {
  await begin()
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const { status } = await correct({ lastFedAt: ago(5), placeId: places[0].id, grams: 200, hydration: 0.5, culture: 'stiff', guesses: [] })
  expect(status).toBe(200)
  const now = await jar()
  expect(now).toMatchObject({ grams: 200, culture: 'stiff', placeId: places[0].id, stays: [{ placeId: places[0].id, from: ago(5) }], guesses: [] })
  expect(now.hydration).toBeCloseTo(0.5, 3)
  expect(now.line.startedAt).toBe(ago(5))
  const { events } = (await server.send('GET', `/api/jars/${now.id}/history`)).body
  expect(events.map((e: { type: string; grams: number }) => [e.type, e.grams])).toEqual([
    ['corrected', 200],
    ['opened', 120]
  ])
})

test('what was fed since follows: it holds what it was fed, out of a starter that was thicker', async () => {
  await begin({ stands: 'room', lastFedAt: ago(30) })
  await feed(ago(10))
  await correct({ hydration: 0.5, lastFedAt: ago(40) })
  const now = await jar()
  // 20 g at 50 %: 13.33 of flour, 6.67 of water; and 50 + 50.
  expect([now.grams, now.hydration]).toEqual([120, expect.closeTo(56.667 / 63.333, 3)])
  expect(now.line.parents[0].line.startedAt).toBe(ago(40))
})

test('it cannot have been fed after what was done with it, nor have held less than was taken out', async () => {
  await begin({ stands: 'room', lastFedAt: ago(30) })
  await feed(ago(10))
  const late = await correct({ lastFedAt: ago(9) })
  expect([late.status, late.body.error.message]).toEqual([400, 'Something was done with Pip before that. Give an earlier time for its last feed.'])
  expect((await jar()).line.parents[0].line.startedAt).toBe(ago(30))
})

test('a weighing ends the guess of how much, a feed all of them; taken back, it is a guess again', async () => {
  await begin({ guesses: ['grams', 'hydration', 'lastFedAt'] })
  const { id } = await jar()
  const weighing = testId()
  await server.send('POST', `/api/jars/${id}/weighings`, { id: weighing, happenedAt: TEST_NOW, grams: 143 })
  expect((await jar()).guesses).toEqual(['hydration', 'lastFedAt'])
  await server.send('POST', `/api/jars/${id}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes: weighing })
  expect((await jar()).guesses).toEqual(['grams', 'hydration', 'lastFedAt'])
  await feed(ago(1))
  expect((await jar()).guesses).toEqual([])
})

test('a fridge that turns out to be warmer was warmer all along; one that was measured is so from now on', async () => {
  await begin()
  const put = async (tempC: number) => {
    const { version, id: _id, demo: _demo, doughs: _doughs, ...kitchen } = (await server.send('GET', '/api/kitchen')).body.kitchen
    const [room, fridge] = kitchen.places
    await server.send('PUT', '/api/kitchen', { version, kitchen: { ...kitchen, places: [room, { ...fridge, tempC, guessed: false }] } })
  }
  await put(7)
  expect((await jar()).line.stays[0].tempC).toBe(7)
  await put(3)
  expect((await jar()).line.stays[0].tempC).toBe(7)
})

test('it may turn out to be free of gluten before anything was made of it; once fed with wheat, never', async () => {
  await begin({ stands: 'room', lastFedAt: ago(30) })
  const free = { flour: 'gluten-free', culture: 'gluten-free' }
  expect((await correct(free)).body).toMatchObject(free)
  await correct({ flour: 'white wheat', culture: 'white wheat' })
  await feed(ago(10))
  const refused = await correct(free)
  expect([refused.status, refused.body.error.code]).toEqual([409, 'gluten guard'])
  expect(await jar()).toMatchObject({ flour: 'white wheat', culture: 'white wheat' })
})

test('what its baker has made of it since stays when only its grams are corrected', async () => {
  await begin()
  const { id, version, name, keepMinimumGrams } = await jar()
  const feedOf = [{ ingredientId: 'rye', share: 1 }]
  await server.send('PUT', `/api/jars/${id}`, { version, jar: { name, culture: 'rye', flour: 'rye', feed: feedOf, vesselId: null, keepMinimumGrams } })
  await correct({ grams: 150 })
  expect(await jar()).toMatchObject({ culture: 'rye', flour: 'rye', feed: feedOf, grams: 150 })
})
