import { buildWith, firstRun, type Loose, piecesOf, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

/** One pot of levain for several doughs: who builds it, who takes of it, and what becomes of that when something changes. */
let server: TestServer
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

async function planned(name: string, more: Record<string, unknown> = {}): Promise<string> {
  const id = testId()
  expect((await server.send('POST', '/api/bakes', { id, plan: await planFor(server, { name, ...more }) })).status).toBe(200)
  return id
}
const bake = async (id: string) => (await server.send('GET', `/api/bakes/${id}`)).body as Loose
const jars = async () => (await server.send('GET', '/api/jars')).body.jars as Loose[]
async function change(id: string, patch: (plan: Loose) => Loose) {
  const { version, plan } = await bake(id)
  return server.send('PUT', `/api/bakes/${id}`, { version, plan: { ...plan, ...patch(plan) } })
}
const event = (id: string, type: string, more: object) => server.send('POST', `/api/bakes/${id}/events`, { id: testId(), type, happenedAt: TEST_NOW, ...more })
const takes = (potId: string) => (plan: Loose) => ({ ...plan, levainFrom: { bakeId: potId } })

/** A loaf of 1,000 g and a tin of 500 g that takes of its levain. */
async function twoOfOnePot() {
  const pot = await planned('Country loaf', { target: piecesOf(1, 1000), build: buildWith({ hydration: 0.8 }) })
  const tin = await planned('Tin', { target: piecesOf(1, 500) })
  expect((await change(tin, takes(pot))).status).toBe(200)
  return { pot, tin }
}

test('the pot knows what the other dough takes, and that dough takes what the pot holds', async () => {
  const { pot, tin } = await twoOfOnePot()
  const [share] = (await bake(pot)).plan.build.alsoFor
  expect(share).toMatchObject({ name: 'Tin', bakeId: tin })
  // 500 g and 2 % for the hands: 510 g of dough with a levain of 20 % of the flour it is reckoned on comes to some 60 g.
  const alone = share.grams
  expect((await bake(tin)).plan.build.hydration).toBe(0.8)
  // A second tin, a second share: what sticks is counted once for each weighing.
  await change(tin, (plan) => ({ ...plan, target: piecesOf(2, 500) }))
  const twice = (await bake(pot)).plan.build.alsoFor[0].grams
  expect(twice).toBeGreaterThan(1.85 * alone)
  expect(twice).toBeLessThan(2.05 * alone)
  await change(pot, (plan) => ({ ...plan, build: { ...plan.build, hydration: 1.1 } }))
  expect((await bake(tin)).plan.build.hydration).toBe(1.1)
})

test('on its own after all; the pot taken off the table; a share struck out: each side lets go, and an undo ties them again', async () => {
  const { pot, tin } = await twoOfOnePot()
  await change(tin, (plan) => ({ ...plan, levainFrom: null }))
  expect((await bake(pot)).plan.build.alsoFor).toEqual([])
  await change(tin, takes(pot))
  const { plan } = await bake(pot)
  await change(pot, (now) => ({ ...now, build: { ...now.build, alsoFor: [] } }))
  expect((await bake(tin)).plan.levainFrom ?? null).toBeNull()
  await change(pot, () => plan)
  expect((await bake(tin)).plan.levainFrom).toEqual({ bakeId: pot })
  await server.send('DELETE', `/api/bakes/${pot}`)
  expect((await bake(tin)).plan.levainFrom ?? null).toBeNull()
})

test('taken off the table and put back, either of them: they are tied as before; a pot that was begun meanwhile is not waited for', async () => {
  const { pot, tin } = await twoOfOnePot()
  const put = (id: string) => server.send('POST', `/api/bakes/${id}/restore`)
  await server.send('DELETE', `/api/bakes/${pot}`)
  expect((await put(pot)).status).toBe(200)
  expect((await bake(tin)).plan.levainFrom).toEqual({ bakeId: pot })
  await server.send('DELETE', `/api/bakes/${tin}`)
  expect((await bake(pot)).plan.build.alsoFor).toEqual([])
  await put(tin)
  expect((await bake(pot)).plan.build.alsoFor).toMatchObject([{ name: 'Tin', bakeId: tin }])
  await server.send('DELETE', `/api/bakes/${tin}`)
  await event(pot, 'pour', { item: 'seed', plannedGrams: 20, weighedGrams: 20 })
  await put(tin)
  expect((await bake(tin)).plan.levainFrom).toBeNull()
})

test('no chains: what takes of a pot feeds no other, and a pot that is begun takes on no more', async () => {
  const { pot, tin } = await twoOfOnePot()
  const third = await planned('Buns')
  expect((await change(third, takes(tin))).status).toBe(400)
  expect((await change(pot, takes(third))).status).toBe(400)
  expect((await change(third, takes(third))).status).toBe(400)
  await event(pot, 'pour', { item: 'seed', plannedGrams: 20, weighedGrams: 20 })
  const refused = await change(third, takes(pot))
  expect(refused.status).toBe(400)
  expect(refused.body.error.message).toMatch(/cannot be shared/)
  // Nothing is weighed for the levain of the tin.
  expect((await event(tin, 'pour', { item: 'seed', plannedGrams: 10, weighedGrams: 10 })).body.error.message).toMatch(/pot of another/)
})

test('mixed, the share stands in a jar of its own and is used as it is to the last gram; all of it can be taken back', async () => {
  const { pot, tin } = await twoOfOnePot()
  const own = (await bake(tin)).plan.jarId
  const { grams } = (await bake(pot)).plan.build.alsoFor[0]
  await event(pot, 'pour', { item: 'seed', plannedGrams: 30, weighedGrams: 30 })
  await event(pot, 'pour', { item: 'water', plannedGrams: 120, weighedGrams: 120 })
  await event(pot, 'pour', { item: 'flour', plannedGrams: 150, weighedGrams: 150 })
  await event(pot, 'band', { mixTempC: 24 })
  const mixed = await event(pot, 'mixed', { levainGrams: 150, keepBackGrams: 20 })
  expect(mixed.status).toBe(200)
  const share = (await jars()).find((jar) => jar.name === 'Levain for Tin') as Loose
  expect(share.grams).toBe(grams)
  const { plan } = await bake(tin)
  expect(plan).toMatchObject({ jarId: share.id, build: { source: 'as it is' }, levainFrom: { bakeId: pot, jarId: own } })
  // It is the levain that was mixed, of 30, 120 and 150 g, and goes on as it was.
  expect(share.line.startedAt).toBe(TEST_NOW)
  expect(share.line.mixTempC).toBe(24)
  expect(share.line.flours['white wheat']).toBeCloseTo(grams / 2, 1)
  expect(share.line.waterGrams).toBeCloseTo(0.4 * grams, 1)
  expect(share.line.parents).toMatchObject([{ line: { startedAt: '2026-11-26T08:00:00.000Z' } }])
  const potEvents = (await bake(pot)).events
  const mix = potEvents.at(-1).id
  // Begun with it, the mix of the pot stands; given back, it can be taken back, too.
  expect((await event(tin, 'pour', { item: 'seed', plannedGrams: grams, weighedGrams: grams })).status).toBe(200)
  expect((await event(pot, 'undo', { undoes: mix })).body.error.message).toMatch(/Tin has been begun/)
  await event(tin, 'undo', { undoes: (await bake(tin)).events.at(-1).id })
  expect((await event(pot, 'undo', { undoes: mix })).status).toBe(200)
  expect((await bake(tin)).plan).toMatchObject({ jarId: own, build: { source: 'separate build' }, levainFrom: { bakeId: pot } })
  expect((await jars()).map((jar) => jar.name)).toEqual(['Pip'])
  expect((await jars())[0]?.grams).toBe(70)
  // And once more to the dough: nothing of a share has to stay.
  await event(pot, 'mixed', { levainGrams: 150, keepBackGrams: 20 })
  await event(tin, 'pour', { item: 'seed', plannedGrams: grams, weighedGrams: grams })
  await event(tin, 'band', { mixTempC: 24 })
  expect((await event(tin, 'mixed', { levainGrams: grams, keepBackGrams: 0 })).status).toBe(200)
  // No day of its dough is planned, so that is the end of it, and its jar is put away until that is taken back.
  expect((await jars()).map((jar) => jar.name)).toEqual(['Pip'])
  expect((await event(tin, 'undo', { undoes: (await bake(tin)).events.at(-1).id })).status).toBe(200)
  expect((await jars()).map((jar) => jar.name)).toHaveLength(2)
})

test('a pot that is fed again: the dough that waits for it is mixed with it, and as it was planned once that is taken back', async () => {
  const { pot, tin } = await twoOfOnePot()
  const planned = (await bake(tin)).plan.mixAt
  for (const [item, grams] of [
    ['seed', 30],
    ['water', 120],
    ['flour', 150]
  ] as const)
    await event(pot, 'pour', { item, plannedGrams: grams, weighedGrams: grams })
  await event(pot, 'band', { mixTempC: 24 })
  const mixAt = new Date(Date.parse(planned) + 6 * 3_600_000).toISOString()
  const fed = await event(pot, 'fed again', { stage: 'fed again', flourPerSeed: 1, mixAt })
  expect(fed.status).toBe(200)
  expect((await bake(tin)).plan).toMatchObject({ mixAt, levainFrom: { bakeId: pot } })
  await event(pot, 'undo', { undoes: fed.body.events.at(-1).id })
  expect((await bake(tin)).plan).toMatchObject({ mixAt: planned, levainFrom: { bakeId: pot } })
})

test('what was seen of the pot was seen of its share, which is as well known as the jar it was built from', async () => {
  const { pot, tin } = await twoOfOnePot()
  const at = (hour: string) => ({ happenedAt: `2026-11-26T${hour}:00.000Z` })
  await event(pot, 'pour', { item: 'seed', plannedGrams: 30, weighedGrams: 30, ...at('12:00') })
  await event(pot, 'pour', { item: 'water', plannedGrams: 120, weighedGrams: 120, ...at('12:00') })
  await event(pot, 'pour', { item: 'flour', plannedGrams: 150, weighedGrams: 150, ...at('12:00') })
  await event(pot, 'band', { mixTempC: 24, ...at('12:05') })
  await event(pot, 'mark', { rise: 1.6, signs: { top: 'domed' }, ...at('16:30') })
  await event(pot, 'mark', { rise: 1.1, signs: {}, ...at('17:00') })
  await event(pot, 'explained', { look: (await bake(pot)).events.at(-1).id, as: 'stirred', ...at('17:01') })
  await event(pot, 'mixed', { levainGrams: 150, keepBackGrams: 20 })
  const [share, pip] = ['Levain for Tin', 'Pip'] as const
  const named = async (name: string) => (await jars()).find((jar) => jar.name === name) as Loose
  expect((await named(share)).looks).toMatchObject([
    { at: '2026-11-26T16:30:00.000Z', rise: 1.6, signs: { top: 'domed' } },
    { at: '2026-11-26T17:00:00.000Z', rise: 1.1, explained: 'stirred' }
  ])
  // One levain, learned from once.
  const log = async (name: string) => (await server.send('GET', `/api/jars/${(await named(name)).id}/log`)).body.builds as Loose[]
  const seen = (builds: Loose[]) => builds.map(({ line, marks }) => [line.startedAt, marks.map((mark: Loose) => mark.rise ?? null)])
  expect(seen(await log(share))).toEqual([['2026-11-26T12:05:00.000Z', [1.6, null]]])
  expect(seen(await log(pip))).toEqual(seen(await log(share)))
  expect((await bake(tin)).plan.jarId).toBe((await named(share)).id)
  // Not mixed after all, and mixed once more.
  expect((await event(pot, 'undo', { undoes: (await bake(pot)).events.at(-1).id })).status).toBe(200)
  expect((await jars()).map((jar) => jar.name)).toEqual(['Pip'])
  await event(pot, 'mixed', { levainGrams: 150, keepBackGrams: 20 })
  expect((await named(share)).looks).toHaveLength(2)
})

test('another jar instead of its share: the share is a jar like any other then, and no bread puts a jar away that is not the share', async () => {
  const { pot, tin } = await twoOfOnePot()
  const waiting = (await bake(tin)).plan
  await event(pot, 'pour', { item: 'seed', plannedGrams: 30, weighedGrams: 30 })
  await event(pot, 'pour', { item: 'water', plannedGrams: 120, weighedGrams: 120 })
  await event(pot, 'pour', { item: 'flour', plannedGrams: 150, weighedGrams: 150 })
  await event(pot, 'band', { mixTempC: 24 })
  await event(pot, 'mixed', { levainGrams: 150, keepBackGrams: 20 })
  const share = (await bake(tin)).plan
  // What was edited before, taken back, does not wait for a pot that is empty.
  await change(tin, () => ({ ...waiting, name: 'Small tin' }))
  expect((await bake(tin)).plan).toMatchObject({ name: 'Small tin', jarId: share.jarId, build: { source: 'as it is' }, levainFrom: share.levainFrom })
  await change(tin, () => ({ jarId: waiting.jarId }))
  expect((await bake(tin)).plan.levainFrom).toBeNull()
  await event(tin, 'pour', { item: 'seed', plannedGrams: 60, weighedGrams: 60 })
  await event(tin, 'band', { mixTempC: 24 })
  await event(tin, 'mixed', { levainGrams: 60, keepBackGrams: 0 })
  expect((await bake(tin)).status).toBe('baked')
  expect((await jars()).map((jar) => jar.name).sort()).toEqual(['Levain for Tin', 'Pip'])
})

test('the shelf counts the flour of one pot once', async () => {
  const { pot, tin } = await twoOfOnePot()
  const uses = (await server.send('GET', '/api/shelf')).body.uses as Loose[]
  const flourOf = (name: string) => uses.filter((use) => use.forWhat === name && use.ingredientId === 'white wheat').reduce((sum, use) => sum + use.grams, 0)
  const shared = flourOf('Tin') + flourOf('Country loaf')
  await change(tin, (plan) => ({ ...plan, levainFrom: null }))
  const apart = (await server.send('GET', '/api/shelf')).body.uses as Loose[]
  const own = apart.filter((use) => use.forWhat === 'Tin' && use.ingredientId === 'white wheat').reduce((sum, use) => sum + use.grams, 0)
  expect(own).toBeGreaterThan(flourOf('Tin'))
  // Two levains keep back twice: apart they want more, by no more than that and what sticks.
  const both = own + apart.filter((use) => use.forWhat === 'Country loaf' && use.ingredientId === 'white wheat').reduce((sum, use) => sum + use.grams, 0)
  expect(both).toBeGreaterThanOrEqual(shared)
  expect(both - shared).toBeLessThan(20)
  expect(pot).not.toBe(tin)
})
