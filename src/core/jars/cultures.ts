import type { BlendPart } from '../dough/ingredient'
import { FLOURS, type FlourKind } from '../ferment/flours'

/** What a kept culture is: what it lives on, and in which shape. */
export const CULTURES = ['white wheat', 'wholegrain', 'rye', 'house blend', 'ancient wheat', 'stiff', 'stiff under water', 'gluten-free', 'dried'] as const
export type Culture = (typeof CULTURES)[number]

/** How a culture is kept. */
export interface CultureTraits {
  /** What it is fed, where its baker has not said otherwise. */
  readonly feed: readonly BlendPart[]
  readonly flour: FlourKind
  /** Water ÷ flour, as it is usually kept. */
  readonly hydration: number
  /** Flour to one kept in a usual feed. */
  readonly flourPerSeed: number
  /** Its crust and its slimy outside are cut away before it is fed. */
  readonly trimmed: boolean
  /** It stands in water. */
  readonly underWater: boolean
  /** One sentence for who has none. */
  readonly says: string
}

const of = (ingredientId: string): BlendPart[] => [{ ingredientId, share: 1 }]
const liquid = { hydration: 1, flourPerSeed: 2, trimmed: false, underWater: false } as const

/** Water ÷ flour of flakes that snap. */
export const DRY_FLAKES = 0.1

/** Source: craft knowledge. */
export const CULTURE_TRAITS: Readonly<Record<Culture, CultureTraits>> = {
  'white wheat': { ...liquid, feed: of('white wheat'), flour: 'white wheat', says: 'Mild, domes well, easy to read.' },
  wholegrain: { ...liquid, feed: of('wholegrain wheat'), flour: 'wholegrain wheat', says: 'Lively and tangy; hungry sooner.' },
  rye: { ...liquid, feed: of('rye'), flour: 'rye', hydration: 1.2, flourPerSeed: 3, says: 'Sour and sturdy; hardly domes, may be kept wet.' },
  'house blend': {
    ...liquid,
    feed: [
      { ingredientId: 'white wheat', share: 80 },
      { ingredientId: 'rye', share: 20 }
    ],
    flour: 'white wheat',
    says: 'A blend of your own: some rye in white keeps it lively.'
  },
  'ancient wheat': { ...liquid, feed: of('ancient wheat'), flour: 'ancient wheat', says: 'Einkorn or emmer: doubled is its full peak.' },
  stiff: {
    feed: of('strong white'),
    flour: 'white wheat',
    hydration: 0.5,
    flourPerSeed: 2,
    trimmed: true,
    underWater: false,
    says: 'A ball of dough: mild, slow, holds its peak long.'
  },
  'stiff under water': {
    feed: of('strong white'),
    flour: 'white wheat',
    hydration: 0.45,
    flourPerSeed: 1,
    trimmed: true,
    underWater: true,
    says: 'The ball lies in water, which carries acid away; it floats when ripe.'
  },
  'gluten-free': {
    ...liquid,
    feed: [
      { ingredientId: 'buckwheat', share: 1 },
      { ingredientId: 'sorghum', share: 1 }
    ],
    flour: 'gluten-free',
    hydration: 1.1,
    flourPerSeed: 2,
    says: 'Kept apart from all wheat, spelt, rye and barley.'
  },
  dried: {
    ...liquid,
    feed: of('white wheat'),
    flour: 'white wheat',
    hydration: DRY_FLAKES,
    flourPerSeed: 2,
    says: 'Flakes or crumb in a dark dry place; sleeps for a year or more.'
  }
}

/** Stiffer than this it is kept as a ball. */
const STIFF_BELOW = 0.65

/** The culture a jar is taken for, when only its flour and water are known. */
export function cultureOf(flour: FlourKind, hydration: number): Culture {
  if (!FLOURS[flour].gluten) return 'gluten-free'
  if (hydration < STIFF_BELOW) return 'stiff'
  if (flour === 'rye') return 'rye'
  if (flour === 'ancient wheat') return 'ancient wheat'
  return flour === 'white wheat' ? 'white wheat' : 'wholegrain'
}

/** What a jar is fed when its baker has not said: what its culture lives on, with the flour of this one jar. */
export function usualFeed(culture: Culture, flour: FlourKind): readonly BlendPart[] {
  const { feed, flour: usual } = CULTURE_TRAITS[culture]
  return usual === flour ? feed : [{ ingredientId: flour, share: 1 }]
}
