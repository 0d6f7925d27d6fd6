import type { Jar } from '../../../contract'
import type { JarCondition } from '../../../core'
import { byNeed } from '../../../words'

/** Jars by need: those whose program waits first, then the hungry; dried ones want nothing and come last. */
export function jarsByNeed(jars: readonly Jar[], conditions: ReadonlyMap<string, JarCondition>, now: number): Jar[] {
  const rank = ({ culture, program }: Jar) => (program !== null && program.dueAt <= now ? 0 : culture === 'dried' ? 2 : 1)
  return [...jars].sort((a, b) => rank(a) - rank(b) || byNeed(conditions.get(a.id), conditions.get(b.id)) || a.name.localeCompare(b.name))
}
