import { doughShown } from '../../../answers'
import { learnDoughs } from '../../../core'
import { plain } from '../../db/rows'
import { linesOf } from '../jars/batches'
import { theKitchen } from '../kitchen/kitchens'
import { forget, type Work } from '../work'
import { bakeRow, bakesById } from './bakes'

/** Doughs the kitchen's pace is learned from: the last so many. */
const LAST_DOUGHS = 20

/** Learns anew how fast the doughs of the kitchen go, from the last that were baked. */
export async function learnKitchensDoughs(work: Work): Promise<void> {
  const { models, transaction } = work
  const kitchen = await theKitchen(work)
  const batches = (await models.batches.findAll({ where: { kind: 'dough' }, order: [['startedAtMs', 'DESC']], limit: LAST_DOUGHS, transaction })).map(plain)
  const lines = await linesOf(
    work,
    batches.map(({ id }) => id)
  )
  const bakes = await bakesById(
    work,
    batches.flatMap(({ bakeId }) => bakeId ?? [])
  )
  const shown = bakes.flatMap((bake) => {
    const line = lines.get(batches.find(({ bakeId }) => bakeId === bake.id)?.id ?? '')
    return line === undefined ? [] : (doughShown(bake, line, kitchen) ?? [])
  })
  await models.kitchens.update({ doughs: learnDoughs(shown) }, { where: { id: kitchen.id }, transaction })
  forget(work, 'kitchen')
}

/** Takes a bake off the table, or puts it back; what its dough has taught goes with it. */
export async function setDeleted(work: Work, id: string, deleted: boolean): Promise<void> {
  await bakeRow(work, id)
  await work.models.bakes.update({ deletedAtMs: deleted ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
  await learnKitchensDoughs(work)
}
