import type { FlourKind } from '../ferment/flours'

/** What can be poured into a build. */
export const POUR_ITEMS = ['seed', 'older levain', 'water', 'flour', 'salt', 'oil'] as const
export type PourItem = (typeof POUR_ITEMS)[number]

/** How a levain is put together. */
export const POUR_MANNERS = ['loosen', 'knead in', 'in portions'] as const
export type PourManner = (typeof POUR_MANNERS)[number]

/** Stiffer than this the flour goes into the seed first; wetter rye than that takes its water in portions. */
const STIFF_BELOW = 0.65
const WET_RYE_FROM = 1.2

/** How a levain of a hydration and main flour is put together. Source: craft knowledge. */
export function pourManner(hydration: number, mainFlour: FlourKind): PourManner {
  if (hydration < STIFF_BELOW) return 'knead in'
  return mainFlour === 'rye' && hydration >= WET_RYE_FROM ? 'in portions' : 'loosen'
}

/** The order in which things go in, wherever something is poured. */
export function pourOrder(manner: PourManner): readonly PourItem[] {
  return manner === 'knead in' ? ['seed', 'older levain', 'flour', 'salt', 'water', 'oil'] : ['seed', 'older levain', 'water', 'flour', 'salt', 'oil']
}

/** One pour. */
export interface PourStep {
  readonly item: PourItem
  /** Which flour; null for everything else. */
  readonly ingredientId: string | null
  readonly grams: number
  /** Smallest step of the scale it is weighed on, g. */
  readonly resolution: number
}

/** Names one pour among those of a build. */
export const pourKey = (step: { readonly item: PourItem; readonly ingredientId?: string | null }) =>
  step.ingredientId == null ? step.item : `${step.item}:${step.ingredientId}`

/**
 * The pours of a build in their order; nothing that weighs nothing.
 * @param masses what to weigh, g
 * @param flours the fresh flour by ingredient, g
 * @param resolutions smallest step of the scale for each, g
 */
export function pourSteps(
  masses: Readonly<Record<Exclude<PourItem, 'older levain'>, number>> & { readonly older: number },
  flours: readonly { readonly ingredientId: string; readonly grams: number }[],
  manner: PourManner,
  resolutions: Readonly<Record<PourItem, number>>
): PourStep[] {
  return pourOrder(manner)
    .flatMap((item): PourStep[] => {
      if (item === 'flour') return flours.map(({ ingredientId, grams }) => ({ item, ingredientId, grams, resolution: resolutions[item] }))
      return [{ item, ingredientId: null, grams: item === 'older levain' ? masses.older : masses[item], resolution: resolutions[item] }]
    })
    .filter((step) => step.grams > 0)
}
