import { TZDate } from '@date-fns/tz'
import ICAL from 'ical.js'
import { courseFor } from '../../../answers'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer, testId } from '../../testing/testServer'

let server: TestServer
let bakeId: string
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
  const plan = (await planFor(server)) as Loose
  bakeId = testId()
  const course = courseFor({ doughKind: 'wheat', autolyse: true }, { id: plan.placeId, tempC: 22 })
  await server.send('POST', '/api/bakes', { id: bakeId, plan: { ...plan, course } })
})
afterEach(() => server.end())

const text = async (path: string) => {
  const answer = await fetch(server.address + path)
  return { status: answer.status, type: answer.headers.get('content-type') ?? '', body: await answer.text() }
}
/** Read by another program than the one that wrote it. */
const eventsOf = (file: string) => {
  const root = new ICAL.Component(ICAL.parse(file) as ConstructorParameters<typeof ICAL.Component>[0])
  return root.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
}
const clockIn = (event: ICAL.Event, zone: string) => {
  const local = new TZDate(event.startDate.toUnixTime() * 1000, zone)
  return `${local.getDate()} ${String(local.getHours()).padStart(2, '0')}:${String(local.getMinutes()).padStart(2, '0')}`
}

test('an independent reader finds every step, at its local time in two zones, with an alarm', async () => {
  const { type, body } = await text(`/api/bakes/${bakeId}/calendar.ics`)
  expect(type).toContain('text/calendar')
  const events = eventsOf(body)
  expect(events.map((e) => e.summary)).toEqual(
    expect.arrayContaining(['Build Pip’s levain', 'Mix: Two loaves', 'Shape: Two loaves', 'Into the oven: Two loaves', 'Out of the oven: Two loaves'])
  )
  const mix = events.find((e) => e.summary === 'Mix: Two loaves') as ICAL.Event
  // Planned for 18:00 UTC on 27 November: six in the evening in Lisbon, one in the afternoon in New York.
  expect([clockIn(mix, 'Europe/Lisbon'), clockIn(mix, 'America/New_York')]).toEqual(['27 18:00', '27 13:00'])
  expect(mix.endDate.toUnixTime() - mix.startDate.toUnixTime()).toBe(15 * 60)
  for (const event of events) {
    const alarm = event.component.getFirstSubcomponent('valarm')
    expect(String(alarm?.getFirstPropertyValue('trigger'))).toBe('-PT10M')
  }
  expect(new Set(events.map((e) => e.uid)).size).toBe(events.length)
})

test('the jars stand in the calendar of the kitchen, with their usual feed, and not in that of a bake', async () => {
  const feedsIn = async (path: string) => eventsOf((await text(path)).body).filter((e) => /^Feed /.test(e.summary ?? ''))
  const [feed] = await feedsIn('/api/calendar.ics')
  if (feed === undefined) throw new Error('No feed in the calendar.')
  expect(feed.summary).toBe('Feed Pip')
  // Not in the kitchen's sleep.
  const hour = Number(clockIn(feed, 'Europe/Lisbon').split(' ')[1]?.slice(0, 2))
  expect(hour >= 6 && hour <= 22).toBe(true)
  expect(await feedsIn(`/api/bakes/${bakeId}/calendar.ics`)).toEqual([])
  // Fed 20 + 40 + 40 of its 100 g, it wants the same again, later.
  const { jars } = (await server.send('GET', '/api/jars')).body
  const fed = {
    id: testId(),
    happenedAt: TEST_NOW,
    keepGrams: 20,
    flours: [{ ingredientId: 'white wheat', grams: 40 }],
    waterGrams: 40,
    mixTempC: 22,
    placeId: jars[0].placeId
  }
  expect((await server.send('POST', `/api/jars/${jars[0].id}/feeds`, fed)).status).toBe(200)
  const [again] = await feedsIn('/api/calendar.ics')
  expect(again?.startDate.toUnixTime()).toBeGreaterThan(feed.startDate.toUnixTime())
  expect(again?.description.replace(/\s/g, ' ')).toContain('Like last time: keep 20 g, add 40 g of flour and 40 g of water. 80 g go to the discard pot.')
})

