import { mixCultures, RIPE } from '../ferment/culture'
import { TYPICAL_JAR } from '../ferment/jarParameters'
import { exampleVessel } from '../ferment/jarTraits'
import type { BuildLog } from '../ferment/learnJar'
import { gasAt } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { coverageOf, type PastBuild, pastBuilds } from './pastBuilds'

/** Builds of a jar a third livelier than most, looked at four times each. */
const logs = [2, 5, 8, 4, 6].map((flourPerSeed, i): BuildLog => {
  const vessel = { ...exampleVessel(21 + i), start: mixCultures([{ flourGrams: 1, state: RIPE }], 2 * flourPerSeed, 1) }
  const { curve, milestones } = simulate(vessel, { ...TYPICAL_JAR, vigour: 1.33 }, { untilHours: 48 })
  const peak = milestones.peakHours ?? 0
  return { vessel, seen: [0.4, 0.7, 0.95, 1.15].map((share) => ({ kind: 'level', hours: share * peak, rise: 1 + gasAt(curve, share * peak) })) }
})
const peaks = logs.map(({ vessel }) => simulate(vessel, { ...TYPICAL_JAR, vigour: 1.33 }, { untilHours: 48 }).milestones.peakHours ?? 0)

function all(of: readonly BuildLog[]): { past: PastBuild[]; steps: number } {
  const walk = pastBuilds(of)
  let steps = 0
  for (;;) {
    const next = walk.next()
    if (next.done) return { past: next.value, steps }
    steps++
  }
}

test('each build is foretold from those before it: the later, the nearer', () => {
  const { past, steps } = all(logs)
  expect(steps).toBe(5)
  expect(past.map((p) => p.index)).toEqual([0, 1, 2, 3, 4])
  past.forEach(({ outcome, index }) => {
    expect(Math.abs(outcome.p50 - (peaks[index] ?? 0))).toBeLessThan(0.8)
  })
  const off = past.map(({ forecast, outcome }) => Math.abs(forecast.p50 - outcome.p50) / outcome.p50)
  expect(off[4]).toBeLessThan(0.6 * (off[0] ?? 0))
})

test('a build nobody looked at tells nothing', () => {
  expect(all([{ vessel: exampleVessel(24), seen: [] }]).past).toEqual([])
})

test('coverage counts what lay within what was said', () => {
  const range = (p50: number, half: number) => ({ p05: p50 - 2 * half, p25: p50 - half, p50, p75: p50 + half, p95: p50 + 2 * half })
  const build = (said: number, came: number): PastBuild => ({ index: 0, forecast: range(said, 1), outcome: range(came, 0.1) })
  expect(coverageOf([build(8, 8.5), build(8, 9.5), build(8, 11), build(8, 8)])).toEqual({ builds: 4, half: 0.5, nine: 0.75, medianOffHours: 1.5 })
  expect(coverageOf([])).toBeNull()
})
