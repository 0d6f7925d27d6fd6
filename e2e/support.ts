import { type ChildProcess, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { existsSync, statSync } from 'node:fs'
import { cp, mkdir, mkdtemp, rename, rm } from 'node:fs/promises'
import type { AddressInfo } from 'node:net'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, type BrowserContext, chromium, type Locator, type Page } from 'playwright-core'
import type { Loose } from '../src/server/testing/testServer'

/** A Thursday evening in Lisbon. */
export const NOW = '2026-11-26T19:42:00.000Z'
const root = process.cwd()

/** The built program as a user starts it, in a data folder of its own. */
export interface Program {
  readonly address: string
  /** Asks it as a window would, with JSON. @throws what it refuses */
  call(method: string, path: string, body?: unknown): Promise<Loose>
  /** Moves its clock, which stands still. */
  moveClock(iso: string): Promise<void>
  /** Ends the process without a word, as a power cut would. */
  kill(): Promise<void>
  /** Ends it as Ctrl+C does. */
  stop(): Promise<void>
  pid(): number | undefined
  start(): Promise<void>
  end(): Promise<void>
}

async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await new Promise((done) => probe.once('listening', done))
  const { port } = probe.address() as AddressInfo
  await new Promise((done) => probe.close(done))
  return port
}

/** Of a program that has ended: the next one takes it over, so that what Chromium keeps of the pages goes on to hold. */
let restingPort: number | null = null

/** Starts the built program; `demo` opens Lantern Street, a folder of one's own is taken over. */
export async function startProgram({ demo = false, now = NOW, folder: given = '' } = {}): Promise<Program> {
  const folder = given === '' ? await mkdtemp(join(tmpdir(), 'olvent-e2e-')) : given
  let port = restingPort ?? (await freePort())
  restingPort = null
  let child: ChildProcess | null = null
  let standing = now
  const laid = demo && given === '' ? laidDemo(now) : null
  if (laid !== null && existsSync(laid)) await cp(laid, folder, { recursive: true })
  async function endedBy(signal: NodeJS.Signals): Promise<void> {
    const dying = child
    if (dying === null || dying.exitCode !== null || dying.signalCode !== null) return
    dying.removeAllListeners('exit')
    await new Promise((gone) => {
      dying.once('exit', gone)
      dying.kill(signal)
    })
  }
  const program: Program = {
    get address() {
      return `http://localhost:${port}`
    },
    async start() {
      child = spawn(process.execPath, [join(root, 'dist/server/main.js'), ...(demo ? ['--demo'] : [])], {
        env: { ...process.env, OLVENT_DATA: folder, OLVENT_NOW: standing, PORT: String(port), LOG_LEVEL: 'error', TZ: 'Europe/Lisbon' },
        stdio: ['ignore', 'pipe', 'inherit']
      })
      await new Promise<void>((ready, failed) => {
        child?.stdout?.on('data', (words: Buffer) => words.toString().includes('Olvent is ready') && ready())
        child?.once('exit', (code) => failed(new Error(`The program ended with ${code}.`)))
      })
    },
    async call(method, path, body) {
      const answer = await fetch(program.address + path, {
        method,
        headers: { 'Content-Type': 'application/json' },
        ...(body === undefined ? {} : { body: JSON.stringify(body) })
      })
      const told = (await answer.json()) as Loose
      if (!answer.ok) throw new Error(`${method} ${path}: ${JSON.stringify(told)}`)
      return told
    },
    async moveClock(iso) {
      standing = iso
      const answer = await fetch(`${program.address}/api/clock`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ now: iso })
      })
      if (!answer.ok) throw new Error('The clock does not move.')
    },
    kill: () => endedBy('SIGKILL'),
    stop: () => endedBy('SIGTERM'),
    pid: () => child?.pid,
    async end() {
      await program.kill()
      restingPort = port
      await rm(folder, { recursive: true, force: true })
    }
  }
  // What runs beside this may have taken the port meanwhile.
  await program.start().catch(async () => {
    port = await freePort()
    await program.start()
  })
  if (laid !== null && !existsSync(laid)) await keepLaid(program, folder, laid)
  return program
}

/** Where the demo of this build, laid for a moment, is kept: laying it takes longer than copying it. */
const laidDemo = (now: string) =>
  join(root, 'node_modules/.cache/olvent-demo', `${Math.round(statSync(join(root, 'dist/server/main.js')).mtimeMs)}-${now.replace(/\W/g, '')}`)

