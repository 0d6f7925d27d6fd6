import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * Every day: the jar on the worktop gets 110 + 110 of the house blend each morning, 220 g of it go into a dough when it has doubled and domed, which
 * proofs cold and is baked the next day. A second jar sleeps in the fridge, and they swap. In the kitchen of New York, five hours behind UTC.
 */
const baker = practiceBaker()
const { bake } = baker
const jars = async (): Promise<Loose[]> => (await baker.program.call('GET', '/api/jars')).jars
const daily = async () => (await jars()).find((jar) => jar.name === 'Daily') as Loose
const looks = async () => (await daily()).looks as Loose[]
const placeOf = async (name: string) => {
  const { places } = (await baker.program.call('GET', '/api/kitchen')).kitchen
  const { placeId } = (await jars()).find((jar) => jar.name === name) as Loose
  return places.find((place: Loose) => place.id === placeId).name
}
const verdict = async () => plain(await baker.page.getByTestId('verdict').innerText())

test('fed this morning with 110 and 110, told as it was weighed, and what is left of it is 20 g', async () => {
  await baker.openKitchen('8', async () => {
    await baker.fill('Name of the jar', 'Daily')
    await baker.take('white with some rye')
    await baker.fill('How much is in it', '20')
    // Two figures do not say how much starter they went to.
    await baker.fill(/Fed how/, '110 + 110')
    await baker.page.getByText(/1:2:2, or as weighed/).waitFor()
    await baker.fill(/Fed how/, '20 + 110 + 110')
  })
  expect(await daily()).toMatchObject({ culture: 'house blend', grams: 20 })
})

test('the next morning it is fed like that again: 110 and 110 on 20 stand there already', async () => {
  const { page } = baker
  await baker.later('2026-11-27T12:00:00.000Z', '/')
  await baker.click(page.getByRole('button', { name: 'Feed Daily' }).first())
  const sheet = page.getByRole('dialog')
  await sheet.getByText('1:5.5:5.5').waitFor()
  expect(plain(await sheet.innerText())).toMatch(/110 g\s+water\s+110 g\s+flour/)
  await baker.click(sheet.getByRole('button', { name: 'Fed like this' }))
  await until(daily, ({ grams }) => grams === 240)
})

test('a dough takes 220 g of it as it is, when it is ready; it proofs cold, and bakes 30 min under the lid and 15 min without', async () => {
  const { page } = baker
  await baker.newBake()
  await baker.fill('Levain, 100 %, grams', '220')
  await page.keyboard.press('Tab')
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await choose(page, { name: 'How you use the starter' }, { name: 'use it as it is' })
  // The mix was to be the next morning, when it is long past its best.
  const card = page.getByTestId('as-it-is')
  await card.getByText(/^When you mix, Daily is past its best/).waitFor()
  await baker.click(card.getByRole('button', { name: /^Mix when it is ready, Fri / }))
  await card.getByText(/past its best/).waitFor({ state: 'hidden' })
  await baker.click(page.getByRole('link', { name: /^Plan/ }))
  await baker.take('Cold proof')
  await baker.page.getByRole('textbox', { name: 'Minutes' }).nth(0).fill('30')
  await baker.page.getByRole('textbox', { name: 'Minutes' }).nth(1).fill('15')
  await baker.fill('In the middle from', '95')
  await baker.fill('In the middle to', '96')
  await page.keyboard.press('Tab')
  const { plan } = await until(bake, ({ plan: p }) => p.course?.proof.kind === 'cold' && p.formula.oven?.coreC?.[1] === 96)
  expect(plan.build).toMatchObject({ source: 'as it is' })
  // 1:5.5 of a blend with a fifth of rye, at 21 °C: ten to twelve hours after 07:00.
  const hours = (Date.parse(plan.mixAt) - Date.parse('2026-11-27T12:00:00.000Z')) / 3_600_000
  expect(hours).toBeGreaterThan(9.5)
  expect(hours).toBeLessThan(13)
  // 1592 g in all with 220 of levain: 1592 = 805 + 549 + 18 + 220; 549 and 110 on 805 and 110 are 72 %.
  expect((549 + 110) / (805 + 110)).toBeCloseTo(0.72, 2)
})

test('when it should be ready nobody is told to mix: its baker is sent to look, on Today, at the bake and at the jar', async () => {
  const { page, program } = baker
  const { plan } = await bake()
  await baker.later(plan.mixAt, '/')
  const next = page.getByTestId('next')
  await next.getByRole('heading', { name: 'Look at Daily' }).waitFor()
  await page.goto(`${program.address}/jars/${(await daily()).id}`)
  await page.getByText('Should be ripe now').waitFor()
  await page.getByText(/look before you use it/).waitFor()
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').getByRole('heading', { name: 'Should be ready' }).waitFor()
  expect(await verdict()).not.toMatch(/Mix now|mix it now/i)
})

