import { msOf, type SchemaError } from '../contract'
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
  [/^target\.grams$/, 'Amount of dough', 'grams'],
  [/^target/, 'Size', 'plain'],
  [/^build\.hydration$/, 'Hydration of the levain', 'share'],
  [/^build\.keepBackGrams$/, 'Back to the jar', 'grams'],
  [/^build\.salt$/, 'Salt in the levain', 'share'],
  [/^build\.oil$/, 'Oil in the levain', 'share'],
  [/^build/, 'Levain', 'plain'],
  [/^mixAt$/, 'Mix', 'moment'],
  [/^startAt$/, 'Start of the levain', 'moment'],
  [/^bread\.at$/, 'Bread', 'moment'],
  [/^(before|moves|course|pins|bread)/, 'Schedule', 'plain'],
  [/(mixTempC|MixTempC)$/, 'Temperature of the mix', 'temperature'],
  [/^tapTempC$/, 'Tap water', 'temperature'],
  [/^sticksGrams$/, 'Sticks to jar and spoon', 'grams'],
  [/nightTempC$/, 'Temperature by night', 'temperature'],
  [/tempC$/, 'Temperature', 'temperature'],
  [/^tareGrams$/, 'Empty weight', 'grams'],
  [/^keepMinimumGrams$/, 'The least that always stays', 'grams'],
  [/[gG]rams$/, 'Amount', 'grams'],
  [/^sleep\.from$/, 'Asleep from', 'plain'],
  [/^sleep\.to$/, 'Asleep until', 'plain'],
  [/^(weekly|once)/, 'Hours', 'plain'],
  [/^places\..*\.name$/, 'Name of a place', 'plain'],
  [/^places/, 'Places', 'plain'],
  [/name$/, 'Name', 'plain'],
  [/^capacityMl$/, 'What it holds', 'plain'],
  [/^diameterMm$/, 'Inner width', 'plain'],
  [/^heightMm$/, 'Height inside', 'plain'],

  [/^feed/, 'Feed', 'plain'],
  [/^timeZone$/, 'Time zone', 'plain'],
  [/^currency$/, 'Currency', 'plain']
]
const LONGEST = 40

/** What a field is called on screen, and how its values are said. */
export function fieldOf(path: string): { readonly name: string; readonly kind: Kind } {
  const [, name, kind] = NAMES.find(([pattern]) => pattern.test(path)) ?? [null, spaced(path), 'plain' as const]
  return { name, kind }
}

/**
 * What is wrong with the first field that a schema did not take, and between which bounds it may lie.
 * @example fieldProblem(error, format) // "Hydration: at most 150 %."
 */
export function fieldProblem({ issues: [issue] }: SchemaError, format: Format): string {
  return issue === undefined ? 'Something here cannot be saved as it is.' : issueWords(issue, format)
}

/**
 * What is wrong with each field, by its path; the first thing of each.
 * @example fieldProblems(error, format) // { name: 'A name is needed.' }
 */
export function fieldProblems({ issues }: SchemaError, format: Format): Record<string, string> {
  return Object.fromEntries([...issues].reverse().map((issue) => [issue.path.join('.'), issueWords(issue, format)]))
}

function issueWords(issue: SchemaError['issues'][number], format: Format): string {
  const { name, kind } = fieldOf(issue.path.join('.'))
  const told = (bound: number | bigint) => valueWords(Number(bound), kind, format)
  // A sentence that the schema has for it names the field and its bounds itself.
  if (!/^(Invalid|Unrecognized|Too|Expected)/.test(issue.message)) return issue.message
  if (issue.code === 'too_big') return issue.origin === 'string' ? `${name}: at most ${issue.maximum} letters.` : `${name}: at most ${told(issue.maximum)}.`
  if (issue.code === 'too_small') return issue.origin === 'string' ? `${name} is missing.` : `${name}: at least ${told(issue.minimum)}.`
  if (issue.code === 'invalid_value') return `${name}: choose ${issue.values.join(', ')}.`
  return `${name} is missing.`
}

/** `keepMinimumGrams` as "keep minimum grams". */
const spaced = (field: string) =>
  field
    .split('.')
    .at(-1)
    ?.replace(/([A-Z])/g, ' $1')
    .toLowerCase() ?? field

/** A value of a field, as it is said. */
export function valueWords(value: unknown, kind: Kind, format: Format): string {
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
