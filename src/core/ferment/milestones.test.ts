import { windowOf } from './forecast'
import { findMilestones, gasAt } from './milestones'

/** A parabola g = 2 − (t − 4)² / 8 from 0 to 10 h, every half hour, with its true slope: Hermite has to hit it exactly. */
const hours = Float64Array.from({ length: 21 }, (_, i) => i / 2)
const curve = { count: 21, hours, gas: hours.map((t) => 2 - (t - 4) ** 2 / 8), slope: hours.map((t) => -(t - 4) / 4) }

test('marks of a parabola', () => {
  const m = findMilestones(curve)
  expect(m.peakHours).toBeCloseTo(4, 2)
  expect(m.peakGas).toBeCloseTo(2, 6)
  expect(m.doubledHours).toBeCloseTo(4 - Math.sqrt(8), 3)
  expect(m.opensHours).toBeCloseTo(4 - Math.sqrt(0.8), 3)
  expect(m.closesHours).toBeCloseTo(4 + Math.sqrt(0.8), 3)
  expect(m.easedHours).toBeCloseTo(4 + Math.sqrt(2.4), 3)
  expect(m.collapsedHours).toBeCloseTo(4 + Math.sqrt(3.2), 3)
})

test('a curve that still climbs when it ends has no peak yet, but may have doubled', () => {
  const m = findMilestones({ ...curve, count: 7 })
  expect(m.peakHours).toBeNull()
  expect(m.opensHours).toBeNull()
  expect(m.doubledHours).toBeCloseTo(4 - Math.sqrt(8), 3)
})

test('levels between points, held at the ends', () => {
  expect(gasAt(curve, 2.25)).toBeCloseTo(2 - 1.75 ** 2 / 8, 9)
  expect(gasAt(curve, -5)).toBe(0)
  expect(gasAt(curve, 99)).toBe(-2.5)
})

test('windows of the three schools on the same hill', () => {
  const m = findMilestones(curve)
  expect(windowOf(m, 'dome')).toEqual({ opensHours: m.opensHours, closesHours: m.closesHours })
  expect(windowOf(m, 'mature')).toEqual({ opensHours: m.peakHours, closesHours: m.easedHours })
  // Young opens with the lesser of doubled (g 1) and 60 % of the peak (g 1.2).
  expect(windowOf(m, 'young')).toEqual({ opensHours: m.doubledHours, closesHours: m.opensHours })
})
