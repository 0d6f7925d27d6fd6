import { celsiusToFahrenheit, type Format, fahrenheitToCelsius, GRAMS_PER_OUNCE } from '../../core'

/** What a figure means, and so its unit on the screen. */
export type QuantityKind = 'percent' | 'mass' | 'temperature' | 'rise' | 'hours' | 'millimetres' | 'count' | 'parts'

/** A unit with its way in and out. */
export interface Scale {
  readonly unit: string
  readonly show: (value: number) => string
  readonly read: (shown: number) => number
}

const trimmed = (value: number, digits: number) => String(Number(value.toFixed(digits)))

/** How a kind of figure is shown and read in this kitchen; values are in the core's units. */
export function scaleOf(kind: QuantityKind, format: Format): Scale {
  const { mass, temperature } = format.choice
  switch (kind) {
    case 'percent':
      return { unit: '%', show: (v) => trimmed(v * 100, 2), read: (s) => s / 100 }
    case 'mass':
      return mass === 'g'
        ? { unit: 'g', show: (v) => trimmed(v, 1), read: (s) => s }
        : { unit: 'oz', show: (v) => trimmed(v / GRAMS_PER_OUNCE, 2), read: (s) => s * GRAMS_PER_OUNCE }
    case 'temperature':
      return temperature === '°C'
        ? { unit: '°C', show: (v) => trimmed(v, 1), read: (s) => s }
        : { unit: '°F', show: (v) => trimmed(celsiusToFahrenheit(v), 1), read: fahrenheitToCelsius }
    case 'rise':
      return { unit: '×', show: (v) => trimmed(v, 2), read: (s) => s }
    case 'millimetres':
      return { unit: 'mm', show: (v) => trimmed(v, 0), read: (s) => s }
    case 'hours':
      return { unit: 'h', show: (v) => trimmed(v, 2), read: (s) => s }
    default:
      return { unit: '', show: (v) => trimmed(v, 2), read: (s) => s }
  }
}
