import type { Loose } from '../../src/server/testing/testServer'
import { until } from '../support'
import { practiceBaker } from './baker'

/**
 * A jar of wholegrain starter has stood in the fridge for a week. An evening levain by the baker's own amounts, the water as it comes,
 * a look before the mix, the jar refreshed, and what is not kept goes to the discard pot. By the clock of New York, five hours behind UTC.
 */
const baker = practiceBaker()

const { bake, steps, timeOf } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0]

test('from the first question to a plan in fifteen clicks and fields, every answer another than was there', async () => {
  const { page } = baker
  await page.goto(baker.program.address)
  await baker.take('In the fridge')
  await baker.fill('Name of the jar', 'Wick')
  await baker.take('wholegrain')
  await baker.take('like batter')
  await baker.fill('How much is in it', '300')
  await baker.fill('Last fed', '7')
  await baker.fill('Kitchen', '24')
  await baker.fill('Fridge', '5')
  await baker.hour('Asleep from', '22')
  await baker.hour('Up at', '06')
  await baker.click(page.getByRole('switch', { name: 'I am out on weekdays' }))
  await baker.take('Saturday')
  await baker.hour('Out of the oven by', '16')
  await baker.fill('Loaves', '3')
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  await page.getByText(/^Taken: /).waitFor()
  const count = baker.counted()
  console.info(`First plan: ${count} clicks and fields.`)
  expect(count).toBeLessThanOrEqual(15)
  const { plan } = await until(bake, ({ plan: p }) => p.before.length > 0 || p.startAt !== null)
  // Out of the oven on Saturday at 16:00, in three loaves, made of what the jar lives on.
  expect(plan.bread).toEqual({ kind: 'out', at: '2026-11-28T21:00:00.000Z' })
  expect(plan.target.pieces).toEqual([{ count: 3, grams: 780 }])
  expect(plan.build.flours).toEqual([{ ingredientId: 'wholegrain wheat', share: 1 }])
  const day = await steps()
  expect(day).toMatch(/(Sat 15:\d\d|Sat 16:00) Out of the oven/)
  expect(day).not.toMatch(/you sleep|Work/)
  const { kitchen } = await baker.program.call('GET', '/api/kitchen')
  expect(kitchen.sleep).toEqual({ from: '22:00', to: '06:00' })
  expect(kitchen.weekly.map((w: Loose) => [w.kind, w.days])).toEqual([['out', [1, 2, 3, 4, 5]]])
})

test('the levain by the baker’s own three amounts, with water as it comes: 45 + 115 + 120 stay exactly so', async () => {
  const { page } = baker
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  await baker.fill('Starter', '45')
  await baker.fill('Flour', '115')
  await baker.fill('Water', '120')
  await baker.fill('Or with water of', '25')
  await page.getByText('280\u202fg in all. They stay exactly so; what the dough does not take goes back to the jar.').waitFor()
  const { plan } = await until(bake, ({ plan: p }) => p.build.by.kind === 'amounts' && p.build.by.water === 120)
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 45, flour: 115, water: 120 })
  // Starter at 100 %: 22.5 of flour and of water in it.
  expect(plan.build.hydration).toBeCloseTo(142.5 / 137.5, 6)
  // So little flour ripens sooner: another schedule for the same amounts, and again nothing in the night.
  await baker.click(page.getByRole('link', { name: /^Plan/ }))
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  await baker.click(page.getByRole('button', { name: 'Use this schedule' }).first())
  await page.getByText(/^Taken: .* worktop, 1:2\.6:2\.7\.$/).waitFor()
  const { plan: taken } = await until(bake, ({ plan: p }) => p.startAt !== null)
  expect(taken.build.by).toEqual({ kind: 'amounts', seed: 45, flour: 115, water: 120 })
  expect(await steps()).not.toMatch(/you sleep|Work/)
})

test('Today says what to do first, and each step comes in its time until the levain is mixed and marked', async () => {
  const { page } = baker
  for (let n = 0; n < 4; n++) {
    await page.goto(`${baker.program.address}/`)
    const next = page.getByTestId('next')
    await next.waitFor()
    const { plan } = await bake()
    const stage = plan.before[n]
    if (stage === undefined) break
    await baker.later(stage.at, '/')
    await baker.click(next.getByRole('button', { name: 'Done', exact: true }))
    await until(
      async () => (await bake()).events.filter((e: Loose) => e.type === 'step').length,
      (done) => done === n + 1
    )
  }
  await baker.later(await timeOf('Build the levain'), `/bakes/${baker.bakeId()}/weigh`)
  for (const [item, grams] of [
    [/^Starter/, '45'],
    [/^Water/, '120'],
    [/flour$/, '115']
  ] as const) {
    await baker.weigh(item, grams)
  }
  await page.getByTestId('set-band').waitFor()
  // The mark is forgotten for forty minutes: the levain was still mixed when its last flour went in.
  const pouredAt = (await bake()).events.findLast((e: Loose) => e.type === 'pour').happenedAt
  await baker.later(new Date(Date.parse(pouredAt) + 40 * 60_000).toISOString())
  await page.getByTestId('set-band').waitFor()
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  const { events } = await bake()
  expect(events.find((e: Loose) => e.type === 'band').happenedAt).toBe(pouredAt)
  expect(events.filter((e: Loose) => e.type === 'pour').map((e: Loose) => [e.item, e.weighedGrams])).toEqual([
    ['seed', 45],
    ['water', 120],
    ['flour', 115]
  ])
})

test('looked at when it is due, it is mixed, and the jar is refreshed 160 + 160; what is not kept is in the discard pot', async () => {
  const { page } = baker
  await baker.later(await timeOf('Mix'), `/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').waitFor()
  await baker.fill('Or typed', '2.4')
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await page.waitForFunction(() => /Mix now|Young/.test(document.querySelector('[data-testid=verdict]')?.textContent ?? ''))
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await page
    .getByRole('region', { name: 'In the record' })
    .or(page.getByRole('link', { name: 'Go to Bread' }))
    .first()
    .waitFor()
  // 3 × 780 g and 2 % loss are 2388 g of dough; at 72 % true hydration, 2 % salt and 20 % levain it takes 250 g of levain.
  // Of the 280 g, 7.5 g stick (3 %), and 22.5 g, on the scale 23 g, go back: 300 − 45 + 23.
  await until(jar, ({ grams }) => grams !== 255)
  expect((await jar()).grams).toBeCloseTo(278, 0)
  await page.goto(`${baker.program.address}/jars`)
  await baker.click(page.getByRole('button', { name: 'Feed Wick' }))
  await baker.take('By grams')
  await baker.fill('Keep', '40')
  await baker.fill('Flour', '160')
  await baker.fill('Water', '160')
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  await page.getByText('Wick is fed.').waitFor()
  expect((await jar()).grams).toBe(360)
  const pot = await baker.program.call('GET', '/api/discard')
  expect(pot.portions.reduce((sum: number, portion: Loose) => sum + portion.grams, 0)).toBeCloseTo(238, 0)
})

test('the dough’s day to the loaf, and how it was', async () => {
  await baker.doStep('Shape')
  await baker.toTheLoaf('Open crumb, a little tangy')
  console.info(`From the plan to the noted loaf: ${baker.counted()} clicks and fields.`)
})
