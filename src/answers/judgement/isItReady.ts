import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import {
  type BatchLine,
  chilledSince,
  type Draws,
  drawForecast,
  type Forecast,
  HOLD,
  holdHours,
  horizonHours,
  isAwaited,
  type JarBelief,
  judge,
  levelOf,
  type Mark,
  type Milestones,
  mannerOf,
  readAs,
  type School,
  type ShownAge,
  simulate,
  summarise,
  toldFit,
  type Verdict,
  vesselOf,
  windowOf
} from '../../core'
import type { Bake } from '../fromWire'

/** A levain is followed no longer than this, h. */
export const LOOK_HOURS = 240
/** Draws of the builds asked for last are kept: judging again costs no new ones. */
const KEPT_DRAWS = 12

const kept = new Map<string, Draws>()

/** A forecast of a batch in draws, by what was mixed and what is believed of its jar. */
export function drawsOf(line: BatchLine, belief: JarBelief): Draws {
  const key = JSON.stringify([line, belief])
  const there = kept.get(key)
  if (there !== undefined) return there
  const draws = drawn(line, belief)
  if (kept.size >= KEPT_DRAWS) kept.delete(kept.keys().next().value ?? '')
  kept.set(key, draws)
  return draws
}

/** The same without a look at what is kept, for batches that are asked about once. */
export function drawn(line: BatchLine, belief: JarBelief): Draws {
  const vessel = vesselOf(line, belief.centre)
  const { milestones } = simulate(vessel, belief.centre, { untilHours: LOOK_HOURS, stopPastPeak: true })
  return drawForecast(vessel, belief, { untilHours: horizonHours(milestones) })
}

/** What is to be expected of a levain that is planned. */
export const whatToExpect = (line: BatchLine, school: School, belief: JarBelief): Forecast => summarise(drawsOf(line, belief), school)

/** How likely a levain is ready at a moment, by its forecast; null beyond what it tells. */
export const chanceAt = (forecast: Pick<Forecast, 'gridHours' | 'fit'>, startMs: number, atMs: number): number | null =>
  toldFit(forecast, (atMs - startMs) / millisecondsInHour)

/** When a levain is fit to mix, as every face tells it, ms; null while it is not known to get there, or to end. */
export function fitWindow({ opens, closes }: Pick<Forecast, 'opens' | 'closes'>, startMs: number): { readonly fromMs: number; readonly toMs: number } | null {
  return Number.isFinite(opens.p50) && Number.isFinite(closes.p50)
    ? { fromMs: startMs + opens.p50 * millisecondsInHour, toMs: startMs + closes.p50 * millisecondsInHour }
    : null
}

/** The window of a levain as the model alone has it, on the clock; null where nobody waits for one, or it never gets there. */
export function windowAt(milestones: Milestones, school: School, startMs: number): { readonly fromMs: number; readonly toMs: number } | null {
  if (!isAwaited(school)) return null
  const { opensHours, closesHours } = windowOf(milestones, school)
  return opensHours === null || closesHours === null
    ? null
    : { fromMs: startMs + opensHours * millisecondsInHour, toMs: startMs + closesHours * millisecondsInHour }
}

/** A levain on its way, or a jar that is used as it is, with what was seen of it. */
export interface ReadyQuestion {
  /** As it was mixed. */
  readonly line: BatchLine
  readonly marks: readonly Mark[]
  /** When it is asked, h since mixing. */
  readonly hours: number
  readonly school: School
  /** What is believed of its jar. */
  readonly belief: JarBelief
}

/** Whole minutes: whoever asks within the same one gets the same answer. */
export const minuteOf = (ms: number) => Math.floor(ms / millisecondsInMinute) * millisecondsInMinute

/** What is asked of a bake's levain at a moment; null where none is on its way. */
export function readyQuestion(bake: Bake, belief: JarBelief, nowMs: number): ReadyQuestion | null {
  const { line, plan, state } = bake
  if (line === null || state.band === null || state.mixed !== null || plan.build.source === 'as it is') return null
  const hoursAt = (ms: number) => Math.max((ms - line.startedAtMs) / millisecondsInHour, 0)
  const marks = state.marks.map((m) => ({ hours: hoursAt(m.atMs), rise: m.rise, signs: m.signs, explained: m.explained }))
  return { line, marks, hours: hoursAt(minuteOf(nowMs)), school: plan.school, belief }
}

