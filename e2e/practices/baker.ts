import type { Locator, Page } from 'playwright-core'
import type { Loose } from '../../src/server/testing/testServer'
import { closeBrowser, NOW, openWindow, type Program, plain, startProgram, until } from '../support'

/** A baker at work in an empty kitchen of their own: what they click and type is counted, as it would tire them. */
export interface Baker {
  readonly page: Page
  readonly program: Program
  /** Presses a button, follows a link, takes a chip. */
  click(what: Locator): Promise<void>
  /** Takes what says just these words. */
  take(words: string): Promise<void>
  /** Types into a field. */
  fill(label: string | RegExp, text: string): Promise<void>
  /** Types the hour of a time of day. */
  hour(label: string, hour: string): Promise<void>
  /** Clicks and fields since it was asked last. */
  counted(): number
  /** Opens a kitchen with a starter like batter on the worktop, which was fed that many hours ago. @param more answers the rest */
  openKitchen(hoursAgo: string, more: () => Promise<void>): Promise<void>
  /** Opens a kitchen with a starter like batter from the fridge: how much, g, and days since its feed. @param more answers the rest */
  openFromFridge(grams: string, daysAgo: string, more?: () => Promise<void>): Promise<void>
  /** Begins a new bake from Today. */
  newBake(): Promise<void>
  /** The bake that was begun last, or is open. */
  bake(): Promise<Loose>
  /** Its id, from the address of the window. */
  bakeId(): string
  /** Moves the kitchen's clock, and looks at a page anew. @param path left out: the page that is open */
  later(iso: string, path?: string): Promise<void>
  /** All that the open room says. */
  room(): Promise<string>
  /** All that Plan says of the bake's whole day. */
  steps(): Promise<string>
  /** When a step of the day is, as Plan tells it: within six days from yesterday. */
  timeOf(step: string): Promise<string>
  /** Weighs what is asked for. @param item as it is headed at Weigh */
  weigh(item: string | RegExp, grams: string): Promise<void>
  /** Weighs one item after the other, each of which has to be asked for with just these grams. */
  weighThese(items: readonly (readonly [item: string | RegExp, grams: string])[]): Promise<void>
  /** Weighs whatever is asked for, as it is asked, until all of it is in. @returns what it was, g */
  weighAll(): Promise<number[]>
  /** Marks a step of the day done, at its time. */
  doStep(step: string): Promise<void>
  /** Bakes when Plan says so, and notes the bread: a rise of 4, and words. */
  toTheLoaf(words: string): Promise<void>
}

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const DAY_MS = 24 * 3_600_000
/** How far the kitchen's clock is behind UTC. */
const FROM_UTC_MS = 5 * 3_600_000

