import type { Page } from 'playwright-core'
import { choose, closeBrowser, openWindow, type Program, plain, settled, startProgram, type as typeInto } from './support'

/** Every program walked from its first day to its last, the clock moved along. */
const NOW = '2026-11-27T09:12:00.000Z'
let program: Program
let page: Page
beforeAll(async () => {
  program = await startProgram({ demo: true, now: NOW })
  page = (await openWindow()).page
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

interface JarThere {
  readonly id: string
  readonly name: string
  readonly grams: number
  readonly culture: string
  readonly hydration: number
  readonly placeId: string
  readonly program: { readonly id: string; readonly step: string; readonly dueAt: string } | null
}
const jars = async () => ((await (await fetch(`${program.address}/api/jars`)).json()) as { jars: JarThere[] }).jars
const jar = async (name: string) => (await jars()).find((j) => j.name === name) as JarThere
const step = () => page.getByTestId('step')
const title = async () => plain(await step().getByRole('heading').innerText())

/** Opens the choice of a program for a jar. */
async function chooseProgram(name: string, kind: string): Promise<void> {
  await page.goto(`${program.address}/jars/${(await jar(name)).id}/programs`)
  const card = page.getByRole('group', { name: 'Programs' }).getByRole('button', { name: kind })
  if ((await jar(name)).culture !== 'dried') await card.click()
}
const preview = async () => plain(await page.getByTestId('preview').innerText())
async function begin(): Promise<void> {
  await page.getByRole('button', { name: 'Begin' }).click()
  await step().waitFor()
}

/** Moves the clock to when the next step of a jar's program is due; the page follows. */
async function due(name: string): Promise<void> {
  const { program: running } = await jar(name)
  if (running === null) throw new Error(`${name} is in no program.`)
  const asked = [/\/api\/clock$/, /\/api\/jars$/].map((of) => page.waitForResponse((answer) => answer.request().method() === 'GET' && of.test(answer.url())))
  await program.moveClock(new Date(Date.parse(running.dueAt) + 120_000).toISOString())
  await Promise.all(asked)
  await settled(page)
  await step().waitFor()
}
async function say(answer: string | RegExp): Promise<void> {
  const words = await page.getByTestId('course').innerText()
  await step().getByRole('button', { name: answer }).click()
  await page.waitForFunction((before) => (document.querySelector('[data-testid=course]') as HTMLElement | null)?.innerText !== before, words)
}
const done = () => say(/done$|^Done$/i)

/** Goes on to the end, step by step. @returns titles of the steps */
async function toTheEnd(name: string): Promise<string[]> {
  const titles: string[] = []
  for (let i = 0; i < 20; i++) {
    if ((await jar(name))?.program == null) break
    await due(name)
    titles.push(await title())
    await done()
  }
  await page.getByRole('region', { name: 'Done' }).waitFor()
  return titles
}

test('a new rye culture, gathering: nine days from flour to a jar, a quiet day taken as it is', async () => {
  await page.goto(`${program.address}/programs/new`)
  await page.getByRole('button', { name: 'Mixed: begin' }).click()
  await page.getByText('Give it a name.').waitFor()
  await typeInto(page, 'Name', 'Ember')
  await page.getByRole('button', { name: 'Mixed: begin' }).click()
  await step().waitFor()
  expect(await jar('Ember')).toMatchObject({ grams: 110, culture: 'rye' })
  await due('Ember')
  await done()
  await due('Ember')
  await done()
  expect((await jar('Ember')).grams).toBe(330)
  await due('Ember')
  expect(plain(await step().innerText())).toContain('First look: Some bubbles, a sour smell.')
  await say('Not yet')
  await page.getByText(/A quiet day or two is usual/).waitFor()
  expect((await jar('Ember')).grams).toBe(330)
  await due('Ember')
  await done()
  // 55 g kept, 50 g of rye, 60 g of water
  expect((await jar('Ember')).grams).toBe(165)
  const titles = await toTheEnd('Ember')
  expect(titles).toEqual(['Feed it', 'Feed it', 'Feed it double', 'Feed it double', 'Does it double within eight hours?', 'It is a culture'])
  expect((await jar('Ember')).hydration).toBeCloseTo(1.2, 1)
})

test('a gluten-free one, kept small: never much in the jar, and only its own flours', async () => {
  await page.goto(`${program.address}/programs/new?culture=gluten-free`)
  await typeInto(page, 'Name', 'Wick')
  await page.getByText('keep it small').click()
  await page.getByRole('button', { name: 'Mixed: begin' }).click()
  await step().waitFor()
  expect(await jar('Wick')).toMatchObject({ grams: 63, culture: 'gluten-free' })
  await due('Wick')
  expect(await title()).toBe('Stir only')
  await done()
  expect((await jar('Wick')).grams).toBe(63)
  await due('Wick')
  expect(plain(await step().innerText())).toMatch(/15 ?g buckwheat flour/)
  await toTheEnd('Wick')
  expect((await jar('Wick')).grams).toBeLessThan(100)
})

test('revival: fed up in three feeds and a look, and a step can be taken back with its feed', async () => {
  await chooseProgram('Bramble', 'Revive it')
  expect(await preview()).toMatch(/Now Look, pour off, feed a little keep 20 g, 20 g wholegrain rye flour/)
  const before = (await jar('Bramble')).grams
  await begin()
  await done()
  expect((await jar('Bramble')).grams).not.toBe(before)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await page.getByText('(taken back)').waitFor()
  expect((await jar('Bramble')).grams).toBe(before)
  expect(await toTheEnd('Bramble')).toEqual(['Look, pour off, feed a little', 'Feed it again', 'Feed it again', 'Does it double within eight hours?'])
})

test('pink or fuzzy: the program ends with what to do', async () => {
  await chooseProgram('Keel', 'Revive it')
  await begin()
  await say('Pink, orange or fuzzy')
  await page.getByText('Throw all of it away, do not scoop.').waitFor()
  await page.goto(`${program.address}/jars`)
  await page.getByRole('article', { name: 'Keel' }).waitFor()
  expect((await jar('Keel')).program).toBeNull()
})

test('Juno becomes stiff over five feeds; gluten-free is refused, and the way out is a new one', async () => {
  await chooseProgram('Juno', 'Become another culture')
  await choose(page, { name: 'What it should become' }, { name: 'gluten-free' })
  await page.getByText(/never becomes gluten-free/).waitFor()
  expect(await page.getByRole('link', { name: 'Start a new culture' }).getAttribute('href')).toBe('/programs/new?culture=gluten-free')
  expect(await page.getByRole('button', { name: 'Begin' }).count()).toBe(0)
  await choose(page, { name: 'What it should become' }, { name: 'stiff', exact: true })
  await begin()
  await toTheEnd('Juno')
  const juno = await jar('Juno')
  expect(juno.culture).toBe('stiff')
  expect(juno.hydration).toBeCloseTo(0.5, 1)
})

test('a gluten-free jar is not turned to wheat either', async () => {
  await chooseProgram('Moth', 'Become another culture')
  await page.getByText(/is kept free of gluten\. Start another culture/).waitFor()
  expect(await page.getByRole('button', { name: 'Begin' }).count()).toBe(0)
})

test('strength for a bake: three feeds, too soon is said', async () => {
  await chooseProgram('Bramble', 'Gather strength')
  await page.getByTestId('preview').waitFor()
  const now = await page.evaluate(() => document.querySelector('header')?.innerText ?? '')
  const day = Number(/\s(\d{1,2}) [A-Z][a-z]{2}/.exec(now)?.[1])
  await page.getByRole('button', { name: /^Day/ }).click()
  await page.getByRole('button', { name: new RegExp(`^${day} December 2026`) }).click()
  await page.getByText(/too soon for three feeds/).waitFor()
  await page.getByRole('button', { name: /^Day/ }).click()
  await page.getByRole('button', { name: new RegExp(`^${day + 3} December 2026`) }).click()
  await page.getByTestId('preview').waitFor()
  await begin()
  expect(await toTheEnd('Bramble')).toEqual(['The first feed', 'Feed it again', 'The last feed', 'At its best'])
})

test('a dried spare: fed, spread, turned, not dry yet, then weighed and labelled', async () => {
  await chooseProgram('Bramble', 'Dry a spare')
  await typeInto(page, 'Wet, to be dried', '60')
  expect(await preview()).toMatch(/60 g of ripe Bramble become about 33 g of flakes/)
  // There is enough of it: fed first all the same.
  await page.getByRole('switch', { name: 'Feed it first' }).check({ force: true })
  await page.getByTestId('preview').getByText('Feed Bramble').waitFor()
  await begin()
  await done()
  await due('Bramble')
  await done()
  await due('Bramble')
  await done()
  await due('Bramble')
  await say('Not yet')
  await page.getByText('What is not quite dry will spoil in the bag.').waitFor()
  await due('Bramble')
  await typeInto(page, 'It weighs', '32')
  await done()
  expect(await jar('Bramble, dried')).toMatchObject({ grams: 32, culture: 'dried' })
  expect(plain(await step().innerText())).toContain('about 2 packets of 20 g')
  await done()
  await page.getByRole('link', { name: 'Its label' }).click()
  const label = plain(await page.getByTestId('label').innerText())
  expect(label).toMatch(/Bramble, dried Dried sourdough starter, for its packet Culture dried, rye .* Best before .* 2027/)
  expect(label).toContain('To wake 10 g in 18 g of water, 10 g of flour')
  expect(label).not.toContain('Lid loose')
  expect(label).toContain('Holds gluten.')
})

test('waking: a third of the flakes, three days, and the rest sleeps on', async () => {
  await chooseProgram('Bramble, dried', '')
  await typeInto(page, 'Name of the woken jar', 'Bramble II')
  await begin()
  await done()
  expect((await jar('Bramble, dried')).grams).toBe(22)
  expect(await jar('Bramble II')).toMatchObject({ culture: 'rye' })
  await due('Bramble, dried')
  await page.getByText('Some bubbles, a fresh sour smell.').waitFor()
  await done()
  expect(await toTheEnd('Bramble, dried')).toHaveLength(2)
})

test('a long absence: the ways compared, to its place after an hour, and taken up again', async () => {
  await chooseProgram('Bramble', 'Wait for you')
  await typeInto(page, 'Away for, days', '14')
  expect(plain(await page.getByRole('button', { name: /1:10, 50/ }).innerText())).toMatch(/hungry after \d+ days, comes back for \d+/)
  await typeInto(page, 'Away for, days', '300')
  await page.getByText(/longer than Bramble can be left/).waitFor()
  await typeInto(page, 'Away for, days', '14')
  await begin()
  await done()
  await due('Bramble')
  expect(await title()).toBe('To its place: Fridge')
  await done()
  const { placeId } = await jar('Bramble')
  const { kitchen } = (await (await fetch(`${program.address}/api/kitchen`)).json()) as { kitchen: { places: { id: string; name: string }[] } }
  expect(kitchen.places.find((p) => p.id === placeId)?.name).toBe('Fridge')
  expect(await toTheEnd('Bramble')).toEqual(['Back again', 'Has it risen?'])
})

test('grown to 900 g beside its least, feed by feed', async () => {
  await chooseProgram('Bramble', 'Grow to a large amount')
  await typeInto(page, 'Wanted beside its least', '900')
  await begin()
  await toTheEnd('Bramble')
  const { grams } = await jar('Bramble')
  expect(grams).toBeGreaterThanOrEqual(915)
  expect(grams).toBeLessThan(980)
})

test('some for a friend: taken ripe, with a label, and out of the kitchen', async () => {
  await chooseProgram('Bramble', 'Some for a friend')
  await page.getByText('For whom is it?').waitFor()
  await typeInto(page, 'For', 'Ada')
  await begin()
  await done()
  await due('Bramble')
  await done()
  expect(await jar('For Ada')).toMatchObject({ grams: 50, culture: 'rye' })
  await due('Bramble')
  expect(await step().getByRole('link', { name: 'Its label' }).getAttribute('href')).toBe(`/jars/${(await jar('For Ada')).id}/label`)
  await done()
  expect((await jars()).map((j) => j.name)).not.toContain('For Ada')
})

test('called off, and gone on with', async () => {
  await chooseProgram('Bramble', 'Revive it')
  await begin()
  await page.getByRole('button', { name: 'Stop the program' }).click()
  await page.getByRole('region', { name: 'Stopped' }).waitFor()
  expect((await jar('Bramble')).program).toBeNull()
  await page.getByRole('button', { name: 'Go on with it' }).click()
  await step().waitFor()
  await page.goto(`${program.address}/jars/${(await jar('Bramble')).id}/programs`)
  await page.getByText('Bramble is in a program already').waitFor()
})
