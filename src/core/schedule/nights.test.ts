import { millisecondsInHour } from 'date-fns/constants'
import { instantAt, nightAt, nightsBetween } from './nights'

const sleep = { from: '22:30', to: '06:30' }
const zone = 'Europe/Lisbon'

test('two nights in two days', () => {
  const from = Date.UTC(2026, 10, 26, 12)
  expect(nightsBetween(from, from + 48 * millisecondsInHour, sleep, zone)).toEqual([
    { fromMs: Date.UTC(2026, 10, 26, 22, 30), toMs: Date.UTC(2026, 10, 27, 6, 30) },
    { fromMs: Date.UTC(2026, 10, 27, 22, 30), toMs: Date.UTC(2026, 10, 28, 6, 30) }
  ])
})

test('the night in which the clocks go back is an hour longer, forward an hour shorter', () => {
  // Lisbon: 25 October 2026 back to UTC, 29 March 2026 to UTC+1.
  const [autumn] = nightsBetween(Date.UTC(2026, 9, 24, 20), Date.UTC(2026, 9, 25, 12), sleep, zone)
  const [spring] = nightsBetween(Date.UTC(2026, 2, 28, 20), Date.UTC(2026, 2, 29, 12), sleep, zone)
  expect(((autumn?.toMs ?? 0) - (autumn?.fromMs ?? 0)) / millisecondsInHour).toBe(9)
  expect(((spring?.toMs ?? 0) - (spring?.fromMs ?? 0)) / millisecondsInHour).toBe(7)
})

test('someone who sleeps by day', () => {
  const [day] = nightsBetween(Date.UTC(2026, 10, 26, 0), Date.UTC(2026, 10, 26, 23), { from: '08:00', to: '15:00' }, zone)
  expect(day).toEqual({ fromMs: Date.UTC(2026, 10, 26, 8), toMs: Date.UTC(2026, 10, 26, 15) })
})

test('no sleep, no night', () => {
  expect(nightsBetween(0, 48 * millisecondsInHour, { from: '00:00', to: '00:00' }, zone)).toEqual([])
})

test('three in the morning is night, the edges are not', () => {
  expect(nightAt(Date.UTC(2026, 10, 27, 3), sleep, zone)?.toMs).toBe(Date.UTC(2026, 10, 27, 6, 30))
  expect(nightAt(Date.UTC(2026, 10, 27, 6, 30), sleep, zone)).toBeUndefined()
  expect(nightAt(Date.UTC(2026, 10, 27, 12), sleep, zone)).toBeUndefined()
})

test('a wall clock in another zone', () => {
  expect(instantAt(2026, 11, 28, '09:30', 'America/New_York')).toBe(Date.UTC(2026, 10, 28, 14, 30))
  expect(instantAt(2026, 7, 1, '09:30', 'Europe/Lisbon')).toBe(Date.UTC(2026, 6, 1, 8, 30))
})
