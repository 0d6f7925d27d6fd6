import type { Page } from 'playwright-core'
import { closeBrowser, openWindow, type Program, plain, startProgram, type } from './support'

/** `npm start`: the baker's own, empty kitchen. */
let program: Program
let page: Page
beforeAll(async () => {
  program = await startProgram()
  page = (await openWindow()).page
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

test('four questions, and none of Lantern Street', async () => {
  await page.goto(program.address)
  await page.getByRole('heading', { name: /four questions/ }).waitFor()
  expect(await page.locator('body').innerText()).not.toContain('Lantern')
})

test('a jar without a name is asked for, and nothing typed is lost', async () => {
  await type(page, 'How much is in it', '120')
  await page.getByRole('button', { name: 'Open the kitchen' }).click()
  await page.getByText(/Give your jar a name/).waitFor()
  expect(await page.getByRole('textbox', { name: 'How much is in it' }).inputValue()).toBe('120')
})

test('a figure that cannot be opens no kitchen: the window goes to it and says why, and it stays as typed', async () => {
  await type(page, 'Name of the jar', 'Pip')
  const grams = page.getByRole('textbox', { name: 'How much is in it' })
  await grams.fill('0')
  await page.getByRole('button', { name: 'Open the kitchen' }).click()
  await page.getByText(/has to be a number from 1/).waitFor()
  expect(await grams.evaluate((field: HTMLInputElement) => [field === document.activeElement, field.validity.valid, field.value])).toEqual([true, false, '0'])
  await grams.fill('120')
})

test('answered, it opens on an empty Today with the one button', async () => {
  await type(page, 'Name of the jar', 'Pip')
  await page.getByText('half a day ago').click()
  await type(page, 'How warm the room is', '23')
  await page.getByRole('button', { name: 'Open the kitchen' }).click()
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  expect(plain(await page.getByRole('region', { name: 'Jars' }).innerText())).toMatch(/Pip 120 g · white wheat 100 % Counter · fed 12 h ago/)
})

test('the same walk begins from here', async () => {
  await page.getByRole('main').getByRole('button', { name: 'New bake' }).click()
  await page.getByText('What is really in it').waitFor()
  await page.getByRole('link', { name: /^Levain/ }).click()
  await page.getByText('What stays in Pip').waitFor()
  expect(await page.getByRole('combobox', { name: 'Jar' }).inputValue()).toMatch(/Pip/)
  await page.getByRole('link', { name: /^Plan/ }).click()
  await page.getByText('What to expect').waitFor()
  expect(plain(await page.locator('main').innerText())).toMatch(/Begin the build (Thu|Fri) \d\d:\d\d/)
})

test('a feed from here is in the book, and can be undone', async () => {
  await page.getByRole('link', { name: /^Levain/ }).click()
  await page.getByRole('button', { name: 'Feed Pip' }).click()
  await type(page, 'Keep', '20')
  await page.getByRole('button', { name: 'Fed like this' }).click()
  await page.getByText('Pip is fed.').waitFor()
  await page.waitForFunction(() => /: 100/.test(document.querySelector<HTMLInputElement>('input[value^="Pip"]')?.value ?? ''))
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByRole('link', { name: 'Today' }).click()
  await page.getByText(/fed 12/).waitFor()
})

test('a second window finds the kitchen open', async () => {
  const { page: second } = await openWindow()
  await second.goto(program.address)
  await second.getByTestId('next').waitFor()
})
