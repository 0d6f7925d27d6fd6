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
  const corrected = correctDraws(from, seen)
  return { peak: summarise(corrected, 'dome').peak, corrected }
}

test('nothing seen, nothing corrected', () => {
  expect(correctDraws(draws, [])).toBe(draws)
})

test('looks at a slow build bring its peak near, and narrow it', () => {
  const slow = simulate(vessel, { ...TYPICAL_JAR, vigour: 0.75 }, { untilHours: 48 }).milestones.peakHours ?? 0
  const { peak } = after(looks(0.75, [3, 5, 7]))
  expect(Math.abs(peak.p50 - slow)).toBeLessThan(0.4 * Math.abs(before.p50 - slow))
  const spread = (of: typeof peak) => (of.p95 - of.p05) / of.p50
  expect(spread(peak)).toBeLessThan((2 / 3) * spread(before))
})

test('after many looks many ways still stand', () => {
  const { corrected } = after(looks(1.2, [2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6]))
  expect(corrected.milestones).toHaveLength(200)
  expect(new Set(corrected.milestones.map((m) => m.peakHours)).size).toBeGreaterThan(30)
})

test('levels past the top tell the pace of the fall, and the top is where the others had it', () => {
  const { peak, gas } = { peak: before.p50, gas: summarise(draws, 'dome').gas.p50 }
  const top = 1 + Math.max(...gas)
  const climbed: Observation[] = [{ kind: 'level', hours: peak, rise: top }]
  const fell = (share: number): Observation => ({ kind: 'level', hours: peak + 2, rise: 1 + share * (top - 1) })
  const closes = (seen: readonly Observation[]) => {
    const { corrected } = after(seen)
    const { peak: at, closes: end } = summarise(corrected, 'dome')
    return end.p50 - at.p50
  }
  expect(closes([...climbed, fell(0.65)])).toBeLessThan(0.8 * closes([...climbed, fell(0.93)]))
})

test('a sign goes with some ways and not with others', () => {
  const pastAtNine = { hours: 9, logOf: ({ peakHours }: { peakHours: number | null }) => ((peakHours ?? 99) < 9 ? 0 : -3) }
  expect(summarise(correctDraws(draws, [], [pastAtNine]), 'dome').peak.p75).toBeLessThan(before.p75)
})

test('fallen already, though nobody saw the top: it was before', () => {
  expect(after([{ kind: 'fallen', hours: before.p25 }]).peak.p50).toBeLessThan(before.p50)
  expect(after([{ kind: 'climbing', hours: before.p75 }]).peak.p50).toBeGreaterThan(before.p50)
})

test('a corrected level goes through what was seen', () => {
  const { corrected } = after(looks(1.3, [3, 4, 5]))
  const seenGas = (looks(1.3, [5])[0] as { rise: number }).rise - 1
  expect(reaches(corrected, seenGas).p50).toBeCloseTo(5, 0)
})

test('a level that is never reached is not within the time looked at', () => {
  expect(reaches(draws, 50).p50).toBe(Number.POSITIVE_INFINITY)
})
