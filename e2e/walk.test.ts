import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, setMix, startProgram, stillWords, type, type Window } from './support'

/** From "two of 780 g, Friday at six" to "mixed", on the Lantern Street kitchen. One story, told in its order. */
let program: Program
let window: Window
let page: Page
beforeAll(async () => {
  program = await startProgram({ demo: true })
  window = await openWindow()
  page = window.page
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const room = async () => plain(await page.locator('main').innerText())
/** What the grid says to weigh. */
const masses = async () => {
  const cell = (name: string) => page.getByRole('textbox', { name: `${name}, grams` }).inputValue()
  return { flour: await cell('White wheat flour'), water: await cell('Water'), levain: await cell('Levain, 100 %'), salt: await cell('Salt') }
}
const ribbon = async () => plain(await page.getByTestId('ribbon').locator('figcaption').textContent())

test('Today: one levain under way, its window, the next action', async () => {
  await page.goto(program.address)
  await page.getByTestId('next').waitFor()
  expect(plain(await page.getByTestId('next').innerText())).toMatch(/Juno’s levain|Two lantern loaves/)
  expect(await ribbon()).toMatch(/Juno levain: mixed Thu \d\d:\d\d, ready to mix/)
  expect(await room()).toContain('Build Juno’s levain')
})

test('a new bake is one press away and opens at its dough', async () => {
  await page.getByRole('button', { name: 'New bake' }).click()
  await page.waitForURL(/\/bakes\/.+\/recipe/)
})

test('two of 780 g at 74 %, 2.1 % salt, 18 % levain: grams and truth as worked by hand', async () => {
  await type(page, /Number of pieces/, '2')
  await type(page, /Weight of a piece/, '780')
  await type(page, 'Hydration', '74')
  await type(page, 'Salt', '2.1')
  await type(page, 'Levain, 100 %, %', '18')
  await page.getByText('How the 829 g that count').waitFor()
  expect(await masses()).toEqual({ flour: '829', water: '594', levain: '149', salt: '19.0' })
  expect(plain(await page.getByRole('region', { name: 'The dough' }).innerText())).toMatch(/Dough 191.95 1591/)
  expect(plain(await page.getByRole('region', { name: 'What is really in it' }).innerText())).toMatch(/74 % hydration, 74 % asked 2.1 % salt, 2.1 % asked/)
})

test('another base keeps the grams and says other percents', async () => {
  await choose(page, { name: 'Percentages of' }, { name: 'as written' })
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('input[value="71.66"]') !== null)
  expect(await masses()).toEqual({ flour: '829', water: '594', levain: '149', salt: '19.0' })
  await choose(page, { name: 'Percentages of' }, { name: 'flour added at mixing' })
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('input[value="74"]') !== null)
})

test('the levain follows: seed, flour, water, and what the jar then holds', async () => {
  await page.getByRole('link', { name: /^Levain/ }).click()
  await page.getByText('Which starter').waitFor()
  await type(page, 'Or typed', '1:5')
  await page.getByText('1:5:5', { exact: true }).waitFor()
  const words = (await room()).replace(/ /g, '')
  expect(words).toMatch(/149gforthedough\+20gbacktothejar\+5gstucktojarandspoon=174g/)
  expect(words).toContain('WhatstaysinJuno')
})

test('ready on Friday at six: when to begin, and the ribbon answers to ratio and warmth at once', async () => {
  await page.getByRole('link', { name: /^Plan/ }).click()
  await setMix(page, 27, '18', '00')
  await page.getByText('mix Fri 18:00').waitFor()
  const begin = async () => (await ribbon()).match(/to be built (\w+ \d\d:\d\d)/)?.[1] ?? ''
  await page.waitForFunction(() => /to be built Fri/.test(document.querySelector('[data-testid=ribbon] figcaption')?.textContent ?? ''))
  const at22 = await begin()
  await page.getByRole('button', { name: 'Half a degree warmer' }).click({ clickCount: 6 })
  await page.waitForFunction(
    (before) => !(document.querySelector('[data-testid=ribbon] figcaption')?.textContent ?? '').includes(`to be built ${before}`),
    at22
  )
  expect((await begin()) > at22).toBe(true)
  const at25 = await begin()
  await page.getByRole('link', { name: /^Levain/ }).click()
  await page.getByRole('button', { name: /More flour: slower/ }).click()
  await page.waitForFunction(
    (before) => !(document.querySelector('[data-testid=ribbon] figcaption')?.textContent ?? '').includes(`to be built ${before}`),
    at25
  )
  expect((await begin()) < at25).toBe(true)
  await page.getByRole('button', { name: /Less flour: faster/ }).click()
})

test('a start in the night says so and offers a ratio that lets one sleep', async () => {
  await page.getByRole('link', { name: /^Plan/ }).click()
  await setMix(page, 28, '12', '30')
  await page.getByText(/falls in your night/).waitFor()
  await page
    .getByRole('button', { name: /begins Fri (1\d|2[0-2]):|begins Sat 0[67]/ })
    .first()
    .click()
  await page.getByText(/falls in your night/).waitFor({ state: 'detached' })
  await setMix(page, 27, '18', '00')
  await page.getByText('mix Fri 18:00').waitFor()
  await page.getByRole('link', { name: /^Levain/ }).click()
  await type(page, 'Parts of flour to one of starter', '5')
  await page.getByText('saved', { exact: true }).waitFor()
})