test('a jar that is to go to the fridge, and the next step of a program, are in it at their minute; put off, a feed has moved', async () => {
  const events = async () => eventsOf((await text('/api/calendar.ics')).body)
  const at = async (summary: string) => {
    const found = (await events()).find((e) => e.summary === summary)
    return found === undefined ? null : clockIn(found, 'Europe/Lisbon')
  }
  const { places } = (await server.send('GET', '/api/kitchen')).body.kitchen
  const [pip] = (await server.send('GET', '/api/jars')).body.jars
  const cold = places.at(-1)
  const feed = { id: testId(), happenedAt: TEST_NOW, keepGrams: 20, flours: [{ ingredientId: 'white wheat', grams: 40 }], waterGrams: 40, mixTempC: 22 }
  await server.send('POST', `/api/jars/${pip.id}/feeds`, { ...feed, placeId: places[0].id, later: { placeId: cold.id, afterHours: 1.5 } })
  // Fed at 19:42.
  expect(await at(`Move Pip to ${cold.name}`)).toBe('26 21:12')
  const before = await at('Feed Pip')
  const due = (await events()).find((e) => e.summary === 'Feed Pip') as ICAL.Event
  const until = new Date(due.startDate.toUnixTime() * 1000 + 4 * 3_600_000).toISOString()
  await server.send('POST', `/api/jars/${pip.id}/put-off`, { id: testId(), happenedAt: TEST_NOW, until })
  expect(await at('Feed Pip')).not.toBe(before)
  const step = { title: 'Feed it again', afterHours: 14, what: 'Feed it.', sign: null, deed: null }
  const program = { kind: 'own', title: 'Pip, by your own steps', says: 'Your own.', steps: [step] }
  await server.send('POST', '/api/programs', { id: testId(), happenedAt: TEST_NOW, jarId: pip.id, placeId: places[0].id, program })
  // Fourteen hours after 19:42.
  expect(await at('Pip: Feed it again')).toBe('27 09:42')
  // In a program, its feeds are those of the program.
  expect(await at('Feed Pip')).toBeNull()
})

test('a private address follows along, keeps its names, and is silent once it is withdrawn', async () => {
  const made = (await server.send('POST', '/api/calendar-addresses', { id: testId(), name: 'My phone' })).body
  expect(made.addresses).toMatchObject([{ name: 'My phone', readAt: null }])
  const first = eventsOf((await text(made.path)).body)
  const { body } = await server.send('GET', `/api/bakes/${bakeId}`)
  await server.send('PUT', `/api/bakes/${bakeId}`, { version: body.version, plan: { ...body.plan, mixAt: '2026-11-27T20:00:00.000Z' } })
  const second = eventsOf((await text(made.path)).body)
  const mixOf = (events: ICAL.Event[]) => events.find((e) => e.summary.startsWith('Mix')) as ICAL.Event
  expect(mixOf(second).uid).toBe(mixOf(first).uid)
  expect(mixOf(second).startDate.toUnixTime() - mixOf(first).startDate.toUnixTime()).toBe(2 * 3600)
  const { addresses } = (await server.send('GET', '/api/calendar-addresses')).body
  expect(addresses[0].readAt).toBe(TEST_NOW)
  await server.send('DELETE', `/api/calendar-addresses/${addresses[0].id}`)
  expect((await text(made.path)).status).toBe(404)
  expect((await server.send('GET', '/api/calendar-addresses')).body.addresses).toEqual([])
})

test('a made-up address tells nothing, and the token is not in the tables', async () => {
  expect((await text('/calendar/AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA.ics')).status).toBe(404)
  const made = (await server.send('POST', '/api/calendar-addresses', { id: testId(), name: 'Wall' })).body
  const token = String(made.path).replace(/^\/calendar\/|\.ics$/g, '')
  expect(token.length).toBeGreaterThanOrEqual(32)
  expect(JSON.stringify((await server.send('GET', '/api/calendar-addresses')).body)).not.toContain(token)
})

