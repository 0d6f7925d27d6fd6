import { z } from 'zod'
import { CULTURES, type Deed, OUTCOMES, PROGRAM_KINDS, type Program } from '../core'
import { gramsSchema, idSchema, instantSchema, nameSchema, noted, numberIn, tempSchema } from './common'
import { blendSchema, ingredientIdSchema } from './formulas'
import { flourKindSchema } from './lines'

const words = z.string().max(1000)
const wholeGrams = (what: string) => numberIn([0.1, 20_000], what, 'g')
const floursSchema = z
  .array(z.object({ ingredientId: ingredientIdSchema, grams: wholeGrams('Flour') }))
  .min(1)
  .max(10)

const deedSchema: z.ZodType<Deed, Deed> = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('feed'),
    keepGrams: gramsSchema('What is kept').nullable(),
    flours: floursSchema,
    waterGrams: wholeGrams('Water'),
    taken: z.boolean().optional(),
    mixTempC: tempSchema('The mix').optional()
  }),
  z.object({ kind: z.literal('take'), grams: wholeGrams('What is taken'), name: nameSchema, dried: z.boolean() }),
  z.object({ kind: z.literal('weigh') }),
  z.object({ kind: z.literal('wake'), grams: wholeGrams('Flakes'), name: nameSchema, flours: floursSchema, waterGrams: wholeGrams('Water') }),
  z.object({ kind: z.literal('become'), culture: z.enum(CULTURES), flour: flourKindSchema, feed: blendSchema }),
  z.object({ kind: z.literal('move'), placeId: idSchema }),
  z.object({ kind: z.literal('give') })
])
const hoursSchema = numberIn([0, 24 * 366], 'The hours', 'h')
const stepSchema = z.object({
  title: z.string().min(1).max(120),
  afterHours: hoursSchema,
  what: words,
  sign: z.object({ good: words, notYet: words, againHours: hoursSchema, meanwhile: deedSchema.nullable() }).nullable(),
  deed: deedSchema.nullable()
})
export const programSchema: z.ZodType<Program, Program> = z.object({
  kind: z.enum(PROGRAM_KINDS),
  title: z.string().min(1).max(160),
  says: words,
  steps: z.array(stepSchema).min(1).max(40)
})

/** A program that is begun with a jar, standing at a place. */
export const programPostSchema = z.object({ id: idSchema, happenedAt: instantSchema, jarId: idSchema, placeId: idSchema, program: programSchema })
export type ProgramPost = z.input<typeof programPostSchema>

/** What was seen and done at a step. */
export const programEntrySchema = z.object({
  ...noted,
  step: z.number().int().min(0),
  outcome: z.enum(OUTCOMES),
  note: z.string().max(500).optional(),
  /** Of what is weighed at this step. */
  grams: numberIn([0.1, 20_000], 'What it weighs', 'g').optional()
})
export type NewProgramEntry = z.input<typeof programEntrySchema>

/** A program with what was noted of it. */
export const runningProgramSchema = z.object({
  id: idSchema,
  jarId: idSchema,
  jarName: z.string(),
  placeId: idSchema,
  program: programSchema,
  startedAt: instantSchema,
  /** Called off. */
  endedAt: instantSchema.nullable(),
  /** The jar that was taken last in it. */
  takenJarId: idSchema.nullable(),
  entries: z.array(z.object({ id: idSchema, at: instantSchema, step: z.number(), outcome: z.enum(OUTCOMES), note: z.string().nullable(), undone: z.boolean() }))
})
export type RunningProgram = z.infer<typeof runningProgramSchema>
export type WireRunningProgram = z.input<typeof runningProgramSchema>
