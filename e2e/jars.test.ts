import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, startProgram, type } from './support'

/** Looking after the jars: how they are, a feed and what comes of it, a jar that was forgotten. */
let program: Program
let page: Page
beforeAll(async () => {
  program = await startProgram({ demo: true, now: '2026-11-27T09:12:00.000Z' })
  page = (await openWindow()).page
  await page.goto(program.address)
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const card = (name: string) => page.getByRole('main').getByRole('button', { name: `Feed ${name}`, exact: true })
const words = async (name: string) => plain(await page.getByRole('article', { name, exact: true }).innerText())
const foot = async () => plain(await page.getByRole('dialog').getByTestId('feed-forecast').innerText())

test('every jar says when it is ripe or since when it is hungry, the neediest first', async () => {
  await page.getByRole('link', { name: 'Jars' }).click()
  await page
    .getByText(/Ripe about/)
    .first()
    .waitFor()
  // Fed 1:4 sixteen hours ago on the worktop, and long past its top
  expect(await words('Juno')).toMatch(/112 g · white wheat 100 % Worktop · fed 16 h ago Hungry since Fri \d\d:\d\d feed it once first/)
  const names = await page.getByRole('article').allInnerTexts()
  expect(plain(names[0] ?? '')).toMatch(/^Juno/)
})

test('a feed by ratio tells grams and what comes of it, and a higher ratio lasts longer', async () => {
  await card('Juno').click()
  await page.getByRole('dialog').getByText('then in the jar').waitFor()
  expect(plain(await page.getByRole('dialog').innerText())).toContain('1:2:2')
  const ripe = /Fri (\d\d:\d\d) ripe, ×[23]\.\d/
  expect(await foot()).toMatch(ripe)
  const early = ripe.exec(await foot())?.[1] ?? ''
  await type(page, 'Flour to one kept', '4')
  await page.getByText('1:4:4').waitFor()
  const late = ripe.exec(await foot())?.[1] ?? ''
  expect(late > early).toBe(true)
})

test('too little food is said, a seed too wet is refused', async () => {
  await type(page, 'Flour to one kept', '0.5')
  await page.getByText(/much old starter for little food/).waitFor()
  await type(page, 'Hydration then', '30')
  await page.getByText(/too wet for that\. It works from 1\.2 of flour/).waitFor()
  expect(await page.getByRole('button', { name: 'Fed like this' }).isDisabled()).toBe(true)
  await type(page, 'Hydration then', '100')
  await type(page, 'Flour to one kept', '3')
})

test('out for an hour, then the fridge: ripe days later, and it is there', async () => {
  await choose(page, { name: 'Then it goes to' }, { name: /Fridge/ })
  await page.waitForFunction(() => /Mon|Tue|Wed|Dec/.test(document.querySelector('[data-testid=feed-forecast]')?.textContent ?? ''))
  await page.getByRole('button', { name: 'Fed like this' }).click()
  await page.getByText('Juno is fed.').waitFor()
  await page.getByText(/140 g/).waitFor()
  expect(await words('Juno')).toMatch(/140 g · white wheat 100 % Worktop, to Fridge Fri \d\d:\d\d · fed/)
})

test('it can be taken back', async () => {
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByText(/112 g/).waitFor()
  expect(await words('Juno')).toMatch(/Worktop/)
})

test('its own room: what comes if nobody feeds it, a move that can be taken back, and what happened', async () => {
  await page.getByRole('article', { name: 'Juno', exact: true }).getByRole('link').click()
  await page.getByRole('heading', { name: 'Juno', level: 1 }).waitFor()
  await page.getByText('If nobody feeds it').waitFor()
  expect(plain(await page.getByTestId('how-it-is').innerText())).toMatch(/Hungry since Fri .* feed it twice first .* needs reviving over some days/)
  await page.getByText('Never put it to bed hungry').waitFor()
  await choose(page, { name: 'Where it stands' }, { name: /Fridge/ })
  await page.getByText('Juno stands at Fridge now.').waitFor()
  await page.getByText(/is hungry in the cold/).waitFor()
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.getByText('moved to Fridge (taken back)').waitFor()
  expect(plain(await page.getByTestId('history').innerText())).toMatch(/fed 1:3:3: 20 g kept, 60 g flour, 60 g water, Fridge \(taken back\).* fed 1:4:4/)
})

test('what happened is taken back from where it is told, however long ago its message went', async () => {
  await choose(page, { name: 'When you move it' }, { name: '30 min ago' })
  await choose(page, { name: 'Where it stands' }, { name: /Fridge/ })
  await page.getByText('Juno stands at Fridge now.').waitFor()
  const { jars } = await program.call('GET', '/api/jars')
  const juno = jars.find((jar: { name: string }) => jar.name === 'Juno')
  expect(juno.stays.at(-1).from).toBe('2026-11-27T08:42:00.000Z')
  await page
    .getByRole('button', { name: /^Undo: moved to Fridge/ })
    .first()
    .click()
  await page.getByText('Taken back: moved to Fridge.').waitFor()
  await page.waitForFunction(() => /Worktop/.test(document.querySelector<HTMLInputElement>('input[aria-label="Where it stands"]')?.value ?? ''))
})

test('a spare from it has a name, a place and what was taken, and can be taken back', async () => {
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'New jar from it' }).click()
  await page.getByRole('button', { name: 'Make the new jar' }).click()
  await page.getByText('Give the jar a name.').waitFor()
  await type(page, 'Name', 'Juno’s spare')
  await type(page, 'Goes into it', '25')
  await page.getByRole('button', { name: 'Make the new jar' }).click()
  await page.getByText('25 g went into a new jar').waitFor()
  await page.getByRole('link', { name: 'Jars' }).click()
  await page.getByRole('article', { name: 'Juno’s spare' }).waitFor()
  expect(await words('Juno’s spare')).toMatch(/25 g · white wheat 100 % Fridge · split off/)
  expect(await words('Juno')).toMatch(/87 g/)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.getByRole('article', { name: 'Juno’s spare' }).waitFor({ state: 'detached' })
})

