import { firstRun, formulaFor, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
let bakeId: string
const at = (minutes: number) => new Date(Date.parse(TEST_NOW) + minutes * 60_000).toISOString()
const event = (type: string, more: object, minutes = 0) =>
  server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type, happenedAt: at(minutes), ...more })
const pour = (item: string, plannedGrams: number, weighedGrams = plannedGrams) => event('pour', { item, plannedGrams, weighedGrams })
const jar = async () => (await server.send('GET', '/api/jars')).body.jars[0]
const bake = async () => (await server.send('GET', `/api/bakes/${bakeId}`)).body
const moveClock = (minutes: number) => server.send('POST', '/api/clock', { now: at(minutes) })

beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  bakeId = testId()
  const made = await server.send('POST', '/api/bakes', { id: bakeId, plan: await planFor(server) })
  expect(made.status).toBe(200)
})
afterEach(() => server.end())

test('the walk: weigh, band, look, mix; the jar’s grams follow; a restart keeps it all', async () => {
  expect((await pour('seed', 16, 17)).body.status).toBe('building')
  expect((await jar()).grams).toBe(83)
  await pour('water', 79)
  await pour('flour', 79, 81)
  const banded = await event('band', { mixTempC: 24 })
  expect(banded.body.status).toBe('ripening')
  expect(banded.body.line).toMatchObject({ flours: { 'white wheat': 81 }, waterGrams: 79, mixTempC: 24, stays: [{ tempC: 22 }] })
  expect(banded.body.line.parents[0].grams).toBe(17)
  await moveClock(300)
  expect((await event('mark', { rise: 1.6, signs: { top: 'domed' } }, 300)).body.events).toHaveLength(5)
  await moveClock(600)
  const mixed = await event('mixed', { levainGrams: 149, keepBackGrams: 20 }, 600)
  expect(mixed.body.status).toBe('baked')
  expect((await jar()).grams).toBe(103)
  const before = await bake()
  await server.restart()
  expect(await bake()).toEqual(before)
  expect((await server.send('GET', '/api/bakes?state=done')).body).toMatchObject({ total: 1 })
  expect((await server.send('GET', '/api/bakes?state=open')).body).toMatchObject({ total: 0 })
})

test('an event sent twice counts once', async () => {
  const once = { id: testId(), type: 'pour', item: 'seed', plannedGrams: 16, weighedGrams: 16, happenedAt: at(0) }
  await server.send('POST', `/api/bakes/${bakeId}/events`, once)
  const again = await server.send('POST', `/api/bakes/${bakeId}/events`, once)
  expect(again.status).toBe(200)
  expect(again.body.events).toHaveLength(1)
  expect((await jar()).grams).toBe(84)
})

test('a bake sent twice is one bake', async () => {
  await server.send('POST', '/api/bakes', { id: bakeId, plan: await planFor(server) })
  expect((await server.send('GET', '/api/bakes')).body.total).toBe(1)
})

test('a plan changes under its version; the slower window is shown what the faster made', async () => {
  const faster = await server.send('PUT', `/api/bakes/${bakeId}`, { version: 1, plan: await planFor(server, { name: 'Three loaves' }) })
  expect(faster.body.version).toBe(2)
  const slower = await server.send('PUT', `/api/bakes/${bakeId}`, { version: 1, plan: await planFor(server, { name: 'One loaf' }) })
  expect(slower.status).toBe(409)
  expect(slower.body.error.current.plan.name).toBe('Three loaves')
  expect((await bake()).plan.name).toBe('Three loaves')
})

test('once something is poured the plan stands; with the pour undone it is free again', async () => {
  const poured = await pour('seed', 16)
  const frozen = await server.send('PUT', `/api/bakes/${bakeId}`, {
    version: poured.body.version,
    plan: await planFor(server, { formula: formulaFor({ hydration: 0.6 }) })
  })
  expect(frozen.status).toBe(409)
  const undone = await event('undo', { undoes: poured.body.events[0].id })
  expect(undone.body.status).toBe('planned')
  expect((await jar()).grams).toBe(100)
  const free = await server.send('PUT', `/api/bakes/${bakeId}`, {
    version: undone.body.version,
    plan: await planFor(server, { formula: formulaFor({ hydration: 0.6 }) })
  })
  expect(free.status).toBe(200)
})

