import type { Loose } from '../../src/server/testing/testServer'
import { plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A rye starter of 320 g is grown in a large tub with 1.1 kg of rye and 2.2 l of water, in two portions at 29 °C, sixteen hours; what is there is stiffened to
 * crumb, dried, milled, packed with labels, and woken half a year later. In the kitchen of New York, five hours behind UTC; the clock begins at 14:42 there.
 */
const baker = practiceBaker()
const jars = async (): Promise<Loose[]> => (await baker.program.call('GET', '/api/jars')).jars
const named = async (name: string): Promise<Loose> => (await jars()).find((j) => j.name === name) as Loose
const tub = () => named('Starter')
const step = () => baker.page.getByTestId('step')
const programs = async (of: Loose, kind: string) => {
  await baker.page.goto(`${baker.program.address}/jars/${of.id}/programs`)
  await baker.click(baker.page.getByRole('group', { name: 'Programs' }).getByRole('button', { name: kind }))
}
/** Goes to the next step of a jar's program at its time, and does it. */
async function doNext(name: string, button: string, weighs?: string): Promise<string> {
  const { program: running } = await named(name)
  await baker.later(running.dueAt, `/programs/${running.id}`)
  const words = plain(await step().innerText())
  const before = await step().getByRole('heading').innerText()
  if (weighs !== undefined) {
    // Without its weight the step is not done.
    await baker.click(step().getByRole('button', { name: button, exact: true }))
    await baker.page.getByText('Weigh it, and say how much it is.').waitFor()
    await baker.fill('It weighs', weighs)
  }
  await baker.click(step().getByRole('button', { name: button, exact: true }))
  await until(
    async () =>
      (await step().count()) === 0 || (await step().getByRole('heading').innerText()) !== before || (await named(name)).program?.dueAt !== running.dueAt,
    (gone) => gone
  )
  return words
}

test('a rye starter on the worktop', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('On the worktop')
  await baker.take('like batter')
  await baker.click(page.getByRole('radiogroup', { name: 'Flour it lives on' }).getByText('rye', { exact: true }))
  await baker.fill('How much is in it', '320')
  await baker.fill('Last fed', '10')
  await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
})

test('grown in two portions of its baker’s own, at 29 °C; the mix is as warm as it was made', async () => {
  const { page } = baker
  await programs(await tub(), 'Your own steps')
  const steps = page.getByRole('list', { name: 'Your own steps' })
  for (const [at, after] of [
    [1, '0'],
    [2, '2']
  ] as const) {
    const one = steps.getByRole('listitem', { name: `Step ${at}` })
    for (const [name, figure] of [
      ['After, h', after],
      ['Flour', '550'],
      ['Water', '1100'],
      ['Mix at', '29']
    ] as const)
      await one.getByRole('textbox', { name }).fill(figure)
  }
  await baker.click(page.getByRole('button', { name: 'Add a step' }))
  const last = steps.getByRole('listitem', { name: 'Step 3' })
  await last.getByRole('textbox', { name: 'After, h' }).fill('16')
  await last.getByRole('textbox', { name: 'Flour' }).fill('0')
  await baker.click(page.getByRole('button', { name: 'Begin' }))
  await step().waitFor()
  await doNext('Starter', 'Done')
  await until(tub, ({ grams }) => grams === 320 + 1650)
  expect((await tub()).line.mixTempC).toBe(29)
  // Two hours later it is 16:42, and the second portion is due at once, not in the night.
  expect((await tub()).program.dueAt).toBe('2026-11-26T21:42:00.000Z')
  await doNext('Starter', 'Done')
  await until(tub, ({ grams }) => grams === 3620)
  // Sixteen hours on it is 08:42.
  expect((await tub()).program.dueAt).toBe('2026-11-27T13:42:00.000Z')
  await doNext('Starter', 'Done')
  await until(tub, ({ program }) => program === null)
  // 160 + 1100 of flour, 160 + 2200 of water.
  expect((await tub()).hydration).toBeCloseTo(2360 / 1260, 2)
})

test('what is there is dried as it is, all but its least, stiffened to crumb with the flour that takes', async () => {
  const { page } = baker
  await programs(await tub(), 'Dry a spare')
  await baker.take('crumb')
  const preview = page.getByTestId('preview')
  expect(await page.getByRole('textbox', { name: 'Wet, to be dried' }).inputValue()).toBe('3605')
  await baker.click(page.getByRole('button', { name: 'Begin' }))
  await step().waitFor()
  // 3605 g at 187 % hold 1255 g of flour and 2350 g of water; at 35 % that water wants 6715 g of flour, 5460 g more.
  const rub = await doNext('Starter', 'Yes: done')
  expect(rub).toMatch(/Rub 3605 g with about 54[56]\d g of flour to crumbs/)
  expect(await preview.count()).toBe(0)
  await until(tub, ({ grams }) => grams === 15)
  await doNext('Starter', 'Done')
  const dry = await doNext('Starter', 'Yes: done', '7350')
  expect(dry).toMatch(/Weigh it: about 738\d g/)
  await until(
    () => named('Starter, dried'),
    ({ grams }) => grams === 7350
  )
  const pack = await doNext('Starter', 'Done')
  expect(pack).toMatch(/about 369 packets of 20 g\. Dry and dark it keeps a year/)
})

test('each packet has its label: how it is woken, and until when it is at its best', async () => {
  const { page, program } = baker
  await page.goto(`${program.address}/jars/${(await named('Starter, dried')).id}/label`)
  const label = plain(await page.getByTestId('label').innerText())
  expect(label).toMatch(/Dried sourdough starter, for its packet Culture dried, rye Dried \w+ 27 Nov/)
  expect(label).toMatch(/Best before \w+ 27 Nov 2027/)
  expect(label).toContain('To wake 10 g in 18 g of water, 10 g of flour')
})

test('woken half a year later with the grams of its label; the rest sleeps on', async () => {
  const { page, program } = baker
  await program.moveClock('2027-05-27T14:00:00.000Z')
  await page.goto(`${program.address}/jars/${(await named('Starter, dried')).id}/programs`)
  await baker.fill('Name of the woken jar', 'Ember')
  await baker.click(page.getByRole('button', { name: 'Begin' }))
  await step().waitFor()
  expect(plain(await step().innerText())).toMatch(/Crumble 10 g into 18 g of water/)
  await baker.click(step().getByRole('button', { name: 'Done', exact: true }))
  await until(
    () => named('Ember'),
    (there) => there?.grams === 38
  )
  expect((await named('Starter, dried')).grams).toBe(7340)
  await doNext('Starter, dried', 'Yes: done')
  await until(
    () => named('Ember'),
    ({ grams }) => grams > 38
  )
  console.info(`Grown, dried and woken: ${baker.counted()} clicks and fields.`)
})
