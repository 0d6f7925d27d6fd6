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
const FORMATS = [
  'yyyy-MM-dd HH:mm:ss',
  'yyyy-MM-dd HH:mm',
  'dd.MM.yyyy HH:mm:ss',
  'dd.MM.yyyy HH:mm',
  'dd/MM/yyyy HH:mm',
  'dd/MM/yyyy HH:mm:ss',
  'MM/dd/yyyy hh:mm a'
] as const
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
  data.forEach((cells, i) => {
    const reading = readingIn(
      cells.map((cell) => cell.trim()),
      timeZone,
      named,
      fahrenheit
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
function readingIn(cells: readonly string[], timeZone: string, named: number, fahrenheit: boolean): TimedTemp | null {
  // Day and hour may stand in two columns.
  const whens = cells.flatMap((cell, i) => [
    { text: cell, last: i },
    { text: `${cell} ${cells[i + 1] ?? ''}`, last: i + 1 }
  ])
  for (const { text, last } of whens) {
    const ms = instantOf(text, timeZone)
    if (ms === null) continue
    const order = [named, ...cells.map((_, i) => i).filter((i) => i > last), ...cells.map((_, i) => i).filter((i) => i < last - 1)]
    const tempC = order.map((i) => temperatureOf(cells[i] ?? '', fahrenheit)).find((t) => t !== null)
    if (tempC !== undefined && tempC !== null) return { ms, tempC }
  }
  return null
}

/** An instant as logs write it; without a zone it is the kitchen's own time. @returns ms, null where it is none */
export function instantOf(text: string, timeZone: string): number | null {
  if (/^\d{4}-\d{2}-\d{2}T.*(Z|[+-]\d{2}:?\d{2})$/i.test(text)) {
    const date = parseISO(text)
    return isValid(date) ? date.getTime() : null
  }
  const plain = text.replace('T', ' ')
  if (!/\d{1,2}:\d{2}/.test(plain)) return null
  for (const format of FORMATS) {
    const date = parse(plain, format, new TZDate(0, timeZone))
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
