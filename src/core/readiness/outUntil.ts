/** What becomes of a levain or a dough while nobody is at home: left where it stands, in a cooler place, or in the cold. */
import { millisecondsInHour } from 'date-fns/constants'
import { mainKind } from '../dough/blend'
import { type Forecast, toldFit } from '../ferment/forecast'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { firstHoursAt, gasAt, LEVELS } from '../ferment/milestones'
import { simulate } from '../ferment/simulate'
import { type BatchLine, contentsOf, vesselOf } from '../jars/lineage'
import { sure } from '../units/sure'
import type { OtherPlace } from './ways'

/** What one way comes to by the time somebody is back. */
export interface OutWay {
  /** Where it is put; null: it stays. */
  readonly place: OtherPlace | null
  readonly comes: 'not yet' | 'ready' | 'past'
  /** Probability that it is ready then; null for a dough. */
  readonly chance: number | null
  /** When it is ready, ms; null: not within the time looked at. For a dough: when its bulk or proof is where it is wanted. */
  readonly fromMs: number | null
  /** Until when, ms; null for a dough. */
  readonly untilMs: number | null
  /** Risen so far then, g; null for a levain. */
  readonly gas: number | null
}

const known = (hours: number, startMs: number) => (Number.isFinite(hours) ? startMs + hours * millisecondsInHour : null)

/** As it stands while nobody is there: moves that were planned meanwhile are not made. What stays where it is makes the last of them when somebody is back. */
function stayed(line: BatchLine, place: OtherPlace | null, nowMs: number, backMs: number): BatchLine {
  const before = line.stays.filter((s) => s.fromMs <= nowMs)
  const later = line.stays.filter((s) => s.fromMs >= backMs)
  const missed = line.stays.findLast((s) => s.fromMs > nowMs && s.fromMs < backMs)
  if (place !== null) return { ...line, stays: [...before, { fromMs: nowMs, ...place.standing }, ...later] }
  return { ...line, stays: [...before, ...(missed === undefined || later[0]?.fromMs === backMs ? [] : [{ ...missed, fromMs: backMs }]), ...later] }
}

/** Places so much colder than where it stands are worth carrying it to, K. */
const WORTH_CARRYING_K = 2

/** The place it stays in, and every one that is colder. */
export function outPlaces(line: BatchLine, nowMs: number, places: readonly OtherPlace[]): (OtherPlace | null)[] {
  const hereC = line.stays.findLast((s) => s.fromMs <= nowMs)?.tempC ?? line.mixTempC
  const cooler = places.filter(({ standing }) => standing.tempC <= hereC - WORTH_CARRYING_K)
  return [null, ...cooler.sort((a, b) => b.standing.tempC - a.standing.tempC)]
}

/**
 * A running levain until somebody is back.
 * @param backMs when that is
 * @param reforecast forecast of the same levain, standing elsewhere from now on, as the looks correct it
 */
export function levainOut(line: BatchLine, nowMs: number, backMs: number, places: readonly OtherPlace[], reforecast: (line: BatchLine) => Forecast): OutWay[] {
  const hours = (backMs - line.startedAtMs) / millisecondsInHour
  return outPlaces(line, nowMs, places).map((place): OutWay => {
    const forecast = reforecast(stayed(line, place, nowMs, backMs))
    const { opens, closes } = forecast
    const chance = toldFit(forecast, hours) ?? 0
    const comes = hours < opens.p50 ? 'not yet' : hours > closes.p50 ? 'past' : 'ready'
    return { place, comes, chance, fromMs: known(opens.p50, line.startedAtMs), untilMs: known(closes.p50, line.startedAtMs), gas: null }
  })
}

/** A dough may have risen by so much more than was wanted, as a share of it, and still be shaped or baked as usual. Source: craft knowledge. */
const STILL_GOOD = 1.35
/** A dough is followed no longer than this, h. */
const LONGEST_HOURS = 48

/**
 * A dough until somebody is back.
 * @param wantedGas how far it is to rise: at the end of its bulk; or of its proof, once it is shaped
 */
