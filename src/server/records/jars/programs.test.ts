import { millisecondsInHour } from 'date-fns/constants'
import { CULTURE_TRAITS, newCulture } from '../../../core'
import { firstRun, type Loose, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
let jar: Loose
const later = (hours: number) => new Date(Date.parse(TEST_NOW) + hours * millisecondsInHour).toISOString()
const post = (path: string, body: object) => server.send('POST', path, body)
const jars = async (): Promise<Loose[]> => (await server.send('GET', '/api/jars')).body.jars

beforeEach(async () => {
  server = await startTestServer()
  await post('/api/kitchen/first-run', firstRun())
  jar = (await jars())[0]
})
afterEach(() => server.end())

const step = (deed: object | null, more: object = {}) => ({ title: 'Step', afterHours: 24, what: 'Do it.', sign: null, deed, ...more })
const feed = (keepGrams: number | null) => ({ kind: 'feed', keepGrams, flours: [{ ingredientId: 'white wheat', grams: 30 }], waterGrams: 30 })
async function begin(steps: object[], jarId = jar.id): Promise<string> {
  const id = testId()
  const program = { kind: 'revival', title: 'Pip is fed up again', says: 'Small feeds.', steps }
  const { status, body } = await post('/api/programs', { id, happenedAt: TEST_NOW, jarId, placeId: jar.placeId, program })
  expect([status, body.error]).toEqual([200, undefined])
  return id
}
const note = (id: string, at: number, outcome = 'done', more: object = {}) =>
  post(`/api/programs/${id}/entries`, { id: testId(), happenedAt: TEST_NOW, step: at, outcome, ...more })
const undo = (id: string, undoes: string) => post(`/api/programs/${id}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes })

test('a step that feeds feeds the jar, and can be taken back with its feed', async () => {
  const id = await begin([step(feed(20), { afterHours: 0 }), step(null)])
  expect((await jars())[0].program).toMatchObject({ id, step: 'Step', dueAt: TEST_NOW })
  const { body } = await note(id, 0)
  expect((await jars())[0]).toMatchObject({ grams: 80, program: { dueAt: later(24) } })
  const [entry] = body.entries
  expect((await undo(id, entry.id)).body.entries[0].undone).toBe(true)
  expect((await jars())[0]).toMatchObject({ grams: 100, program: { dueAt: TEST_NOW } })
})

test('two windows: the same step twice is noted once, a step that is past is refused', async () => {
  const id = await begin([step(feed(20)), step(feed(20))])
  const entry = { id: testId(), happenedAt: TEST_NOW, step: 0, outcome: 'done' }
  await post(`/api/programs/${id}/entries`, entry)
  expect((await post(`/api/programs/${id}/entries`, entry)).body.entries).toHaveLength(1)
  const late = await note(id, 0)
  expect(late.status).toBe(409)
  expect(late.body.error.message).toContain('Another window')
})

test('not yet: what is done meanwhile is done, and the step is due again', async () => {
  const sign = { good: 'Risen.', notYet: 'Wait.', againHours: 6, meanwhile: feed(null) }
  const id = await begin([step(feed(20), { sign })])
  await note(id, 0, 'not yet', { note: 'still flat' })
  // All of the 100 g and 30 and 30
  // Six hours later it is 01:42, and the kitchen sleeps until 06:30.
  expect((await jars())[0]).toMatchObject({ grams: 160, program: { dueAt: '2026-11-27T06:30:00.000Z' } })
  const { body } = await note(id, 0)
  expect(body.entries.map((e: Loose) => [e.outcome, e.note])).toEqual([
    ['not yet', 'still flat'],
    ['done', null]
  ])
  expect((await jars())[0].program).toBeNull()
})

test('mould ends it, and nothing more can be noted; called off it rests, and goes on', async () => {
  const id = await begin([step(null), step(null)])
  await note(id, 0, 'bad')
  expect((await note(id, 0)).body.error.message).toContain('at its end')
  const other = await begin([step(null), step(null)])
  expect((await server.send('DELETE', `/api/programs/${other}`)).body.endedAt).toBe(TEST_NOW)
  expect((await jars())[0].program).toBeNull()
  expect((await note(other, 0)).status).toBe(409)
  await server.send('PUT', `/api/programs/${other}`)
  expect((await note(other, 0)).status).toBe(200)
})

test('one program at a time', async () => {
  await begin([step(null)])
  const again = await post('/api/programs', {
    id: testId(),
    happenedAt: TEST_NOW,
    jarId: jar.id,
    placeId: jar.placeId,
    program: { kind: 'grow', title: 'T', says: '', steps: [step(null)] }
  })
  expect(again.status).toBe(409)
  expect(again.body.error.message).toContain('Pip is in a program already')
})

test('drying: taken, weighed dry, the loss is in the book; all of it can be taken back', async () => {
  const id = await begin([step({ kind: 'take', grams: 40, name: 'Pip, dried', dried: true }), step({ kind: 'weigh' })])
  const first = (await note(id, 0)).body
  const dried = first.takenJarId
  expect((await note(id, 1)).body.error.fields.grams).toBe('What does it weigh?')
  const second = (await note(id, 1, 'done', { grams: 21.5 })).body
  const found = (await jars()).find((j) => j.id === dried)
  expect(found).toMatchObject({ name: 'Pip, dried', culture: 'dried', grams: 21.5, originId: jar.id, line: { dried: true } })
  for (const entry of [...second.entries].reverse()) expect((await undo(id, entry.id)).status).toBe(200)
  expect((await jars()).map((j) => [j.name, j.grams])).toEqual([['Pip', 100]])
})

test('waking: half of the flakes, a new jar of what they came from, fed at once', async () => {
  const drying = await begin([step({ kind: 'take', grams: 60, name: 'Pip, dried', dried: true }), step({ kind: 'weigh' })])
  const { takenJarId } = (await note(drying, 0)).body
  await note(drying, 1, 'done', { grams: 33 })
  const wake = { kind: 'wake', grams: 10, name: 'Pip II', flours: [{ ingredientId: 'white wheat', grams: 10 }], waterGrams: 18 }
  const id = await begin([step(wake), step({ ...feed(null), taken: true })], takenJarId)
  const { body } = await note(id, 0)
  const woken = (await jars()).find((j) => j.id === body.takenJarId)
  expect(woken).toMatchObject({ culture: 'white wheat', grams: 38, line: { flours: { 'white wheat': 10 } } })
  // 9.09 g of flour in the flakes and 10; .91 g of water and 18
  expect(woken.hydration).toBeCloseTo(18.91 / 19.09, 2)
  expect((await jars()).find((j) => j.id === takenJarId).grams).toBe(23)
  await note(id, 1)
  expect((await jars()).find((j) => j.id === woken.id).grams).toBe(98)
  const feedFlakes = {
    id: testId(),
    happenedAt: TEST_NOW,
    keepGrams: 5,
    flours: [{ ingredientId: 'white wheat', grams: 10 }],
    waterGrams: 10,
    mixTempC: 22,
    placeId: jar.placeId
  }
  expect((await post(`/api/jars/${takenJarId}/feeds`, feedFlakes)).body.error.message).toContain('Wake some of it first')
})

test('given to a friend it is no more in the kitchen; taken back it is', async () => {
  const id = await begin([step({ kind: 'take', grams: 30, name: 'For Ada', dried: false }), step({ kind: 'give' })])
  await note(id, 0)
  const { body } = await note(id, 1)
  expect((await jars()).map((j) => j.name)).toEqual(['Pip'])
  await undo(id, body.entries.at(-1).id)
  expect((await jars()).map((j) => [j.name, j.grams])).toEqual([
    ['For Ada', 30],
    ['Pip', 70]
  ])
})

test('a culture that becomes another, and is what it was when that is taken back', async () => {
  const feedOfRye = [{ ingredientId: 'rye', share: 1 }]
  const id = await begin([step({ kind: 'become', culture: 'rye', flour: 'rye', feed: feedOfRye }), step({ kind: 'move', placeId: jar.placeId })])
  const { body } = await note(id, 0)
  expect((await jars())[0]).toMatchObject({ culture: 'rye', flour: 'rye', feed: feedOfRye })
  await undo(id, body.entries[0].id)
  expect((await jars())[0]).toMatchObject({ culture: 'white wheat', flour: 'white wheat' })
})

test('a new culture begins with flour and water off the shelf, and no culture yet', async () => {
  const id = testId()
  const opening = { id, name: 'Ember', culture: 'rye', flour: 'rye', hydration: 1.2, grams: 110, begun: true, lastFedAt: TEST_NOW, placeId: jar.placeId }
  const { body } = await post('/api/jars', opening)
  expect(body).toMatchObject({ grams: 110, culture: 'rye' })
  expect(body.line.flours.rye).toBeCloseTo(50, 1)
  expect(body.line.parents[0].grams).toBeLessThan(0.01)
  const program = newCulture({ school: 'gather first', feed: CULTURE_TRAITS.rye.feed, hydration: 1.2 })
  const programId = testId()
  await post('/api/programs', { id: programId, happenedAt: TEST_NOW, jarId: id, placeId: jar.placeId, program })
  await note(programId, 0)
  expect((await jars()).find((j) => j.id === id).grams).toBe(220)
  await note(programId, 1)
  await note(programId, 2)
  // 55 g kept of 330, 50 and 60 fed; what it leaves in its first week is not for eating
  expect((await jars()).find((j) => j.id === id).grams).toBe(165)
  expect((await server.send('GET', '/api/discard')).body.portions).toEqual([])
  const { body: shelf } = await post('/api/shelf/stock', { id: testId(), happenedAt: TEST_NOW, how: 'bought', ingredientId: 'rye', grams: 1000 })
  expect(shelf.stock).toMatchObject([{ ingredientId: 'rye', grams: 1000 }])
})

test('fed by hand when its program wants a feed: that was the step; taken back, the step is to be done again', async () => {
  const id = await begin([step(feed(20), { afterHours: 0 }), step(feed(20)), step(null)])
  const byHand = { id: testId(), happenedAt: TEST_NOW, keepGrams: 30, flours: [{ ingredientId: 'white wheat', grams: 60 }], waterGrams: 60, mixTempC: 22 }
  await post(`/api/jars/${jar.id}/feeds`, { ...byHand, placeId: jar.placeId })
  const { entries } = (await server.send('GET', `/api/programs/${id}`)).body
  expect(entries.map((e: Loose) => [e.step, e.outcome, e.undone])).toEqual([[0, 'done', false]])
  expect((await jars())[0]).toMatchObject({ grams: 150, program: { dueAt: later(24) } })
  // The next feed is due in a day: one more now is not that one.
  const second = { ...byHand, id: testId(), keepGrams: 20, placeId: jar.placeId }
  await post(`/api/jars/${jar.id}/feeds`, second)
  expect((await server.send('GET', `/api/programs/${id}`)).body.entries).toHaveLength(1)
  await post(`/api/jars/${jar.id}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes: second.id })
  await post(`/api/jars/${jar.id}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes: byHand.id })
  expect((await server.send('GET', `/api/programs/${id}`)).body.entries.map((e: Loose) => e.undone)).toEqual([true])
  expect((await jars())[0]).toMatchObject({ grams: 100, program: { dueAt: TEST_NOW } })
})

test('a culture begun from flour is young until it was seen risen after two feeds', async () => {
  const wick = testId()
  await post('/api/jars', { id: wick, name: 'Wick', flour: 'rye', hydration: 1, grams: 120, begun: true, lastFedAt: TEST_NOW, placeId: jar.placeId })
  const young = async () => (await jars()).find((j) => j.id === wick)?.young
  const see = (rise: number) => post(`/api/jars/${wick}/looks`, { id: testId(), happenedAt: TEST_NOW, rise, signs: {} })
  const fedAgain = () =>
    post(`/api/jars/${wick}/feeds`, {
      id: testId(),
      happenedAt: TEST_NOW,
      keepGrams: 60,
      flours: [{ ingredientId: 'rye', grams: 60 }],
      waterGrams: 60,
      mixTempC: 24,
      placeId: jar.placeId
    })
  expect([await young(), (await jars()).find((j) => j.id === jar.id)?.young]).toEqual([true, false])
  await see(1.8)
  await see(1.9)
  // Twice of the same feed is once.
  expect(await young()).toBe(true)
  await fedAgain()
  await see(1.2)
  expect(await young()).toBe(true)
  await see(1.6)
  expect(await young()).toBe(false)
})
