import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { readCalendar, readReadings } from '../src/core'
import { heading, report } from './report'

const NOW = Date.parse('2026-11-27T08:30:00.000Z')
const LINES = 140_000
const ENTRIES = 20_000
const AHEAD_MS = 60 * 24 * millisecondsInHour
const TIMES = 3

/** Large files of others: how long the worker of a window reads. */
export async function benchFiles(): Promise<void> {
  heading(`A log of ${LINES} lines and a calendar of ${ENTRIES} entries`)
  const iso = (ms: number) => new Date(ms).toISOString()
  const log = Array.from({ length: LINES }, (_, i) => `${iso(NOW - (LINES - i) * millisecondsInMinute)},${(20 + 3 * Math.sin(i / 500)).toFixed(2)}`)
  report('the log', await timesOf(async () => readReadings(`time,temperature\n${log.join('\n')}`, 'Europe/Lisbon')), 'ms', 0)
  const stamp = (ms: number) => iso(ms).replace(/[-:]|\.\d+/g, '')
  const entries = Array.from({ length: ENTRIES }, (_, i) => {
    const start = NOW + (i - ENTRIES / 2) * 3 * millisecondsInHour
    return `BEGIN:VEVENT\r\nUID:${i}\r\nDTSTART:${stamp(start)}\r\nDTEND:${stamp(start + millisecondsInHour)}\r\nSUMMARY:Time ${i}\r\nEND:VEVENT`
  })
  const calendar = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${entries.join('\r\n')}\r\nEND:VCALENDAR`
  report('the calendar', await timesOf(() => readCalendar(calendar, NOW, NOW + AHEAD_MS, 'Europe/Lisbon')), 'ms', 0)
}

async function timesOf(read: () => Promise<{ readonly ok: boolean }>): Promise<number[]> {
  const took: number[] = []
  for (let n = 0; n < TIMES; n++) {
    const began = performance.now()
    if (!(await read()).ok) throw new Error('It was not read.')
    took.push(performance.now() - began)
  }
  return took
}
