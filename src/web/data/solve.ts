import { type Bake, happeningOf, type Jar, lineFromWire, type Plan, wishOf } from '../../contract'
import { CUP_SIZES, foldBake, type Pantry, pantryOf, type SolvedBake, solveBake } from '../../core'
import type { KitchenHere } from './kitchen'

/** The kitchen's ingredients, as they were when a started bake began. */
export function pantryOfBake(bake: Pick<Bake, 'ingredients'>, pantry: Pantry): Pantry {
  return bake.ingredients.length === 0 ? pantry : new Map([...pantry, ...pantryOf(bake.ingredients)])
}

/**
 * Everything that follows from a plan in this kitchen.
 * @param nowMs the time now, ms
 * @param started what a started bake has taken out of its jar, g, and its ingredients
 * @returns null when its jar is gone
 */
export function solvePlan(
  plan: Plan,
  jars: readonly Jar[],
  { kitchen, pantry, vessels }: KitchenHere,
  nowMs: number,
  started: { readonly seedGrams: number; readonly ingredients: Bake['ingredients'] } = { seedGrams: 0, ingredients: [] }
): SolvedBake | null {
  const jar = jars.find((j) => j.id === plan.jarId)
  if (jar === undefined) return null
  const { sleep, timeZone, smallScale, tapTempC, places, cups } = kitchen
  return solveBake(
    wishOf(plan),
    {
      grams: jar.grams + started.seedGrams,
      keepMinimumGrams: jar.keepMinimumGrams,
      hydration: jar.hydration,
      flour: jar.flour,
      line: lineFromWire(jar.line)
    },
    {
      sleep,
      timeZone,
      smallScale,
      tapTempC,
      flourTempC: places[0]?.tempC ?? plan.tempC,
      surroundings: places.find((p) => p.id === plan.placeId)?.surroundings,
      pantry: pantryOfBake(started, pantry),
      cups: CUP_SIZES[cups],
      vessels
    },
    nowMs
  )
}

/** Everything that follows from a bake as it stands, started or not. */
export function solveBakeHere(bake: Bake, jars: readonly Jar[], here: KitchenHere, nowMs: number): SolvedBake | null {
  const { poured } = foldBake(bake.events.map(happeningOf))
  return solvePlan(bake.plan, jars, here, nowMs, { seedGrams: poured.seed, ingredients: bake.ingredients })
}
