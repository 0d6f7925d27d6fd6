import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * Two days ahead: the jar comes out in the morning; in the afternoon 400 g of it, 400 g of flour, 350 g of water and 16 g of oil stand out for a few hours and
 * ripen in the fridge for the day after next. The rest of the jar is fed by cups and goes back once it has risen by two thirds; before a holiday a part of it is
 * dried. In the kitchen of New York, five hours behind UTC; the clock begins on Thursday, 26 November, at 14:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const places = async (): Promise<Map<string, string>> =>
  new Map((await baker.program.call('GET', '/api/kitchen')).kitchen.places.map((p: Loose) => [p.id, p.name]))
const HOUR = 3_600_000
let clicks = 0

test('a large jar sleeps in the fridge, and comes out in the morning', async () => {
  const { page } = baker
  await baker.openFromFridge('800', '4')
  await baker.later('2026-11-27T13:00:00.000Z', `/jars/${(await jar()).id}`)
  await choose(page, { name: 'Where it stands' }, { name: /Worktop/ })
  await page.getByText('Starter stands at Worktop now.').waitFor()
})

test('in the afternoon: 400, 400, 350 and 16 g of oil, for bread the day after next', async () => {
  const { page, program } = baker
  await baker.later('2026-11-27T20:00:00.000Z', '/')
  await baker.newBake()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  for (const [label, grams] of [
    ['Starter', '400'],
    ['Flour', '400'],
    ['Water', '350']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(grams)
  // 16 g of the 600 g of flour it holds, the starter’s 200 g with it.
  await baker.fill('Oil in it', '2.67')
  const { plan } = await until(bake, ({ plan: p }) => p.build.by.kind === 'amounts' && p.build.by.water === 350 && p.build.oil > 0)
  expect(plan.build.by).toEqual({ kind: 'amounts', seed: 400, flour: 400, water: 350 })
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/weigh`)
  await until(
    async () => plain(await page.getByRole('main').innerText()),
    (words) => /Oil to come 16 ?g/.test(words)
  )
})

test('a schedule that stands out for a few hours and ripens in the fridge, mixed on Sunday', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/plan`)
  await choose(page, { name: 'What should be ready' }, { name: 'Dough mixed at' })
  await baker.click(page.getByRole('button', { name: 'Day' }))
  await baker.click(page.getByRole('button', { name: '29 November 2026' }))
  await page.getByRole('spinbutton', { name: 'Hour' }).fill('13')
  await page.getByRole('spinbutton', { name: 'Minute' }).fill('00')
  await baker.click(page.getByRole('button', { name: 'Find schedules' }))
  const offer = page.getByTestId('plan').filter({ hasText: /4 h out, then the fridge/ })
  await offer.first().waitFor()
  const words = plain(await offer.first().innerText())
  expect(words).toMatch(/Fri 1[5-9]:\d\d begin Sun 13:00 mix/)
  await baker.click(offer.first().getByRole('button', { name: 'Use this schedule' }))
  const { plan } = await until(bake, ({ plan: p }) => p.moves.length === 1)
  expect(plan.mixAt).toBe('2026-11-29T18:00:00.000Z')
  expect(plan.moves[0].afterHours).toBe(4)
  expect((await places()).get(plan.moves[0].placeId)).toBe('Fridge')
})

test('weighed, four hours out, and into the fridge when Today says so', async () => {
  const { page } = baker
  const { plan } = await bake()
  await baker.later(plan.startAt, '/')
  await baker.click(page.getByTestId('next').getByRole('link', { name: 'Start weighing' }))
  expect(await baker.weighAll()).toEqual([400, 350, 400, 16])
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await baker.later(new Date(Date.parse(plan.startAt) + 4 * HOUR).toISOString(), '/')
  expect(plain(await page.getByTestId('next').innerText())).toMatch(/Move Starter’s levain on/)
  await baker.click(page.getByTestId('next').getByRole('link').first())
  const { placeId } = plan.moves[0]
  await choose(page, { name: 'Moved to' }, { name: /Fridge/ })
  await baker.click(page.getByRole('button', { name: 'It stands there now' }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'moved' && e.placeId === placeId))
})

test('the rest of the jar is fed by cups and goes to the fridge when it has risen by two thirds: on Today and in the calendar', async () => {
  const { page, program } = baker
  clicks += baker.counted()
  await page.goto(`${program.address}/jars/${(await jar()).id}`)
  await baker.click(page.getByRole('button', { name: 'Feed Starter' }))
  await baker.take('By cups')
  // 1½ cups of starter are 25 tablespoons.
  await baker.fill('Keep, tablespoons', '25')
  await baker.fill('Flour, cups', '1 1/2')
  await baker.fill('Water, cups', '1')
  await choose(page, { name: 'Then it goes to' }, { name: /Fridge/ })
  await choose(page, { name: 'After' }, { name: /^risen by two thirds/ })
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  const fed = await until(jar, ({ lastFeed }) => lastFeed?.waterGrams > 0 && lastFeed.flours.length > 0)
  // 375 ml of stirred starter, 375 ml of flour at about 0.57 g/ml, 250 ml of water.
  expect(fed.lastFeed.keepGrams).toBeGreaterThan(370)
  expect(fed.lastFeed.keepGrams).toBeLessThan(415)
  expect(fed.lastFeed.waterGrams).toBe(250)
  const stays = fed.stays.slice(-2) as Loose[]
  const names = await places()
  expect(stays.map(({ placeId }) => names.get(placeId))).toEqual(['Worktop', 'Fridge'])
  const cold = stays[1].from as string
  const file = (await (await fetch(`${program.address}/api/calendar.ics`)).text()).replace(/\r\n[ \t]/g, '')
  expect(file).toMatch(new RegExp(`DTSTART:${cold.replace(/[-:]|\\.\\d+/g, '').slice(0, 13)}`))
  await baker.later(cold, '/')
  await baker.click(page.getByRole('button', { name: 'Move Starter to Fridge: done' }))
  await until(jar, ({ placeToldAt }) => placeToldAt === cold)
  console.info(`The jar beside the levain: ${baker.counted()} clicks and fields.`)
})

test('on Sunday it is seen domed, mixed and baked', async () => {
  const { page } = baker
  const { plan } = await bake()
  await baker.later(plan.mixAt, `/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').waitFor()
  await baker.take('many')
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  await baker.click(page.getByTestId('mix').getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  await baker.doStep('Shape')
  await baker.toTheLoaf('Mild and high')
})

test('before a holiday a part of the jar is spread thin and dried', async () => {
  const { page, program } = baker
  const before = await jar()
  await page.goto(`${program.address}/jars/${before.id}/programs`)
  await baker.click(page.getByRole('group', { name: 'Programs' }).getByRole('button', { name: 'Dry a spare' }))
  await baker.fill('Wet, to be dried', '100')
  await baker.click(page.getByRole('button', { name: 'Begin' }))
  await page.getByTestId('step').waitFor()
  const words = plain(await page.getByTestId('step').innerText())
  expect(words).toMatch(/100 g/)
  expect(words).toMatch(/thin/)
  clicks += baker.counted()
  console.info(`Two days ahead, from the first question to the dried spare: ${clicks} clicks and fields.`)
})