test('steps that are done are no longer in it', async () => {
  const names = async () => eventsOf((await text('/api/calendar.ics')).body).map((e) => e.summary)
  expect(await names()).toContain('Flour and water together: Two loaves')
  await server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type: 'step', step: 'autolyse', did: 'skipped', happenedAt: TEST_NOW })
  expect(await names()).not.toContain('Flour and water together: Two loaves')
})

test('the window of a levain on its way calls before it opens, as it opens, and before it closes; a look times it anew; mixed, it is gone', async () => {
  const at = (minutes: number) => new Date(Date.parse(TEST_NOW) + minutes * 60_000)
  const note = (type: string, more: object, minutes = 0) =>
    server.send('POST', `/api/bakes/${bakeId}/events`, { id: testId(), type, happenedAt: at(minutes).toISOString(), ...more })
  const inFile = async () => {
    const events = eventsOf((await text('/api/calendar.ics')).body)
    return { window: events.find((e) => e.summary === 'Should be ready: Two loaves'), mix: events.find((e) => e.summary === 'Mix: Two loaves') }
  }
  expect((await inFile()).window).toBeUndefined()
  for (const [item, grams] of [
    ['seed', 16],
    ['water', 80],
    ['flour', 80]
  ])
    await note('pour', { item, plannedGrams: grams, weighedGrams: grams })
  await note('band', { mixTempC: 24 })
  const { window: before, mix } = await inFile()
  // It is the window that calls, not the step of mixing besides.
  expect(mix?.component.getAllSubcomponents('valarm')).toEqual([])
  const alarms = (before?.component.getAllSubcomponents('valarm') ?? []).map((alarm) => ({
    at: (alarm.getFirstPropertyValue('trigger') as ICAL.Time).toUnixTime(),
    words: alarm.getFirstPropertyValue('description')
  }))
  expect(alarms.map(({ words }) => words)).toEqual([
    'Two loaves: the levain should be ready in about half an hour',
    'Two loaves: the levain should be ready: look at it first',
    'Two loaves: the levain should stay ready for about half an hour more: look at it, then mix or chill it'
  ])
  const [soon, opens, closes] = alarms.map((alarm) => alarm.at) as [number, number, number]
  expect(opens - soon).toBe(1800)
  // The entry is the window as the screens tell it; called is a little before, so that it is seldom too late.
  expect(opens).toBeLessThan(before?.startDate.toUnixTime() ?? 0)
  expect(closes).toBeLessThanOrEqual((before?.endDate.toUnixTime() ?? 0) - 1800)
  expect(closes).toBeGreaterThan(before?.startDate.toUnixTime() ?? Number.POSITIVE_INFINITY)
  // 1:5:5 at 22 °C is fit after some eight to twelve hours.
  const hours = (event: ICAL.Event | undefined) => ((event?.startDate.toUnixTime() ?? 0) - at(0).getTime() / 1000) / 3600
  expect(hours(before)).toBeGreaterThan(5)
  expect(hours(before)).toBeLessThan(12)
  // Once it has passed unused, the step of mixing calls again.
  await server.send('POST', '/api/clock', { now: new Date(((before?.endDate.toUnixTime() ?? 0) + 60) * 1000).toISOString() })
  const passed = await inFile()
  expect(passed.window).toBeUndefined()
  expect(passed.mix?.component.getAllSubcomponents('valarm')).toHaveLength(1)
  await server.send('POST', '/api/clock', { now: at(240).toISOString() })
  await note('mark', { rise: 2.2, signs: {} }, 240)
  const { window: after } = await inFile()
  expect(after?.uid).toBe(before?.uid)
  expect(hours(after)).toBeLessThan(hours(before) - 0.5)
  await note('mixed', { levainGrams: 149, keepBackGrams: 20 }, 240)
  expect((await inFile()).window).toBeUndefined()
})
