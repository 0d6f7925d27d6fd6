import { firstRun, formulaFor, type Loose, piecesOf, planFor, startTestServer, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterAll(() => server.end())

const ingredients = async () => (await server.send('GET', '/api/ingredients')).body.ingredients as Loose[]
const find = async (id: string) => (await ingredients()).find((l) => l.ingredient.id === id)

describe('ingredients', () => {
  test('the built-in list is there before anything was written', async () => {
    const rye = await find('rye')
    expect(rye).toMatchObject({ builtIn: true, changed: false, version: 0, ingredient: { kind: 'flour', composition: { flour: 1 }, allergens: ['gluten'] } })
    expect((await ingredients()).length).toBeGreaterThan(40)
  })
  test('a changed one goes back to what it was', async () => {
    const { ingredient } = await find('honey')
    const changed = { ...ingredient, composition: { ...ingredient.composition, water: 0.2 } }
    expect((await server.send('PUT', '/api/ingredients/honey', { version: 0, ingredient: changed })).body).toMatchObject({ changed: true, version: 1 })
    await server.restart()
    expect((await find('honey')).ingredient.composition.water).toBe(0.2)
    await server.send('DELETE', '/api/ingredients/honey')
    expect(await find('honey')).toMatchObject({ changed: false, ingredient: { composition: { water: 0.17 } } })
    // Changed again after it went back.
    expect((await server.send('PUT', '/api/ingredients/honey', { version: 0, ingredient: changed })).status).toBe(200)
    await server.send('DELETE', '/api/ingredients/honey')
  })
  test('one of the baker’s own comes and goes; a stale change gets what is there', async () => {
    const id = testId()
    const own = { id, name: 'Apple pulp', kind: 'fruit', composition: { flour: 0, water: 0.8, salt: 0 }, allergens: [], fine: false }
    expect((await server.send('PUT', `/api/ingredients/${id}`, { version: 0, ingredient: own })).status).toBe(200)
    const stale = await server.send('PUT', `/api/ingredients/${id}`, { version: 0, ingredient: { ...own, name: 'Pear pulp' } })
    expect([stale.status, stale.body.error.current.name]).toEqual([409, 'Apple pulp'])
    await server.send('DELETE', `/api/ingredients/${id}`)
    expect(await find(id)).toBeUndefined()
  })
  test.each([
    ['more than all of it', { composition: { flour: 0.5, water: 0.6, salt: 0 } }, /more than 100 %/],
    ['a flour that ferments like nothing', { kind: 'flour' }, /how this flour ferments/],
    ['no name', { name: ' ' }, /name is needed/],
    ['a density back to front', { density: [2, 1] }, /smaller figure comes first/]
  ])('%s is refused with a sentence', async (_, more, sentence) => {
    const id = testId()
    const body = { id, name: 'X', kind: 'other', composition: { flour: 0, water: 0.8, salt: 0 }, allergens: [], fine: false, ...more }
    const { status, body: answer } = await server.send('PUT', `/api/ingredients/${id}`, { version: 0, ingredient: body })
    expect(status).toBe(400)
    expect(answer.error.message).toMatch(sentence)
  })
  test('an unknown one cannot be taken away', async () => {
    expect((await server.send('DELETE', '/api/ingredients/stardust')).status).toBe(404)
  })
})

describe('vessels', () => {
  const vessel = (id: string, more: object = {}) => ({ id, name: 'Blue jar', tareGrams: 312.5, capacityMl: 500, innerDiameterMm: 80, heightMm: 110, ...more })
  test('kept, changed, taken away and back', async () => {
    const id = testId()
    expect((await server.send('PUT', `/api/vessels/${id}`, { version: 0, vessel: vessel(id) })).body).toMatchObject({ version: 1, tareGrams: 312.5 })
    expect((await server.send('PUT', `/api/vessels/${id}`, { version: 1, vessel: vessel(id, { capacityMl: 720 }) })).body.capacityMl).toBe(720)
    expect((await server.send('PUT', `/api/vessels/${id}`, { version: 1, vessel: vessel(id) })).status).toBe(409)
    expect((await server.send('DELETE', `/api/vessels/${id}`)).body.vessels).toEqual([])
    expect((await server.send('POST', `/api/vessels/${id}/restore`, {})).body.vessels).toHaveLength(1)
  })
  test('a jar of no size is none', async () => {
    const id = testId()
    const { status, body } = await server.send('PUT', `/api/vessels/${id}`, { version: 0, vessel: vessel(id, { heightMm: 0, capacityMl: -1 }) })
    expect(status).toBe(400)
    expect(Object.keys(body.error.fields)).toEqual(['vessel.capacityMl', 'vessel.heightMm'])
  })
})

describe('the library', () => {
  const levain = { hydration: 1, salt: 0, oil: 0, flours: [{ ingredientId: 'white wheat', share: 1 }] }
  const content = (more: Record<string, unknown> = {}) => ({ formula: formulaFor(more), target: piecesOf(2, 780), levain })
  test('every change is a version, and what it was before stays', async () => {
    const id = testId()
    const made = await server.send('POST', '/api/formulas', { id, name: 'Loaf', note: 'first', content: content() })
    expect(made.body).toMatchObject({ version: 1, name: 'Loaf' })
    expect((await server.send('POST', '/api/formulas', { id, name: 'Loaf', note: 'first', content: content() })).body.version).toBe(1)
    expect((await server.send('POST', '/api/formulas', { id, name: 'Other loaf', content: content() })).body.error.code).toBe('used id')
    const wetter = await server.send('PUT', `/api/formulas/${id}`, { version: 1, name: 'Wet loaf', note: '', content: content({ hydration: 0.8 }) })
    expect(wetter.body).toMatchObject({ version: 2, name: 'Wet loaf' })
    const stale = await server.send('PUT', `/api/formulas/${id}`, { version: 1, name: 'Dry loaf', content: content({ hydration: 0.6 }) })
    expect([stale.status, stale.body.error.current.name]).toEqual([409, 'Wet loaf'])
    const { versions } = (await server.send('GET', `/api/formulas/${id}/versions`)).body
    expect(versions.map((v: Loose) => [v.version, v.name, v.content.formula.hydration])).toEqual([
      [2, 'Wet loaf', 0.8],
      [1, 'Loaf', 0.74]
    ])
  })
  test('taken out and put back', async () => {
    const [formula] = (await server.send('GET', '/api/formulas')).body.formulas
    await server.send('DELETE', `/api/formulas/${formula.id}`)
    expect((await server.send('GET', '/api/formulas')).body.formulas).toEqual([])
    await server.send('POST', `/api/formulas/${formula.id}/restore`, {})
    expect((await server.send('GET', '/api/formulas')).body.formulas).toHaveLength(1)
  })
  test('one that cannot be is refused with its sentence', async () => {
    const { status, body } = await server.send('POST', '/api/formulas', { id: testId(), name: 'X', content: content({ levain: 3, hydration: 0.2 }) })
    expect(status).toBe(400)
    expect(body.error.message).toMatch(/brings more water/)
  })
  test('unknown ids', async () => {
    for (const id of [testId(), 'nonsense']) {
      expect((await server.send('GET', `/api/formulas/${id}/versions`)).status).toBe(404)
      expect((await server.send('DELETE', `/api/formulas/${id}`)).status).toBe(404)
    }
  })
  test('a mix nested deeper than anybody bakes is a sentence, not a fault', async () => {
    const mix = `${'{"name":"m","parts":[{"parts":1,"mix":'.repeat(4000)}{"name":"m","parts":[{"ingredientId":"rye","parts":1}]}${'}]}'.repeat(4000)}`
    const lines = [...(formulaFor().lines as object[]), { id: 'deep', kind: 'pre-ferment', style: 'scald', mix: 'HERE', share: 0.1 }]
    const body = JSON.stringify({ id: testId(), name: 'X', content: content({ lines }) }).replace('"HERE"', mix)
    const { status } = await server.send('POST', '/api/formulas', body)
    expect(status).toBe(400)
  })
})

test('a started bake keeps what its ingredients were', async () => {
  const id = testId()
  await server.send('POST', '/api/bakes', { id, plan: await planFor(server) })
  await server.send('POST', `/api/bakes/${id}/events`, {
    id: testId(),
    type: 'pour',
    item: 'seed',
    plannedGrams: 16,
    weighedGrams: 16,
    happenedAt: '2026-11-26T19:42:00.000Z'
  })
  const { ingredient } = await find('white wheat')
  await server.send('PUT', '/api/ingredients/white%20wheat', { version: 0, ingredient: { ...ingredient, name: 'Another flour' } })
  const bake = (await server.send('GET', `/api/bakes/${id}`)).body
  expect(bake.ingredients.find((i: Loose) => i.id === 'white wheat').name).toBe('White wheat flour')
  expect(bake.ingredients.map((i: Loose) => i.id).sort()).toEqual(['salt', 'water', 'white wheat'])
})
