import { randomUUID } from 'node:crypto'
import type { Loose } from '../src/server/testing/testServer'
import { calendarFace, type Delivered, disagreements, type Face, windowFace } from '../src/testing/faces'
import { windowOfDay } from '../src/testing/rendered'
import { situationsFrom } from '../src/testing/situations'
import { closeBrowser, openWindow, type Program, plain, startProgram, stillWords, type Window } from './support'

/**
 * The views themselves, in drawn kitchens at drawn moments: what Today, the stations, the paper and Jars show of one bake is read off the page and held
 * against each other and against the calendar.
 */
const SITUATIONS = Number(process.env.OLVENT_SITUATIONS ?? 20)
const SEED = Number(process.env.OLVENT_SEED ?? 5)
const START = Date.parse('2026-11-26T19:42:00.000Z')

let program: Program
let window: Window
const call = (method: string, path: string, body?: unknown) => program.call(method, path, body) as Promise<Loose>
const drawn = situationsFrom(SEED, call, START)

beforeAll(async () => {
  program = await startProgram()
  window = await openWindow()
  const jar = { id: randomUUID(), name: 'Pip', flour: 'white wheat', hydration: 1, grams: 100, lastFedAt: '2026-11-26T08:00:00.000Z' }
  await call('POST', '/api/kitchen/first-run', { id: randomUUID(), timeZone: 'Europe/Lisbon', roomTempC: 22, sleep: { from: '22:30', to: '06:30' }, jar })
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

/** The words of a room once they stand still. */
async function wordsAt(path: string): Promise<string> {
  await window.page.goto(program.address + path)
  await window.page.locator('main').waitFor()
  return plain(await stillWords(window.page, () => window.page.locator('main').innerText()))
}

/** What the views show of a bake, face by face. */
async function rendered(bake: Loose, jar: Loose): Promise<Face[]> {
  const at = windowOfDay(drawn.nowMs())
  const today = await wordsAt('/')
  const clock = await wordsAt(`/bakes/${bake.id}/plan`)
  const build = await wordsAt(`/bakes/${bake.id}/levain`)
  const paper = await wordsAt(`/bakes/${bake.id}/day`)
  const jars = await wordsAt('/jars')
  const label = await wordsAt(`/jars/${jar.id}/label`)
  return [
    at.today(today, bake.plan.name, jar.name),
    at.sheet(clock),
    at.clock(clock),
    at.weights(build),
    at.paper(paper),
    at.jar(jars, jar.name),
    at.label(label)
  ]
}

async function calendarAndWindow(bakeId: string, jarId: string): Promise<Face[]> {
  const [{ kitchen }, { jars }, ingredients, vessels, bake] = await Promise.all([
    call('GET', '/api/kitchen'),
    call('GET', '/api/jars'),
    call('GET', '/api/ingredients'),
    call('GET', '/api/vessels'),
    call('GET', `/api/bakes/${bakeId}`)
  ])
  const jar = jars.find((j: Loose) => j.id === jarId)
  const delivered: Delivered = { kitchen, jars: [jar], ingredients, vessels, bake }
  const asked = windowFace(delivered, drawn.nowMs())
  const place = kitchen.places.findIndex((p: Loose) => p.id === asked.placeOfJar)
  const text = await (await fetch(`${program.address}/api/bakes/${bakeId}/calendar.ics`)).text()
  return [{ ...asked, told: { ...asked.told, 'place of the jar g': 100 * place, 'in the jar g': jar.grams } }, calendarFace(text, bakeId)]
}

const moments: (readonly Face[])[] = []

describe(`drawn situations, seed ${SEED}`, () => {
  test.each(Array.from({ length: SITUATIONS }, (_, i) => i + 1))('%i: every view shows what the calendar and the other views show', async (n) => {
    const kitchen = await drawn.drawKitchen()
    const jar = await drawn.drawJar(kitchen)
    const bake = await call('POST', '/api/bakes', { id: randomUUID(), plan: drawn.drawPlan(kitchen, jar, `Bake ${n}`) }).catch(() => null)
    // A plan that cannot be, and is said so, is no situation.
    if (bake === null) return
    if (drawn.maybe(0.5)) await drawn.wait(drawn.between(0, 20) * 3_600_000)
    if (drawn.maybe(0.4)) await weighedIn(bake, jar, kitchen)
    const faces = [...(await calendarAndWindow(bake.id, jar.id)), ...(await rendered(bake, jar))]
    moments.push(faces)
    await call('DELETE', `/api/bakes/${bake.id}`)
    await call('POST', `/api/jars/${jar.id}/end`, drawn.note({ why: 'not wanted' }))
    expect(disagreements(faces)).toEqual([])
  })
})

test('nearly every drawn situation could be looked at', () => {
  expect(moments.length).toBeGreaterThanOrEqual(0.9 * SITUATIONS)
})

/** All that is offered is poured, and the level is marked. */
async function weighedIn(bake: Loose, jar: Loose, kitchen: Loose): Promise<void> {
  const [ingredients, vessels] = [await call('GET', '/api/ingredients'), await call('GET', '/api/vessels')]
  const { items, told } = windowFace({ kitchen, jars: [jar], ingredients, vessels, bake }, drawn.nowMs())
  if (items.length === 0 || (told['seed g'] ?? 0) > jar.grams - 2) return
  for (const key of items) {
    const [item, ingredientId] = key.split(':')
    const grams = told[`${key} g`] ?? 1
    await call(
      'POST',
      `/api/bakes/${bake.id}/events`,
      drawn.note({ type: 'pour', item, ...(ingredientId === undefined ? {} : { ingredientId }), plannedGrams: grams, weighedGrams: grams })
    )
  }
  await call('POST', `/api/bakes/${bake.id}/events`, drawn.note({ type: 'band', mixTempC: 24 }))
  await drawn.wait(drawn.between(0.5, 5) * 3_600_000)
}

test('any one view shifted by 7 minutes or 3 g is found out', () => {
  const shifted = (face: Face): Face => ({ ...face, told: Object.fromEntries(Object.entries(face.told).map(([q, v]) => [q, v + (q.endsWith(' g') ? 3 : 7)])) })
  const shares = (face: Face, faces: readonly Face[]) =>
    faces.some((other) => other !== face && Object.keys(face.told).some((q) => other.told[q] !== undefined))
  for (const name of ['Today', 'head and stations', 'Plan', 'Levain', 'paper', 'Jars', 'label']) {
    const held = moments.filter((faces) => faces.some((face) => face.name === name && shares(face, faces)))
    const found = held.filter((faces) => disagreements(faces.map((face) => (face.name === name ? shifted(face) : face))).length > 0)
    expect([name, held.length > 0, found.length]).toEqual([name, true, held.length])
  }
})

test('the browser had nothing to complain about', () => {
  expect(window.complaints).toEqual([])
})
