import { closeBrowser, openWindow, type Program, plain, startProgram, type Window } from './support'

/** Questions are found by the words people use, and answered with this kitchen's own facts first. */
let program: Program
let window: Window

beforeAll(async () => {
  program = await startProgram({ demo: true })
})
beforeEach(async () => {
  window = await openWindow()
  await window.page.goto(program.address)
  await window.page.getByTestId('ribbon').waitFor()
})
afterEach(async () => {
  expect(window.complaints).toEqual([])
  await window.close()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

test.each([
  ['hooch', 'There is dark liquid on my starter'],
  ['protein', 'How much protein does my flour have?'],
  ['backup', 'How do I keep a copy of my kitchen?']
])('“%s” is found, and leads to its page', async (typed, asks) => {
  const { page } = window
  await page.keyboard.press('Control+k')
  await page
    .getByRole('textbox', { name: /Find anything/i })
    .or(page.getByPlaceholder(/bake, jar/i))
    .first()
    .fill(typed)
  await page.getByRole('button', { name: asks }).click()
  await page.getByRole('heading', { name: asks }).waitFor()
})

test('hunger is answered with what the jars of this kitchen do, to the same figures as their own page', async () => {
  const { page } = window
  await page.goto(`${program.address}/questions/hooch`)
  const answer = page.getByTestId('answer')
  await answer.getByRole('link', { name: /^Juno was fed/ }).waitFor()
  const told = plain(await answer.innerText())
  expect(told).toMatch(
    /Juno was fed 1:[\d.]+:[\d.]+ Thu 03:\d\d, and stands at \d+ °C: it is at its peak after about .* and hungry after about .*\. It is hungry now\./
  )
  // The dried one has nothing to say.
  expect(told).not.toContain('Juno, dried')
  await answer.getByRole('link', { name: /^Juno was fed/ }).click()
  await page.getByRole('heading', { name: 'Juno' }).waitFor()
})

test('protein from the packet: 4 g in 31 g, and other servings', async () => {
  const { page } = window
  await page.goto(`${program.address}/questions/protein`)
  await page.getByText('12.9 %', { exact: true }).waitFor()
  await page.getByRole('textbox', { name: 'Protein in a serving' }).fill('12')
  await page.getByRole('textbox', { name: 'A serving weighs' }).fill('100')
  await page.keyboard.press('Tab')
  await page.getByText('12 %', { exact: true }).waitFor()
})
