import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { busyBetween, busyGrid, type Hours } from './availability'
import { instantAt } from './nights'

const ZONE = 'Europe/Lisbon'
const at = (month: number, day: number, clock: string) => instantAt(2026, month, day, clock, ZONE)
const hours = (more: Partial<Hours> = {}): Hours => ({ sleep: { from: '23:00', to: '07:00' }, weekly: [], once: [], timeZone: ZONE, ...more })

test('work on weekdays, sleep every night, an evening out once', () => {
  const busy = busyBetween(at(11, 27, '08:00'), at(11, 30, '12:00'), {
    ...hours(),
    weekly: [{ name: 'work', kind: 'out', days: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }],
    once: [{ name: 'choir', kind: 'rather not', fromMs: at(11, 28, '19:30'), toMs: at(11, 28, '21:00') }]
  })
  // Friday the 27th, then the weekend, then Monday the 30th.
  expect(busy.map((b) => [b.name, new Date(b.fromMs).toISOString().slice(8, 16)])).toEqual([
    ['work', '27T09:00'],
    ['asleep', '27T23:00'],
    ['choir', '28T19:30'],
    ['asleep', '28T23:00'],
    ['asleep', '29T23:00'],
    ['work', '30T09:00']
  ])
})

test('a night shift goes over midnight and belongs to the day it begins on', () => {
  const shift = { name: 'shift', kind: 'out' as const, days: [5], from: '22:00', to: '06:00' }
  const busy = busyBetween(at(11, 28, '00:00'), at(11, 28, '12:00'), hours({ sleep: { from: '00:00', to: '00:00' }, weekly: [shift] }))
  expect(busy).toEqual([{ name: 'shift', kind: 'out', fromMs: at(11, 27, '22:00'), toMs: at(11, 28, '06:00') }])
})

test('the hour that is given back in October is slept through, not lost', () => {
  const [night] = busyBetween(at(10, 24, '22:00'), at(10, 25, '12:00'), hours())
  expect(((night?.toMs ?? 0) - (night?.fromMs ?? 0)) / millisecondsInHour).toBe(9)
})

test('minutes that are taken, firmly and rather not', () => {
  const from = at(11, 27, '08:00')
  const grid = busyGrid(
    [
      { name: 'work', kind: 'out', fromMs: from + 60 * millisecondsInMinute, toMs: from + 120 * millisecondsInMinute },
      { name: 'call', kind: 'rather not', fromMs: from + 30 * millisecondsInMinute, toMs: from + 40 * millisecondsInMinute }
    ],
    from,
    from + 600 * millisecondsInMinute
  )
  expect(grid.hard(from + 50 * millisecondsInMinute, from + 65 * millisecondsInMinute)).toBe(5)
  expect(grid.hard(from + 45 * millisecondsInMinute, from + 60 * millisecondsInMinute)).toBe(0)
  expect(grid.hard(from + 120 * millisecondsInMinute, from + 135 * millisecondsInMinute)).toBe(0)
  expect(grid.soft(from, from + 60 * millisecondsInMinute)).toBe(10)
  expect(grid.freeAround(from + 45 * millisecondsInMinute, 60 * millisecondsInMinute)).toEqual({
    fromMs: from - 15 * millisecondsInMinute,
    toMs: from + 60 * millisecondsInMinute
  })
})
