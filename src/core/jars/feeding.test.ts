import { millisecondsInHour } from 'date-fns/constants'
import fc from 'fast-check'
import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { pantryOf } from '../dough/ingredient'
import { conditionOf } from './condition'
import { feedByRatio, type Kept, lineOfFeed, risenHours, TWO_THIRDS } from './feeding'
import { type BatchLine, contentsOf, type LineStay } from './lineage'
import { timedFeeds } from './timedFeeds'

const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)
const WHITE = [{ ingredientId: 'white wheat', share: 1 }]

const DAY = 24 * millisecondsInHour
const now = Date.UTC(2026, 10, 20, 8)
const standing = (tempC: number, fromMs = now): LineStay => ({ fromMs, tempC })
/** White starter at 100 %, fed so many days ago and kept in the fridge. */
const coldJar = (days: number): BatchLine => ({
  startedAtMs: now - days * DAY,
  flours: { 'white wheat': 40 },
  waterGrams: 40,
  saltGrams: 0,
  mixTempC: 22,
  stays: [standing(4, now - days * DAY)],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
})
const kept = (grams: number, hydration = 1, days = 1): Kept => ({ grams, hydration, flour: 'white wheat', line: coldJar(days) })

// Each school's grams, worked by hand.
test.each([
  ['daily on the counter, 1:2:2', kept(20), 2, 1, 40, 40],
  ['weekly and cold, nearly nothing discarded, 1:1:1', kept(25), 1, 1, 25, 25],
  // 20 g at 100 % hold 10 g flour; 10 + 40 = 50 g flour take 25 g water, 10 are there
  ['from liquid to stiff, 50 %', kept(20), 2, 0.5, 40, 15],
  // 30 g at 50 % hold 20 g flour and 10 g water; 20 + 30 = 50 g flour take 50 g water
  ['from stiff to liquid', kept(30, 0.5), 1, 1, 30, 40],
  // 15 g at 150 % hold 6 g flour and 9 g water; 6 + 75 = 81 g flour take 121.5 g water
  ['rye, wet, 150 %', kept(15, 1.5), 5, 1.5, 75, 112.5]
])('%s', (_, seed, ratio, hydration, flour, water) => {
  const fed = feedByRatio(seed, ratio, hydration)
  if (!fed.ok) throw new Error(fed.problem.code)
  expect(fed.value.seed).toBeCloseTo(seed.grams, 9)
  expect(fed.value.flour).toBeCloseTo(flour, 9)
  expect(fed.value.water).toBeCloseTo(water, 9)
})

test('a wet seed cannot be fed stiff with too little flour; the least that works is named', () => {
  const fed = feedByRatio(kept(20, 2), 0.4, 0.5)
  // (2 − .5) ÷ (.5 × 3)
  expect(fed).toMatchObject({ ok: false, problem: { code: 'seed too wet', values: { leastFlourPerSeed: 1 } } })
})

test('whatever is fed, the jar then has the hydration that was wished and nothing is lost', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  fc.assert(
    fc.property(number(5, 500), number(0.4, 2), number(1, 10), number(0.4, 2), (grams, seedHydration, ratio, hydration) => {
      const seed = kept(grams, seedHydration)
      const fed = feedByRatio(seed, ratio, hydration)
      if (!fed.ok) return fed.problem.code === 'seed too wet'
      const contents = contentsOf(
        lineOfFeed(seed, { feed: WHITE, flourGrams: fed.value.flour, waterGrams: fed.value.water, mixTempC: 22 }, [standing(22)], PANTRY)
      )
      return Math.abs(contents.hydration - hydration) < 1e-9 && Math.abs(contents.totalGrams - grams - fed.value.flour - fed.value.water) < 1e-9
    })
  )
})

test('risen by two thirds comes before doubled and before the top', () => {
  const line = lineOfFeed(kept(20), { feed: WHITE, flourGrams: 40, waterGrams: 40, mixTempC: 22 }, [standing(22)], PANTRY)
  const hours = risenHours(line, TWO_THIRDS) ?? 0
  const { peakMs } = conditionOf(line, now)
  expect(hours).toBeGreaterThan(1.5)
  expect(hours).toBeLessThan(risenHours(line, 1) ?? 0)
  expect(now + hours * millisecondsInHour).toBeLessThan(peakMs ?? 0)
  expect(conditionOf(line, now + hours * millisecondsInHour).rise).toBeCloseTo(1 + TWO_THIRDS, 2)
  expect(risenHours(line, 20)).toBeNull()
})

test('waking: each feed at the top of the one before, the first slower for a jar long in the cold', () => {
  const from = (days: number, hydration = 1) => ({
    kept: kept(20, hydration, days),
    feed: WHITE,
    hydration: 1,
    pantry: PANTRY,
    stayAt: (ms: number) => standing(23, ms)
  })
  const [first, second] = timedFeeds(from(20), [1, 2], now)
  expect(first).toMatchObject({ atMs: now, flourPerSeed: 1, flourGrams: 20, waterGrams: 20 })
  expect(second).toMatchObject({ atMs: now + (first?.ripeHours ?? 0) * millisecondsInHour, flourGrams: 40, waterGrams: 40 })
  expect(first?.ripeHours).toBeGreaterThan((timedFeeds(from(3), [1], now)[0]?.ripeHours ?? 0) + 1)
  // 1:2:2 of a culture at its peak, at 23 °C: between the rows for 25 and 20 °C
  expect(second?.ripeHours).toBeGreaterThan(5)
  expect(second?.ripeHours).toBeLessThan(9)
  expect(timedFeeds(from(3), [], now)).toEqual([])
  // 20 g at 200 % hold 13.3 g of water; to be at 50 % it takes at least 1 : 1
  const [stiff] = timedFeeds({ ...from(3, 2), hydration: 0.5 }, [0.4], now)
  expect(stiff?.flourPerSeed).toBeCloseTo(1, 6)
})
