import type { Verdict } from '../readiness/verdict'
import type { BakeStatus } from './foldBake'

/** Something a baker has to do, or may. */
export interface Step {
  readonly kind: 'build' | 'finish weighing' | 'look' | 'mix' | 'feed again'
  /** From when, ms. */
  readonly atMs: number
  /** Until when it does no harm to wait; null: no end known. */
  readonly untilMs: number | null
}

/** What the steps of a bake hang on. */
export interface StepFacts {
  readonly status: BakeStatus
  /** When the dough is to be mixed, ms. */
  readonly mixAtMs: number
  /** When the build is to begin, ms; null while the plan cannot be. */
  readonly startMs: number | null
  /** Running levain: when its band was set, and its verdict once it is reckoned. */
  readonly running: { readonly bandMs: number; readonly verdict: Verdict | null } | null
  /** Moves a moment that falls in the night to when the baker is up. */
  readonly awake: (ms: number) => number
}

const MS_PER_HOUR = 3_600_000

/**
 * The steps of one bake from now on, in the order of time.
 * @param facts where the bake stands
 * @param nowMs the time now, ms
 */
export function stepsOf(facts: StepFacts, nowMs: number): Step[] {
  const { status, mixAtMs, startMs, running, awake } = facts
  if (status === 'mixed') return []
  if (status === 'planned')
    return [...(startMs === null ? [] : [{ kind: 'build' as const, atMs: startMs, untilMs: null }]), { kind: 'mix', atMs: mixAtMs, untilMs: null }]
  if (status === 'building') return [{ kind: 'finish weighing', atMs: nowMs, untilMs: null }]
  if (running === null || running.verdict === null) return [{ kind: 'mix', atMs: mixAtMs, untilMs: null }]
  const at = (hours: number) => running.bandMs + hours * MS_PER_HOUR
  const { advice, forecast } = running.verdict
  const closes = Number.isFinite(forecast.closes.p50) ? at(forecast.closes.p50) : null
  switch (advice.kind) {
    case 'mix now':
    case 'mix soon':
      return [{ kind: 'mix', atMs: Math.min(nowMs, at(forecast.opens.p50)), untilMs: closes }]
    case 'feed again':
      return [{ kind: 'feed again', atMs: nowMs, untilMs: null }]
    case 'not rising':
      return [{ kind: 'look', atMs: awake(at(advice.lookAgainHours)), untilMs: null }]
    case 'wait':
      return [
        { kind: 'look', atMs: awake(at(advice.lookAgainHours)), untilMs: at(advice.opensHours) },
        { kind: 'mix', atMs: at(advice.opensHours), untilMs: closes }
      ]
  }
}
