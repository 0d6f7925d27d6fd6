import { z } from 'zod'
import { POSSIBLE } from '../core'

type Range = readonly [low: number, high: number]

/** A number inside a range, with a sentence for everything else. */
export function numberIn([low, high]: Range, what: string, unit = '') {
  const sentence = `${what} has to be a number from ${low} to ${high}${unit === '' ? '' : ` ${unit}`}.`
  return z.number({ error: sentence }).min(low, { error: sentence }).max(high, { error: sentence })
}

/** A share that people know as a percentage. */
export function shareIn([low, high]: Range, what: string) {
  const sentence = `${what} has to be from ${Math.round(low * 1000) / 10} % to ${high * 100} %.`
  return z.number({ error: sentence }).min(low, { error: sentence }).max(high, { error: sentence })
}

export const idSchema = z.uuid({ error: 'This is not an id that Olvent made.' })

/** Milliseconds since 1970 as they cross the wire: ISO 8601, UTC. */
export const isoOf = (ms: number): string => new Date(ms).toISOString()
/** The other way. No record is parsed anywhere else. */
export const msOf = (iso: string): number => Date.parse(iso)
export const isoSchema = z.iso.datetime({ error: 'This needs a date and time.' })
/** An instant: ISO 8601 on the wire, milliseconds since 1970 for everyone behind it. */
export const instantSchema = z.codec(isoSchema, z.number(), { decode: msOf, encode: isoOf })
/** An instant somebody may note or plan: a clock that stands in another century is wrong. */
export const momentSchema = instantSchema.refine((ms) => ms >= FIRST_MOMENT && ms < LAST_MOMENT, {
  error: 'This date is too far away. It has to lie between 2000 and 2100.'
})
const FIRST_MOMENT = Date.UTC(2000, 0, 1)
const LAST_MOMENT = Date.UTC(2100, 0, 1)
/** Characters of a name. */
export const LONGEST_NAME = 80
export const nameSchema = z
  .string({ error: 'A name is needed.' })
  .trim()
  .min(1, { error: 'A name is needed.' })
  .max(LONGEST_NAME, { error: `A name has at most ${LONGEST_NAME} characters.` })
  .regex(/^[^\p{Cc}\u2028\u2029]*$/u, { error: 'A name stands on one line.' })
export const clockTimeSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: 'A time looks like 07:30.' })
export const gramsSchema = (what: string) => numberIn(POSSIBLE.grams, what, 'g')
export const tempSchema = (what: string) => numberIn(POSSIBLE.tempC, what, '°C')
export const versionSchema = z.number({ error: 'The version is missing.' }).int().min(1)

/** What a schema looks like on the wire: instants are ISO 8601. */
export type Wire<Schema extends z.ZodType> = z.input<Schema>

/** Where and how something was noted. */
export const noted = {
  id: idSchema,
  happenedAt: momentSchema,
  source: z.enum(['typed', 'device', 'import']).default('typed'),
  device: z.string().max(80).optional()
}

/** It is done; there is nothing more to tell. */
export const doneSchema = z.object({ ok: z.boolean() })
