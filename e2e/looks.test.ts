import { readFileSync } from 'node:fs'
import type { Page } from 'playwright-core'
import { closeBrowser, mixedBake, openWindow, type Program, plain, settled, startProgram, stillWords, type Window } from './support'

/** Every view, bright and dim, wide and narrow: readable, reachable, nothing over the edge. */
const VIEWS = [
  'Today',
  'Bakes',
  'Recipe',
  'Levain',
  'Plan',
  'Day',
  'Weigh',
  'Watch',
  'Bread',
  'Compare',
  'Jars',
  'Jar',
  'Pace',
  'Label',
  'Programs',
  'New culture',
  'Shelf',
  'Recipes',
  'Kitchen',
  'Hours',
  'Habits',
  'Vessels',
  'Devices',
  'This kitchen',
  'Words',
  'Question'
] as const
let program: Program
let paths: Readonly<Record<(typeof VIEWS)[number], string>>
beforeAll(async () => {
  program = await startProgram({ demo: true })
  const { bakes } = (await (await fetch(`${program.address}/api/bakes`)).json()) as { bakes: { id: string; status: string }[] }
  const running = bakes.find((b) => b.status === 'ripening')?.id
  const planned = bakes.find((b) => b.status === 'planned')?.id
  const { jars } = (await (await fetch(`${program.address}/api/jars`)).json()) as { jars: { id: string; name: string }[] }
  const juno = jars.find((j) => j.name === 'Juno')?.id
  paths = {
    Today: '/',
    Bakes: '/bakes',
    Recipe: `/bakes/${planned}/recipe`,
    Levain: `/bakes/${planned}/levain`,
    Plan: `/bakes/${planned}/plan`,
    Day: `/bakes/${planned}/day`,
    Weigh: `/bakes/${planned}/weigh`,
    Watch: `/bakes/${running}/watch`,
    Bread: `/bakes/${await mixedBake(program)}/bread`,
    Compare: `/bakes/${planned}/compare`,
    Jars: '/jars',
    Jar: `/jars/${juno}`,
    Pace: `/jars/${juno}/pace`,
    Label: `/jars/${juno}/label`,
    Programs: `/jars/${juno}/programs?kind=absence`,
    'New culture': '/programs/new',
    Shelf: '/shelf',
    Recipes: '/recipes',
    Kitchen: '/kitchen',
    Hours: '/kitchen/hours',
    Habits: '/kitchen/habits',
    Vessels: '/kitchen/vessels',
    Devices: '/kitchen/devices',
    'This kitchen': '/kitchen/this',
    Words: '/words',
    Question: '/questions/hooch'
  }
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8')

/** By then the room before has been left. */
const LEAVING_MS = 80

/** Goes to a view: by its address the first time, from room to room then, as a baker does. */
async function open(page: Page, path: string): Promise<void> {
  if (page.url().startsWith(program.address)) {
    await page.evaluate(`history.pushState(null, '', ${JSON.stringify(path)}); dispatchEvent(new PopStateEvent('popstate'))`)
    await page.waitForTimeout(LEAVING_MS)
  } else await page.goto(program.address + path)
  await page.locator('main h1').first().waitFor({ state: 'attached' })
  await page.waitForFunction(() => document.querySelector('.mantine-Skeleton-root, [aria-label=Opening]') === null)
  await page.evaluate(() => document.fonts.ready)
  await settled(page)
}

/** Share of the window times share of its height: less is a card below that waits for what a worker works out. */
const SEEN_TO_MOVE = 0.1

/** Runs in the page: notes what moved, and how far, while nobody did anything. */
function noteMoves(): void {
  const moves: { share: number; what: string }[] = []
  new PerformanceObserver((seen) => {
    for (const move of seen.getEntries() as unknown as { value: number; sources: { node: Node | null }[] }[])
      moves.push({ share: move.value, what: move.sources.map(({ node }) => node?.textContent?.slice(0, 40)).join(' | ') })
  }).observe({ type: 'layout-shift', buffered: true })
  Object.assign(window, { moves })
}

interface Finding {
  id: string
  nodes: { target: string[]; failureSummary?: string }[]
}

async function findings(page: Page): Promise<string[]> {
  // Evaluated by the debugger, so the page's own content policy stays as strict as it is; once for each window, which goes from room to room.
  if (!(await page.evaluate(`'axe' in window`))) await page.evaluate(axe)
  const found = (await page.evaluate(
    `axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] }).then((r) => r.violations)`
  )) as Finding[]
  return found.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary ?? ''}`))
}

/** Buttons and links too small for a thumb. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main button, main a, header a, header button, nav a')]
      .filter(
        (el) => el.offsetParent !== null && !el.closest('.mantine-TimePicker-root, .mantine-InputWrapper-root') && getComputedStyle(el).position !== 'absolute'
      )
      .map((el) => ({ words: el.getAttribute('aria-label') ?? el.textContent ?? '', box: el.getBoundingClientRect() }))
      .filter(({ box }) => box.height < 43.5 || box.width < 43.5)
      .map(({ words, box }) => `${words} ${Math.round(box.width)}×${Math.round(box.height)}`)
  )

/** Choices side by side whose words are cut off. */
const cutOff = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('.mantine-SegmentedControl-root')].filter((el) => el.scrollWidth > el.clientWidth + 1).map((el) => el.innerText)
  )

describe.each([
  ['bright', 1280, 800, false],
  ['dim', 1280, 800, true],
  ['on a phone', 390, 844, false]
] as const)('%s', (_, width, height, dim) => {
  let window: Window
  let page: Page
  const strangers: string[] = []
  beforeAll(async () => {
    window = await openWindow({ width, height, dim })
    page = window.page
    page.on('request', (request) => {
      const url = request.url()
      if (!url.startsWith(program.address) && !url.startsWith('data:')) strangers.push(url)
    })
  })
  afterAll(() => window.close())

  test.each(VIEWS)('%s: WCAG 2.2 AA, nothing over the edge, on a phone every control large enough for a thumb', async (view) => {
    await open(page, paths[view])
    expect(await findings(page)).toEqual([])
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0)
    expect(await cutOff(page)).toEqual([])
    if (width < 720) expect(await tooSmall(page)).toEqual([])
  })

  test('nothing is fetched from anywhere else', () => expect(strangers).toEqual([]))
})

describe.each([1280, 390])('at %i px', (width) => {
  test.each(['Today', 'Bakes', 'Plan', 'Watch', 'Jars'] as const)('%s fills without moving away from under a finger', async (view) => {
    const { page, close } = await openWindow({ width, height: 844 })
    await page.addInitScript(noteMoves)
    await page.goto(program.address + paths[view])
    await page.locator('main h1').first().waitFor({ state: 'attached' })
    await stillWords(page, () => page.locator('main').innerText())
    const moves = await page.evaluate(() => (window as unknown as { moves: { share: number; what: string }[] }).moves)
    expect(moves.filter(({ share }) => share > SEEN_TO_MOVE)).toEqual([])
    await close()
  })
})

test('keys: rooms, stations, the sheet of keys, the palette', async () => {
  const { page } = await openWindow()
  await open(page, '/')
  await page.keyboard.press('b')
  await page.waitForURL(/\/bakes$/)
  await page.keyboard.press('k')
  await page.waitForURL(/\/kitchen$/)
  await page.keyboard.press('t')
  await page.getByTestId('next').waitFor()
  await page.keyboard.press('?')
  await page.getByRole('dialog', { name: 'Keys' }).waitFor()
  await page.keyboard.press('Escape')
  await page.getByRole('dialog', { name: 'Keys' }).waitFor({ state: 'detached' })
  await page.keyboard.press('Control+k')
  await page.getByRole('textbox', { name: 'Find anything' }).waitFor()
  await page.keyboard.type('rye tin: plan')
  await page.keyboard.press('Enter')
  await page.waitForURL(/\/plan$/)
  await page.locator('[aria-current=step]', { hasText: 'Plan' }).waitFor()
  await page.getByRole('textbox', { name: 'Find anything' }).waitFor({ state: 'detached' })
  await page.keyboard.press('1')
  await page.locator('[aria-current=step]', { hasText: 'Recipe' }).waitFor()
  await page.keyboard.press('ArrowRight')
  await page.waitForURL(/\/levain$/)
})

test('the ribbon is heard as words', async () => {
  const { page } = await openWindow()
  await open(page, '/')
  const figure = page.getByRole('figure')
  expect(plain(await figure.locator('figcaption').textContent())).toMatch(/^Rise ribbon from .+ Juno levain: .+ Bramble levain: /)
})

test('Find anything finds a past bake, a recipe, an ingredient and a setting, and goes there', async () => {
  const { page } = await openWindow()
  await open(page, '/')
  const find = async (words: string, what: string | RegExp) => {
    await page.keyboard.press('Control+k')
    await page.getByRole('textbox', { name: 'Find anything' }).fill(words)
    await page.getByRole('button', { name: what }).first().click()
    await page.getByRole('textbox', { name: 'Find anything' }).waitFor({ state: 'detached' })
  }
  await find('time zone', /This kitchen/)
  await page.getByRole('combobox', { name: 'Time zone' }).waitFor()
  await find('rye flour', /Wholegrain rye flour/)
  await page.getByRole('dialog', { name: /rye flour/ }).waitFor()
  await page.keyboard.press('Escape')
  await page.waitForURL(/\/shelf$/)
  const { formulas } = (await (await fetch(`${program.address}/api/formulas`)).json()) as { formulas: { id: string; name: string }[] }
  const [recipe] = formulas
  await find(recipe?.name ?? '', recipe?.name ?? '')
  await page.waitForURL(`${program.address}/recipes/${recipe?.id}`)
})

test('a trade word is explained where it stands, with a tap or by key, and found by Find anything', async () => {
  const { page } = await openWindow()
  await open(page, paths.Recipe)
  const meaning = page.getByText('The share of all flour that has ripened in the levain')
  const word = page.getByRole('region', { name: 'What is really in it' }).getByRole('button', { name: 'pre-fermented flour' })
  await word.click()
  await meaning.waitFor()
  await page.getByRole('heading', { level: 1 }).first().click()
  await meaning.waitFor({ state: 'detached' })
  await word.focus()
  await page.keyboard.press('Enter')
  await meaning.waitFor()
  await page.keyboard.press('Control+k')
  await page.getByRole('textbox', { name: 'Find anything' }).fill('autolyse')
  await page.getByRole('button', { name: /Flour and water rest together/ }).click()
  await page.waitForURL(`${program.address}/words#autolyse`)
  await page.getByRole('heading', { name: 'Bakers’ words' }).waitFor()
})

