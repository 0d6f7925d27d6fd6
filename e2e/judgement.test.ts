import { randomUUID } from 'node:crypto'
import type { Loose } from '../src/server/testing/testServer'
import { closeBrowser, mixedBake, openWindow, type Program, plain, startProgram, until, type Window } from './support'

/** The rules of the judgement, one case each, as Watch, Today and the calendar show them. */
let program: Program
let window: Window
let bake: Loose
let bandMs: number

beforeAll(async () => {
  program = await startProgram({ demo: true })
  const { bakes } = await program.call('GET', '/api/bakes?state=open')
  bake = bakes.find((b: Loose) => b.status === 'ripening') as Loose
  bandMs = Date.parse((bake.events.find((e: Loose) => e.type === 'band') as Loose).happenedAt)
})
beforeEach(async () => {
  window = await openWindow()
})
afterEach(async () => {
  expect(window.complaints).toEqual([])
  await window.close()
  await untouched()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

/** Each begins with no look at all; what the window is still taking back is not taken back twice. */
async function untouched(): Promise<void> {
  await until(
    async () => {
      const { events } = (await program.call('GET', `/api/bakes/${bake.id}`)) as { events: Loose[] }
      const undone = new Set(events.flatMap((e) => (e.type === 'undo' ? [e.undoes] : [])))
      const last = events.findLast((e) => ['mark', 'explained', 'moved'].includes(e.type) && !undone.has(e.id))
      if (last !== undefined) await note({ type: 'undo', undoes: last.id }, 4).catch(() => undefined)
      return last
    },
    (last) => last === undefined
  )
}

const at = (hours: number) => new Date(bandMs + hours * 3_600_000).toISOString()
const note = (event: Loose, hours: number) => program.call('POST', `/api/bakes/${bake.id}/events`, { id: randomUUID(), happenedAt: at(hours), ...event })
const look = (hours: number, rise: number, signs: Loose = {}) => note({ type: 'mark', rise, signs }, hours)
const watch = () => window.page.goto(`${program.address}/bakes/${bake.id}/watch`)
const verdict = async () => plain(await window.page.getByTestId('verdict').innerText())
const untilVerdict = (words: RegExp) => until(verdict, (told) => words.test(told))
const today = async () => {
  await window.page.goto(program.address)
  await window.page.getByTestId('next').waitFor()
  return plain(await window.page.locator('main').innerText())
}
const calendar = async () => (await fetch(`${program.address}/api/bakes/${bake.id}/calendar.ics`)).text()
/** Hours from the mix to its peak, as the calendar's window has it: in its middle. */
async function peakHours(): Promise<number> {
  await program.moveClock(at(0.2))
  const file = await calendar()
  const window = file.split('BEGIN:VEVENT').find((event) => event.includes('Should be ready')) ?? ''
  const moment = (key: string) => {
    const [, day = '', time = ''] = new RegExp(`${key}:(\\d{8})T(\\d{6})Z`).exec(window) ?? []
    return Date.parse(`${day.slice(0, 4)}-${day.slice(4, 6)}-${day.slice(6)}T${time.slice(0, 2)}:${time.slice(2, 4)}:00Z`)
  }
  return ((moment('DTSTART') + moment('DTEND')) / 2 - bandMs) / 3_600_000
}

test('ready needs a look of the last half hour: without one it should be ready, on Watch, on Today and in the calendar', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await watch()
  await untilVerdict(/Should be ready.*It should be ready: \d+ % chance\. Look first/)
  expect(plain(await window.page.getByTestId('ways').innerText())).not.toMatch(/Mix now/)
  expect(await today()).toMatch(/Look at/)
  expect(await calendar()).toMatch(/SUMMARY:Look at/)
  await look(peak - 0.1, 3.3, { top: 'flat', bubbles: 'many' })
  await watch()
  await untilVerdict(/Mix now: \d+ % chance that it is ready/)
  await program.moveClock(at(peak + 0.55))
  await watch()
  await untilVerdict(/It should be ready: \d+ % chance\. Look first/)
})

test('a slip of the thumb is asked about, and mended where it stands', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await look(peak - 0.5, 3.3)
  await look(peak - 0.02, 1.4)
  await watch()
  await untilVerdict(/×1\.4 is much lower than the ×3\.3 you saw at \d\d:\d\d\. Did you type it right\?/)
  expect(await today()).toMatch(/Did you type it right/)
  await watch()
  await window.page.getByRole('button', { name: 'I mistyped ×1.4' }).click()
  await window.page.getByRole('textbox', { name: 'The level you saw' }).fill('3.35')
  await window.page.getByTestId('level-asked').getByRole('button', { name: 'Save' }).click()
  await untilVerdict(/Mix now/)
})

