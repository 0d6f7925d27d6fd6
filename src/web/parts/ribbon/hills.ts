import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { awaitsPot, type Bake, beliefIn, beliefOfBake, type Cultures, fitWindow, windowAt } from '../../../answers'
import type { Jar } from '../../../contract'
import {
  type BakeState,
  type BatchLine,
  contentsOf,
  type Forecast,
  gasAt,
  isAwaited,
  type JarParameters,
  type Milestones,
  mainKind,
  type School,
  type SolvedBake,
  simulate,
  type TimedBuild,
  vesselOf
} from '../../../core'
import { HILLS } from '../../../words/screens/parts-ribbon'
import type { Judged } from '../../data/forecasts'
import { familyOf } from '../jar/family'
import type { Hill, HillPoint } from './geometry'

/** A hill is drawn no longer than this, h. */
const LONGEST_HOURS = 96
/** How much of the fall is shown beyond the window, h. */
const TAIL_HOURS = 1.5

const familyOfLine = (line: BatchLine) => familyOf(mainKind(contentsOf(line).flours))

/** Starter that is used as it is has the jar's own hill. */
const isJar = ({ plan }: Bake) => plan.build.source === 'as it is'

function labelOf(bake: Bake, jars: readonly Jar[]): string {
  const jar = jars.find((j) => j.id === bake.plan.jarId)
  if (jar === undefined) return bake.plan.name
  return isJar(bake) ? jar.name : HILLS.levain(jar.name)
}

const markPoints = (marks: BakeState['marks']) => marks.flatMap((m) => (m.rise === undefined ? [] : [{ ms: m.atMs, gas: m.rise - 1 }]))

/**
 * The hill of a line as the model draws it, up to where its levain is used or past use.
 * @param closesMs when it was past use, where that is in the record; else the model tells
 */
function pointsOf(line: BatchLine, jar: JarParameters, startMs: number, mixAtMs: number, closesMs?: number): { points: HillPoint[]; milestones: Milestones } {
  const { curve, milestones } = simulate(vesselOf(line, jar), jar, { untilHours: LONGEST_HOURS, stopPastPeak: true })
  const hoursAt = (ms: number) => (ms - startMs) / millisecondsInHour
  const closesHours = closesMs === undefined ? milestones.closesHours : hoursAt(closesMs)
  const used = Math.max(closesHours ?? LONGEST_HOURS, hoursAt(mixAtMs)) + TAIL_HOURS
  const end = Math.min(milestones.collapsedHours ?? LONGEST_HOURS, used)
  const points: HillPoint[] = []
  for (let i = 0; i < curve.count; i++) {
    const hours = curve.hours[i] ?? NaN
    if (hours < end) points.push({ ms: startMs + hours * millisecondsInHour, gas: curve.gas[i] ?? NaN })
  }
  const lastHours = Math.min(end, curve.hours[curve.count - 1] ?? NaN)
  points.push({ ms: startMs + lastHours * millisecondsInHour, gas: gasAt(curve, lastHours) })
  return { points, milestones }
}

function bandOf(forecast: Forecast, startMs: number, untilMs: number): NonNullable<Hill['band']> {
  return forecast.gridHours
    .map((hours, i) => ({ ms: startMs + hours * millisecondsInHour, low: forecast.gas.p05[i] ?? NaN, high: forecast.gas.p95[i] ?? NaN }))
    .filter((b) => b.ms <= untilMs)
}

function fitOf(forecast: Forecast, startMs: number): NonNullable<Hill['fit']> {
  return forecast.gridHours.map((hours, i) => ({ ms: startMs + hours * millisecondsInHour, share: forecast.fit[i] ?? 0 }))
}

const movesOf = (line: BatchLine) => line.stays.slice(1).map((stay) => stay.fromMs)

/** A build as it would go, drawn over another's colours: what is seen while a hill is dragged. */
export function draggedHill(base: Hill, timed: TimedBuild, jar: JarParameters, mixAtMs: number, school: School, forecast?: Forecast): Hill {
  const { startMs, line, milestones } = timed
  const { points } = pointsOf(line, jar, startMs, mixAtMs)
  const endMs = points.at(-1)?.ms ?? startMs
  return {
    ...base,
    points,
    window: forecast === undefined || !isAwaited(school) ? windowAt(milestones, school, startMs) : fitWindow(forecast, startMs),
    held: true,
    band: forecast === undefined ? undefined : bandOf(forecast, startMs, endMs),
    fit: forecast === undefined || !isAwaited(school) ? undefined : fitOf(forecast, startMs),
    moves: movesOf(line),
    mixAtMs
  }
}

