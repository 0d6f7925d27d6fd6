import { type PourManner, type PourStep, pourManner, pourSteps } from '../build/pourOrder'
import type { SourcedLevain } from '../build/source'
import { mainKind } from '../dough/blend'
import type { BlendPart } from '../dough/ingredient'
import type { FloursByKind } from '../ferment/flours'
import { KITCHEN_SCALE_GRAMS, roundToScale, scaleStep } from '../units/mass'

/** What is weighed for a levain, rounded to the scale, g. */
export interface WeighedBuild {
  /** Out of the jar. */
  readonly seed: number
  readonly older: number
  /** All fresh flour. */
  readonly flour: number
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
  readonly water: number
  readonly salt: number
  readonly oil: number
}

/** What is weighed for a levain, and how it goes in. */
export interface LevainWeights {
  readonly weigh: WeighedBuild
  readonly steps: readonly PourStep[]
  readonly manner: PourManner
}

/**
 * What is to be weighed for a levain. Whatever the scale shows as nothing is not weighed, and nobody asks for it.
 * @param sourced its exact masses
 * @param flours parts of the fresh flour by ingredient
 * @param kinds the same by kind
 * @param smallScale a scale that shows 0.1 g is at hand: for salt, and for whatever is tiny
 * @returns grams as the scale shows them, each with the smallest step of the scale it is weighed on
 */
export function weighLevain(
  { masses, fromJarGrams, fromOlderGrams }: Pick<SourcedLevain, 'masses' | 'fromJarGrams' | 'fromOlderGrams'>,
  flours: readonly BlendPart[],
  kinds: FloursByKind,
  hydration: number,
  smallScale: boolean
): LevainWeights {
  const fine = (grams: number) => scaleStep(grams, smallScale)
  const salty = scaleStep(masses.salt, smallScale, true)
  const seedOf = (grams: number) => (grams > 0 ? Math.max(roundToScale(grams, fine(grams)), fine(grams)) : 0)
  const all = flours.reduce((t, p) => t + p.share, 0)
  const weighed = flours
    .map(({ ingredientId, share }) => ({ ingredientId, grams: roundToScale((masses.flour * share) / all, KITCHEN_SCALE_GRAMS) }))
    .filter((p) => p.grams > 0)
  const weigh: WeighedBuild = {
    seed: seedOf(fromJarGrams),
    older: seedOf(fromOlderGrams),
    flour: weighed.reduce((t, p) => t + p.grams, 0),
    flours: weighed,
    water: roundToScale(masses.water, KITCHEN_SCALE_GRAMS),
    salt: roundToScale(masses.salt, salty),
    oil: roundToScale(masses.oil, fine(masses.oil))
  }
  const manner = pourManner(hydration, mainKind(kinds))
  const resolutions = {
    seed: fine(fromJarGrams),
    'older levain': fine(fromOlderGrams),
    water: KITCHEN_SCALE_GRAMS,
    flour: KITCHEN_SCALE_GRAMS,
    salt: salty,
    oil: fine(masses.oil)
  }
  return { weigh, manner, steps: pourSteps(weigh, weighed, manner, resolutions) }
}
