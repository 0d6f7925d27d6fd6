import { millisecondsInHour } from 'date-fns/constants'
import { firstRun, type Loose, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
const jars = async () => (await server.send('GET', '/api/jars')).body.jars
const feed = async (more: object) => {
  const [jar] = await jars()
  return server.send('POST', `/api/jars/${jar.id}/feeds`, {
    id: testId(),
    happenedAt: TEST_NOW,
    keepGrams: 20,
    flours: [{ ingredientId: 'white wheat', grams: 50 }],
    waterGrams: 50,
    mixTempC: 22,
    placeId: jar.placeId,
    ...more
  })
}

beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

test('a feed keeps 20 g, adds 50 and 50, and is the jar’s new beginning', async () => {
  const { body } = await feed({})
  expect(body.grams).toBe(120)
  expect(body.line).toMatchObject({ startedAt: TEST_NOW, flours: { 'white wheat': 50 }, waterGrams: 50 })
  expect(body.line.parents[0]).toMatchObject({ grams: 20, line: { startedAt: '2026-11-26T08:00:00.000Z' } })
})

test('a wetter feed changes the jar’s hydration', async () => {
  // 20 g at 100 % and 50 + 75: 60 flour, 85 water.
  expect((await feed({ waterGrams: 75 })).body.hydration).toBeCloseTo(85 / 60, 3)
})

test('out for an hour, then into the cold: it stands in both, and the jar is where it ends up', async () => {
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const cold = places.at(-1)
  const { body } = await feed({ later: { placeId: cold.id, afterHours: 1.5 } })
  expect(body.placeId).toBe(cold.id)
  expect(body.line.stays.map((s: { from: string; tempC: number }) => [s.from, s.tempC])).toEqual([
    [TEST_NOW, places[0].tempC],
    [new Date(Date.parse(TEST_NOW) + 1.5 * millisecondsInHour).toISOString(), cold.tempC]
  ])
  expect((await feed({ later: { placeId: testId(), afterHours: 1 } })).status).toBe(400)
  expect((await feed({ later: { placeId: cold.id, afterHours: -1 } })).status).toBe(400)
})

test('more kept than there is, nothing kept, an unknown place, tomorrow', async () => {
  expect((await feed({ keepGrams: 500 })).body.error.message).toContain('Pip holds 100 g')
  expect((await feed({ keepGrams: 0 })).body.error.message).toContain('culture is gone')
  expect((await feed({ placeId: testId() })).status).toBe(400)
  expect((await feed({ happenedAt: '2026-11-27T19:42:00.000Z' })).body.error.code).toBe('in the future')
  expect((await jars())[0].grams).toBe(100)
})

test('a feed can be taken back, once', async () => {
  const id = testId()
  await feed({ id })
  const [jar] = await jars()
  const undo = { id: testId(), undoes: id, happenedAt: TEST_NOW }
  expect((await server.send('POST', `/api/jars/${jar.id}/undo`, undo)).body.grams).toBe(100)
  expect((await server.send('POST', `/api/jars/${jar.id}/undo`, undo)).body.grams).toBe(100)
  expect((await server.send('POST', `/api/jars/${jar.id}/undo`, { ...undo, id: testId() })).status).toBe(409)
})

test('the discard pot knows whose it is, is used oldest first, and a slip is put back', async () => {
  await feed({})
  const [jar] = await jars()
  const pot = async () => (await server.send('GET', '/api/discard')).body
  expect((await pot()).portions).toEqual([
    { since: TEST_NOW, grams: 80, pot: 'with gluten', jarName: jar.name, bakeName: null, flour: 'white wheat', hydration: expect.closeTo(1, 3) }
  ])
  const take = (more: object) => server.send('POST', '/api/discard', { id: testId(), happenedAt: TEST_NOW, went: 'into food', ...more })
  const refused = await take({ grams: 81 })
  expect(refused.status).toBe(400)
  expect(refused.body.error.message).toContain('holds 80 g')
  expect((await take({ grams: 30 })).body.portions[0].grams).toBe(50)
  const id = testId()
  expect((await take({ id, grams: 50, went: 'thrown away' })).body).toMatchObject({
    portions: [],
    months: [{ month: '2026-11', usedGrams: 30, thrownGrams: 50 }]
  })
  const undo = { id: testId(), undoes: id, happenedAt: TEST_NOW }
  const back = await server.send('POST', '/api/discard/undo', undo)
  expect(back.body).toMatchObject({ portions: [{ grams: 50 }], months: [{ thrownGrams: 0, usedGrams: 30 }] })
  expect((await server.send('POST', '/api/discard/undo', undo)).body.portions[0].grams).toBe(50)
  expect((await server.send('POST', '/api/discard/undo', { ...undo, id: testId() })).status).toBe(409)
})

test('a feed taken back takes its discard back, too', async () => {
  const id = testId()
  await feed({ id })
  const [jar] = await jars()
  await server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes: id, happenedAt: TEST_NOW })
  expect((await server.send('GET', '/api/discard')).body).toEqual({ portions: [], months: [] })
})

