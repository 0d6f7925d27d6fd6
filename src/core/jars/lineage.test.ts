import { millisecondsInHour } from 'date-fns/constants'
import { type BatchLine, contentsOf, cultureAt, strengthOf, temperatureAt, vesselOf } from './lineage'

const fed = Date.UTC(2026, 10, 20, 8)

/** 20 g of a 100 % seed with 50 g of flour and 50 g of water. */
const feed = (more: Partial<BatchLine> = {}): BatchLine => ({
  startedAtMs: fed,
  flours: { 'white wheat': 50 },
  waterGrams: 50,
  saltGrams: 0,
  mixTempC: 22,
  stays: [{ fromMs: fed, tempC: 22 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }],
  ...more
})

test('contents count the seed’s flour and water', () => {
  expect(contentsOf(feed())).toEqual({ flours: { 'white wheat': 60 }, flourGrams: 60, waterGrams: 60, saltGrams: 0, totalGrams: 120, hydration: 1 })
})

test('a rye seed leaves its flour in a wheat build', () => {
  const { flours, hydration } = contentsOf(feed({ parents: [{ grams: 30, hydration: 2, flour: 'rye', line: null }] }))
  expect(flours).toEqual({ 'white wheat': 50, rye: 10 })
  expect(hydration).toBeCloseTo(70 / 60, 12)
})

test('half a day after a feed it is ready, after four days out it wants feeding, after weeks revival', () => {
  const after = (hours: number) => strengthOf(cultureAt(feed(), fed + hours * millisecondsInHour))
  expect(after(9)).toBe('ready as it is')
  expect(after(48)).not.toBe('ready as it is')
  expect(after(24 * 21)).toBe('revival')
})

test('cold keeps: a week in the fridge costs less than a week on the counter', () => {
  const cold = feed({
    stays: [
      { fromMs: fed, tempC: 22 },
      { fromMs: fed + millisecondsInHour, tempC: 4 }
    ]
  })
  const week = fed + 7 * 24 * millisecondsInHour
  expect(cultureAt(cold, week).lagWork).toBeLessThan(cultureAt(feed(), week).lagWork)
  expect(temperatureAt(cold, week)).toBeCloseTo(4, 3)
})

test('before it was mixed a batch is as just mixed', () => {
  expect(cultureAt(feed(), fed - millisecondsInHour)).toEqual(vesselOf(feed()).start)
  expect(temperatureAt(feed(), fed - millisecondsInHour)).toBe(22)
})

test('a tired parent makes a slower child', () => {
  const child = (hungryHours: number): BatchLine =>
    feed({
      startedAtMs: fed + hungryHours * millisecondsInHour,
      stays: [{ fromMs: fed + hungryHours * millisecondsInHour, tempC: 22 }],
      parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: feed() }]
    })
  expect(vesselOf(child(96)).start.lagWork).toBeGreaterThan(vesselOf(child(9)).start.lagWork)
})

test('two cultures poured together without fresh flour are their mean by flour', () => {
  const mixed = feed({
    flours: {},
    waterGrams: 0,
    parents: [
      { grams: 40, hydration: 1, flour: 'white wheat', line: null },
      { grams: 30, hydration: 0.5, flour: 'white wheat', line: null }
    ]
  })
  const vessel = vesselOf(mixed)
  expect(contentsOf(mixed).flourGrams).toBe(40)
  expect(vessel.start.yeast).toBeCloseTo(1, 12)
  expect(vessel.start.food).toBeCloseTo(0.18, 12)
})