test('the discard pot makes food with its flour counted, and what is taken can be put back', async () => {
  await page.getByRole('link', { name: 'Jars' }).click()
  const pot = page.getByRole('region', { name: 'Pot with gluten' })
  await pot.getByText('Made it').waitFor()
  const before = plain(await pot.innerText())
  expect(before).toMatch(/use the oldest by .* Juno, white wheat 100 %/)
  await type(page, 'Take', '100')
  await choose(pot, { name: 'For' }, { name: 'Crackers' })
  // Of 390 g 355 are of 100 % and 35 of 50 %: 200.8 g of flour, so 51.5 in 100 g, and 55 g; 48.5 g of water, and a little in the sesame
  await pot.getByText(/With the discard 106 g of flour and 49 g of water/).waitFor()
  // Moth’s discard stands apart, and no wheat goes into what is made of it.
  const free = plain(await page.getByRole('region', { name: 'Gluten-free pot' }).innerText())
  expect(free).toMatch(/186 ?g in the pot .* Moth, gluten-free 110 % .* Gluten-free flour blend/)
  expect(free).not.toContain('heat')
  await pot.getByRole('button', { name: 'Made it' }).click()
  await page.getByText('100 g went into food.').waitFor()
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.waitForFunction(
    (words) => document.querySelector('section[aria-label="Pot with gluten"]')?.textContent?.includes(words) === true,
    before.split(' ')[2] ?? ''
  )
})

test('a jar that was forgotten is told how it wakes, feed by feed', async () => {
  await program.moveClock('2026-12-10T09:12:00.000Z')
  await page.reload()
  await card('Juno').click()
  await page.getByText(/Before the next bake, at Worktop/).waitFor()
  expect(plain(await page.getByRole('dialog').innerText())).toMatch(/1:1 now, ripe about (Thu|Fri) \d\d:\d\d; then 1:\d on (Thu|Fri) \d\d:\d\d, ripe about/)
})
