import { ok, problem, type Result } from '../units/result'
import { type Composition, FLOUR, levainOf, SALT, type TrueValues, trueValues, WATER } from './composition'

/**
 * Which flour counts as 100 %: `total flour` (the levain is given as its share of all flour), `dough flour` (flour added at
 * the mix; water and salt are solved so that the overall values hold), `plain` (every % literal, nothing counted).
 */
export const PERCENTAGE_BASES = ['total flour', 'dough flour', 'plain'] as const
export type PercentageBase = (typeof PERCENTAGE_BASES)[number]

/** An ingredient beside flour, water, salt and levain. */
export interface Extra {
  /** Fraction of the base flour. */
  readonly share: number
  readonly composition: Composition
}

/** A dough as it is wished. All shares are fractions of the base flour. */
export interface Formula {
  readonly base: PercentageBase
  /** Water ÷ flour that is wanted. */
  readonly hydration: number
  /** Salt ÷ flour that is wanted. */
  readonly salt: number
  /** Total flour: share of all flour that ferments in the levain. Other bases: levain, all of it, on the base flour. */
  readonly levain: number
  /** Water ÷ flour of the levain. */
  readonly levainHydration: number
  readonly extras?: readonly Extra[]
}

/** What to weigh, g, unrounded. */
export interface DoughMasses {
  readonly flour: number
  readonly water: number
  readonly salt: number
  readonly levain: number
  readonly extras: readonly number[]
}

/** A solved dough: masses, and what is really in it. */
export interface SolvedDough {
  readonly masses: DoughMasses
  readonly truth: TrueValues
  /** Share of all flour that ferments ahead. */
  readonly preFermented: number
  /** Flour that counts as 100 %, g, and the sum it was divided by: masses explain themselves. */
  readonly baseFlourGrams: number
  readonly divisor: number
}

export type DoughProblem = 'dough mass' | 'not a number' | 'levain wetter than dough' | 'levain above all flour' | 'no flour' | 'extras too salty'

/** Residue below which a solved mass counts as zero, g per g of dough. */
const DUST = 1e-12

/**
 * Formula → masses, in any percentage base.
 * @param doughGrams D, all of the dough, g
 * @param formula what is wished; extras are counted with all they hold
 * @returns unrounded masses with true values, or why it cannot be
 * Source: conservation of flour, water and salt.
 * @example solveFormula(1480, { base: 'dough flour', hydration: 0.74, salt: 0.021, levain: 0.27, levainHydration: 1.25 }) // flour 750.39
 */
export function solveFormula(doughGrams: number, formula: Formula): Result<SolvedDough, DoughProblem> {
  const { base, hydration: H, salt: s, levain: L, levainHydration: h } = formula
  const extras = formula.extras ?? []
  const figures = [doughGrams, H, s, L, h, ...extras.flatMap((e) => [e.share, e.composition.flour, e.composition.water, e.composition.salt])]
  if (figures.some((x) => !Number.isFinite(x) || x < 0)) return problem('not a number')
  if (doughGrams <= 0) return problem('dough mass')
  const extra = (pick: (e: Extra) => number) => extras.reduce((sum, e) => sum + pick(e), 0)
  const extraAll = extra((e) => e.share)
  const extraFlour = extra((e) => e.share * e.composition.flour)
  const extraWater = extra((e) => e.share * e.composition.water)
  const extraSalt = extra((e) => e.share * e.composition.salt)
  const levain = levainOf(h)

  // Shares of the base flour: flour, water, salt and levain to be weighed.
  let shares: { flour: number; water: number; salt: number; levain: number }
  if (base === 'total flour') {
    if (L + extraFlour > 1) return problem('levain above all flour', { share: L + extraFlour })
    shares = { flour: 1 - L - extraFlour, water: H - h * L - extraWater, salt: s - extraSalt, levain: L * (1 + h) }
  } else if (base === 'dough flour') {
    const all = 1 + L * levain.flour + extraFlour
    shares = { flour: 1, water: H * all - L * levain.water - extraWater, salt: s * all - extraSalt, levain: L }
  } else {
    shares = { flour: 1, water: H, salt: s, levain: L }
  }
  if (shares.water < -DUST) return problem('levain wetter than dough', { hydration: H, levainHydration: h, missing: -shares.water })
  if (shares.salt < -DUST) return problem('extras too salty', { salt: s })
  const divisor = shares.flour + shares.water + shares.salt + shares.levain + extraAll
  const baseFlourGrams = doughGrams / divisor
  const masses: DoughMasses = {
    flour: Math.max(shares.flour, 0) * baseFlourGrams,
    water: Math.max(shares.water, 0) * baseFlourGrams,
    salt: Math.max(shares.salt, 0) * baseFlourGrams,
    levain: shares.levain * baseFlourGrams,
    extras: extras.map((e) => e.share * baseFlourGrams)
  }
  const truth = truthOf(masses, formula)
  if (!(truth.flourGrams > 0)) return problem('no flour')
  return ok({ masses, truth, preFermented: (masses.levain * levain.flour) / truth.flourGrams, baseFlourGrams, divisor })
}

/** True values of masses, rounded or not, with what the formula says of levain and extras. */
export function truthOf(masses: DoughMasses, formula: Pick<Formula, 'levainHydration' | 'extras'>): TrueValues {
  return trueValues([
    { grams: masses.flour, composition: FLOUR },
    { grams: masses.water, composition: WATER },
    { grams: masses.salt, composition: SALT },
    { grams: masses.levain, composition: levainOf(formula.levainHydration) },
    ...(formula.extras ?? []).map((e, i) => ({ grams: masses.extras[i] ?? 0, composition: e.composition }))
  ])
}

/**
 * Masses → formula: restates the same grams in a base. The inverse of solveFormula.
 * @param masses g; at least some flour
 * @param base the base to state them in
 * @param levainHydration water ÷ flour of the levain
 * @param extras compositions in the order of `masses.extras`
 * @throws RangeError when the base has no flour
 */
export function restate(masses: DoughMasses, base: PercentageBase, levainHydration: number, extras: readonly Composition[] = []): Formula {
  const levain = levainOf(levainHydration)
  const shaped = { levainHydration, extras: extras.map((composition) => ({ share: 0, composition })) }
  const truth = truthOf(masses, shaped)
  const hundred = base === 'total flour' ? truth.flourGrams : masses.flour
  if (!(hundred > 0)) throw new RangeError('No flour counts as 100 %.')
  return {
    base,
    hydration: base === 'plain' ? masses.water / hundred : truth.hydration,
    salt: base === 'plain' ? masses.salt / hundred : truth.salt,
    levain: (base === 'total flour' ? masses.levain * levain.flour : masses.levain) / hundred,
    levainHydration,
    extras: extras.map((composition, i) => ({ share: (masses.extras[i] ?? 0) / hundred, composition }))
  }
}
