import { readFile } from 'node:fs/promises'
import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, startProgram, type, until, type Window } from './support'

/** The dough: a grid that answers like a spreadsheet, pre-ferments, recipes of others, the library. */
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

const cell = (name: string) => page.getByRole('textbox', { name, exact: true })
const value = (name: string) => cell(name).inputValue()
const saved = () => page.getByText('saved', { exact: true }).waitFor()
const becomes = (name: string, expected: string | RegExp) =>
  until(
    () => value(name),
    (now) => (typeof expected === 'string' ? now === expected : expected.test(now))
  )
const unfold = (name: string) => page.getByRole('button', { name, exact: false }).and(page.locator('[aria-expanded]')).first().click()

async function newBake(): Promise<void> {
  await page.goto(program.address)
  await page.getByRole('button', { name: 'New bake' }).click()
  await page.waitForURL(/\/recipe/)
  await saved()
}

describe('cells', () => {
  test('a sum is reckoned, the only flour sets the size, and the others answer', async () => {
    await newBake()
    await cell('White wheat flour, grams').fill('500*2')
    // 72 % and 2 % on all flour, 20 % levain at 100 %: k 1.1, water .692, salt .022: 692, 22, 200 g
    await becomes('Water, grams', '692')
    expect([await value('Levain, 100 %, grams'), await value('Salt, grams')]).toEqual(['200', '22.0'])
    await cell('White wheat flour, grams').blur()
    await becomes('White wheat flour, grams', '1000')
    await saved()
    // The rest of the sheet follows the grid when there is time.
    await until(
      () => page.getByRole('combobox', { name: 'Size the dough by' }).inputValue(),
      (known) => known === 'flour to be added'
    )
  })
  test('arrows and Enter move, and what is typed in a % cell stands', async () => {
    await cell('Water, %').focus()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.type('30')
    await page.keyboard.press('Enter')
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toBe('Salt, %')
    await page.keyboard.press('ArrowRight')
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toBe('Salt, grams')
    await becomes('Levain, 100 %, grams', '300')
    await saved()
  })
  test('Escape takes back what is being typed, Ctrl Z the edit before, Ctrl Y brings it again', async () => {
    await cell('Water, %').focus()
    await page.keyboard.type('5')
    await becomes('Water, grams', '50')
    await page.keyboard.press('Escape')
    await becomes('Water, grams', /^6\d\d$/)
    await saved()
    await page.waitForTimeout(1300)
    const before = await value('Water, %')
    await cell('Water, %').fill('80')
    await saved()
    await cell('Water, %').press('Control+z')
    await becomes('Water, %', before)
    await cell('Water, %').press('Control+y')
    await becomes('Water, %', '80')
    // At once after typing, before the sheet has caught up: it is that edit that is taken back, and no other.
    await cell('Water, %').fill('85')
    await cell('Water, %').press('Control+z')
    await becomes('Water, %', '80')
    await cell('Water, %').press('Control+z')
    await becomes('Water, %', before)
  })
  test('what cannot be says why, stays as typed, and nothing is stored', async () => {
    await saved()
    await cell('Water, grams').fill('99999999')
    await cell('White wheat flour, grams').fill('12 cups')
    expect(await cell('White wheat flour, grams').getAttribute('aria-invalid')).toBe('true')
    expect(await value('White wheat flour, grams')).toBe('12 cups')
    await page.reload()
    await becomes('White wheat flour, grams', '1000')
  })
})

