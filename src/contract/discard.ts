import { z } from 'zod'
import { instantSchema, noted, numberIn } from './common'
import { flourKindSchema } from './lines'

/** What is left of one thing that went into the discard pot. */
const portionSchema = z.object({
  since: instantSchema,
  grams: z.number(),
  jarName: z.string().nullable(),
  flour: flourKindSchema,
  hydration: z.number()
})

/** The discard pot, oldest first, and what was thrown away. */
export const discardSchema = z.object({
  portions: z.array(portionSchema),
  /** By month of the kitchen, newest first; months without any are left out. */
  months: z.array(z.object({ month: z.string(), usedGrams: z.number(), thrownGrams: z.number() }))
})
export type DiscardPot = z.infer<typeof discardSchema>
export type WireDiscardPot = z.input<typeof discardSchema>

/** Taken out of the pot: cooked and eaten, or thrown away. */
export const discardUseSchema = z.object({ ...noted, grams: numberIn([0.1, 50_000], 'Discard', 'g'), went: z.enum(['into food', 'thrown away']) })
export type DiscardUse = z.input<typeof discardUseSchema>
