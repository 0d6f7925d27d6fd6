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

test('the ripe jar goes into the bowl as it is: 150 g, then flour, water and salt', async () => {
  const { page, program } = baker
  await page.getByRole('link', { name: /^Levain/ }).click()
  await choose(page, { name: 'How you use the starter' }, { name: 'use it as it is' })
  await until(bake, ({ plan: p }) => p.build.source === 'as it is')
  await page.goto(`${program.address}/bakes/${baker.bakeId()}/weigh`)
  expect(await baker.weighAll()).toEqual([150])
  await baker.click(page.getByRole('button', { name: 'Go on to the dough' }))
  await page
    .getByTestId('pour')
    .getByRole('heading', { name: /flour$/ })
    .waitFor()
  expect(await baker.weighAll()).toEqual([750, 555, 15])
  await baker.click(page.getByRole('button', { name: 'Mixed', exact: true }))
  await until(bake, ({ status }) => status === 'mixed')
  const { jars } = await program.call('GET', '/api/jars')
  expect(jars[0].grams).toBe(70)
})

test('cut at the bench: 451 g and four of 255 g, and baked', async () => {
  const { page } = baker
  await page.getByTestId('pour').getByRole('heading', { name: 'Piece 1 of 5' }).waitFor()
  // 1470 g of dough for 750 g of flour: 1.96 g of dough for each.
  expect(await baker.weighAll()).toEqual([451, 255, 255, 255, 255])
  await baker.doStep('Shape')
  await baker.toTheLoaf('Even, all five')
  console.info(`By flour, from the first question to the noted bread: ${baker.counted()} clicks and fields.`)
})
