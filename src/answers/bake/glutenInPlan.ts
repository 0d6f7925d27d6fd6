import type { Jar, Plan } from '../../contract'
import { glutenInDough, type Pantry } from '../../core'

/**
 * What would bring gluten into the dough of a plan that is marked gluten-free: its lines, the flour of its levain, its starter, its old levain.
 * @param jars of the kitchen; those the levain comes from among them
 * @returns their names; none where the dough is not marked
 */
export function glutenInPlan(
  { formula, build, jarId }: Pick<Plan, 'formula' | 'build' | 'jarId'>,
  jars: readonly Pick<Jar, 'id' | 'name' | 'flour'>[],
  pantry: Pantry
): string[] {
  const olderId = build.source === 'mixed seed' ? build.older.jarId : null
  const levainFlours = build.source === 'as it is' ? [] : build.flours.map((f) => f.ingredientId)
  return glutenInDough({ formula, levainFlours, starters: jars.filter(({ id }) => id === jarId || id === olderId) }, pantry)
}