describe('lines', () => {
  test('an ingredient is found by another of its names; its water is counted', async () => {
    await newBake()
    const water = Number(await value('Water, grams'))
    await page.getByRole('button', { name: 'Ingredient', exact: true }).click()
    await page.getByRole('textbox', { name: 'Find an ingredient' }).fill('whole milk')
    await page.keyboard.press('Enter')
    await cell('Milk, %').fill('10')
    await becomes('Water, grams', new RegExp(`^${String(Math.round(water * 0.85)).slice(0, 1)}`))
    expect(Number(await value('Water, grams'))).toBeLessThan(water - 50)
    expect(plain(await page.getByRole('region', { name: 'What is really in it' }).innerText())).toContain('Contains gluten, milk.')
  })
  test('a poolish takes its flour and water out of the dough’s own', async () => {
    const flour = Number(await value('White wheat flour, grams'))
    await page.getByRole('button', { name: 'Pre-ferment or soaker' }).click()
    await page.getByRole('menuitem', { name: 'Poolish' }).click()
    await cell('Poolish, %').fill('20')
    await becomes('White wheat flour, grams', String(Math.round(flour * 0.8)))
    await page
      .getByText(/and \d+ g ahead/)
      .first()
      .waitFor()
    await cell('Instant yeast, parts').fill('0.2')
    await page.getByRole('button', { name: 'A scald within' }).click()
    await cell('Scald, parts').waitFor()
    await saved()
  })
  test('how a figure came about unfolds, and its steps are those of the dough', async () => {
    await unfold('Water')
    const words = plain(await page.locator('dl').first().innerText())
    expect(words).toMatch(/72 % of the \d+ g of flour in all/)
    expect(words).toMatch(/comes with levain already/)
    await unfold('Water')
  })
  test('a line is moved by its grip with the keys', async () => {
    const order = () => page.locator('input[aria-label$=", grams"]').evaluateAll((all) => all.map((i) => i.getAttribute('aria-label')))
    const before = await order()
    await page.getByRole('button', { name: 'Move Salt' }).focus()
    await page.keyboard.press('Space')
    await page.waitForTimeout(150)
    await page.keyboard.press('ArrowUp')
    await page.waitForTimeout(250)
    await page.keyboard.press('Space')
    await page.waitForTimeout(300)
    const after = await order()
    expect(after.indexOf('Salt, grams')).toBe(before.indexOf('Salt, grams') - 1)
    await saved()
  })
  test('changing the base keeps every gram of it', async () => {
    const grams = () => page.locator('input[aria-label$=", grams"]').evaluateAll((all) => all.map((i) => (i as HTMLInputElement).value))
    const before = await grams()
    await choose(page, { name: 'Percentages of' }, { name: 'all flour, levain’s too' })
    await page.getByText(/The levain is given as its share/).waitFor()
    expect(await grams()).toEqual(before)
    await saved()
  })
})

test('from the levain at hand: the dough follows', async () => {
  await newBake()
  await choose(page, { name: 'Size the dough by' }, { name: 'ripe levain at hand' })
  await type(page, 'ripe levain at hand', '300')
  await becomes('Levain, 100 %, grams', '300')
  await becomes('White wheat flour, grams', '1500')
})

test('a tin and a flatbread know their dough', async () => {
  await newBake()
  await page.getByRole('button', { name: 'Shape of size 1' }).click()
  await choose(page, { name: 'Shape' }, { name: 'Flatbread, thin' })
  await type(page, 'Across, cm', '30')
  // 707 cm² at .37 g, to 5 g
  await page.getByRole('button', { name: /^Take 260/ }).click()
  expect(await page.getByRole('textbox', { name: 'Weight of a piece, size 1' }).inputValue()).toBe('260')
})

describe('a recipe somebody else wrote', () => {
  test('is read line by line; what is not clear is asked, and nothing changes until it is taken', async () => {
    await newBake()
    const before = await value('White wheat flour, grams')
    await page.getByRole('button', { name: 'Read a recipe' }).click()
    await page
      .getByRole('textbox', { name: 'The recipe' })
      .fill('For the dough\n500 g flour\n1 cup rye\n375 g water\n120 g levain (100% hydration)\na pinch of salt\nBake 40 min')
    const dialog = page.getByRole('dialog')
    await dialog.getByText('3 lines need an ingredient').waitFor()
    await dialog.getByText('Wholegrain rye flour, 113 to 138 g: marked until weighed').waitFor()
    await dialog.getByText('not used: 100%').waitFor()
    await choose(dialog, { name: 'Which ingredient is 500 g flour' }, { name: 'Strong white flour' })
    await type(page, 'How much Salt', '12')
    await dialog.getByRole('button', { name: 'Leave Bake 40 min out' }).click()
    await dialog.getByText('true hydration').waitFor()
    // (375 + 60) / (500 + 125 + 60) flour
    expect(plain(await dialog.innerText())).toMatch(/63\.5 % true hydration 1\.75 % true salt/)
    expect(await value('White wheat flour, grams')).toBe(before)
    await choose(dialog, { name: 'Percentages of' }, { name: 'as written' })
    await dialog.getByRole('button', { name: 'Use it' }).click()
    await becomes('Strong white flour, grams', '500')
    await page.getByText('± 10 % until weighed').waitFor()
    await saved()
  })
  test('once weighed the mark is gone', async () => {
    await unfold('Wholegrain rye flour')
    await page.getByRole('button', { name: 'It is weighed now' }).click()
    await page.getByText('until weighed').waitFor({ state: 'detached' })
  })
})

