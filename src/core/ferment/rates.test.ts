import { BACTERIA_ISOTHERMAL, YEAST_ISOTHERMAL, YEAST_WARM } from './constants'
import { cardinalRate, heatDeath, isothermalRate, lagWorkRate, metabolism, RATE, RATE_WIDTH, ratesAt, weakeningRate } from './rates'

// Published isothermal rates, 1/h, as tabulated in docs/model.md.
test.each([
  [4, 0.008, 0.026],
  [10, 0.033, 0.063],
  [20, 0.225, 0.239],
  [25, 0.395, 0.41],
  [30, 0.346, 0.61]
])('at %d °C yeast grows %d and lactobacilli %d per hour', (tempC, yeast, bacteria) => {
  expect(isothermalRate(YEAST_ISOTHERMAL, tempC)).toBeCloseTo(yeast, 2)
  expect(isothermalRate(BACTERIA_ISOTHERMAL, tempC)).toBeCloseTo(bacteria, 2)
})

test('growth ends at the top temperature and stays ended', () => {
  expect(isothermalRate(YEAST_ISOTHERMAL, 36)).toBe(0)
  expect(isothermalRate(YEAST_ISOTHERMAL, 80)).toBe(0)
  expect(isothermalRate(BACTERIA_ISOTHERMAL, 41)).toBe(0)
})

test('yeast is fastest near 27 °C, lactobacilli near 33 °C', () => {
  const best = (curve: typeof YEAST_ISOTHERMAL) =>
    Array.from({ length: 45 }, (_, t) => t).reduce((a, b) => (isothermalRate(curve, b) > isothermalRate(curve, a) ? b : a))
  expect(best(YEAST_ISOTHERMAL)).toBe(27)
  expect(best(BACTERIA_ISOTHERMAL)).toBe(33)
})

test('a cardinal curve reaches its optimum and is zero at its ends', () => {
  expect(cardinalRate(YEAST_WARM, YEAST_WARM.optC)).toBeCloseTo(YEAST_WARM.atOptimum, 10)
  expect(cardinalRate(YEAST_WARM, YEAST_WARM.minC)).toBe(0)
  expect(cardinalRate(YEAST_WARM, YEAST_WARM.maxC)).toBe(0)
  expect(cardinalRate(YEAST_WARM, 31)).toBeLessThan(YEAST_WARM.atOptimum)
})

test('metabolism is scaled to 25 °C', () => {
  expect(metabolism(25)).toBeCloseTo(1, 12)
  expect(metabolism(4)).toBeLessThan(0.1)
})

test('the matrix weakens ever faster above 33 °C', () => {
  expect(weakeningRate(43)).toBeCloseTo(weakeningRate(33) * 1.3 ** 10, 10)
})

test('heat kills at 50 °C, not at 30 °C; hunger doubles every 10 K', () => {
  expect(heatDeath(50)).toBe(12)
  expect(heatDeath(30)).toBeLessThan(0.001)
  expect(lagWorkRate(14) / lagWorkRate(4)).toBeCloseTo(2, 10)
  expect(lagWorkRate(4) * 24).toBeCloseTo(0.14, 10)
})

test('the table is as good as the formulas, between its rows too', () => {
  const out = new Float64Array(RATE_WIDTH)
  for (let tempC = -2; tempC < 45; tempC += 0.37) {
    ratesAt(tempC, out)
    expect(out[RATE.yeast]).toBeCloseTo(isothermalRate(YEAST_ISOTHERMAL, tempC), 4)
    expect(out[RATE.bacteria]).toBeCloseTo(isothermalRate(BACTERIA_ISOTHERMAL, tempC), 3)
    expect(out[RATE.metabolism]).toBeCloseTo(metabolism(tempC), 3)
  }
})

test('temperatures beyond the table are held at its ends', () => {
  const far = new Float64Array(RATE_WIDTH)
  const end = new Float64Array(RATE_WIDTH)
  ratesAt(500, far)
  ratesAt(70, end)
  expect(Array.from(far)).toEqual(Array.from(end))
})
