import { useMemo } from 'react'
import { busyAhead } from '../../../../answers'
import { useDays } from '../../../data/days'
import { useKitchen } from '../../../data/kitchen'

/** A search looks from a whole five minutes on, so that it does not begin anew with every tick. */
const FIVE_MINUTES = 300_000

/** What else takes hands, oven and places while a bake goes on. */
export function useBusyHere(bakeId: string, now: number) {
  const { kitchen } = useKitchen()
  const { days } = useDays(now)
  const others = useMemo(() => (days ?? []).filter((other) => other.bake.id !== bakeId).map((other) => other.claim), [days, bakeId])
  const fromMs = Math.ceil(now / FIVE_MINUTES) * FIVE_MINUTES
  const busy = useMemo(() => busyAhead(kitchen, others, fromMs), [kitchen, others, fromMs])
  return { days: days ?? [], others, busy, fromMs }
}
