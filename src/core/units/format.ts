import { millisecondsInDay } from 'date-fns/constants'
import { GRAMS_PER_OUNCE } from './mass'
import { sure } from './sure'

/** How this kitchen wants its figures. */
export interface UnitChoice {
  readonly mass: 'g' | 'oz'
  readonly temperature: '°C' | '°F'
  readonly clock: '24 h' | '12 h'
  /** IANA name; decides what 07:00 means. */
  readonly timeZone: string
  /** ISO 4217. */
  readonly currency?: string
}

const FAHRENHEIT_PER_KELVIN = 1.8
/** From so many days on a weekday alone could be mistaken for another one. */
const WEEKDAY_DAYS = 6

/** Figures as words. Masses are g, temperatures °C, shares fractions, instants ms, durations hours. */
export interface Format {
  readonly choice: UnitChoice
  /** "750 g"; `resolution` is the scale it is weighed on. */
  mass(grams: number, resolution?: number): string
  /** The figure of `mass` without its unit. */
  massFigure(grams: number, resolution?: number): string
  temperature(tempC: number, digits?: number): string
  /** A difference of temperatures, K, as whole degrees. */
  temperatureGap(kelvin: number): string
  percent(share: number, digits?: number): string
  rise(rise: number): string
  /** What was gained, g, to five points: "+35 %". */
  growth(gas: number): string
  /** "08:25" */
  time(ms: number): string
  /** "Sat 08:25"; six days away or more "Sat 28 Nov 08:25", in another year with that. */
  dayTime(ms: number): string
  /** "Sat 28 Nov", in another year with that. */
  date(ms: number): string
  /** "Saturday" */
  weekday(ms: number): string
  /** "November" */
  month(ms: number): string
  /** "€3.20" */
  money(amount: number): string
  /** "2 h 43 min" */
  duration(hours: number): string
}

const NARROW = ' '

export function celsiusToFahrenheit(tempC: number): number {
  return (tempC * 9) / 5 + 32
}

export function fahrenheitToCelsius(tempF: number): number {
  return ((tempF - 32) * 5) / 9
}

/**
 * The one place where figures become words.
 * @param choice units and zone of the kitchen
 * @param now the time now, ms: what is further away is told with its date; without it, nothing is
 * @example createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' }).mass(750.4) // "750 g"
 */
export function createFormat(choice: UnitChoice, now: () => number = () => Number.NaN): Format {
  const locale = choice.clock === '12 h' ? 'en-US' : 'en-GB'
  const hour12 = choice.clock === '12 h'
  const intl = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, { ...options, timeZone: choice.timeZone })
  const clock = intl(hour12 ? { hour: 'numeric', minute: '2-digit', hour12: true } : { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
  const shortDay = intl({ weekday: 'short' })
  const longDay = intl({ weekday: 'long' })
  const longMonth = intl({ month: 'long' })
  const shortDate = intl({ weekday: 'short', day: 'numeric', month: 'short' })
  const fullDate = intl({ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
  const year = intl({ year: 'numeric' })
  // Making a formatter takes a hundred times as long as using it.
  const numbers = [0, 1, 2, 3].map(
    (digits) => new Intl.NumberFormat('en-GB', { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false })
  )
  const money = new Intl.NumberFormat('en-GB', { style: 'currency', currency: choice.currency ?? 'EUR' })
  const number = (value: number, digits: number) => sure(numbers[digits]).format(value)
  const digitsFor = (resolution: number) => (resolution >= 1 ? 0 : resolution >= 0.1 ? 1 : 2)
  const massFigure = (grams: number, resolution = 1) =>
    choice.mass === 'g' ? number(grams, digitsFor(resolution)) : number(grams / GRAMS_PER_OUNCE, resolution >= 1 ? 2 : 3)
  const time = (ms: number) => clock.format(ms).replace(' ', NARROW)
  const date = (ms: number) => (Number.isFinite(now()) && year.format(ms) !== year.format(now()) ? fullDate : shortDate).format(ms).replaceAll(',', '')
  const isFar = (ms: number) => Math.abs(ms - now()) >= WEEKDAY_DAYS * millisecondsInDay
  return {
    choice,
    massFigure,
    mass: (grams, resolution) => `${massFigure(grams, resolution)}${NARROW}${choice.mass}`,
    temperatureGap: (kelvin) => `${number(choice.temperature === '°C' ? kelvin : kelvin * FAHRENHEIT_PER_KELVIN, 0)}${NARROW}${choice.temperature}`,
    temperature: (tempC, digits = 1) => {
      const value = choice.temperature === '°C' ? tempC : celsiusToFahrenheit(tempC)
      return `${number(value, digits).replace(/\.0$/, '')}${NARROW}${choice.temperature}`
    },
    percent: (share, digits = 1) => `${Number(number(share * 100, digits))}${NARROW}%`,
    rise: (rise) => `×${number(rise, 1)}`,
    growth: (gas) => `${gas < 0 ? '−' : '+'}${Math.abs(Math.round(gas * 20) * 5)}${NARROW}%`,
    time,
    dayTime: (ms) => `${isFar(ms) ? date(ms) : shortDay.format(ms)} ${time(ms)}`,
    date,
    weekday: (ms) => longDay.format(ms),
    month: (ms) => longMonth.format(ms),
    money: (amount) => money.format(amount),
    duration: (hours) => {
      const minutes = Math.round(Math.abs(hours) * 60)
      const [d, h, m] = [Math.floor(minutes / 1440), Math.floor((minutes % 1440) / 60), minutes % 60]
      if (d > 0) return h > 0 ? `${d}${NARROW}d ${h}${NARROW}h` : `${d}${NARROW}d`
      if (h > 0) return m > 0 ? `${h}${NARROW}h ${m}${NARROW}min` : `${h}${NARROW}h`
      return `${m}${NARROW}min`
    }
  }
}
