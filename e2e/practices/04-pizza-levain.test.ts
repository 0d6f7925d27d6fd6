import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * Pizza: 55 g of starter, 110 + 110, in the evening for the morning or in the morning for the evening; ice in summer, warm water in winter; the jar is fed
 * from 25 g each week. In the kitchen of New York, five hours behind UTC; the clock begins on Thursday at 14:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const local = (iso: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'America/New_York', weekday: 'short', hour: '2-digit', minute: '2-digit' })
    .format(new Date(iso))
    .replace(',', '')

test('a jar from the fridge, fed a week ago, and a levain of 55, 110 and 110', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('In the fridge')
  await baker.take('like batter')
  await baker.fill('How much is in it', '120')
  await baker.take('days ago')
  await baker.fill('Last fed', '7')
  await baker.fill('Kitchen', '22')
  await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  for (const [label, grams] of [
    ['Starter', '55'],
    ['Flour', '110'],
    ['Water', '110']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(grams)
  await until(bake, ({ plan }) => plan.build.by.kind === 'amounts' && plan.build.by.water === 110)
})

test.each([
  ['Build in the evening, mix in the morning', /^(Thu|Fri) 2[0-3]:/, /^(Fri|Sat) 0[6-9]:/],
  ['Build in the morning, mix in the evening', /^(Fri|Sat) 0[6-9]:/, /^(Fri|Sat) (1[6-9]|20):/]
])('“%s” has a schedule with these amounts', async (habit, built, mixed) => {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/plan`)
  await choose(page, { name: 'What should be ready' }, { name: habit })
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  await baker.click(page.getByRole('button', { name: 'Use this schedule' }).first())
  await page.getByText(/^Taken: /).waitFor()
  const { plan } = await until(bake, ({ plan: p }) => p.startAt !== null && mixed.test(local(p.mixAt)))
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 55, flour: 110, water: 110 })
  expect(local(plan.mixAt)).toMatch(mixed)
  expect(local(plan.startAt)).toMatch(built)
})

test('in a summer kitchen the water is iced, in a winter one it is at 29 °C', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/levain`)
  const water = page.getByRole('region', { name: 'Water for it' })
  const told = async () => plain(await water.innerText())
  // Cooler than the tap can give.
  await baker.fill('Fresh mix wanted at', '15')
  await until(told, (words) => /\d+ ?g of ice from the freezer/.test(words))
  await baker.fill('Or with water of', '29')
  await until(bake, ({ plan }) => plan.mixTempC > 20)
  expect(await until(told, (words) => words.includes('from the kettle'))).toMatch(/29 °C water/)
})

test('weighed in the morning, used in the evening, and baked', async () => {
  const { page, program } = baker
  const { plan } = await bake()
  // A jar of a week ago is woken by a small build first, which makes the 55 g.
  const [first] = plan.before
  expect(first).toMatchObject({ kind: 'first build' })
  await baker.later(first.at, `/bakes/${baker.bakeId()}/weigh`)
  const grams = await baker.weighAll()
  const made = grams.reduce((sum, g) => sum + g, 0)
  expect(made).toBeGreaterThanOrEqual(55)
  expect(made).toBeLessThan(65)
  await baker.click(page.getByRole('button', { name: 'It stands now' }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'step'))
  await baker.later(plan.startAt, '/')
  await baker.click(page.getByTestId('next').getByRole('link', { name: 'Start weighing' }))
  await baker.weigh(/^Starter|^First build/, '55')
  await baker.weigh('Water', '110')
  await baker.weigh(/flour$/, '110')
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await baker.later(plan.mixAt, `/bakes/${baker.bakeId()}/watch`)
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  await baker.click(page.getByTestId('mix').getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  await page.goto(`${program.address}/`)
  expect((await jar()).grams).toBeGreaterThan(60)
  await baker.doStep('Shape')
  await baker.toTheLoaf('Blistered')
  console.info(`Pizza levain, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
