import { millisecondsInHour } from 'date-fns/constants'
import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A baker of percentages: five kilos of flour, 20 % levain, 71 % and 2.1 % as they truly are; then a fifth of the flour as a poolish, which has its hour.
 * In the kitchen of New York, five hours behind UTC.
 */
const baker = practiceBaker()

const cell = (name: string) => baker.page.getByRole('textbox', { name, exact: true })
const figures = async (names: readonly string[]) => Object.fromEntries(await Promise.all(names.map(async (name) => [name, await cell(name).inputValue()])))
const becomes = (expected: Readonly<Record<string, string>>) =>
  until(
    () => figures(Object.keys(expected)),
    (told) => JSON.stringify(told) === JSON.stringify(expected)
  )
const sum = async () =>
  plain(await baker.page.locator('main').innerText())
    .match(/Dough ([\d.]+) (\d+)/)
    ?.slice(1)

test('a kitchen with no plan yet, and a new bake', async () => {
  await baker.openKitchen('9', async () => {
    await baker.fill('How much is in it', '1400')
    await baker.fill('Kitchen', '20')
  })
  await baker.newBake()
})

test('five kilos at 20 % levain, 71 % and 2.1 %: the levain’s flour and water are counted', async () => {
  const { page } = baker
  await cell('White wheat flour, grams').fill('5000')
  await baker.fill(/^Hydration/, '71')
  await baker.fill(/^Salt$/, '2.1')
  // 1000 g of levain hold 500 + 500. All flour 5500: 71 % of it is 3905, less 500; 2.1 % is 115.5, on the scale 116.
  await becomes({ 'White wheat flour, grams': '5000', 'Water, grams': '3405', 'Levain, 100 %, grams': '1000', 'Water, %': '68.1', 'Salt, %': '2.31' })
  // 100 + 68.1 + 20 + 2.31, and 5000 + 3405 + 1000 + 115.5.
  await until(sum, (told) => told?.[0] === '190.41' && /^952[01]$/.test(told[1] ?? ''))
  // 116 g on the scale are 2.11 % of 5500 g.
  await until(baker.room, (words) => /71 % hydration, 71 % asked 2\.11 % salt, 2\.1 % asked/.test(words))
  await page.getByText('saved', { exact: true }).waitFor()
})

test('a fifth of the flour as a poolish: the true figures stay, and the column still adds up', async () => {
  const { page } = baker
  await baker.click(page.getByRole('button', { name: 'Pre-ferment or soaker' }))
  await baker.click(page.getByRole('menuitem', { name: /poolish/i }))
  await cell('Poolish, %').fill('20')
  // 1000 g of flour and of water go ahead, with 1 g of yeast.
  await becomes({ 'White wheat flour, grams': '4000', 'Water, grams': '2405', 'Poolish, grams': '2001' })
  const room = await until(baker.room, (words) => /White wheat flour and 1000 g ahead/.test(words))
  expect(room).toMatch(/71 % hydration, 71 % asked/)
  expect(room).toMatch(/Poolish of the flour; counted above/)
  // The yeast is all that comes on top: 0.02 %.
  await until(sum, (told) => told?.[0] === '190.43')
  await page.getByText('saved', { exact: true }).waitFor()
})

/** What is made ahead, in every place that tells it. */
const poolishAt = async () => {
  const { plan } = (await baker.program.call('GET', `/api/bakes/${baker.bakeId()}`)) as Loose
  const calendar = await (await fetch(`${baker.program.address}/api/bakes/${baker.bakeId()}/calendar.ics`)).text()
  const event =
    calendar
      .replace(/\r\n /g, '')
      .split('BEGIN:VEVENT')
      .find((one) => one.includes('Make the poolish')) ?? ''
  return { mixMs: Date.parse(plan.mixAt), event }
}

