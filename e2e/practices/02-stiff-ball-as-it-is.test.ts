import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A stiff ball of ancient wheat kept in water: the crust is cut away, 190 g of the heart get as much flour and 30 % water, and the ripe ball goes
 * into the dough as it is. In the kitchen of New York, five hours behind UTC; the clock begins at 13:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose

test('the ball comes as it is told: ancient wheat, in water, 320 g, fed 20 hours ago', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('On the worktop')
  await baker.fill('Name of the jar', 'Ember')
  await baker.take('ancient wheat')
  await baker.take('a ball in water')
  await baker.fill('How much is in it', '320')
  await baker.fill('Last fed', '20')
  await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  expect(await jar()).toMatchObject({ name: 'Ember', culture: 'stiff under water', flour: 'ancient wheat', grams: 320 })
})

test('trimmed, and fed by grams: 190 of the heart, 190 of flour, 57 of water', async () => {
  const { page } = baker
  await baker.click(page.getByRole('button', { name: /^Feed/ }).first())
  await baker.take('By grams')
  await baker.fill('Keep', '190')
  await baker.fill(/^Cut away/, '60')
  await baker.fill('Flour', '190')
  await baker.fill('Water', '57')
  // 320 − 60 of crust − 190 kept = 70 to the pot.
  await page.getByText(/70 g goes to the discard pot.*60 g of crust is thrown away/).waitFor()
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  await until(jar, ({ grams }) => grams === 437)
  // 190 g at 45 % bring 131 of flour and 59 of water: (59 + 57) ÷ (131 + 190) = 36.1 %.
  expect((await jar()).hydration).toBeCloseTo(0.361, 2)
})

test('a dough takes it as it is, with a feed in the evening so that it is ready for the mix in the morning', async () => {
  const { page } = baker
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await choose(page, { name: 'How you use the starter' }, { name: 'use it as it is' })
  const card = page.getByTestId('as-it-is')
  await card.getByText(/^When you mix, Ember is past its best/).waitFor()
  await baker.click(card.getByRole('button', { name: 'Plan a feed for this mix' }))
  await card.getByText(/leave 190 g in the jar, then add 190 g of flour and 69 g of water\. The other 247 g go to the discard pot/).waitFor()
  const { plan } = await until(bake, ({ plan: p }) => p.before.length === 1)
  expect(plan.build).toMatchObject({ source: 'as it is', salt: 0 })
  // Not in the night (23 to 7 there), and before the mix at 09:30.
  const hour = new Date(plan.before[0].at).getUTCHours() - 5
  expect((hour + 24) % 24).toBeGreaterThanOrEqual(7)
  // 1592 g of dough with 20 % of it on the flour added: 160 g, and the jar keeps 449 − 160.
  expect(plain(await page.locator('main').innerText())).toMatch(/160 g for the dough/)
  expect(plain(await page.locator('main').innerText())).toMatch(/289\s?g\s+once the starter is out/)
})

test('the evening’s feed stands on Today, and is weighed into the jar', async () => {
  const { page } = baker
  const { plan } = await bake()
  await baker.later(plan.before[0].at, '/')
  await page.getByTestId('next').getByRole('heading', { name: 'Feed Ember' }).waitFor()
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh(/emmer flour/i, '190')
  await baker.weigh('Water', '69')
  await until(jar, ({ grams }) => grams === 449)
})

test('in the morning it has doubled; 160 g go into the bowl, the flour, water and salt after them', async () => {
  const { page } = baker
  await baker.later('2026-11-27T14:30:00.000Z', `/jars/${(await jar()).id}`)
  await baker.click(page.getByRole('button', { name: 'Note what you saw' }))
  await baker.fill('Level', '2')
  await baker.click(page.getByRole('button', { name: 'Note it' }))
  await page.getByText('looked at: ×2.0').waitFor()
  await page.goto(`${baker.program.address}/`)
  const next = page.getByTestId('next')
  await next.getByRole('heading', { name: 'Mix' }).waitFor()
  await baker.click(next.getByRole('link', { name: 'Start weighing' }))
  await baker.weigh('Starter from Ember', '160')
  await baker.click(page.getByRole('button', { name: 'Go on to the dough' }))
  // 798 + 616 + 18 + 160 = 1592; 616 and the 43 of water in the ball on 798 and its 117 of flour are 72 %.
  await baker.weighThese([
    [/flour$/i, '798'],
    ['Water', '616'],
    ['Salt', '18']
  ])
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  const { grams } = await jar()
  expect(grams).toBe(289)
})

test('the jar’s history has the feed and the draw; the bread is noted', async () => {
  const { page } = baker
  await baker.doStep('Shape')
  await baker.toTheLoaf('Sweet, and open enough')
  const { id } = await jar()
  await page.goto(`${baker.program.address}/jars/${id}`)
  await page.getByText('160 g taken for Two loaves').waitFor()
  await page.getByText(/fed 1:1:0\.4: 190 g kept, 190 g flour, 69 g water/).waitFor()
  console.info(`A stiff ball used as it is, from the first question to the noted loaf: ${baker.counted()} clicks and fields.`)
})
