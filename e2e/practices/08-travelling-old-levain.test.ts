import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * On the way: a cold starter is fed 160 + 160, a few grams over, and stands on a mat at 27 °C; of a first levain some is kept as old levain; the next one
 * is made of three spoons of starter and two of old levain with 210 of water and 105 + 105 of flour, overnight at 18 °C.
 * In the kitchen of New York, five hours behind UTC; the clock begins at 14:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jars = async (): Promise<Loose[]> => (await baker.program.call('GET', '/api/jars')).jars
const starter = async (): Promise<Loose> => (await jars()).find((j) => j.name === 'Starter') as Loose
const old = async (): Promise<Loose> => (await jars()).find((j) => /^Old levain/.test(j.name)) as Loose
const place = async (name: string): Promise<Loose> =>
  (await baker.program.call('GET', '/api/kitchen')).kitchen.places.find((p: Loose) => p.name === name) as Loose

async function addPlace(name: string, tempC: string): Promise<void> {
  const { page } = baker
  await baker.click(page.getByRole('button', { name: 'Another place' }))
  const named = page.getByRole('textbox', { name: 'Name of the place' }).last()
  await named.fill(name)
  await page.keyboard.press('Tab')
  await page.getByRole('textbox', { name: `Temperature, ${name}` }).fill(tempC)
  await page.keyboard.press('Tab')
  await until(
    () => place(name),
    (there) => there?.tempC === Number(tempC)
  )
}

test('a jar from the fridge, and the places of a kitchen on the way', async () => {
  const { page, program } = baker
  await baker.openFromFridge('80', '5')
  await page.goto(`${program.address}/kitchen/places`)
  await addPlace('Mat', '27')
  await addPlace('Cool room', '18')
})

test('fed 160 + 160, with 3 g of flour over, onto the mat', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/jars`)
  await baker.click(page.getByRole('button', { name: /^Feed/ }).first())
  await baker.take('By grams')
  await baker.fill('Keep', '80')
  await baker.fill('Flour', '163')
  await baker.fill('Water', '160')
  await choose(page, { name: 'Where it stands' }, { name: /^Mat/ })
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  await until(starter, ({ grams }) => grams === 403)
  expect((await starter()).placeId).toBe((await place('Mat')).id)
})

test('of the first levain 60 g are kept apart in the fridge, as old levain with its own past', async () => {
  const { page } = baker
  // Five hours later, on the mat, it has risen.
  await baker.later('2026-11-27T01:00:00.000Z', '/')
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  for (const [label, grams] of [
    ['Starter', '60'],
    ['Flour', '90'],
    ['Water', '90']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(grams)
  await until(bake, ({ plan }) => plan.build.by.kind === 'amounts' && plan.build.by.water === 90)
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh(/^Starter/, '60')
  await baker.weigh('Water', '90')
  await baker.weigh(/flour$/, '90')
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await baker.later('2026-11-27T12:00:00.000Z', `/bakes/${baker.bakeId()}/watch`)
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  const mix = page.getByTestId('mix')
  await mix.getByRole('textbox', { name: 'Back to the jar' }).fill('60')
  await choose(mix, { name: 'Keep it apart, as old levain, in' }, { name: /^Fridge/ })
  await baker.click(mix.getByRole('button', { name: 'Mixed', exact: true }))
  await until(old, (there) => there !== undefined)
  expect(await old()).toMatchObject({ grams: 60, placeId: (await place('Fridge')).id })
  // 403 − 60: nothing of it went back.
  expect((await starter()).grams).toBe(343)
})

test('the next levain: three spoons of starter, two of the old levain, 210 of water, 105 + 105 of flour', async () => {
  const { page } = baker
  await baker.later('2026-11-28T02:30:00.000Z', '/bakes')
  await baker.take('New bake')
  await page.waitForURL(/\/recipe/)
  await page.getByText('saved', { exact: true }).waitFor()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await choose(page, { name: 'Jar' }, { name: /^Starter/ })
  await choose(page, { name: 'How you use the starter' }, { name: 'starter and old levain' })
  await choose(page, { name: 'Old levain from' }, { name: /^Old levain of/ })
  await page.getByRole('textbox', { name: 'Old levain besides the starter' }).fill('40')
  await baker.take('all three')
  for (const [label, amount] of [
    ['Starter', '5 tbsp'],
    ['Flour', '210'],
    ['Water', '210']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(amount)
  await baker.click(page.getByRole('button', { name: 'Another flour' }).first())
  const { plan } = await until(bake, ({ plan: p }) => p.build.by.kind === 'amounts' && p.build.by.water === 210 && p.build.flours.length === 2)
  expect(plan.build.older).toMatchObject({ share: 0.4, jarId: (await old()).id })
  // 75 ml of stirred starter are 79 g in the middle; three fifths of it are starter.
  expect(plan.build.by.seed).toBe(79)
  const card = plain(await page.getByRole('region', { name: 'Weigh for the levain' }).innerText())
  expect(card).toMatch(/47 ?g starter 32 ?g old levain/)
  expect(card).toMatch(/105 ?g .*105 ?g/)
})

test('weighed by the spoon, and overnight in the cool room', async () => {
  const { page } = baker
  await page.getByRole('link', { name: /^Plan/ }).click()
  await choose(page, { name: 'Place' }, { name: /^Cool room/ })
  await until(bake, ({ plan }) => plan.tempC === 18)
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh(/^Starter/, '3 tbsp')
  await baker.weigh('Old levain', '2 tbsp')
  await until(bake, ({ events }) => events.filter((e: Loose) => e.type === 'pour').length === 2)
  // 30 ml of stirred levain at 1.05 g/ml, on a scale of whole grams.
  expect((await old()).grams).toBe(60 - 32)
  await baker.weigh('Water', '210')
  for (let i = 0; i < 2; i++) {
    await page
      .getByTestId('pour')
      .getByRole('heading', { name: /flour$/ })
      .waitFor()
    await baker.weigh(/flour$/, '105')
    await until(bake, ({ events }) => events.filter((e: Loose) => e.type === 'pour').length === 4 + i)
  }
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  const { line } = await bake()
  expect(line.parents).toHaveLength(2)
})

test('in the morning it is judged by its top, mixed, and baked', async () => {
  const { page } = baker
  await baker.later('2026-11-28T13:00:00.000Z', `/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').waitFor()
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  await baker.click(page.getByTestId('mix').getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  await baker.doStep('Shape')
  await baker.toTheLoaf('Good, far from home')
  console.info(`Travelling, from the first question to the noted loaf: ${baker.counted()} clicks and fields.`)
})