/** Keeps a copy of a demo that was just laid. The program stands still meanwhile, so that the copy is whole. */
async function keepLaid(program: Program, folder: string, laid: string): Promise<void> {
  await program.kill()
  const half = `${laid}-${process.pid}`
  await mkdir(join(laid, '..'), { recursive: true })
  await cp(folder, half, { recursive: true })
  await rename(half, laid).catch(() => rm(half, { recursive: true, force: true }))
  await program.start()
}

/** A window on the program that notes whatever the browser complains about. */
export interface Window {
  readonly page: Page
  readonly context: BrowserContext
  /** Errors of scripts and of the content policy. */
  readonly complaints: string[]
  /** Closes it and forgets what it had stored. */
  close(): Promise<void>
}

/** A page of a test is gone before what the last optimiser of scripts costs is won back. Benchmarks measure with it. */
const QUICK = process.env.JEST_WORKER_ID === undefined ? [] : ['--js-flags=--no-turbofan']

let browser: Browser | null = null

/** A machine that others use at the same time may take long for a page; whoever mends a test does not wait for it. */
const PATIENCE_MS = Number(process.env.E2E_PATIENCE_MS ?? 200_000)

/** Contexts of closed windows: they have the program's scripts already, which takes most of the time of a page away. */
const resting: BrowserContext[] = []

/**
 * Opens a window; all windows share one Chromium until it is closed.
 * @param letters how many times larger than usual this Chromium, when it is opened with this window, is asked to show letters
 */
export async function openWindow({ width = 1280, height = 800, dim = false, letters = 1 } = {}): Promise<Window> {
  browser ??= await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      `--blink-settings=defaultFontSize=${16 * letters}`,
      // Nothing here has a graphics card: what draws as if there were one only takes the cores from the page.
      ...['--disable-gpu', '--disable-gpu-compositing', '--disable-software-rasterizer'],
      ...['--disable-extensions', '--disable-component-extensions-with-background-pages'],
      ...QUICK,
      ...['--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run']
    ]
  })
  const context = resting.pop() ?? (await newContext(browser))
  const page = await context.newPage()
  await page.setViewportSize({ width, height })
  await page.emulateMedia({ colorScheme: dim ? 'dark' : 'light' })
  page.setDefaultTimeout(PATIENCE_MS)
  const complaints: string[] = []
  page.on('pageerror', (error) => complaints.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) complaints.push(message.text())
  })
  const close = async () => {
    // A picture that is drawn has no address, and no store.
    await page.evaluate(() => localStorage.clear()).catch(() => undefined)
    for (const open of context.pages()) await open.close()
    resting.push(context)
  }
  return { page, context, complaints, close }
}

async function newContext(browser: Browser): Promise<BrowserContext> {
  const context = await browser.newContext({ timezoneId: 'America/New_York', locale: 'en-GB', reducedMotion: 'reduce' })
  await context.addInitScript(countQuestions)
  return context
}

/** Runs in the page: counts what the server and the workers have been asked, and not answered yet. */
function countQuestions(): void {
  const open = new Set<unknown>()
  const { fetch: ask, Worker: Thread } = window
  window.fetch = async (...asked) => {
    open.add(asked)
    return ask(...asked).finally(() => open.delete(asked))
  }
  window.Worker = class extends Thread {
    constructor(...how: ConstructorParameters<typeof Thread>) {
      super(...how)
      this.addEventListener('message', ({ data }) => open.delete(data?.id))
    }
    override postMessage(message: { readonly id?: string }, ...more: never[]): void {
      if (message.id !== undefined) open.add(message.id)
      super.postMessage(message, ...more)
    }
  }
  Object.assign(window, { openQuestions: () => open.size })
}

/** Closes Chromium after a test file. */
export async function closeBrowser(): Promise<void> {
  await browser?.close()
  browser = null
  resting.length = 0
}

/** A bake like one that is planned, whose levain was mixed at a moment. @returns its id */
export async function mixedLevain(program: Program, now = NOW): Promise<string> {
  const { bakes } = await program.call('GET', '/api/bakes?state=open')
  const like = bakes.find((b: Loose) => b.plan.name.startsWith('Market rolls')) as Loose
  const id = randomUUID()
  await program.call('POST', '/api/bakes', { id, plan: { ...like.plan, name: 'Mixed by now' } })
  const pour = (item: string, weighedGrams: number, more = {}) =>
    note(program, id, now, { type: 'pour', item, plannedGrams: weighedGrams, weighedGrams, ...more })
  await pour('seed', 10)
  await pour('water', 80)
  for (const { ingredientId } of like.plan.build.flours) await pour('flour', 80, { ingredientId })
  await note(program, id, now, { type: 'band', mixTempC: 24 })
  return id
}