/**
 * Is it ready to mix: phase, window, and what to do.
 * @param draw draws the forecast of a batch
 */
export function isItReady(question: ReadyQuestion, draw: (line: BatchLine, belief: JarBelief) => Draws = drawsOf): Verdict {
  const { line, marks, hours, school, belief } = question
  const verdict = judge(draw(line, belief), marks, hours, school, mannerOf(line))
  const cold = chilledSince(line, hours)
  if (cold === null) return verdict
  return heldInTheCold(question, cold, verdict, draw) ?? { ...verdict, forecast: keptAtMost(verdict.forecast, cold.hours) }
}

/** A forecast of a levain that gets ready in the cold: it keeps no longer there than one that was chilled as it became ready. */
function keptAtMost(forecast: Forecast, chilledHours: number): Forecast {
  const { opens, closes, gridHours, fit } = forecast
  const until = Math.max(opens.p50, chilledHours) + HOLD.mostHours
  const { p05, p25, p50, p75, p95 } = closes
  const at = (hours: number) => Math.min(hours, until)
  return {
    ...forecast,
    closes: { p05: at(p05), p25: at(p25), p50: at(p50), p75: at(p75), p95: at(p95) },
    fit: fit.map((share, i) => ((gridHours[i] ?? 0) > until ? 0 : share))
  }
}

/** The verdict on a levain that was chilled while it was ready: it is judged by how it was then, and by how long it keeps; null where it is not held. */
function heldInTheCold(
  { line, marks, hours, school, belief }: ReadyQuestion,
  cold: NonNullable<ReturnType<typeof chilledSince>>,
  now: Verdict,
  draw: (line: BatchLine, belief: JarBelief) => Draws
): Verdict | null {
  if (marks.some((m) => m.hours > cold.hours && m.signs?.top === 'sunken')) return null
  const seen = marks.filter((m) => m.hours <= cold.hours)
  const then = judge(draw({ ...line, stays: cold.stays }, belief), seen, cold.hours, school, mannerOf(line))
  if (then.advice.kind !== 'mix now' && !(then.advice.kind === 'look' && then.advice.why === 'should be ready')) return null
  const { opens, peak } = then.forecast
  const untilHours = cold.hours + holdHours(cold.hours, { opens: opens.p50, closes: then.forecast.closes.p50 })
  const closes = { p05: untilHours, p25: untilHours, p50: untilHours, p75: untilHours, p95: untilHours }
  const fit = now.forecast.gridHours.map((h) => (h <= cold.hours ? (toldFit(then.forecast, h) ?? 0) : h <= untilHours ? then.fitNow : 0))
  const { phase, phases, probability, fitNow } = then
  return {
    ...now,
    phase,
    phases,
    probability,
    fitNow: hours <= untilHours ? fitNow : 0,
    holds: true,
    forecast: { ...now.forecast, opens, peak, closes, fit },
    advice: hours <= untilHours ? { kind: 'held', untilHours, seen: then.advice.kind === 'mix now' } : { kind: 'past', how: 'past its best' }
  }
}

/** The level to be read in the jar at a time, by the forecast: height ÷ height at the band. */
export const levelToRead = ({ forecast, reads }: Pick<Verdict, 'forecast' | 'reads'>, hours: number) => readAs(levelOf(forecast, Math.max(hours, 0)), reads)

/** What the looks have shown of a levain's age; null while nobody has looked. */
export function shownAge({ line, marks, hours }: Pick<ReadyQuestion, 'line' | 'marks' | 'hours'>, { forecast, holds, phase }: Verdict): ShownAge | null {
  return marks.length === 0 ? null : { peakHours: forecast.peak.p50, phase: holds ? null : phase, seenMs: line.startedAtMs + hours * millisecondsInHour }
}
