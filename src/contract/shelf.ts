import { z } from 'zod'
import { idSchema, instantSchema, noted, numberIn } from './common'
import { ingredientIdSchema } from './formulas'

const wholeGrams = (what: string) => numberIn([0, 200_000], what, 'g')

/** Something done to the stock: a pack was bought, what is there was weighed, a blend was made of what is there. */
export const stockSchema = z.discriminatedUnion('how', [
  z.object({ ...noted, how: z.literal('bought'), ingredientId: ingredientIdSchema, grams: numberIn([0.1, 200_000], 'What was bought', 'g') }),
  z.object({ ...noted, how: z.literal('counted'), ingredientId: ingredientIdSchema, grams: wholeGrams('What is there') }),
  z.object({ ...noted, how: z.literal('blended'), ingredientId: ingredientIdSchema, grams: numberIn([1, 200_000], 'The blend', 'g') })
])
export type StockMove = z.input<typeof stockSchema>

const gramsOfSchema = z.object({ ingredientId: ingredientIdSchema, grams: z.number() })

/** What is in store, what will be taken of it, and what things cost. */
export const shelfSchema = z.object({
  /** Those that were counted or bought; less than nothing: more was taken than the book knew of. */
  stock: z.array(gramsOfSchema.extend({ countedAt: instantSchema })),
  /** Feeds of jars and bakes that are planned, some weeks ahead. */
  uses: z.array(gramsOfSchema.extend({ at: instantSchema, forWhat: z.string() })),
  /** Planned bakes and the last ones done. */
  bakes: z.array(
    z.object({
      id: idSchema,
      name: z.string(),
      mixAt: instantSchema,
      done: z.boolean(),
      /** Pieces; null where the size is told otherwise. */
      pieces: z.number().nullable(),
      amount: z.number(),
      unpriced: z.array(z.string())
    })
  ),
  /** By month of the kitchen, newest first: what jars were fed. */
  keeping: z.array(z.object({ month: z.string(), flours: z.array(gramsOfSchema) }))
})
export type Shelf = z.infer<typeof shelfSchema>
export type WireShelf = z.input<typeof shelfSchema>
