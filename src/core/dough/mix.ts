import type { Composition } from './composition'
import type { Pantry } from './ingredient'

/** One thing in a pre-ferment or soaker: an ingredient, or a mix of its own. */
export type MixPart = { readonly parts: number } & ({ readonly ingredientId: string } | { readonly mix: Mix })

/** A recipe by parts of weight: poolish, biga, sponge, soaker, scald, to any depth. */
export interface Mix {
  readonly name: string
  readonly parts: readonly MixPart[]
}

/** One gram of a mix, taken apart. */
export interface MixAnatomy {
  /** Pure flour by ingredient, g per g. */
  readonly flours: ReadonlyMap<string, number>
  /** Pure flour in all, g per g. */
  readonly flour: number
  /** Water that comes as water. */
  readonly water: number
  /** Salt that comes as salt. */
  readonly salt: number
  /** What the other ingredients hold (milk, discard, seeds …), g per g of the mix. */
  readonly others: Composition
}

/** Mixes within mixes that are followed; deeper ones are a mistake. */
export const DEEPEST_MIX = 6

/**
 * Takes a mix apart down to its ingredients.
 * @returns per gram of the mix; null when it weighs nothing, is nested too deep, or holds an ingredient the kitchen does not have
 */
export function anatomyOf(mix: Mix, pantry: Pantry): MixAnatomy | null {
  const flours = new Map<string, number>()
  const sums = { water: 0, salt: 0, otherFlour: 0, otherWater: 0, otherSalt: 0 }
  const walk = (m: Mix, perGram: number, depth: number): boolean => {
    const total = m.parts.reduce((sum, p) => sum + p.parts, 0)
    if (!(total > 0) || depth > DEEPEST_MIX) return false
    return m.parts.every((part) => {
      const share = (perGram * part.parts) / total
      if (!(part.parts >= 0)) return false
      if ('mix' in part) return share === 0 || walk(part.mix, share, depth + 1)
      const ingredient = pantry.get(part.ingredientId)
      if (ingredient === undefined) return false
      const { composition } = ingredient
      if (ingredient.kind === 'flour') flours.set(ingredient.id, (flours.get(ingredient.id) ?? 0) + share)
      else if (ingredient.kind === 'water') sums.water += share
      else if (ingredient.kind === 'salt') sums.salt += share
      else {
        sums.otherFlour += share * composition.flour
        sums.otherWater += share * composition.water
        sums.otherSalt += share * composition.salt
      }
      return true
    })
  }
  if (!walk(mix, 1, 1)) return null
  return {
    flours,
    flour: [...flours.values()].reduce((sum, g) => sum + g, 0),
    water: sums.water,
    salt: sums.salt,
    others: { flour: sums.otherFlour, water: sums.otherWater, salt: sums.otherSalt }
  }
}

/** A part of a mix with its grams; `parts` of a mix within. */
export interface WeighedPart {
  /** Smallest step of the scale it is weighed on, g; once it is rounded. */
  readonly resolution?: number
  readonly ingredientId: string | null
  readonly name: string
  readonly grams: number
  /** Weighed on the small scale where there is one. */
  readonly fine: boolean
  readonly parts: readonly WeighedPart[]
}

/** Grams of everything in so much of a mix. */
export function weighMix(mix: Mix, grams: number, pantry: Pantry): WeighedPart[] {
  const total = mix.parts.reduce((sum, p) => sum + p.parts, 0)
  return mix.parts.map((part) => {
    const mass = (grams * part.parts) / total
    if ('mix' in part) return { ingredientId: null, name: part.mix.name, grams: mass, fine: false, parts: weighMix(part.mix, mass, pantry) }
    const ingredient = pantry.get(part.ingredientId)
    return { ingredientId: part.ingredientId, name: ingredient?.name ?? part.ingredientId, grams: mass, fine: ingredient?.fine ?? false, parts: [] }
  })
}

/** Every ingredient in a mix, to any depth. */
export function ingredientsOf(mix: Mix): string[] {
  return mix.parts.flatMap((part) => ('mix' in part ? ingredientsOf(part.mix) : [part.ingredientId]))
}

/** Pre-ferments a baker may begin from. Parts by weight, flour 100. */
export const PRE_FERMENT_STYLES = ['poolish', 'biga', 'sponge', 'soaker', 'scald'] as const
export type PreFermentStyle = (typeof PRE_FERMENT_STYLES)[number]

/** How long each stands before it goes into the dough, h. Source: craft knowledge: a poolish or biga overnight, a sponge the same day, seeds soaked overnight, a scald until it is cool. */
export const USUAL_AHEAD_HOURS: Readonly<Record<PreFermentStyle, number>> = { poolish: 12, biga: 16, sponge: 3, soaker: 10, scald: 5 }

/** Whether a style ferments ahead; soakers and scalds only swell. */
export const ferments = (style: PreFermentStyle) => style === 'poolish' || style === 'biga' || style === 'sponge'

/**
 * The usual recipe of a style.
 * @param flourId flour it is made with
 * Source: craft knowledge (poolish 100 % with a pinch of yeast, biga 50 %, sponge 60 %, soaker one to one, scald one to two).
 */
export function usualMix(style: PreFermentStyle, flourId: string): Mix {
  const of = (name: string, parts: readonly [ingredientId: string, parts: number][]): Mix => ({
    name,
    parts: parts.map(([ingredientId, p]) => ({ ingredientId, parts: p }))
  })
  switch (style) {
    case 'poolish':
      return of('Poolish', [
        [flourId, 100],
        ['water', 100],
        ['dry yeast', 0.1]
      ])
    case 'biga':
      return of('Biga', [
        [flourId, 100],
        ['water', 50],
        ['dry yeast', 0.3]
      ])
    case 'sponge':
      return of('Sponge', [
        [flourId, 100],
        ['water', 60],
        ['dry yeast', 0.5]
      ])
    case 'soaker':
      return of('Soaker', [
        ['sunflower seeds', 50],
        ['linseed', 50],
        ['water', 100],
        ['salt', 2]
      ])
    case 'scald':
      return of('Scald', [
        [flourId, 100],
        ['water', 200]
      ])
  }
}
