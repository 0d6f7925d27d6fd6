import { millisecondsInHour } from 'date-fns/constants'
import { drawForecast, summarise } from '../ferment/forecast'
import { type JarBelief, pinnedJar, TYPICAL_JAR, UNKNOWN_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { type BatchLine, contentsOf, vesselOf } from '../jars/lineage'
import { type CourseHere, doughPace, USUAL_COURSE } from '../schedule/course'
import { beliefShown, type WaysAsked, waysNow, withInstantYeast } from './ways'

const start = Date.UTC(2026, 10, 27, 6)
const line: BatchLine = {
  startedAtMs: start,
  flours: { 'white wheat': 100 },
  waterGrams: 100,
  saltGrams: 0,
  mixTempC: 23,
  stays: [{ fromMs: start, tempC: 22 }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
}
const forecastOf = (of: BatchLine) => summarise(drawForecast(vesselOf(of), UNKNOWN_JAR, { untilHours: 60 }), 'dome')
const forecast = forecastOf(line)
const dough: BatchLine = {
  startedAtMs: 0,
  flours: { 'white wheat': 900 },
  waterGrams: 620,
  saltGrams: 19,
  mixTempC: 25,
  stays: [{ fromMs: 0, tempC: 23 }],
  parents: [{ grams: 180, hydration: 1, flour: 'white wheat', line }]
}
const course: CourseHere = { ...USUAL_COURSE.wheat, autolyseMinutes: 0, kind: 'wheat', pieceGrams: 850, coldC: 4 }
const asked = (hours: number, more: Partial<WaysAsked> = {}): WaysAsked => {
  const nowMs = start + hours * millisecondsInHour
  return {
    line,
    nowMs,
    school: 'dome',
    forecast,
    shown: null,
    jar: TYPICAL_JAR,
    places: [
      { id: 'warm', name: 'By the stove', standing: { tempC: 27 } },
      { id: 'fridge', name: 'Fridge', standing: { tempC: 4 } }
    ],
    dough: { ...dough, startedAtMs: nowMs, stays: [{ fromMs: nowMs, tempC: 23 }] },
    course,
    mostGrams: 200,
    plannedMixMs: start + 9 * millisecondsInHour,
    ...more
  }
}

test('warmer it is fit sooner, in the cold it holds longer', () => {
  const { warm, chill } = waysNow(asked(4), forecastOf)
  expect(warm.map((w) => w.place.id)).toEqual(['warm'])
  expect(warm[0]?.opensHours).toBeLessThan(forecast.opens.p50 - 0.5)
  expect(chill.map((w) => w.place.id)).toEqual(['fridge'])
  expect(chill[0]?.closesHours).toBeGreaterThan(forecast.closes.p50 + 2)
})

test('a place that is as warm as here is no way', () => {
  const { warm, chill } = waysNow(asked(4, { places: [{ id: 'x', name: 'Shelf', standing: { tempC: 22.5 } }] }), forecastOf)
  expect([...warm, ...chill]).toEqual([])
})

test('fed again: one to one is ripe soonest, within a working day; the more it is fed, the later, and the longer it stays ready', () => {
  const { feed } = waysNow(asked(20), forecastOf)
  expect(feed.map(({ flourPerSeed }) => flourPerSeed)).toEqual([1, 2, 3, 5, 8, 12])
  const nowMs = start + 20 * millisecondsInHour
  expect(feed[0]?.ripeMs ?? 0).toBeGreaterThan(nowMs + 4 * millisecondsInHour)
  expect(feed[0]?.ripeMs ?? 0).toBeLessThan(nowMs + 9 * millisecondsInHour)
  for (const [i, { ripeMs, closesMs, line }] of feed.entries()) {
    expect(closesMs).toBeGreaterThan(ripeMs)
    expect(line.startedAtMs).toBe(nowMs)
    expect(ripeMs).toBeGreaterThan(feed[i - 1]?.ripeMs ?? 0)
  }
})

test('mixed young the bulk takes longer, and the loaf is milder; mixed past it, the loaf is tangier', () => {
  const young = waysNow(asked(4), forecastOf).mix
  expect(young?.bulkHours ?? 0).toBeGreaterThan((young?.usualBulkHours ?? 0) + 0.3)
  expect(young?.sourness).toBeLessThan(0.9)
  expect(waysNow(asked(16), forecastOf).mix?.sourness).toBeGreaterThan(1.05)
})

test('chilled while it is young, it is measured by one that ripened in the warm: longer, milder, and no shorter than that', () => {
  const chilled = { ...line, stays: [...line.stays, { fromMs: start + 4 * millisecondsInHour, tempC: 4 }] }
  const mixed = (hours: number) => waysNow(asked(hours, { line: chilled, forecast: forecastOf(chilled) }), forecastOf).mix
  const usual = waysNow(asked(4), forecastOf).mix?.usualBulkHours ?? Number.NaN
  expect(mixed(10)?.usualBulkHours ?? Number.NaN).toBeCloseTo(usual, 1)
  expect(mixed(10)?.bulkHours ?? 0).toBeGreaterThan(usual)
  expect(mixed(10)?.sourness ?? 9).toBeLessThan(1)
})

test('past its best, less of it brings as much acid as usual: flour and water make up for it, and the bulk takes longer', () => {
  const mix = waysNow(asked(16), forecastOf).mix
  const other = mix?.other
  expect(other?.plannedGrams).toBe(180)
  expect((other?.grams ?? 0) * (mix?.sourness ?? 0)).toBeCloseTo(180, -0.5)
  // At 100 % half of what is left out is flour, half is water.
  expect(other?.flourGrams).toBeCloseTo((180 - (other?.grams ?? 0)) / 2, 9)
  expect(other?.waterGrams).toBeCloseTo(other?.flourGrams ?? 0, 9)
  expect(other?.bulkHours ?? 0).toBeGreaterThan(mix?.bulkHours ?? 99)
})

test('young still, so much more of it that the bulk is as usual, or all there is; at its best the amount stands', () => {
  const mix = waysNow(asked(5.5, { mostGrams: 400 }), forecastOf).mix
  expect(mix?.bulkHours ?? 0).toBeGreaterThan((mix?.usualBulkHours ?? 99) + 1)
  expect(mix?.other?.bulkHours ?? 99).toBeCloseTo(mix?.usualBulkHours ?? 0, 1)
  // As heavy as before: what there is more of the levain there is less of flour and water.
  expect((mix?.other?.flourGrams ?? 0) + (mix?.other?.waterGrams ?? 0)).toBeCloseTo(180 - (mix?.other?.grams ?? 0), 9)
  const scarce = waysNow(asked(5.5, { mostGrams: 220 }), forecastOf).mix
  expect(scarce?.other?.grams).toBe(220)
  expect(scarce?.other?.bulkHours ?? 0).toBeGreaterThan((mix?.usualBulkHours ?? 0) + 0.5)
  expect(scarce?.other?.bulkHours ?? 99).toBeLessThan((mix?.bulkHours ?? 0) - 0.5)
  expect(waysNow(asked(5.5, { mostGrams: 181 }), forecastOf).mix?.other).toBeNull()
  expect(waysNow(asked(forecast.peak.p50, { mostGrams: 400 }), forecastOf).mix?.other).toBeNull()
})

test('a pinch of yeast brings a young levain’s bulk back; a ripe one needs none', () => {
  const { yeast, mix } = waysNow(asked(3), forecastOf)
  expect(yeast?.grams).toBeGreaterThan(0)
  // Less than half a per cent of the flour.
  expect(yeast?.grams ?? 99).toBeLessThan(0.005 * contentsOf(dough).flourGrams)
  expect(yeast?.bulkHours ?? 99).toBeLessThanOrEqual(mix?.usualBulkHours ?? 0)
  expect(waysNow(asked(forecast.peak.p50), forecastOf).yeast).toBeNull()
})

test('more yeast, shorter bulk; none leaves the dough as it is', () => {
  const pace = (grams: number) =>
    doughPace(
      withInstantYeast({ ...dough, startedAtMs: start + 9 * millisecondsInHour, stays: [{ fromMs: start + 9 * millisecondsInHour, tempC: 23 }] }, grams),
      course
    ).bulkHours ?? 99
  expect(pace(0)).toBeGreaterThan(pace(0.5))
  expect(pace(0.5)).toBeGreaterThan(pace(2))
})

test('one that shows itself quicker than it was reckoned is taken as riper', () => {
  const quick = { ...forecast, peak: { ...forecast.peak, p50: 0.7 * forecast.peak.p50 } }
  const said = waysNow(asked(6, { forecast: quick, shown: { peakHours: quick.peak.p50, phase: null, seenMs: start + 6 * millisecondsInHour } }), forecastOf).mix
  const plain = waysNow(asked(6), forecastOf).mix
  expect(said?.sourness).toBeGreaterThan(plain?.sourness ?? 9)
})

test('collapsed although its forecast has it young: what is said goes by what is seen', () => {
  const foretold = waysNow(asked(5), forecastOf)
  const seen = waysNow(asked(5, { shown: { peakHours: forecast.peak.p50, phase: 'collapsed', seenMs: start + 5 * millisecondsInHour } }), forecastOf)
  expect(foretold.mix?.sourness).toBeLessThan(0.9)
  expect(seen.mix?.sourness).toBeGreaterThan(1.1)
  expect(seen.mix?.other?.grams ?? 999).toBeLessThan(175)
  expect(seen.yeast).toBeNull()
})

test('without a planned day there is no bulk to tell of, and no yeast', () => {
  const { mix, yeast } = waysNow(asked(4, { dough: null, course: null }), forecastOf)
  expect(mix?.bulkHours).toBeNull()
  expect(yeast).toBeNull()
})

test('looks at a quick levain make its jar quicker for the dough: nearly all of it where the jar is unknown, nothing where it is pinned', () => {
  const usual = simulate(vesselOf(line), TYPICAL_JAR, { untilHours: 48 }).milestones.peakHours ?? 0
  const shown = { peakHours: usual / 1.3, phase: null, seenMs: line.startedAtMs }
  const vigourOf = (belief: JarBelief) => beliefShown(belief, line, shown).centre.vigour
  expect(vigourOf(UNKNOWN_JAR)).toBeGreaterThan(1.22)
  expect(vigourOf(UNKNOWN_JAR)).toBeLessThan(1.3)
  expect(vigourOf(pinnedJar(TYPICAL_JAR))).toBe(1)
  // Nobody has looked, or what was seen is believed against the forecast: no pace is told by it.
  expect(beliefShown(UNKNOWN_JAR, line, null)).toBe(UNKNOWN_JAR)
  expect(beliefShown(UNKNOWN_JAR, line, { ...shown, phase: 'collapsed' })).toBe(UNKNOWN_JAR)
})
