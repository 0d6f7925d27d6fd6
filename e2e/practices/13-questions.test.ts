import type { Loose } from '../../src/server/testing/testServer'
import { plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * Somebody with questions, in a kitchen of their own: each is found by the words they use, answered first with what their jar does, and its button leads to
 * where it is done. A jar fed 1:1:1 thirty hours ago stands at 26 °C. In the kitchen of New York, five hours behind UTC.
 */
const baker = practiceBaker()
const answer = () => baker.page.getByTestId('answer')

/** Looks for some words under Find anything, and opens the question. @returns all that its page says */
async function ask(typed: string, asks: string): Promise<string> {
  const { page } = baker
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder(/bake, jar/i).fill(typed)
  await baker.click(page.getByRole('button', { name: asks }))
  await page.getByRole('heading', { name: asks }).waitFor()
  return plain(await answer().innerText())
}

test('a warm kitchen, and a jar that was fed one to one', async () => {
  const { page } = baker
  await baker.openKitchen('30', async () => {
    await baker.fill('How much is in it', '90')
    await baker.fill('Fed how, if you know it', '1:1:1')
    await baker.fill('Kitchen', '26')
  })
  await page.getByRole('article', { name: 'Starter' }).waitFor()
})

test.each([
  ['hooch', 'There is dark liquid on my starter'],
  ['bubbly', 'It bubbles but does not rise'],
  ['flat by noon', 'It is flat by noon in summer'],
  ['how often', 'How often do I feed it?'],
  ['forgot', 'I forgot it for a month']
])('“%s” is answered with what this jar does', async (typed, asks) => {
  const words = await ask(typed, asks)
  await until(
    async () => plain(await answer().innerText()),
    (told) => /Starter was fed 1:1:1 Wed \d\d:\d\d, and stands at 26 °C: .* hungry after about \d+ h/.test(told)
  )
  // Health is nobody’s matter here.
  expect(words).not.toMatch(/health|gut|digest|diabet|immun/i)
})

test('the figures are those of its own page', async () => {
  const { page } = baker
  await ask('hooch', 'There is dark liquid on my starter')
  const told = await until(
    async () => plain(await answer().innerText()),
    (words) => /hungry after about/.test(words)
  )
  const hours = Number(/hungry after about (\d+) h/.exec(told)?.[1])
  await answer()
    .getByRole('link', { name: /^Starter was fed/ })
    .click()
  await page.getByTestId('how-it-is').waitFor()
  const since = /Hungry since (\w+) (\d\d):(\d\d)/.exec(plain(await page.getByTestId('how-it-is').innerText()))
  // Fed on Wednesday at 08:42 there; what is after midnight is on Wednesday or Thursday.
  const hungryAt = Number(since?.[2]) + Number(since?.[3]) / 60 + (since?.[1] === 'Thu' ? 24 : 0)
  expect(Math.abs(hungryAt - 8.7 - hours)).toBeLessThan(1)
})

test('mould has one answer only: all of it goes', async () => {
  const words = await ask('mould', 'There is mould on it, or a pink streak')
  expect(words).toMatch(/[Tt]hrow all of it away/)
  expect(words).not.toMatch(/scrape|scoop (it )?off and|rescue/i)
})

test.each([
  ['too sour', 'My bread is too sour'],
  ['not sour enough', 'My bread is not sour enough'],
  ['takes forever', 'My bread takes for ever to rise'],
  ['too much', 'I have too much of it'],
  ['protein', 'How much protein does my flour have?']
])('“%s” leads to where something is done about it', async (typed, asks) => {
  const { page } = baker
  await ask(typed, asks)
  const go = answer().getByRole('link').last()
  const to = await go.getAttribute('href')
  expect(to).toMatch(/^\/(jars|shelf|bakes|kitchen|recipes|compare|$)/)
  await baker.click(go)
  await page.waitForURL((url) => url.pathname + url.search === to || url.pathname.startsWith((to ?? '').split('?')[0] ?? ''))
  await page.locator('main').getByRole('heading').first().waitFor()
})

test('4 g of protein in 31 g are 12.9 %, and the flour on the shelf takes it', async () => {
  const { page, program } = baker
  await ask('protein', 'How much protein does my flour have?')
  await page.getByText('12.9 %', { exact: true }).waitFor()
  await page.goto(`${program.address}/shelf`)
  await baker.fill('Find an ingredient', 'strong white')
  await baker.click(page.getByRole('button', { name: /^Strong white flour/ }))
  const form = page.getByRole('dialog')
  await baker.click(form.getByRole('button', { name: 'Take 12.9 % of protein from the packet' }))
  await baker.click(form.getByRole('button', { name: 'Save' }))
  const strong = async (): Promise<Loose> =>
    (await program.call('GET', '/api/ingredients')).ingredients.find((i: Loose) => i.ingredient.id === 'strong white').ingredient
  expect(await until(strong, ({ protein }) => protein !== undefined)).toMatchObject({ protein: 0.129 })
  console.info(`A dozen questions: ${baker.counted()} clicks and fields.`)
})
