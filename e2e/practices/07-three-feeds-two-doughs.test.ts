import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/**
 * A starter that was given is woken by three feeds, the last exactly 65 : 65 : 65; fed at eight, it goes at three in the afternoon, still climbing,
 * into two doughs of 60 and 67 %. In the kitchen of New York, five hours behind UTC; the clock begins at 14:42 there.
 */
const baker = practiceBaker()
const { bake } = baker
const jar = async (): Promise<Loose> => (await baker.program.call('GET', '/api/jars')).jars[0] as Loose

async function feed(keep: string, flour: string, water: string, left: number): Promise<void> {
  const { page } = baker
  await baker.click(page.getByRole('button', { name: /^Feed/ }).first())
  await baker.take('By grams')
  await baker.fill('Keep', keep)
  await baker.fill('Flour', flour)
  await baker.fill('Water', water)
  await baker.click(page.getByRole('button', { name: 'Fed like this' }))
  await until(jar, ({ grams }) => grams === left)
}

test('given by a friend, and fed three times; the last makes 195 g, to the gram', async () => {
  const { page, program } = baker
  await page.goto(program.address)
  await baker.take('It was given to me')
  await baker.fill('Name of the jar', 'Wren')
  await baker.take('like batter')
  await baker.fill('How much is in it', '60')
  await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
  await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
  await feed('30', '30', '30', 90)
  await baker.later('2026-11-27T13:00:00.000Z', '/')
  await feed('40', '40', '40', 120)
  await baker.later('2026-11-28T13:00:00.000Z', '/')
  await feed('65', '65', '65', 195)
  // 60 − 30, 90 − 40 and 120 − 65 are in the pot, and nothing was lost on the way.
  const { portions } = await program.call('GET', '/api/discard')
  expect(portions.reduce((sum: number, p: Loose) => sum + p.grams, 0)).toBe(135)
})

/** A dough of 450 g of flour at a hydration, its levain the starter as it is, mixed at three. */
async function dough(hydration: string, name: string): Promise<void> {
  const { page } = baker
  await page.goto(`${baker.program.address}/bakes`)
  await baker.take('New bake')
  await page.waitForURL(/\/recipe/)
  await page.getByText('saved', { exact: true }).waitFor()
  await page.getByRole('textbox', { name: 'Name of the bake' }).fill(name)
  await page.keyboard.press('Tab')
  await choose(page, { name: 'Size the dough by' }, { name: 'flour to be added' })
  await baker.fill('flour to be added', '450')
  await page.getByRole('textbox', { name: 'Hydration' }).first().fill(hydration)
  await page.keyboard.press('Tab')
  await until(bake, ({ plan }) => plan.formula.hydration === Number(hydration) / 100 && plan.name === name)
  await page.getByRole('link', { name: /^Levain/ }).click()
  await choose(page, { name: 'How you use the starter' }, { name: 'use it as it is' })
  await until(bake, ({ plan }) => plan.build.source === 'as it is')
}

test('two doughs, 60 and 67 %, take 90 g each; side by side they differ in the water alone', async () => {
  const { page, program } = baker
  for (const [hydration, name] of [
    ['60', 'Tighter'],
    ['67', 'Looser']
  ] as const) {
    await dough(hydration, name)
    // 20 % of 450 g; of the 195 g it leaves 105.
    expect(plain(await page.locator('main').innerText())).toMatch(/90 ?g starter 90 g for the dough/)
    await page.getByRole('link', { name: /^Recipe \d/ }).click()
    await baker.click(page.getByRole('button', { name: 'Recipes', exact: true }))
    await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill(name)
    await baker.click(page.getByRole('button', { name: /Save as a/ }))
    await page.getByText(`${name} is in the library`).waitFor()
  }
  await page.goto(`${program.address}/recipes`)
  await page.getByRole('button', { name: /Looser/ }).click()
  await choose(page, { name: 'Beside' }, { name: 'Tighter' })
  const table = plain(await page.getByRole('dialog').innerText())
  // 495 g of flour in all, 45 of them in the starter: 60 % are 297 g, 67 % are 331.65, less the 45 of water in the starter.
  expect(table).toMatch(/Water 287 g · 57\.\d % 252 g · 50\.\d %/)
  expect(table).toMatch(/White wheat flour 450 g · 90\.\d+ % 450 g · 90\.\d+ %/)
})

test('at three it is still climbing: both are weighed and mixed, and 15 g stay', async () => {
  const { page, program } = baker
  await baker.later('2026-11-28T20:00:00.000Z')
  const { bakes } = await program.call('GET', '/api/bakes?state=open')
  for (const { id } of bakes as Loose[]) {
    await page.goto(`${program.address}/bakes/${id}/weigh`)
    await baker.weigh('Starter from Wren', '90')
    await baker.click(page.getByRole('button', { name: 'Go on to the dough' }))
    await page.goto(`${program.address}/bakes/${id}/watch`)
    await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
    await until(bake, ({ status }) => status === 'mixed')
  }
  expect((await jar()).grams).toBe(15)
  await page.goto(`${program.address}/jars/${(await jar()).id}`)
  await page.getByText('90 g taken for Tighter').waitFor()
  await page.getByText('90 g taken for Looser').waitFor()
})

test('the proof judged by a finger, and the bread noted', async () => {
  const { page } = baker
  await baker.doStep('Shape')
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/bread`)
  await baker.take('comes back slowly')
  await baker.click(page.getByRole('button', { name: 'Note it' }).first())
  await until(bake, ({ events }) => events.some((e: Loose) => e.type === 'dough' && e.poke === 'comes back slowly'))
  await baker.toTheLoaf('Tender, and mild')
  console.info(`Three feeds and two doughs, from the first question to the noted loaf: ${baker.counted()} clicks and fields.`)
})
