import { millisecondsInHour } from 'date-fns/constants'
import fc from 'fast-check'
import type { School } from '../ferment/forecast'
import type { BatchLine } from '../jars/lineage'
import { DAY_BUILD } from '../testing/builds'
import { buildFor, type PlannedBuild } from './planBuild'
import { SEARCHED, solveBackwards, type Unknown } from './solveBackwards'

const start = Date.UTC(2026, 10, 26, 8)
const fed: BatchLine = {
  startedAtMs: start - 12 * millisecondsInHour,
  flours: { 'white wheat': 40 },
  waterGrams: 40,
  saltGrams: 0,
  mixTempC: 22,
  stays: [{ fromMs: start - 12 * millisecondsInHour, tempC: 22 }],
  parents: [{ grams: 15, hydration: 1, flour: 'white wheat', line: null }]
}
const build: PlannedBuild = { ...DAY_BUILD, seed: { flour: 'white wheat', line: fed }, place: { tempC: 22 } }
const solve = (unknown: Unknown, afterHours: number, school: School = 'dome', here = build) =>
  solveBackwards(here, { startMs: start, mixAtMs: start + afterHours * millisecondsInHour, school }, unknown)

test.each(['ratio', 'inoculation', 'place', 'mix'] as const)('%s: ripe at the wanted moment, to half a minute', (unknown) => {
  const soon = unknown === 'mix' ? 10.2 : 9
  const found = solve(unknown, soon)
  expect(found.ok).toBe(true)
  if (found.ok) expect(Math.abs(found.answer.fitMs - (start + soon * millisecondsInHour))).toBeLessThan(35_000)
})

test('the start answers as planning does', () => {
  const found = solve('start', 10)
  const planned = buildFor(build, start + 10 * millisecondsInHour, 'dome')
  expect(found.ok && planned.ok && Math.abs(found.answer.value - planned.value.startMs)).toBeLessThan(1000)
})

test('sooner wants less flour and a warmer place, later more and a cooler one', () => {
  const value = (unknown: Unknown, hours: number) => {
    const found = solve(unknown, hours)
    return found.ok ? found.answer.value : Number.NaN
  }
  expect(value('ratio', 8)).toBeLessThan(value('ratio', 11))
  expect(value('inoculation', 8)).toBeGreaterThan(value('inoculation', 11))
  expect(value('place', 8)).toBeGreaterThan(value('place', 14))
  expect(value('ratio', 9)).toBeCloseTo(1 / value('inoculation', 9), 1)
})

test('other schools are met, too', () => {
  fc.assert(
    fc.property(fc.constantFrom<School>('young', 'dome', 'mature'), fc.double({ min: 6.5, max: 14, noNaN: true }), (school, hours) => {
      const found = solve('ratio', hours, school)
      return found.ok && Math.abs(found.answer.fitMs - start - hours * millisecondsInHour) < 60_000
    }),
    { numRuns: 25 }
  )
})

test('two hours are too few for any ratio: it says so, and the smallest comes nearest', () => {
  const found = solve('ratio', 2)
  expect(found).toMatchObject({ ok: false, problem: 'ripe too late' })
  if (!found.ok) {
    expect(found.nearest?.value).toBeCloseTo(SEARCHED.ratio.low, 6)
    expect(found.nearest?.fitMs ?? 0).toBeGreaterThan(start + 2 * millisecondsInHour)
  }
})

test('two days are too many for any mix temperature: ripe too early, and the coldest comes nearest', () => {
  const found = solve('mix', 48)
  expect(found).toMatchObject({ ok: false, problem: 'ripe too early' })
  if (!found.ok) expect(found.nearest?.value).toBeCloseTo(SEARCHED.mix.low, 6)
})

test('a wet seed in a stiff levain: ratios that cannot be are passed over', () => {
  const stiff = { ...build, levain: { ...build.levain, hydration: 0.5, jar: { ...build.levain.jar, hydration: 2 } } }
  const found = solve('ratio', 14, 'dome', stiff)
  expect(found.ok && found.answer.value).toBeGreaterThan(0.9)
})
