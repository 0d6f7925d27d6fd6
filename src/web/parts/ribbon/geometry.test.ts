import { millisecondsInHour } from 'date-fns/constants'
import { createFormat } from '../../../core'
import { describeRibbon } from './describe'
import { assignLanes, between, type Hill, layFrame, layHills, levelAt, type Strip } from './geometry'

const noon = Date.UTC(2026, 10, 26, 12)
const strip: Strip = {
  fromMs: noon,
  toMs: noon + 48 * millisecondsInHour,
  width: 1280,
  height: 300,
  nowMs: noon + 7.7 * millisecondsInHour,
  timeZone: 'Europe/Lisbon'
}

/** A hill of ten hours with its top in the middle. */
function hill(id: string, startHours: number, more: Partial<Hill> = {}): Hill {
  const at = (h: number) => noon + (startHours + h) * millisecondsInHour
  return {
    id,
    label: `${id} levain`,
    family: 'wheat',
    running: false,
    points: [0, 2.5, 5, 7.5, 10].map((h, i) => ({ ms: at(h), gas: [0, 1, 2, 1.8, 1.4][i] ?? 0 })),
    window: { fromMs: at(4), toMs: at(7) },
    ...more
  }
}

test('time runs evenly from edge to edge', () => {
  const { x, msAt } = layFrame(strip)
  expect(x(strip.fromMs)).toBe(0)
  expect(x(strip.toMs)).toBe(1280)
  expect(x(noon + 12 * millisecondsInHour)).toBe(320)
  expect(msAt(320)).toBe(noon + 12 * millisecondsInHour)
})

test('a hill stands on the ground and its window lies under its ridge', () => {
  const frame = layFrame(strip)
  const { groundY } = frame
  const { hills } = layHills(frame, [hill('Juno', 10)])
  const drawn = hills[0]
  expect(drawn?.ridge.startsWith(`M266.7 ${groundY.toFixed(1)}`)).toBe(true)
  expect(drawn?.window).toMatch(/Z$/)
  const xs = (drawn?.window.match(/[ML](-?[\d.]+)/g) ?? []).map((s) => Number(s.slice(1)))
  expect(Math.min(...xs)).toBeCloseTo((14 / 48) * 1280, 0)
  expect(Math.max(...xs)).toBeCloseTo((17 / 48) * 1280, 0)
})

test('hills that do not meet share the ground, hills that do stand one before the other', () => {
  expect(assignLanes([hill('a', 0), hill('b', 11)])).toEqual([0, 0])
  const lanes = assignLanes([hill('a', 0), hill('b', 5), hill('c', 12)])
  expect(lanes[0]).not.toBe(lanes[1])
  expect(lanes[2]).toBe(lanes[0])
})

test('no tick is labelled under the badge of the present, and labels have room', () => {
  const { ticks, nowX } = layFrame(strip)
  const labelled = ticks.filter((t) => t.labelled)
  for (const tick of labelled) expect(Math.abs(tick.x - (nowX ?? 0))).toBeGreaterThan(40)
  const gaps = labelled.slice(1).map((t, i) => t.x - (labelled[i]?.x ?? 0))
  expect(Math.min(...gaps)).toBeGreaterThanOrEqual(40)
})

test('on a phone the hours are fewer and still whole', () => {
  const { ticks } = layFrame({ ...strip, width: 390, toMs: noon + 26 * millisecondsInHour })
  const labelled = ticks.filter((t) => t.labelled)
  expect(labelled.length).toBeLessThan(10)
  expect(labelled.every((t) => new Date(t.ms).getUTCHours() % 3 === 0)).toBe(true)
})

test('in the night the clocks go back no hour is drawn twice on one spot', () => {
  const from = Date.UTC(2026, 9, 24, 20)
  const { ticks } = layFrame({ ...strip, fromMs: from, toMs: from + 12 * millisecondsInHour, nowMs: 0 })
  expect(new Set(ticks.map((t) => t.x)).size).toBe(ticks.length)
})

test('days are named at their midnights and keep clear of the present', () => {
  const { days } = layFrame(strip)
  expect(days.map((d) => new Date(d.ms).getUTCDay())).toEqual([4, 5, 6])
  const early = layFrame({ ...strip, nowMs: noon + millisecondsInHour })
  expect(early.days[0]?.x).toBeGreaterThan(early.nowX ?? 0)
})

test('words over windows neither lie on each other nor on the present, and stay inside', () => {
  const frame = layFrame(strip)
  const { nowX } = frame
  const { labels } = layHills(frame, [hill('a', 2), hill('b', 3), hill('c', 4.5), hill('d', 40)])
  expect(labels).toHaveLength(4)
  for (const [i, label] of labels.entries()) {
    expect(label.x).toBeGreaterThanOrEqual(78)
    expect(label.x).toBeLessThanOrEqual(1280 - 78)
    expect(Math.abs(label.x - (nowX ?? -999))).toBeGreaterThanOrEqual(78)
    for (const other of labels.slice(i + 1)) expect(Math.abs(label.x - other.x) < 100 && Math.abs(label.y - other.y) < 30).toBe(false)
  }
})

test('a hill outside the strip, or of one point, is not drawn', () => {
  expect(layHills(layFrame(strip), [hill('past', -30), hill('point', 5, { points: [{ ms: noon, gas: 1 }] })]).hills).toEqual([])
})

test('the part of a curve between two moments has its ends put in', () => {
  const { points } = hill('a', 0)
  const part = between(points, noon + millisecondsInHour, noon + 4 * millisecondsInHour)
  expect(part[0]).toEqual({ ms: noon + millisecondsInHour, gas: expect.closeTo(0.4, 9) })
  expect(part.at(-1)?.gas).toBeCloseTo(1.6, 9)
  expect(part).toHaveLength(3)
  expect(between(points, noon + 20 * millisecondsInHour, noon + 30 * millisecondsInHour)).toEqual([])
  expect(levelAt(points, noon - millisecondsInHour)).toBe(0)
})

test('the ribbon in words', () => {
  const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'Europe/Lisbon' })
  const running = hill('Juno', 2, { running: true, marks: [{ ms: noon + 6 * millisecondsInHour, gas: 0.8 }] })
  const [words, planned] = describeRibbon([running, hill('Bramble', 20, { window: null })], noon + 7 * millisecondsInHour, format)
  expect(words).toBe('Juno levain: mixed Thu 14:00, ready to mix Thu 18:00 to Thu 21:00, that is now, last seen at ×1.8 on Thu 18:00.')
  expect(planned).toBe('Bramble levain: to be built Fri 08:00.')
})

test.each([10, 100])('a strip of %s years is a few hundred strokes, not one for every hour', (years) => {
  const { ticks } = layFrame({ ...strip, toMs: strip.fromMs + years * 365 * 24 * millisecondsInHour })
  expect(ticks.length).toBeLessThan(500)
})
