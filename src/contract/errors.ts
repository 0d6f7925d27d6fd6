import { z } from 'zod'

/** The one shape of every error on the wire. */
export const errorSchema = z.object({
  error: z.object({
    code: z.string(),
    /** A sentence a baker understands. */
    message: z.string(),
    /** Sentences by field, written like `plan.salt`. */
    fields: z.record(z.string(), z.string()).optional(),
    /** On `stale`: what the server has now. */
    current: z.unknown().optional()
  })
})
export type WireError = z.infer<typeof errorSchema>['error']

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