test('the poolish has its hour in Plan, Today and the calendar, out of the night, and goes along when the mix moves', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/plan`)
  const day = page.getByRole('region', { name: 'The whole day' })
  const told = async () => /(\w{3} \d\d:\d\d) Make the poolish/.exec(plain(await day.innerText()))?.[1] ?? null
  const onPlan = await until(told, (at) => at !== null)
  const { event, mixMs } = await poolishAt()
  expect(event).toContain('SUMMARY:Make the poolish: Two loaves')
  const begun = /DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)/.exec(event)
  const begunMs = Date.parse(`${begun?.[1]}-${begun?.[2]}-${begun?.[3]}T${begun?.[4]}:${begun?.[5]}:00Z`)
  // Mixed at 09:30, twelve hours before it is 21:30 of the evening before, when its baker is up.
  expect((mixMs - begunMs) / millisecondsInHour).toBeCloseTo(12, 1)
  expect(onPlan).toMatch(/21:30$/)
  await page.goto(`${baker.program.address}/`)
  await page.getByTestId('next').waitFor()
  expect(await baker.room()).toContain('Make the poolish')
})

test('what the wished hour means changes, and the plan stays', async () => {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/plan`)
  const { plan: before } = await baker.bake()
  for (const [kind, words] of [
    ['eat', /cut/i],
    ['mix', 'Dough mixed at']
  ] as const) {
    await choose(page, { name: 'What should be ready' }, { name: words })
    const { plan } = await until(baker.bake, ({ plan: p }) => p.bread?.kind === kind)
    // To the five minutes in which hours are told.
    expect(Math.abs(Date.parse(plan.mixAt) - Date.parse(before.mixAt))).toBeLessThanOrEqual(150_000)
    if (kind === 'mix') expect(plan.bread.at).toBe(plan.mixAt)
  }
})

test('when it is due, Today asks for it with its grams, leads to its weighing, and it is no step any more', async () => {
  const { page } = baker
  const { mixMs } = await poolishAt()
  await baker.later(new Date(mixMs - 12 * millisecondsInHour).toISOString(), '/')
  const next = page.getByTestId('next').or(page.getByText('Then')).first()
  await next.waitFor()
  const room = await baker.room()
  expect(room).toMatch(/Make the poolish/)
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh?job=${await lineOfPoolish()}`)
  const pour = page.getByTestId('pour')
  for (const [item, grams] of [
    [/White wheat flour/, '1000'],
    [/Water/, '1000'],
    [/yeast/i, '1']
  ] as const) {
    await pour.getByRole('heading', { name: item }).waitFor()
    await baker.fill('What the scale shows', grams)
    await baker.click(page.getByRole('button', { name: /^Poured/ }))
  }
  await page.goto(`${baker.program.address}/`)
  await page.getByTestId('next').waitFor()
  expect(await baker.room()).not.toContain('Make the poolish')
})

test('the levain for it, five kilos of dough weighed with the poolish in it, and the bread', async () => {
  const { page, program } = baker
  await baker.later(await baker.timeOf('Build the levain'), `/bakes/${baker.bakeId()}/weigh?job=levain`)
  await page
    .getByTestId('pour')
    .getByRole('heading', { name: /^Starter/ })
    .waitFor()
  const levain = await baker.weighAll()
  // 1000 g for the dough, 20 g back to the jar, and 3 % of that stick.
  expect(levain.reduce((sum, grams) => sum + grams, 0)).toBeCloseTo(1051, -1)
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  await baker.later(await baker.timeOf('Mix'), `/bakes/${baker.bakeId()}/weigh`)
  await page.getByTestId('pour').waitFor()
  const dough = await baker.weighAll()
  // 4000 of flour, 2405 of water, 2001 of poolish, 1000 of levain, 115.5 of salt.
  expect(dough.reduce((sum, grams) => sum + grams, 0)).toBeGreaterThan(9520)
  expect(dough.reduce((sum, grams) => sum + grams, 0)).toBeLessThan(9523)
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await until(baker.bake, ({ status }) => status === 'mixed')
  const { jars } = await program.call('GET', '/api/jars')
  expect(jars[0].grams).toBeCloseTo(1400 - (levain[0] ?? 0) + 20, 0)
  await baker.doStep('Shape')
  await baker.toTheLoaf('Light, for so much of it')
  console.info(`Percentages and poolish, to the noted bread: ${baker.counted()} clicks and fields.`)
})

const lineOfPoolish = async (): Promise<string> =>
  ((await baker.program.call('GET', `/api/bakes/${baker.bakeId()}`)) as Loose).plan.formula.lines.find((line: Loose) => line.kind === 'pre-ferment').id