test('moved to the cold, later than its feed: it stands in both, and a move can be taken back', async () => {
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const [jar] = await jars()
  const cold = places.at(-1)
  const id = testId()
  const move = (more: object) => server.send('POST', `/api/jars/${jar.id}/moves`, { id: testId(), happenedAt: TEST_NOW, placeId: cold.id, ...more })
  const { body } = await move({ id })
  expect(body.placeId).toBe(cold.id)
  expect(body.line.stays.map((s: { tempC: number }) => s.tempC)).toEqual([places[0].tempC, cold.tempC])
  expect((await move({ happenedAt: '2026-11-20T08:00:00.000Z' })).body.error.code).toBe('before the feed')
  const undo = { id: testId(), undoes: id, happenedAt: TEST_NOW }
  const back = await server.send('POST', `/api/jars/${jar.id}/undo`, undo)
  expect(back.body).toMatchObject({ placeId: jar.placeId, line: { stays: [{ tempC: places[0].tempC }] } })
  expect((await server.send('POST', `/api/jars/${jar.id}/undo`, { ...undo, id: testId() })).status).toBe(409)
})

test('of two moves only the later can be taken back first', async () => {
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const [jar] = await jars()
  const [first, second] = [testId(), testId()]
  const move = (id: string, placeId: string) => server.send('POST', `/api/jars/${jar.id}/moves`, { id, happenedAt: TEST_NOW, placeId })
  await move(first, places[1].id)
  await move(second, places.at(-1).id)
  const undo = (undoes: string) => server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes, happenedAt: TEST_NOW })
  expect((await undo(first)).status).toBe(409)
  expect((await undo(second)).body.placeId).toBe(places[1].id)
  expect((await undo(first)).body.placeId).toBe(jar.placeId)
})

test('a new jar from it: as it was, with its mass out of the other; taken back as long as it is untouched', async () => {
  const [jar] = await jars()
  const split = (more: object = {}) =>
    server.send('POST', `/api/jars/${jar.id}/splits`, {
      id: testId(),
      happenedAt: TEST_NOW,
      jarId: testId(),
      name: 'Spare',
      grams: 30,
      placeId: jar.placeId,
      ...more
    })
  expect((await split({ grams: 86 })).body.error.message).toContain('can spare 85 g')
  expect((await split({ name: ' ' })).status).toBe(400)
  const [id, jarId] = [testId(), testId()]
  const { body } = await split({ id, jarId })
  expect(body).toMatchObject({
    id: jarId,
    name: 'Spare',
    grams: 30,
    line: { flours: {}, waterGrams: 0, parents: [{ grams: 30, line: { startedAt: jar.line.startedAt } }] }
  })
  expect(body.hydration).toBeCloseTo(jar.hydration, 3)
  expect((await split({ id, jarId })).body.grams).toBe(30)
  const grams = async () => Object.fromEntries((await jars()).map((j: { name: string; grams: number }) => [j.name, j.grams]))
  expect(await grams()).toEqual({ [jar.name]: 70, Spare: 30 })
  const undo = (undoes: string) => server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes, happenedAt: TEST_NOW })
  expect((await undo(id)).body.grams).toBe(100)
  expect(await grams()).toEqual({ [jar.name]: 100 })

  const again = testId()
  const { body: second } = await split({ id: again })
  await server.send('POST', `/api/jars/${second.id}/weighings`, { id: testId(), happenedAt: TEST_NOW, grams: 28 })
  expect((await undo(again)).status).toBe(409)
})

