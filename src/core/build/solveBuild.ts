import { ok, problem, type Result } from '../units/result'

/** One stage of a build as it is wished. */
export interface BuildWish {
  /** M: all of it when mixed, g. */
  readonly totalGrams: number
  /** h: water ÷ flour of the finished levain. */
  readonly hydration: number
  /** hₛ: water ÷ flour of the seed. */
  readonly seedHydration: number
  /** f: fresh flour per gram of seed; 1:2:2 has 2. */
  readonly flourPerSeed: number
}

/** What to weigh, g, unrounded. */
export interface BuildMasses {
  readonly seed: number
  readonly flour: number
  readonly water: number
}

export type BuildProblem = 'not a number' | 'seed too wet'

/**
 * Seed, flour and water of one stage.
 * @returns masses, or `seed too wet` with the smallest flour per seed that works
 * Source: conservation of flour and water; seed = M / ((1 + h)(f + 1 / (1 + hₛ))).
 * @example solveBuild({ totalGrams: 330, hydration: 1.25, seedHydration: 1, flourPerSeed: 3 }) // 41.90 : 125.71 : 162.38
 */
export function solveBuild({ totalGrams, hydration, seedHydration, flourPerSeed }: BuildWish): Result<BuildMasses, BuildProblem> {
  if (![totalGrams, hydration, seedHydration, flourPerSeed].every((x) => Number.isFinite(x) && x > 0)) return problem('not a number')
  const seed = totalGrams / ((1 + hydration) * (flourPerSeed + 1 / (1 + seedHydration)))
  const flour = flourPerSeed * seed
  const water = totalGrams - seed - flour
  if (water < -1e-9) {
    return problem('seed too wet', { leastFlourPerSeed: (seedHydration - hydration) / (hydration * (1 + seedHydration)) })
  }
  return ok({ seed, flour, water: Math.max(water, 0) })
}

/** What clings to jar and spoon: the larger of a share and a few grams. */
export const STICKS = { share: 0.03, leastGrams: 5 } as const

/** Grams a starter jar is never taken below. */
export const KEEP_MINIMUM_GRAMS = 15

/**
 * Ripe levain to build.
 * @param doughNeeds levain of each dough it serves, g
 * @param keepBackGrams held back out of the ripe build, g
 * @returns the sum and what sticks, g
 * @example levainNeeded([200], 30) // { sticks: 6.9, total: 236.9 }
 */
export function levainNeeded(doughNeeds: readonly number[], keepBackGrams: number): { sticks: number; total: number } {
  const wanted = doughNeeds.reduce((sum, g) => sum + g, 0) + keepBackGrams
  const sticks = Math.max(STICKS.share * wanted, STICKS.leastGrams)
  return { sticks, total: wanted + sticks }
}

/**
 * How a ratio is written: seed : flour : water, with at most one decimal.
 * @example ratioOf({ seed: 20, flour: 100, water: 100 }) // "1:5:5"
 */
export function ratioOf({ seed, flour, water }: BuildMasses): string {
  const part = (grams: number) => String(Math.round((grams / seed) * 10) / 10)
  return `1:${part(flour)}:${part(water)}`
}
