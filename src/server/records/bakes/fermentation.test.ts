import { lineSchema } from '../../../contract'
import { placeTempAt, vesselOf } from '../../../core'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
const at = (minutes: number) => new Date(Date.parse(TEST_NOW) + minutes * 60_000).toISOString()
const kitchen = async () => (await server.send('GET', '/api/kitchen')).body.kitchen
const jar = async () => (await server.send('GET', '/api/jars')).body.jars[0]
const moveClock = (minutes: number) => server.send('POST', '/api/clock', { now: at(minutes) })

beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

/** Changes the kitchen's first place. */
async function setPlace(patch: object): Promise<string> {
  const { id, version, demo, ...now } = await kitchen()
  const [first, ...others] = now.places
  await server.send('PUT', '/api/kitchen', { version, kitchen: { ...now, places: [{ ...first, ...patch }, ...others] } })
  return first.id
}

const happen = (bakeId: string, type: string, more: object, minutes = 0) =>
  server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type, happenedAt: at(minutes), ...more })

/** A levain weighed in and banded. */
async function banded(more: Record<string, unknown> = {}): Promise<{ bakeId: string; body: Loose }> {
  const bakeId = testId()
  expect((await server.send('POST', '/api/bakes', { id: bakeId, plan: await planFor(server, more) })).status).toBe(200)
  for (const [item, grams] of [
    ['seed', 16],
    ['water', 79],
    ['flour', 79]
  ] as const) {
    await happen(bakeId, 'pour', { item, plannedGrams: grams, weighedGrams: grams })
  }
  const { body } = await happen(bakeId, 'band', { mixTempC: 24 })
  expect(body.status).toBe('ripening')
  return { bakeId, body }
}

describe('places by day and night', () => {
  test('a levain there is simulated between the two, warmest in the afternoon of the kitchen’s clock', async () => {
    await setPlace({ tempC: 22, nightTempC: 18 })
    const { body } = await banded()
    expect(body.line.stays).toMatchObject([{ tempC: 20, swing: { swingK: 2, warmestAt: '2026-11-26T16:00:00.000Z' } }])
    const [stay] = vesselOf(lineSchema.parse(body.line)).stays
    // The band is set at 19:42; at 16:00 the next day it is 20.3 hours old.
    expect(stay === undefined ? 0 : placeTempAt(stay, 20.3)).toBeCloseTo(22, 6)
    expect(stay === undefined ? 0 : placeTempAt(stay, 8.3)).toBeCloseTo(18, 6)
  })
  test('a temperature that cannot be is refused with a sentence', async () => {
    const { id, version, demo, ...now } = await kitchen()
    const places = [{ ...now.places[0], nightTempC: 400 }, now.places[1]]
    const { status, body } = await server.send('PUT', '/api/kitchen', { version, kitchen: { ...now, places } })
    expect(status).toBe(400)
    expect(Object.values(body.error.fields).join(' ')).toMatch(/by night has to be a number/)
  })
})

describe('measured temperatures', () => {
  const readings = (minutes: readonly number[], tempC: number) => minutes.map((m) => ({ at: at(m), tempC }))
  test('they stand at the levain’s stay, thinned, and can be taken back', async () => {
    const { bakeId } = await banded()
    const { places } = await kitchen()
    const id = testId()
    const sent = {
      id,
      readings: readings(
        Array.from({ length: 60 }, (_, i) => i),
        25
      )
    }
    const path = `/api/places/${places[0].id}/readings`
    expect((await server.send('POST', path, sent)).body).toMatchObject({ count: 60, firstAt: at(0), lastAt: at(59) })
    expect((await server.send('POST', path, sent)).body.count).toBe(60)
    const seen = (await server.send('GET', `/api/bakes/${bakeId}`)).body.line.stays[0].readings
    expect(seen).toHaveLength(6)
    expect(seen[0]).toEqual({ at: at(0), tempC: 25 })
    expect((await server.send('DELETE', `/api/readings/${id}`)).body).toMatchObject({
      count: 0,
      firstAt: null,
      lastAt: null,
      imports: [{ id, count: 60, takenBack: true }]
    })
    expect((await server.send('GET', `/api/bakes/${bakeId}`)).body.line.stays[0].readings).toBeUndefined()
    expect((await server.send('DELETE', `/api/readings/${testId()}`)).status).toBe(404)
  })
  test('none at all, a fever, a place that is not there', async () => {
    const { places } = await kitchen()
    const send = (placeId: string, list: object[]) => server.send('POST', `/api/places/${placeId}/readings`, { id: testId(), readings: list })
    expect((await send(places[0].id, [])).status).toBe(400)
    expect((await send(places[0].id, [{ at: at(0), tempC: 400 }])).status).toBe(400)
    expect((await send(testId(), readings([0], 20))).status).toBe(400)
  })
})

