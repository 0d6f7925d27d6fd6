import type { Loose } from '../src/server/testing/testServer'
import { practiceBaker } from './practices/baker'
import { choose, plain, until } from './support'

/**
 * Schedules for what bakers wish for. A jar that was forgotten in the fridge for six weeks, and bread that is wanted tonight. In the kitchen of New York, five hours behind UTC, on a Saturday
 * morning.
 */
const baker = practiceBaker()
const { bake } = baker
const SATURDAY = '2026-11-28T13:00:00.000Z'
const TONIGHT = '2026-11-29T01:00:00.000Z'

test('no levain can be ready by then: a little yeast is among the ways, and nothing is taken without asking', async () => {
  const { page, program } = baker
  await baker.openFromFridge('120', '42')
  await baker.later(SATURDAY, '/')
  await baker.newBake()
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/plan`)
  await baker.click(page.getByRole('button', { name: 'Day' }))
  await baker.click(page.getByRole('button', { name: '28 November 2026' }))
  await page.getByRole('spinbutton', { name: 'Hour' }).fill('20')
  await page.getByRole('spinbutton', { name: 'Minute' }).fill('00')
  await until(bake, ({ plan }) => plan.bread?.at === TONIGHT)
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  const card = page.getByTestId('with-yeast')
  await card.waitFor()
  expect(plain(await card.innerText())).toMatch(/Sat \d\d:\d\d begin Sat \d\d:\d\d mix Sat (1[6-9]|20):\d\d out of the oven/)
  expect((await bake()).plan.school).toBe('dome')
  await baker.click(card.getByRole('button', { name: 'Use this, with yeast' }))
  const { plan } = await until(bake, (b) => b.plan.school === 'for taste')
  expect(plan.formula.lines.filter((line: Loose) => line.ingredientId === 'dry yeast')).toHaveLength(1)
  expect(Date.parse(plan.mixAt)).toBeLessThan(Date.parse(TONIGHT))
})

test('weighed, the levain hardly rises: Watch and Today keep the hour of the mix and ask for no look', async () => {
  const { page } = baker
  const { plan } = await bake()
  await baker.later(plan.startAt, '/')
  await baker.click(page.getByTestId('next').getByRole('link', { name: 'Start weighing' }))
  await baker.weighAll()
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  const hourIn = new Date(Date.parse(plan.startAt) + 3_600_000).toISOString()
  await baker.later(hourIn, `/bakes/${baker.bakeId()}/watch`)
  const verdict = async () => plain(await page.getByTestId('verdict').innerText())
  expect(await until(verdict, (words) => words.includes('Mix at its hour'))).not.toMatch(/Wait|Look again|feed it again|ready from/)
  await page.goto(`${baker.program.address}/`)
  expect(plain(await page.getByTestId('next').innerText())).not.toMatch(/Look at|Feed again/)
  expect(await baker.timeOf('Mix')).toBe(plan.mixAt)
})

test('mixed at its hour with the yeast, it is shaped and baked tonight', async () => {
  const { page } = baker
  const { plan } = await bake()
  await baker.later(plan.mixAt, `/bakes/${baker.bakeId()}/weigh`)
  await until(baker.room, (words) => words.includes('Instant yeast'))
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/watch`)
  await baker.click(page.getByTestId('mix').getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  const out = Date.parse(await baker.timeOf('Out of the oven'))
  expect(out).toBeGreaterThan(Date.parse(plan.mixAt) + 3 * 3_600_000)
  expect(out).toBeLessThanOrEqual(Date.parse(TONIGHT) + 10 * 60_000)
  await baker.doStep('Shape')
  await baker.toTheLoaf('Light, mild')
})

test('the jar out of the fridge in the morning: the schedule says so, and once it is taken the jar has its move', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/`)
  await baker.newBake()
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/plan`)
  await choose(page, { name: 'What should be ready' }, { name: 'Two days ahead, for lunch' })
  await choose(page, { name: 'How the levain goes' }, { name: 'Starter out of the fridge in the morning' })
  // After six weeks it is too slow for lunch; the next hour that keeps everything is a tap away.
  await page.getByText(/you can cut the bread by Mon .* at the earliest/).waitFor()
  await baker.click(page.getByRole('button', { name: /^Plan for Mon/ }))
  const offer = page.getByTestId('plan').first()
  await offer.getByText(/First Starter comes out of the fridge/).waitFor()
  const told = /to Worktop: (\w{3}) (\d\d:\d\d)\./.exec(plain(await offer.innerText()))
  await baker.click(offer.getByRole('button', { name: 'Use this schedule' }))
  await page.getByText(/^Taken: /).waitFor()
  const jar = async (): Promise<Loose> => (await program.call('GET', '/api/jars')).jars[0] as Loose
  const { stays } = await until(jar, (j) => Date.parse(j.stays.at(-1).from) > Date.parse(TONIGHT))
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone: 'America/New_York', weekday: 'short', hour: '2-digit', minute: '2-digit' })
  expect(clock.format(new Date(stays.at(-1).from)).replace(',', '')).toBe(`${told?.[1]} ${told?.[2]}`)
})
