import type { Loose } from '../src/server/testing/testServer'
import { practiceBaker } from './practices/baker'
import { plain, until } from './support'

/** One pot of levain for two doughs, from the evening to both bowls. In the kitchen of New York, five hours behind UTC. */
const baker = practiceBaker()
const { bake } = baker
const bakes: { loaf: string; tin: string } = { loaf: '', tin: '' }
const planOf = async (id: string): Promise<Loose> => (await baker.program.call('GET', `/api/bakes/${id}`)).plan

async function begin(name: string): Promise<string> {
  const { page, program } = baker
  await page.goto(`${program.address}/`)
  await page.getByRole('button', { name: 'New bake' }).first().click()
  await page.waitForURL(/\/recipe/)
  await page.getByText('saved', { exact: true }).waitFor()
  await page.getByRole('textbox', { name: 'Name of the bake' }).fill(name)
  await page.keyboard.press('Tab')
  await until(bake, ({ plan }) => plan.name === name)
  return baker.bakeId()
}

test('a second dough for the same morning takes its levain out of the first one’s pot, which grows by it', async () => {
  const { page, program } = baker
  await baker.openKitchen('3', async () => undefined)
  bakes.loaf = await begin('Country loaf')
  const alone = (await planOf(bakes.loaf)).build.alsoFor
  expect(alone).toEqual([])
  bakes.tin = await begin('Seeded tin')
  await page.goto(`${program.address}/bakes/${bakes.tin}/levain`)
  await baker.click(page.getByRole('button', { name: 'Build both in one pot' }))
  const card = page.getByTestId('one-pot')
  expect(
    await until(
      async () => plain(await card.innerText()),
      (words) => /\d+ ?g for this dough/.test(words)
    )
  ).toMatch(/ready to mix/)
  const { grams } = (await planOf(bakes.loaf)).build.alsoFor[0]
  // Two loaves of 780 g with 2 % for the hands: 1592 g at 72 %, 2 % salt and 20 % levain of equal parts hold 166 g of it; the rest sticks.
  expect(grams).toBeGreaterThanOrEqual(167)
  expect(grams).toBeLessThanOrEqual(174)
  expect(plain(await card.innerText())).toContain(`${grams}`)
  await page.goto(`${program.address}/bakes/${bakes.loaf}/levain`)
  await page.getByText(`166 g for the dough + ${grams} g for Seeded tin`).waitFor()
  // One build stands in the day; both are mixed.
  await page.goto(`${program.address}/`)
  const day = async () => plain(await page.locator('main').innerText())
  const words = await until(day, (said) => said.includes('Mix: Seeded tin'))
  expect(words.match(/Build Starter’s levain/g)).toHaveLength(1)
})

test('on its own after all, and with one step back in the pot again', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/bakes/${bakes.tin}/levain`)
  await baker.click(page.getByRole('button', { name: 'Build it on its own after all' }))
  await until(
    async () => (await planOf(bakes.loaf)).build.alsoFor.length,
    (n) => n === 0
  )
  await baker.click(page.getByRole('button', { name: 'Undo the last change' }))
  await until(
    async () => (await planOf(bakes.loaf)).build.alsoFor.length,
    (n) => n === 1
  )
  await page.getByTestId('one-pot').waitFor()
})

test('built once in the evening; mixed in the morning, the other dough has its share and weighs it as it is', async () => {
  const { page, program } = baker
  const { startAt, mixAt } = await planOf(bakes.loaf)
  expect(startAt).toBeNull()
  await page.goto(`${program.address}/bakes/${bakes.loaf}/plan`)
  await baker.later(await baker.timeOf('Build'), '/')
  await baker.click(page.getByTestId('next').getByRole('link', { name: 'Start weighing' }))
  const poured = await baker.weighAll()
  const { grams } = (await planOf(bakes.loaf)).build.alsoFor[0]
  // For both doughs, 20 g back to the jar, and what sticks.
  const all = poured.reduce((sum, g) => sum + g, 0)
  expect(all).toBeGreaterThan(166 + grams + 20)
  expect(all).toBeLessThan(166 + grams + 20 + 20)
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await page.goto(`${program.address}/bakes/${bakes.tin}/watch`)
  await page.getByTestId('one-pot').getByText('Its levain comes out of the pot of Country loaf').waitFor()
  await baker.later(mixAt, `/bakes/${bakes.loaf}/watch`)
  // Looked at before it is mixed: its share is the same levain, and nobody is sent to look at that again.
  await baker.fill('Or typed', '2.6')
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await page.getByTestId('verdict').getByRole('heading', { name: 'At its peak' }).waitFor()
  await baker.click(page.getByTestId('mix').getByRole('button', { name: 'Mixed', exact: true }))
  const tin = await until(
    () => planOf(bakes.tin),
    (plan) => plan.build.source === 'as it is'
  )
  // As ripe as the rest of it, which was just seen: the mix keeps its hour.
  await page.goto(`${program.address}/bakes/${bakes.tin}/weigh`)
  await page.getByRole('heading', { name: 'Starter from Levain for Seeded tin' }).waitFor()
  expect(await baker.timeOf('Mix')).toBe(tin.mixAt)
  await page.goto(`${program.address}/bakes/${bakes.tin}/weigh`)
  expect(await baker.weighAll()).toEqual([166])
  await until(
    async () => (await baker.program.call('GET', `/api/bakes/${bakes.tin}`)).status,
    (status) => status !== 'planned'
  )
})
