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
export const instantSchema = z.iso.datetime({ error: 'This needs a date and time.' })
export const nameSchema = z
  .string({ error: 'A name is needed.' })
  .trim()
  .min(1, { error: 'A name is needed.' })
  .max(80, { error: 'A name has at most 80 characters.' })
export const clockTimeSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: 'A time looks like 07:30.' })
export const gramsSchema = (what: string) => numberIn(POSSIBLE.grams, what, 'g')
export const tempSchema = (what: string) => numberIn(POSSIBLE.tempC, what, '°C')
export const versionSchema = z.number({ error: 'The version is missing.' }).int().min(1)

/** Where and how something was noted. */
export const noted = {
  id: idSchema,
  happenedAt: instantSchema,
  source: z.enum(['typed', 'device', 'import']).default('typed'),
  device: z.string().max(80).optional()
}