/** The baker of a test file, who opens the program before it and leaves after it. The kitchen lies in New York, five hours behind UTC. */
export function practiceBaker(): Baker {
  let program: Program
  let page: Page
  let count = 0
  let standing = NOW
  let id = ''
  beforeAll(async () => {
    program = await startProgram()
    page = (await openWindow()).page
    // The window shows what was noted before the server has it: whoever asks the server waits for that.
    const { call } = program
    program.call = async (method, path, body) => {
      if (page.url().startsWith(program.address)) {
        await page.waitForFunction(() => ['[]', null].includes(localStorage.getItem('olvent.outbox')))
      }
      return call(method, path, body)
    }
  })
  afterAll(async () => {
    await closeBrowser()
    await program.end()
  })
  const baker: Baker = {
    get page() {
      return page
    },
    get program() {
      return program
    },
    async click(what) {
      count++
      await what.click()
    },
    async take(words) {
      count++
      await page.getByText(words, { exact: true }).first().click()
    },
    async fill(label, text) {
      count++
      await page.getByRole('textbox', { name: label }).first().fill(text)
    },
    async hour(label, hour) {
      count++
      await page.getByRole('spinbutton', { name: `${label}, hour` }).fill(hour)
    },
    counted() {
      const all = count
      count = 0
      return all
    },
    async openKitchen(hoursAgo, more) {
      await page.goto(program.address)
      await baker.take('On the worktop')
      await baker.take('like batter')
      await baker.fill('Last fed', hoursAgo)
      await more()
      await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
      await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
    },
    async openFromFridge(grams, daysAgo, more) {
      await page.goto(program.address)
      await baker.take('In the fridge')
      await baker.take('like batter')
      await baker.fill('How much is in it', grams)
      await baker.take('days ago')
      await baker.fill('Last fed', daysAgo)
      await more?.()
      await baker.click(page.getByRole('button', { name: 'Open the kitchen' }))
      await page.getByRole('heading', { name: 'Nothing is on its way' }).waitFor()
    },
    async newBake() {
      await baker.click(page.getByRole('main').getByRole('button', { name: 'New bake' }))
      await page.waitForURL(/\/recipe/)
      await page.getByText('saved', { exact: true }).waitFor()
    },
    bake: async () => program.call('GET', `/api/bakes/${baker.bakeId()}`),
    bakeId() {
      id = /\/bakes\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? id
      return id
    },
    async later(iso, path) {
      standing = iso
      await program.moveClock(iso)
      if (path === undefined) await page.reload()
      else await page.goto(program.address + path)
    },
    room: async () => plain(await page.locator('main').innerText()),
    steps: async () => plain(await page.getByRole('region', { name: 'The whole day' }).innerText()),
    async timeOf(step) {
      await page.goto(`${program.address}/bakes/${baker.bakeId()}/plan`)
      const found = await until(
        async () => new RegExp(`(${WEEKDAYS.join('|')}) (\\d\\d:\\d\\d) ${step}`).exec(await baker.steps()),
        (match) => match !== null
      )
      // The first such day from the day before the kitchen's own on.
      const first = Date.parse(standing) - DAY_MS - FROM_UTC_MS
      const ahead = (WEEKDAYS.indexOf(found?.[1] ?? '') - new Date(first).getUTCDay() + 7) % 7
      const day = new Date(first + ahead * DAY_MS).toISOString().slice(0, 10)
      return new Date(`${day}T${found?.[2]}:00-05:00`).toISOString()
    },
    async weigh(item, grams) {
      await page.getByTestId('pour').getByRole('heading', { name: item }).waitFor()
      await baker.fill('What the scale shows', grams)
      await baker.click(page.getByRole('button', { name: /^Poured/ }))
    },
    async weighThese(items) {
      const pour = page.getByTestId('pour')
      for (const [item, grams] of items) {
        await pour.getByRole('heading', { name: item }).waitFor()
        expect(plain(await pour.innerText())).toContain(`${grams}g`)
        await baker.weigh(item, grams)
      }
    },
    async weighAll() {
      const grams: number[] = []
      const pour = page.getByTestId('pour')
      for (;;) {
        const asked = Number(/([\d.]+)g/.exec(plain(await pour.innerText()).replace(/\s(?=\d{3}\b)/g, ''))?.[1])
        const heading = await pour.getByRole('heading').first().innerText()
        await baker.fill('What the scale shows', String(asked))
        await baker.click(page.getByRole('button', { name: /^Poured/ }))
        grams.push(asked)
        // The next item has another heading; after the last one the pour is gone.
        const more = await until(
          async () => ((await pour.count()) === 0 ? 'all' : (await pour.getByRole('heading').first().innerText()) === heading ? 'same' : 'next'),
          (state) => state !== 'same'
        )
        if (more === 'all') return grams
      }
    },
    async doStep(step) {
      const day = page.getByRole('region', { name: 'The whole day' })
      await baker.later(await baker.timeOf(step), `/bakes/${baker.bakeId()}/plan`)
      await day.waitFor()
      const row = day.getByRole('listitem').filter({ hasText: new RegExp(`^[^,]*${step}`) })
      await baker.click(row.getByRole('button', { name: 'Done', exact: true }))
      await day.getByText(new RegExp(`^${step}.*, done$`)).waitFor()
    },
    async toTheLoaf(words) {
      for (const step of ['Heat the oven', 'Into the oven', 'Out of the oven']) await baker.doStep(step)
      await page.goto(`${program.address}/bakes/${baker.bakeId()}/bread`)
      await baker.click(page.getByRole('radiogroup', { name: 'Rise' }).getByText('4', { exact: true }))
      await baker.fill('In words', words)
      await baker.click(page.getByRole('button', { name: 'Into the record' }))
      const { events } = await until(baker.bake, (told) => told.events.some((e: Loose) => e.type === 'outcome'))
      expect(events.findLast((e: Loose) => e.type === 'outcome')).toMatchObject({ rise: 4, note: words })
    }
  }
  return baker
}
