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
    fields[path] ??= issue.message
  }
  return fields
}
