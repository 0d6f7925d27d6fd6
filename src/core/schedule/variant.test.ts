import { DAY_BUILD } from '../testing/builds'
import { buildFrom, type PlannedBuild } from './planBuild'
import { bringsGluten, variantBuild, variantOf } from './variant'

const start = Date.UTC(2026, 10, 26, 8)
const build: PlannedBuild = {
  ...DAY_BUILD,
  levain: { ...DAY_BUILD.levain, by: { kind: 'inoculation', share: 0.2 } },
  flours: { 'white wheat': 0.5, rye: 0.5 },
  place: { tempC: 20, swing: { swingK: 2, warmestMs: start } }
}
const planned = variantOf(build, 5)
const peak = (variant: typeof planned) => {
  const timed = buildFrom(variantBuild(build, variant, start), start, 'dome')
  return timed.ok ? timed.value.fitHours : Number.NaN
}

test('a build is its own variant', () => {
  expect(planned.tempC).toBe(22)
  const timed = buildFrom(build, start, 'dome')
  expect(peak(planned)).toBeCloseTo(timed.ok ? timed.value.fitHours : 0, 9)
})

test('each difference does what bakers expect of it', () => {
  expect(peak({ ...planned, flourPerSeed: 8 })).toBeGreaterThan(peak(planned))
  expect(peak({ ...planned, tempC: 26 })).toBeLessThan(peak(planned))
  expect(peak({ ...planned, flour: 'rye' })).toBeLessThan(peak({ ...planned, flour: 'white wheat' }))
  expect(peak({ ...planned, hydration: 0.5 })).toBeGreaterThan(peak(planned))
})

test('a seed that stood in the cold for longer takes longer', () => {
  const days = [0, 3, 7, 14].map((seedColdDays) => peak({ ...planned, seedColdDays }))
  expect(days).toEqual([...days].sort((a, b) => a - b))
  expect((days[2] ?? 0) - (days[0] ?? 0)).toBeGreaterThan(1)
})

test('gluten into a culture without is noticed', () => {
  expect(bringsGluten({ ...planned, flour: 'rye' }, 'gluten-free')).toBe(true)
  expect(bringsGluten({ ...planned, flour: 'gluten-free' }, 'gluten-free')).toBe(false)
  expect(bringsGluten(planned, 'gluten-free')).toBe(false)
})
