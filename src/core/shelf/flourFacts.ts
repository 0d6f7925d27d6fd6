import type { Ingredient } from '../dough/ingredient'
import { FLOURS, type FlourKind } from '../ferment/flours'

/** A figure with how far it may lie off. */
export interface Fact {
  readonly value: number
  readonly least: number
  readonly most: number
  /** Where it comes from: what the baker said, what its blend is made of, or what such flours usually are. */
  readonly from: 'yours' | 'blend' | 'kind'
}

/** What is known of a flour. */
export interface FlourFacts {
  /** By weight. */
  readonly protein: Fact
  /** 0 white … 1 wholegrain. */
  readonly wholegrain: Fact
  /** Water it drinks beyond white wheat, points of hydration as a fraction. */
  readonly absorption: Fact
  /** Factors on white wheat. */
  readonly pace: Fact
  readonly hold: Fact
}

type Range = readonly [least: number, usual: number, most: number]

/** What flours of a kind usually are. Source: packets and craft knowledge; a packet beats it. */
const OF_KIND: Readonly<Record<FlourKind, Readonly<Record<'protein' | 'wholegrain' | 'absorption', Range>>>> = {
  'white wheat': { protein: [0.09, 0.115, 0.145], wholegrain: [0, 0, 0.1], absorption: [-0.03, 0, 0.05] },
  'wholegrain wheat': { protein: [0.11, 0.13, 0.15], wholegrain: [0.8, 1, 1], absorption: [0.05, 0.1, 0.15] },
  rye: { protein: [0.07, 0.09, 0.11], wholegrain: [0.3, 0.9, 1], absorption: [0.08, 0.15, 0.25] },
  spelt: { protein: [0.11, 0.13, 0.15], wholegrain: [0, 0.3, 1], absorption: [-0.06, -0.03, 0.05] },
  'ancient wheat': { protein: [0.12, 0.145, 0.18], wholegrain: [0.5, 1, 1], absorption: [-0.1, -0.04, 0.02] },
  'gluten-free': { protein: [0.05, 0.09, 0.13], wholegrain: [0, 0.6, 1], absorption: [0.1, 0.25, 0.5] }
}
/** Flours every kitchen begins with that differ from their kind in protein. Source: packets and craft knowledge. */
const PROTEIN_OF: Readonly<Partial<Record<string, Range>>> = {
  'white wheat': [0.09, 0.105, 0.12],
  'strong white': [0.12, 0.13, 0.145],
  durum: [0.12, 0.13, 0.145],
  'light rye': [0.06, 0.075, 0.09]
}
/** How sure the factors of a kind are: as much may a flour of it lie off. */
const FACTOR_DOUBT = 0.1

/**
 * What a flour is: from its packet where that is known, from its kind where not.
 * @throws RangeError for something that is no flour
 */
export function factsOf(ingredient: Ingredient): FlourFacts {
  const kind = ingredient.flourKind
  if (kind === undefined) throw new RangeError(`${ingredient.name} is no flour.`)
  const said = (value: number | undefined, [least, usual, most]: Range): Fact =>
    value === undefined
      ? { value: usual, least, most, from: 'kind' }
      : { value, least: value, most: value, from: ingredient.blend === undefined ? 'yours' : 'blend' }
  const factor = (trait: 'pace' | 'hold'): Fact => {
    const usual = FLOURS[kind][trait]
    return said(ingredient[trait], [usual * (1 - FACTOR_DOUBT), usual, usual * (1 + FACTOR_DOUBT)])
  }
  return {
    protein: said(ingredient.protein, PROTEIN_OF[ingredient.id] ?? OF_KIND[kind].protein),
    wholegrain: said(ingredient.wholegrain, OF_KIND[kind].wholegrain),
    absorption: said(ingredient.absorption, OF_KIND[kind].absorption),
    pace: factor('pace'),
    hold: factor('hold')
  }
}

/** The mean of a fact over flours by their grams; null without any flour. */
export function meanFact(flours: readonly { readonly ingredient: Ingredient; readonly grams: number }[], pick: keyof FlourFacts): number | null {
  const all = flours.reduce((sum, f) => sum + f.grams, 0)
  return all > 0 ? flours.reduce((sum, f) => sum + f.grams * factsOf(f.ingredient)[pick].value, 0) / all : null
}