test('stirred, the forecast goes on; the band moved, levels are read from the new one; right, it has fallen', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await look(peak - 0.5, 3.3)
  await look(peak - 0.02, 1.3)
  for (const [answer, then] of [
    ['It was stirred or knocked down', /Should be ready|At its peak|Mix now/],
    ['The band was moved', /Should be ready|At its peak|Mix now/],
    ['It is right: it fell', /past its best|collapsed/i]
  ] as const) {
    await watch()
    await untilVerdict(/Did you type it right/)
    await window.page.getByRole('button', { name: answer }).click()
    await untilVerdict(then)
    await window.page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await untilVerdict(/Did you type it right/)
  }
})

test('nobody has looked, and its hours are over: it may be past, no window is told, and Today asks for a look', async () => {
  const peak = await peakHours()
  await program.moveClock(at(2.2 * peak))
  await watch()
  await untilVerdict(/May be past its best.*Look first: a sunken top/)
  expect(await verdict()).not.toMatch(/ready to mix/)
  expect(await today()).not.toMatch(/Mix now/)
  expect(await calendar()).not.toMatch(/Should be ready/)
})

test('a sunken centre is past, however high it stands', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await look(peak - 0.05, 3.3, { top: 'sunken' })
  await watch()
  await untilVerdict(/It is past its best and still usable|It has (probably )?collapsed/)
  // What is past can still be food, all of it: 100 g of it take 55 g of flour for crackers.
  const grams = Number(/what ([\d.]+)/.exec(plain(await window.page.getByText(/^Cook with it/).innerText()))?.[1])
  await window.page.getByText(/^Cook with it/).click()
  const crackers = plain(
    await window.page
      .getByTestId('ways')
      .getByRole('listitem')
      .filter({ hasText: /^Crackers/ })
      .innerText()
  )
  expect(Math.abs(Number(/With (\d+) ?g/.exec(crackers)?.[1]) - 0.55 * grams)).toBeLessThan(1.1)
  expect(plain(await window.page.getByTestId('ways').innerText())).not.toMatch(/Mix now/)
})

test('collapsed, it is fed again in one tap: the next one is weighed from it, every page tells its hour, and that is taken back', async () => {
  const peak = await peakHours()
  await program.moveClock(at(2.2 * peak))
  await look(2.2 * peak - 0.05, 1.3, { top: 'sunken', smear: 'yes' })
  await watch()
  await untilVerdict(/It has collapsed/)
  const feed = window.page.getByTestId('ways').getByRole('button', { name: /^Feed it like this, mix / })
  const [, mix = ''] = /mix (\w+ \d\d:\d\d)/.exec(plain(await feed.first().innerText())) ?? []
  // Nothing is mixed before: the day goes on from the next one.
  const before = await today()
  expect(before).toMatch(/Feed .* levain again/)
  expect(before).toContain(`${mix} Mix: ${bake.plan.name}`)
  await watch()
  await feed.first().click()
  await window.page.getByRole('heading', { name: 'Levain that is there' }).waitFor()
  await until(
    async () => plain(await window.page.locator('main').innerText()),
    (words) => words.includes(`mix ${mix}`) && /Levain that is there\s+to come/.test(words)
  )
  expect(await today()).toContain(`${mix} Mix: ${bake.plan.name}`)
  await window.page.goto(`${program.address}/bakes/${bake.id}/weigh`)
  await window.page.getByRole('button', { name: 'Don’t feed it again after all' }).click()
  await watch()
  await untilVerdict(/It has collapsed/)
})

test('chilled while it is ready, it is held for hours; its level may sink there', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await look(peak - 0.05, 3.3, { top: 'flat', bubbles: 'many' })
  await watch()
  await untilVerdict(/Mix now/)
  await window.page.getByRole('button', { name: /I have put it there: Fridge/ }).click()
  await window.page.getByText('It stands: Fridge').waitFor()
  await program.moveClock(at(peak + 3))
  await look(peak + 2.95, 2.4)
  await watch()
  await untilVerdict(/Held in the cold.*stays good there until about/)
  expect(await today()).toMatch(/It was ready when it went into the cold/)
})

test('out until the morning: what comes of it where it stands, and in the cold, in two taps', async () => {
  const peak = await peakHours()
  await program.moveClock(at(peak))
  await look(peak - 0.05, 3.3, { top: 'flat', bubbles: 'many' })
  await watch()
  await untilVerdict(/Mix now/)
  const out = window.page.getByTestId('out')
  await out.locator('label').nth(4).click()
  await out.getByText('suits best').waitFor()
  const told = plain(await out.innerText())
  // Ten hours on the worktop are too long for it; in the fridge it is held.
  expect(told).toMatch(/Carry on: Worktop Ready until about \w+ \d\d:\d\d, so past its best by \d\d:\d\d/)
  expect(told).toMatch(/Chill it: Fridge suits best Ready at \d\d:\d\d: \d+ % chance/)
  await out.getByRole('button', { name: /I have put it there: Fridge/ }).click()
  await window.page.getByText('It stands: Fridge').waitFor()
  await untilVerdict(/Held in the cold/)
  await window.page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await window.page.getByText('It stands: Worktop').waitFor()
})

