import { choose, closeBrowser, openWindow, type Program, plain, startProgram, type, until, type Window } from './support'

/** Feeding by the schools: stiff and trimmed, by cups, of a blend, into a vessel, with seed or a spare taken out first; and the guards. */
let program: Program
let window: Window
beforeAll(async () => {
  program = await startProgram({ demo: true, now: '2026-11-27T09:12:00.000Z' })
  window = await openWindow()
  await window.page.goto(`${program.address}/jars`)
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

interface JarThere {
  readonly id: string
  readonly name: string
  readonly grams: number
  readonly hydration: number
  readonly line: { readonly flours: Readonly<Record<string, number>> }
}
const jars = async () => ((await (await fetch(`${program.address}/api/jars`)).json()) as { jars: JarThere[] }).jars
const jar = async (name: string) => (await jars()).find((j) => j.name === name) as JarThere
const sheet = () => window.page.getByRole('dialog')
const words = async () => plain(await sheet().innerText())
async function feed(name: string): Promise<void> {
  await window.page.getByRole('button', { name: `Feed ${name}`, exact: true }).click()
  await sheet().getByText('kept : flour : water').waitFor()
}
const fed = async (name: string) => {
  await sheet().getByRole('button', { name: 'Fed like this' }).click()
  await window.page.getByText(`${name} is fed.`).last().waitFor()
}
const undo = () => window.page.getByRole('button', { name: 'Undo', exact: true }).last().click()
async function holds(name: string, grams: number): Promise<void> {
  await until(
    () => jar(name),
    (there) => there.grams === grams
  )
}

test('a stiff one: crust and slime cut away, kneaded at its own hydration, the rest discarded', async () => {
  await feed('Keel')
  // 15 % of 115 g
  expect(await sheet().getByRole('textbox', { name: 'Cut away: crust, slime' }).inputValue()).toBe('17')
  // 20 g at 50 % and 40 g of flour take 20 g of water; 78 g of 115 are left over
  expect(await words()).toMatch(/40 g flour 20 g water 1:2:1 kept : flour : water 80 g then in the jar, 50 %/)
  expect(await words()).toContain('78 g goes to the discard pot')
  await fed('Keel')
  await holds('Keel', 80)
  await undo()
  await holds('Keel', 115)
})

test('like last time is one tap: its grams, nothing to type', async () => {
  await feed('Juno')
  await sheet()
    .getByRole('button', { name: /^Like last time: keep 15.g, add 60.g of flour and 60.g of water\. 97.g go to the discard pot\.$/ })
    .click()
  expect(await words()).toMatch(/60 g water 60 g flour 1:4:4 kept : flour : water 135 g then in the jar/)
  await fed('Juno')
  await holds('Juno', 135)
  await undo()
  await holds('Juno', 112)
})

test('by cups: converted, and how much the cups leave open', async () => {
  await feed('Juno')
  await sheet().getByText('By cups').click()
  await type(window.page, 'Keep, tablespoons', '2')
  await type(window.page, 'Flour, cups', '0.5')
  await type(window.page, 'Water, cups', '0.25')
  // 30 ml at 1 to 1.1 g/ml; 125 ml at .5 to .65
  expect(await words()).toMatch(/30 to 33 g kept, 63 to 81 g of flour: by cups the ratio can be anything from 1:1\.9 to 1:2\.7/)
  await window.page.keyboard.press('Escape')
})

test('water too hot is refused, and how warm the mix comes out is told', async () => {
  await feed('Juno')
  await type(window.page, 'Water at', '45')
  await sheet()
    .getByText(/Water above 40 °C harms the culture/)
    .waitFor()
  expect(await sheet().getByRole('button', { name: 'Fed like this' }).isDisabled()).toBe(true)
  await type(window.page, 'Water at', '30')
  await sheet()
    .getByText(/the mix comes out at 2\d °C/)
    .waitFor()
})

test('too small a vessel is said before it foams over, with the way out', async () => {
  await type(window.page, 'Keep', '100')
  await sheet()
    .getByText(/Too small: it would foam over the rim\. Take (Tall jar|Crock)/)
    .waitFor()
  await type(window.page, 'Keep', '15')
  await sheet()
    .getByTestId('room')
    .getByText(/peak at about \d+ of 118 mm/)
    .waitFor()
})

test('a spare is taken out of it, then it is fed: both can be taken back at once', async () => {
  await choose(sheet(), { name: 'Take out first' }, { name: 'into a new jar' })
  await type(window.page, 'Goes out', '30')
  await type(window.page, 'Name of the new jar', 'Juno’s cold spare')
  expect(await words()).toContain('67 g goes to the discard pot')
  await fed('Juno')
  await holds('Juno', 75)
  await holds('Juno’s cold spare', 30)
  await undo()
  await holds('Juno', 112)
  expect((await jars()).map((j) => j.name)).not.toContain('Juno’s cold spare')
})

test('seed goes out into a planned bake, which stands at its bench from there on', async () => {
  await feed('Bramble')
  await choose(sheet(), { name: 'Take out first' }, { name: /starter for Monday’s rye tin/ })
  const seed = Number(await sheet().getByRole('textbox', { name: 'Goes out' }).inputValue())
  expect(seed).toBeGreaterThan(10)
  await fed('Bramble')
  const { bakes } = (await (await fetch(`${program.address}/api/bakes`)).json()) as { bakes: { status: string; plan: { name: string } }[] }
  expect(bakes.find((b) => b.plan.name === 'Monday’s rye tin')?.status).toBe('building')
  await undo()
  await holds('Bramble', 120)
})

test('more than there is cannot be kept', async () => {
  await feed('Juno')
  await choose(sheet(), { name: 'Take out first' }, { name: 'into a new jar' })
  await type(window.page, 'Goes out', '100')
  await sheet()
    .getByText(/Only 12 g are left to keep once 100 g are out/)
    .waitFor()
  expect(await sheet().getByRole('button', { name: 'Fed like this' }).isDisabled()).toBe(true)
  await window.page.keyboard.press('Escape')
})

test('a gluten-free jar is offered no wheat at all', async () => {
  await feed('Moth')
  await sheet().getByRole('combobox', { name: 'Flour 1 of the feed' }).click()
  await window.page.getByRole('option', { name: 'Rice flour' }).waitFor()
  const offered = await window.page.getByRole('option').allInnerTexts()
  for (const gluten of ['White wheat flour', 'Spelt flour', 'Wholegrain rye flour', 'Lantern Street mix']) expect(offered).not.toContain(gluten)
  await window.page.keyboard.press('Escape')
  await window.page.keyboard.press('Escape')
})

test('several in one go, each as it was fed last, and all taken back at once', async () => {
  await window.page.getByRole('button', { name: 'Feed several' }).click()
  expect(await sheet().getByRole('checkbox', { name: /^Juno/ }).isChecked()).toBe(true)
  if (!(await sheet().getByRole('checkbox', { name: /^Moth/ }).isChecked())) await sheet().getByRole('checkbox', { name: /^Moth/ }).check()
  await sheet().getByRole('checkbox', { name: /^Keel/ }).check()
  await sheet().getByRole('button', { name: 'Fed these 3' }).click()
  await window.page.getByText('3 jars are fed.').waitFor()
  // As last: 15 : 60 : 60; 40 : 50 : 25
  await holds('Juno', 135)
  await holds('Keel', 115)
  expect((await jar('Moth')).line.flours).toEqual({ 'gluten-free': 35 })
  await undo()
  await holds('Juno', 112)
  await holds('Moth', 94)
})

test('two jars take turns: one goes into the cold, the other comes out, and back', async () => {
  const { page } = window
  const places = async () => {
    const { kitchen } = (await (await fetch(`${program.address}/api/kitchen`)).json()) as { kitchen: { places: { id: string; name: string }[] } }
    const all = (await (await fetch(`${program.address}/api/jars`)).json()) as { jars: { name: string; placeId: string }[] }
    return Object.fromEntries(all.jars.map((j) => [j.name, kitchen.places.find((p) => p.id === j.placeId)?.name]))
  }
  await page.goto(`${program.address}/jars/${(await jar('Juno')).id}`)
  await choose(page, { name: 'Swap places with' }, { name: 'Bramble, Fridge' })
  await page.getByText('Juno and Bramble have swapped places.').waitFor()
  expect(await places()).toMatchObject({ Juno: 'Fridge', Bramble: 'Worktop' })
  await undo()
  await page.getByRole('combobox', { name: 'Where it stands' }).waitFor()
  await until(places, (all) => all.Juno === 'Worktop' && all.Bramble === 'Fridge')
})

test('a look in the cold is noted, told in its history, and makes its days its own', async () => {
  const { page } = window
  await page.goto(`${program.address}/jars/${(await jar('Bramble')).id}`)
  await page.getByText(/Days to its peak at Fridge/).waitFor()
  await page.getByRole('button', { name: 'Note what you saw' }).click()
  await type(page, 'Level', '1.4')
  await sheet().getByText('domed').click()
  await sheet().getByRole('button', { name: 'Note it' }).click()
  await page.getByText('looked at: ×1.4').waitFor()
})

test('its label has what a jar is to be known by, and its code opens it', async () => {
  const { page } = window
  const { id } = await jar('Bramble')
  await page.goto(`${program.address}/jars/${id}/label`)
  const label = plain(await page.getByTestId('label').innerText())
  expect(label).toMatch(
    /Bramble A living sourdough starter, for its jar Culture rye, 100 % Last feed Mon 23 Nov, 1:2\.5:2\.5 Fed with wholegrain rye flour Empty jar 340 g Feed by/
  )
  expect(await page.getByTestId('label').locator('svg title').textContent()).toBe('Opens Bramble')
  await page.emulateMedia({ media: 'print' })
  expect(await page.getByRole('button', { name: 'Print' }).isVisible()).toBe(false)
  expect(await page.getByTestId('label').isVisible()).toBe(true)
  await page.emulateMedia({ media: 'screen' })
})

test('spoiled: thrown away with what it says of its spares, and put back', async () => {
  const { page } = window
  await page.goto(`${program.address}/jars/${(await jar('Moth')).id}`)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Mould, or remove the jar' }).click()
  await page.getByText('There is no spare of Moth: with it this culture is gone.').waitFor()
  await page.getByRole('button', { name: 'It is spoiled: throw it away' }).click()
  await page.getByText('Moth was thrown away.').waitFor()
  expect((await jars()).map((j) => j.name)).not.toContain('Moth')
  await undo()
  await page.getByRole('article', { name: 'Moth' }).waitFor()
  await holds('Moth', 94)
})

test('named anew, in another vessel; two windows do not overwrite each other', async () => {
  const { page } = window
  await page.goto(`${program.address}/jars/${(await jar('Keel')).id}`)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Edit name, culture, vessel' }).click()
  await type(page, 'Name', 'Keel the Firm')
  await choose(sheet(), { name: 'Vessel' }, { name: /Tulip jar/ })
  const other = (await openWindow()).page
  await other.goto(page.url())
  await other.getByRole('button', { name: 'Note what you saw' }).click()
  await type(other, 'Level', '1.2')
  await other.getByRole('dialog').getByRole('button', { name: 'Note it' }).click()
  await other
    .getByText(/looked at/)
    .first()
    .waitFor()
  await sheet().getByRole('button', { name: 'Save' }).click()
  await page.getByText(/changed in another window/).waitFor()
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Edit name, culture, vessel' }).click()
  await type(page, 'Name', 'Keel the Firm')
  await sheet().getByRole('button', { name: 'Save' }).click()
  await page.getByRole('heading', { name: 'Keel the Firm', level: 1 }).waitFor()
})

test('the browser had nothing to complain about', () => {
  expect(window.complaints).toEqual([])
})
