import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * Nearly nothing is thrown away: 155 g are drawn from the cold jar, with 80 + 80 they are the levain; the jar gets 55 + 55 at once, stays out for
 * three hours and goes back to the cold. In the kitchen of New York, five hours behind UTC; the clock begins at 14:42 there.
 */
const baker = practiceBaker()
const { bake, timeOf } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const fridge = async (): Promise<Loose> => (await baker.program.call('GET', '/api/kitchen')).kitchen.places.find((p: Loose) => p.name === 'Fridge') as Loose

test('a jar from the fridge, six days old, and a levain by its own amounts', async () => {
  const { page } = baker
  await baker.openFromFridge('320', '6')
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await choose(page, { name: 'How you use the starter' }, { name: 'take some, refill the jar' })
  await baker.take('all three')
  for (const [label, grams] of [
    ['Starter', '155'],
    ['Flour', '80'],
    ['Water', '80']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(grams)
  const refill = page.getByTestId('refill')
  await refill.getByRole('textbox', { name: 'Flour', exact: true }).fill('55')
  await refill.getByRole('textbox', { name: 'Water', exact: true }).fill('55')
  await baker.click(refill.getByText('3 h', { exact: true }))
  const { plan } = await until(bake, ({ plan: p }) => p.build.refill?.outHours === 3)
  expect(plan.build.refill).toEqual({ flours: null, flourGrams: 55, waterGrams: 55, outHours: 3 })
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 155, flour: 80, water: 80 })
  // 320 − 155 drawn + 110 of the refill.
  expect(plain(await page.locator('main').innerText())).toMatch(/275\s?g once it is refilled/)
})

test('a schedule with these amounts, and no step in the night', async () => {
  const { page } = baker
  await baker.click(page.getByRole('link', { name: /^Plan/ }))
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  await baker.click(page.getByRole('button', { name: 'Use this schedule' }).first())
  await page.getByText(/^Taken: /).waitFor()
  const { plan } = await until(bake, ({ plan: p }) => p.startAt !== null)
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 155, flour: 80, water: 80 })
  expect(await baker.steps()).toContain('Refill the jar')
  expect(await baker.steps()).not.toMatch(/you sleep/)
})

test('three grams over are no trouble; the jar is refilled in the same moment, and told where it goes', async () => {
  const { page } = baker
  await baker.later(await timeOf('Build the levain'), `/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh(/^Starter/, '158')
  await baker.click(page.getByRole('button', { name: /Carry on as it is/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'pour' && e.weighedGrams === 158))
  await baker.take('Refill Starter')
  await baker.weigh('Water', '55')
  await baker.weigh(/flour$/, '56')
  // 320 − 158 + 55 + 56.
  await until(jar, ({ grams }) => grams === 273)
  const cold = await fridge()
  const { stays, line } = await jar()
  expect(stays.at(-1).placeId).toBe(cold.id)
  expect(new Date(stays.at(-1).from).getTime() - new Date(line.startedAt).getTime()).toBe(3 * 3_600_000)
})

test('the levain goes on, and Today tells when the jar is to go back', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh('Water', '80')
  await baker.weigh(/flour$/, '80')
  await page.getByTestId('set-band').waitFor()
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await page.goto(`${baker.program.address}/`)
  await page
    .getByText(/^Put Starter into: Fridge|Starter.*Fridge/)
    .first()
    .waitFor()
  await page.goto(`${baker.program.address}/jars/${(await jar()).id}`)
  await page.getByText('158 g taken for Two loaves').waitFor()
  await page.getByText(/162 g kept, 56 g flour, 55 g water/).waitFor()
})

test('mixed when Plan says so, and baked; the rest of the levain is home in its jar', async () => {
  const { page } = baker
  await baker.later(await timeOf('Mix'), `/bakes/${baker.bakeId()}/watch`)
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  const before = (await jar()).grams
  const mix = page.getByTestId('mix')
  const kept = Number(await mix.getByRole('textbox', { name: 'Back to the jar' }).inputValue())
  // 158 + 80 + 80 are 318: 159 for the dough, and what does not stick goes home.
  expect(kept).toBeGreaterThan(140)
  await baker.click(mix.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  expect((await jar()).grams).toBe(before + kept)
  await baker.doStep('Shape')
  await baker.toTheLoaf('Nothing thrown away')
  console.info(`Nearly no discard, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
