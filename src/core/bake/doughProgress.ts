import { millisecondsInHour } from 'date-fns/constants'
import { type Additions, NO_ADDITIONS } from '../dough/additions'
import { type JarParameters, TYPICAL_JAR } from '../ferment/jarParameters'
import { firstHoursAt, gasAt } from '../ferment/milestones'
import { createWorkspace, simulate } from '../ferment/simulate'
import { type BatchLine, contentsOf, vesselOf } from '../jars/lineage'

/** A dough is followed no longer than this, h. */
const LONGEST_HOURS = 36
/** A sample jar beside the bowl holds so much, g. */
export const SAMPLE_GRAMS = 60
const LEAST_GAS = 0.02

/** Where a dough is, by what was read of it. */
export interface DoughProgress {
  /** Its rise in the bowl; from a sample, corrected for the sample's faster warming. */
  readonly bowlRise: number
  /** How much faster it goes than expected; 1 as expected. */
  readonly pace: number
  /** When it has risen as far as wanted at this pace, ms; null: not within a day and a half. */
  readonly targetMs: number | null
}

/**
 * What a rise that was read says of a dough. A small sample warms or cools with its place much faster than the bowl does, so its rise is read back
 * to the hour at which a sample would stand so, and the bowl is looked up at that hour.
 * @param dough the dough as it was mixed, where it stands
 * @param rise level ÷ level at the mix, 1 or more
 * @param atMs when it was read
 * @param targetGas how far it is to rise: rise less 1
 * @returns null where it has not moved, or never stands so
 */
export function doughProgress(
  dough: BatchLine,
  { rise, of, atMs }: { readonly rise: number; readonly of: 'bowl' | 'sample'; readonly atMs: number },
  targetGas: number,
  jar: JarParameters = TYPICAL_JAR
): DoughProgress | null {
  const hours = (atMs - dough.startedAtMs) / millisecondsInHour
  const gas = rise - 1
  if (hours <= 0 || gas < LEAST_GAS) return null
  const run = (line: BatchLine) => simulate(vesselOf(line, jar), jar, { untilHours: LONGEST_HOURS, workspace: createWorkspace() }).curve
  const bowl = run(dough)
  const like = firstHoursAt(of === 'bowl' ? bowl : run(sampleOf(dough)), gas)
  if (like === null) return null
  const pace = like / hours
  const target = firstHoursAt(bowl, targetGas)
  return { bowlRise: 1 + gasAt(bowl, like), pace, targetMs: target === null ? null : dough.startedAtMs + (target / pace) * millisecondsInHour }
}

const scaled = ({ yeastGrams, sugarGrams, fatGrams }: Additions = NO_ADDITIONS, share: number): Additions => ({
  yeastGrams: yeastGrams * share,
  sugarGrams: sugarGrams * share,
  fatGrams: fatGrams * share
})

/** A little of the same dough in a glass. */
function sampleOf(dough: BatchLine): BatchLine {
  const share = SAMPLE_GRAMS / contentsOf(dough).totalGrams
  return {
    ...dough,
    flours: Object.fromEntries(Object.entries(dough.flours).map(([kind, g]) => [kind, g * share])),
    waterGrams: dough.waterGrams * share,
    saltGrams: dough.saltGrams * share,
    additions: scaled(dough.additions, share),
    parents: dough.parents.map((p) => ({ ...p, grams: p.grams * share }))
  }
}
