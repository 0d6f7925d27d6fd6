import { z } from 'zod'
import { instantSchema } from './common'

/** What keeps a history of its changes. */
export const CHANGED_THINGS = ['plan', 'kitchen', 'jar', 'vessel', 'ingredient'] as const
export type ChangedThing = (typeof CHANGED_THINGS)[number]

/** One field of a change, written like `formula.salt`; a value that was not there before, or is not any more, is null. */
export const changedFieldSchema = z.object({ field: z.string(), from: z.unknown(), to: z.unknown() })
export type ChangedField = z.infer<typeof changedFieldSchema>

export const changesQuerySchema = z.object({ what: z.enum(CHANGED_THINGS), of: z.string().min(1).max(80) })
export const changesSchema = z.object({
  /** Newest first. */
  changes: z.array(
    z.object({
      at: instantSchema,
      /** Name of the device; null: the computer that runs Olvent. */
      who: z.string().nullable(),
      fields: z.array(changedFieldSchema)
    })
  )
})
export type Changes = z.infer<typeof changesSchema>['changes']
export type WireChanges = z.input<typeof changesSchema>
