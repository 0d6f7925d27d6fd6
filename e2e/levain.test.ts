import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, setMix, startProgram, type, type Window } from './support'

/** The build: every school, every way to say how much seed, ladders, vessels, and pours in the order of the culture. */
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

const saved = () => page.getByText('saved', { exact: true }).waitFor()
const room = async () => plain(await page.locator('main').innerText())
const card = async (name: string | RegExp) => plain(await page.getByRole('region', { name }).innerText())
const pick = (label: string, option: string) => choose(page, { name: label, exact: true }, { name: option })

async function newBuild(): Promise<void> {
  await page.goto(program.address)
  await page.getByRole('button', { name: 'New bake' }).click()
  await page.waitForURL(/\/recipe/)
  await saved()
  await page.getByRole('link', { name: /^Levain/ }).click()
  await page.getByText('How you use the starter').waitFor()
}

test('each school has its sentence, its numbers, and what it leaves', async () => {
  await newBuild()
  await pick('How you use the starter', 'build it in the jar')
  await page.getByText('to the discard pot').first().waitFor()
  expect(await card(/^What stays in/)).toMatch(/0 ?g once the starter is out 20 ?g when you have mixed \d+ ?g to the discard pot/)
  await pick('How you use the starter', 'take some, refill the jar')
  // The jar gets back as much as is drawn, unless its baker says otherwise.
  const refill = page.getByTestId('refill')
  await refill.waitFor()
  const gramsOf = async (name: string) => Number(await refill.getByRole('textbox', { name, exact: true }).inputValue())
  const drawn = Number(/([\d.]+) ?g starter/.exec(await card(/^Weigh for the levain/))?.[1])
  expect(drawn).toBeGreaterThan(5)
  expect((await gramsOf('Flour')) + (await gramsOf('Water'))).toBe(Math.round(drawn))
  await pick('How you use the starter', 'save some for the jar')
  await page.getByText(/to save for the jar \+/).waitFor()
  await pick('How you use the starter', 'starter and old levain')
  await page.getByText('old levain', { exact: true }).waitFor()
  await saved()
})

test('ratio, inoculation, seed and spoons say the same amount in other words', async () => {
  await newBuild()
  await type(page, 'Or typed', '1:5')
  await page.getByText('1:5:5', { exact: true }).waitFor()
  await page.getByText('% of flour', { exact: true }).click()
  expect(await page.getByRole('textbox', { name: 'Starter as % of the flour' }).inputValue()).toBe('20')
  await page.getByText('grams', { exact: true }).first().click()
  await page.getByRole('textbox', { name: 'Starter you have' }).waitFor()
  await page.getByText('spoons', { exact: true }).click()
  await page.getByText(/That is 30 to 33\sg of starter/).waitFor()
  await page.getByText('ratio', { exact: true }).click()
  await type(page, 'Or typed', '1:4:3')
  // (3 + .5) / (4 + .5)
  await page.waitForFunction(() => document.querySelector('input[value="77.78"]') !== null)
  await saved()
})

test('all three amounts stay exactly as they were typed; the rest goes back to the jar, and nothing sticks where nothing does', async () => {
  await newBuild()
  await page.getByText('all three', { exact: true }).click()
  await type(page, 'Starter', '55')
  await type(page, 'Flour', '110')
  await type(page, 'Water', '110')
  await page.getByText('275\u202fg in all. They stay exactly so; what the dough does not take goes back to the jar.').waitFor()
  await type(page, 'Stuck to jar and spoon', '0')
  await page.getByText(/\+ 0\sg stuck to jar and spoon = 275\sg/).waitFor()
  expect(await card('Weigh for the levain')).toMatch(/55 ?g starter 110 ?g water 110 ?g/)
  // Too little of it is said with both figures.
  await type(page, 'Flour', '50')
  await type(page, 'Water', '50')
  await page.getByText(/^These amounts make 155 g, and \d+ g are needed with what sticks\./).waitFor()
  await type(page, 'Flour', '110')
  await type(page, 'Water', '110')
  await saved()
})

test('water as it is tells how warm the mix comes out', async () => {
  await type(page, 'Or with water of', '25')
  const mix = page.getByRole('textbox', { name: 'Fresh mix wanted at' })
  await page.waitForFunction(() => !/^24(\.0)?$/.test(document.querySelector<HTMLInputElement>('input[value^="2"]')?.value ?? '24'))
  const mixC = Number(await mix.inputValue())
  expect(mixC).toBeGreaterThan(19)
  expect(mixC).toBeLessThan(25)
  await saved()
})

test('a typed ratio that is none says how one looks', async () => {
  await page.getByText('ratio', { exact: true }).click()
  await type(page, 'Or typed', '1-4-3')
  await page.getByText('A ratio looks like 1:4:4.').waitFor()
})

