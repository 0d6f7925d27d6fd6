import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { nightAt, UNKNOWN_JAR } from '../../core'
import { culturesWith, KITCHEN, NOW, STOCKED } from '../../testing/plannedBake'
import { coldDays, usuallyKept, waysForDate } from './ripeForDate'

const jar = { ...(culturesWith(3).jars[0] as Jar), placeId: 'fridge', stays: [{ placeId: 'fridge', from: NOW - 3 * millisecondsInDay }] }
const ways = (hours: number, more: Partial<Jar> = {}) => waysForDate({ ...jar, ...more }, STOCKED, UNKNOWN_JAR, 20, NOW, NOW + hours * millisecondsInHour)
const way = (hours: number, kind: string) => ways(hours).find((w) => w.kind === kind)

test('warm all the time: the longer it is to last, the more flour it gets; the grams are those of its ratio', () => {
  const [sooner, later] = [way(10, 'warm'), way(14, 'warm')]
  expect(later?.ratio ?? 0).toBeGreaterThan(sooner?.ratio ?? 99)
  // 20 g at 100 % kept, so flour and water are 20 g times the ratio each.
  expect(sooner?.flourGrams).toBeCloseTo(20 * (sooner?.ratio ?? 0), -0.5)
  expect(sooner?.waterGrams).toBe(sooner?.flourGrams)
  for (const told of [sooner, later]) {
    expect(Math.abs((told?.peakMs ?? 0) - NOW - (told === sooner ? 10 : 14) * millisecondsInHour)).toBeLessThan(millisecondsInHour / 2)
    // A jar nobody has watched yet: an even chance is honest.
    expect(told?.chance ?? 0).toBeGreaterThan(0.25)
    expect(told?.chance ?? 1).toBeLessThan(0.8)
    expect(told?.window?.fromMs ?? 0).toBeLessThan(NOW + (told === sooner ? 10 : 14) * millisecondsInHour)
  }
})

test('the likeliest way stands first', () => {
  const chances = ways(12).map((w) => w.chance ?? 0)
  expect(chances.length).toBeGreaterThan(1)
  expect([...chances].sort((a, b) => b - a)).toEqual(chances)
})

test('an hour out, then the fridge: days later it is ripe there', () => {
  const told = way(6 * 24, 'cold')
  expect(told).toMatchObject({ placeId: 'room', coldPlaceId: 'fridge', coldMs: NOW + millisecondsInHour, outMs: null })
  expect(Math.abs((told?.peakMs ?? 0) - NOW - 6 * millisecondsInDay)).toBeLessThan(6 * millisecondsInHour)
  // In six days no ratio lasts that is warm.
  expect(ways(6 * 24).map((w) => w.kind)).not.toContain('warm')
})

test('taken out again in time: while its baker is up, later for a feed that ripens sooner', () => {
  const told = way(62, 'cold, then out')
  expect(told?.outMs ?? 0).toBeGreaterThan(NOW + millisecondsInHour)
  expect(told?.outMs ?? Number.POSITIVE_INFINITY).toBeLessThan(NOW + 62 * millisecondsInHour)
  expect(nightAt(told?.outMs ?? 0, KITCHEN.sleep, KITCHEN.timeZone)).toBeUndefined()
  expect(Math.abs((told?.peakMs ?? 0) - NOW - 62 * millisecondsInHour)).toBeLessThan(millisecondsInHour / 2)
  // Its own habit comes first where that works out: 1:4 to be ripe on Sunday at four.
  const lastFeed = { at: NOW - 3 * millisecondsInDay, keepGrams: 20, flours: [{ ingredientId: 'white wheat', grams: 80 }], waterGrams: 80, everyHours: null }
  expect(ways(70, { lastFeed }).find((w) => w.kind === 'cold, then out')?.ratio).toBe(4)
})

test('nothing is offered for an hour from now, the past, or two months on', () => {
  expect(ways(1)).toEqual([])
  expect(ways(-5)).toEqual([])
  expect(ways(60 * 24)).toEqual([])
})

test('days in the cold grow with the ratio, and a kitchen without a cold place has none', () => {
  const days = coldDays(jar, STOCKED, UNKNOWN_JAR, NOW).map((d) => d.days)
  expect(days).toHaveLength(4)
  expect([...days].sort((a, b) => a - b)).toEqual(days)
  const warm = { ...STOCKED, kitchen: { ...KITCHEN, places: KITCHEN.places.slice(0, 2) } }
  expect(coldDays(jar, warm, UNKNOWN_JAR, NOW)).toEqual([])
  expect(waysForDate(jar, warm, UNKNOWN_JAR, 20, NOW, NOW + 10 * millisecondsInHour).map((w) => w.kind)).toEqual(['warm'])
})

test('what is usually kept: as at the last feed, where there is so much', () => {
  const lastFeed = { at: 0, keepGrams: 22, flours: [], waterGrams: 110, everyHours: null }
  expect(usuallyKept({ grams: 240, lastFeed })).toBe(22)
  expect(usuallyKept({ grams: 15, lastFeed })).toBe(15)
  expect(usuallyKept({ grams: 240, lastFeed: null })).toBe(20)
})
