import { useSyncExternalStore } from 'react'
import { z } from 'zod'
import { keep, kept } from './storage'

/** A pour that another device may have noted as well: somebody has to say. */
const doubtSchema = z.object({ bakeId: z.string(), event: z.record(z.string(), z.unknown()), words: z.string() })
export type Doubt = z.infer<typeof doubtSchema>

const KEPT = 'olvent.doubts'

let doubts: readonly Doubt[] = kept(KEPT, z.array(doubtSchema)) ?? []
const listeners = new Set<() => void>()

function set(next: readonly Doubt[]): void {
  doubts = next
  keep(KEPT, next)
  for (const listener of listeners) listener()
}

/** Keeps a pour until somebody has said whether it was another one. */
export const doubt = (one: Doubt) => set([...doubts, one])
/** It has been said. */
export const settleDoubt = (one: Doubt) => set(doubts.filter((d) => d !== one))

/** Pours of a bake that stand in doubt. */
export function useDoubts(bakeId: string): readonly Doubt[] {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed)
      return () => listeners.delete(changed)
    },
    () => doubts
  ).filter((d) => d.bakeId === bakeId)
}
