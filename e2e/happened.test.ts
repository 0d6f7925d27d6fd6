import type { Loose } from '../src/server/testing/testServer'
import { closeBrowser, mixedBake, openWindow, type Program, plain, startProgram, until, type Window } from './support'

/** What happened to a bake, taken back where it is shown: alone where nothing stands on it, with what does where something does. */
let program: Program
let window: Window
let id: string

beforeAll(async () => {
  program = await startProgram({ demo: true })
  id = await mixedBake(program)
})
beforeEach(async () => {
  window = await openWindow()
  await window.page.goto(`${program.address}/bakes/${id}/bread`)
  await window.page.getByTestId('happened').waitFor()
})
afterEach(async () => {
  expect(window.complaints).toEqual([])
  await window.close()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

const bake = (): Promise<Loose> => program.call('GET', `/api/bakes/${id}`)
/** Types of events that stand. */
const stands = async (): Promise<string[]> => {
  const { events } = await bake()
  const undone = new Set(events.map((e: Loose) => e.undoes))
  return events.filter((e: Loose) => e.type !== 'undo' && !undone.has(e.id)).map((e: Loose) => e.type)
}

test('a reading of the dough is taken back by itself', async () => {
  const { page } = window
  await page.getByRole('textbox', { name: 'Dough, measured' }).fill('26')
  await page.getByRole('button', { name: 'Note it' }).first().click()
  await until(stands, (types) => types.includes('dough'))
  await page.getByRole('button', { name: /^Undo: the dough: / }).click()
  await until(stands, (types) => !types.includes('dough'))
  expect(await stands()).toContain('mixed')
})

test('the mark of the level takes the mix with it, after it was asked once; the pours stay', async () => {
  const { page } = window
  const before = await stands()
  await page.getByRole('button', { name: 'Undo: the level was marked' }).click()
  const dialog = page.getByRole('dialog', { name: 'This goes with it' })
  await dialog.waitFor()
  expect(plain(await dialog.innerText())).toMatch(/mixed with \d+ g of levain/)
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  expect(await stands()).toEqual(before)
  await page.getByRole('button', { name: 'Undo: the level was marked' }).click()
  await dialog.getByRole('button', { name: 'Take all of it back' }).click()
  await until(stands, (types) => !types.includes('band'))
  expect((await bake()).status).toBe('building')
  expect(await stands()).toEqual(before.filter((type) => type !== 'band' && type !== 'mixed'))
})
