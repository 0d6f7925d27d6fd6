import { ok, problem, type Result } from '../units/result'
import { type BuildMasses, type BuildMeasure, type BuildProblem, type BuildWish, levainNeeded, massOf, mixedSeedHydration, solveBuild } from './solveBuild'

/** Where the levain comes from: the schools. */
export const LEVAIN_SOURCES = ['separate build', 'as it is', 'straight from the jar', 'draw and top up', 'put some back', 'mixed seed'] as const
export type LevainSource = (typeof LEVAIN_SOURCES)[number]

/** A levain as it is wished, whatever the school. */
export interface LevainWish {
  readonly source: LevainSource
  /** Levain of each dough it serves, g. */
  readonly doughNeeds: readonly number[]
  /** Held back out of the ripe build, g; what stays in the jar where it comes straight from it. */
  readonly keepBackGrams: number
  readonly hydration: number
  readonly salt: number
  readonly oil: number
  readonly by: BuildMeasure
  /** What clings to jar and spoon, g; left out: worked out. */
  readonly sticksGrams?: number | null
  readonly jar: { readonly grams: number; readonly hydration: number; readonly keepMinimumGrams: number }
  /** Fresh flour and water for the jar that starter was drawn from, g; left out: as much as was drawn. */
  readonly refill?: { readonly flour: number; readonly water: number } | null
  /** Older ripe levain in a mixed seed: its share of the seed, and its hydration. */
  readonly older: { readonly share: number; readonly hydration: number }
}

/** A levain with its masses, and what it leaves behind. All g. */
export interface SourcedLevain {
  readonly masses: BuildMasses
  readonly seedHydration: number
  readonly fromJarGrams: number
  readonly fromOlderGrams: number
  /** Held back or returned. */
  readonly keepBackGrams: number
  readonly sticksGrams: number
  readonly totalGrams: number
  /** Fresh flour and water that go into the jar in the same moment. */
  readonly topUp: { readonly flour: number; readonly water: number }
  /** What the jar holds once the seed is out (and the top-up in). */
  readonly jarAfterGrams: number
  /** What it holds once the levain has been mixed and the keep-back is home. */
  readonly jarInTheEndGrams: number
  /** What goes to the discard pot. */
  readonly discardGrams: number
  /** What the jar can spare without falling below its least. */
  readonly spareGrams: number
}

const ROUNDS = 40

/** Starter that goes into the dough as it is: nothing is built, and the jar keeps the rest. */
function usedAsItIs({ doughNeeds, sticksGrams, jar }: LevainWish): Result<SourcedLevain, BuildProblem> {
  const sticks = sticksGrams ?? 0
  const seed = doughNeeds.reduce((sum, g) => sum + g, sticks)
  if (!Number.isFinite(seed) || seed <= 0) return problem('not a number')
  const left = jar.grams - seed
  return ok({
    masses: { seed, flour: 0, water: 0, salt: 0, oil: 0 },
    seedHydration: jar.hydration,
    fromJarGrams: seed,
    fromOlderGrams: 0,
    keepBackGrams: 0,
    sticksGrams: sticks,
    totalGrams: seed,
    topUp: { flour: 0, water: 0 },
    jarAfterGrams: left,
    jarInTheEndGrams: left,
    discardGrams: 0,
    spareGrams: Math.max(jar.grams - jar.keepMinimumGrams, 0)
  })
}

/**
 * Masses of a levain in one of the schools, and what it leaves in jar and discard pot.
 * `as it is`: ripe starter goes straight into the dough. `separate build`: seed out, jar fed apart. `straight from the jar`: all but the seed goes to the discard pot, the jar is fed large enough, and what is not used stays in it.
 * `draw and top up`: flour and water go into the jar at once, as much as seed was drawn unless it is said. `put some back`: as much of the ripe build as seed was taken returns.
 * `mixed seed`: part of the seed is older ripe levain.
 */
export function sourceLevain(wish: LevainWish): Result<SourcedLevain, BuildProblem> {
  const { source, jar, hydration, salt, oil, by } = wish
  if (source === 'as it is') return usedAsItIs(wish)
  const mixed = source === 'mixed seed'
  const seedHydration = mixed
    ? mixedSeedHydration([
        { share: 1 - wish.older.share, hydration: jar.hydration },
        { share: wish.older.share, hydration: wish.older.hydration }
      ])
    : jar.hydration
  const build = (keepBack: number) => {
    const need = levainNeeded(wish.doughNeeds, keepBack, wish.sticksGrams)
    const stage: BuildWish = { totalGrams: need.total, hydration, seedHydration, by, salt, oil }
    return { need, keepBack, solved: solveBuild(stage) }
  }
  // Of amounts that were given, what no dough takes goes back.
  const given = by.kind === 'amounts'
  let answer = build(source === 'put some back' || given ? 0 : wish.keepBackGrams)
  if (source === 'put some back' && !given) {
    // What returns is as much as the seed, and more to build takes more seed: settled by repeating.
    for (let i = 0; i < ROUNDS && answer.solved.ok; i++) {
      if (Math.abs(answer.solved.value.seed - answer.keepBack) < 1e-9) break
      answer = build(answer.solved.value.seed)
    }
  }
  if (!answer.solved.ok) return answer.solved
  const masses = answer.solved.value
  const totalGrams = given ? massOf(masses) : answer.need.total
  const keepBackGrams = answer.keepBack + Math.max(totalGrams - answer.need.total, 0)
  const fromOlderGrams = mixed ? masses.seed * wish.older.share : 0
  const fromJarGrams = masses.seed - fromOlderGrams
  const asMuch = fromJarGrams / (1 + jar.hydration)
  const topUp = source !== 'draw and top up' ? { flour: 0, water: 0 } : (wish.refill ?? { flour: asMuch, water: asMuch * jar.hydration })
  const emptied = source === 'straight from the jar'
  const jarAfterGrams = emptied ? 0 : jar.grams - fromJarGrams + topUp.flour + topUp.water
  return ok({
    masses,
    seedHydration,
    fromJarGrams,
    fromOlderGrams,
    keepBackGrams,
    sticksGrams: answer.need.sticks,
    totalGrams,
    topUp,
    jarAfterGrams,
    jarInTheEndGrams: jarAfterGrams + keepBackGrams,
    discardGrams: emptied ? Math.max(jar.grams - fromJarGrams, 0) : 0,
    // Straight from the jar nothing else has to stay: what stays is the keep-back of the build.
    spareGrams: Math.max(emptied ? jar.grams : jar.grams - jar.keepMinimumGrams, 0)
  })
}
