import type { Loose } from '../../src/server/testing/testServer'
import { plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * No scale at all: a tablespoon of starter, two thirds of a cup of flour and a third of a cup of water for two loaves; judged by bubbles and webbing,
 * without a level. In the kitchen of New York, five hours behind UTC, with metric cups.
 */
const baker = practiceBaker()
const { bake } = baker
const field = (name: string) => baker.page.getByRole('textbox', { name, exact: true }).inputValue()

test('a kitchen without a scale: half a jar by eye is a guess, and told as one', async () => {
  const { page } = baker
  await baker.openKitchen('11', () => baker.take('half of it'))
  expect(plain(await page.getByRole('region', { name: 'Jars' }).innerText())).toContain('about 240 g')
})

test('the levain in spoons and cups: each in grams with its doubt', async () => {
  const { page } = baker
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  // 15 ml of stirred starter at 1 to 1.1 g/ml.
  await baker.fill('Starter', '1 tbsp')
  await page.getByText(/by volume: somewhere between 15 and 1[67]/).waitFor()
  // 166.7 ml of white flour, spooned or scooped, at 0.5 to 0.65 g/ml: 83 to 108, 95.8 in the middle.
  await baker.fill('Flour', '2/3 cup')
  await page.getByText(/by volume: somewhere between 83 and 108/).waitFor()
  await baker.fill('Water', '1/3 cup')
  const { plan } = await until(bake, ({ plan: p }) => p.build.by.kind === 'amounts' && p.build.by.water === 83)
  // The middle, on a scale of whole grams.
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 16, flour: 96, water: 83 })
  expect(await field('Water')).toBe('1/3 cup')
})

test('spoons and cups at the bench too', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  const pour = page.getByTestId('pour')
  for (const [item, measure] of [
    [/^Starter/, '1 tbsp'],
    [/^Water/, '1/3 cup'],
    [/flour$/, '2/3 cup']
  ] as const) {
    await pour.getByRole('heading', { name: item }).waitFor()
    await baker.fill('What the scale shows', measure)
    await page.getByText(/^by volume: /).waitFor()
    await baker.click(page.getByRole('button', { name: /^Poured/ }))
  }
  await page.getByTestId('set-band').waitFor()
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  const { events } = await bake()
  expect(events.filter((e: Loose) => e.type === 'pour').map((e: Loose) => e.weighedGrams)).toEqual([16, 83, 96])
})

test('twelve hours later, judged without a level, it goes into the dough', async () => {
  const { page } = baker
  await baker.later('2026-11-27T07:42:00.000Z', `/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').waitFor()
  await baker.take('many')
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  const { events } = await bake()
  expect(events.findLast((e: Loose) => e.type === 'mark').rise).toBeUndefined()
  await page.waitForFunction(() => !/Look first/.test(document.querySelector('[data-testid=verdict]')?.textContent ?? 'Look first'))
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ events: all }) => all.some((e: Loose) => e.type === 'mixed'))
  await baker.doStep('Shape')
  await baker.toTheLoaf('Without a scale')
  console.info(`Spoons and cups, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
