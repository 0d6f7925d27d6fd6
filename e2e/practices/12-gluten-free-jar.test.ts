import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A gluten-free jar in the fridge: 22 g kept, 1:5:5, an hour out, a look a day; then a ratio for the day it is wanted, its discard in a pot of its own, and
 * a label. In the kitchen of New York, five hours behind UTC; the clock begins on Thursday at 14:42 there.
 */
const baker = practiceBaker()
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const places = async (): Promise<Loose[]> => (await baker.program.call('GET', '/api/kitchen')).kitchen.places
const placeOf = async (stay: Loose) => (await places()).find((p) => p.id === stay.placeId)?.name
const openJar = async () => baker.page.goto(`${baker.program.address}/jars/${(await jar()).id}`)
let clicks = 0
const next = () => baker.page.getByTestId('next')

test('a gluten-free starter that sleeps in the fridge', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('In the fridge')
  await baker.click(page.getByRole('radiogroup', { name: 'Flour it lives on' }).getByText('gluten-free', { exact: true }))
  await baker.fill('How much is in it', '120')
  await baker.take('days ago')
  await baker.fill('Last fed', '6')
  await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  expect(await jar()).toMatchObject({ culture: 'gluten-free', flour: 'gluten-free', grams: 120 })
})

test('22 g kept, fed 1:5:5, an hour out: Today says when it goes back, and it has gone when that is told', async () => {
  const { page } = baker
  await openJar()
  await baker.click(page.getByRole('button', { name: 'Feed Starter' }))
  await baker.take('By grams')
  await baker.fill('Keep', '22')
  await baker.fill('Flour', '110')
  await baker.fill('Water', '110')
  await baker.click(page.getByRole('button', { name: 'An hour out first' }))
  // No flour that holds gluten is offered.
  expect(plain(await page.getByRole('dialog').innerText())).not.toMatch(/wheat|rye|spelt/i)
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  const { grams, stays, placeToldAt } = await until(jar, ({ grams: there }) => there === 242)
  expect(grams).toBe(242)
  expect(placeToldAt).toBe(stays[0].from)
  expect(await Promise.all(stays.map(placeOf))).toEqual(['Worktop', 'Fridge'])
  // An hour later, and forty minutes of forgetting.
  await baker.later('2026-11-26T21:22:00.000Z', '/')
  // Forty minutes late it stands with what the jars want.
  const care = page.getByTestId('jar-care')
  await care.getByText('Move Starter to Fridge').waitFor()
  clicks += baker.counted()
  await baker.click(care.getByRole('button', { name: 'Move Starter to Fridge: done' }))
  const moved = await until(jar, ({ placeToldAt: told }) => told === '2026-11-26T21:22:00.000Z')
  expect(baker.counted()).toBe(1)
  clicks++
  expect(moved.stays.map((s: Loose) => s.from)).toEqual(['2026-11-26T19:42:00.000Z', '2026-11-26T21:22:00.000Z'])
})

test('what was not kept is in the gluten-free pot, and its recipes hold no gluten', async () => {
  const { page, program } = baker
  const { portions } = await program.call('GET', '/api/discard')
  expect(portions.map((p: Loose) => [p.pot, p.grams])).toEqual([['gluten-free', 98]])
  await page.goto(`${program.address}/jars`)
  const pot = page.getByRole('region', { name: 'Gluten-free pot' })
  await choose(pot, { name: 'For' }, { name: 'Waffles' })
  await pot.getByText('Gluten-free flour blend').waitFor()
  expect(plain(await pot.innerText())).not.toMatch(/wheat|rye|oats/i)
})

test('a look a day while it stands cold is in its history', async () => {
  const { page } = baker
  for (const [day, level] of [
    ['27', '1.2'],
    ['28', '1.5']
  ] as const) {
    await baker.later(`2026-11-${day}T14:00:00.000Z`)
    await openJar()
    await baker.click(page.getByRole('button', { name: 'Note what you saw' }))
    await baker.fill('Level', level)
    await baker.click(page.getByRole('dialog').getByRole('button', { name: 'Note it' }))
    await page.getByText(`looked at: ×${level}`).waitFor()
  }
})

test('wanted ripe on Tuesday at noon: the ratio and when to take it out, with its chance; one tap feeds it so and plans the moves', async () => {
  const { page } = baker
  // Sunday, nine in the morning there.
  await baker.later('2026-11-29T14:00:00.000Z')
  await openJar()
  const card = page.getByTestId('for-date')
  await card.getByRole('spinbutton', { name: 'Hour' }).fill('12')
  await card.getByRole('spinbutton', { name: 'Minute' }).fill('00')
  const button = card.getByRole('button', { name: /^Fed 1:\d+(\.\d)?, cold, then out$/ })
  await button.waitFor()
  const words = plain(await card.innerText())
  expect(words).toMatch(/Keep 22 g, add \d+ g of flour and \d+ g of water/)
  expect(words).toMatch(/take it out again (Mon|Tue) \d\d:\d\d/)
  expect(words).toMatch(/\d+ % chance it’s ready then; at its best from (Mon|Tue) \d\d:\d\d to (Tue|Wed) \d\d:\d\d/)
  expect(words).toMatch(/Days to its peak at Fridge, after an hour out 1:1 \d+\.\d days, not seen yet/)
  const ratio = Number(/1:([\d.]+)/.exec((await button.getAttribute('aria-label')) ?? '')?.[1])
  await baker.click(button)
  const fed = await until(jar, ({ lastFeed }) => lastFeed.at === '2026-11-29T14:00:00.000Z')
  // 22 g kept; at the jar's own 110 : 110 the water is as much as the flour.
  expect(fed.lastFeed.keepGrams).toBe(22)
  expect(fed.lastFeed.flours.reduce((sum: number, f: Loose) => sum + f.grams, 0)).toBeCloseTo(22 * ratio, -0.5)
  expect(await Promise.all(fed.stays.map(placeOf))).toEqual(['Worktop', 'Fridge', 'Worktop'])
})

test('into the fridge after an hour, out again when Today says so, never in the night; ripe when it is wanted', async () => {
  const { page } = baker
  const [, cold, out] = (await jar()).stays
  await baker.later(cold.from, '/')
  await baker.click(next().getByRole('button', { name: 'Move Starter to Fridge: done' }))
  await until(jar, ({ placeToldAt }) => placeToldAt === cold.from)
  // What was planned after it stands.
  expect((await jar()).stays.at(-1)).toEqual(out)
  const hour = Number(new Intl.DateTimeFormat('en-GB', { timeZone: 'America/New_York', hour: '2-digit' }).format(new Date(out.from)))
  expect(hour).toBeGreaterThanOrEqual(6)
  expect(hour).toBeLessThanOrEqual(22)
  await baker.later(out.from, '/')
  await baker.click(next().getByRole('button', { name: 'Move Starter to Worktop: done' }))
  await until(jar, ({ placeToldAt }) => placeToldAt === out.from)
  await baker.later('2026-12-01T17:00:00.000Z')
  await openJar()
  await page
    .getByTestId('how-it-is')
    .getByRole('heading', { name: /^(Should be ripe|Ripe)/ })
    .waitFor()
})

test('its label says what it is, and that it is free of gluten as far as its flours go', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/jars/${(await jar()).id}/label`)
  const label = plain(await page.getByTestId('label').innerText())
  expect(label).toMatch(/^Starter A living sourdough starter, for its jar Culture gluten-free, \d+ %/)
  expect(label).not.toContain('Holds gluten')
  console.info(`A gluten-free jar, from the first question to ripe on its day: ${clicks + baker.counted()} clicks and fields.`)
})