export function doughOut(
  dough: BatchLine,
  nowMs: number,
  backMs: number,
  wantedGas: number,
  places: readonly OtherPlace[],
  jar: JarParameters = TYPICAL_JAR
): OutWay[] {
  return outPlaces(dough, nowMs, places).map((place): OutWay => {
    const { curve } = simulate(vesselOf(stayed(dough, place, nowMs, backMs), jar), jar, { untilHours: LONGEST_HOURS })
    const hours = (backMs - dough.startedAtMs) / millisecondsInHour
    const gas = gasAt(curve, hours)
    const wanted = firstHoursAt(curve, wantedGas)
    const comes = wanted === null || hours < wanted ? 'not yet' : overproofedAt(curve, hours, wantedGas) ? 'past' : 'ready'
    return { place, comes, chance: null, fromMs: wanted === null ? null : known(wanted, dough.startedAtMs), untilMs: null, gas }
  })
}

/** Whether a dough has gone too far by then: risen by much more than was wanted, or fallen since. */
function overproofedAt(curve: Parameters<typeof gasAt>[0], hours: number, wantedGas: number): boolean {
  const most = firstHoursAt(curve, STILL_GOOD * wantedGas)
  if (most !== null) return hours > most
  const top = mostGas(curve, hours)
  return top >= wantedGas && gasAt(curve, hours) < LEVELS.collapsed * top
}

/** The highest it has stood by then, g. */
function mostGas(curve: Parameters<typeof gasAt>[0], hours: number): number {
  let top = 0
  for (let i = 0; i < curve.count && (curve.hours[i] ?? NaN) <= hours; i++) top = Math.max(top, curve.gas[i] ?? NaN)
  return top
}

/** What is left of a dough that has gone too far. */
export interface Overproofed {
  /** Risen so far, g; the most it had risen; and how far it was to rise. */
  readonly gas: number
  readonly mostGas: number
  readonly wantedGas: number
  /** Since when, ms. */
  readonly sinceMs: number
  /** How long it takes, knocked back and shaped anew, to rise for the oven once more, h; null: it does not. */
  readonly reshapeHours: number | null
  /** The same in a tin, which holds it up: a short rise is enough. */
  readonly tinHours: number | null
}

/** Growth after shaping that a loaf needs; in a tin less is enough, g. Source: craft knowledge. */
const AGAIN = { loaf: 0.35, tin: 0.2 } as const
/** Takes longer than this, it has no food left for it, h. */
const LONGEST_AGAIN_HOURS = 6

/** A dough that is knocked back and shaped anew: its gas is gone, and what lives in it goes on where it stands. */
export function knockedBack(dough: BatchLine, atMs: number): BatchLine {
  const { flours, flourGrams, waterGrams, hydration } = contentsOf(dough)
  const stay = sure(dough.stays.findLast((s) => s.fromMs <= atMs) ?? dough.stays[0])
  return {
    ...dough,
    startedAtMs: atMs,
    flours: {},
    waterGrams: 0,
    mixTempC: stay.tempC,
    stays: [{ ...stay, fromMs: atMs }, ...dough.stays.filter((s) => s.fromMs > atMs)],
    parents: [{ grams: flourGrams + waterGrams, hydration, flour: mainKind(flours), line: dough }]
  }
}

/** How far a loaf that was knocked back is to rise once more, g. */
export const AGAIN_GAS = AGAIN.loaf

/**
 * Whether a dough has gone too far, and what can still be made of it.
 * @param wantedGas how far it was to rise by now: in bulk, or with its proof once it is shaped
 * @returns null where it has not
 */
export function overproofed(dough: BatchLine, nowMs: number, wantedGas: number, jar: JarParameters = TYPICAL_JAR): Overproofed | null {
  const { curve } = simulate(vesselOf(dough, jar), jar, { untilHours: LONGEST_HOURS })
  const hours = (nowMs - dough.startedAtMs) / millisecondsInHour
  if (!overproofedAt(curve, hours, wantedGas)) return null
  // The next run writes over the curve of this one.
  const gas = gasAt(curve, hours)
  const most = mostGas(curve, hours)
  const since = firstHoursAt(curve, STILL_GOOD * wantedGas) ?? hours
  const rise = simulate(vesselOf(knockedBack(dough, nowMs), jar), jar, { untilHours: LONGEST_AGAIN_HOURS }).curve
  return {
    gas,
    mostGas: most,
    wantedGas,
    sinceMs: dough.startedAtMs + since * millisecondsInHour,
    reshapeHours: firstHoursAt(rise, AGAIN.loaf),
    tinHours: firstHoursAt(rise, AGAIN.tin)
  }
}
