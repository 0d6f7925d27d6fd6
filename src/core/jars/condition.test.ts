import { millisecondsInHour } from 'date-fns/constants'
import { TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { referenceRun } from '../testing/reference'
import { conditionOf, isFoodGone, isHungry } from './condition'
import { type BatchLine, vesselOf } from './lineage'

const DAY = 24 * millisecondsInHour
const fedAt = Date.UTC(2026, 10, 1, 9)

/** A feed of ripe white starter, and where it stands. */
function fed(flourPerSeed: number, tempC: number, more: Partial<BatchLine> = {}): BatchLine {
  return {
    startedAtMs: fedAt,
    flours: { 'white wheat': 20 * flourPerSeed },
    waterGrams: 20 * flourPerSeed,
    saltGrams: 0,
    mixTempC: 22,
    stays: [{ fromMs: fedAt, tempC }],
    parents: [{ grams: 40, hydration: 1, flour: 'white wheat', line: null }],
    ...more
  }
}
const anHourOut = [
  { fromMs: fedAt, tempC: 22 },
  { fromMs: fedAt + millisecondsInHour, tempC: 4 }
]

test.each([
  ['the counter, 1:1:1 at 22 °C', fed(1, 22), 30],
  ['the counter, 1:5:5 at 25 °C', fed(5, 25), 40],
  ['an hour out, then the fridge, 1:1:1', fed(1, 4, { stays: anHourOut }), 24 * 8],
  ['an hour out, then the fridge, 1:5:5', fed(5, 4, { stays: anHourOut }), 24 * 30],
  [
    'stiff in a cool corner by day and night',
    fed(3, 15, { waterGrams: 25, stays: [{ fromMs: fedAt, tempC: 15, swing: { swingK: 3, warmestMs: fedAt + 7 * millisecondsInHour } }] }),
    24 * 6
  ]
])('%s: its food is gone within a tenth of an hour of many small steps', (_, line, lookHours) => {
  const slow = referenceRun(vesselOf(line), TYPICAL_JAR, lookHours, 20).foodGoneHours
  const { foodGoneHours } = simulate(vesselOf(line), TYPICAL_JAR, { untilHours: lookHours })
  expect(slow).not.toBeNull()
  expect(Math.abs((foodGoneHours ?? 0) - (slow ?? 0))).toBeLessThan(0.1)
  const { hungryMs, peakMs } = conditionOf(line, fedAt)
  expect(hungryMs).toBeGreaterThanOrEqual(fedAt + (foodGoneHours ?? 0) * millisecondsInHour)
  expect(hungryMs).toBeGreaterThan(peakMs ?? 0)
})

test('as long as it builds as it is, it is not hungry, however little food is left', () => {
  const line = fed(1, 24)
  const { hungryMs, fades } = conditionOf(line, fedAt)
  const wantsOne = fades[0]?.fromMs ?? 0
  const { foodGoneHours } = simulate(vesselOf(line), TYPICAL_JAR, { untilHours: 72 })
  expect(fedAt + (foodGoneHours ?? 0) * millisecondsInHour).toBeLessThan(wantsOne)
  expect(hungryMs).toBe(wantsOne)
  const atTheEndOfItsFood = conditionOf(line, (fedAt + (foodGoneHours ?? 0) * millisecondsInHour + wantsOne) / 2)
  expect(atTheEndOfItsFood.use).toBe('ready as it is')
  expect(isFoodGone(atTheEndOfItsFood)).toBe(true)
})

test('just fed it ripens; near its top it is ready; hungry it has no food', () => {
  const line = fed(2, 24)
  const fresh = conditionOf(line, fedAt + millisecondsInHour)
  expect(fresh.use).toBe('ripens')
  expect(fresh.food).toBeGreaterThan(0.6)
  const peakMs = fresh.peakMs ?? 0
  expect((peakMs - fedAt) / millisecondsInHour).toBeGreaterThan(5)
  expect((peakMs - fedAt) / millisecondsInHour).toBeLessThan(7.5)
  const ripe = conditionOf(line, peakMs)
  expect(ripe).toMatchObject({ use: 'ready as it is', phase: 'peak' })
  expect(ripe.rise).toBeCloseTo(fresh.peakRise, 2)
  expect(isHungry(ripe, peakMs)).toBe(false)
  const later = conditionOf(line, fedAt + 2 * DAY)
  expect(later).toMatchObject({ use: 'one feed', phase: 'collapsed' })
  expect(later.food).toBeLessThan(0.01)
  expect(isHungry(later, fedAt + 2 * DAY)).toBe(true)
})

test('in the fridge it fades by 0.14 of lag work a day: six and a half days from ready to one feed wanting two, eleven more to revival', () => {
  const { fades } = conditionOf(fed(1, 4, { stays: anHourOut }), fedAt)
  expect(fades.map((f) => f.strength)).toEqual(['one feed', 'two feeds', 'revival'])
  const [one, two, revival] = fades.map((f) => f.fromMs)
  // (1.5 − 0.6) ÷ 0.14 and (3 − 1.5) ÷ 0.14 days
  expect(((two ?? 0) - (one ?? 0)) / DAY).toBeCloseTo(6.43, 1)
  expect(((revival ?? 0) - (two ?? 0)) / DAY).toBeCloseTo(10.71, 1)
})

test('it is what its fades say at each of them', () => {
  const line = fed(3, 4, { stays: anHourOut })
  for (const { strength, fromMs } of conditionOf(line, fedAt).fades) {
    expect(conditionOf(line, fromMs + 2 * millisecondsInHour).use).toBe(strength)
    expect(conditionOf(line, fromMs - 2 * millisecondsInHour).use).not.toBe(strength)
  }
})

test('colder is hungry later, more food is hungry later', () => {
  const hungry = (line: BatchLine) => conditionOf(line, fedAt).hungryMs ?? Number.POSITIVE_INFINITY
  expect(hungry(fed(2, 18))).toBeGreaterThan(hungry(fed(2, 24)))
  expect(hungry(fed(5, 24))).toBeGreaterThan(hungry(fed(2, 24)))
})
