import { buildWith, firstRun, type Loose, piecesOf, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

/** What each school of the levain does to jar, discard pot and shelf. */
let server: TestServer
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

const jar = async () => (await server.send('GET', '/api/jars')).body.jars[0]

async function start(build: Record<string, unknown>, more: Record<string, unknown> = {}) {
  const id = testId()
  const made = await server.send('POST', '/api/bakes', { id, plan: await planFor(server, { build: buildWith(build), ...more }) })
  expect(made.status).toBe(200)
  const event = (type: string, more: object) => server.send('POST', `/api/bakes/${id}/events`, { id: testId(), type, happenedAt: TEST_NOW, ...more })
  const pour = (item: string, weighedGrams: number, more: object = {}) => event('pour', { item, plannedGrams: weighedGrams, weighedGrams, ...more })
  return { id, event, pour, bake: async () => (await server.send('GET', `/api/bakes/${id}`)).body as Loose }
}

test('used as it is: ripe starter out of the jar and into the dough, nothing off the shelf; all of it can be taken back', async () => {
  const { event, pour, bake } = await start({ source: 'as it is' })
  const more = await pour('seed', 100)
  expect(more.body.error.message).toMatch(/last/)
  await pour('seed', 80)
  expect((await jar()).grams).toBe(20)
  expect((await event('band', { mixTempC: 21 })).status).toBe(200)
  // Its line is that of the jar, with nothing fresh in it.
  expect((await bake()).line).toMatchObject({ flours: {}, waterGrams: 0, parents: [{ grams: 80, line: { startedAt: '2026-11-26T08:00:00.000Z' } }] })
  await event('mixed', { levainGrams: 80, keepBackGrams: 0 })
  // No day of its dough is planned, so that is the end of it.
  expect((await bake()).status).toBe('baked')
  expect((await jar()).grams).toBe(20)
  // No build rose, so nothing is learned of the jar's pace.
  expect((await server.send('GET', `/api/jars/${(await jar()).id}/log`)).body.builds).toEqual([])
  for (let i = 0; i < 3; i++) {
    const { events } = await bake()
    const undone = new Set(events.map((e: Loose) => e.undoes))
    const last = events.findLast((e: Loose) => e.type !== 'undo' && !undone.has(e.id))
    expect((await event('undo', { undoes: last.id })).status).toBe(200)
  }
  expect((await bake()).status).toBe('planned')
  expect((await jar()).grams).toBe(100)
})

test('straight from the jar: the rest goes to the discard pot, the keep-back is the new jar; all of it can be taken back', async () => {
  const { event, pour, bake } = await start({ source: 'straight from the jar' })
  await pour('seed', 16)
  await pour('water', 79)
  await pour('flour', 79)
  await event('band', { mixTempC: 24 })
  expect((await jar()).grams).toBe(0)
  await event('undo', { undoes: (await bake()).events.at(-1).id })
  expect((await jar()).grams).toBe(84)
  await event('band', { mixTempC: 24 })
  await event('mixed', { levainGrams: 149, keepBackGrams: 20 })
  const after = await jar()
  expect(after.grams).toBe(20)
  expect(after.line.parents).toHaveLength(1)
})

test('draw and top up: the jar is refilled by a feed of its own, and all of it can be taken back', async () => {
  const { id, event, pour, bake } = await start({ source: 'draw and top up' })
  await pour('seed', 16)
  await pour('water', 79)
  await pour('flour', 79)
  const drawn = await jar()
  expect(drawn.grams).toBe(84)
  // The refill is a feed of the jar and a step of the bake, as one deed: weighed, and a gram over.
  const feed = {
    id: testId(),
    happenedAt: TEST_NOW,
    keepGrams: 84,
    flours: [{ ingredientId: 'white wheat', grams: 9 }],
    waterGrams: 8,
    mixTempC: 20,
    placeId: drawn.placeId
  }
  const together = testId()
  const parts = [
    { do: 'feed', jarId: drawn.id, feed },
    { do: 'note', bakeId: id, event: { id: testId(), happenedAt: TEST_NOW, type: 'step', step: 'refill', did: 'done' } }
  ]
  expect((await server.send('POST', '/api/together', { id: together, happenedAt: TEST_NOW, parts })).status).toBe(200)
  const topped = await jar()
  expect(topped.grams).toBe(101)
  expect(topped.line).toMatchObject({ startedAt: TEST_NOW, flours: { 'white wheat': 9 }, waterGrams: 8 })
  // Marking the level adds nothing to it.
  await event('band', { mixTempC: 24 })
  expect((await jar()).grams).toBe(101)
  await event('undo', { undoes: (await bake()).events.at(-1).id })
  expect((await server.send('POST', '/api/together/undo', { id: testId(), happenedAt: TEST_NOW, undoes: together })).status).toBe(200)
  expect((await jar()).grams).toBe(84)
  expect((await jar()).line.startedAt).toBe('2026-11-26T08:00:00.000Z')
})

test('a mixed seed: part of it is older levain, and the line knows both', async () => {
  const { event, pour, bake } = await start({ source: 'mixed seed', older: { share: 0.5, hydration: 0.5 } })
  await pour('seed', 8)
  const early = await event('band', { mixTempC: 24 })
  expect(early.body.error.message).toContain('older levain, water, flour')
  await pour('older levain', 8)
  await pour('water', 79)
  await pour('flour', 79)
  await event('band', { mixTempC: 24 })
  expect((await bake()).line.parents.map((p: Loose) => [p.grams, p.hydration])).toEqual([
    [8, 1],
    [8, 0.5]
  ])
})

test('a blend is poured flour by flour, and each flour leaves its own shelf', async () => {
  const { event, pour, bake } = await start({
    flours: [
      { ingredientId: 'strong white', share: 3 },
      { ingredientId: 'rye', share: 1 }
    ]
  })
  await pour('seed', 16)
  await pour('water', 79)
  const which = await pour('flour', 60)
  expect([which.status, which.body.error.code]).toEqual([400, 'which flour'])
  await pour('flour', 60, { ingredientId: 'strong white' })
  expect((await event('band', { mixTempC: 24 })).body.error.message).toContain('Wholegrain rye flour')
  await pour('flour', 20, { ingredientId: 'rye' })
  await event('band', { mixTempC: 24 })
  expect((await bake()).line.flours).toEqual({ 'white wheat': 60, rye: 20 })
})

test('a salted levain keeps its salt', async () => {
  const { event, pour, bake } = await start({ salt: 0.02 })
  for (const [item, grams] of [
    ['seed', 16],
    ['water', 79],
    ['flour', 79],
    ['salt', 1.7]
  ] as const)
    await pour(item, grams)
  await event('band', { mixTempC: 24 })
  expect((await bake()).line.saltGrams).toBe(1.7)
})

test('one levain for two doughs: the other’s share is not to be had for this one', async () => {
  const { event, pour } = await start({ alsoFor: [{ name: 'pancakes', grams: 60 }] })
  for (const [item, grams] of [
    ['seed', 22],
    ['water', 106],
    ['flour', 106]
  ] as const)
    await pour(item, grams)
  await event('band', { mixTempC: 24 })
  const tooMuch = await event('mixed', { levainGrams: 160, keepBackGrams: 20 })
  expect([tooMuch.status, tooMuch.body.error.message]).toEqual([400, expect.stringContaining('60 g for pancakes')])
  expect((await event('mixed', { levainGrams: 149, keepBackGrams: 20 })).body.status).toBe('baked')
  expect((await jar()).grams).toBe(98)
})

test('a large build from much seed still wants its water and flour before the band', async () => {
  const { event, pour } = await start({ by: { kind: 'seed', grams: 300 } }, { target: piecesOf(10, 780) })
  await pour('seed', 90)
  expect((await event('band', { mixTempC: 24 })).body.error.message).toContain('water, flour')
})

describe('the last portion is never spent', () => {
  test('seed that empties the jar, when nothing is to be kept back', async () => {
    const { pour } = await start({ keepBackGrams: 0 })
    const refused = await pour('seed', 99.5)
    expect([refused.status, refused.body.error.code]).toEqual([400, 'last portion'])
    expect(refused.body.error.message).toContain('That is the last of Pip')
    expect((await jar()).grams).toBe(100)
    expect((await pour('seed', 99)).status).toBe(200)
  })
  test('with a keep-back planned the jar may be emptied, and then something has to be kept', async () => {
    const { pour, event } = await start({ keepBackGrams: 20 })
    expect((await pour('seed', 100)).status).toBe(200)
    await pour('water', 79)
    await pour('flour', 79)
    await event('band', { mixTempC: 24 })
    const refused = await event('mixed', { levainGrams: 200, keepBackGrams: 0 })
    expect([refused.status, refused.body.error.code]).toEqual([400, 'last portion'])
    expect((await event('mixed', { levainGrams: 200, keepBackGrams: 20 })).status).toBe(200)
    expect((await jar()).grams).toBe(20)
  })
  test('nor is the least of a jar when some goes into another, or the last of a dried one', async () => {
    const { id, placeId } = await jar()
    const split = (of: string, grams: number, as: string, jarId = testId()) =>
      server.send('POST', `/api/jars/${of}/splits`, { id: testId(), happenedAt: TEST_NOW, jarId, name: 'Spare', grams, placeId, as })
    expect((await split(id, 86, 'alike')).status).toBe(400)
    const dried = testId()
    expect((await split(id, 60, 'dried', dried)).status).toBe(200)
    const refused = await split(dried, 58, 'woken')
    expect(refused.body.error.message).toContain('The last of it is the spare.')
    expect((await split(dried, 30, 'woken')).status).toBe(200)
  })
})

test('what is kept of a levain stands apart as old levain, and seeds another one with its own past', async () => {
  const first = await start({ source: 'separate build' })
  await first.pour('seed', 16)
  await first.pour('water', 79)
  await first.pour('flour', 79)
  await first.event('band', { mixTempC: 24 })
  const place = (await jar()).placeId
  const keepAs = { jarId: testId(), name: 'Old levain of 26 Nov', placeId: place }
  await first.event('mixed', { levainGrams: 134, keepBackGrams: 40, keepAs })
  const old = async () => (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.id === keepAs.jarId)
  expect(await old()).toMatchObject({ name: 'Old levain of 26 Nov', grams: 40, hydration: expect.closeTo(1, 2), flour: 'white wheat', placeId: place })
  const pip = (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.id !== keepAs.jarId)
  expect(pip.grams).toBe(84)
  const second = await start({ source: 'mixed seed', older: { share: 0.7, hydration: 1, jarId: keepAs.jarId } }, { jarId: pip.id })
  await second.pour('seed', 5)
  expect((await second.pour('older levain', 41)).body.error.message).toContain('40')
  expect((await second.pour('older levain', 40)).status).toBe(200)
  await second.pour('water', 79)
  await second.pour('flour', 79)
  expect((await second.event('band', { mixTempC: 24 })).status).toBe(200)
  // All of it is used up, and the new levain knows what it was made of.
  expect((await old()).grams).toBe(0)
  const parents = (await second.bake()).line.parents
  expect(parents.map((p: Loose) => p.grams)).toEqual([5, 40])
  expect(parents[1].line.parents[0].line.flours).toEqual({ 'white wheat': 79 })
})

test('kept apart and taken back, the old levain is gone; once it was used, the mix stands', async () => {
  const { event, pour, bake } = await start({ source: 'separate build' })
  await pour('seed', 16)
  await pour('water', 79)
  await pour('flour', 79)
  await event('band', { mixTempC: 24 })
  const mix = () => event('mixed', { levainGrams: 134, keepBackGrams: 40, keepAs: { jarId: testId(), name: 'Old levain', placeId: placeId } })
  const placeId = (await jar()).placeId
  await mix()
  expect((await server.send('GET', '/api/jars')).body.jars).toHaveLength(2)
  await event('undo', { undoes: (await bake()).events.at(-1).id })
  expect((await server.send('GET', '/api/jars')).body.jars.map((j: Loose) => j.grams)).toEqual([84])
  await mix()
  const old = (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.name === 'Old levain')
  const feed = { id: testId(), happenedAt: TEST_NOW, keepGrams: 40, flours: [{ ingredientId: 'white wheat', grams: 9 }], waterGrams: 9, mixTempC: 20, placeId }
  expect((await server.send('POST', `/api/jars/${old.id}/feeds`, feed)).status).toBe(200)
  const refused = await event('undo', { undoes: (await bake()).events.at(-1).id })
  expect(refused.status).toBe(409)
  expect(refused.body.error.message).toContain('Old levain')
})
