import { randomUUID } from 'node:crypto'
import type { Loose } from '../../src/server/testing/testServer'
import { choose, plain, until } from '../support'
import { practiceBaker } from './baker'

/** By flour: four pieces of 130 g of flour and one of 230 g, at 74, 20 and 2, the levain not counted. */
const baker = practiceBaker()
const { bake } = baker
const value = (name: string) => baker.page.getByRole('textbox', { name, exact: true }).inputValue()

test('sized by the flour in each piece: what goes into the bowl, and what a piece weighs', async () => {
  const { page } = baker
  await baker.openKitchen('10', () => baker.fill('How much is in it', '220'))
  await baker.newBake()
  await choose(page, { name: 'Percentages of' }, { name: 'as written' })
  await choose(page, { name: 'Size the dough by' }, { name: 'flour in each piece' })
  await baker.fill('Number of pieces, size 1', '4')
  await baker.fill('Weight of a piece, size 1', '130')
  await baker.click(page.getByRole('button', { name: 'Another size' }))
  await baker.fill('Weight of a piece, size 2', '230')
  await baker.fill('Water, %', '74')
  await baker.fill('Levain, 100 %, %', '20')
  await baker.fill('Salt, %', '2')
  // 4 × 130 + 230 = 750 g; 74, 20 and 2 % of it.
  await until(
    async () => [await value('White wheat flour, grams'), await value('Water, grams'), await value('Levain, 100 %, grams'), await value('Salt, grams')],
    (told) => told.join(' ').replace(/15(\.0)?$/, '15') === '750 555 150 15'
  )
  await page.getByText('saved', { exact: true }).waitFor()
  const { plan } = await until(bake, ({ plan: p }) => p.target.kind === 'flour pieces' && p.formula.salt === 0.02)
  expect(plan.target.pieces).toEqual([
    { count: 4, grams: 130 },
    { count: 1, grams: 230 }
  ])
  // As written, the levain’s 75 + 75 are not counted: 555 + 75 of 750 + 75 is 76.4 %.
  expect(plain(await page.locator('main').innerText())).toMatch(/76\.4 % hydration/)
})

test('cut at the bench: 451 g and four of 255 g', async () => {
  const { page } = baker
  const note = (event: Loose) =>
    baker.program.call('POST', `/api/bakes/${baker.bakeId()}/events`, { id: randomUUID(), happenedAt: '2026-11-26T19:42:00.000Z', ...event })
  // The levain was built and mixed meanwhile, as the other practices do it by hand.
  for (const [item, grams, more] of [
    ['seed', 20, {}],
    ['water', 80, {}],
    ['flour', 80, { ingredientId: 'white wheat' }]
  ] as const)
    await note({ type: 'pour', item, plannedGrams: grams, weighedGrams: grams, ...more })
  await note({ type: 'band', mixTempC: 24 })
  await note({ type: 'mixed', levainGrams: 150, keepBackGrams: 0 })
  await page.goto(`${baker.program.address}/bakes/${baker.bakeId()}/weigh`)
  await page.getByTestId('pour').waitFor()
  const room = await baker.room()
  // 1470 g of dough for 750 g of flour: 1.96 g of dough for each.
  expect(room).toMatch(/Piece 1 of 5/)
  expect(room).toMatch(/451/)
})
