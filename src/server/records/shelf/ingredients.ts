import type { z } from 'zod'
import type { ingredientPutSchema, ListedIngredient } from '../../../contract'
import { BUILT_IN_INGREDIENTS, type Ingredient, type Pantry, pantryOf, sure, withBlends } from '../../../core'
import { REFUSE_SHELF } from '../../../words/refusals/shelf'
import { THINGS } from '../../../words/refusals/things'
import { type IngredientRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { noteChange } from '../kitchen/changes'
import { theKitchen } from '../kitchen/kitchens'
import { forget, once, type Work } from '../work'

const BUILT_IN = pantryOf(BUILT_IN_INGREDIENTS)

async function rows({ models, transaction }: Work): Promise<IngredientRow[]> {
  return (await models.ingredients.findAll({ where: { deletedAtMs: null }, transaction })).map(plain)
}

/** Everything that can be weighed in here: the built-in list as the baker has changed it, and the baker's own by name. */
export async function listIngredients(work: Work): Promise<ListedIngredient[]> {
  const changed = new Map((await rows(work)).map((row) => [row.id, row]))
  const builtIn = BUILT_IN_INGREDIENTS.map((ingredient): ListedIngredient => {
    const row = changed.get(ingredient.id)
    return { ingredient: row?.content ?? ingredient, builtIn: true, changed: row !== undefined, version: row?.version ?? 0 }
  })
  const own = [...changed.values()]
    .filter((row) => !BUILT_IN.has(row.id))
    .map((row): ListedIngredient => ({ ingredient: row.content, builtIn: false, changed: true, version: row.version }))
    .sort((a, b) => a.ingredient.name.localeCompare(b.ingredient.name))
  const all = [...builtIn, ...own]
  const filled = withBlends(all.map((listed) => listed.ingredient))
  return all.map((listed, n) => ({ ...listed, ingredient: sure(filled[n]) }))
}

/** The kitchen's ingredients, by id. */
export async function pantryIn(work: Work): Promise<Pantry> {
  return once(work, 'pantry', async () => pantryOf((await listIngredients(work)).map((listed) => listed.ingredient)))
}

/** Adds or changes one; refused when another window was faster. */
export async function putIngredient(work: Work, id: string, { version, ingredient }: z.output<typeof ingredientPutSchema>): Promise<ListedIngredient> {
  if (ingredient.id !== id) throw new Problem(400, 'not understood', REFUSE_SHELF.ingredientHasAnotherIdThan)
  const kitchen = await theKitchen(work)
  const { models, transaction } = work
  const found = await models.ingredients.findByPk(id, { transaction })
  const row = found === null ? null : plain(found)
  const current = row === null || row.deletedAtMs !== null ? 0 : row.version
  if (current !== version) throw new Problem(409, 'stale', REFUSE_SHELF.thisIngredientWasChangedIn, { current: row?.content })
  await refuseBlend(work, ingredient)
  forget(work, 'pantry')
  const before = row?.content ?? BUILT_IN.get(id)
  if (before !== undefined) await noteChange(work, 'ingredient', id, before, ingredient)
  await models.ingredients.upsert({ id, kitchenId: kitchen.id, content: ingredient, version: (row?.version ?? 0) + 1, deletedAtMs: null }, { transaction })
  return sure((await listIngredients(work)).find((listed) => listed.ingredient.id === id))
}

/** A blend is made of flours that are here, and not of blends. */
async function refuseBlend(work: Work, { id, blend }: Ingredient): Promise<void> {
  if (blend === undefined) return
  const pantry = await pantryIn(work)
  for (const { ingredientId } of blend) {
    const part = pantry.get(ingredientId)
    const sentence =
      part?.kind !== 'flour'
        ? REFUSE_SHELF.oneFloursThisBlendNot
        : part.blend !== undefined || ingredientId === id
          ? REFUSE_SHELF.blendItselfMakeBlendSingle(part.name)
          : null
    if (sentence !== null) throw new Problem(400, 'not understood', sentence, { fields: { blend: sentence } })
  }
}

/** Takes one of the baker's own away, or puts a built-in one back to what it was. Started bakes keep what they began with. */
export async function dropIngredient(work: Work, id: string): Promise<{ ingredients: ListedIngredient[] }> {
  const { models, transaction, nowMs } = work
  forget(work, 'pantry')
  const [changed] = await models.ingredients.update({ deletedAtMs: nowMs }, { where: { id, deletedAtMs: null }, transaction })
  if (changed === 0 && !BUILT_IN.has(id)) throw notFound(THINGS.ingredient)
  return { ingredients: await listIngredients(work) }
}
