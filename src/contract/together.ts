import { z } from 'zod'
import { bakeEventSchema } from './bakes'
import { idSchema, noted } from './common'
import { feedSchema, jarMoveSchema, jarSplitSchema } from './jars'

/** Parts of one thing a baker does: all of them are done or none, and taken back together. */
const partSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('feed'), jarId: idSchema, feed: feedSchema }),
  z.object({ do: z.literal('split'), jarId: idSchema, split: jarSplitSchema }),
  z.object({ do: z.literal('move'), jarId: idSchema, move: jarMoveSchema }),
  z.object({ do: z.literal('note'), bakeId: idSchema, event: bakeEventSchema })
])
export const togetherSchema = z.object({ ...noted, parts: z.array(partSchema).min(1).max(60) })
export type Together = z.input<typeof togetherSchema>
export type TogetherPart = Together['parts'][number]
