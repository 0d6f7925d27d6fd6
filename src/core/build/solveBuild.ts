import type { Composition } from '../dough/composition'
import { ok, problem, type Result } from '../units/result'

/** How much seed a build gets. */
export type BuildMeasure =
  /** f: fresh flour per gram of seed; 1:2:2 has 2. */
  | { readonly kind: 'ratio'; readonly flourPerSeed: number }
  /** Seed ÷ fresh flour. */
  | { readonly kind: 'inoculation'; readonly share: number }
  /** So much seed, g; the flour follows. */
  | { readonly kind: 'seed'; readonly grams: number }
  /** Seed, fresh flour and water as they are to be weighed, g: they stay exactly so, and the hydration is what they make. */
  | { readonly kind: 'amounts'; readonly seed: number; readonly flour: number; readonly water: number }

/** One stage of a build as it is wished. */
export interface BuildWish {
  /** M: all of it when mixed, g. */
  readonly totalGrams: number
  /** h: water ÷ flour of the finished levain. */
  readonly hydration: number
  /** hₛ: water ÷ flour of the seed. */
  readonly seedHydration: number
  readonly by: BuildMeasure
  /** Salt and oil on all flour of the levain. */
  readonly salt?: number
  readonly oil?: number
}

/** What to weigh, g, unrounded. */
export interface BuildMasses {
  readonly seed: number
  readonly flour: number
  readonly water: number
  readonly salt: number
  readonly oil: number
}

export type BuildProblem = 'not a number' | 'seed too wet' | 'seed is enough' | 'amounts too small'

/** Flour in one gram of a starter of a hydration. */
const flourIn = (hydration: number) => 1 / (1 + hydration)

/** All of it per gram of seed. */
function growth(f: number, wish: Pick<BuildWish, 'hydration' | 'seedHydration' | 'salt' | 'oil'>): number {
  return (f + flourIn(wish.seedHydration)) * (1 + wish.hydration + (wish.salt ?? 0) + (wish.oil ?? 0))
}

/** Fresh flour per gram of seed that makes the whole so many times the seed. */
export function flourPerSeedFor(times: number, wish: Pick<BuildWish, 'hydration' | 'seedHydration' | 'salt' | 'oil'>): number {
  return times / (1 + wish.hydration + (wish.salt ?? 0) + (wish.oil ?? 0)) - flourIn(wish.seedHydration)
}

/**
 * Seed, flour and water of one stage, by ratio, inoculation, the seed at hand, or as they were given.
 * @returns masses; amounts that are given and make more than is wanted are left as they are, less is `amounts too small`; `seed too wet` with the smallest flour per seed that works; `seed is enough` when no flour is left to be added
 * Source: conservation of flour and water; seed = M / ((1 + h)(f + 1 / (1 + hₛ))).
 * @example solveBuild({ totalGrams: 330, hydration: 1.25, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 3 } }) // 41.90 : 125.71 : 162.38
 */
export function solveBuild(wish: BuildWish): Result<BuildMasses, BuildProblem> {
  const { totalGrams, hydration, seedHydration, by, salt = 0, oil = 0 } = wish
  if (by.kind === 'amounts') return asGiven(by, wish)
  const given = by.kind === 'ratio' ? by.flourPerSeed : by.kind === 'inoculation' ? by.share : by.grams
  if (![totalGrams, hydration, seedHydration, given].every((x) => Number.isFinite(x) && x > 0)) return problem('not a number')
  if (![salt, oil].every((x) => Number.isFinite(x) && x >= 0)) return problem('not a number')
  const f = by.kind === 'ratio' ? given : by.kind === 'inoculation' ? inoculationOf(given) : flourPerSeedFor(totalGrams / given, wish)
  if (f <= 0) return problem('seed is enough', { seedGrams: given, totalGrams })
  const seed = totalGrams / growth(f, wish)
  const flour = f * seed
  const allFlour = flour + seed * flourIn(seedHydration)
  const water = hydration * allFlour - seed * (1 - flourIn(seedHydration))
  if (water < -1e-9) {
    return problem('seed too wet', { leastFlourPerSeed: (seedHydration - hydration) / (hydration * (1 + seedHydration)) })
  }
  return ok({ seed, flour, water: Math.max(water, 0), salt: salt * allFlour, oil: oil * allFlour })
}