describe('what cannot be is refused, and nothing is stored', () => {
  test('more seed than the jar holds', async () => {
    const { status, body } = await pour('seed', 16, 101)
    expect(status).toBe(400)
    expect(body.error.message).toContain('Pip holds 100 g')
    expect((await bake()).events).toHaveLength(0)
  })
  test.each([
    ['nothing', 0],
    ['a negative mass', -5],
    ['a thousand million', 1e9],
    ['text', 'some'],
    ['NaN', Number.NaN]
  ])('%s on the scale', async (_, grams) => {
    const { status, body } = await pour('seed', 16, grams as number)
    expect(status).toBe(400)
    expect(body.error.fields).toHaveProperty(['weighedGrams'])
  })
  test('the band before all is in names what is missing', async () => {
    await pour('seed', 16)
    const { status, body } = await event('band', { mixTempC: 24 })
    expect(status).toBe(409)
    expect(body.error.message).toContain('water, flour')
  })
  test('a look, or the mix, before the band', async () => {
    expect((await event('mark', { rise: 1.5, signs: {} })).status).toBe(409)
    expect((await event('mixed', { levainGrams: 100, keepBackGrams: 0 })).status).toBe(409)
  })
  test('what lies in the future', async () => {
    const { status, body } = await event('pour', { item: 'seed', plannedGrams: 16, weighedGrams: 16 }, 60)
    expect(status).toBe(400)
    expect(body.error.code).toBe('in the future')
  })
  test('a mix hotter than a culture bears', async () => {
    for (const item of ['seed', 'water', 'flour']) await pour(item, 16)
    expect((await event('band', { mixTempC: 45 })).status).toBe(400)
  })
  test('a forecast nested without end', async () => {
    const line = (parents: string) =>
      `{"startedAt":"2026-11-26T08:00:00.000Z","flours":{},"waterGrams":1,"saltGrams":0,"mixTempC":20,"stays":[{"from":"2026-11-26T08:00:00.000Z","tempC":20}],"parents":${parents}}`
    const [before, after] = line('[{"grams":1,"hydration":1,"flour":"rye","line":HERE}]').split('HERE')
    const inputs = `${before?.repeat(900)}${line('[]')}${after?.repeat(900)}`
    const shown = { modelVersion: 'x', inputs: 'HERE', theta: {}, quantiles: { opens: [1, 1, 1, 1, 1], peak: [1, 1, 1, 1, 1], closes: [1, 1, 1, 1, 1] } }
    const body = JSON.stringify({ id: testId(), type: 'band', happenedAt: at(0), mixTempC: 24, shown }).replace('"HERE"', inputs)
    const { status } = await server.send('POST', `/api/bakes/${bakeId}/events`, body)
    expect(status).toBeGreaterThanOrEqual(400)
    expect(status).toBeLessThan(500)
  })
  test('an unknown sign, an empty look, an unknown kind of event', async () => {
    for (const item of ['seed', 'water', 'flour']) await pour(item, 16)
    await event('band', { mixTempC: 24 })
    expect((await event('mark', { rise: 1.5, signs: { top: 'exploded' } })).status).toBe(400)
    expect((await event('mark', { signs: {} })).status).toBe(400)
    expect((await event('dance', {})).status).toBe(400)
    expect((await bake()).events).toHaveLength(4)
  })
  test('more into the dough than was built', async () => {
    for (const item of ['seed', 'water', 'flour']) await pour(item, 50)
    await event('band', { mixTempC: 24 })
    const { status, body } = await event('mixed', { levainGrams: 140, keepBackGrams: 20 })
    expect(status).toBe(400)
    expect(body.error.message).toContain('150 g')
  })
})

