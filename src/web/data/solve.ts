import { type Bake, happeningOf, lineFromWire, type Place, type Plan, wishOf } from '../../contract'
import { CUP_SIZES, foldBake, type Pantry, pantryOf, type SolvedBake, type Standing, solveBake, swingOf } from '../../core'
import { beliefIn, type Cultures } from './beliefs'
import type { KitchenHere } from './kitchen'

/** The kitchen's ingredients, as they were when a started bake began. */
export function pantryOfBake(bake: Pick<Bake, 'ingredients'>, pantry: Pantry): Pantry {
  return bake.ingredients.length === 0 ? pantry : new Map([...pantry, ...pantryOf(bake.ingredients)])
}

/**
 * How a place treats what stands there.
 * @param place undefined: one that has been taken away since
 * @param tempC by day, for this bake; a place that is set warmer is so by night, too
 */
export function standingAt(place: Place | undefined, tempC: number, atMs: number, timeZone: string): Standing {
  if (place === undefined) return { tempC }
  const nightTempC = place.nightTempC === null ? null : place.nightTempC + tempC - place.tempC
  const swing = swingOf({ tempC, nightTempC }, atMs, timeZone)
  return { tempC: tempC - (swing?.swingK ?? 0), surroundings: place.surroundings, swing }
}

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
      standing: standingAt(place, plan.tempC, Date.parse(plan.mixAt), timeZone),
      moves: plan.moves.map(({ afterHours, placeId, tempC }) => ({
        afterHours,
        ...standingAt(
          places.find((p) => p.id === placeId),
          tempC,
          Date.parse(plan.mixAt),
          timeZone
        )
      })),
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