test('a stiff blend: weighed flour by flour, flour before water, and the band is set', async () => {
  await newBuild()
  await page.getByText('stiff', { exact: true }).click()
  await page.getByRole('button', { name: 'Another flour' }).click()
  await pick('Flour 2 of the levain', 'Wholegrain rye flour')
  await page.getByText('Flour into the starter first, then the water.').waitFor()
  await page.getByRole('link', { name: /^Plan/ }).click()
  await setMix(page, 27, '18', '00')
  await saved()
  await page.getByRole('link', { name: /^Weigh/ }).click()
  const seen: string[] = []
  for (let i = 0; i < 4; i++) {
    seen.push(plain(await page.getByTestId('pour').getByRole('heading', { level: 2 }).innerText()))
    await page.getByRole('button', { name: /^Poured/ }).click()
    await page.waitForTimeout(250)
  }
  expect(seen).toEqual(['Starter from Juno', 'White wheat flour', 'Wholegrain rye flour', 'Water'])
  await page.getByRole('button', { name: 'The level is marked' }).click()
  await page.getByTestId('verdict').waitFor()
  await page.getByRole('link', { name: /^Levain/ }).click()
  expect(await card('What went into the levain')).toMatch(/wholegrain rye flour/)
})

test('a jar too small gets a ladder with its times, never below what is kept', async () => {
  await newBuild()
  await page.getByText('grams', { exact: true }).first().click()
  await type(page, 'Starter you have', '150')
  await page.getByRole('region', { name: 'Grow the starter first' }).waitFor()
  const words = await card('Grow the starter first')
  expect(words).toMatch(/Juno can spare \d+ g, and 150 g are needed: one stage before the build/)
  const [, seed = '999'] = words.match(/1:[\d.]+:[\d.]+ ([\d.]+) g/) ?? []
  const [, spare = '0'] = words.match(/can spare (\d+) g/) ?? []
  expect(Number(seed)).toBeLessThanOrEqual(Number(spare) + 0.05)
  await saved()
  await page.getByRole('button', { name: 'Feed Juno like this' }).click()
  await page.getByRole('dialog').getByText('Nothing is discarded.').waitFor()
  await page.getByRole('button', { name: 'Fed like this' }).click()
  await page.getByRole('region', { name: 'Grow the starter first' }).waitFor({ state: 'detached' })
})

test('more seed than levain is told, and kept as typed', async () => {
  await type(page, 'Starter you have', '5000')
  await page
    .getByText(/as much as the whole levain/)
    .first()
    .waitFor()
  await page.getByText('not saved yet').waitFor()
})

test('a vessel too small foams over, and one that fits is named', async () => {
  await newBuild()
  await choose(page, { name: 'Vessel' }, { name: /Small jar/ })
  await page.getByText(/Small jar would be \d+\s% full at the peak and foam over\. \w+ \w+ fits\./).waitFor()
  await saved()
})

test('a vessel of one’s own is told in Kitchen and is there at once', async () => {
  await page.goto(`${program.address}/kitchen/vessels`)
  await page.getByRole('button', { name: 'Another vessel' }).click()
  await page.getByRole('region', { name: 'Vessels' }).getByRole('button', { name: 'Save' }).click()
  await page.getByText('A name is needed.').waitFor()
  await page.getByRole('region', { name: 'Vessels' }).getByRole('textbox', { name: 'Name' }).fill('Blue pot')
  await type(page, 'Holds, ml', '3000')
  await page.getByRole('region', { name: 'Vessels' }).getByRole('button', { name: 'Save' }).click()
  await page.getByText('Blue pot is kept.').waitFor()
  await page.getByRole('region', { name: 'Vessels' }).getByText('Blue pot').first().waitFor()
})

test('an ingredient is changed, and goes back to what it was', async () => {
  await page.goto(`${program.address}/shelf`)
  await page.getByRole('region', { name: 'Ingredients' }).getByRole('textbox', { name: 'Find an ingredient' }).fill('honey')
  await page
    .getByRole('region', { name: 'Ingredients' })
    .getByRole('button', { name: /^Honey/ })
    .click()
  await type(page, 'Water in it', '20')
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page.getByText('20 % water · changed').waitFor()
  await page
    .getByRole('region', { name: 'Ingredients' })
    .getByRole('button', { name: /^Honey/ })
    .click()
  await page.getByRole('button', { name: 'Back to what it was' }).click()
  await page.getByText('17 % water', { exact: true }).waitFor()
})

test('one levain for two doughs: summed in the build, divided at the mix', async () => {
  await newBuild()
  await page.getByRole('button', { name: 'Another dough takes of it' }).click()
  await type(page, 'Other dough 1', 'pancakes')
  await type(page, 'Levain for other dough 1', '120')
  await page.getByText(/g for the dough \+ 120\sg for pancakes \+/).waitFor()
  await saved()
  expect(await room()).not.toContain('NaN')
})

test('the browser had nothing to complain about', () => {
  expect(window.complaints).toEqual([])
})
