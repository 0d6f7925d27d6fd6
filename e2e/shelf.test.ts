import { readFile } from 'node:fs/promises'
import type { Loose } from '../src/server/testing/testServer'
import { choose, closeBrowser, openWindow, type Program, plain, startProgram, type, until, type Window } from './support'

/** The shelf: counting, buying, a house mix, prices, what to buy. */
let program: Program
let window: Window
beforeAll(async () => {
  program = await startProgram({ now: '2026-11-27T09:12:00.000Z' })
  const first = {
    id: '00000000-0000-4000-8000-000000000001',
    timeZone: 'Europe/Lisbon',
    roomTempC: 22,
    sleep: { from: '22:30', to: '06:30' },
    jar: { id: '00000000-0000-4000-8000-000000000002', name: 'Pip', flour: 'white wheat', hydration: 1, grams: 100, lastFedAt: '2026-11-26T20:00:00.000Z' }
  }
  await fetch(`${program.address}/api/kitchen/first-run`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(first) })
  window = await openWindow()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const row = async (name: string) =>
  plain(
    await window.page
      .getByTestId('stock')
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .innerText()
  )

test('an empty shelf teaches; a flour is counted, and a feed draws it down', async () => {
  const { page } = window
  await page.goto(`${program.address}/shelf`)
  await page.getByText(/what they take stands here/).waitFor()
  await page.getByRole('button', { name: /^White wheat flour/ }).click()
  await type(page, 'There is', '400')
  await page.getByRole('button', { name: 'Counted' }).click()
  await page.getByText('400 g of White wheat flour in store.').waitFor()
  expect(await row('White wheat flour')).toMatch(/400 g nothing planned/)
  await page.getByRole('link', { name: 'Jars' }).click()
  await page.getByRole('button', { name: 'Feed Pip' }).click()
  await page.getByRole('button', { name: 'Fed like this' }).click()
  await page.getByText('Pip is fed.').waitFor()
  await page.getByRole('link', { name: 'Shelf' }).click()
  // 40 g fed; weekly from now on that is 4 times 40 in four weeks
  await page.getByText('360 g').first().waitFor()
  expect(await row('White wheat flour')).toMatch(/360 g takes 1[26]0 g lasts/)
})

test('a bake makes it short; the list has it in whole packs, and can be taken along', async () => {
  const { page } = window
  await page
    .getByTestId('stock')
    .getByRole('button', { name: /^White wheat flour/ })
    .click()
  await type(page, 'Price, EUR', '1.20')
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page.getByText('White wheat flour is kept.').waitFor()
  await page.getByRole('button', { name: 'New bake' }).click()
  await page.getByText('saved', { exact: true }).waitFor()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByText(/short Sat .*, Two loaves/).waitFor()
  const list = page.getByTestId('shopping')
  expect(plain(await list.innerText())).toMatch(/White wheat flour 1 × 1000 g \d+ g are missing/)
  expect(plain(await page.getByTestId('costs').innerText())).toMatch(/Two loaves from €1\.\d\d .* a piece, 2 of them/)
  const file = page.waitForEvent('download')
  await list.getByRole('button', { name: 'Markdown' }).click()
  const text = await readFile(await (await file).path(), 'utf8')
  expect(text).toMatch(/^# Shopping until .*\n\n- \[ \] White wheat flour: 1 × 1000/)
})

test('a house mix of white and rye, mixed in bulk, can be fed to the jar', async () => {
  const { page } = window
  await page.getByRole('button', { name: 'New blend' }).click()
  await type(page, 'Name', 'House mix')
  await page.getByRole('button', { name: 'Another flour' }).click()
  await choose(page, { name: 'Flour 2 of the blend' }, { name: 'Wholegrain rye flour' })
  await type(page, 'Parts of flour 2', '20')
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByText('House mix is kept.').waitFor()
  await page
    .getByTestId('stock')
    .getByRole('button', { name: /^House mix/ })
    .click()
  await type(page, 'So much of it', '500')
  await page.getByRole('button', { name: 'Mixed it' }).click()
  await page.getByText('500 g of House mix are mixed.').waitFor()
  expect(await row('House mix')).toMatch(/500 g nothing planned blend/)
  await page.getByRole('link', { name: 'Jars' }).click()
  await page.getByRole('button', { name: 'Feed Pip' }).click()
  await choose(page, { name: 'Flour 1 of the feed' }, { name: 'House mix' })
  await page.getByRole('button', { name: 'Fed like this' }).click()
  await page.getByText('Pip is fed.').waitFor()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByText('460 g').waitFor()
  await page.getByRole('link', { name: 'Jars' }).click()
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await page.getByText('500 g').first().waitFor()
})

test('what a flour is can be said, and taken back to what such flours are', async () => {
  const { page } = window
  await page
    .getByTestId('stock')
    .getByRole('button', { name: /^White wheat flour/ })
    .click()
  await type(page, 'Protein', '13')
  await page.getByText('as you said').waitFor()
  await type(page, 'Pace beside white', '9')
  await page.getByText('Pace beside white has to be a number from 0.3 to 3.').waitFor()
  await type(page, 'Pace beside white', '1.1')
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page.getByText('protein 13 %').waitFor()
  await page
    .getByTestId('stock')
    .getByRole('button', { name: /^White wheat flour/ })
    .click()
  await page.getByRole('button', { name: 'As its kind usually is' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page
    .getByTestId('stock')
    .getByRole('button', { name: /^White wheat flour/ })
    .getByText('protein about 10.5 %')
    .waitFor()
})

test('a new flour is asked whether it holds gluten, and takes its protein from the packet', async () => {
  const { page } = window
  await page.getByPlaceholder('Find by name').fill('Barley flour')
  await page.getByRole('button', { name: 'Another ingredient' }).click()
  const form = page.getByRole('dialog')
  const gluten = form.getByRole('radiogroup', { name: 'Does it hold gluten?' })
  // By its name it does, though it is no flour yet.
  expect(await gluten.getByRole('radio', { name: 'holds gluten' }).isChecked()).toBe(true)
  await choose(page, { name: 'Kind' }, { name: 'flour', exact: true })
  await gluten.getByText('gluten-free').click()
  await form.getByText('By its name it holds gluten.').waitFor()
  await gluten.getByText('holds gluten').click()
  await type(page, 'Protein in a serving', '4')
  await type(page, 'A serving weighs', '31')
  await form.getByRole('button', { name: 'Take 12.9 % of protein from the packet' }).click()
  await form.getByText('as you said').waitFor()
  // 4 ÷ 31
  expect(await form.getByRole('textbox', { name: 'Protein', exact: true }).inputValue()).toBe('12.9')
  await form.getByRole('button', { name: 'Save' }).click()
  const barley = async (): Promise<Loose | undefined> =>
    (await program.call('GET', '/api/ingredients')).ingredients.find((i: Loose) => i.ingredient.name === 'Barley flour')
  const saved = await until(barley, (found) => found !== undefined)
  expect(saved?.ingredient).toMatchObject({ kind: 'flour', flourKind: 'white wheat', allergens: ['gluten'] })
})

test('the browser had nothing to complain about', () => {
  expect(window.complaints).toEqual([])
})
