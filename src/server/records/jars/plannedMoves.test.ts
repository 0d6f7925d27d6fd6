import { millisecondsInHour } from 'date-fns/constants'
import { firstRun, type Loose, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
let jarId: string
let room: string
let cold: string
const jar = async (): Promise<Loose> => (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.id === jarId)
const at = (hours: number) => new Date(Date.parse(TEST_NOW) + hours * millisecondsInHour).toISOString()
const stays = async () => (await jar()).stays.map((s: Loose) => [s.placeId === cold ? 'cold' : 'room', s.from])
const move = (placeId: string, hours: number, planned?: boolean, id = testId()) =>
  server.send('POST', `/api/jars/${jarId}/moves`, { id, happenedAt: at(hours), placeId, planned })

/** Fed five hours ago; an hour later it was to go into the cold. */
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const [first] = (await server.send('GET', '/api/jars')).body.jars
  jarId = first.id
  room = places[0].id
  cold = places.at(-1).id
  const feed = { id: testId(), happenedAt: at(-5), keepGrams: 20, flours: [{ ingredientId: 'white wheat', grams: 40 }], waterGrams: 40, mixTempC: 22 }
  await server.send('POST', `/api/jars/${jarId}/feeds`, { ...feed, placeId: room, later: { placeId: cold, afterHours: 1 } })
})
afterEach(() => server.end())

test('what a feed plans is told by nobody yet; made later than planned, it stood in the warm until then', async () => {
  expect(await jar()).toMatchObject({ placeToldAt: at(-5), placeId: cold })
  await move(cold, 0)
  expect(await stays()).toEqual([
    ['room', at(-5)],
    ['cold', at(0)]
  ])
  expect((await jar()).placeToldAt).toBe(at(0))
})

test('it stays where it is: no cold was ever there', async () => {
  await move(room, -4)
  expect((await stays()).every(([place]: string[]) => place === 'room')).toBe(true)
  expect(await jar()).toMatchObject({ placeId: room })
})

test('put off by an hour it is planned anew; taken out again on Saturday is planned too, and the first move does not undo the second', async () => {
  await move(cold, 1, true)
  await move(room, 30, true)
  expect(await stays()).toEqual([
    ['room', at(-5)],
    ['cold', at(1)],
    ['room', at(30)]
  ])
  expect((await jar()).placeToldAt).toBe(at(-5))
  // Put into the cold sooner than planned: the way out stands.
  await move(cold, 0)
  expect(await stays()).toEqual([
    ['room', at(-5)],
    ['cold', at(0)],
    ['room', at(30)]
  ])
  expect(await jar()).toMatchObject({ placeToldAt: at(0), placeId: room })
})

test('a planned move can be taken back, lies at most a month ahead, and one that was made never in the future', async () => {
  const id = testId()
  await move(room, 30, true, id)
  await server.send('POST', `/api/jars/${jarId}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes: id })
  expect(await stays()).toEqual([
    ['room', at(-5)],
    ['cold', at(-4)]
  ])
  expect((await move(room, 24 * 31, true)).body.error.message).toBe('A move can be planned up to 30 days ahead.')
  expect((await move(room, 2)).body.error.code).toBe('in the future')
})

test('a feed is put off until a time, asked for again when that is taken back, and forgotten with the next feed', async () => {
  const putOff = (until: string, id = testId()) => server.send('POST', `/api/jars/${jarId}/put-off`, { id, happenedAt: TEST_NOW, until })
  const id = testId()
  expect((await putOff(at(24), id)).body.putOffUntil).toBe(at(24))
  expect((await server.send('POST', `/api/jars/${jarId}/undo`, { id: testId(), happenedAt: TEST_NOW, undoes: id })).body.putOffUntil).toBeNull()
  expect((await putOff(at(-1))).body.error.message).toContain('later time')
  expect((await putOff(at(24 * 61))).status).toBe(400)
  await putOff(at(48))
  const history = (await server.send('GET', `/api/jars/${jarId}/history`)).body.events
  expect(history[0]).toMatchObject({ type: 'put off', until: at(48), undone: false })
  const feed = { id: testId(), happenedAt: TEST_NOW, keepGrams: 20, flours: [{ ingredientId: 'white wheat', grams: 40 }], waterGrams: 40, mixTempC: 22 }
  expect((await server.send('POST', `/api/jars/${jarId}/feeds`, { ...feed, placeId: room })).body.putOffUntil).toBeNull()
})