test('what has gone on since is not pulled away below it: a feed some of which went into a new jar, a split of a jar that was fed', async () => {
  const [jar] = await jars()
  const undo = (undoes: string) => server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes, happenedAt: TEST_NOW })
  const split = (id: string) =>
    server.send('POST', `/api/jars/${jar.id}/splits`, { id, happenedAt: TEST_NOW, jarId: testId(), name: 'Spare', grams: 30, placeId: jar.placeId })
  const [fed, taken, fedAgain] = [testId(), testId(), testId()]
  await feed({ id: fed })
  await split(taken)
  expect((await undo(fed)).status).toBe(409)
  await feed({ id: fedAgain })
  expect((await undo(taken)).status).toBe(409)
  for (const id of [fedAgain, taken, fed]) expect((await undo(id)).status).toBe(200)
  expect((await jars()).map((j: { grams: number }) => j.grams)).toEqual([100])
})

test('its history, newest first, page by page, with what was taken back', async () => {
  const [jar] = await jars()
  const ids = [testId(), testId(), testId()]
  for (const id of ids) await feed({ id })
  await server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes: ids[2], happenedAt: TEST_NOW })
  const page = async (query: string) => (await server.send('GET', `/api/jars/${jar.id}/history${query}`)).body
  const first = await page('?limit=2')
  expect(first.events.map((e: { id: string; undone: boolean }) => [e.id, e.undone])).toEqual([
    [ids[2], true],
    [ids[1], false]
  ])
  expect(first.events[1]).toMatchObject({ type: 'feed', keepGrams: 20, flourGrams: 50, waterGrams: 50 })
  const second = await page(`?limit=2&before=${first.next}`)
  expect(second.events.map((e: { type: string }) => e.type)).toEqual(['feed', 'opened'])
  expect(second.next).toBeNull()
  expect((await server.send('GET', `/api/jars/${testId()}/history`)).status).toBe(404)
})

test('one weighing corrects the book, up or down', async () => {
  const [jar] = await jars()
  const weigh = (grams: number) => server.send('POST', `/api/jars/${jar.id}/weighings`, { id: testId(), happenedAt: TEST_NOW, grams })
  expect((await weigh(87.5)).body.grams).toBe(87.5)
  expect((await weigh(130)).body.grams).toBe(130)
  expect((await weigh(-1)).status).toBe(400)
})

test('another jar, of rye; a jar of nothing is refused', async () => {
  const [first] = await jars()
  const rye = { id: testId(), name: 'Bramble', flour: 'rye', hydration: 1.2, grams: 80, lastFedAt: TEST_NOW, placeId: first.placeId }
  expect((await server.send('POST', '/api/jars', rye)).body).toMatchObject({ name: 'Bramble', grams: 80, hydration: expect.closeTo(1.2, 3) })
  expect((await server.send('POST', '/api/jars', rye)).status).toBe(200)
  expect((await jars()).map((j: { name: string }) => j.name)).toEqual(['Bramble', 'Pip'])
  expect((await server.send('POST', '/api/jars', { ...rye, id: testId(), grams: 0 })).status).toBe(400)
  expect((await server.send('POST', '/api/jars', { ...rye, id: testId(), flour: 'sand' })).status).toBe(400)
})

describe('more of a feed', () => {
  test('crust and slime are cut away and lost, not discarded', async () => {
    const { body } = await feed({ trimGrams: 15 })
    expect(body.grams).toBe(120)
    expect((await server.send('GET', '/api/discard')).body.portions).toMatchObject([{ grams: 65 }])
    const [jar] = await jars()
    const more = await feed({ keepGrams: 110, trimGrams: 15 })
    expect(more.status).toBe(400)
    expect(more.body.error.message).toContain(`${jar.name} holds 120 g; 110 g kept and 15 g cut away are more`)
  })

  test('a ball in water keeps its warmth as a water bath does', async () => {
    expect((await feed({ underWater: true })).body.line.stays[0].surroundings).toBe('water bath')
  })

  test('into another vessel: it stands in that from then on, and a feed taken back takes that back', async () => {
    const vessel = { id: testId(), name: 'Crock', tareGrams: 900, capacityMl: 2000, innerDiameterMm: 130, heightMm: 175, material: 'stoneware' }
    await server.send('PUT', `/api/vessels/${vessel.id}`, { version: 0, vessel })
    const id = testId()
    const { body } = await feed({ id, vesselId: vessel.id })
    expect(body).toMatchObject({ vesselId: vessel.id, line: { material: 'stoneware' } })
    expect((await feed({ vesselId: testId() })).status).toBe(400)
    await server.send('POST', `/api/jars/${body.id}/undo`, { id: testId(), undoes: id, happenedAt: TEST_NOW })
    expect((await jars())[0].vesselId).toBeNull()
  })

  test('how often it is fed: the middle of its last intervals', async () => {
    for (const hour of ['09', '11', '17', '18']) await feed({ happenedAt: `2026-11-26T${hour}:00:00.000Z` })
    // 1 h, 6 h and 2 h
    expect((await jars())[0].lastFeed).toMatchObject({ at: '2026-11-26T18:00:00.000Z', keepGrams: 20, everyHours: 2 })
  })
})

