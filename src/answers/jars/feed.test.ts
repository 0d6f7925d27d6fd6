import { millisecondsInHour } from 'date-fns/constants'
import type { Jar, Kitchen } from '../../contract'
import { type BatchLine, BUILT_IN_INGREDIENTS, pantryOf, TYPICAL_JAR } from '../../core'
import { type FeedDraft, type FeedFigures, type FeedKitchen, feedFigures, firstDraft, levainAsFed } from './feed'

const now = Date.UTC(2026, 10, 27, 9)
const places = [
  { id: 'counter', name: 'Counter', tempC: 22, nightTempC: null, surroundings: 'air' as const },
  { id: 'fridge', name: 'Fridge', tempC: 4, nightTempC: null, surroundings: 'air' as const }
]
const kitchen = { places, timeZone: 'UTC' } as unknown as Kitchen
const here: FeedKitchen = { kitchen, pantry: pantryOf(BUILT_IN_INGREDIENTS), cups: 'metric', vessels: [] }
const line: BatchLine = {
  startedAtMs: now - 12 * millisecondsInHour,
  flours: { 'white wheat': 50 },
  waterGrams: 50,
  saltGrams: 0,
  mixTempC: 22,
  stays: [{ fromMs: now - 12 * millisecondsInHour, tempC: 22 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
}
const jar = (more: Partial<Jar> = {}) =>
  ({
    name: 'Juno',
    culture: 'white wheat',
    flour: 'white wheat',
    feed: [{ ingredientId: 'white wheat', share: 1 }],
    hydration: 1,
    grams: 120,
    keepMinimumGrams: 15,
    placeId: 'counter',
    stays: [],
    vesselId: null,
    lastFeed: null,
    // Of its feeds nothing is known.
    line: { ...line, parents: [] },
    ...more
  }) as Jar
function figures(draft: Partial<FeedDraft>, of = jar()): FeedFigures {
  const found = feedFigures({ ...firstDraft(of, kitchen, now), ...draft }, of, line, here, TYPICAL_JAR, now)
  if ('code' in found) throw new Error(found.code)
  return found
}

// Each school's feed, its grams worked by hand.
test.each([
  ['daily on the counter, 1:2:2', {}, {}, { keep: 20, flour: 40, water: 40, trim: 0 }],
  ['weekly and cold, nearly nothing discarded', { placeId: 'fridge', grams: 30 }, { keepGrams: 30, ratio: 1 }, { keep: 30, flour: 30, water: 30, trim: 0 }],
  // 18 of 120 g are crust; 20 g at 50 % hold 13.3 g flour and 6.7 g water; with 40 g flour 53.3 take 26.7
  ['stiff, crust cut away', { culture: 'stiff', hydration: 0.5 }, {}, { keep: 20, flour: 40, water: 20, trim: 18 }],
  // 45 %: 13.8 g flour and 6.2 g water, with 20 g flour 33.8 take 15.2
  ['stiff under water, 1 to 1', { culture: 'stiff under water', hydration: 0.45 }, {}, { keep: 20, flour: 20, water: 9, trim: 18 }],
  // 120 %: 9.1 g flour and 10.9 g water, with 60 g flour 69.1 take 82.9
  ['rye, wet', { culture: 'rye', flour: 'rye', hydration: 1.2 }, {}, { keep: 20, flour: 60, water: 72, trim: 0 }],
  // From liquid to 60 %: 10 and 10, with 40 g flour 50 take 30
  ['thick from liquid', {}, { hydration: 0.6 }, { keep: 20, flour: 40, water: 20, trim: 0 }]
] as [string, Partial<Jar>, Partial<FeedDraft>, { keep: number; flour: number; water: number; trim: number }][])('%s', (_, of, draft, wanted) => {
  const first = { ...firstDraft(jar(of), kitchen, now), ...draft }
  const found = figures(first, jar(of))
  expect(first.trimGrams).toBe(wanted.trim)
  expect([found.keepGrams, found.flourGrams, found.waterGrams]).toEqual([wanted.keep, wanted.flour, wanted.water])
})

test('by cups: a tablespoon stirred, half a cup of flour, a quarter of water, in metric cups', () => {
  const { keepGrams, flourGrams, waterGrams, ranges } = figures({ by: 'cups' })
  // 15 ml at 1 to 1.1; 125 ml at .5 to .65; 62.5 ml
  expect([keepGrams, flourGrams, waterGrams]).toEqual([16, 72, 63])
  expect(ranges?.keep).toMatchObject({ least: 15, most: 16.5 })
  expect(ranges?.flour).toMatchObject({ least: 62.5, most: 81.25 })
  const odd = { ...here, pantry: pantryOf(BUILT_IN_INGREDIENTS.map((i) => ({ ...i, density: undefined }))) }
  expect(feedFigures({ ...firstDraft(jar(), kitchen, now), by: 'cups' }, jar(), line, odd, TYPICAL_JAR, now)).toEqual({ code: 'no cups' })
})

test('the mix comes out between its parts, warmer with warmer water; too hot is refused', () => {
  const cold = figures({ waterTempC: 10 })
  const hot = figures({ waterTempC: 38 })
  // 20 g at 22 °C (2.99), 40 g flour at 22 (1.8), 40 g water at 10 (4.18): 17.4 °C
  expect(cold.mixTempC).toBeCloseTo((20 * 2.99 * 22 + 40 * 1.8 * 22 + 40 * 4.18 * 10) / (20 * 2.99 + 72 + 167.2), 1)
  expect(hot.mixTempC).toBeGreaterThan(cold.mixTempC + 10)
  expect(feedFigures({ ...firstDraft(jar(), kitchen, now), waterTempC: 45 }, jar(), line, here, TYPICAL_JAR, now)).toEqual({ code: 'too hot' })
})

test('an hour out, then the fridge: it stands in both; risen by two thirds it goes later than after an hour', () => {
  const hour = figures({ laterPlaceId: 'fridge' })
  expect(hour.line.stays.map((s) => [s.tempC, (s.fromMs - now) / millisecondsInHour])).toEqual([
    [22, 0],
    [4, 1]
  ])
  const risen = figures({ laterPlaceId: 'fridge', later: 'two thirds' })
  expect(risen.afterHours).toBe(risen.risen)
  expect(risen.afterHours).toBeGreaterThan(1.5)
  expect(figures({}).afterHours).toBeNull()
})

test('a first feed is as the jar was told to have been fed when it came', () => {
  // 20 g of seed under 110 + 110: 1:5.5. The last feed since, 30 kept under 60 of flour: 1:2.
  const told: Partial<Jar> = { line: { ...line, flours: { 'white wheat': 110 }, waterGrams: 110 } }
  expect(figures({}, jar(told))).toMatchObject({ keepGrams: 20, flourGrams: 110, waterGrams: 110 })
  const lastFeed = { at: now, keepGrams: 30, flours: [{ ingredientId: 'white wheat', grams: 60 }], waterGrams: 60, everyHours: null }
  expect(figures({}, jar({ ...told, lastFeed }))).toMatchObject({ keepGrams: 20, flourGrams: 40, waterGrams: 40 })
})

test('what never rises by two thirds goes to the fridge all the same, after two hours', () => {
  const little = figures({ by: 'grams', keepGrams: 200, flourGrams: 10, waterGrams: 60, laterPlaceId: 'fridge', later: 'two thirds' })
  expect(little.risen).toBeNull()
  expect(little.afterHours).toBe(2)
  expect(little.line.stays).toHaveLength(2)
})

test('a small feed for a hungry jar in the cold begins warm and goes back after an hour', () => {
  const draft = firstDraft(jar({ placeId: 'fridge' }), kitchen, now, { keepGrams: 20, flourGrams: 20, waterGrams: 20, hourOut: true })
  expect(draft).toMatchObject({ by: 'grams', placeId: 'counter', laterPlaceId: 'fridge', later: 'an hour' })
})

test('a seed too wet for a stiff jar names the least that works; nothing is no feed', () => {
  const wet = jar({ hydration: 2 })
  expect(feedFigures({ ...firstDraft(wet, kitchen, now), ratio: 0.4, hydration: 0.5 }, wet, line, here, TYPICAL_JAR, now)).toEqual({
    code: 'seed too wet',
    leastRatio: expect.closeTo(1, 6)
  })
  expect(feedFigures({ ...firstDraft(jar(), kitchen, now), by: 'grams' }, jar(), line, here, TYPICAL_JAR, now)).toEqual({ code: 'nothing' })
})

test('a levain of a jar is what it was fed; of one that was split off, or got levain back, its usual feed', () => {
  const stocked = { ...here, kitchen }
  expect(levainAsFed(jar({ line }), stocked, TYPICAL_JAR, now)).toBe(line)
  const split: BatchLine = { ...line, flours: {}, waterGrams: 0, parents: [{ grams: 96, hydration: 1, flour: 'white wheat', line }] }
  const fed = levainAsFed(jar({ line: split }), stocked, TYPICAL_JAR, now)
  // A liquid white culture is usually fed 1:2.
  expect(fed.parents).toMatchObject([{ grams: 20, line: { flours: {} } }])
  const flourGrams = Object.values(fed.flours).reduce((sum, grams) => sum + grams, 0)
  expect(flourGrams).toBe(firstDraft(jar({ line: split }), kitchen, now).ratio * 20)
  expect(fed.startedAtMs).toBe(now)
})