describe('taking back', () => {
  const walk = async () => {
    for (const [item, grams] of [
      ['seed', 16],
      ['water', 79],
      ['flour', 79]
    ] as const)
      await pour(item, grams)
    await event('band', { mixTempC: 24 })
  }
  test('a mix is taken back also when somebody has looked at what went back into the jar', async () => {
    await walk()
    const before = (await jar()).line
    const mixed = (await event('mixed', { levainGrams: 149, keepBackGrams: 20 })).body.events.at(-1)
    const look = { id: testId(), happenedAt: TEST_NOW, rise: 1.2, signs: {} }
    expect((await server.send('POST', `/api/jars/${(await jar()).id}/looks`, look)).status).toBe(200)
    expect((await event('undo', { undoes: mixed.id })).body.status).toBe('ripening')
    expect((await jar()).line).toEqual(before)
    // It was a look at what is not there any more.
    expect((await jar()).looks).toEqual([])
  })
  test('what other things stand on goes with them or not at all', async () => {
    await walk()
    const { events } = await bake()
    const { status, body } = await event('undo', { undoes: events[0].id })
    expect(status).toBe(409)
    expect(body.error.message).toContain('stand on this one')
    await event('mark', { rise: 2, signs: {} })
    await event('mixed', { levainGrams: 149, keepBackGrams: 20 })
    // The mix and the mark of the level go with the pour; the look stays, and the other pours.
    expect((await event('undo', { undoes: events[0].id, withAll: true })).status).toBe(200)
    const after = await bake()
    expect(after.status).toBe('building')
    expect(after.line).toBeNull()
    const undone = new Set(after.events.map((e: Loose) => e.undoes))
    expect(after.events.filter((e: Loose) => e.type !== 'undo' && !undone.has(e.id)).map((e: Loose) => e.item ?? e.type)).toEqual(['water', 'flour', 'mark'])
    const { jars } = (await server.send('GET', '/api/jars')).body
    expect(jars[0].grams).toBe(100)
  })
  test('the band: weighing is open again', async () => {
    await walk()
    const undone = await event('undo', { undoes: (await bake()).events.at(-1).id })
    expect(undone.body.status).toBe('building')
    expect(undone.body.line).toBeNull()
    expect((await event('band', { mixTempC: 23 })).body.line.mixTempC).toBe(23)
  })
  test('the mix: levain and keep-back are where they were', async () => {
    await walk()
    const mixed = await event('mixed', { levainGrams: 149, keepBackGrams: 20 })
    expect((await jar()).grams).toBe(104)
    const lineBefore = (await jar()).line
    expect(lineBefore.parents).toHaveLength(2)
    await event('undo', { undoes: mixed.body.events.at(-1).id })
    expect((await bake()).status).toBe('ripening')
    expect((await jar()).grams).toBe(84)
    expect((await jar()).line.parents).toHaveLength(1)
  })
  test('the mix, once the jar has been fed since: too late', async () => {
    await walk()
    const mixed = await event('mixed', { levainGrams: 149, keepBackGrams: 20 })
    const { id, placeId } = await jar()
    await server.send('POST', `/api/jars/${id}/feeds`, {
      id: testId(),
      happenedAt: at(0),
      keepGrams: 20,
      flours: [{ ingredientId: 'white wheat', grams: 50 }],
      waterGrams: 50,
      mixTempC: 22,
      placeId
    })
    const { status, body } = await event('undo', { undoes: mixed.body.events.at(-1).id })
    expect(status).toBe(409)
    expect(body.error.message).toContain('fed since')
  })
  test('a bake taken away is not in the list, can be put back, and takes no entries meanwhile', async () => {
    await server.send('DELETE', `/api/bakes/${bakeId}`)
    expect((await server.send('GET', '/api/bakes')).body.total).toBe(0)
    expect((await server.send('GET', '/api/bakes?state=deleted')).body.total).toBe(1)
    expect((await pour('seed', 16)).status).toBe(409)
    await server.send('POST', `/api/bakes/${bakeId}/restore`, {})
    expect((await server.send('GET', '/api/bakes')).body.total).toBe(1)
  })
})

test('what was shown when somebody acted is kept with the act', async () => {
  for (const item of ['seed', 'water', 'flour']) await pour(item, 60)
  const banded = await event('band', { mixTempC: 24 })
  const quantiles = { opens: [5, 6, 7, 8, null], peak: [6, 7, 8, 9, 10], closes: [8, 9, 10, 11, 12] }
  const shown = { modelVersion: 'hill-1', inputs: banded.body.line, theta: { vigour: 1 }, quantiles, phase: 'peak', probability: 0.7, advice: 'mix now' }
  await event('mixed', { levainGrams: 149, keepBackGrams: 20, shown })
  await server.restart()
  const last = (await bake()).events.at(-1) as Loose
  expect(last.shown.quantiles).toEqual(quantiles)
  expect(last.shown.advice).toBe('mix now')
})

test('pages of bakes', async () => {
  for (let i = 0; i < 5; i++) await server.send('POST', '/api/bakes', { id: testId(), plan: await planFor(server, { name: `Bake ${i}` }) })
  const page = (await server.send('GET', '/api/bakes?limit=4&offset=4')).body
  expect([page.bakes.length, page.total]).toEqual([2, 6])
  expect((await server.send('GET', '/api/bakes?limit=1000')).status).toBe(400)
})

