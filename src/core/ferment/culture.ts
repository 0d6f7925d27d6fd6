import { MODEL } from './constants'

/** What a culture is at one moment; densities are per flour and 1 at the peak of a levain. */
export interface CultureState {
  /** N: density of yeast. */
  readonly yeast: number
  /** A: density of acid bacteria. */
  readonly bacteria: number
  /** S: food left, 1 in fresh flour. */
  readonly food: number
  /** L: acid made, mmol per kg of flour. */
  readonly acid: number
  /** h₀: work to be done before it grows again when fed. */
  readonly lagWork: number
}

/** A portion of a culture that goes into a mix. */
export interface SeedPart {
  /** Flour in it, g. */
  readonly flourGrams: number
  /** How it is when it is taken. */
  readonly state: CultureState
}

/** A culture at the peak of a feed: what a seed is taken to be when nothing else is known. */
export const RIPE: CultureState = { yeast: 1, bacteria: 1, food: 0.18, acid: 181, lagWork: MODEL.lagWorkRipe }

/** A culture that was dried: most of it is lost, the rest sleeps deep. Source: craft knowledge (dried flakes hardly rise at their first feed and want two or three). */
export const DRIED: CultureState = { yeast: 0.00208, bacteria: 0.116, food: 0.18, acid: 181, lagWork: 4.77 }

/**
 * Seeds and fresh flour mixed: what the vessel starts from. Water does not dilute, densities are per flour.
 * @param seeds portions with the flour in each, g
 * @param freshFlourGrams g of fresh flour, 0 or more
 * @param foodOfFresh food in fresh flour, 1 for white wheat
 * @returns the state just after mixing; all zero with food when there is no seed
 * @throws RangeError when there is no flour at all
 * @example mixCultures([{ flourGrams: 20, state: RIPE }], 100, 1).yeast // 1/6
 */
export function mixCultures(seeds: readonly SeedPart[], freshFlourGrams: number, foodOfFresh: number): CultureState {
  const seedFlour = seeds.reduce((sum, seed) => sum + seed.flourGrams, 0)
  const flour = seedFlour + freshFlourGrams
  if (!(flour > 0)) throw new RangeError('A mix needs flour.')
  const share = (pick: (state: CultureState) => number) => seeds.reduce((sum, seed) => sum + seed.flourGrams * pick(seed.state), 0) / flour
  return {
    yeast: share((s) => s.yeast),
    bacteria: share((s) => s.bacteria),
    food: share((s) => s.food) + (freshFlourGrams / flour) * foodOfFresh,
    acid: share((s) => s.acid),
    lagWork: lagOf(seeds.map(({ flourGrams, state }) => ({ yeast: flourGrams * state.yeast, lagWork: state.lagWork })))
  }
}

/** Lag of several yeasts together: what counts is how much of all of it is awake. */
function lagOf(parts: readonly { readonly yeast: number; readonly lagWork: number }[]): number {
  const [awake, all] = parts.reduce(([a, b], { yeast, lagWork }) => [a + yeast * Math.exp(-lagWork), b + yeast], [0, 0])
  return all > 0 ? -Math.log(awake / all) : MODEL.lagWorkRipe
}

/**
 * Baker's yeast, in densities of a ripe levain for a share of 1 of all flour, and how soon it wakes. Source: craft knowledge, fitted to the bulk of doughs
 * raised by a levain with a tenth, a half and one per cent of it.
 */
export const INSTANT_YEAST = { densityPerShare: 113, lagWork: 1.07 } as const
/** Grams of instant yeast that one gram of fresh yeast is worth. Source: craft knowledge, the usual third. */
export const FRESH_YEAST_WORTH = 1 / 3

/**
 * A culture with baker's yeast stirred in.
 * @param share instant yeast ÷ all flour
 */
export function withYeast(state: CultureState, share: number): CultureState {
  const added = INSTANT_YEAST.densityPerShare * share
  if (!(added > 0)) return state
  return { ...state, yeast: state.yeast + added, lagWork: lagOf([state, { yeast: added, lagWork: INSTANT_YEAST.lagWork }]) }
}
