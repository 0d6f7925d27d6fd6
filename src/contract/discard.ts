import { z } from 'zod'
import { POTS } from '../core'
import { instantSchema, noted, numberIn } from './common'
import { flourKindSchema } from './lines'

/** What is left of one thing that went into the discard pot. */
const portionSchema = z.object({
  since: instantSchema,
  grams: z.number(),
  pot: z.enum(POTS),
  /** The jar it was left over from. */
  jarName: z.string().nullable(),
  /** The bake whose levain it was. */
  bakeName: z.string().nullable(),
  flour: flourKindSchema,
  hydration: z.number()
})

/** What is in the discard pots, oldest first, and what was thrown away. */
export const discardSchema = z.object({
  portions: z.array(portionSchema),
  /** By month of the kitchen, newest first; months without any are left out. */
  months: z.array(z.object({ month: z.string(), usedGrams: z.number(), thrownGrams: z.number() }))
})
export type DiscardPot = z.infer<typeof discardSchema>
export type WireDiscardPot = z.input<typeof discardSchema>

/** Taken out of a pot: cooked and eaten, or thrown away. */
export const discardUseSchema = z.object({
  ...noted,
  grams: numberIn([0.1, 50_000], 'Discard', 'g'),
  went: z.enum(['into food', 'thrown away']),
  /** Left out: the oldest of both. */
  pot: z.enum(POTS).optional()
})
export type DiscardUse = z.input<typeof discardUseSchema>