describe('a levain that is fed again', () => {
  const feedAgain = (more: object = {}, minutes = 900) => event('fed again', { stage: 'fed again', flourPerSeed: 2, mixAt: at(1500), ...more }, minutes)
  /** 17 g of starter, 79 and 81 g: 177 g of levain, seen to have fallen after a night. */
  async function collapsed(): Promise<void> {
    await pour('seed', 16, 17)
    await pour('water', 79)
    await pour('flour', 79, 81)
    await event('band', { mixTempC: 24 })
    await moveClock(900)
    await event('mark', { rise: 1.3, signs: { top: 'sunken', smear: 'yes' } }, 890)
  }
  /** The next one: so much of what stands there, and 70 g each of water and flour. */
  async function weighNext(seed: number, minutes: number): Promise<void> {
    for (const [item, grams] of [
      ['seed', seed],
      ['water', 70],
      ['flour', 70]
    ] as const)
      expect((await event('pour', { item, plannedGrams: grams, weighedGrams: grams }, minutes)).status).toBe(200)
  }
  const log = async () => (await server.send('GET', `/api/jars/${(await jar()).id}/log`)).body.builds

  test('seeds the next one; the rest goes to the discard pot, and the jar gets what it was to keep', async () => {
    await collapsed()
    const stamp = (await jar()).logStamp
    const fed = await feedAgain()
    expect(fed.body).toMatchObject({ status: 'planned', line: null })
    expect(fed.body.plan).toMatchObject({
      mixAt: at(1500),
      startAt: at(900),
      before: [{ id: 'fed again', kind: 'first build', seedGrams: 17, waterGrams: 79, flourGrams: 81 }],
      build: { source: 'separate build', by: { kind: 'ratio', flourPerSeed: 2 } }
    })
    // It teaches of its jar what was seen of it.
    expect(await log()).toMatchObject([{ line: { startedAt: TEST_NOW }, marks: [{ rise: 1.3 }], mixedAt: at(900) }])
    expect((await jar()).logStamp).not.toBe(stamp)
    await weighNext(35, 900)
    // Nothing more was taken out of the jar.
    expect((await jar()).grams).toBe(83)
    const banded = await event('band', { mixTempC: 24 }, 900)
    expect(banded.body.line).toMatchObject({
      startedAt: at(900),
      flours: { 'white wheat': 70 },
      parents: [{ grams: 35, line: { startedAt: TEST_NOW, waterGrams: 79 } }]
    })
    expect((await server.send('GET', '/api/discard')).body.portions).toMatchObject([{ grams: 177 - 35 }])
    await moveClock(1500)
    expect((await event('mixed', { levainGrams: 149, keepBackGrams: 20 }, 1500)).body.status).toBe('baked')
    expect((await jar()).grams).toBe(103)
    // Both have been builds of this jar, and nobody looked at the second.
    expect(await log()).toHaveLength(2)
  })

  test('once more: the last of them seeds the next, and all that is left goes to the pot', async () => {
    await collapsed()
    await feedAgain()
    await weighNext(35, 900)
    await event('band', { mixTempC: 24 }, 900)
    await moveClock(2500)
    expect((await feedAgain({ stage: 'fed again 2', mixAt: at(3000) }, 2500)).body.plan.before).toMatchObject([
      { id: 'fed again 2', seedGrams: 35, flourGrams: 70 }
    ])
    await weighNext(40, 2500)
    expect((await event('band', { mixTempC: 24 }, 2500)).body.line.parents).toMatchObject([{ grams: 40, line: { startedAt: at(900) } }])
    const { portions } = (await server.send('GET', '/api/discard')).body
    // 177 g less 35, and 175 g less 40; nothing of it came out of the jar.
    expect(portions.reduce((sum: number, { grams }: Loose) => sum + grams, 0)).toBeCloseTo(177 - 35 + 175 - 40, 6)
    expect((await jar()).grams).toBe(83)
  })

  test('taken back, it stands as it stood, with its plan; from another jar after all, nothing of it is used', async () => {
    await collapsed()
    const before = await bake()
    const fed = await feedAgain()
    const id = fed.body.events.at(-1).id
    const back = (await event('undo', { undoes: id }, 900)).body
    expect([back.status, back.plan, back.line]).toEqual(['ripening', before.plan, before.line])
    expect((await jar()).grams).toBe(83)
    // With what was weighed of it by then, too.
    const again = (await feedAgain()).body.events.at(-1).id
    await event('pour', { item: 'seed', plannedGrams: 35, weighedGrams: 35 }, 900)
    expect((await event('undo', { undoes: again }, 900)).status).toBe(409)
    const all = (await event('undo', { undoes: again, withAll: true }, 900)).body
    expect([all.status, all.plan, all.line]).toEqual(['ripening', before.plan, before.line])
    await feedAgain()
    const { plan, version } = await bake()
    const changed = await server.send('PUT', `/api/bakes/${bakeId}`, { version, plan: { ...plan, before: [] } })
    expect(changed.status).toBe(200)
    await event('pour', { item: 'seed', plannedGrams: 30, weighedGrams: 30 }, 900)
    expect((await jar()).grams).toBe(53)
  })

  test('not before its level is marked, not twice by one name, and not once it is mixed', async () => {
    expect((await feedAgain({}, 0)).status).toBe(409)
    await collapsed()
    expect((await feedAgain({ stage: 'first build' })).status).toBe(400)
    expect((await feedAgain({ mixAt: at(60) })).body.error.message).toMatch(/lies in the past/)
    expect((await feedAgain()).status).toBe(200)
    expect((await feedAgain()).status).toBe(409)
  })
})
