import type { Verdict } from '../readiness/verdict'
import { type StepFacts, stepsOf } from './steps'

const HOUR = 3_600_000
const now = Date.UTC(2026, 10, 27, 8)
const awake = (ms: number) => ms
const facts = (more: Partial<StepFacts>): StepFacts => ({
  status: 'planned',
  mixAtMs: now + 20 * HOUR,
  startMs: now + 11 * HOUR,
  before: [],
  chillsMs: [],
  running: null,
  mixedMs: null,
  dough: null,
  deeds: new Map(),
  awake,
  bedtime: awake,
  ...more
})

const range = (p50: number) => ({ p05: p50 - 1, p25: p50 - 0.5, p50, p75: p50 + 0.5, p95: p50 + 1 })
function verdict(advice: Verdict['advice']): Verdict {
  return {
    phase: 'climbing',
    probability: 0.8,
    phases: { lag: 0, climbing: 0.8, young: 0.2, peak: 0, easing: 0, collapsed: 0 },
    fitNow: 0,
    forecast: {
      gridHours: [0, 1],
      gas: { p05: [0, 0], p25: [0, 0], p50: [0, 0], p75: [0, 0], p95: [0, 0] },
      opens: range(7),
      peak: range(8),
      closes: range(10),
      fit: [0, 0]
    },
    advice
  }
}
const ripening = (advice: Verdict['advice'], more: Partial<StepFacts> = {}) =>
  stepsOf(facts({ status: 'ripening', running: { bandMs: now - 5 * HOUR, verdict: verdict(advice) }, ...more }), now)

test('planned: build, then mix', () => {
  expect(stepsOf(facts({}), now)).toEqual([
    { id: 'build', kind: 'build', atMs: now + 11 * HOUR, untilMs: null, minutes: 10 },
    { id: 'mix', kind: 'mix', atMs: now + 20 * HOUR, untilMs: null, minutes: 15 }
  ])
})

test('a plan that cannot be still has its mix', () => {
  expect(stepsOf(facts({ startMs: null }), now).map((s) => s.kind)).toEqual(['mix'])
})

test('half weighed: go on now, the mix is still to come', () => {
  expect(stepsOf(facts({ status: 'building' }), now)).toEqual([
    { id: 'finish weighing', kind: 'finish weighing', atMs: now, untilMs: null, minutes: 0 },
    { id: 'mix', kind: 'mix', atMs: now + 20 * HOUR, untilMs: null, minutes: 15 }
  ])
})

test('climbing: look, then mix while the window is open', () => {
  const steps = ripening({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 })
  expect(steps[0]).toEqual({ id: 'look', kind: 'look', atMs: now + 1.5 * HOUR, untilMs: now + 2 * HOUR, minutes: 0 })
  expect(steps[1]).toEqual({ id: 'mix', kind: 'mix', atMs: now + 2 * HOUR, untilMs: now + 5 * HOUR, minutes: 15 })
})

test('nobody is sent to look at night', () => {
  const morning = now + 9 * HOUR
  const steps = ripening({ kind: 'wait', opensHours: 7, lookAgainHours: 6.5 }, { awake: () => morning })
  expect(steps[0]?.atMs).toBe(morning)
})

test('ripe: mix now, not at the time once planned', () => {
  expect(ripening({ kind: 'mix now', closesHours: 10 })[0]).toEqual({ id: 'mix', kind: 'mix', atMs: now, untilMs: now + 5 * HOUR, minutes: 15 })
})

test('collapsed: feed again; mixed: nothing more', () => {
  expect(ripening({ kind: 'feed again' }).map((s) => s.kind)).toEqual(['feed again'])
  expect(stepsOf(facts({ status: 'mixed' }), now)).toEqual([])
})
