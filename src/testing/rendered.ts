import { millisecondsInMinute } from 'date-fns/constants'
import type { Face, Told } from './faces'

const DAY = 24 * 60 * millisecondsInMinute
/** A weekday without a date is one of the seven days that begin this long ago: a day and a bit of a bake lie behind, the rest ahead. */
const PAST_MS = 28 * 60 * millisecondsInMinute
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
/** "Fri 08:15", "Fri 4 Dec 08:15" */
const WRITTEN = '(?:Sun|Mon|Tue|Wed|Thu|Fri|Sat)(?: \\d{1,2} (?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec))? \\d\\d:\\d\\d'
/** The same, with its parts taken out. */
const MOMENT = /(Sun|Mon|Tue|Wed|Thu|Fri|Sat)(?: (\d{1,2}) (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec))? (\d\d):(\d\d)/

/** A step of a list by the words it begins with. */
const STEPS: readonly (readonly [RegExp, string])[] = [
  [/^Grow starter for it, stage (\d)/, 'grow'],
  [/^Grow starter/, 'grow 1'],
  [/^(Build|Build the levain)\b/, 'build'],
  [/^Mix\b/, 'mix'],
  [/^Shape\b/, 'shape'],
  [/^Into the oven/, 'bake'],
  [/^Out of the oven/, 'out']
]

/**
 * Reads moments and masses off the words of the views, as a baker does. The kitchen's clock is UTC's (Lisbon in winter).
 * @param nowMs weekdays are meant near to it, ms
 */
export function windowOfDay(nowMs: number) {
  const minuteOf = (words: string | undefined): number | null => {
    const found = MOMENT.exec(words ?? '')
    if (found === null) return null
    const [, day, date, month, hour, minute] = found as unknown as [string, string, string | undefined, string | undefined, string, string]
    const clock = (Number(hour) * 60 + Number(minute)) * millisecondsInMinute
    for (let off = -40; off <= 60; off++) {
      const at = new Date(nowMs + off * DAY)
      const ms = Date.UTC(at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate()) + clock
      const isIt =
        date === undefined
          ? DAYS[at.getUTCDay()] === day && ms > nowMs - PAST_MS && ms <= nowMs - PAST_MS + 7 * DAY
          : at.getUTCDate() === Number(date) && MONTHS[at.getUTCMonth()] === month
      if (isIt) return ms / millisecondsInMinute
    }
    return null
  }
  const known = (told: Readonly<Record<string, number | null | undefined>>): Told =>
    Object.fromEntries(Object.entries(told).filter((entry): entry is [string, number] => typeof entry[1] === 'number'))
  /** "Fri 08:15 Build the levain …, Sat 09:30 Mix …" */
  const listed = (words: string): Told => {
    const told: Record<string, number> = {}
    const parts = words.split(new RegExp(`(?=${WRITTEN} )`))
    for (const part of parts) {
      const at = minuteOf(part)
      const rest = part.replace(MOMENT, '').trim()
      const step = STEPS.find(([pattern]) => pattern.test(rest))
      if (at === null || step === undefined) continue
      const id = step[1] === 'grow' ? `grow ${step[0].exec(rest)?.[1]}` : step[1]
      told[`step ${id}`] ??= at
      if (id === 'mix') told.mix ??= at
      if (id === 'shape') told['bulk ends'] ??= at
      if (id === 'out') told.bread ??= at
    }
    return told
  }
  return {
    today: (words: string, bake: string, jar: string): Face => {
      const next = new RegExp(`(?:Next|Overdue) · ${bake} (.*?) (${WRITTEN}) ·`).exec(words)
      const then = words.slice(Math.max(words.indexOf(' Then '), 0), words.includes('All ') ? words.indexOf('All ') : undefined)
      const first = next === null ? {} : listed(`${next[2]} ${(next[1] ?? '').replace(`${jar}’s levain`, '')}`)
      return { name: 'Today', told: { ...listed(then), ...first } }
    },
    sheet: (words: string): Face => {
      const head = /\bmix ((?:Sun|Mon|Tue|Wed|Thu|Fri|Sat)[^a-z]*?\d\d:\d\d)/.exec(words)?.[1]
      const bread = /Bread bread (.*?\d\d:\d\d)/.exec(words)?.[1]
      const begin = /Plan (?:begin|late since) (.*?\d\d:\d\d)/.exec(words)?.[1]
      return { name: 'head and stations', told: known({ mix: minuteOf(head), bread: minuteOf(bread), begins: minuteOf(begin) }) }
    },
    clock: (words: string): Face => {
      const begin = /Begin the build ((?:Sun|Mon|Tue|Wed|Thu|Fri|Sat).*?\d\d:\d\d)/.exec(words)?.[1]
      const day = words.slice(
        words.indexOf('The whole day'),
        words.indexOf('Bulk, shape, proof, bake') > 0 ? words.indexOf('Bulk, shape, proof, bake') : undefined
      )
      return { name: 'Plan', told: { ...listed(day), ...known({ begins: minuteOf(begin) }) } }
    },
    weights: (words: string): Face => {
      const card = /Weigh for the levain (.*?) for the dough/.exec(words)?.[1] ?? ''
      const grams = (name: string) => {
        const found = new RegExp(`([\\d.]+) ?g ${name}\\b`).exec(card)?.[1]
        return found === undefined ? null : Number(found)
      }
      return { name: 'Levain', told: known({ 'seed g': grams('seed'), 'water g': grams('water'), 'salt g': grams('salt'), 'oil g': grams('oil') }) }
    },
    paper: (words: string): Face => ({ name: 'paper', told: listed(words) }),
    label: (words: string): Face => ({ name: 'label', told: known({ hungry: minuteOf(/Feed by (.*?\d\d:\d\d)/.exec(words)?.[1]) }) }),
    jar: (words: string, name: string): Face => {
      const from = words.slice(words.indexOf(name))
      const card = from.slice(0, / Feed\b(?! by)/.exec(from)?.index)
      const place = /^.*? \d[\d.]* g · .*? (Worktop|Fridge|Proofer)/.exec(card)?.[1]
      const grams = /^.*? ([\d.]+) g ·/.exec(card)?.[1]
      return {
        name: 'Jars',
        told: known({
          'place of the jar g': place === undefined ? null : 100 * ['Worktop', 'Fridge', 'Proofer'].indexOf(place),
          'in the jar g': grams === undefined ? null : Number(grams),
          hungry: minuteOf(/hungry from (.*?\d\d:\d\d)/.exec(card)?.[1])
        })
      }
    }
  }
}
