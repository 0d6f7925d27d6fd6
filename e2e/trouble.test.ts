import type { Page } from 'playwright-core'
import { closeBrowser, openWindow, type Program, plain, startProgram, type } from './support'

/** What goes wrong in a kitchen: slips, two windows, a server that is gone. */
let program: Program
let page: Page
beforeAll(async () => {
  program = await startProgram({ demo: true })
  page = (await openWindow()).page
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const flour = () => page.getByRole('textbox', { name: 'White wheat flour, grams' }).inputValue()
const saved = (p: Page) => p.getByText('saved', { exact: true }).waitFor()

async function newBake(): Promise<void> {
  await page.goto(program.address)
  await page.getByRole('button', { name: 'New bake' }).click()
  await page.waitForURL(/\/recipe/)
  await saved(page)
}

test.each([
  ['Hydration', '-5', 'Hydration has to be a number from 5 to 300 %.'],
  ['Hydration', '', 'Hydration has to be a number'],
  ['Hydration', 'wet', 'Hydration has to be a number'],
  ['Hydration', '1e9', 'Hydration has to be a number'],
  ['Salt', '9999', 'Salt has to be a number from 0 to 20 %.'],
  ['Water held back', '99', 'Water held back has to be a number from 0 to 50 %.']
])('%s of %j: a sentence, and the last good figure holds', async (label, text, sentence) => {
  if (!page.url().includes('/recipe')) await newBake()
  const before = await flour()
  await type(page, label, text)
  await page.getByText(sentence).first().waitFor()
  expect(await flour()).toBe(before)
  await page.reload()
})

test('salt three times over is asked about, not refused', async () => {
  await newBake()
  await type(page, 'Salt', '6.3')
  await page.getByText(/looks like 2.1\s% three times over/).waitFor()
  await saved(page)
})

test('a dough that cannot be says why, and what was typed is still there after a reload', async () => {
  await newBake()
  await type(page, 'Levain, 100 %, %', '280')
  await type(page, 'Hydration', '40')
  await page
    .getByText(/brings more water than a dough/)
    .first()
    .waitFor()
  await page.getByText('not saved yet').waitFor()
  await page.reload()
  await page
    .getByText(/brings more water than a dough/)
    .first()
    .waitFor()
  expect(await page.getByRole('textbox', { name: 'Levain, 100 %, %' }).inputValue()).toBe('280')
})

test('an edit is undone with Ctrl Z or its button', async () => {
  await newBake()
  await type(page, 'Hydration', '81')
  await saved(page)
  await page.getByRole('button', { name: 'Undo the last change' }).click()
  await page.waitForFunction(() => document.querySelector('input[value="72"]') !== null)
})

test('two windows change one bake: what each changed stays, and only the same is asked about', async () => {
  // This window does not hear of the other one while it is being typed in.
  await page.route('**/api/live', (route) => route.abort())
  await newBake()
  const { page: other } = await openWindow()
  await other.goto(page.url())
  await saved(other)
  await type(other, 'Hydration', '66')
  await saved(other)
  await page.evaluate(() => window.dispatchEvent(new Event('blur')))
  await type(page, 'Salt', '1.9')
  await page.getByText('Both changes are kept').waitFor()
  await saved(page)
  const figure = (name: string) => page.getByRole('textbox', { name, exact: true }).inputValue()
  expect([await figure('Hydration'), await figure('Salt')]).toEqual(['66', '1.9'])
  // Now both type into the same cell.
  await other.reload()
  await saved(other)
  await type(other, 'Hydration', '68')
  await saved(other)
  await type(page, 'Hydration', '71')
  const dialog = page.getByRole('dialog')
  await dialog.getByText('Another window changed the same figures').waitFor()
  expect(plain(await dialog.innerText())).toMatch(/Hydration 71 % 68 %/)
  expect(plain(await dialog.innerText())).not.toContain('Salt')
  await page.keyboard.press('Escape')
  await dialog.getByRole('button', { name: 'Use what is here' }).click()
  await saved(page)
  await other.reload()
  await other.waitForFunction(() => document.querySelector('input[value="71"]') !== null)
  await page.unroute('**/api/live')
})

test('the server is gone: it is said, what is typed is kept, and it is sent once the server is back', async () => {
  await newBake()
  const address = page.url()
  await program.kill()
  await type(page, 'Hydration', '77')
  await page.getByText(/server does not answer\. One entry is kept/).waitFor()
  await program.start()
  await page.getByText(/does not answer/).waitFor({ state: 'detached' })
  await saved(page)
  const { page: fresh } = await openWindow()
  await fresh.goto(address)
  await fresh.waitForFunction(() => document.querySelector('input[value="77"]') !== null)
})

test('pours while the server is gone arrive once, in order', async () => {
  await page.goto(program.address)
  await page.getByRole('link', { name: 'Bakes' }).click()
  await page.getByRole('link', { name: /Market rolls/ }).click()
  await page.getByRole('link', { name: /^Weigh/ }).click()
  await page.getByRole('heading', { name: 'Starter from Juno' }).waitFor()
  await program.kill()
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByRole('heading', { name: 'Water' }).waitFor()
  await page.getByRole('button', { name: /^Poured/ }).click()
  await page.getByRole('heading', { name: 'White wheat flour' }).waitFor()
  await page.getByText(/2 entries are kept/).waitFor()
  await program.start()
  await page.getByText(/does not answer/).waitFor({ state: 'detached' })
  const id = page.url().split('/')[4]
  const poured = async () => ((await (await fetch(`${program.address}/api/bakes/${id}`)).json()) as { events: { item: string }[] }).events.map((e) => e.item)
  for (let tries = 0; tries < 50 && (await poured()).length < 2; tries++) await page.waitForTimeout(100)
  await page.waitForTimeout(2500)
  expect(await poured()).toEqual(['seed', 'water'])
})

test('more seed than the jar holds cannot be poured: it is said why, and the right figure goes on', async () => {
  await newBake()
  await page.goto(page.url().replace('/recipe', '/weigh'))
  const scale = page.getByLabel('What the scale shows')
  await scale.fill('3000')
  await scale.press('Enter')
  await page.getByText(/holds .* cannot have come out of it/).waitFor()
  const poured = page.getByRole('button', { name: /^Poured/ })
  expect(await poured.isDisabled()).toBe(true)
  expect(await page.getByTestId('mis-pour').count()).toBe(0)
  await scale.fill('20')
  await scale.press('Enter')
  await page.getByText(/cannot have come out of it/).waitFor({ state: 'detached' })
})

test('a bake taken away can be brought back at once', async () => {
  await newBake()
  await page.getByRole('button', { name: 'More for this bake' }).click()
  await page.getByRole('menuitem', { name: 'Remove this bake' }).click()
  await page.getByText(/^Two loaves.* was removed\.$/).waitFor()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByRole('region', { name: 'On the way' }).getByText('Two loaves').first().waitFor()
})

test('wrong addresses: a page, a bake', async () => {
  await page.goto(`${program.address}/cellar`)
  await page.getByText('There is no such page').waitFor()
  await page.goto(`${program.address}/bakes/nonsense`)
  await page.getByText('This bake could not be opened').waitFor()
})

test('ounces, Fahrenheit and twelve hours are everywhere', async () => {
  await page.goto(`${program.address}/kitchen/habits`)
  await page.getByText('oz', { exact: true }).click()
  await page.getByText('°F', { exact: true }).click()
  await page.getByText('12 h', { exact: true }).click()
  await page.getByText(/26\.46\soz, 75\.2\s°F/).waitFor()
  await newBake()
  expect(await flour()).toMatch(/^\d+\.\d\d$/)
  expect(plain(await page.locator('main').innerText())).toMatch(/\d oz/)
  await page.getByRole('link', { name: /^Plan/ }).click()
  await page.getByText('What to expect').waitFor()
  const words = plain(await page.locator('main').innerText())
  expect(words).toMatch(/(AM|PM)/)
  expect(words).not.toMatch(/\d (g|°C)\b/)
})
