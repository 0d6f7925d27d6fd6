import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A rye culture from nothing, in the baker's own amounts: 60 + 60, a day later + 60 + 60, then + 120 + 120; young until it has doubled. Later a day-long
 * pre-dough of 270 g of rye, 290 g of water and 75 g of starter, past its peak on purpose, with 75 g of it back to the jar; a little yeast in the dough, and
 * a loaf. In the kitchen of New York, five hours behind UTC; the clock begins on Thursday at 14:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose
const step = () => baker.page.getByTestId('step')
const toStep = async () => {
  const { program: running } = await jar()
  await baker.later(running.dueAt, `/programs/${running.id}`)
  await step().waitFor()
  return running.dueAt as string
}

test('“I have none yet” leads to the first day, with the baker’s own amounts', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('I have none yet')
  await baker.click(page.getByRole('button', { name: 'Begin the starter' }))
  await baker.fill('Name', 'Ember')
  await baker.take('my own amounts')
  await baker.fill('Flour, first day', '60')
  await baker.fill('Water, first day', '60')
  const steps = page.getByRole('list', { name: 'Your own steps' })
  for (const [at, grams] of [
    [1, '60'],
    [2, '120']
  ] as const) {
    for (const name of ['Flour', 'Water'])
      await steps
        .getByRole('listitem', { name: `Step ${at}` })
        .getByRole('textbox', { name })
        .fill(grams)
  }
  await baker.click(page.getByRole('button', { name: 'Mixed: begin' }))
  await step().waitFor()
  expect(await jar()).toMatchObject({ name: 'Ember', culture: 'rye', grams: 120, young: true })
})

test('day by day, in waking hours: + 60 + 60, then + 120 + 120; nobody forecasts it while it is young', async () => {
  const { page, program } = baker
  const day = 24 * 3_600_000
  const first = await toStep()
  expect(Date.parse(first) - Date.parse('2026-11-26T19:42:00.000Z')).toBe(day)
  expect(plain(await step().innerText())).toMatch(/all kept 60 ?g wholegrain rye flour 60 ?g water/)
  await baker.click(step().getByRole('button', { name: 'Done' }))
  await until(jar, ({ grams }) => grams === 240)
  await toStep()
  await baker.click(step().getByRole('button', { name: 'Done' }))
  await until(jar, ({ grams }) => grams === 480)
  await page.goto(`${program.address}/jars/${(await jar()).id}`)
  const told = page.getByTestId('how-it-is')
  await told.getByRole('heading', { name: 'Young: it has not risen twice yet' }).waitFor()
  expect(plain(await told.innerText())).not.toMatch(/ipe about|hungry/)
})

test('not doubled yet: fed once more like the last time; then it doubles, and is a culture', async () => {
  const { page, program } = baker
  const question = await toStep()
  expect(plain(await step().innerText())).toContain('First look: Doubled within eight hours of its feed.')
  await baker.click(step().getByRole('button', { name: 'Not yet' }))
  // All of the 480 g, and the last feed again.
  await until(jar, ({ grams }) => grams === 720)
  const again = await toStep()
  expect(Date.parse(again) - Date.parse(question)).toBeGreaterThanOrEqual(24 * 3_600_000)
  await baker.click(step().getByRole('button', { name: 'Yes: done' }))
  await toStep()
  await baker.click(step().getByRole('button', { name: 'Done' }))
  await until(jar, ({ young, program: running }) => !young && running === null)
  await page.goto(`${program.address}/`)
  await page.getByRole('article', { name: 'Ember' }).waitFor()
})

test('a pre-dough past its peak on purpose: 75, 270 and 290 g for a day, and a little yeast in the dough', async () => {
  const { page } = baker
  await baker.newBake()
  await baker.click(page.getByRole('button', { name: 'Ingredient', exact: true }))
  await baker.fill('Find an ingredient', 'instant yeast')
  await page.keyboard.press('Enter')
  await baker.fill('Instant yeast, grams', '2')
  await page.getByText('saved', { exact: true }).waitFor()
  await baker.click(page.getByRole('link', { name: /^Levain/ }))
  await baker.take('all three')
  for (const [label, grams] of [
    ['Starter', '75'],
    ['Flour', '270'],
    ['Water', '290']
  ] as const)
    await page.getByRole('textbox', { name: label, exact: true }).first().fill(grams)
  await until(bake, ({ plan }) => plan.build.by.kind === 'amounts' && plan.build.by.water === 290)
  await baker.click(page.getByRole('link', { name: /^Plan/ }))
  await choose(page, { name: 'How ripe you like it' }, { name: 'Full sour: past its peak on purpose' })
  await until(bake, ({ plan }) => plan.school === 'full sour')
})

test('weighed, a day later it is full sour and mixed; 75 g go home', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/weigh`)
  await baker.weigh(/^Starter/, '75')
  await baker.weigh('Water', '290')
  await baker.weigh(/flour$/, '270')
  await baker.click(page.getByRole('button', { name: 'The level is marked' }))
  await page.getByTestId('verdict').waitFor()
  const { line } = await bake()
  await baker.later(new Date(Date.parse(line.startedAt) + 20 * 3_600_000).toISOString(), `/bakes/${baker.bakeId()}/watch`)
  await page.getByTestId('verdict').waitFor()
  await baker.take('sunken')
  await baker.click(page.getByRole('button', { name: /^Save what you saw/ }))
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'mark'))
  // Sunken is what was wanted.
  await until(
    async () => plain(await page.getByTestId('verdict').innerText()),
    (words) => /Full sour past its peak, as you want it Mix now/.test(words)
  )
  const before = (await jar()).grams
  const mix = page.getByTestId('mix')
  await mix.getByRole('textbox', { name: 'Back to the jar' }).fill('75')
  await baker.click(mix.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  expect((await jar()).grams).toBe(before + 75)
  await baker.doStep('Shape')
  await baker.toTheLoaf('Sharp and dense, as it should be')
  console.info(`Rye from flour and water, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
