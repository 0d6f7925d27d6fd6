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
  replaces: z.string().nullable()
})
export type TakenAlong = z.infer<typeof takenAlongSchema>
export type WireTakenAlong = z.input<typeof takenAlongSchema>