test('a dough that becomes gluten-free says at once what would bring gluten into it, and is not saved so', async () => {
  await newBake()
  await choose(page, { name: 'Kind' }, { name: 'gluten-free' })
  await page.getByText(/^Marked gluten-free, and .* would bring gluten into it/).waitFor()
  await page.getByText('not saved yet').waitFor()
  await choose(page, { name: 'Kind' }, { name: 'wheat' })
  await page.getByText('saved', { exact: true }).waitFor()
  expect(await page.getByText(/^Marked gluten-free/).count()).toBe(0)
})

describe('the library', () => {
  test('a dough is kept, kept again as a second version, and stands beside another', async () => {
    await newBake()
    for (const [hydration, words, button] of [
      ['70', 'is in the library', 'Save as a recipe'],
      // Once the library knows it by its name.
      ['75', 'has a new version', 'Save as a new version']
    ] as const) {
      await type(page, 'Hydration', hydration)
      await page.getByRole('button', { name: 'Recipes', exact: true }).click()
      await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('Corner loaf')
      await page.getByRole('button', { name: button }).click()
      await page.getByText(`Corner loaf ${words}`).waitFor()
    }
    await page.goto(`${program.address}/recipes`)
    await page.getByRole('button', { name: /Corner loaf/ }).click()
    await page.getByText('75 %').first().waitFor()
    await choose(page, { name: 'Version' }, { name: /^1,/ })
    await page.getByText('This is version 1; the newest is 2.').waitFor()
    await choose(page, { name: 'Beside' }, { name: 'Rye tin' })
    expect(plain(await page.getByRole('dialog').innerText())).toMatch(/Wholegrain rye flour – [\d ]+ g · 85\.1 %/)
    await page.keyboard.press('Escape')
    // Its own newer version beside it, in grams: 70 and 75 % of all flour in a dough of the same size.
    await choose(page, { name: 'Beside' }, { name: 'Corner loaf, version 2' })
    expect(plain(await page.getByRole('dialog').innerText())).toMatch(/Water (\d+) g · [\d.]+ % (?!\1 g)\d+ g/)
    await page.keyboard.press('Escape')
  })
  test('out as a file and in again: the same formula', async () => {
    await page.getByRole('button', { name: /Market rolls and a crown/ }).click()
    await page.getByRole('heading', { name: 'Market rolls and a crown' }).waitFor()
    const card = page.locator('article')
    const before = plain(await card.innerText())
    await page.getByRole('button', { name: 'More for this recipe' }).click()
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: /JSON\), complete/ }).click()])
    const json = await readFile((await download.path()) ?? '', 'utf8')
    expect(download.suggestedFilename()).toBe('Market rolls and a crown.json')
    await page.getByRole('button', { name: 'Read a recipe or a file' }).click()
    await page.getByRole('textbox', { name: 'The recipe' }).fill(json.replace('Market rolls and a crown', 'Rolls come home'))
    await page.getByRole('button', { name: 'Use it' }).click()
    await page.getByRole('heading', { name: 'Rolls come home' }).waitFor()
    expect(plain(await card.innerText()).replace('Rolls come home', 'Market rolls and a crown')).toBe(before)
  })
  test('a damaged file says what is wrong with it', async () => {
    await page.getByRole('button', { name: 'Read a recipe or a file' }).click()
    await page.getByRole('textbox', { name: 'The recipe' }).fill('{"format": "olvent-formula", "formatVersion": 1, "name": 5}')
    await page.getByText('A name is needed.').waitFor()
    await page.getByRole('textbox', { name: 'The recipe' }).fill('{"format": ')
    await page.getByText('cut off or damaged').waitFor()
    await page.keyboard.press('Escape')
  })
  test('a formula is baked from', async () => {
    await page.getByRole('button', { name: /Rye tin/ }).click()
    await page.getByRole('button', { name: 'Bake this' }).click()
    await page.waitForURL(/\/recipe/)
    await saved()
    await page.getByRole('link', { name: /^Levain/ }).click()
    expect(await page.getByRole('combobox', { name: 'Jar' }).inputValue()).toMatch(/Bramble/)
  })
})

test('the browser had nothing to complain about', () => {
  expect(window.complaints).toEqual([])
})
