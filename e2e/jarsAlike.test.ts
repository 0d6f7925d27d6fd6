import { closeBrowser, openWindow, type Program, plain, startProgram, until, type Window } from './support'

/** A jar is told alike wherever it is told: on Today, in the calendar, in its feed sheet, on its page and on its label, to the minute and the gram. */
let program: Program
let window: Window
beforeAll(async () => {
  program = await startProgram({ demo: true })
  window = await openWindow()
})
afterAll(async () => {
  await closeBrowser()
  await program.end()
})

/** The feeds Today asks for: name, when, and the usual feed in words. */
async function asked(): Promise<{ readonly name: string; readonly when: string; readonly usual: string }[]> {
  await window.page.goto(program.address)
  const rows = window.page.getByTestId('jar-care').getByRole('listitem')
  await rows.first().waitFor()
  const told = (await rows.allInnerTexts()).map(plain)
  return told.flatMap((row) => {
    const found = /^(Now|\w{3} \d\d:\d\d) Feed (\w+) .*(Like last time: .*? of water\.(?: \d+ g go to the discard pot\.)?)/.exec(row)
    return found === null ? [] : [{ when: found[1] ?? '', name: found[2] ?? '', usual: found[3] ?? '' }]
  })
}

/** The same out of the calendar file, whose lines are folded; the kitchen is in Lisbon, in November at UTC. */
async function inCalendar(name: string): Promise<{ readonly startMs: number; readonly says: string }> {
  const file = (await (await fetch(`${program.address}/api/calendar.ics`)).text()).replace(/\r\n[ \t]/g, '').split('BEGIN:VEVENT')
  const event = file.find((one) => one.includes(`SUMMARY:Feed ${name}`)) ?? ''
  const [, y, mo, d, h, mi] = /DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)/.exec(event) ?? []
  return {
    startMs: Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi)),
    says: plain((/DESCRIPTION:(.*)/.exec(event)?.[1] ?? '').replace(/\\n/g, ' ').replace(/\\/g, ''))
  }
}
const clock = (ms: number) => {
  const at = new Date(Math.round(ms / 300_000) * 300_000)
  return `${['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'][at.getUTCDay()]} ${at.toISOString().slice(11, 16)}`
}

test('the feeds of Today are those of the calendar, and of the feed sheet, with their grams', async () => {
  const { page } = window
  const feeds = await asked()
  expect(feeds.length).toBeGreaterThan(1)
  for (const { name, when, usual } of feeds) {
    const there = await inCalendar(name)
    // What is due now is in the calendar from now on.
    if (when !== 'Now') expect(clock(there.startMs)).toBe(when)
    expect(there.says).toContain(usual)
    await page.goto(`${program.address}/jars`)
    await page.getByRole('button', { name: `Feed ${name}`, exact: true }).click()
    const like = page.getByRole('dialog').getByRole('button', { name: /^Like last time/ })
    await like.waitFor()
    expect(plain(await like.innerText())).toBe(usual)
    await page.keyboard.press('Escape')
    await page.getByRole('dialog').waitFor({ state: 'detached' })
  }
})

test('its card, its page and its label say the same of its hunger and of what is in it', async () => {
  const { page } = window
  const { jars } = await program.call('GET', '/api/jars')
  for (const { id, name, grams, culture } of jars) {
    if (culture === 'dried') continue
    await page.goto(`${program.address}/jars`)
    const card = page.getByRole('article', { name, exact: true })
    const onCard = await until(
      async () => plain(await card.innerText()),
      (words) => /[Hh]ungry/.test(words)
    )
    await page.goto(`${program.address}/jars/${id}`)
    const how = page.getByTestId('how-it-is')
    const onPage = await until(
      async () => plain(await how.innerText()),
      (words) => words.includes('expected now')
    )
    await page.goto(`${program.address}/jars/${id}/label`)
    const onLabel = plain(await page.getByTestId('label').innerText())
    const hungry = (words: string) => /[Hh]ungry (?:since|from) (\w{3} (?:\d\d:\d\d|\d+ \w{3}))/.exec(words)?.[1]
    expect(hungry(onCard)).toBeDefined()
    expect(hungry(onPage)).toBe(hungry(onCard))
    const feedBy = /Feed by (now|\w{3} (?:\d\d:\d\d|\d+ \w{3}))/.exec(onLabel)?.[1]
    expect(feedBy === 'now' ? /since/.test(onCard) : feedBy === hungry(onCard)).toBe(true)
    const shown = String(Math.round(grams))
    expect(onCard).toMatch(new RegExp(`${shown} ?g`))
    expect(onPage).toMatch(new RegExp(`${shown} ?g`))
  }
})

test('a feed that is put off has moved on Today and in the calendar alike', async () => {
  const { page } = window
  const [first] = (await asked()).filter((feed) => feed.when === 'Now')
  if (first === undefined) throw new Error('Nothing is due now.')
  await page.getByRole('button', { name: `${first.name}: feed it later` }).click()
  await page.getByRole('menuitem', { name: 'In 4 hours' }).click()
  await page.getByText(new RegExp(`^${first.name} can wait until`)).waitFor()
  const moved = await until(asked, (feeds) => feeds.some(({ name, when }) => name === first.name && when !== 'Now'))
  const when = moved.find(({ name }) => name === first.name)?.when
  expect(clock((await inCalendar(first.name)).startMs)).toBe(when)
  expect(window.complaints).toEqual([])
})
