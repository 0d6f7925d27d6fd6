import { z } from 'zod'
import { idSchema, instantSchema } from './common'

/** Why a copy was made. */
export const COPY_REASONS = ['day', 'asked', 'migration', 'import'] as const
export type CopyReason = (typeof COPY_REASONS)[number]

/** Verified copies of the kitchen, and how they fare. */
export const copiesSchema = z.object({
  folder: z.string(),
  /** Newest first. */
  copies: z.array(z.object({ takenAt: instantSchema, reason: z.enum(COPY_REASONS).catch('asked'), bytes: z.number() })),
  /** The last one that could not be made; null: none since the last good one. */
  failed: z.object({ at: instantSchema, why: z.string() }).nullable()
})
export type Copies = z.infer<typeof copiesSchema>
export type WireCopies = z.input<typeof copiesSchema>

export const copiesFolderSchema = z.object({ folder: z.string().trim().min(1, { error: 'Give a folder.' }).max(400) })

/** Things that are decided on as wholes when two kitchens become one. */
export const CLASH_KINDS = ['jar', 'bake', 'recipe', 'place', 'vessel', 'ingredient'] as const
export type ClashKind = (typeof CLASH_KINDS)[number]
const sideSchema = z.object({
  /** How much was noted of it. */
  entries: z.number(),
  /** When something was last noted of it. */
  at: instantSchema.nullable()
})
/** One thing that both kitchens have, each in its own way. */
export const clashSchema = z.object({
  kind: z.enum(CLASH_KINDS),
  /** Of the thing in the file. */
  id: z.string(),
  name: z.string(),
  why: z.enum(['changed', 'same name']),
  here: sideSchema,
  there: sideSchema
})
export type WireClash = z.input<typeof clashSchema>
export type Clash = z.infer<typeof clashSchema>
/** What a file would bring to a kitchen that is in use. */
export const mergeSchema = z.object({
  /** New things by their kind. */
  added: z.partialRecord(z.enum(CLASH_KINDS), z.number()),
  /** Things that are here as well, and have gone on in the file. */
  goneOn: z.number(),
  same: z.number(),
  clashes: z.array(clashSchema)
})
export type Merge = z.infer<typeof mergeSchema>
export type WireMerge = z.input<typeof mergeSchema>
/** For each clash the side that counts. */
const choicesSchema = z.record(z.string().max(80), z.enum(['here', 'there']))
export type ClashChoices = z.infer<typeof choicesSchema>
export const bringInSchema = z.discriminatedUnion('how', [
  z.object({ how: z.literal('replace') }),
  z.object({ how: z.literal('merge'), choices: choicesSchema })
])
export type BringIn = z.infer<typeof bringInSchema>

/** What a file holds that is taken along. */
export const takenAlongSchema = z.object({
  id: idSchema,
  /** Name of the kitchen in it. */
  kitchen: z.string(),
  madeAt: instantSchema,
  /** How many rows of each table. */
  rows: z.record(z.string(), z.number()),
  pictures: z.number(),
  /** This kitchen is in use, and would be replaced. */
  replaces: z.string().nullable(),
  /** What would come of both together; null while this kitchen is empty. */
  merge: mergeSchema.nullable()
})
export type TakenAlong = z.infer<typeof takenAlongSchema>
export type WireTakenAlong = z.input<typeof takenAlongSchema>