test('weigh in: what the scale shows counts, a slip can be undone', async () => {
  await program.moveClock('2026-11-27T08:30:00.000Z')
  await page.reload()
  await page.getByRole('link', { name: /^Weigh/ }).click()
  const pour = page.getByTestId('pour')
  await pour.getByRole('heading', { name: 'Starter from Juno' }).waitFor()
  await type(page, 'What the scale shows', '18')
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByRole('button', { name: /^Carry on as it is/ }).click()
  await pour.getByRole('heading', { name: 'Water' }).waitFor()
  await page.keyboard.press('Escape')
  await page.getByRole('heading', { name: 'In the bowl so far' }).click()
  await page.keyboard.press('Space')
  await pour.getByRole('heading', { name: 'White wheat flour' }).waitFor()
  await type(page, 'What the scale shows', '90')
  await page.getByRole('button', { name: /^Poured/ }).click()
  expect(await room()).toMatch(/too much\. Nothing is lost/)
  await page.getByRole('button', { name: /^Carry on as it is/ }).click()
  await page.getByRole('button', { name: 'Undo the last pour' }).click()
  await pour.getByRole('heading', { name: 'White wheat flour' }).waitFor()
  await type(page, 'What the scale shows', '80')
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByTestId('set-band').waitFor()
  expect((await room()).replace(/ /g, '')).toContain('18g')
})

test('the band is set, and the watch begins', async () => {
  await type(page, 'Temperature of the mix', '24.5')
  await page.getByRole('button', { name: 'The level is marked' }).click()
  await page.getByTestId('verdict').waitFor()
  expect(plain(await page.getByTestId('verdict').innerText())).toMatch(/Waking.*Wait: it should be ready from about Fri/)
})

test('later: the level and what is seen give a phase, a window and one sentence', async () => {
  await program.moveClock('2026-11-27T14:30:00.000Z')
  await page.reload()
  await page.getByTestId('verdict').waitFor()
  await type(page, 'Or typed', '2.3')
  await page.getByText('domed', { exact: true }).click()
  await page.getByText('many', { exact: true }).click()
  await page.getByRole('button', { name: /Save what you saw/ }).click()
  await page.getByRole('heading', { name: 'What you saw' }).waitFor()
  await page.waitForFunction(() => /Young|Climbing/.test(document.querySelector('[data-testid=verdict]')?.textContent ?? ''))
  expect(await ribbon()).toContain('last seen at ×2.3 on Fri 14:30')
  const words = plain(await page.getByTestId('verdict').innerText())
  expect(words).toMatch(/\d\d:\d\d – \d\d:\d\d ready to mix/)
})

test('at its peak: mix now, and the bake is in the record', async () => {
  await program.moveClock('2026-11-27T16:45:00.000Z')
  await page.reload()
  await page.getByTestId('verdict').waitFor()
  await type(page, 'Or typed', '3.2')
  await page.getByText('flat', { exact: true }).click()
  await page.getByRole('button', { name: /Save what you saw/ }).click()
  await page.waitForFunction(() => /Mix now/.test(document.querySelector('[data-testid=verdict]')?.textContent ?? ''))
  await page.getByRole('button', { name: 'Mixed', exact: true }).click()
  await page.getByRole('region', { name: 'In the record' }).waitFor()
  expect(await room()).toMatch(/When you mixed, Olvent saw it/)
})

test('everything survives a server that dies and comes back', async () => {
  const before = await stillWords(page, room)
  await program.kill()
  await program.start()
  await page.reload()
  await page.getByRole('region', { name: 'In the record' }).waitFor()
  expect(await stillWords(page, room)).toBe(before)
})

test('the dough’s day, told step by step until the bread is out', async () => {
  await page.getByRole('link', { name: 'Go to Bread' }).click()
  const day = page.getByRole('region', { name: 'The whole day' })
  await day.getByText('Fold 1').waitFor()
  await program.moveClock('2026-11-27T22:00:00.000Z')
  await page.reload()
  for (const step of ['Shape', 'Heat the oven', 'Into the oven', 'Lid off', 'Out of the oven']) {
    const row = day.getByRole('listitem').filter({ hasText: new RegExp(`^[^,]*${step}`) })
    await row.getByRole('button', { name: 'Done', exact: true }).click()
    await day.getByText(new RegExp(`^${step}.*, done$`)).waitFor()
  }
  await page.getByRole('link', { name: 'Bakes' }).click()
  await page.getByRole('heading', { name: 'Bakes', level: 1 }).waitFor()
  await page.getByRole('region', { name: 'In the record' }).waitFor()
  expect(plain(await page.getByRole('region', { name: 'In the record' }).innerText())).toContain('Two loaves')
})

test('the browser had nothing to complain about, inline scripts and styles included', () => {
  expect(window.complaints).toEqual([])
})
