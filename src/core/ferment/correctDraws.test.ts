import { correctDraws } from './correctDraws'
import { type Draws, drawForecast, reaches, summarise } from './forecast'
import { TYPICAL_JAR, UNKNOWN_JAR } from './jarParameters'
import { exampleVessel } from './jarTraits'
import { gasAt } from './milestones'
import type { Observation } from './oneBuild'
import { simulate } from './simulate'

const vessel = exampleVessel(24)
const draws = drawForecast(vessel, UNKNOWN_JAR, { untilHours: 24, count: 200 })
const before = summarise(draws, 'dome').peak

/** Looks at a build of a jar, without error. */
function looks(vigour: number, hours: readonly number[]): Observation[] {
  const { curve } = simulate(vessel, { ...TYPICAL_JAR, vigour }, { untilHours: 48 })
  return hours.map((h) => ({ kind: 'level', hours: h, rise: 1 + gasAt(curve, h) }))
}
function after(seen: readonly Observation[], from: Draws = draws) {
  const { draws: corrected, logWeights } = correctDraws(from, seen)
  const best = Math.max(...logWeights)
  const weights = logWeights.map((log) => Math.exp(log - best))
  return { peak: summarise(corrected, 'dome', weights).peak, corrected, weights }
}

test('nothing seen, nothing corrected', () => {
  expect(correctDraws(draws, []).draws).toBe(draws)
})

test('looks at a slow build bring its peak near, and narrow it', () => {
  const slow = simulate(vessel, { ...TYPICAL_JAR, vigour: 0.75 }, { untilHours: 48 }).milestones.peakHours ?? 0
  const { peak } = after(looks(0.75, [3, 5, 7]))
  expect(Math.abs(peak.p50 - slow)).toBeLessThan(0.4 * Math.abs(before.p50 - slow))
  const spread = (of: typeof peak) => (of.p95 - of.p05) / of.p50
  expect(spread(peak)).toBeLessThan((2 / 3) * spread(before))
})

test('after many looks many draws still stand', () => {
  const { weights } = after(looks(1.2, [2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6]))
  const effective = weights.reduce((a, b) => a + b) ** 2 / weights.reduce((a, b) => a + b * b, 0)
  expect(effective).toBeGreaterThan(15)
})

test('fallen already, though nobody saw the top: it was before', () => {
  expect(after([{ kind: 'fallen', hours: before.p25 }]).peak.p50).toBeLessThan(before.p50)
  expect(after([{ kind: 'climbing', hours: before.p75 }]).peak.p50).toBeGreaterThan(before.p50)
})

test('a corrected level goes through what was seen', () => {
  const { corrected, weights } = after(looks(1.3, [3, 4, 5]))
  const seenGas = (looks(1.3, [5])[0] as { rise: number }).rise - 1
  expect(reaches(corrected, seenGas, weights).p50).toBeCloseTo(5, 0)
})

test('a level that is never reached is not within the time looked at', () => {
  expect(reaches(draws, 50).p50).toBe(Number.POSITIVE_INFINITY)
})
