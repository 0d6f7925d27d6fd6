import { readCalendar } from './readCalendar'

const from = Date.UTC(2026, 9, 19)
const to = Date.UTC(2026, 10, 9)
const file = (...lines: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Lantern Street//EN', ...lines, 'END:VCALENDAR'].join('\r\n')
const event = (...lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']
const times = async (text: string, zone = 'Europe/Lisbon') => {
  const read = await readCalendar(text, from, to, zone)
  if (!read.ok) throw new Error(read.problem.code)
  return read.value.times.map((t) => [t.name, new Date(t.fromMs).toISOString(), new Date(t.toMs).toISOString()])
}

test('work every weekday keeps its wall clock over the change of the clocks', async () => {
  const text = file(
    ...event(
      'UID:1',
      'SUMMARY:Work',
      'DTSTART;TZID=Europe/Lisbon:20261022T090000',
      'DTEND;TZID=Europe/Lisbon:20261022T170000',
      'RRULE:FREQ=DAILY;COUNT=6;BYDAY=MO,TU,WE,TH,FR'
    )
  )
  // The clocks go back on 25 October: nine o'clock is 08:00 UTC before and 09:00 UTC after.
  expect(await times(text)).toEqual([
    ['Work', '2026-10-22T08:00:00.000Z', '2026-10-22T16:00:00.000Z'],
    ['Work', '2026-10-23T08:00:00.000Z', '2026-10-23T16:00:00.000Z'],
    ['Work', '2026-10-26T09:00:00.000Z', '2026-10-26T17:00:00.000Z'],
    ['Work', '2026-10-27T09:00:00.000Z', '2026-10-27T17:00:00.000Z'],
    ['Work', '2026-10-28T09:00:00.000Z', '2026-10-28T17:00:00.000Z'],
    ['Work', '2026-10-29T09:00:00.000Z', '2026-10-29T17:00:00.000Z']
  ])
})

test('a time without a zone is the kitchen’s; one in UTC is that', async () => {
  const text = file(
    ...event('UID:1', 'SUMMARY:Choir', 'DTSTART:20261030T193000', 'DTEND:20261030T210000'),
    ...event('UID:2', 'SUMMARY:Call', 'DTSTART:20261031T120000Z', 'DURATION:PT45M')
  )
  expect(await times(text, 'America/New_York')).toEqual([
    ['Choir', '2026-10-30T23:30:00.000Z', '2026-10-31T01:00:00.000Z'],
    ['Call', '2026-10-31T12:00:00.000Z', '2026-10-31T12:45:00.000Z']
  ])
})

test('the file’s own time zone counts where its name is not known', async () => {
  const zone = [
    'BEGIN:VTIMEZONE',
    'TZID:House time',
    'BEGIN:STANDARD',
    'DTSTART:19700101T000000',
    'TZOFFSETFROM:+0300',
    'TZOFFSETTO:+0300',
    'END:STANDARD',
    'END:VTIMEZONE'
  ]
  const text = file(...zone, ...event('UID:1', 'SUMMARY:Market', 'DTSTART;TZID=House time:20261101T080000', 'DTEND;TZID=House time:20261101T130000'))
  expect(await times(text)).toEqual([['Market', '2026-11-01T05:00:00.000Z', '2026-11-01T10:00:00.000Z']])
})

test('a turn that was moved or left out; what is free or cancelled is no time', async () => {
  const text = file(
    ...event('UID:1', 'SUMMARY:Shift', 'DTSTART:20261020T060000Z', 'DTEND:20261020T100000Z', 'RRULE:FREQ=WEEKLY;COUNT=3', 'EXDATE:20261103T060000Z'),
    ...event('UID:1', 'RECURRENCE-ID:20261027T060000Z', 'SUMMARY:Late shift', 'DTSTART:20261027T140000Z', 'DTEND:20261027T180000Z'),
    ...event('UID:2', 'SUMMARY:Birthday', 'DTSTART:20261021T100000Z', 'DTEND:20261021T110000Z', 'TRANSP:TRANSPARENT'),
    ...event('UID:3', 'SUMMARY:Off', 'DTSTART:20261021T100000Z', 'DTEND:20261021T110000Z', 'STATUS:CANCELLED')
  )
  expect(await times(text)).toEqual([
    ['Shift', '2026-10-20T06:00:00.000Z', '2026-10-20T10:00:00.000Z'],
    ['Late shift', '2026-10-27T14:00:00.000Z', '2026-10-27T18:00:00.000Z']
  ])
})

test('whole days say nothing of hours, and are counted', async () => {
  const read = await readCalendar(file(...event('UID:1', 'SUMMARY:Holiday', 'DTSTART;VALUE=DATE:20261021', 'DTEND;VALUE=DATE:20261022')), from, to, 'UTC')
  expect(read).toMatchObject({ ok: true, value: { times: [], wholeDays: 1 } })
})

test('what is no calendar is told apart from an empty one', async () => {
  expect(await readCalendar('Dear baker,', from, to, 'UTC')).toMatchObject({ ok: false, problem: { code: 'not a calendar' } })
  expect(await readCalendar('BEGIN:VCARD\r\nEND:VCARD', from, to, 'UTC')).toMatchObject({ ok: false, problem: { code: 'not a calendar' } })
  expect(await readCalendar(file(), from, to, 'UTC')).toMatchObject({ ok: false, problem: { code: 'nothing in it' } })
})

test('of more times than are taken, those that come soonest are, in whatever order the file has them', async () => {
  const at = (n: number) =>
    `202610${String(20 + Math.floor(n / 48)).padStart(2, '0')}T${String(Math.floor((n % 48) / 2)).padStart(2, '0')}${n % 2 === 0 ? '00' : '30'}00Z`
  const many = Array.from({ length: 400 }, (_, i) => 399 - i).flatMap((n) => event(`UID:${n}`, `SUMMARY:Time ${n}`, `DTSTART:${at(n)}`, 'DURATION:PT20M'))
  const read = await readCalendar(file(...many), from, to, 'UTC')
  expect(read).toMatchObject({ ok: true, value: { cut: true } })
  expect((await times(file(...many), 'UTC')).map(([name]) => name)).toEqual(Array.from({ length: 300 }, (_, n) => `Time ${n}`))
})

test('entries long past or far ahead are no times, whatever they are', async () => {
  const text = file(
    ...event('UID:1', 'SUMMARY:Old', 'DTSTART;VALUE=DATE:20200101'),
    ...event('UID:2', 'SUMMARY:Next year', 'DTSTART:20271030T193000Z', 'DURATION:PT1H'),
    // It began before the days that count, and lasts into them.
    ...event('UID:3', 'SUMMARY:Away', 'DTSTART:20261001T080000Z', 'DTEND:20261020T080000Z')
  )
  expect((await times(text)).map(([name]) => name)).toEqual(['Away'])
  expect(await readCalendar(text, from, to, 'UTC')).toMatchObject({ value: { wholeDays: 0 } })
})
