import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, startProgram, type Window } from './support'

/** The fermentation engine on the screen: the hill taken by its top, jars that are learned, builds side by side, rooms that were measured. */
let program: Program
let window: Window
let page: Page
let planned: string
let running: string
let juno: string
let laid: Plan | undefined
beforeAll(async () => {
  program = await startProgram({ demo: true })
  window = await openWindow()
  page = window.page
  const { bakes } = (await (await fetch(`${program.address}/api/bakes`)).json()) as { bakes: { id: string; status: string }[] }
  const { jars } = (await (await fetch(`${program.address}/api/jars`)).json()) as { jars: { id: string; name: string }[] }
  planned = bakes.find((b) => b.status === 'planned')?.id ?? ''
  running = bakes.find((b) => b.status === 'ripening')?.id ?? ''
  juno = jars.find((j) => j.name === 'Juno')?.id ?? ''
})
/** Every test finds the planned bake as the demo laid it. */
beforeEach(async () => {
  const { version, plan: now } = (await (await fetch(`${program.address}/api/bakes/${planned}`)).json()) as { version: number; plan: Plan }
  laid ??= now
  await fetch(`${program.address}/api/bakes/${planned}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ version, plan: laid })
  })
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

interface Plan {
  mixAt: string
  tempC: number
  moves: { afterHours: number }[]
  build: { by: { kind: string; flourPerSeed: number } }
}
const plan = async () => ((await (await fetch(`${program.address}/api/bakes/${planned}`)).json()) as { plan: Plan }).plan
const saved = () => page.getByText('saved', { exact: true }).waitFor()
const slider = (name: string | RegExp) => page.getByRole('slider', { name })
const says = async (name: string) => plain(await slider(name).getAttribute('aria-valuetext'))
const minutes = (after: string, before: string) => (Date.parse(after) - Date.parse(before)) / 60_000

async function openClock(): Promise<void> {
  await page.goto(`${program.address}/bakes/${planned}/plan`)
  await slider('Ripe moment').waitFor()
  await saved()
}
async function answers(option: string): Promise<void> {
  await choose(page, { name: 'What changes when you drag the hill' }, { name: option })
}
async function drag(name: string, px: number): Promise<void> {
  const box = await slider(name).boundingBox()
  if (box === null) throw new Error('no grip')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= 8; i++) {
    await page.mouse.move(x + (px * i) / 8, y)
    await page.waitForTimeout(30)
  }
  await page.mouse.up()
}

describe('the hill is taken by its top', () => {
  test('dragged later, the start follows by as much; undo brings both back', async () => {
    await openClock()
    const before = await plan()
    const start = await says('Start of the build')
    await drag('Ripe moment', 60)
    await until(plan, (now) => minutes(now.mixAt, before.mixAt) > 30)
    expect((await plan()).build.by).toEqual(before.build.by)
    expect(await says('Start of the build')).not.toBe(start)
    await page.keyboard.press('Control+z')
    await until(plan, (now) => now.mixAt === before.mixAt)
  })

  test('when the ratio answers, the start stays and the ratio grows', async () => {
    await openClock()
    await answers('the ratio')
    const before = await plan()
    const start = (await says('Start of the build')).split(',')[0]
    await drag('Ripe moment', 40)
    await until(plan, (now) => now.build.by.flourPerSeed > before.build.by.flourPerSeed + 0.3)
    expect(minutes((await plan()).mixAt, before.mixAt)).toBeGreaterThan(20)
    const after = (await says('Start of the build')).split(',')[0]
    expect(Math.abs(minutesOf(after) - minutesOf(start))).toBeLessThanOrEqual(15)
  })

  test('keys do what the pointer does: two steps are half an hour', async () => {
    await openClock()
    const before = await plan()
    await slider('Ripe moment').focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await until(plan, (now) => minutes(now.mixAt, before.mixAt) === 30)
    await page.getByRole('button', { name: 'Ripe a quarter of an hour earlier' }).click()
    await until(plan, (now) => minutes(now.mixAt, before.mixAt) === 15)
  })

  test('warmth answers within what a place can have; beyond that it says so and stays at the nearest', async () => {
    await openClock()
    await answers('the warmth of the place')
    const before = await plan()
    await drag('Ripe moment', -30)
    await until(plan, (now) => now.tempC > before.tempC + 0.2)
    for (let i = 0; i < 8; i++) await slider('Ripe moment').press('PageDown')
    await page.getByText(/It cannot be sooner than this that way/).waitFor()
    await saved()
    expect((await plan()).tempC).toBeLessThanOrEqual(31)
  })

  test('a move into the fridge is a grip, too: later out of the warm is riper sooner', async () => {
    await openClock()
    await page.getByRole('button', { name: 'Move it on to another place' }).click()
    await choose(page, { name: 'Move 1: to' }, { name: /Cool corner/ })
    await until(plan, (now) => now.moves.length === 1)
    const grip = slider(/^Move to Cool corner/)
    await grip.focus()
    await page.keyboard.press('ArrowRight')
    await until(plan, (now) => Math.abs((now.moves[0]?.afterHours ?? 0) - 2.25) < 0.01)
    await page.getByRole('button', { name: 'Remove move 1' }).click()
    await until(plan, (now) => now.moves.length === 0)
    await saved()
  })
})

test('pressed open, a forecast says what drives it; and the dough after it', async () => {
  await openClock()
  await page.getByRole('button', { name: /Show how warmth/ }).click()
  const drivers = page.getByRole('region', { name: 'What changes the timing' })
  await drivers.getByRole('row', { name: /A place 1\s°C warmer.*sooner/ }).waitFor()
  await drivers.getByRole('row', { name: /One part more flour to the starter.*later/ }).waitFor()
  await drivers.getByRole('row', { name: /one day longer in the cold.*later/ }).waitFor()
  await page
    .getByRole('region', { name: 'The dough after it' })
    .getByRole('row', { name: /doubled/ })
    .waitFor()
})

test('what was learned of Juno, in words, with the evidence; pinned, begun anew, and back', async () => {
  await page.goto(`${program.address}/jars/${juno}/pace`)
  const learned = page.getByTestId('learned')
  await learned.getByText(/^Juno (perhaps )?peaks \d+\s%? ?sooner than a typical jar/).waitFor()
  await page
    .getByText(/of \d+/)
    .first()
    .waitFor()
  expect(plain(await page.locator('main').innerText())).toMatch(/\d+ of \d+ within the 90 % range/)
  await page.getByRole('button', { name: 'Pin this pace' }).click()
  await page.getByText('Nothing is learned while it is pinned.').waitFor()
  await page.getByRole('button', { name: 'Learn from the log again' }).click()
  await page.getByRole('button', { name: 'Begin anew from here' }).click()
  await page.getByText(/what was logged before no longer counts/).waitFor()
  await page.goto(`${program.address}/bakes/${planned}/plan`)
  await page.getByText(/Olvent does not know Juno yet/).waitFor()
  await page.getByRole('link', { name: 'What Olvent knows about Juno' }).click()
  await page.getByRole('button', { name: 'Let all builds count again' }).click()
  await learned.getByText(/sooner than a typical jar/).waitFor()
})

test('four builds side by side; one of them goes into the bake, and undo takes it out', async () => {
  await openClock()
  const before = await plan()
  await page.getByRole('link', { name: 'Compare with other builds' }).click()
  // What makes it milder or tangier, for the build as it is planned.
  const sour = page.getByTestId('sour')
  await sour.getByRole('listitem').first().waitFor()
  expect(plain(await sour.innerText())).toMatch(/\+\d+ %: (a little|much|about)/)
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) })
  await row('Peak').getByText(/×/).first().waitFor()
  await page.getByRole('button', { name: 'One more' }).click()
  await choose(page, { name: 'D: starter' }, { name: '7 days in the cold' })
  await page.getByRole('textbox', { name: 'B: flour to one part of starter' }).fill('9')
  await until(
    async () => plain(await row('Doubled').innerText()),
    (text) => (text.match(/\d\d:\d\d/g) ?? []).length === 4 && !text.includes('…')
  )
  const peaks = async () => new Set(plain(await row('Peak').innerText()).match(/\d\d:\d\d/g) ?? [])
  await until(peaks, (found) => found.size === 4)
  await page.getByRole('button', { name: 'Take B over' }).click()
  await page.waitForURL(/\/plan/)
  await until(plan, (now) => now.build.by.flourPerSeed === 9)
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await until(plan, (now) => now.build.by.flourPerSeed === before.build.by.flourPerSeed)
})

test('a room by day and night, and what a thermometer logged there', async () => {
  await page.goto(`${program.address}/kitchen/places`)
  await page.getByRole('button', { name: /16\s°C by night/ }).click()
  await page.getByRole('textbox', { name: 'Readings of Windowsill' }).fill('Dear diary')
  await page.getByText(/No line of this has a time and a temperature/).waitFor()
  await page.getByRole('textbox', { name: 'Readings of Windowsill' }).fill('time;temp\n2026-11-26 18:00;21,5\n2026-11-26 18:10;soup\n2026-11-26 18:20;21,1')
  await page.getByText(/2 readings.*line 3/).waitFor()
  await page.getByRole('button', { name: 'Bring them in' }).click()
  await page.getByText(/^2 readings, Thu 18:00 to Thu 18:20/).waitFor()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await page.getByText(/^Nothing yet\. A log of a thermometer/).waitFor()
})

test('a running levain is moved into the cold: its window moves away', async () => {
  await page.goto(`${program.address}/bakes/${running}/watch`)
  await page.getByTestId('verdict').getByText('ready to mix').waitFor()
  const window0 = plain(await page.getByTestId('verdict').innerText())
  // What can be done stands above it: once that is there nothing moves any more.
  await page.getByTestId('ways').waitFor()
  await choose(page, { name: 'Moved to' }, { name: /Cool corner/ })
  await page.getByRole('button', { name: 'It stands there now' }).click()
  await page.getByRole('region', { name: 'It stands: Cool corner' }).waitFor()
  await until(
    async () => plain(await page.getByTestId('verdict').innerText()),
    (text) => text !== window0
  )
})

test('on a phone the same is done by taps', async () => {
  const phone = await openWindow({ width: 390, height: 844 })
  await phone.page.goto(`${program.address}/bakes/${planned}/plan`)
  const before = await plan()
  await phone.page.getByRole('button', { name: 'Ripe a quarter of an hour later' }).click()
  await until(plan, (now) => minutes(now.mixAt, before.mixAt) === 15)
  expect(phone.complaints).toEqual([])
  await phone.close()
})

test('nothing complained', () => {
  expect(window.complaints).toEqual([])
})

/** Waits until something asked again and again is as wanted. */
async function until<T>(ask: () => Promise<T>, wanted: (value: T) => boolean): Promise<void> {
  const end = Date.now() + 30_000
  let value = await ask()
  while (!wanted(value)) {
    if (Date.now() > end) throw new Error(`It stayed at ${JSON.stringify(value).slice(0, 400)}`)
    await new Promise((go) => setTimeout(go, 100))
    value = await ask()
  }
}

/** "Sat 06:35" as minutes of its day. */
function minutesOf(words: string | undefined): number {
  const [hours = 0, mins = 0] = (/(\d\d):(\d\d)/.exec(words ?? '') ?? []).slice(1).map(Number)
  return hours * 60 + mins
}
