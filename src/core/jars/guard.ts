import { holdsGluten } from '../dough/blend'
import type { Formula } from '../dough/formula'
import type { Pantry } from '../dough/ingredient'
import { ingredientsOf } from '../dough/mix'
import { FLOURS, type FlourKind } from '../ferment/flours'

/**
 * Flours that would bring gluten into a jar that is kept free of it.
 * @param jar what the jar lives on
 * @param flours what is to go in, by ingredient; one the kitchen does not know counts as wheat
 * @returns their names; none for a jar that lives on gluten anyway
 */
export function glutenInto(jar: { readonly flour: FlourKind }, flours: readonly string[], pantry: Pantry): string[] {
  if (FLOURS[jar.flour].gluten) return []
  return flours.flatMap((id) => {
    const ingredient = pantry.get(id)
    return ingredient === undefined || holdsGluten(ingredient) ? [ingredient?.name ?? id] : []
  })
}

/** What a dough is made of, as far as gluten goes. */
export interface GuardedDough {
  readonly formula: Formula
  /** Flours of its levain, by ingredient. */
  readonly levainFlours: readonly string[]
  /** The starters its levain comes from, old levain among them. */
  readonly starters: readonly { readonly name: string; readonly flour: FlourKind }[]
}

/**
 * What brings gluten into a dough that is marked gluten-free, in its lines, its pre-ferments, its levain and the starters of that.
 * @returns their names; none where the dough is not marked
 */
export function glutenInDough({ formula, levainFlours, starters }: GuardedDough, pantry: Pantry): string[] {
  if (formula.doughKind !== 'gluten-free') return []
  const hasLevain = formula.lines.some((line) => line.kind === 'levain' && line.share > 0)
  const inLines = formula.lines.flatMap((line) => {
    if (line.kind === 'pre-ferment') return ingredientsOf(line.mix)
    return (line.kind === 'flour' || line.kind === 'extra') && line.share > 0 ? [line.ingredientId] : []
  })
  const ids = new Set([...inLines, ...(hasLevain ? levainFlours : [])])
  const names = [...ids].flatMap((id) => {
    const ingredient = pantry.get(id)
    return ingredient !== undefined && holdsGluten(ingredient) ? [ingredient.name] : []
  })
  return [...names, ...(hasLevain ? starters.filter(({ flour }) => FLOURS[flour].gluten).map(({ name }) => name) : [])]
}

/** A jar as far as its spares go. */
export interface Kin {
  readonly id: string
  /** The jar it was taken from; null for one that came as it is. */
  readonly originId: string | null
}

/** The first jar of a family, as far back as the kitchen knows. */
function rootOf(jar: Kin, jars: ReadonlyMap<string, Kin>): string {
  const seen = new Set<string>()
  let at = jar
  for (let parent = at.originId; parent !== null && !seen.has(parent); parent = at.originId) {
    seen.add(parent)
    const next = jars.get(parent)
    if (next === undefined) return parent
    at = next
  }
  return at.id
}

/** Other jars of the same family: what there is to begin again from. */
export function sparesOf<Jar extends Kin>(jar: Jar, jars: readonly Jar[]): Jar[] {
  const byId = new Map(jars.map((one) => [one.id, one]))
  return jars.filter((one) => one.id !== jar.id && rootOf(one, byId) === rootOf(jar, byId))
}

/**
 * Jars of which there is no other: if one breaks or spoils, that culture is gone.
 * @param jars all that the kitchen has; a jar and what was taken from it are of one family
 */
export function withoutSpare<Jar extends Kin>(jars: readonly Jar[]): Jar[] {
  const byId = new Map(jars.map((jar) => [jar.id, jar]))
  const families = new Map<string, Jar[]>()
  for (const jar of jars) {
    const root = rootOf(jar, byId)
    families.set(root, [...(families.get(root) ?? []), jar])
  }
  return [...families.values()].flatMap((family) => (family.length === 1 ? family : []))
}
