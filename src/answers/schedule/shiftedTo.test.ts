import type { CourseTimes } from '../../core'
import { shiftedTo } from './shiftedTo'

const HOUR = 3_600_000
/** Nine in the morning, and some seconds. */
const NOW = Date.UTC(2026, 10, 28, 9, 0, 20)
const at = (hours: number) => Date.UTC(2026, 10, 28, 9) + hours * HOUR
const times = { outMs: at(30), eatMs: at(32) } as CourseTimes
const plan = {
  mixAt: at(22),
  startAt: at(10),
  before: [{ id: 'wake', kind: 'wake' as const, seedGrams: 20, flourGrams: 40, waterGrams: 40, at: at(1), placeId: 'room', tempC: 21 }]
}

test.each([
  ['out', 33, 3],
  ['eat', 33, 1],
  ['mix', 20, -2]
] as const)('bread wished for, %s: levain, feeds and mix move along', (kind, wished, by) => {
  const moved = shiftedTo(plan, { kind, at: at(wished) }, times, NOW)
  expect([moved.mixAt, moved.startAt, moved.before?.[0]?.at]).toEqual([at(22 + by), at(10 + by), at(1 + by)])
})

test('bread wished for sooner than its dough takes: mixed in the next five minutes, never in the past', () => {
  expect(shiftedTo(plan, { kind: 'out', at: at(5) }, times, NOW).mixAt).toBe(at(5 / 60))
})

test('without a day of the dough there is nothing to move by', () => {
  expect(shiftedTo(plan, { kind: 'out', at: at(40) }, null, NOW)).toEqual({})
})