/** Amounts that were given; salt and oil follow from their flour. */
function asGiven({ seed, flour, water }: Extract<BuildMeasure, { kind: 'amounts' }>, wish: BuildWish): Result<BuildMasses, BuildProblem> {
  const { totalGrams, seedHydration, salt = 0, oil = 0 } = wish
  if (![seed, flour, water, totalGrams, seedHydration, salt, oil].every((x) => Number.isFinite(x) && x >= 0) || !(seed > 0) || !(flour > 0))
    return problem('not a number')
  const allFlour = flour + seed * flourIn(seedHydration)
  const masses = { seed, flour, water, salt: salt * allFlour, oil: oil * allFlour }
  const made = massOf(masses)
  return made < totalGrams - SCALE_SLACK_GRAMS ? problem('amounts too small', { madeGrams: made, totalGrams }) : ok(masses)
}

/** Amounts are given in whole grams: less than this short of what is wanted is none. */
const SCALE_SLACK_GRAMS = 0.5

/** All of a build, g. */
export const massOf = ({ seed, flour, water, salt, oil }: BuildMasses) => seed + flour + water + salt + oil

/**
 * What a levain holds, salt and oil of its build too.
 * @example levainComposition({ hydration: 1, salt: 0, oil: 0 }) // { flour: .5, water: .5, salt: 0 }
 */
export function levainComposition({ hydration, salt, oil }: { readonly hydration: number; readonly salt: number; readonly oil: number }): Composition {
  const whole = 1 + hydration + salt + oil
  return { flour: 1 / whole, water: hydration / whole, salt: salt / whole }
}

/**
 * Several seeds as one, by their composition.
 * @param seeds shares of the seed's mass, and water ÷ flour of each
 * @returns water ÷ flour of the mixed seed
 * @example mixedSeedHydration([{ share: 1, hydration: 1 }, { share: 1, hydration: .5 }]) // .714
 */
export function mixedSeedHydration(seeds: readonly { readonly share: number; readonly hydration: number }[]): number {
  const flour = seeds.reduce((t, s) => t + s.share * flourIn(s.hydration), 0)
  const all = seeds.reduce((t, s) => t + s.share, 0)
  return flour > 0 ? (all - flour) / flour : 0
}

/**
 * Hydration that follows when all three numbers of a ratio are given.
 * @example hydrationOfRatio(4, 3, 1) // (3 + .5) / (4 + .5)
 */
export function hydrationOfRatio(flourPerSeed: number, waterPerSeed: number, seedHydration: number): number {
  const flour = flourIn(seedHydration)
  return (waterPerSeed + 1 - flour) / (flourPerSeed + flour)
}

/** Seed ÷ fresh flour of a ratio, and the other way round. */
export const inoculationOf = (flourPerSeed: number) => 1 / flourPerSeed

/** What clings to jar and spoon: the larger of a share and a few grams. */
export const STICKS = { share: 0.03, leastGrams: 5 } as const

/**
 * Ripe levain to build.
 * @param doughNeeds levain of each dough it serves, g
 * @param keepBackGrams held back out of the ripe build or returned to the jar, g
 * @param sticksGrams what clings to jar and spoon, where its baker knows it; else worked out
 * @returns the sum and what sticks, g
 * @example levainNeeded([200], 30) // { sticks: 6.9, total: 236.9 }
 */
export function levainNeeded(doughNeeds: readonly number[], keepBackGrams: number, sticksGrams: number | null = null): { sticks: number; total: number } {
  const wanted = doughNeeds.reduce((sum, g) => sum + g, 0) + keepBackGrams
  const sticks = sticksGrams ?? Math.max(STICKS.share * wanted, STICKS.leastGrams)
  return { sticks, total: wanted + sticks }
}

/**
 * How a ratio is written: seed : flour : water, with at most one decimal.
 * @example ratioOf({ seed: 20, flour: 100, water: 100 }) // "1:5:5"
 */
export function ratioOf({ seed, flour, water }: Pick<BuildMasses, 'seed' | 'flour' | 'water'>): string {
  const part = (grams: number) => String(Math.round((grams / seed) * 10) / 10)
  return `1:${part(flour)}:${part(water)}`
}

/**
 * Reads a ratio as it is written: "1:4:4", "1 : 2.5 : 2", "1:5", or as it was weighed: "20 + 110 + 110".
 * @returns flour and, where it is given, water per part of seed; null for anything else, and for "110 + 110", which says nothing of the seed
 */
export function readRatio(text: string): { readonly flourPerSeed: number; readonly waterPerSeed: number | null } | null {
  const parts = text
    .trim()
    .replace(/,/g, '.')
    .split(/\s*[:/+]\s*/)
  const [seed, flour, water] = parts.map(Number)
  if (parts.length < (text.includes('+') ? 3 : 2) || parts.length > 3 || !parts.every((p) => /^\d*\.?\d+$/.test(p)) || !seed || !flour) return null
  return { flourPerSeed: flour / seed, waterPerSeed: water === undefined ? null : water / seed }
}
