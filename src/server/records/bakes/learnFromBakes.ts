import { doughShown, stepTimes } from '../../../answers'
import { learnDoughs, learnWork } from '../../../core'
import { plain } from '../../db/rows'
import { linesOf } from '../jars/batches'
import { theKitchen } from '../kitchen/kitchens'
import { forget, type Work } from '../work'
import { bakeRow, bakesById } from './bakes'
import { tieAgain, untie } from './sharedPots'

/** Doughs the kitchen's pace is learned from: the last so many. */
const LAST_DOUGHS = 20

/** Learns anew how fast the doughs of the kitchen go, and how long its baker takes, from the last that were baked. */
export async function learnFromBakes(work: Work): Promise<void> {
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
  // Their bakes tell how long the work takes, too: the latest first.
  const times = [...bakes].sort((a, b) => b.plan.mixAt - a.plan.mixAt).flatMap(stepTimes)
  await models.kitchens.update({ doughs: learnDoughs(shown), workSeen: learnWork(times) }, { where: { id: kitchen.id }, transaction })
  forget(work, 'kitchen')
}

/** Takes a bake off the table, or puts it back; what its dough has taught goes with it. */
export async function setDeleted(work: Work, id: string, deleted: boolean): Promise<void> {
  const row = await bakeRow(work, id)
  if (deleted) await untie(work, row)
  await work.models.bakes.update({ deletedAtMs: deleted ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
  if (!deleted) await tieAgain(work, row)
  await learnFromBakes(work)
}
