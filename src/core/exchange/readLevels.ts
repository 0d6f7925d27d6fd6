import { millisecondsInHour } from 'date-fns/constants'
import { ok, problem, type Result } from '../units/result'
import { sure } from '../units/sure'
import { instantOf, type KnownHours, linesOf, saysFahrenheit, type TimedTemp, temperatureOf } from './readReadings'

/** What a column of a log may hold. */
export const LEVEL_COLUMNS = ['time', 'hours since mixing', 'minutes since mixing', 'height', 'rise', 'temperature', 'nothing'] as const
export type LevelColumn = (typeof LEVEL_COLUMNS)[number]

/** A log as it lies there: its cells, and what its columns seem to be. */
export interface LevelLog {
  /** Name of each column; its number where it has none. */
  readonly names: readonly string[]
  readonly columns: readonly LevelColumn[]
  readonly rows: readonly (readonly string[])[]
}

/** A level at an instant. */
export interface TimedLevel {
  readonly ms: number
  /** Height ÷ height at the band. */
  readonly rise: number
  /** Temperature read with it, °C. */
  readonly tempC: number | null
}

export type LevelsProblem = 'no time' | 'no level' | 'no band' | 'no readings'

const numberOf = (cell: string): number | null => {
  const match = /^\s*[×x*]?\s*(-?\d+(?:[.,]\d+)?)\s*[^\d]*$/i.exec(cell)
  return match === null ? null : Number((match[1] ?? '').replace(',', '.'))
}
/** A level no jar ever reached. */
const HIGHEST_RISE = 8

/**
 * Looks a log over: what its columns seem to be, by their names and by what is in them. To be confirmed by who pasted it.
 * @param text one line each; comma, semicolon or tab between the cells
 */
export function lookOver(text: string, timeZone: string): LevelLog {
  const lines = linesOf(text).map((cells) => cells.map((cell) => cell.trim()))
  const head = lines[0] ?? []
  const isHead = head.length > 0 && head.every((cell) => numberOf(cell) === null && instantOf(cell, timeZone) === null)
  const rows = isHead ? lines.slice(1) : lines
  const width = Math.max(0, ...lines.map((l) => l.length))
  const named = Array.from({ length: width }, (_, i) => (isHead ? (head[i] ?? '') : '') || `column ${i + 1}`)
  // Two columns of one name are told apart.
  const names = named.map((name, i) => (named.indexOf(name) === i ? name : `${name} (${i + 1})`))
  const columns: LevelColumn[] = []
  for (let i = 0; i < width; i++) {
    const guess = guessColumn(sure(names[i]), rows.map((r) => r[i] ?? '').slice(0, 50), timeZone)
    // Each thing is in one column only.
    columns.push(guess !== 'nothing' && columns.includes(guess) ? 'nothing' : guess)
  }
  return { names, columns, rows }
}

function guessColumn(name: string, cells: readonly string[], timeZone: string): LevelColumn {
  const filled = cells.filter((cell) => cell !== '')
  if (filled.length === 0) return 'nothing'
  if (filled.filter((cell) => instantOf(cell, timeZone) !== null).length > filled.length / 2) return 'time'
  const numbers = filled.flatMap((cell) => numberOf(cell) ?? [])
  if (numbers.length < filled.length / 2) return 'nothing'
  if (/temp|°|celsius/i.test(name)) return 'temperature'
  if (/\bmin/i.test(name)) return 'minutes since mixing'
  if (/hour|elapsed|\bh\b/i.test(name) && !/height/i.test(name)) return 'hours since mixing'
  if (/mm|cm|height|level/i.test(name)) return 'height'
  if (/rise|×|ratio|growth/i.test(name)) return 'rise'
  const most = Math.max(...numbers)
  return most <= HIGHEST_RISE ? 'rise' : most <= 45 && Math.min(...numbers) > 5 ? 'temperature' : 'height'
}

/**
 * Reads the levels of a log.
 * @param startMs when it was mixed, ms
 * @param bandHeight height at the band in the unit of the log; null: the first height that is read
 * @returns in the order of time; lines that say nothing are left out
 */
export function readLevels(
  { rows, names }: LevelLog,
  columns: readonly LevelColumn[],
  timeZone: string,
  startMs: number,
  bandHeight: number | null
): Result<readonly TimedLevel[], LevelsProblem> {
  const at = (what: LevelColumn) => columns.indexOf(what)
  const [time, hours, minutes, height, rise, temp] = LEVEL_COLUMNS.slice(0, 6).map(at) as [number, number, number, number, number, number]
  if (time < 0 && hours < 0 && minutes < 0) return problem('no time')
  if (height < 0 && rise < 0) return problem('no level')
  const figure = (row: readonly string[], i: number) => (i < 0 ? null : numberOf(row[i] ?? ''))
  const first = rows.map((row) => figure(row, height)).find((h) => h !== null && h > 0)
  const band = bandHeight ?? first ?? null
  if (rise < 0 && (band === null || !(band > 0))) return problem('no band')
  const found = new Map<number, TimedLevel>()
  const known: KnownHours = new Map()
  for (const row of rows) {
    const h = figure(row, hours)
    const m = figure(row, minutes)
    const ms =
      time >= 0 ? instantOf(row[time] ?? '', timeZone, known) : h !== null ? startMs + h * millisecondsInHour : m !== null ? startMs + m * 60_000 : null
    const mm = figure(row, height)
    const level = rise >= 0 ? figure(row, rise) : mm === null ? null : mm / (band as number)
    if (ms === null || level === null || level < 0.5 || level > HIGHEST_RISE) continue
    found.set(ms, { ms, rise: level, tempC: temperatureOf(row[temp] ?? '', saysFahrenheit(names[temp] ?? '')) })
  }
  return found.size === 0 ? problem('no readings') : ok([...found.values()].sort((a, b) => a.ms - b.ms))
}

/** Temperatures nearer to one another than this are one, K; and so many changes are told at most. */
const STEP_K = 1.5
const MOST_STEPS = 8

/**
 * The temperatures of a log as few steps: each holds from its instant on.
 * @example tempSteps([{ ms: 0, tempC: 22 }, { ms: 600_000, tempC: 22.4 }, { ms: 1_200_000, tempC: 27 }]) // 22.2 °C from 0, 27 °C from 20 min
 */
export function tempSteps(levels: readonly Pick<TimedLevel, 'ms' | 'tempC'>[], stepK = STEP_K): TimedTemp[] {
  const steps: { ms: number; sum: number; readings: number }[] = []
  for (const { ms, tempC } of levels) {
    if (tempC === null) continue
    const last = steps.at(-1)
    if (last !== undefined && Math.abs(tempC - last.sum / last.readings) <= stepK) {
      last.sum += tempC
      last.readings++
    } else steps.push({ ms, sum: tempC, readings: 1 })
  }
  if (steps.length > MOST_STEPS) return tempSteps(levels, 1.5 * stepK)
  return steps.map(({ ms, sum, readings }) => ({ ms, tempC: Math.round((10 * sum) / readings) / 10 }))
}

/** At most so many of them, spread evenly over the time; the first and the last among them. */
export function thinned<T>(levels: readonly T[], most: number): T[] {
  if (levels.length <= most) return [...levels]
  return Array.from({ length: most }, (_, i) => sure(levels[Math.round((i * (levels.length - 1)) / (most - 1))]))
}
