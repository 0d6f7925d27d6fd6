import type { Loose } from '../src/server/testing/testServer'
import { practiceBaker } from './practices/baker'
import { plain, until } from './support'

/** Jars are cared for from Today: what they want is told when they want it, done in one tap, and quiet after that. The clock begins at 14:42 in New York. */
const baker = practiceBaker()
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const care = () => baker.page.getByTestId('jar-care')

test('a hungry jar whose usual feed nobody knows leads to its page', async () => {
  await baker.openKitchen('30', () => baker.fill('How much is in it', '100'))
  await care().waitFor()
  expect(plain(await care().innerText())).toMatch(/Now Feed Starter/)
  await baker.click(care().getByRole('link', { name: 'Go to Starter' }))
  await baker.page.getByRole('heading', { name: 'Starter' }).waitFor()
})

test('once it was fed, nothing is asked of it until it is hungry; then one tap feeds it the same, and can be taken back', async () => {
  const { page, program } = baker
  await baker.click(page.getByRole('button', { name: 'Feed Starter' }))
  await baker.take('By grams')
  await baker.fill('Keep', '20')
  await baker.fill('Flour', '40')
  await baker.fill('Water', '40')
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  await until(jar, ({ lastFeed }) => lastFeed !== null)
  await baker.later('2026-11-29T15:00:00.000Z', '/')
  await care().waitFor()
  // A fed jar of 100 g, 20 of them kept: the other 80 go to the pot.
  expect(plain(await care().innerText())).toContain('Like last time: keep 20 g, add 40 g of flour and 40 g of water. 80 g go to the discard pot.')
  baker.counted()
  await baker.click(care().getByRole('button', { name: 'Starter: fed as usual' }))
  await until(jar, ({ lastFeed }) => lastFeed.at === '2026-11-29T15:00:00.000Z')
  expect(baker.counted()).toBe(1)
  expect((await jar()).grams).toBe(100)
  const { portions } = await program.call('GET', '/api/discard')
  expect(portions.map((p: Loose) => p.grams)).toEqual([80, 80])
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await until(jar, ({ lastFeed }) => lastFeed.at !== '2026-11-29T15:00:00.000Z')
})

test('a feed is put off until tomorrow in two taps, and asked for again at once when that is taken back with Ctrl Z', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/`)
  await care().waitFor()
  expect(plain(await care().innerText())).toMatch(/Now Feed Starter/)
  baker.counted()
  await baker.click(care().getByRole('button', { name: 'Starter: feed it later' }))
  await baker.click(page.getByRole('menuitem', { name: 'Tomorrow' }))
  await until(jar, ({ putOffUntil }) => putOffUntil !== null)
  expect(baker.counted()).toBe(2)
  await page.getByText(/^Starter can wait until (Mon|Sun) \d\d:\d\d\.$/).waitFor()
  await until(
    async () => plain(await care().innerText()),
    (words) => /(Mon|Sun) \d\d:\d\d Feed Starter/.test(words)
  )
  await page.keyboard.press('Control+z')
  await page.getByText(/^Taken back: Starter can wait until/).waitFor()
  await until(jar, ({ putOffUntil }) => putOffUntil === null)
  await care().getByText('Now', { exact: true }).waitFor()
})