describe('a dough', () => {
  let id: string
  let mixedMs: number
  const bread = () => window.page.goto(`${program.address}/bakes/${id}/bread`)
  const later = (hours: number) => program.moveClock(new Date(mixedMs + hours * 3_600_000).toISOString())
  beforeAll(async () => {
    id = await mixedBake(program, at(6))
    mixedMs = bandMs + 6 * 3_600_000
  })

  test('that is left is put into the cold in two taps, keeps its day, and is taken back', async () => {
    await later(1)
    await bread()
    const out = window.page.getByTestId('out')
    await out.locator('label').nth(5).click()
    await out.getByText(/Chill it: Fridge/).waitFor()
    const shapeAt = async () => /Shape (\d\d:\d\d|[\d min]+\d\d:\d\d)/.exec(plain(await window.page.locator('main').innerText()))?.[1]
    const before = await shapeAt()
    await out.getByRole('button', { name: /I have put it there: Fridge/ }).click()
    await out.getByText(/Carry on: Fridge/).waitFor()
    await until(shapeAt, (now) => now !== undefined && now !== before)
    await window.page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await until(shapeAt, (now) => now === before)
  })

  test('that was slept through: it may have gone too far, and what it can still be', async () => {
    await later(16)
    await bread()
    const card = window.page.getByTestId('overproofed')
    await card.getByText('It may have gone too far').waitFor()
    for (const way of ['Bake it now', 'Into a tin', 'Flatbread', 'Shape it anew']) expect(await card.getByText(way, { exact: true }).count()).toBe(1)
    expect(await window.page.getByText(/^Fold \d/).count()).toBe(0)
    // On Today it stands large, where the step that is overdue would stand.
    await window.page.goto(`${program.address}/`)
    const next = window.page.getByTestId('next')
    await next.getByRole('heading', { name: 'It may have gone too far' }).waitFor()
    expect(await next.getByRole('heading', { name: 'Shape' }).count()).toBe(0)
    await next.getByRole('link', { name: 'What it can still be' }).waitFor()
  })
})

test('too sour leads to what makes this bake milder, with what each does', async () => {
  await program.moveClock(at(0.2))
  await watch()
  const trouble = window.page.getByTestId('trouble')
  await trouble.getByText('too sour', { exact: true }).click()
  await trouble.getByText('Mix the levain an hour younger').waitFor()
  expect(plain(await trouble.innerText())).toMatch(/−\d+ %: (a little|much) milder, pH about \d\.\d/)
  await trouble.getByText('not sour enough', { exact: true }).click()
  await trouble.getByText('Mix the levain an hour riper').waitFor()
})

test('a jar that goes into the dough as it is, and has collapsed: its feed opens with the grams, and the day goes on from it', async () => {
  const { jars } = await program.call('GET', '/api/jars')
  const known = jars.find((j: Loose) => j.name === 'Juno') as Loose
  await program.moveClock(at(26))
  // 1:3 on the worktop: ripe after six hours or so, and long past after twelve.
  const flours = [{ ingredientId: 'white wheat', grams: 60 }]
  const fed = { keepGrams: 20, trimGrams: 0, flours, waterGrams: 60, mixTempC: 23, underWater: false, placeId: bake.plan.placeId }
  const juno = await program.call('POST', `/api/jars/${known.id}/feeds`, { id: randomUUID(), happenedAt: at(14), ...fed })
  const id = randomUUID()
  const build = { ...bake.plan.build, source: 'as it is', keepBackGrams: 0 }
  const plan = { ...bake.plan, name: 'From the jar', jarId: juno.id, build, before: [], moves: [], startAt: null, mixAt: at(27) }
  await program.call('POST', '/api/bakes', { id, plan })
  await program.call('POST', `/api/jars/${juno.id}/looks`, { id: randomUUID(), happenedAt: at(26), rise: 1.1, signs: { top: 'sunken', smear: 'yes' } })
  await window.page.goto(`${program.address}/bakes/${id}/watch`)
  await untilVerdict(/It has collapsed/)
  const feed = window.page.getByTestId('ways').getByRole('listitem').filter({ hasText: 'Feed Juno like this' }).first()
  const [, flour = ''] = /Feed again 1:(\d+)/.exec(plain(await feed.innerText())) ?? []
  await feed.getByRole('button', { name: 'Feed Juno like this' }).click()
  const sheet = window.page.getByRole('dialog')
  // As much in the jar afterwards as before: of 140 g at 100 %, so many parts of flour and of water to one kept.
  const kept = Math.round(juno.grams / (1 + 2 * Number(flour)))
  expect(await sheet.getByRole('textbox', { name: 'Keep' }).inputValue()).toBe(String(kept))
  expect(await sheet.getByRole('textbox', { name: 'Flour', exact: true }).inputValue()).toBe(String(kept * Number(flour)))
  await sheet.getByRole('button', { name: 'Fed like this' }).click()
  await untilVerdict(/Wait: it should be ready from about/)
})