describe('looks', () => {
  const look = async (more: object) => {
    const [jar] = await jars()
    return server.send('POST', `/api/jars/${jar.id}/looks`, { id: testId(), happenedAt: TEST_NOW, signs: {}, ...more })
  }
  test('a look is in the log that is learned from, with its feed; taken back it is not', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    const [jar] = await jars()
    const id = testId()
    expect((await look({ id, rise: 1.8, signs: { top: 'domed' } })).body.logStamp).not.toBe(jar.logStamp)
    const log = async () => (await server.send('GET', `/api/jars/${jar.id}/log`)).body.builds
    expect(await log()).toMatchObject([
      { kind: 'feed', line: { startedAt: '2026-11-26T12:00:00.000Z' }, marks: [{ at: TEST_NOW, rise: 1.8, signs: { top: 'domed' } }], mixedAt: TEST_NOW }
    ])
    await server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes: id, happenedAt: TEST_NOW })
    expect(await log()).toEqual([])
    expect((await jars())[0].logStamp).toBe('none')
  })
  test('the jar tells the looks at what is in it: not those taken back, not a reading alone, none from before its feed', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    const [mistyped, right] = [testId(), testId()]
    await look({ id: mistyped, rise: 2.8 })
    await look({ id: right, rise: 1.8, pH: 4.2, signs: { top: 'domed' } })
    await look({ pH: 4.1 })
    const [jar] = await jars()
    await server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes: mistyped, happenedAt: TEST_NOW })
    expect((await jars())[0].looks).toEqual([{ id: right, at: TEST_NOW, rise: 1.8, pH: 4.2, signs: { top: 'domed' } }])
    await feed({ happenedAt: TEST_NOW })
    expect((await jars())[0].looks).toEqual([])
  })
  test('a spare goes on from the log of the jar it came out of; what that did since is not its own, and what is woken of flakes is known anew', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    const [jar] = await jars()
    await look({ rise: 1.8, happenedAt: '2026-11-26T17:00:00.000Z' })
    const split = async (id: string, of: string, at: string, more: object = {}) => {
      const place = { placeId: jar.placeId, happenedAt: at, id: testId(), jarId: id, name: `Spare ${id}`, grams: 30 }
      expect((await server.send('POST', `/api/jars/${of}/splits`, { ...place, ...more })).status).toBe(200)
    }
    const [spare, flakes, woken] = [testId(), testId(), testId()]
    await split(spare, jar.id, '2026-11-26T18:00:00.000Z')
    await feed({ happenedAt: '2026-11-26T18:10:00.000Z' })
    await look({ rise: 1.2, happenedAt: '2026-11-26T19:00:00.000Z' })
    await split(flakes, jar.id, TEST_NOW, { as: 'dried', grams: 20 })
    await split(woken, flakes, TEST_NOW, { as: 'woken', grams: 10 })
    const log = async (id: string) => (await server.send('GET', `/api/jars/${id}/log`)).body.builds
    expect(await log(jar.id)).toHaveLength(2)
    expect(await log(spare)).toMatchObject([{ line: { startedAt: '2026-11-26T12:00:00.000Z' }, marks: [{ rise: 1.8 }] }])
    expect(await log(woken)).toEqual([])
    const stamps = new Map((await jars()).map((one: Loose) => [one.id, one.logStamp]))
    expect(stamps.get(spare)).not.toBe('none')
    expect(stamps.get(woken)).toBe('none')
    // Begun anew, it counts from there.
    const { version } = (await jars()).find(({ id }: Loose) => id === spare)
    const pace = { kind: 'learned', since: '2026-11-26T18:30:00.000Z' }
    expect((await server.send('PUT', `/api/jars/${spare}/pace`, { id: testId(), happenedAt: TEST_NOW, version, pace })).status).toBe(200)
    expect(await log(spare)).toEqual([])
  })
  test('a level of a jar that was stirred teaches nothing', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    const [jar] = await jars()
    await look({ rise: 2.4, happenedAt: '2026-11-26T19:00:00.000Z' })
    await look({ rise: 1.3, explained: 'stirred', signs: { top: 'flat' } })
    const [{ marks }] = (await server.send('GET', `/api/jars/${jar.id}/log`)).body.builds
    expect(marks).toEqual([
      { at: '2026-11-26T19:00:00.000Z', rise: 2.4, signs: {} },
      { at: TEST_NOW, signs: {} }
    ])
    expect((await look({ rise: 1.4, explained: 'dropped' })).status).toBe(400)
  })
  test('a meter’s reading alone is a look: in the log, and told in the history', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    const [jar] = await jars()
    expect((await look({ pH: 3.85 })).status).toBe(200)
    expect((await server.send('GET', `/api/jars/${jar.id}/log`)).body.builds).toMatchObject([{ kind: 'feed', marks: [{ at: TEST_NOW, pH: 3.85 }] }])
    expect((await server.send('GET', `/api/jars/${jar.id}/history`)).body.events[0]).toMatchObject({ type: 'look', pH: 3.85, rise: null })
    expect((await look({ pH: 12 })).body.error.message).toMatch(/The pH has to be/)
  })
  test('a look that saw nothing, one before the feed, one in the future', async () => {
    await feed({ happenedAt: '2026-11-26T12:00:00.000Z' })
    expect((await look({})).status).toBe(400)
    expect((await look({ rise: 1.5, happenedAt: '2026-11-26T11:00:00.000Z' })).body.error.code).toBe('before the feed')
    expect((await look({ rise: 1.5, happenedAt: '2026-11-27T12:00:00.000Z' })).status).toBe(400)
    expect((await look({ rise: 40 })).status).toBe(400)
  })
})

