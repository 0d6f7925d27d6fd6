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

const chip = (words: string) => page.getByText(words, { exact: true }).click()
const open = () => page.getByRole('button', { name: 'Open the kitchen' }).click()

test('the questions follow from where the starter is, and none of Lantern Street', async () => {
  await page.goto(program.address)
  await page.getByRole('heading', { name: 'Your kitchen' }).waitFor()
  expect(await page.locator('body').innerText()).not.toContain('Lantern')
  expect(await page.getByRole('textbox', { name: 'Last fed' }).count()).toBe(0)
  await open()
  await page.getByText('Say where your starter is: the rest follows from that.').waitFor()
  await chip('I have none yet')
  await page.getByText('Flour, water and about ten days make one. The next screen shows the first day.').waitFor()
  expect(await page.getByText('When would you like bread?').count()).toBe(0)
  await chip('On the worktop')
  await page.getByText('When would you like bread?').waitFor()
})

test('a jar without a name is asked for, and nothing typed is lost', async () => {
  await type(page, 'How much is in it', '120')
  await type(page, 'Name of the jar', '')
  await open()
  await page.getByText(/Give the jar a name/).waitFor()
  expect(await page.getByRole('textbox', { name: 'How much is in it' }).inputValue()).toBe('120')
})

test('a figure that cannot be opens no kitchen: the window goes to it and says why, and it stays as typed', async () => {
  await type(page, 'Name of the jar', 'Pip')
  for (const [name, wrong, right] of [
    ['How much is in it', '0', '120'],
    ['Kitchen', '210', '23']
  ] as const) {
    const field = page.getByRole('textbox', { name, exact: true })
    await field.fill(wrong)
    await open()
    await page.getByText(/has to be a number from/).waitFor()
    expect(await field.evaluate((input: HTMLInputElement) => [input === document.activeElement, input.validity.valid, input.value])).toEqual([
      true,
      false,
      wrong
    ])
    await field.fill(right)
  }
  expect((await program.call('GET', '/api/kitchen')).kitchen).toBeNull()
})

test('answered, it opens on an empty Today with the one button; what was not said is a guess', async () => {
  await type(page, 'Last fed', '12')
  await page.getByText(/That was Thu 02:40\./).waitFor()
  await open()
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  expect(plain(await page.getByRole('region', { name: 'Jars' }).innerText())).toMatch(/Pip 120 g · white wheat 100 % Worktop · fed 12 h ago \(partly a guess\)/)
  const { places } = (await program.call('GET', '/api/kitchen')).kitchen
  expect(places.map((p: { tempC: number; guessed: boolean }) => [p.tempC, p.guessed])).toEqual([
    [23, false],
    [4, true]
  ])
})

test('what was guessed is put right, and the jar follows', async () => {
  await page.getByRole('link', { name: /Pip/ }).first().click()
  await page.getByText('A guess so far: how thick it is. The forecasts are as good as that.').waitFor()
  await page.getByRole('button', { name: 'Put it right' }).click()
  await chip('like paste')
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByText('Pip is corrected, and what followed with it.').waitFor()
  await page.getByText('white wheat 70 %', { exact: true }).waitFor()
  expect(await page.getByText('A guess so far').count()).toBe(0)
  // Undone, it is as it was told at first.
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.getByText('white wheat 100 %', { exact: true }).waitFor()
})

test('the same walk begins from here', async () => {
  await page.getByRole('link', { name: 'Today' }).click()
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
