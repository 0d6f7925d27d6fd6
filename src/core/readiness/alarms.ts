import { millisecondsInHour } from 'date-fns/constants'
import type { Forecast, HourRange } from '../ferment/forecast'
import type { Verdict } from './verdict'

/** How often a baker is ready to be told too late, of a hundred times. */
export const LATE_RISKS = [5, 25, 50] as const
export type LateRisk = (typeof LATE_RISKS)[number]

/** A word about the window of a levain. */
export interface WindowAlarm {
  readonly kind: 'opens soon' | 'opens' | 'closes soon'
  /** Hours since mixing. */
  readonly atHours: number
}

/** Told so long before, h. */
export const SOON_HOURS = 0.5

const quantile = (range: HourRange, risk: LateRisk) => (risk === 5 ? range.p05 : risk === 25 ? range.p25 : range.p50)

/**
 * When to say that a window is half an hour away, opens, and is about to close, so that it is said too late no more often than was chosen.
 * @param forecast as the looks have corrected it: with every look they are timed anew
 * @returns in the order of time; none for a levain that is not expected to get ripe
 * @example windowAlarms({ opens: { p25: 6, … }, closes: { p25: 9, … } }, 25) // 5.5 h, 6 h, 8.5 h
 */
export function windowAlarms({ opens, closes }: Pick<Forecast, 'opens' | 'closes'>, risk: LateRisk): WindowAlarm[] {
  const from = quantile(opens, risk)
  if (!Number.isFinite(from)) return []
  // Where little is known the window may seem to close before it opens: then it is told as it opens.
  const closing = Math.max(quantile(closes, risk) - SOON_HOURS, from)
  return [
    { kind: 'opens soon', atHours: from - SOON_HOURS },
    { kind: 'opens', atHours: from },
    ...(Number.isFinite(closing) ? [{ kind: 'closes soon', atHours: closing } as const] : [])
  ]
}

/** Which risk is taken where nobody has chosen. */
export const USUAL_RISK: LateRisk = 25

const CALLED: ReadonlySet<Verdict['advice']['kind']> = new Set(['wait', 'look', 'mix now', 'held'])

/**
 * The words about the window of a running levain, by the clock.
 * @param startedAtMs when it was mixed
 * @returns in the order of time; none where its forecast does not hold, where it is past, or where a level does not fit
 */
export function alarmsByClock(
  { holds, advice, forecast }: Verdict,
  startedAtMs: number,
  risk: LateRisk
): { readonly kind: WindowAlarm['kind']; readonly atMs: number }[] {
  if (!holds || !CALLED.has(advice.kind) || (advice.kind === 'look' && advice.why === 'may be past')) return []
  return windowAlarms(forecast, risk).map(({ kind, atHours }) => ({ kind, atMs: startedAtMs + atHours * millisecondsInHour }))
}
