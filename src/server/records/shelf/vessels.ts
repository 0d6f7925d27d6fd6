import type { z } from 'zod'
import type { ListedVessel, vesselPutSchema } from '../../../contract'
import { toGrams, toMilligrams } from '../../../core'
import { REFUSE_SHELF } from '../../../words/refusals/shelf'
import { THINGS } from '../../../words/refusals/things'
import { plain, type VesselRow } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { noteChange } from '../kitchen/changes'
import { theKitchen } from '../kitchen/kitchens'
import type { Work } from '../work'

const view = ({ id, name, tareMg, capacityMl, innerDiameterMm, heightMm, material, version }: VesselRow): ListedVessel => ({
  id,
  name,
  tareGrams: toGrams(tareMg),
  capacityMl,
  innerDiameterMm,
  heightMm,
  material,
  version
})

/** All vessels, the smallest first. */
export async function listVessels({ models, transaction }: Work): Promise<ListedVessel[]> {
  return (await models.vessels.findAll({ where: { deletedAtMs: null }, order: [['capacityMl', 'ASC']], transaction })).map(plain).map(view)
}

/** Adds or changes one; refused when another window was faster. */
export async function putVessel(work: Work, id: string, { version, vessel }: z.output<typeof vesselPutSchema>): Promise<ListedVessel> {
  if (vessel.id !== id) throw new Problem(400, 'not understood', REFUSE_SHELF.vesselHasAnotherIdThan)
  const kitchen = await theKitchen(work)
  const { models, transaction } = work
  const found = await models.vessels.findByPk(id, { transaction })
  const current = found === null ? 0 : plain(found).version
  if (current !== version) {
    throw new Problem(409, 'stale', REFUSE_SHELF.thisVesselWasChangedIn, {
      current: found === null ? null : view(plain(found))
    })
  }
  const { tareGrams, ...rest } = vessel
  const row = { ...rest, kitchenId: kitchen.id, tareMg: toMilligrams(tareGrams), version: version + 1, deletedAtMs: null }
  await models.vessels.upsert(row, { transaction })
  if (found !== null) await noteChange(work, 'vessel', id, { ...view(plain(found)), version: 0 }, { ...view(row), version: 0 })
  return view(row)
}

/** Takes a vessel away, or puts it back. */
export async function setVesselDeleted(work: Work, id: string, deleted: boolean): Promise<{ vessels: ListedVessel[] }> {
  const [changed] = await work.models.vessels.update({ deletedAtMs: deleted ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
  if (changed === 0) throw notFound(THINGS.vessel)
  return { vessels: await listVessels(work) }
}