describe('moves', () => {
  test('as planned: an hour out, then the fridge', async () => {
    const { places } = await kitchen()
    const { body } = await banded({ moves: [{ afterHours: 1, placeId: places[1].id, tempC: 4 }] })
    expect(body.line.stays).toMatchObject([
      { from: at(0), tempC: 22 },
      { from: at(60), tempC: 4 }
    ])
  })
  test('what was really done counts, and can be taken back', async () => {
    const { places } = await kitchen()
    const { bakeId } = await banded({ moves: [{ afterHours: 1, placeId: places[1].id, tempC: 4 }] })
    await moveClock(200)
    const moved = await happen(bakeId, 'moved', { placeId: places[1].id, tempC: 5 }, 150)
    expect(moved.body.line.stays).toMatchObject([{ tempC: 22 }, { from: at(60), tempC: 4 }, { from: at(150), tempC: 5 }])
    const early = await happen(bakeId, 'moved', { placeId: places[0].id, tempC: 23 }, 30)
    expect(early.body.line.stays).toMatchObject([{ tempC: 22 }, { from: at(30), tempC: 23 }, { from: at(150), tempC: 5 }])
    const last = early.body.events.at(-1).id
    const back = await happen(bakeId, 'undo', { undoes: last }, 200)
    expect(back.body.line.stays).toMatchObject([{ tempC: 22 }, { from: at(60), tempC: 4 }, { from: at(150), tempC: 5 }])
  })
  test('once it is mixed, it is the dough that moves; the levain stays where it was, and in the oven nothing moves any more', async () => {
    const { places } = await kitchen()
    const { bakeId } = await banded()
    await moveClock(900)
    await happen(bakeId, 'mixed', { levainGrams: 100, keepBackGrams: 20 }, 500)
    expect((await happen(bakeId, 'moved', { placeId: places[1].id, tempC: 4 }, 480)).status).toBe(400)
    const { status, body } = await happen(bakeId, 'moved', { placeId: places[1].id, tempC: 4 }, 560)
    expect(status).toBe(200)
    expect(body.line.stays).toHaveLength(1)
    expect((await happen(bakeId, 'undo', { undoes: body.events.at(-1).id }, 570)).status).toBe(200)
    await happen(bakeId, 'step', { step: 'shape', did: 'done' }, 600)
    await happen(bakeId, 'step', { step: 'bake', did: 'done' }, 700)
    expect((await happen(bakeId, 'moved', { placeId: places[1].id, tempC: 4 }, 710)).status).toBe(409)
  })
  test('a level that is asked about is explained, and only one that is there', async () => {
    const { bakeId } = await banded()
    await moveClock(300)
    const look = testId()
    await server.send('POST', `/api/bakes/${bakeId}/events`, { id: look, type: 'mark', rise: 1.4, signs: {}, happenedAt: at(200) })
    expect((await happen(bakeId, 'explained', { look: testId(), as: 'stirred' }, 210)).status).toBe(409)
    expect((await happen(bakeId, 'explained', { look, as: 'eaten' }, 210)).status).toBe(400)
    expect((await happen(bakeId, 'explained', { look, as: 'stirred' }, 210)).status).toBe(200)
    // A look may be taken back at any time, whatever was said of it.
    expect((await happen(bakeId, 'undo', { undoes: look }, 220)).status).toBe(200)
  })
  test('nothing to move before the band; nowhere is no place', async () => {
    const bakeId = testId()
    await server.send('POST', '/api/bakes', { id: bakeId, plan: await planFor(server) })
    const { places } = await kitchen()
    expect((await happen(bakeId, 'moved', { placeId: places[0].id, tempC: 22 })).status).toBe(409)
    const other = await banded()
    expect((await happen(other.bakeId, 'moved', { placeId: testId(), tempC: 22 })).status).toBe(400)
  })
})

describe('the log a jar is learned from', () => {
  test('finished builds with their looks, oldest first; a build under way is not in it', async () => {
    const { bakeId } = await banded()
    const path = `/api/jars/${(await jar()).id}/log`
    await moveClock(600)
    await happen(bakeId, 'mark', { rise: 1.6, signs: { top: 'domed' } }, 300)
    expect((await happen(bakeId, 'mark', { pH: 4.6, signs: {} }, 305)).status).toBe(200)
    expect((await happen(bakeId, 'mark', { pH: 12, signs: {} }, 310)).body.error.message).toMatch(/The pH has to be/)
    expect((await server.send('GET', path)).body).toEqual({ builds: [] })
    await happen(bakeId, 'mixed', { levainGrams: 149, keepBackGrams: 20, was: 'rising' }, 600)
    const { builds } = (await server.send('GET', path)).body
    expect(builds).toMatchObject([
      {
        kind: 'levain',
        mixedAt: at(600),
        mixedAs: 'rising',
        marks: [
          { at: at(300), rise: 1.6, signs: { top: 'domed' } },
          { at: at(305), pH: 4.6, signs: {} }
        ],
        line: { flours: { 'white wheat': 79 } }
      }
    ])
  })
  test('begun anew, what was before no longer counts; pinned and let go, with a record of it', async () => {
    const { bakeId } = await banded()
    await moveClock(700)
    await happen(bakeId, 'mixed', { levainGrams: 149, keepBackGrams: 20 }, 600)
    const { id, pace } = await jar()
    expect(pace).toEqual({ kind: 'learned', since: null })
    const put = (next: object) => server.send('PUT', `/api/jars/${id}/pace`, { id: testId(), happenedAt: at(700), pace: next })
    expect((await put({ kind: 'learned', since: at(650) })).body.pace).toEqual({ kind: 'learned', since: at(650) })
    expect((await server.send('GET', `/api/jars/${id}/log`)).body.builds).toEqual([])
    const parameters = { vigour: 1.2, lag: 1, hold: 0.9, cold: 1, warmth: 1, shape: 1, steep: 1 }
    expect((await put({ kind: 'pinned', parameters })).body.pace).toEqual({ kind: 'pinned', parameters })
    await server.restart()
    expect((await jar()).pace).toEqual({ kind: 'pinned', parameters })
    expect((await put({ kind: 'pinned', parameters: { ...parameters, vigour: -3 } })).status).toBe(400)
    expect((await put({ kind: 'guessed' })).status).toBe(400)
  })
})
