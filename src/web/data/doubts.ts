import { z } from 'zod'
import { create } from 'zustand'
import { bakeEventSchema, type NewBakeEvent } from '../../contract'
import { keep, kept } from './storage'

/** An event as it is sent. */
export const sentEventSchema = z.custom<NewBakeEvent>((value) => bakeEventSchema.safeParse(value).success)

/** A pour that another device may have noted as well: somebody has to say. */
const doubtSchema = z.object({ bakeId: z.string(), event: sentEventSchema, words: z.string() })
export type Doubt = z.infer<typeof doubtSchema>

const KEPT = 'olvent.doubts'

const doubts = create<{ readonly all: readonly Doubt[] }>(() => ({ all: kept(KEPT, z.array(doubtSchema)) ?? [] }))
doubts.subscribe(({ all }) => keep(KEPT, all))

/** Keeps a pour until somebody has said whether it was another one. */
export const doubt = (one: Doubt): void => doubts.setState(({ all }) => ({ all: [...all, one] }))
/** It has been said. */
export const settleDoubt = (one: Doubt): void => doubts.setState(({ all }) => ({ all: all.filter((d) => d !== one) }))

/** Pours of a bake that stand in doubt. */
export const useDoubts = (bakeId: string): readonly Doubt[] => doubts(({ all }) => all).filter((d) => d.bakeId === bakeId)
