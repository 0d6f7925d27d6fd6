import { whiteVessel } from '../testing/builds'
import { drawParameters, inverseNormal } from './draws'
import { drawForecast, fitAt, levelOf, summarise, withPaceDoubt } from './forecast'
import { pinnedJar, TYPICAL_JAR, UNKNOWN_JAR } from './jarParameters'
import { simulate } from './simulate'

const vessel = whiteVessel(22)
const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: 30 })
const forecast = summarise(draws, 'dome')

test('normal quantiles', () => {
  expect(inverseNormal(0.5)).toBeCloseTo(0, 9)
  expect(inverseNormal(0.975)).toBeCloseTo(1.959964, 5)
  expect(inverseNormal(0.001)).toBeCloseTo(-3.090232, 5)
})

test('draws have the spread they are said to have', () => {
  const logs = drawParameters(400, UNKNOWN_JAR).draws.map((d) => Math.log(d.jar.vigour))
  const mean = logs.reduce((a, b) => a + b) / logs.length
  const sd = Math.sqrt(logs.reduce((s, x) => s + (x - mean) ** 2, 0) / logs.length)
  expect(mean).toBeCloseTo(0, 1)
  expect(sd).toBeGreaterThan(0.3)
  expect(sd).toBeLessThan(0.38)
})

test('hours whose pace is doubtful, too, lie wider around the same middle; what never comes stays so', () => {
  const range = { p05: 3, p25: 3.6, p50: 4, p75: 4.4, p95: 5 }
  expect(withPaceDoubt(range, 0)).toEqual({
    ...range,
    p05: expect.closeTo(3, 9),
    p25: expect.closeTo(3.6, 9),
    p75: expect.closeTo(4.4, 9),
    p95: expect.closeTo(5, 9)
  })
  // ln(5 ÷ 4) = 0.223 and 1.645 × 0.15 = 0.247 together are 0.333
  expect(withPaceDoubt(range, 0.15).p95).toBeCloseTo(4 * Math.exp(0.333), 1)
  expect(withPaceDoubt(range, 0.15).p50).toBe(4)
  const rarely = { p05: 6, p25: Number.POSITIVE_INFINITY, p50: Number.POSITIVE_INFINITY, p75: Number.POSITIVE_INFINITY, p95: Number.POSITIVE_INFINITY }
  expect(withPaceDoubt(rarely, 0.15)).toEqual(rarely)
})

test('a jar known exactly still has a room that is not', () => {
  const known = drawParameters(50, pinnedJar(TYPICAL_JAR)).draws
  expect(new Set(known.map((d) => d.jar.vigour))).toEqual(new Set([1]))
  expect(new Set(known.map((d) => d.roomOffsetK)).size).toBe(50)
})

test('the middle of the forecast is near the single best guess', () => {
  const single = simulate(vessel, TYPICAL_JAR, { untilHours: 48 }).milestones
  expect(forecast.peak.p50).toBeGreaterThan((single.peakHours ?? 0) - 1)
  expect(forecast.peak.p50).toBeLessThan((single.peakHours ?? 0) + 1)
})

test('an unknown jar has a wide forecast, a known one a narrow one', () => {
  const wide = forecast.peak.p95 - forecast.peak.p05
  const known = summarise(drawForecast(vessel, pinnedJar(TYPICAL_JAR), { untilHours: 30 }), 'dome')
  expect(wide).toBeGreaterThan(4)
  expect(known.peak.p95 - known.peak.p05).toBeLessThan(0.7 * wide)
})

test('quantiles stand in order at every hour', () => {
  forecast.gridHours.forEach((_, i) => {
    const { p05, p25, p50, p75, p95 } = forecast.gas
    const column = [p05, p25, p50, p75, p95].map((q) => q[i] ?? Number.NaN)
    expect(column).toEqual([...column].sort((a, b) => a - b))
  })
})

test('fit to mix: hardly at once, likely at the peak, hardly a day later', () => {
  expect(fitAt(draws, 'dome', 1)).toBeLessThan(0.01)
  expect(fitAt(draws, 'dome', forecast.peak.p50)).toBeGreaterThan(0.4)
  expect(fitAt(draws, 'dome', 28)).toBeLessThan(0.1)
  expect(fitAt(draws, 'young', forecast.peak.p50)).toBeLessThan(fitAt(draws, 'dome', forecast.peak.p50))
})

test('the level between the points of the grid', () => {
  const { gridHours, gas } = forecast
  const middle = ((gridHours[10] ?? 0) + (gridHours[11] ?? 0)) / 2
  expect(levelOf(forecast, middle)).toBeCloseTo(((gas.p50[10] ?? 0) + (gas.p50[11] ?? 0)) / 2, 9)
  expect(levelOf(forecast, 1e6)).toBeCloseTo(gas.p50.at(-1) ?? 0, 6)
})
