import { randomUUID } from 'node:crypto'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'playwright-core'
import { rowsOf, withFile } from '../src/server/db/file'
import type { Loose } from '../src/server/testing/testServer'
import { closeBrowser, NOW, openWindow, type Program, startProgram } from './support'

/** What was noted arrives, also when it had to wait; and nobody gets in without the passphrase. */
const START = Date.parse(NOW)
const MINUTE = 60_000
const after = (minutes: number) => new Date(START + minutes * MINUTE).toISOString()
let folder: string
let program: Program
let page: Page
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'olvent-e2e-kept-'))
  program = await startProgram({ demo: true, folder })
  page = (await openWindow()).page
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

/** Sixty entries of six kinds, a minute apart, as a window notes them while its server is away. */
function anHour(jar: Loose, bake: Loose, elsewhere: string): Loose[] {
  const kinds: ((noted: Loose, n: number) => readonly [path: string, body: Loose])[] = [
    (noted, n) => [`/api/jars/${jar.id}/weighings`, { ...noted, grams: 90 + n / 10 }],
    (noted, n) => [`/api/jars/${jar.id}/looks`, { ...noted, rise: 1.2 + n / 1000, signs: {} }],
    (noted, n) => [`/api/jars/${jar.id}/moves`, { ...noted, placeId: n % 12 < 6 ? elsewhere : jar.placeId }],
    (noted, n) => [`/api/bakes/${bake.id}/events`, { ...noted, type: 'mark', rise: 1.8 + n / 1000, signs: {} }],
    (noted, n) => ['/api/shelf/stock', { ...noted, how: 'bought', ingredientId: 'rye', grams: 500 + n }],
    (noted, n) => ['/api/formulas', { id: noted.id, name: `Loaf ${n}`, content: bake.content }]
  ]
  return Array.from({ length: 60 }, (_, n) => {
    const id = randomUUID()
    const [path, body] = kinds[n % kinds.length]?.({ id, happenedAt: after(n), source: 'typed' }, n) ?? ['', {}]
    return { id, method: 'POST', path, body, noted: after(n) }
  })
}

test('an hour without the server, one failure for each entry, a clock set back, a reload, storage full: all arrives once and in order', async () => {
  const [{ jars }, { bakes }, { formulas }, { kitchen }] = await Promise.all([
    program.call('GET', '/api/jars'),
    program.call('GET', '/api/bakes?state=open'),
    program.call('GET', '/api/formulas'),
    program.call('GET', '/api/kitchen')
  ])
  const jar = jars.find((one: Loose) => one.name === 'Moth')
  const growing = bakes.find((one: Loose) => one.plan.name === 'Two lantern loaves')
  const elsewhere = kitchen.places.find((place: Loose) => place.id !== jar.placeId && place.takes === null).id
  const entries = anHour(jar, { id: growing.id, content: formulas[0].content }, elsewhere)
  await page.goto(`${program.address}/shelf`)
  await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' })
  await program.moveClock(after(-30))
  await program.kill()
  await page.evaluate((kept) => localStorage.setItem('olvent.outbox', JSON.stringify(kept)), entries)
  const failed = new Set<string>()
  await page.route('**/api/**', (route) => {
    const id = route.request().headers()['x-olvent-write']
    if (id === undefined || failed.has(id)) return route.continue()
    failed.add(id)
    return route.fulfill({ status: 500, contentType: 'application/json', body: JSON.stringify({ error: { code: 'fault', message: 'Something went wrong.' } }) })
  })
  await program.start()
  await page.reload()
  // From now on the browser has no room: what has arrived cannot be struck off the list.
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  const tryNow = page.getByRole('button', { name: 'Try now' })
  while (failed.size < entries.length || (await tryNow.count()) > 0) {
    await tryNow.click({ timeout: 500 }).catch(() => undefined)
  }
  // The list is still as it was, so all of it is sent once more.
  await page.reload()
  await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' })
  while ((await page.evaluate(() => localStorage.getItem('olvent.outbox'))) !== '[]') await page.waitForTimeout(200)
  await page.unroute('**/api/**')
  expect(failed.size).toBe(60)
  expect(await page.evaluate(() => localStorage.getItem('olvent.tray') ?? '[]')).toBe('[]')
  const { file, close } = await withFile(join(folder, 'kitchen.sqlite'), { readOnly: true })
  const sent = entries.filter(({ path }) => path !== '/api/formulas').map(({ id }) => id)
  const rows = await rowsOf<{ id: string; happenedAtMs: number }>(file, 'SELECT id, happenedAtMs FROM events ORDER BY sequence')
  const [named] = await rowsOf<{ n: number }>(file, "SELECT COUNT(*) AS n FROM formula_versions WHERE name LIKE 'Loaf %'")
  await close()
  const arrived = rows.filter(({ id }) => sent.includes(id))
  expect(arrived.map(({ id }) => id)).toEqual(sent)
  expect(arrived.map(({ happenedAtMs }) => (happenedAtMs - START) / MINUTE)).toEqual(Array.from({ length: 60 }, (_, n) => n).filter((n) => n % 6 !== 5))
  expect(named?.n).toBe(10)
})

test('a clock before the newest entry is asked about, until it is set or believed', async () => {
  await page.goto(program.address)
  const question = page.getByText('Is the clock of Olvent’s computer right?')
  await question.waitFor()
  await page.getByText(/It says Thu 26 Nov, 19:12, and the last entry was made on Thu 26 Nov, 20:4\d/).waitFor()
  await program.moveClock(after(70))
  await question.waitFor({ state: 'detached' })
  await program.moveClock(after(-30))
  await page.reload()
  await page.getByRole('button', { name: 'It is right' }).click()
  await question.waitFor({ state: 'detached' })
  await page.reload()
  await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' })
  expect(await question.count()).toBe(0)
  await program.moveClock(after(70))
})