describe('a jar and its family', () => {
  const edit = (jar: { id: string; version: number }, more: object) =>
    server.send('PUT', `/api/jars/${jar.id}`, {
      version: jar.version,
      jar: {
        name: 'Pip',
        culture: 'white wheat',
        flour: 'white wheat',
        feed: [{ ingredientId: 'white wheat', share: 1 }],
        vesselId: null,
        keepMinimumGrams: 15,
        ...more
      }
    })
  test('its name, what it is fed and its least can be changed; two windows do not overwrite each other', async () => {
    const [jar] = await jars()
    const blend = [
      { ingredientId: 'white wheat', share: 4 },
      { ingredientId: 'rye', share: 1 }
    ]
    const { body } = await edit(jar, { name: 'Pippin', culture: 'house blend', feed: blend, keepMinimumGrams: 30 })
    expect(body).toMatchObject({ name: 'Pippin', culture: 'house blend', feed: blend, keepMinimumGrams: 30 })
    const stale = await edit(jar, { name: 'Other' })
    expect(stale.status).toBe(409)
    expect(stale.body.error.current.name).toBe('Pippin')
  })
  test('spoiled: all of it is lost, and it can be put back', async () => {
    const [jar] = await jars()
    const id = testId()
    expect((await server.send('POST', `/api/jars/${jar.id}/end`, { id, happenedAt: TEST_NOW, why: 'spoiled' })).body.jars).toEqual([])
    expect((await server.send('POST', `/api/jars/${jar.id}/feeds`, {})).status).not.toBe(200)
    const undo = { id: testId(), happenedAt: TEST_NOW, undoes: id }
    expect((await server.send('POST', `/api/jars/${jar.id}/restore`, undo)).body.grams).toBe(100)
    expect((await server.send('POST', `/api/jars/${jar.id}/restore`, undo)).body.grams).toBe(100)
    expect((await server.send('POST', `/api/jars/${jar.id}/restore`, { ...undo, id: testId() })).status).toBe(409)
  })
  test('a weighing that something was taken of since is not taken back below nothing', async () => {
    const [jar] = await jars()
    const id = testId()
    await server.send('POST', `/api/jars/${jar.id}/weighings`, { id, happenedAt: TEST_NOW, grams: 400 })
    await server.send('POST', `/api/jars/${jar.id}/splits`, {
      id: testId(),
      happenedAt: TEST_NOW,
      jarId: testId(),
      name: 'S',
      grams: 350,
      placeId: jar.placeId
    })
    expect((await server.send('POST', `/api/jars/${jar.id}/undo`, { id: testId(), undoes: id, happenedAt: TEST_NOW })).status).toBe(409)
  })
})
