import { FLOURS, type FlourKind, type FloursByKind } from '../ferment/flours'
import { entriesOf } from '../units/keysOf'
import { ALLERGENS, type BlendPart, type Ingredient, type Pantry } from './ingredient'

/** A flour with its share of a blend, or its grams. */
interface FlourOf {
  readonly ingredient: Ingredient
  readonly grams: number
}

/**
 * Flours by ingredient, house blends taken apart into what they are made of.
 * @returns null when the kitchen does not have one of them, or it is no flour
 */
export function flourPartsOf(grams: readonly { readonly ingredientId: string; readonly grams: number }[], pantry: Pantry): FlourOf[] | null {
  const parts: FlourOf[] = []
  for (const { ingredientId, grams: g } of grams) {
    const ingredient = pantry.get(ingredientId)
    if (ingredient?.flourKind === undefined) return null
    if (ingredient.blend === undefined) {
      parts.push({ ingredient, grams: g })
      continue
    }
    const all = ingredient.blend.reduce((sum, part) => sum + part.share, 0)
    for (const part of ingredient.blend) {
      const within = pantry.get(part.ingredientId)
      // A flour that has been taken away since counts as what the blend is for the most part.
      parts.push({ ingredient: within?.flourKind === undefined ? { ...ingredient, blend: undefined } : within, grams: (g * part.share) / all })
    }
  }
  return parts
}

const asGrams = (blend: readonly BlendPart[]) => {
  const all = blend.reduce((sum, part) => sum + part.share, 0)
  return blend.map(({ ingredientId, share }) => ({ ingredientId, grams: all > 0 ? share / all : 0 }))
}

function byKind(parts: readonly FlourOf[]): FloursByKind {
  const kinds: Partial<Record<FlourKind, number>> = {}
  for (const { ingredient, grams } of parts) {
    const kind = ingredient.flourKind as FlourKind
    kinds[kind] = (kinds[kind] ?? 0) + grams
  }
  return kinds
}

/** Shares of a blend by kind of flour; null when the kitchen does not have one of its flours, or it is empty. */
export function kindsOfBlend(blend: readonly BlendPart[], pantry: Pantry): FloursByKind | null {
  if (!blend.some((part) => part.share > 0)) return null
  const parts = flourPartsOf(asGrams(blend), pantry)
  return parts === null ? null : byKind(parts)
}

/** Grams of flour by ingredient as grams by kind; what the kitchen does not have any more counts as white wheat. */
export function kindsOfGrams(flours: Readonly<Record<string, number>>, pantry: Pantry): FloursByKind {
  const kinds: Partial<Record<FlourKind, number>> = {}
  for (const [ingredientId, grams] of Object.entries(flours)) {
    const own = byKind(flourPartsOf([{ ingredientId, grams }], pantry) ?? [])
    for (const [kind, g] of entriesOf(Object.keys(own).length > 0 ? own : { 'white wheat': grams })) {
      kinds[kind] = (kinds[kind] ?? 0) + g
    }
  }
  return kinds
}

/** The kind there is most of. */
export function mainKind(flours: FloursByKind): FlourKind {
  const parts = entriesOf(flours)
  return parts.reduce((most, next) => (next[1] > most[1] ? next : most), parts[0] ?? ['white wheat', 0])[0]
}

/** How the fresh flours of a batch ferment beside what their kinds usually do: 1 is as usual. */
export interface OwnTraits {
  readonly pace: number
  readonly hold: number
}

/**
 * What the baker has said of flours against what their kinds do.
 * @param flours grams, or shares
 * @returns undefined when they are as usual
 */
