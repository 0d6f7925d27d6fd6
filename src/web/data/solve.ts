import { type Bake, happeningOf, lineFromWire, type Place, type Plan, wishOf } from '../../contract'
import { CUP_SIZES, foldBake, type Pantry, pantryOf, type SolvedBake, solveBake, swingOf } from '../../core'
import { beliefIn, type Cultures } from './beliefs'
import type { KitchenHere } from './kitchen'

/** The kitchen's ingredients, as they were when a started bake began. */
export function pantryOfBake(bake: Pick<Bake, 'ingredients'>, pantry: Pantry): Pantry {
  return bake.ingredients.length === 0 ? pantry : new Map([...pantry, ...pantryOf(bake.ingredients)])
}

/** A place that is set warmer or cooler for one bake is so by night, too. */
const nightOf = (place: Place, tempC: number) => (place.nightTempC === null ? null : place.nightTempC + tempC - place.tempC)

/**
 * Everything that follows from a plan in this kitchen.
 * @param nowMs the time now, ms
 * @param started what a started bake has taken out of its jar, g, and its ingredients
 * @returns null when its jar is gone
 */
export function solvePlan(
  plan: Plan,
  { jars, beliefs }: Cultures,
  { kitchen, pantry, vessels }: KitchenHere,
  nowMs: number,
  started: { readonly seedGrams: number; readonly ingredients: Bake['ingredients'] } = { seedGrams: 0, ingredients: [] }
): SolvedBake | null {
  const jar = jars.find((j) => j.id === plan.jarId)
  if (jar === undefined) return null
  const { sleep, timeZone, smallScale, tapTempC, places, cups } = kitchen
  const place = places.find((p) => p.id === plan.placeId)
  return solveBake(
    wishOf(plan),
    {
      grams: jar.grams + started.seedGrams,
      keepMinimumGrams: jar.keepMinimumGrams,
      hydration: jar.hydration,
      flour: jar.flour,
      line: lineFromWire(jar.line),
      parameters: beliefIn(beliefs, jar.id).centre
    },
    {
      sleep,
      timeZone,
      smallScale,
      tapTempC,
      flourTempC: places[0]?.tempC ?? plan.tempC,
      surroundings: place?.surroundings,
      swing:
        place === undefined ? undefined : swingOf({ ...place, tempC: plan.tempC, nightTempC: nightOf(place, plan.tempC) }, Date.parse(plan.mixAt), timeZone),
      pantry: pantryOfBake(started, pantry),
      cups: CUP_SIZES[cups],
      vessels
    },
    nowMs
  )
}

/** Everything that follows from a bake as it stands, started or not. */
export function solveBakeHere(bake: Bake, cultures: Cultures, here: KitchenHere, nowMs: number): SolvedBake | null {
  const { poured } = foldBake(bake.events.map(happeningOf))
  return solvePlan(bake.plan, cultures, here, nowMs, { seedGrams: poured.seed, ingredients: bake.ingredients })
}
