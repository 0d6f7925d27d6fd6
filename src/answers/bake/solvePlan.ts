import type { Jar, Kitchen, Place, Plan } from '../../contract'
import {
  asSeed,
  type BegunLevain,
  CUP_SIZES,
  type JarBelief,
  lineOfFeed,
  type NamedVessel,
  type Pantry,
  pantryOf,
  type SeedJar,
  type SolvedBake,
  type Standing,
  type StepDeed,
  solveBake,
  swingOf
} from '../../core'
import { type Bake, wishOf } from '../fromWire'
import { type Beliefs, beliefIn } from '../judgement/beliefs'
import { glutenInPlan } from './glutenInPlan'
import { hydrationAfter, stagesToCome } from './levainToWeigh'

/** The jars of the kitchen with what is believed of them. */
export interface Cultures {
  readonly jars: readonly Jar[]
  readonly beliefs: Beliefs
}

/** The kitchen with what there is in it. */
export interface Stocked {
  readonly kitchen: Kitchen
  readonly pantry: Pantry
  readonly vessels: readonly NamedVessel[]
}

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

/** The same for a place of the kitchen by its id. */
export function standingIn({ places, timeZone }: Kitchen, placeId: string, tempC: number, atMs: number): Standing {
  return standingAt(
    places.find((p) => p.id === placeId),
    tempC,
    atMs,
    timeZone
  )
}

/** What has become of a bake that is asked about. */
export interface Started {
  /** Taken out of its jar, g. */
  readonly seedGrams: number
  readonly ingredients: Bake['ingredients']
  readonly deeds: ReadonlyMap<string, StepDeed>
  /** What there is of a levain that is being weighed in; null before and after. */
  readonly begun: BegunLevain | null
}

const NOT_STARTED: Started = { seedGrams: 0, ingredients: [], deeds: new Map(), begun: null }

/** What a bake has taken and done. */
export function startedOf(bake: Bake): Started {
  const { state } = bake
  const { poured, deeds, pours, repairs, measured, band } = state
  const own = new Map([...pours].filter(([key]) => state.done.includes(key)))
  const begun = band === null ? { pours: own, targets: repairs.levain ?? {}, temps: measured.get('levain') ?? {} } : null
  return { seedGrams: poured.seed, ingredients: bake.ingredients, deeds, begun }
}

/**
 * What the build is seeded from: the jar as it stands, or what the feeds and builds before it will have made of it.
 * A wake-up feed that was done is in the jar itself.
 */
function seedJarOf(plan: Plan, jar: Jar, jars: readonly Jar[], belief: JarBelief, { kitchen, pantry }: Stocked, { seedGrams, deeds }: Started): SeedJar {
  const { hydration, flour, keepMinimumGrams } = jar
  const kept = plan.build.source === 'mixed seed' ? jars.find((j) => j.id === plan.build.older.jarId) : undefined
  const older = kept === undefined ? undefined : { flour: kept.flour, line: asSeed(kept.line) }
  const own = { grams: jar.grams + seedGrams, keepMinimumGrams, hydration, flour, line: asSeed(jar.line), parameters: belief.centre, older }
  let seed: SeedJar = own
  for (const stage of stagesToCome(plan, deeds)) {
    const atMs = deeds.get(stage.id)?.atMs ?? stage.at
    const kept = { grams: stage.seedGrams, hydration: seed.hydration, flour, line: asSeed(seed.line) }
    const stays = [{ fromMs: atMs, ...standingIn(kitchen, stage.placeId, stage.tempC, atMs) }]
    const line = lineOfFeed(kept, { feed: jar.feed, flourGrams: stage.flourGrams, waterGrams: stage.waterGrams, mixTempC: plan.mixTempC }, stays, pantry)
    const grams = stage.seedGrams + stage.flourGrams + stage.waterGrams
    const made = { line, hydration: hydrationAfter(stage, seed.hydration) }
    // What is not kept at a feed goes to the discard pot; of a first build nothing has to stay.
    seed = { ...seed, ...made, grams, ...(stage.kind === 'wake' ? {} : { keepMinimumGrams: 0 }) }
  }
  return seed
}

/**
 * Everything that follows from a plan in this kitchen.
 * @param nowMs the time now, ms
 * @param started what a started bake has taken out of its jar, its ingredients, and what was done
 * @returns null when its jar is gone
 */
export function solvePlan(plan: Plan, { jars, beliefs }: Cultures, stocked: Stocked, nowMs: number, started: Started = NOT_STARTED): SolvedBake | null {
  const jar = jars.find((j) => j.id === plan.jarId)
  if (jar === undefined) return null
  const { kitchen, pantry, vessels } = stocked
  const { sleep, timeZone, smallScale, tapTempC, places, cups } = kitchen
  const mixMs = plan.mixAt
  const known = pantryOfBake(started, pantry)
  const solved = solveBake(
    wishOf(plan),
    seedJarOf(plan, jar, jars, beliefIn(beliefs, jar.id), stocked, started),
    {
      sleep,
      timeZone,
      smallScale,
      tapTempC,
      flourTempC: places[0]?.tempC ?? plan.tempC,
      standing: standingIn(kitchen, plan.placeId, plan.tempC, mixMs),
      moves: plan.moves.map(({ afterHours, placeId, tempC }) => ({ afterHours, ...standingIn(kitchen, placeId, tempC, mixMs) })),
      pantry: known,
      cups: CUP_SIZES[cups],
      vessels
    },
    nowMs,
    started.begun
  )
  return glutenInPlan(plan, jars, known).length === 0 ? solved : { ...solved, build: null, problem: { code: 'gluten in it', values: {} } }
}

/** Everything that follows from a bake as it stands, started or not. */
export function solveBakeHere(bake: Bake, cultures: Cultures, stocked: Stocked, nowMs: number): SolvedBake | null {
  return solvePlan(bake.plan, cultures, stocked, nowMs, startedOf(bake))
}
