import { ok, problem, type Result } from '../units/result'
import { type BuildMasses, type BuildProblem, flourPerSeedFor, levainNeeded, solveBuild } from './solveBuild'

/** Times its own mass a culture may be grown in one stage: a vigorous jar, a sluggish one. Source: craft knowledge. */
export const MOST_GROWTH = { vigorous: 11, sluggish: 5 } as const
/** Below this a stage gives too little food for so much old starter; 1:1:1 has 3. */
export const LEAST_GROWTH = 3

/** Seed that has to be grown first. */
export interface LadderWish {
  /** Seed the last stage wants, g. */
  readonly seedGrams: number
  /** What the jar can spare, g. */
  readonly spareGrams: number
  /** Water ÷ flour of the jar and of the stages. */
  readonly jarHydration: number
  readonly hydration: number
  /** Most growth per stage. */
  readonly mostGrowth: number
}

/** One stage before the last. */
export interface LadderStage {
  readonly masses: BuildMasses
  readonly totalGrams: number
  readonly flourPerSeed: number
  readonly seedHydration: number
}

export type LadderProblem = BuildProblem | 'nothing to spare'

/**
 * Stages that grow what the jar can spare into the seed of the last stage, each within the growth a culture can make, in as few stages as possible.
 * @returns the stages before the last, none when the jar can spare the seed; each yields the next one's seed and what sticks
 * @example solveLadder({ seedGrams: 60, spareGrams: 10, jarHydration: 1, hydration: 1, mostGrowth: 11 }) // one stage of 65 g from 10 g
 */
export function solveLadder({ seedGrams, spareGrams, jarHydration, hydration, mostGrowth }: LadderWish): Result<LadderStage[], LadderProblem> {
  if (![seedGrams, spareGrams, jarHydration, hydration, mostGrowth].every(Number.isFinite) || !(mostGrowth > 1)) return problem('not a number')
  if (seedGrams <= spareGrams) return ok([])
  if (!(spareGrams > 0)) return problem('nothing to spare', { seedGrams })
  for (let count = 1; count <= 12; count++) {
    const stages = stagesOf(count, seedGrams, spareGrams, jarHydration, hydration, mostGrowth)
    if (stages !== null) return stages
  }
  return problem('nothing to spare', { seedGrams, spareGrams })
}

/** So many stages, from the last one back, all with the same growth; null when that would be more than allowed. */
function stagesOf(
  count: number,
  seedGrams: number,
  spareGrams: number,
  jarHydration: number,
  hydration: number,
  mostGrowth: number
): Result<LadderStage[], LadderProblem> | null {
  const firstSeed = (growth: number) => {
    let wanted = seedGrams
    for (let i = 0; i < count; i++) wanted = levainNeeded([wanted], 0).total / growth
    return wanted
  }
  if (firstSeed(mostGrowth) > spareGrams + 1e-9) return null
  const growth = leastThat((g) => firstSeed(g) <= spareGrams, LEAST_GROWTH, mostGrowth)
  const stages: LadderStage[] = []
  let wanted = seedGrams
  for (let i = count - 1; i >= 0; i--) {
    const totalGrams = levainNeeded([wanted], 0).total
    const seedHydration = i === 0 ? jarHydration : hydration
    const flourPerSeed = flourPerSeedFor(growth, { hydration, seedHydration })
    const solved = solveBuild({ totalGrams, hydration, seedHydration, by: { kind: 'ratio', flourPerSeed } })
    if (!solved.ok) return solved
    stages.unshift({ masses: solved.value, totalGrams, flourPerSeed, seedHydration })
    wanted = solved.value.seed
  }
  return ok(stages)
}

/** The least value between two that passes, where all larger ones do. */
function leastThat(passes: (x: number) => boolean, least: number, most: number): number {
  if (passes(least)) return least
  let [low, high] = [least, most]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (passes(middle)) high = middle
    else low = middle
  }
  return high
}

/**
 * Flour and water that make a whole jar large enough to spare a seed, at its own hydration and nothing taken out.
 * @returns whole g, rounded up; at least as much as makes it grow by half, lest it starve
 * @example feedUp({ jarGrams: 20, hydration: 1, seedGrams: 60, keepMinimumGrams: 15 }) // 30 g of each: 20 + 60 = 60 + 15 + 5
 */
export function feedUp(wish: { readonly jarGrams: number; readonly hydration: number; readonly seedGrams: number; readonly keepMinimumGrams: number }): {
  readonly flourGrams: number
  readonly waterGrams: number
} {
  const wanted = levainNeeded([wish.seedGrams], wish.keepMinimumGrams).total
  const fresh = Math.max(wanted - wish.jarGrams, wish.jarGrams / 2)
  const flour = fresh / (1 + wish.hydration)
  return { flourGrams: Math.ceil(flour - 1e-9), waterGrams: Math.ceil(fresh - flour - 1e-9) }
}
