import { buildWith, firstRun, formulaFor, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

/** Every way in which gluten could come into a jar that is kept free of it. */
let server: TestServer
let moth: Loose
let pip: Loose
const noted = () => ({ id: testId(), happenedAt: TEST_NOW })
const post = (path: string, body: object) => server.send('POST', path, body)

beforeEach(async () => {
  server = await startTestServer()
  await post('/api/kitchen/first-run', firstRun())
  pip = (await server.send('GET', '/api/jars')).body.jars[0]
  const opening = { id: testId(), name: 'Moth', flour: 'gluten-free', hydration: 1.1, grams: 120, lastFedAt: TEST_NOW, placeId: pip.placeId }
  moth = (await post('/api/jars', opening)).body
})
afterEach(() => server.end())

const feed = (flours: object[], jar = moth, keepGrams = 20) =>
  post(`/api/jars/${jar.id}/feeds`, { ...noted(), keepGrams, flours, waterGrams: 40, mixTempC: 22, placeId: jar.placeId })
const flour = (ingredientId: string, grams = 20) => ({ ingredientId, grams })
const edit = (jar: Loose, more: object) =>
  server.send('PUT', `/api/jars/${jar.id}`, {
    version: jar.version,
    jar: { name: jar.name, culture: jar.culture, flour: jar.flour, feed: jar.feed, vesselId: null, keepMinimumGrams: 15, ...more }
  })
function refused(answer: { status: number; body: Loose }): void {
  expect([400, 409]).toContain(answer.status)
  expect(answer.body.error.code).toBe('gluten guard')
}

/** A levain of gluten-free flour from Moth, up to the band. */
async function levain(
  more: Record<string, unknown>,
  pours: readonly (readonly [item: string, ingredientId: string | undefined, grams: number])[]
): Promise<{ id: string; happen: (type: string, more: object) => Promise<Loose> }> {
  const id = testId()
  const plan = await planFor(server, { jarId: moth.id, build: buildWith({ hydration: 1.1, keepBackGrams: 20, ...more }) })
  expect((await post('/api/bakes', { id, plan })).status).toBe(200)
  const happen = (type: string, body: object) => post(`/api/bakes/${id}/events`, { ...noted(), type, ...body })
  for (const [item, ingredientId, grams] of pours) {
    const answer = await happen('pour', { item, ingredientId, plannedGrams: grams, weighedGrams: grams })
    if (answer.status !== 200) return { id, happen: () => Promise.resolve(answer) }
  }
  return { id, happen }
}

test('a feed of wheat, of rye, of half and half, and of a flour nobody knows', async () => {
  refused(await feed([flour('white wheat')]))
  refused(await feed([flour('buckwheat'), flour('rye')]))
  expect((await feed([flour('no such flour')])).status).toBe(400)
  const after = (await feed([flour('buckwheat'), flour('sorghum')])).body
  expect(after.line.flours).toEqual({ 'gluten-free': 40 })
})

test('a house blend with a little wheat in it', async () => {
  const id = testId()
  const ingredient = {
    id,
    name: 'Brown mix',
    kind: 'flour',
    composition: { flour: 1, water: 0, salt: 0 },
    flourKind: 'gluten-free',
    allergens: [],
    fine: false,
    blend: [flourPart('buckwheat', 95), flourPart('spelt', 5)]
  }
  const kept = await server.send('PUT', `/api/ingredients/${id}`, { version: 0, ingredient })
  expect(kept.body.ingredient.allergens).toEqual(['gluten'])
  refused(await feed([flour(id)]))
  refused(await edit(moth, { feed: [flourPart(id, 1)] }))
})
const flourPart = (ingredientId: string, share: number) => ({ ingredientId, share })

test('a gluten-free flour that is changed into one that is not', async () => {
  const { ingredients } = (await server.send('GET', '/api/ingredients')).body
  const buckwheat = ingredients.find((i: Loose) => i.ingredient.id === 'buckwheat')
  expect((await server.send('PUT', '/api/ingredients/buckwheat', { version: 0, ingredient: { ...buckwheat.ingredient, allergens: ['gluten'] } })).status).toBe(
    200
  )
  refused(await feed([flour('buckwheat')]))
})

test('its own flour or culture turned to wheat, and a wheat jar turned gluten-free', async () => {
  refused(await edit(moth, { feed: [flourPart('rye', 1)] }))
  refused(await edit(moth, { culture: 'rye', flour: 'rye', feed: [flourPart('rye', 1)] }))
  refused(await edit(moth, { culture: 'rye' }))
  refused(await edit(pip, { culture: 'gluten-free', flour: 'gluten-free', feed: [flourPart('buckwheat', 1)] }))
  expect((await edit(pip, { feed: [flourPart('no such flour', 1)] })).status).toBe(400)
  expect((await edit(moth, { name: 'Moth II', feed: [flourPart('rice', 1)] })).body.name).toBe('Moth II')
})

test('a jar that comes in under the wrong name', async () => {
  const opening = { id: testId(), name: 'X', hydration: 1, grams: 50, lastFedAt: TEST_NOW, placeId: pip.placeId }
  refused(await post('/api/jars', { ...opening, culture: 'gluten-free', flour: 'white wheat' }))
  refused(await post('/api/jars', { ...opening, culture: 'rye', flour: 'gluten-free' }))
})

test('a ripe levain with wheat in it, kept back: nothing of it goes into the jar; without a keep-back it may be baked', async () => {
  const { happen } = await levain({ flours: [flourPart('white wheat', 1)] }, [
    ['seed', undefined, 17],
    ['water', undefined, 95],
    ['flour', 'white wheat', 84]
  ])
  expect((await happen('band', { mixTempC: 24 })).status).toBe(200)
  refused(await happen('mixed', { levainGrams: 149, keepBackGrams: 20 }))
  expect((await happen('mixed', { levainGrams: 149, keepBackGrams: 0 })).status).toBe(200)
  const after = (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.id === moth.id)
  expect(after.grams).toBe(103)
  expect(after.line.flours).toEqual(moth.line.flours)
})

test('older levain out of the pot that a wheat jar filled', async () => {
  await post(`/api/jars/${pip.id}/feeds`, { ...noted(), keepGrams: 20, flours: [flour('white wheat', 50)], waterGrams: 50, mixTempC: 22, placeId: pip.placeId })
  const { happen } = await levain({ flours: [flourPart('buckwheat', 1)], source: 'mixed seed' }, [['older levain', undefined, 8]])
  refused(await happen('band', {}))
})

test('topped up in the cold: its own flours go in, and wheat among them is refused', async () => {
  const pours = [
    ['seed', undefined, 17],
    ['water', undefined, 95],
    ['flour', 'buckwheat', 84]
  ] as const
  const { id, happen } = await levain({ flours: [flourPart('buckwheat', 1)], source: 'draw and top up' }, pours)
  const refill = (ingredientId: string) => {
    const part = { ...noted(), keepGrams: 103, flours: [flour(ingredientId, 8)], waterGrams: 9, mixTempC: 20, placeId: moth.placeId }
    const step = { ...noted(), type: 'step', step: 'refill', did: 'done' }
    const parts = [
      { do: 'feed', jarId: moth.id, feed: part },
      { do: 'note', bakeId: id, event: step }
    ]
    return post('/api/together', { ...noted(), parts })
  }
  refused(await refill('white wheat'))
  expect((await refill('buckwheat')).status).toBe(200)
  expect((await happen('band', { mixTempC: 24 })).status).toBe(200)
  const after = (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.id === moth.id)
  expect(after.line.flours).toEqual({ 'gluten-free': 8 })
})

test('what is taken from it stays gluten-free, dried and woken too', async () => {
  const dried = testId()
  await post(`/api/jars/${moth.id}/splits`, { ...noted(), jarId: dried, name: 'Moth, dried', grams: 40, placeId: moth.placeId, as: 'dried' })
  const woken = testId()
  const split = await post(`/api/jars/${dried}/splits`, { ...noted(), jarId: woken, name: 'Moth again', grams: 10, placeId: moth.placeId, as: 'woken' })
  expect(split.body).toMatchObject({ culture: 'gluten-free', flour: 'gluten-free' })
  refused(await feed([flour('rye')], split.body, 5))
  expect((await feed([flour('rice')], split.body, 5)).status).toBe(200)
})

test('a program whose feed or end would bring it in', async () => {
  const step = { title: 'Feed it', afterHours: 0, what: '', sign: null }
  const start = async (deed: object) => {
    const id = testId()
    const program = { kind: 'change', title: 'Moth becomes rye', says: '', steps: [{ ...step, deed }] }
    expect((await post('/api/programs', { id, happenedAt: TEST_NOW, jarId: moth.id, placeId: moth.placeId, program })).status).toBe(200)
    const answer = await post(`/api/programs/${id}/entries`, { ...noted(), step: 0, outcome: 'done' })
    await server.send('DELETE', `/api/programs/${id}`)
    return answer
  }
  refused(await start({ kind: 'feed', keepGrams: 20, flours: [flour('rye')], waterGrams: 20 }))
  refused(await start({ kind: 'become', culture: 'rye', flour: 'rye', feed: [flourPart('rye', 1)] }))
  refused(await start({ kind: 'become', culture: 'gluten-free', flour: 'gluten-free', feed: [flourPart('rye', 1)] }))
})

test('a dough that is marked gluten-free: its flours, its levain and its starter, when it is made and when it is changed', async () => {
  const free = (ingredientId: string) => ({ ...(formulaFor() as Loose), doughKind: 'gluten-free', hydration: 0.95, lines: lineOf(ingredientId) })
  const lineOf = (ingredientId: string) => (formulaFor() as Loose).lines.map((line: Loose) => (line.kind === 'flour' ? { ...line, ingredientId } : line))
  const build = buildWith({ hydration: 1.1, flours: [flourPart('buckwheat', 1)] })
  const make = async (more: object) => {
    const id = testId()
    return { id, answer: await post('/api/bakes', { id, plan: await planFor(server, { jarId: moth.id, formula: free('buckwheat'), build, ...more }) }) }
  }
  refused((await make({ formula: free('white wheat') })).answer)
  refused((await make({ build: buildWith({ hydration: 1.1 }) })).answer)
  refused((await make({ jarId: pip.id })).answer)
  const { id, answer } = await make({})
  expect(answer.status).toBe(200)
  const { version, plan } = (await server.send('GET', `/api/bakes/${id}`)).body
  const change = (formula: object) => server.send('PUT', `/api/bakes/${id}`, { version, plan: { ...plan, formula } })
  refused(await change(free('rye')))
  // The mark taken away by hand, it may hold what it likes.
  expect((await change({ ...free('rye'), doughKind: 'rye tin' })).status).toBe(200)
})