test('an address of an earlier version leads on', async () => {
  const { page } = await openWindow()
  await page.goto(`${program.address}${paths.Plan.replace('/plan', '/clock')}`)
  await page.waitForURL(`${program.address}${paths.Plan}`)
  await page.goto(`${program.address}/formulas`)
  await page.waitForURL(`${program.address}/recipes`)
})

/** Views that are wider than their window, by how much. */
async function tooWide(page: Page): Promise<string[]> {
  const over: string[] = []
  const overhang = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  for (const view of VIEWS) {
    await open(page, paths[view])
    // On a busy machine the view before may still stand there: what is too wide stays so.
    for (let tries = 0; tries < 50 && (await overhang()) > 0; tries++) await page.waitForTimeout(100)
    const px = await overhang()
    if (px > 0) over.push(`${view}: ${px} px`)
  }
  return over
}

test('no view scrolls sideways on the smallest of phones', async () => {
  const { page } = await openWindow({ width: 320, height: 700 })
  expect(await tooWide(page)).toEqual([])
})

test.each([
  [1280, 800],
  [390, 844]
])('letters twice as large grow everywhere, and no view of %i px scrolls sideways', async (width, height) => {
  await closeBrowser()
  const { page } = await openWindow({ width, height, letters: 2 })
  expect(await tooWide(page)).toEqual([])
  await open(page, paths.Today)
  const sizes = await page.evaluate(() =>
    ['h1', 'p', 'button'].map((name) => Number.parseFloat(getComputedStyle(document.querySelector(`main ${name}`) ?? document.body).fontSize))
  )
  expect(Math.min(...sizes)).toBeGreaterThanOrEqual(26)
  await closeBrowser()
})