test('a file is added to a kitchen in use: what both have changed is asked about one by one', async () => {
  const file = Buffer.from(await (await fetch(`${program.address}/api/export.zip`)).arrayBuffer())
  const { jars } = await program.call('GET', '/api/jars')
  const juno = jars.find((jar: Loose) => jar.name === 'Juno')
  const other = await startProgram({ now: after(80) })
  const { id } = (await (
    await fetch(`${other.address}/api/import`, { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: file })
  ).json()) as Loose
  await other.call('POST', `/api/import/${id}`, { how: 'replace' })
  const weigh = (there: Program, grams: number) => there.call('POST', `/api/jars/${juno.id}/weighings`, { id: randomUUID(), happenedAt: after(60), grams })
  await weigh(other, 81)
  await weigh(program, 77)
  const changed = Buffer.from(await (await fetch(`${other.address}/api/export.zip`)).arrayBuffer())
  await other.end()
  await page.goto(`${program.address}/kitchen/copies`)
  await page.locator('input[type=file]').setInputFiles({ name: 'kitchen.zip', mimeType: 'application/zip', buffer: changed })
  const dialog = page.getByRole('dialog')
  await dialog.getByText('1 thing differs: say which one counts.').waitFor()
  expect(await dialog.getByRole('button', { name: 'Add it' }).isDisabled()).toBe(true)
  await dialog.getByRole('radio', { name: /As it is in the file/ }).check()
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await page.getByText('is part of this kitchen now').waitFor()
  const now = (await program.call('GET', '/api/jars')).jars.find((jar: Loose) => jar.name === 'Juno')
  expect(now.grams).toBe(81)
})

test('an entry that waited and is not accepted lies in the tray over a reload, is mended and sent', async () => {
  await page.goto(`${program.address}/jars`)
  await page.getByRole('link', { name: /Juno/ }).first().waitFor()
  // As an earlier window left it: a weighing that the server cannot take.
  const { jars } = await program.call('GET', '/api/jars')
  const juno = jars.find((jar: { name: string }) => jar.name === 'Juno')
  const entry = {
    id: '00000000-0000-4000-8000-00000000beef',
    method: 'POST',
    path: `/api/jars/${juno.id}/weighings`,
    body: { id: '00000000-0000-4000-8000-00000000beef', happenedAt: NOW, grams: -40 }
  }
  await page.evaluate((kept) => localStorage.setItem('olvent.outbox', JSON.stringify([kept])), entry)
  await page.reload()
  await page.getByTestId('tray').getByRole('button', { name: 'Look at it' }).click()
  await page.reload()
  await page.getByTestId('tray').getByRole('button', { name: 'Look at it' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByText(/Jar weighed, -40 g/).waitFor()
  await dialog.getByLabel('Amount, g').fill('140')
  await dialog.getByRole('button', { name: 'Send again' }).click()
  await page.getByTestId('tray').waitFor({ state: 'detached' })
  const grams = async () => (await program.call('GET', '/api/jars')).jars.find((jar: { id: string }) => jar.id === juno.id).grams as number
  while ((await grams()) !== 140) await page.waitForTimeout(200)
  expect(await grams()).toBe(140)
})

test('a browser that keeps nothing opens every room, and says so once', async () => {
  const { page: shut, context } = await openWindow()
  await context.addInitScript(() => {
    for (const name of ['localStorage', 'sessionStorage'])
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('denied', 'SecurityError')
        }
      })
  })
  for (const path of ['/', '/bakes', '/jars', '/shelf', '/recipes', '/kitchen', '/kitchen/copies']) {
    await shut.goto(program.address + path)
    await shut.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' })
    expect(await shut.getByText('has failed').count()).toBe(0)
  }
  await shut.goto(program.address)
  await shut.getByText('This browser cannot keep anything').waitFor()
  await context.close()
})

test('another device signs in with the passphrase, and is shut out once it is signed out', async () => {
  await page.goto(`${program.address}/kitchen/copies`)
  await page.getByRole('button', { name: 'Set a passphrase' }).click()
  await page.getByLabel('New passphrase').fill('four warm loaves on Saturday')
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByText('The passphrase is set').waitFor()
  const { page: phone, context } = await openWindow()
  // Whoever comes through another server comes from elsewhere.
  await context.setExtraHTTPHeaders({ 'X-Forwarded-For': '192.168.1.7' })
  await phone.goto(`${program.address}/jars`)
  await phone.getByLabel('Passphrase').fill('four warm loaves on Sunday')
  await phone.getByRole('button', { name: 'Sign in' }).click()
  await phone.getByText('That is not the passphrase').waitFor()
  await phone.getByLabel('Passphrase').fill('four warm loaves on Saturday')
  await phone.getByLabel('Name of this device').fill('Tablet')
  await phone.getByRole('button', { name: 'Sign in' }).click()
  await phone.getByRole('link', { name: /Juno/ }).first().waitFor()
  await page.reload()
  const row = page.getByRole('listitem').filter({ hasText: 'Tablet' })
  await row.getByRole('button', { name: 'Sign out' }).click()
  await row.waitFor({ state: 'detached' })
  await phone.goto(`${program.address}/bakes`)
  await phone.getByLabel('Passphrase').waitFor()
  await context.close()
})