export function ownTraits(flours: readonly { readonly ingredientId: string; readonly grams: number }[], pantry: Pantry): OwnTraits | undefined {
  const parts = flourPartsOf(flours, pantry) ?? []
  const ratio = (trait: 'pace' | 'hold') => {
    const [own, usual] = parts.reduce(
      ([a, b], { ingredient, grams }) => {
        const ofKind = FLOURS[ingredient.flourKind as FlourKind][trait]
        return [a + grams * (ingredient[trait] ?? ofKind), b + grams * ofKind]
      },
      [0, 0]
    )
    return usual > 0 ? own / usual : 1
  }
  const traits = { pace: ratio('pace'), hold: ratio('hold') }
  return Math.abs(traits.pace - 1) < 1e-9 && Math.abs(traits.hold - 1) < 1e-9 ? undefined : traits
}

/** Traits of a blend by shares. */
export const ownTraitsOfBlend = (blend: readonly BlendPart[], pantry: Pantry) => ownTraits(asGrams(blend), pantry)

/** Whether something brings gluten with it. */
export const holdsGluten = ({ allergens, flourKind }: Ingredient) => allergens.includes('gluten') || (flourKind !== undefined && FLOURS[flourKind].gluten)

/** Words of names that tell of gluten: grains that hold it, and oats, which hardly ever come without. */
const GLUTEN_WORDS = /barley|wheat|rye|spelt|einkorn|emmer|khorasan|triticale|semolina|durum|bulgur|couscous|freekeh|\bmalt/i
const WHEAT_IN_NAME_ONLY = /buckwheat/gi
const OAT_WORDS = /\boats?\b|oatmeal|oat flour/i

/**
 * What the name of an ingredient says of gluten.
 * @returns null where it says nothing, or says that it is gluten-free
 * @example glutenByName('Barley flakes') // 'holds'; glutenByName('Oat flour') // 'may hold'; glutenByName('Buckwheat flour') // null
 */
export function glutenByName(name: string): 'holds' | 'may hold' | null {
  if (/gluten.?free/i.test(name)) return null
  if (GLUTEN_WORDS.test(name.replace(WHEAT_IN_NAME_ONLY, ''))) return 'holds'
  return OAT_WORDS.test(name) ? 'may hold' : null
}

/** Ingredients by their ids, each once, and those that blends among them are made of; unknown ones are left out. */
export function withParts(ids: readonly string[], pantry: Pantry): Ingredient[] {
  const all = ids.flatMap((id) => [id, ...(pantry.get(id)?.blend ?? []).map((part) => part.ingredientId)])
  return [...new Set(all)].flatMap((id) => pantry.get(id) ?? [])
}

/** House blends filled in from what they are made of: main kind, allergens, protein, bran, thirst, density. The rest as it is. */
export function withBlends(ingredients: readonly Ingredient[]): Ingredient[] {
  const plain = new Map(ingredients.filter((i) => i.blend === undefined).map((i) => [i.id, i]))
  return ingredients.map((ingredient) => {
    if (ingredient.blend === undefined) return ingredient
    const parts = asGrams(ingredient.blend).flatMap(({ ingredientId, grams }) => {
      const part = plain.get(ingredientId)
      return part === undefined ? [] : [{ ingredient: part, grams }]
    })
    const all = parts.reduce((sum, part) => sum + part.grams, 0)
    if (!(all > 0)) return ingredient
    const mean = (pick: (i: Ingredient) => number | undefined) =>
      parts.every((p) => pick(p.ingredient) !== undefined) ? parts.reduce((sum, p) => sum + p.grams * (pick(p.ingredient) as number), 0) / all : undefined
    const [least, most] = [mean((i) => i.density?.[0]), mean((i) => i.density?.[1])]
    const found = new Set(parts.flatMap((p) => p.ingredient.allergens))
    return {
      ...ingredient,
      flourKind: mainKind(byKind(parts.filter((p) => p.ingredient.flourKind !== undefined))),
      allergens: ALLERGENS.filter((a) => found.has(a)),
      protein: mean((i) => i.protein),
      wholegrain: mean((i) => i.wholegrain),
      absorption: mean((i) => i.absorption),
      density: least === undefined || most === undefined ? undefined : [least, most]
    }
  })
}
