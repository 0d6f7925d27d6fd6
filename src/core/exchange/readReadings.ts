import { TZDate } from '@date-fns/tz'
import { isValid, parse, parseISO } from 'date-fns'
import Papa from 'papaparse'
import { ok, problem, type Result } from '../units/result'

/** A measured temperature at an instant. */
export interface TimedTemp {
  readonly ms: number
  readonly tempC: number
}

/** Readings that were found, and lines that said nothing. */
export interface ReadReadings {
  /** In the order of time, one for each instant. */
  readonly readings: readonly TimedTemp[]
  /** Lines of the text, from 1, that could not be read. */
  readonly skipped: readonly number[]
}

export type ReadingsProblem = 'no readings'

/** A thermometer in a kitchen shows no more and no less, °C. */
const POSSIBLE_C = [-30, 120] as const
/** How a full hour may be written. */
const FORMATS = ['yyyy-MM-dd HH:mm', 'dd.MM.yyyy HH:mm', 'dd/MM/yyyy HH:mm', 'MM/dd/yyyy hh:mm a'] as const
const MOST_LINES = 200_000

/**
 * Reads a log of temperatures: one line each, an instant and a temperature, with or without a line of names; comma, semicolon or tab between them; decimal point or comma.
 * A column named for °F (or values that say so) is turned into °C. Instants without a zone are the kitchen's own time.
 * @returns `no readings` when no line has both
 * @example readReadings("time,temp\n2026-11-24 20:00,21.5", 'Europe/Lisbon')
 */
export function readReadings(text: string, timeZone: string): Result<ReadReadings, ReadingsProblem> {
  const data = linesOf(text)
  const head = data[0] ?? []
  const fahrenheit = saysFahrenheit(head.join(' '))
  const named = head.findIndex((cell) => /temp|°|celsius|fahrenheit|room|air/i.test(cell))
  const found = new Map<number, number>()
  const skipped: number[] = []
  const known: KnownHours = new Map()
  data.forEach((cells, i) => {
    const reading = readingIn(
      cells.map((cell) => cell.trim()),
      timeZone,
      named,
      fahrenheit,
      known
    )
    if (reading !== null) found.set(reading.ms, reading.tempC)
    else if (i > 0) skipped.push(i + 1)
  })
  const readings = [...found].map(([ms, tempC]) => ({ ms, tempC })).sort((a, b) => a.ms - b.ms)
  return readings.length === 0 ? problem('no readings') : ok({ readings, skipped })
}

/** The cells of a log: comma, semicolon or tab between them. */
export function linesOf(text: string): string[][] {
  const delimiter = [';', '\t'].find((d) => text.includes(d)) ?? ','
  return Papa.parse<string[]>(text.trim(), { delimiter, preview: MOST_LINES }).data
}

/** The first cell that is an instant, and a temperature: in the column named for it, else the first one after the instant, else any. */
function readingIn(cells: readonly string[], timeZone: string, named: number, fahrenheit: boolean, known: KnownHours): TimedTemp | null {
  // Day and hour may stand in two columns.
  const whens = cells.flatMap((cell, i) => [
    { text: cell, last: i },
    { text: `${cell} ${cells[i + 1] ?? ''}`, last: i + 1 }
  ])
  for (const { text, last } of whens) {
    const ms = instantOf(text, timeZone, known)
    if (ms === null) continue
    const order = [named, ...cells.map((_, i) => i).filter((i) => i > last), ...cells.map((_, i) => i).filter((i) => i < last - 1)]
    const tempC = order.map((i) => temperatureOf(cells[i] ?? '', fahrenheit)).find((t) => t !== null)
    if (tempC !== undefined && tempC !== null) return { ms, tempC }
  }
  return null
}

/** Full hours that were read already, by their text: finding one takes a thousand times longer than adding its minutes. */
export type KnownHours = Map<string, number | null>

/**
 * An instant as logs write it; without a zone it is the kitchen's own time.
 * @param known hours of this log; clocks are set at full hours, so the minutes of one only have to be added
 * @returns ms, null where it is none
 */
export function instantOf(text: string, timeZone: string, known: KnownHours = new Map()): number | null {
  if (/^\d{4}-\d{2}-\d{2}T.*(Z|[+-]\d{2}:?\d{2})$/i.test(text)) {
    const date = parseISO(text)
    return isValid(date) ? date.getTime() : null
  }
  const [, hour, minutes, seconds = '0', rest] = /^(.*?\d{1,2}):([0-5]\d)(?::([0-5]\d)(?:\.\d+)?)?( ?[ap]m)?$/i.exec(text.replace('T', ' ').trim()) ?? []
  if (hour === undefined) return null
  const key = `${hour}:00${rest ?? ''}`
  const there = known.get(key)
  const hourMs = there === undefined ? hourOf(key, timeZone) : there
  known.set(key, hourMs)
  return hourMs === null ? null : hourMs + (Number(minutes) * 60 + Number(seconds)) * 1000
}

function hourOf(text: string, timeZone: string): number | null {
  for (const format of FORMATS) {
    const date = parse(text, format, new TZDate(0, timeZone))
    if (isValid(date) && date.getFullYear() > 1999 && date.getFullYear() < 2200) return date.getTime()
  }
  return null
}

/** Whether the name of a column says °F. */
export const saysFahrenheit = (name: string) => /°?\bF\b|fahrenheit/i.test(name)

/** A temperature as logs write it. @returns °C; null where it is none a kitchen has */
export function temperatureOf(text: string, fahrenheit: boolean): number | null {
  const match = /^(-?\d+(?:[.,]\d+)?)\s*(°?\s*[CF])?$/i.exec(text)
  if (match === null) return null
  const value = Number((match[1] ?? '').replace(',', '.'))
  const inF = match[2] === undefined ? fahrenheit : /F/i.test(match[2])
  const tempC = inF ? ((value - 32) * 5) / 9 : value
  return tempC >= POSSIBLE_C[0] && tempC <= POSSIBLE_C[1] ? tempC : null
}
