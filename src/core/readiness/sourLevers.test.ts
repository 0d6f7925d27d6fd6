import { TYPICAL_JAR } from '../ferment/jarParameters'
import type { BatchLine } from '../jars/lineage'
import { USUAL_COURSE } from '../schedule/course'
import { whiteDough, whiteLevain } from '../testing/builds'
import { type SourLever, sourLevers } from './sourLevers'

const START = Date.UTC(2026, 10, 27, 8)
const levain = whiteLevain(START)
const line = whiteDough(START, levain)
const course = { ...USUAL_COURSE.wheat, kind: 'wheat' as const, pieceGrams: 850, coldC: 4 }
const told = sourLevers({ levain, dough: { line, course }, school: 'dome', jar: TYPICAL_JAR, begun: false })
const change = (lever: SourLever) => told?.levers.find((l) => l.lever === lever)?.change ?? 0

test('a loaf of six hours as bakers measure it: pH 4.5 to 5.3, TTA 4 to 8.5 ml', () => {
  expect(told?.as.pH).toBeGreaterThan(4.5)
  expect(told?.as.pH).toBeLessThan(5.3)
  expect(told?.as.tta).toBeGreaterThan(4)
  expect(told?.as.tta).toBeLessThan(8.5)
})

test('more levain, wholegrain and a night in the cold make a loaf tangier; less levain makes it milder', () => {
  for (const lever of ['more levain', 'wholegrain', 'cold proof'] as const) expect(change(lever)).toBeGreaterThan(0.05)
  expect(change('less levain')).toBeLessThan(-0.05)
})

test('the strongest comes first, and what nobody tastes is left out', () => {
  const sizes = told?.levers.map((l) => Math.abs(l.change)) ?? []
  expect([...sizes].sort((a, b) => b - a)).toEqual(sizes)
  expect(Math.min(...sizes)).toBeGreaterThanOrEqual(0.02)
})

test('a jar that is kept has no dough: no lever of one, and more starter for its food is tangier', () => {
  const kept = sourLevers({ levain, dough: null, school: 'dome', jar: TYPICAL_JAR, begun: false })
  const levers = kept?.levers.map((l) => l.lever) ?? []
  expect(levers).not.toContain('cold proof')
  expect(levers).not.toContain('more levain')
  const turned = (lever: SourLever) => kept?.levers.find((l) => l.lever === lever)?.change ?? 0
  expect(turned('more starter')).toBeGreaterThanOrEqual(0)
  expect(turned('riper')).toBeGreaterThan(0)
  expect(turned('younger')).toBeLessThan(0)
  // More flour in ten grams of it shows more acid there, and is no tangier for that.
  expect(Math.abs(turned('firmer'))).toBeLessThan(0.15)
})

test('fed twice before matters to a starter that has stood for a week, and is no lever where it is fresh', () => {
  expect(change('fed twice before')).toBe(0)
  const week: BatchLine = { ...levain, startedAtMs: START - 7 * 24 * 3_600_000, stays: [{ fromMs: START - 7 * 24 * 3_600_000, tempC: 5 }] }
  const cold = { ...levain, parents: [{ grams: 40, hydration: 1, flour: 'white wheat' as const, line: week }] }
  const fromCold = sourLevers({ levain: cold, dough: null, school: 'dome', jar: TYPICAL_JAR, begun: false })
  expect(fromCold?.as.tta).toBeGreaterThan(0)
  const fed = fromCold?.levers.find((l) => l.lever === 'fed twice before')
  if (fed !== undefined) expect(fed.change).toBeLessThan(0)
})

test('once the levain is mixed, only what can still be turned is told', () => {
  const begun = sourLevers({ levain, dough: { line, course }, school: 'dome', jar: TYPICAL_JAR, begun: true })
  const levers = begun?.levers.map((l) => l.lever) ?? []
  expect(levers).toContain('cold proof')
  for (const lever of ['warmer', 'firmer', 'more starter', 'fed twice before'] as const) expect(levers).not.toContain(lever)
})
