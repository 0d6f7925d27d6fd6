import { randomUUID } from 'node:crypto'
import type { Loose } from '../src/server/testing/testServer'
import { closeBrowser, openWindow, type Program, plain, startProgram, stillWords, until, type Window } from './support'

/** The bench: by scale without a key, by key alone, by thumb; what went wrong; two devices. */
const MORNING = '2026-11-27T08:30:00.000Z'
const BOWL = 412
/** A window that hears nothing asks again after so long. */
const ASKS_BY_ITSELF_MS = 30_000

let program: Program
let window: Window
const windows: Window[] = []

const call: Program['call'] = (...asked) => program.call(...asked)

async function open(size: { width?: number; height?: number } = {}): Promise<Window> {
  const opened = await openWindow(size)
  windows.push(opened)
  return opened
}

beforeAll(async () => {
  program = await startProgram({ demo: true, now: MORNING })
  // Enough of Juno for all these bakes.
  const { jars } = await call('GET', '/api/jars')
  const juno = jars.find((j: Loose) => j.name === 'Juno')
  await call('POST', `/api/jars/${juno.id}/weighings`, { id: randomUUID(), happenedAt: MORNING, grams: 2000 })
})
afterEach(async () => {
  for (const { complaints, close } of windows.splice(0)) {
    expect(complaints).toEqual([])
    await close()
  }
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

/** A bake of its own, planned like one of the demo. */
async function newBake(name = 'Market rolls'): Promise<string> {
  const { bakes } = await call('GET', '/api/bakes?state=open')
  const like = bakes.find((b: Loose) => b.plan.name.startsWith(name))
  const id = randomUUID()
  await call('POST', '/api/bakes', { id, plan: { ...like.plan, name: `${name} ${id.slice(0, 4)}` } })
  return id
}
const eventsOf = async (id: string): Promise<Loose[]> => (await call('GET', `/api/bakes/${id}`)).events
const untilEvents = (id: string, enough: (events: Loose[]) => boolean) => until(() => eventsOf(id), enough)

const scaleId = async (): Promise<string> => (await call('GET', '/api/devices')).devices.find((d: Loose) => d.simulated && d.kind === 'scale').id
/** What a hand does to the stand-in, away from keyboard and screen. */
async function hand(deed: Loose): Promise<void> {
  await call('POST', `/api/devices/${await scaleId()}/deeds`, deed)
}

const pour = () => window.page.getByTestId('pour')
const item = async () => plain(await pour().getByRole('heading', { level: 2 }).innerText())
/** What is still wanted of the item, as it stands on the card. */
const wanted = async () => Number(/of ([\d.]+) g/.exec(plain(await pour().innerText()))?.[1] ?? Number.NaN)

async function chooseScale(): Promise<void> {
  const { page } = window
  await page.evaluate((id) => localStorage.setItem('olvent.scale', JSON.stringify(id)), await scaleId())
  await page.reload()
}

/** Pours item after item onto the scale until none is left. */
async function weighByHand(): Promise<string[]> {
  const seen: string[] = []
  await hand({ do: 'lift' })
  await window.page.getByText('Put the bowl on the scale').waitFor()
  await hand({ do: 'put', grams: BOWL })
  await window.page.getByText('Put the bowl on the scale').waitFor({ state: 'detached' })
  while ((await pour().count()) > 0) {
    const before = await item()
    seen.push(before)
    await hand({ do: 'put', grams: await wanted() })
    await window.page
      .locator('[data-testid=pour] h2', { hasNotText: before })
      .or(window.page.getByTestId('set-band'))
      .or(window.page.getByTestId('mix'))
      .first()
      .waitFor()
  }
  return seen
}

test('a whole levain and a whole dough by the scale, no key touched', async () => {
  const id = await newBake('Two lantern loaves')
  window = await open()
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await chooseScale()
  const levain = await weighByHand()
  expect(levain[0]).toMatch(/^Starter from Juno/)
  expect(levain).toContain('Water')
  await page.getByRole('button', { name: 'The level is marked' }).click()
  await page.getByTestId('verdict').waitFor()
  const poured = (await eventsOf(id)).filter((e) => e.type === 'pour')
  expect(poured.every((e) => e.source === 'device' && e.device === 'Stand-in scale')).toBe(true)
  // The bowl with the dough: the levain goes in as one item of it.
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  const dough = await weighByHand()
  expect(dough).toContain('Levain')
  expect(dough.join()).toMatch(/flour/)
  await page.getByRole('button', { name: 'Mixed', exact: true }).click()
  const events = await untilEvents(id, (all) => all.some((e) => e.type === 'mixed'))
  const weighed = events.filter((e) => e.type === 'weigh')
  expect(weighed.length).toBe(dough.length)
  const bake = await call('GET', `/api/bakes/${id}`)
  expect(bake.status).toBe('mixed')
})

test('the same by keyboard alone, and pieces to their weight', async () => {
  const id = await newBake()
  window = await open()
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await pour().waitFor()
  const space = async () => {
    const before = plain(await pour().innerText())
    await page.keyboard.press('Space')
    await page.waitForFunction(
      (was) => (document.querySelector('[data-testid=pour]') as HTMLElement | null)?.innerText.replace(/\s+/g, ' ').trim() !== was,
      before
    )
  }
  while ((await pour().count()) > 0) await space()
  await page.getByRole('button', { name: 'The level is marked' }).press('Enter')
  await page.getByTestId('verdict').waitFor()
  await page.keyboard.press('4')
  await pour().waitFor()
  while ((await pour().count()) > 0) await space()
  await page.getByRole('button', { name: 'Mixed', exact: true }).press('Enter')
  await untilEvents(id, (all) => all.some((e) => e.type === 'mixed'))
  // Pieces: the crown is the largest, and comes first.
  await page.getByText(/^Piece 1 of \d+/).waitFor()
  await page.keyboard.press('Space')
  const [piece] = await untilEvents(id, (all) => all.some((e) => e.into === 'pieces')).then((all) => all.filter((e) => e.into === 'pieces'))
  expect(piece.key).toBe('piece:1')
  // A piece that is far too heavy is not taken: dough is cut off, not added to.
  await page.getByText(/^Piece 2 of/).waitFor()
  await page.getByRole('textbox', { name: 'What the scale shows' }).fill('500')
  await page.keyboard.press('Enter')
  await page.getByText(/too much\. Cut some off/).waitFor()
})

test('by thumb on a phone: a tap beside the controls goes on, one on them does not', async () => {
  const id = await newBake()
  window = await open({ width: 390, height: 844 })
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await pour().waitFor()
  const first = await item()
  await page.getByRole('textbox', { name: 'What the scale shows' }).click()
  expect(await item()).toBe(first)
  await pour().getByRole('heading', { level: 2 }).click()
  await page.locator('[data-testid=pour] h2', { hasNotText: first }).waitFor()
  // Nothing is wider than the phone.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  while ((await pour().count()) > 0) {
    const before = plain(await pour().innerText())
    await page.getByRole('button', { name: /^Poured/ }).click()
    await page.waitForFunction(
      (was) => (document.querySelector('[data-testid=pour]') as HTMLElement | null)?.innerText.replace(/\s+/g, ' ').trim() !== was,
      before
    )
  }
  await page.getByTestId('set-band').waitFor()
})

test.each([
  ['Carry on as it is', 0],
  ['Correct by adding', 1],
  ['Scale the rest to match', 2]
])('nine grams too much water: %s', async (way) => {
  const id = await newBake()
  window = await open()
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByTestId('pour').getByRole('heading', { name: 'Water' }).waitFor()
  const planned = Number(plain(await page.locator('[data-testid=pour] p').filter({ hasText: /g$/ }).first().innerText()).replace(/\D/g, ''))
  await page.getByRole('textbox', { name: 'What the scale shows' }).fill(String(planned + 9))
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByText(/9 g too much/).waitFor()
  const offered = await page.getByTestId('mis-pour').getByRole('button').allInnerTexts()
  expect(offered).toHaveLength(4)
  expect(plain(offered[0] ?? '')).toBe('I mistyped, or read it wrong')
  await page.getByRole('button', { name: new RegExp(`^${way}`) }).click()
  const events = await untilEvents(id, (all) => all.filter((e) => e.type === 'pour').length === 2)
  expect(events.filter((e) => e.type === 'pour')[1].weighedGrams).toBe(planned + 9)
  if (way !== 'Carry on as it is') await untilEvents(id, (all) => all.some((e) => e.type === 'repair'))
  const repair = (await eventsOf(id)).find((e) => e.type === 'repair')
  const flour = Object.entries(repair?.targets ?? {}).find(([key]) => key.startsWith('flour'))?.[1] as number | undefined
  if (way === 'Carry on as it is') expect(repair).toBeUndefined()
  else {
    expect(flour).toBeGreaterThan(0)
    // The way on and the pour are each taken back by themselves.
    await page.getByRole('button', { name: 'Undo the correction' }).click()
    await untilEvents(id, (all) => all.some((e) => e.type === 'undo'))
  }
  await page.getByRole('button', { name: 'Undo the last pour' }).click()
  await page.getByTestId('pour').getByRole('heading', { name: 'Water' }).waitFor()
})

test('cool water, measured as it goes in: the mix and the hour it is fit follow at once, on the other device, too', async () => {
  const id = await newBake()
  window = await open()
  const other = await open()
  for (const { page } of [window, other]) await page.goto(`${program.address}/bakes/${id}/weigh`)
  const { page } = window
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByTestId('pour').getByRole('heading', { name: 'Water' }).waitFor()
  const fitOn = async (w: Window) => plain(await w.page.getByTestId('fit-as-poured').innerText())
  const before = await stillWords(page, () => fitOn(window))
  await page.getByText(/^Measured temperatures/).click()
  await page.getByRole('textbox', { name: 'Water, as poured' }).fill('8')
  await page.getByRole('textbox', { name: 'Water, as poured' }).press('Enter')
  await untilEvents(id, (all) => all.some((e) => e.type === 'measured' && e.waterC === 8))
  for (const w of [window, other]) {
    await until(
      () => fitOn(w),
      (now) => now !== before
    )
  }
  // What was measured is taken back like a pour.
  await page.getByRole('button', { name: 'Undo the temperature' }).click()
  await until(
    () => fitOn(window),
    (now) => now === before
  )
})

test('two devices on one bake: each is told of the other’s pours; two pours of one item are asked about', async () => {
  const id = await newBake()
  window = await open()
  const tablet = window
  const laptop = await open()
  await laptop.page.clock.install()
  for (const { page } of [tablet, laptop]) {
    await page.goto(`${program.address}/bakes/${id}/weigh`)
    await page.getByRole('heading', { name: 'Starter from Juno' }).waitFor()
    await page.waitForTimeout(500)
  }
  // The laptop's clock goes on by hand, and not so far that it would ask by itself: it has to be told. How soon is measured by the benchmark of the live line.
  await laptop.page.clock.pauseAt(new Date(await laptop.page.evaluate(() => Date.now() + 1000)))
  await tablet.page.getByRole('button', { name: /^Poured/ }).click()
  const told = laptop.page.getByTestId('pour').getByRole('heading', { name: 'Water' })
  for (let passed = 0; passed < ASKS_BY_ITSELF_MS / 2 && !(await told.isVisible()); passed += 100) {
    await laptop.page.clock.runFor(100)
    await laptop.page.waitForTimeout(200)
  }
  expect(await told.isVisible()).toBe(true)
  await laptop.page.clock.resume()
  // The laptop loses the server, pours the water; the tablet pours it, too.
  await laptop.page.route('**/api/**', (route) => route.abort())
  await laptop.page.getByRole('button', { name: /^Poured/ }).click()
  await laptop.page.getByRole('heading', { name: 'White wheat flour' }).first().waitFor()
  await tablet.page.getByRole('button', { name: /^Poured/ }).click()
  await untilEvents(id, (all) => all.filter((e) => e.type === 'pour').length === 2)
  await laptop.page.unroute('**/api/**')
  await laptop.page.getByText(/Another device has noted/).waitFor()
  expect((await eventsOf(id)).filter((e) => e.item === 'water')).toHaveLength(1)
  await laptop.page.getByRole('button', { name: 'It is the same pour' }).click()
  await laptop.page.getByText(/Another device has noted/).waitFor({ state: 'detached' })
  expect((await eventsOf(id)).filter((e) => e.item === 'water')).toHaveLength(1)
})

test('the server killed in the middle of a pour: nothing lost, nothing doubled', async () => {
  const id = await newBake()
  window = await open()
  const { page } = window
  await page.goto(`${program.address}/bakes/${id}/weigh`)
  await page.getByRole('heading', { name: 'Starter from Juno' }).waitFor()
  await page.waitForTimeout(2500)
  await page.getByRole('button', { name: /^Poured/ }).click()
  await program.kill()
  await page.getByRole('heading', { name: 'Water' }).first().waitFor()
  await page.getByRole('button', { name: /^Poured/ }).click()
  await program.start()
  const events = await untilEvents(id, (all) => all.length >= 2)
  await page.waitForTimeout(2500)
  expect(events.map((e) => e.item)).toEqual(['seed', 'water'])
  expect(await eventsOf(id)).toHaveLength(2)
})

test('the dough’s day at the oven: a reading corrects it, the middle is judged, the outcome kept', async () => {
  const { bakes } = await call('GET', '/api/bakes?state=open')
  const id = (bakes.find((b: Loose) => b.status === 'mixed') as Loose).id
  window = await open()
  const { page } = window
  await program.moveClock('2026-11-27T11:00:00.000Z')
  await page.goto(`${program.address}/bakes/${id}/bread`)
  await page.getByTestId('next-step').waitFor()
  await page.getByText('in a sample jar beside it').click()
  await page.getByRole('textbox', { name: 'Rise' }).fill('1.3')
  await page.getByRole('region', { name: 'What the dough shows' }).getByRole('button', { name: 'Note it' }).click()
  await page.getByText('in the bowl, by the sample').waitFor()
  const mark = async () => {
    const before = plain(await page.getByTestId('next-step').innerText())
    await page.getByTestId('next-step').getByRole('button', { name: 'Done', exact: true }).click()
    await page.waitForFunction(
      (was) => (document.querySelector('[data-testid=next-step]') as HTMLElement | null)?.innerText.replace(/\s+/g, ' ').trim() !== was,
      before
    )
  }
  for (let i = 0; i < 8 && !/Into the oven/.test(await page.getByTestId('next-step').innerText()); i++) await mark()
  await page.getByText('comes back slowly').click()
  await page.getByText('Ready for the oven.').waitFor()
  await mark()
  await page.getByRole('textbox', { name: 'Measured in the middle' }).fill('90')
  await page.getByRole('region', { name: 'The oven' }).getByRole('button', { name: 'Note it' }).click()
  await page.getByText(/Not yet: back into the oven|More than done|^Done\. Take it out/).waitFor()
  for (let i = 0; i < 3 && !(await page.getByText('How did it come out?').isVisible()); i++) await mark()
  await page.getByRole('radiogroup', { name: 'Crumb' }).getByText('4', { exact: true }).click()
  await page.getByRole('textbox', { name: 'In words' }).fill('A little tight.')
  await page.getByRole('button', { name: 'Into the record' }).click()
  const events = await untilEvents(id, (all) => all.some((e) => e.type === 'outcome'))
  expect(events.find((e) => e.type === 'outcome')).toMatchObject({ crumb: 4, note: 'A little tight.' })
})