/** A planned build as a hill; its window is told once its forecast is there, so that no other one is told before. */
export function plannedHill(bake: Bake, solved: SolvedBake | null, { jars, beliefs }: Cultures, forecast?: Forecast): Hill | null {
  const timed = solved?.build?.asItStands
  if (timed === undefined) return null
  const base: Hill = { id: bake.id, label: labelOf(bake, jars), family: familyOfLine(timed.line), running: false, ofJar: isJar(bake), points: [], window: null }
  const { mixAt } = bake.plan
  // What comes out of another pot rises there; here the day begins with the mix.
  if (awaitsPot(bake.plan))
    return { ...base, label: bake.plan.name, risesElsewhere: true, points: [mixAt - millisecondsInMinute, mixAt].map((ms) => ({ ms, gas: 0 })), mixAtMs: mixAt }
  const hill = draggedHill(base, timed, beliefIn(beliefs, bake.plan.jarId).centre, mixAt, bake.plan.school, forecast)
  return forecast === undefined ? { ...hill, window: null } : hill
}

/** A running levain as a hill, as its marks have corrected it. */
export function runningHill({ bake, line, belief, verdict, told, marks }: Judged, { jars }: Cultures): Hill {
  const { forecast } = verdict
  const start = line.startedAtMs
  const grid = forecast.gridHours.map((hours, i) => ({ ms: start + hours * millisecondsInHour, gas: forecast.gas.p50[i] ?? NaN }))
  const fall = forecast.closes.p75 + TAIL_HOURS
  const endMs = start + (Number.isFinite(fall) ? fall : (forecast.gridHours.at(-1) ?? 0)) * millisecondsInHour
  return {
    id: bake.id,
    label: labelOf(bake, jars),
    family: familyOfLine(line),
    running: true,
    ofJar: isJar(bake),
    points: grid.filter((p) => p.ms <= endMs),
    was: marks.length === 0 ? undefined : pointsOf(line, belief.centre, start, endMs).points.filter((p) => p.ms <= endMs),
    band: bandOf(forecast, start, endMs),
    window: told.window,
    marks: verdict.marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ ms: start + hours * millisecondsInHour, gas: rise - 1 }])),
    fit: isAwaited(bake.plan.school) ? fitOf(forecast, start) : undefined,
    moves: movesOf(line),
    mixAtMs: bake.plan.mixAt
  }
}

/** The window that was told when a levain was mixed: later learning does not change the record. */
function toldWindow(bake: Bake, startMs: number): Hill['window'] {
  const event = bake.events.findLast((e) => e.type === 'mixed')
  const [opens, closes] = [event?.shown?.quantiles.opens[2], event?.shown?.quantiles.closes[2]]
  return typeof opens === 'number' && typeof closes === 'number'
    ? { fromMs: startMs + opens * millisecondsInHour, toMs: startMs + closes * millisecondsInHour }
    : null
}

/** What rose: of starter that was used as it is, the jar since its last feed. */
const rose = (bake: Bake, line: BatchLine): BatchLine => (isJar(bake) ? (line.parents[0]?.line ?? line) : line)

/** A levain that has been mixed, as the model draws it beside what was seen. */
export function recordHill(bake: Bake, levain: BatchLine, { jars, beliefs }: Cultures): Hill {
  const { marks, mixed } = bake.state
  const line = rose(bake, levain)
  const start = line.startedAtMs
  const told = toldWindow(bake, start)
  const { points, milestones } = pointsOf(line, beliefOfBake(bake, beliefs).centre, start, mixed?.atMs ?? start, told?.toMs)
  return {
    id: bake.id,
    label: labelOf(bake, jars),
    family: familyOfLine(line),
    running: true,
    ofJar: isJar(bake),
    points,
    window: (isAwaited(bake.plan.school) ? told : null) ?? windowAt(milestones, bake.plan.school, start),
    moves: movesOf(line),
    marks: markPoints(marks),
    mixAtMs: mixed?.atMs
  }
}
