import { z } from 'zod'

/** Why something was refused. Windows branch on these, and on nothing else. */
export const PROBLEM_CODES = [
  'before the band',
  'before the feed',
  'before the mix',
  'cannot be',
  'disk full',
  'empty',
  'fault',
  'gluten guard',
  'in a program',
  'in the future',
  'in use',
  'last portion',
  'more in the bowl',
  'more than there is',
  'no kitchen',
  'no picture',
  'no such address',
  'not found',
  'not json',
  'not understood',
  'nothing',
  'nothing kept',
  'out of range',
  'poured already',
  'set up already',
  'sign in',
  'stale',
  'started',
  'strange host',
  'taken away',
  'too hot',
  'too large',
  'too late',
  'too many',
  'unknown device',
  'used id',
  'which flour',
  'wrong moment',
  'wrong passphrase'
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]

/** The one shape of every error on the wire. */
export const errorSchema = z.object({
  error: z.object({
    /** A code of a newer server is a fault to this window: its sentence is shown all the same. */
    code: z.enum(PROBLEM_CODES).catch('fault'),
    /** A sentence a baker understands. */
    message: z.string(),
    /** Sentences by field, written like `plan.salt`. */
    fields: z.record(z.string(), z.string()).optional(),
    /** On `stale`: what the server has now. */
    current: z.unknown().optional()
  })
})
export type WireError = z.infer<typeof errorSchema>['error']

/** What a schema did not accept. */
export type SchemaError = z.ZodError

/** Sentences by field of what a schema did not accept. */
export function fieldSentences(error: z.ZodError): Record<string, string> {
  const fields: Record<string, string> = {}
  for (const issue of error.issues) {
    const path = issue.path.join('.')
    fields[path] ??= sentenceOf(issue)
  }
  return fields
}

/** A schema's own sentence where it has one; else a plain one for what went wrong. */
function sentenceOf(issue: z.core.$ZodIssue): string {
  if (!/^(Invalid|Unrecognized|Too|Expected)/.test(issue.message)) return issue.message
  if (issue.code === 'invalid_value') return `Choose one of: ${issue.values.join(', ')}.`
  if (issue.code === 'unrecognized_keys') return `Olvent does not know ${issue.keys.join(', ')} here.`
  if (issue.code === 'too_big') return `This is more than the ${issue.maximum} that Olvent takes.`
  return 'This is missing or not of the right kind.'
}
