import { randomUUID } from 'node:crypto'
import type { Loose } from '../src/server/testing/testServer'
import { choose, closeBrowser, mixedBake, NOW, openWindow, type Program, plain, startProgram, until, type Window } from './support'

/** What the bench leans on: devices of one's own, a wake-up feed and a first build by the scale, the label, a picture of the bread. */
let program: Program
let window: Window

beforeAll(async () => {
  program = await startProgram({ demo: true })
})
beforeEach(async () => {
  window = await openWindow()
})
afterEach(async () => {
  expect(window.complaints).toEqual([])
  await window.close()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const openBakes = async (): Promise<Loose[]> => (await program.call('GET', '/api/bakes?state=open')).bakes
const minutes = (count: number) => new Date(Date.parse(NOW) + count * 60_000).toISOString()

/** A bake like one that is planned, with feeds or builds before its last one. */
async function bakeWith(before: Loose[]): Promise<string> {
  const like = (await openBakes()).find((b) => b.plan.name.startsWith('Market rolls')) as Loose
  const id = randomUUID()
  await program.call('POST', '/api/bakes', { id, plan: { ...like.plan, name: 'Trial', before } })
  return id
}
const stage = (kind: 'wake' | 'first build', placeId: string) => ({
  id: kind === 'wake' ? 'wake 1' : kind,
  kind,
  at: minutes(0),
  seedGrams: 10,
  flourGrams: 20,
  waterGrams: 20,
  placeId,
  tempC: 22
})
const deedsOf = async (id: string): Promise<Loose[]> => (await program.call('GET', `/api/bakes/${id}`)).events
const untilEvents = (id: string, enough: (events: Loose[]) => boolean) => until(() => deedsOf(id), enough)

test('a scale of one’s own is taken in, pushes with the token told once, and is read on the card and at the bench', async () => {
  const { page } = window
  await page.goto(`${program.address}/kitchen/devices`)
  const card = page.getByRole('region', { name: 'Devices' })
  await card.getByRole('textbox', { name: 'A device of your own' }).fill('Scale by the window')
  await card.getByRole('button', { name: 'Take it in' }).click()
  const told = plain(await card.getByText(/curl -X POST/).innerText())
  const [, path] = /(\/api\/devices\/[^/]+\/readings)/.exec(told) ?? []
  const [, token] = /Bearer ([^']+)'/.exec(told) ?? []
  // The clock of the test stands still; the device has one of its own.
  let atMs = Date.parse(NOW) - 600_000
  const push = (value: number, bearer = token) => {
    atMs += 200
    return fetch(program.address + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${bearer}` },
      body: JSON.stringify({ readings: [{ value, at: new Date(atMs).toISOString() }] })
    })
  }
  expect((await push(347, 'somebody-else')).status).toBe(401)
  expect((await push(347)).ok).toBe(true)
  await card.getByText('347 g').waitFor()
  // After a reload the token is not told again.
  await page.reload()
  await card.getByText(/Scale by the window/).waitFor()
  expect(await card.getByText(/curl -X POST/).count()).toBe(0)
  const like = (await openBakes()).find((b) => b.plan.name.startsWith('Market rolls')) as Loose
  await page.goto(`${program.address}/bakes/${like.id}/weigh`)
  const seed = Number(await page.getByRole('textbox', { name: 'What the scale shows' }).inputValue())
  await choose(page, { name: 'Scale' }, { name: 'Scale by the window' })
  // The bowl, then the seed in it: a scale goes on saying what stands on it.
  const stands = async (grams: number, seen: () => Promise<boolean>) => {
    for (let tries = 0; tries < 60 && !(await seen()); tries++) {
      await push(grams)
      await page.waitForTimeout(120)
    }
    expect(await seen()).toBe(true)
  }
  await stands(0, async () => page.getByText('Put the bowl on the scale').isVisible())
  await stands(412, async () => !(await page.getByText('Put the bowl on the scale').isVisible()))
  await stands(412 + seed, async () => page.getByTestId('pour').getByRole('heading', { name: 'Water' }).isVisible())
  const [pour] = await untilEvents(like.id, (all) => all.some((e) => e.type === 'pour'))
  expect(pour).toMatchObject({ item: 'seed', weighedGrams: seed, source: 'device', device: 'Scale by the window' })
})

test('a first build is weighed item by item, stands, and then the levain is due', async () => {
  const like = (await openBakes()).find((b) => b.plan.name.startsWith('Market rolls')) as Loose
  const id = await bakeWith([stage('first build', like.plan.placeId)])
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await page.getByTestId('pour').waitFor()
  while ((await page.getByTestId('pour').count()) > 0) {
    const before = plain(await page.getByTestId('pour').innerText())
    await page.getByRole('button', { name: /^Poured/ }).click()
    for (let tries = 0; tries < 50 && (await page.getByTestId('pour').count()) > 0 && plain(await page.getByTestId('pour').innerText()) === before; tries++)
      await page.waitForTimeout(100)
  }
  await page.getByRole('button', { name: 'It stands now' }).click()
  const events = await untilEvents(id, (all) => all.some((e) => e.type === 'step'))
  expect(events.filter((e) => e.type === 'weigh').map((e) => [e.into, e.weighedGrams])).toEqual([
    ['first build', 10],
    ['first build', 20],
    ['first build', 20]
  ])
  // The levain is seeded from what was built, and so it is called.
  await page.getByTestId('pour').getByRole('heading', { name: 'First build', exact: true }).waitFor()
})

test('a wake-up feed at the bench feeds the jar, and can be taken back', async () => {
  const like = (await openBakes()).find((b) => b.plan.name.startsWith('Market rolls')) as Loose
  const id = await bakeWith([stage('wake', like.plan.placeId)])
  const jarNow = async () => (await program.call('GET', '/api/jars')).jars.find((j: Loose) => j.id === like.plan.jarId)
  const before = await jarNow()
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await page.getByRole('button', { name: /^Poured/ }).waitFor()
  for (let tries = 0; tries < 8 && (await page.getByRole('button', { name: /^Poured/ }).count()) > 0; tries++) {
    await page.getByRole('button', { name: /^Poured/ }).click()
    await page.waitForTimeout(600)
    if ((await deedsOf(id)).length > 0) break
  }
  await untilEvents(id, (all) => all.some((e) => e.type === 'step' && e.did === 'done'))
  const after = await jarNow()
  expect(Date.parse(after.line.startedAt)).toBeGreaterThan(Date.parse(before.line.startedAt))
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await untilEvents(id, (all) => all.some((e) => e.type === 'undo'))
  for (let tries = 0; tries < 50 && (await jarNow()).grams !== before.grams; tries++) await page.waitForTimeout(100)
  expect((await jarNow()).grams).toBeCloseTo(before.grams, 1)
})

test('the label of a levain is printed alone, with its type, ratio and when it is due', async () => {
  const running = (await openBakes()).find((b) => b.status === 'ripening') as Loose
  const { page } = window
  await page.goto(`${program.address}/bakes/${running.id}/weigh`)
  await page.getByRole('radiogroup', { name: 'What is weighed' }).getByText('Levain').click()
  const label = page.getByTestId('levain-label')
  await label.getByText(/ready from about/).waitFor()
  expect(plain(await label.innerText())).toMatch(/levain from .*, 1:\d.* at \d+ °C/)
  await page.emulateMedia({ media: 'print' })
  expect(await label.isVisible()).toBe(true)
  expect(await page.getByRole('heading', { name: 'The levain is weighed in' }).isVisible()).toBe(false)
})

test('a picture of the bread is kept, redrawn without what the camera wrote into it', async () => {
  const mixed = await mixedBake(program)
  await program.call('POST', `/api/bakes/${mixed}/events`, { id: randomUUID(), happenedAt: NOW, type: 'step', step: 'out', did: 'done' })
  const { page } = window
  await page.goto(`${program.address}/bakes/${mixed}/bread`)
  await page.getByText('How did it come out?').waitFor()
  const chosen = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'A picture of it' }).click()
  await (await chosen).setFiles('docs/screenshots/today.png')
  const picture = page.getByRole('img', { name: 'The bread' })
  await picture.waitFor()
  expect(await picture.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth))).toBeGreaterThan(300)
  await page.getByRole('button', { name: 'Into the record' }).click()
  const [outcome] = (await untilEvents(mixed, (all) => all.some((e) => e.type === 'outcome'))).filter((e) => e.type === 'outcome')
  const kept = await fetch(`${program.address}/api/pictures/${outcome?.picture}`)
  expect(kept.headers.get('content-type')).toMatch(/^image\//)
})
