import { type ChangedField, msOf } from '../contract'
import type { Format } from '../core'

/** How a value is said. */
type Kind = 'share' | 'grams' | 'temperature' | 'moment' | 'plain'

/** Names of fields, by how they end; the first that fits. */
const NAMES: readonly (readonly [pattern: RegExp, name: string, kind: Kind])[] = [
  [/^formula\.hydration$/, 'Hydration', 'share'],
  [/^formula\.salt$/, 'Salt', 'share'],
  [/^formula\.heldBack$/, 'Water held back', 'share'],
  [/^formula\.lines\..*\.share$/, 'Share of a line', 'plain'],
  [/^formula\.lines/, 'Lines of the dough', 'plain'],
  [/^formula/, 'Dough', 'plain'],
  [/^target/, 'Size', 'plain'],
  [/^build\.hydration$/, 'Hydration of the levain', 'share'],
  [/^build\.keepBackGrams$/, 'Back to the jar', 'grams'],
  [/^build/, 'Levain', 'plain'],
  [/^mixAt$/, 'Mix', 'moment'],
  [/^startAt$/, 'Start of the levain', 'moment'],
  [/^bread\.at$/, 'Bread', 'moment'],
  [/^(before|moves|course|pins|bread)/, 'Schedule', 'plain'],
  [/(mixTempC|MixTempC)$/, 'Temperature of the mix', 'temperature'],
  [/^tapTempC$/, 'Tap water', 'temperature'],
  [/nightTempC$/, 'Temperature by night', 'temperature'],
  [/tempC$/, 'Temperature', 'temperature'],
  [/[gG]rams$/, 'Amount', 'grams'],
  [/^sleep\.from$/, 'Asleep from', 'plain'],
  [/^sleep\.to$/, 'Asleep until', 'plain'],
  [/^(weekly|once)/, 'Hours', 'plain'],
  [/^places\..*\.name$/, 'Name of a place', 'plain'],
  [/^places/, 'Places', 'plain'],
  [/name$/, 'Name', 'plain'],
  [/^feed/, 'Feed', 'plain'],
  [/^timeZone$/, 'Time zone', 'plain'],
  [/^currency$/, 'Currency', 'plain']
]
const LONGEST = 40

/** A field in words: its name, what it was and what it is. */
export function changeWords({ field, from, to }: ChangedField, format: Format): { readonly name: string; readonly from: string; readonly to: string } {
  const [, name, kind] = NAMES.find(([pattern]) => pattern.test(field)) ?? [null, spaced(field), 'plain' as const]
  return { name, from: valueWords(from, kind, format), to: valueWords(to, kind, format) }
}

/** `keepMinimumGrams` as "keep minimum grams". */
const spaced = (field: string) =>
  field
    .split('.')
    .at(-1)
    ?.replace(/([A-Z])/g, ' $1')
    .toLowerCase() ?? field

function valueWords(value: unknown, kind: Kind, format: Format): string {
  if (value === null || value === undefined) return 'nothing'
  if (typeof value === 'number') {
    if (kind === 'share') return format.percent(value)
    if (kind === 'grams') return format.mass(value)
    if (kind === 'temperature') return format.temperature(value)
    return String(Math.round(value * 1000) / 1000)
  }
  if (kind === 'moment' && typeof value === 'string') return format.dayTime(msOf(value))
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string') return value.length > LONGEST ? `${value.slice(0, LONGEST)}…` : value
  return 'changed'
}
