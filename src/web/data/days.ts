import { useMemo } from 'react'
import { type Bake, type Cultures, claimOf, plannedSteps, solveBakeHere, stepFactsOf } from '../../answers'
import { type Claim, type CourseTimes, dayOfDough, expectedMixMs, type SolvedBake, type Step, type StepFacts, stepsOf } from '../../core'
import { useOpenBakes } from './bakes'
import { useCultures } from './beliefs'
import { type Judged, useVerdicts } from './forecasts'
import { useKitchen } from './kitchen'

const MS_PER_MINUTE = 60_000

/** An open bake with all that follows from where it stands now. */
export interface BakeDay {
  readonly bake: Bake
  readonly solved: SolvedBake | null
  readonly judged: Judged | undefined
  readonly facts: StepFacts
  /** From now on. */
  readonly steps: readonly Step[]
  /** The dough's day as it comes out by now; null where none is planned. */
  readonly times: CourseTimes | null
  /** When each step was to be, as it was told when the band was set. */
  readonly planned: ReadonlyMap<string, number>
  /** What it takes of hands, oven and places. */
  readonly claim: Claim
}

/** All open bakes of the kitchen; undefined until they are known. */
export interface KitchenDays {
  readonly days: readonly BakeDay[] | undefined
  readonly cultures: Cultures | undefined
  readonly error: Error | undefined
}

/** The open bakes with their steps, renewed every minute and with every mark. */
export function useDays(now: number): KitchenDays {
  const here = useKitchen()
  const { bakes, error } = useOpenBakes()
  const { cultures, error: jarsError } = useCultures()
  const verdicts = useVerdicts(bakes, now, cultures)
  const minute = Math.floor(now / MS_PER_MINUTE) * MS_PER_MINUTE
  const days = useMemo(
    () =>
      bakes === undefined || cultures === undefined || verdicts === undefined
        ? undefined
        : bakes.map((bake): BakeDay => {
            const solved = solveBakeHere(bake, cultures, here, minute)
            return { bake, ...bakeDay(bake, solved, verdicts.get(bake.id), here, cultures, minute) }
          }),
    [bakes, cultures, verdicts, here, minute]
  )
  return { days, cultures, error: error ?? jarsError }
}

/** Everything that follows for one bake. */
function bakeDay(bake: Bake, solved: SolvedBake | null, judged: Judged | undefined, here: ReturnType<typeof useKitchen>, cultures: Cultures, minute: number) {
  const facts = stepFactsOf(bake, bake.plan, solved, judged?.verdict ?? null, here, cultures)
  const steps = stepsOf(facts, minute)
  return {
    solved,
    judged,
    facts,
    steps,
    times: dayOfDough(facts, expectedMixMs(facts, minute)),
    planned: plannedSteps(bake),
    claim: claimOf(bake, facts, minute)
  }
}
