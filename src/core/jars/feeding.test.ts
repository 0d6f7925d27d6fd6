import fc from 'fast-check'
import { conditionOf } from './condition'
import { feedByRatio, type Kept, lineOfFeed, risenHours, TWO_THIRDS, wakeUpPlan } from './feeding'
import { type BatchLine, contentsOf, type LineStay } from './lineage'

const HOUR = 3_600_000
const DAY = 24 * HOUR
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
      const contents = contentsOf(lineOfFeed(seed, { flourGrams: fed.value.flour, waterGrams: fed.value.water, mixTempC: 22 }, [standing(22)]))
      return Math.abs(contents.hydration - hydration) < 1e-9 && Math.abs(contents.totalGrams - grams - fed.value.flour - fed.value.water) < 1e-9
    })
  )
})

test('risen by two thirds comes before doubled and before the top', () => {
  const line = lineOfFeed(kept(20), { flourGrams: 40, waterGrams: 40, mixTempC: 22 }, [standing(22)])
  const hours = risenHours(line, TWO_THIRDS) ?? 0
  const { peakMs } = conditionOf(line, now)
  expect(hours).toBeGreaterThan(1.5)
  expect(hours).toBeLessThan(risenHours(line, 1) ?? 0)
  expect(now + hours * HOUR).toBeLessThan(peakMs ?? 0)
  expect(conditionOf(line, now + hours * HOUR).rise).toBeCloseTo(1 + TWO_THIRDS, 2)
  expect(risenHours(line, 20)).toBeNull()
})

test('waking: each feed at the top of the one before, the first slower for a jar long in the cold', () => {
  const plan = (days: number) => wakeUpPlan(kept(20, 1, days), [1, 2], now, (ms) => standing(23, ms))
  const [first, second] = plan(20)
  expect(first).toMatchObject({ atMs: now, flourPerSeed: 1 })
  expect(second?.atMs).toBe(first?.ripeMs)
  expect((first?.ripeMs ?? 0) - now).toBeGreaterThan((plan(3)[0]?.ripeMs ?? 0) - now + HOUR)
  // 1:2:2 of a culture at its peak, at 23 °C: between the rows for 25 and 20 °C
  const hours = ((second?.ripeMs ?? 0) - (second?.atMs ?? 0)) / HOUR
  expect(hours).toBeGreaterThan(5)
  expect(hours).toBeLessThan(9)
  expect(wakeUpPlan(kept(20), [], now, standing.bind(null, 23))).toEqual([])
})
