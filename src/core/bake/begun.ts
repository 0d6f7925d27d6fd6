import { type BenchTemps, type MixItem, reckonMix, type UsualTemps } from '../build/benchTemps'
import { type PourItem, type PourStep, pourKey } from '../build/pourOrder'
import { kindsOfGrams } from '../dough/blend'
import { type Composition, FLOUR, levainOf, SALT, WATER } from '../dough/composition'
import type { Pantry } from '../dough/ingredient'
import type { School } from '../ferment/forecast'
import { lineOfPlan, type PlannedBuild, type TimedBuild, timeLine } from '../schedule/planBuild'
import type { BakeState } from './foldBake'

/** What there is by now of a levain that is being weighed in. */
export interface BegunLevain {
  /** What was poured, by the key of the pour. */
  readonly pours: BakeState['pours']
  /** What items are to hold since a mis-pour, g. */
  readonly targets: Readonly<Record<string, number>>
  readonly temps: BenchTemps
}

const OIL: Composition = { flour: 0, water: 0, salt: 0 }

/** What each thing that is poured into a levain is made of. */
export function pourCompositions(jarHydration: number, olderHydration: number): Readonly<Record<PourItem, Composition>> {
  return { seed: levainOf(jarHydration), 'older levain': levainOf(olderHydration), water: WATER, flour: FLOUR, salt: SALT, oil: OIL }
}

/**
 * A levain as it comes out with what was poured and measured by now; what is still to come counts as planned.
 * @param levain as it was planned, and what is to be poured
 * @param usual temperatures that hold where nothing was measured
 * @returns as planned while nothing was, or where it would never get ripe
 */
export function asBegun(
  { timed, planned, steps }: { readonly timed: TimedBuild; readonly planned: PlannedBuild; readonly steps: readonly PourStep[] },
  { pours, targets, temps }: BegunLevain,
  usual: UsualTemps,
  school: School,
  pantry: Pantry
): TimedBuild {
  if (pours.size === 0 && Object.keys(temps).length === 0) return timed
  const { jar, older } = planned.levain
  const made = pourCompositions(jar.hydration, older.hydration)
  const items = steps.map((step) => {
    const there = pours.get(pourKey(step)) ?? []
    const poured = there.reduce((sum, p) => sum + p.grams, 0)
    const target = targets[pourKey(step)]
    const grams = target === undefined ? (there.length > 0 ? poured : step.grams) : Math.max(target, poured)
    return { ...step, grams, composition: made[step.item], isCulture: step.item === 'seed' || step.item === 'older levain' }
  })
  const gramsOf = (item: PourItem) => items.reduce((sum, i) => (i.item === item ? sum + i.grams : sum), 0)
  const flours = Object.fromEntries(items.flatMap((i) => (i.ingredientId === null ? [] : [[i.ingredientId, i.grams]])))
  const startMs = Math.max(...[...pours.values()].flatMap((there) => there.map((p) => p.atMs)))
  const line = lineOfPlan(
    { ...planned, mixTempC: reckonMix(items satisfies readonly MixItem[], temps, usual).mixC },
    { seed: gramsOf('seed'), older: gramsOf('older levain'), water: gramsOf('water'), salt: gramsOf('salt'), flours: kindsOfGrams(flours, pantry) },
    Number.isFinite(startMs) ? startMs : timed.startMs
  )
  const run = timeLine(line, planned.seed.jar, school)
  return run === null ? timed : { ...timed, ...run }
}