/** A bake like one that is planned, whose dough is mixed by now. @returns its id */
export async function mixedBake(program: Program, now = NOW): Promise<string> {
  const id = await mixedLevain(program, now)
  await note(program, id, now, { type: 'mixed', levainGrams: 150, keepBackGrams: 0 })
  return id
}

const note = (program: Program, bake: string, happenedAt: string, event: Loose) =>
  program.call('POST', `/api/bakes/${bake}/events`, { id: randomUUID(), happenedAt, ...event })

/** Asks until what is asked for is as it should be. @throws after half a minute or more */
export async function until<T>(ask: () => Promise<T>, enough: (answer: T) => boolean): Promise<T> {
  let answer = await ask()
  for (let tries = 0; tries < 300; tries++) {
    if (enough(answer)) return answer
    await new Promise((go) => setTimeout(go, 100))
    answer = await ask()
  }
  throw new Error(`It never came: at last it was ${JSON.stringify(answer)}.`)
}

/** Nothing on the page has changed for so long: what was asked has been answered. */
const STILL_MS = 150

/** Waits until the page stands still. */
export const settled = (page: Page) =>
  page.evaluate(
    (stillMs) =>
      new Promise<void>((done) => {
        let timer = setTimeout(done, stillMs)
        new MutationObserver(() => {
          clearTimeout(timer)
          timer = setTimeout(done, stillMs)
        }).observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true })
      }),
    STILL_MS
  )

/** How often words are read, alike and with every question answered, until they are believed. */
const ALIKE = 4

/** Words once they stand still, and nothing is left to be answered: forecasts, and what is learned of a jar, come a moment later. */
export async function stillWords(page: Page, words: () => Promise<string>): Promise<string> {
  let before = await words()
  for (let tries = 0, alike = 0; tries < 100 && alike < ALIKE; tries++) {
    await new Promise((go) => setTimeout(go, STILL_MS))
    const open = await page.evaluate(() => (window as unknown as { openQuestions: () => number }).openQuestions())
    const now = await words()
    alike = now === before && open === 0 ? alike + 1 : 0
    before = now
  }
  return before
}

/** Types a figure into a labelled field as a person does. */
export async function type(page: Page, label: string | RegExp, text: string): Promise<void> {
  await page.getByRole('textbox', { name: label }).first().fill(text)
}

/** A name by which something is found. */
interface Named {
  readonly name: string | RegExp
  readonly exact?: boolean
}

/** Chooses from a list as a person does: where the list has gone before the choice was made, it is opened again. */
export async function choose(within: Page | Locator, list: Named, option: Named): Promise<void> {
  const box = within.getByRole('combobox', list)
  const page = 'page' in within ? within.page() : within
  for (let again = 3; ; again--) {
    if ((await box.getAttribute('aria-expanded')) !== 'true') await box.click()
    try {
      return await page.getByRole('option', option).click(again > 0 ? { timeout: 10_000 } : {})
    } catch (problem) {
      if (again === 0) throw problem
    }
  }
}

/** Chooses what is to be ready: "Dough mixed at", "Out of the oven by". */
export async function wishFor(page: Page, what: string): Promise<void> {
  await choose(page, { name: 'What should be ready' }, { name: what })
}

/** Sets the time to mix: day and clock, in the kitchen's zone. */
export async function setMix(page: Page, day: number, hour: string, minute: string): Promise<void> {
  await wishFor(page, 'Dough mixed at')
  await setMoment(page, day, hour, minute)
}

/** Sets the first moment on the page: a day of November 2026 and the time. */
export async function setMoment(page: Page, day: number, hour: string, minute: string): Promise<void> {
  await page.getByRole('button', { name: /^Day/ }).click()
  await page.getByRole('button', { name: new RegExp(`^${day} November 2026`) }).click()
  await page.getByRole('spinbutton', { name: 'Hour' }).fill(hour)
  await page.getByRole('spinbutton', { name: 'Minute' }).fill(minute)
}

/** Words as they are read: every kind of space alike. */
export const plain = (words: string | null) => (words ?? '').replace(/\s+/g, ' ').trim()
