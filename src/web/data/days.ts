import { useMemo } from 'react'
import { type BakeDay, type Cultures, dayOfBake, minuteOf, plannedSteps, solveBakeHere } from '../../answers'
import { useOpenBakes } from './bakes'
import { useCultures } from './beliefs'
import { type Judged, useVerdicts } from './forecasts'
import { useKitchen } from './kitchen'

/** An open bake with all that follows from where it stands now. */
export interface OpenBake extends BakeDay {
  readonly judged: Judged | undefined
  /** When each step was to be, as it was told when the band was set. */
  readonly planned: ReadonlyMap<string, number>
}

/** All open bakes of the kitchen; undefined until they are known. */
export interface KitchenDays {
  readonly days: readonly OpenBake[] | undefined
  readonly cultures: Cultures | undefined
  readonly error: Error | undefined
}

/** The open bakes with their steps, renewed every minute and with every mark. */
export function useDays(now: number): KitchenDays {
  const here = useKitchen()
  const { bakes, error } = useOpenBakes()
  const { cultures, error: jarsError } = useCultures()
  const verdicts = useVerdicts(bakes, now, cultures)
  const minute = minuteOf(now)
  const days = useMemo(
    () =>
      bakes === undefined || cultures === undefined || verdicts === undefined
        ? undefined
        : bakes.map((bake): OpenBake => {
            const judged = verdicts.get(bake.id)
            const solved = solveBakeHere(bake, cultures, here, minute)
            return { ...dayOfBake(bake, { solved, verdict: judged?.verdict ?? null }, here, cultures, minute), judged, planned: plannedSteps(bake) }
          }),
    [bakes, cultures, verdicts, here, minute]
  )
  return { days, cultures, error: error ?? jarsError }
}