test('a level half as high as it was is asked about; corrected, with its dome it is ready, and every page says so', async () => {
  const { page, program } = baker
  await baker.page.getByRole('textbox', { name: /Or typed/ }).fill('2.6')
  await page.keyboard.press('Tab')
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(looks, (all) => all.length === 1)
  await page.getByTestId('verdict').getByRole('heading', { name: 'At its peak' }).waitFor()
  await baker.page.getByRole('textbox', { name: /Or typed/ }).fill('1.6')
  await page.keyboard.press('Tab')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await baker.click(page.getByTestId('level-asked').getByRole('button', { name: /mistyped ×1\.6/ }))
  await baker.fill('The level you saw', '2.6')
  await baker.click(page.getByTestId('level-asked').getByRole('button', { name: 'Save' }))
  const all = await until(looks, (now) => now.length === 2 && now.every((look) => look.rise === 2.6))
  expect(all.map((look) => look.signs.top)).toEqual(['domed', undefined])
  await page.getByTestId('verdict').getByRole('heading', { name: 'At its peak' }).waitFor()
  await page.goto(`${program.address}/`)
  await page.getByTestId('next').getByRole('heading', { name: 'Mix' }).waitFor()
  await page.goto(`${program.address}/jars/${(await daily()).id}`)
  await page.getByText('Ripe now').waitFor()
  await page.getByText(/^seen at/).waitFor()
})

test('220 g into the bowl, and the dough after it; the jar keeps its 20 g', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/`)
  await baker.click(page.getByTestId('next').getByRole('link', { name: 'Start weighing' }))
  await baker.weigh('Starter from Daily', '220')
  await baker.click(page.getByRole('button', { name: 'Go on to the dough' }))
  await baker.weighThese([
    [/flour$/i, '805'],
    ['Water', '549'],
    ['Salt', '18']
  ])
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  const { events } = await until(bake, ({ status }) => status === 'mixed')
  expect(events.findLast((e: Loose) => e.type === 'mixed').shown).toMatchObject({ phase: 'peak', advice: 'mix now' })
  expect((await daily()).grams).toBe(20)
  await baker.doStep('Shape')
})

test('yesterday’s loaf is baked, and today’s dough is the same again, a day on', async () => {
  const { page, program } = baker
  await baker.later('2026-11-28T12:00:00.000Z', '/')
  await baker.toTheLoaf('Every day')
  const before = await bake()
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/bread`)
  await baker.click(page.getByRole('button', { name: 'More for this bake' }))
  await baker.click(page.getByRole('menuitem', { name: 'Bake this again, a day on' }))
  await page.waitForURL(new RegExp(`bakes/(?!${before.id})[0-9a-f-]{36}/recipe`))
  const { plan } = await until(bake, ({ plan: p }) => p !== undefined)
  // Tomorrow: nothing makes 20 g ready by this evening. At the same hour, or as much later as the morning's feed takes.
  const hours = (Date.parse(plan.mixAt) - Date.parse(before.plan.mixAt)) / 3_600_000
  expect([48, 49, 50, 51]).toContain(hours)
  expect(plan).toMatchObject({ build: { source: 'as it is' }, formula: { oven: { coreC: [95, 96], stages: [{ minutes: 30 }, { minutes: 15 }] } } })
  console.info(`Every day, from the first question to the second dough: ${baker.counted()} clicks and fields.`)
})

test('a day of it takes ten taps at most, from the feed to the loaf', async () => {
  const { page } = baker
  const { plan } = await bake()
  // The jar is empty but for its 20 g: the feed for the mix is planned.
  const [feed] = plan.before as Loose[]
  await baker.later(feed?.at, '/')
  await baker.click(page.getByTestId('next').getByRole('button', { name: 'Done', exact: true }))
  const { grams } = await until(daily, (jar) => jar.grams > 200)
  expect(grams).toBeGreaterThanOrEqual(235)
  await baker.later(plan.mixAt, `/bakes/${baker.bakeId()}/watch`)
  await baker.take('domed')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(looks, (all) => all.length > 0)
  await baker.click(page.getByRole('link', { name: 'Weigh it into the dough' }))
  await baker.click(page.getByRole('button', { name: /^Poured/ }))
  await baker.click(page.getByRole('button', { name: 'The rest is not weighed here' }))
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  // What comes before a step that is done is told with it.
  for (const step of ['Shape', 'Out of the oven']) await baker.doStep(step)
  const taps = baker.counted()
  console.info(`Every day, one day of it: ${taps} taps.`)
  expect(taps).toBeLessThanOrEqual(10)
})

test('a second jar for the fridge, made of the first; after a fortnight the two swap places', async () => {
  const { page } = baker
  await baker.later('2026-11-30T12:00:00.000Z', `/jars/${(await daily()).id}`)
  await baker.click(page.getByRole('button', { name: 'Feed Daily' }))
  await baker.click(page.getByRole('dialog').getByRole('button', { name: 'Fed like this' }))
  await until(daily, (jar) => jar.grams > 60)
  await baker.click(page.getByRole('button', { name: 'Take a spare' }))
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('textbox', { name: /name/i }).fill('Weekly')
  await sheet.getByRole('textbox', { name: /into/i }).fill('20')
  await baker.click(sheet.getByRole('button', { name: 'Make the new jar' }))
  await until(jars, (all) => all.length === 2)
  expect([await placeOf('Daily'), await placeOf('Weekly')]).toEqual(['Worktop', 'Fridge'])
  await baker.later('2026-12-14T12:00:00.000Z', `/jars/${(await daily()).id}`)
  await choose(page, { name: 'Swap places with' }, { name: /Weekly/ })
  await until(
    async () => placeOf('Daily'),
    (place) => place === 'Fridge'
  )
  expect(await placeOf('Weekly')).toBe('Worktop')
})
