import type { Drivers, Format } from '../core'

/** A change that cannot be told: it would never get ripe. */
const NEVER = 'never ripe'

function later(hours: number | null, format: Format): string {
  if (hours === null) return NEVER
  if (Math.abs(hours) < 1 / 60) return 'no change'
  return `${format.duration(Math.abs(hours))} ${hours > 0 ? 'later' : 'sooner'}`
}

/** Drivers of a forecast as rows of words, the strongest habits first. */
export function driverRows(drivers: Drivers, format: Format): { readonly name: string; readonly says: string }[] {
  const inF = format.choice.temperature === '°F'
  const degree = inF ? '1.8 °F' : '1 °C'
  return [
    { name: `A place ${degree} warmer`, says: later(drivers.perDegree, format) },
    { name: 'One part more flour to the starter', says: later(drivers.perRatio, format) },
    { name: `A mix ${degree} warmer`, says: later(drivers.perMixDegree, format) },
    { name: 'The starter one day longer in the cold', says: later(drivers.perColdDay, format) },
    { name: 'A jar a tenth livelier', says: later(drivers.perTenthPace, format) }
  ]
}
