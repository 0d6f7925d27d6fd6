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
  const { page } = baker
  await baker.openFromFridge('120', '7', () => baker.fill('Kitchen', '22'))
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
  await baker.fill('Fresh mix wanted at', '11')
  await until(told, (words) => /\d+ ?g of ice from the freezer/.test(words))
  await until(bake, ({ plan }) => plan.mixTempC === 11)
  await baker.fill('Or with water of', '29')
  await until(bake, ({ plan }) => plan.mixTempC > 20)
  expect(await until(told, (words) => words.includes('from the kettle'))).toMatch(/29 °C water/)
})

test('weighed in the morning, used in the evening, and baked', async () => {
  const { page, program } = baker
  const { plan } = await bake()
  // Mixed in the evening, the dough spends the night in the fridge and comes out when its baker is up.
  const [intoFridge, out] = plan.course.moves
  expect(intoFridge.tempC).toBeLessThan(8)
  expect(local(new Date(Date.parse(plan.mixAt) + out.afterHours * 3_600_000).toISOString())).toMatch(/0[67]:/)
  await baker.later(await baker.timeOf('Build the levain'), '/')
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
  // What is over of the levain went back to the jar, beside the 65 g that stayed.
  expect((await jar()).grams).toBeGreaterThan(65)
  await baker.doStep('Dough to Fridge')
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'moved' && e.placeId === intoFridge.placeId))
  expect(await baker.timeOf('Dough to Worktop')).toBe(new Date(Date.parse(plan.mixAt) + out.afterHours * 3_600_000).toISOString())
  await baker.doStep('Dough to Worktop')
  await baker.doStep('Shape')
  await baker.toTheLoaf('Blistered')
  console.info(`Pizza levain, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
