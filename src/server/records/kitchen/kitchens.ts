import { Op } from 'sequelize'
import { type Kitchen, type KitchenEdit, kitchenToWire, msOf, type Place } from '../../../contract'
import { UNKNOWN_DOUGHS } from '../../../core'
import { REFUSE_KITCHEN } from '../../../words/refusals/kitchen'
import { plain } from '../../db/rows'
import { Problem } from '../../problems'
import { forget, once, type Work } from '../work'
import { noteChange } from './changes'

/** The kitchen of this data folder, or null before the first run. */
export async function findKitchen({ models, transaction }: Work): Promise<Kitchen | null> {
  const row = await models.kitchens.findOne({ transaction })
  if (row === null) return null
  const { id, name, demo, settings, doughs, workSeen, version } = plain(row)
  const places = await models.places.findAll({ where: { kitchenId: id, deletedAtMs: null }, order: [['position', 'ASC']], transaction })
  return {
    id,
    version,
    demo: Boolean(demo),
    doughs: doughs ?? UNKNOWN_DOUGHS,
    workSeen: workSeen ?? {},
    name,
    ...settings,
    sticksGrams: settings.sticksGrams ?? null,
    once: settings.once.map((one) => ({ ...one, from: msOf(one.from), to: msOf(one.to) })),
    places: places.map((p) => {
      const place = plain(p)
      const { id, name, tempC, guessed, nightTempC, surroundings, takes } = place
      return { id, name, tempC, guessed: Boolean(guessed), nightTempC, surroundings, takes }
    })
  }
}

/** The kitchen, which has to be there. */
export async function theKitchen(work: Work): Promise<Kitchen> {
  const kitchen = await once(work, 'kitchen', () => findKitchen(work))
  if (kitchen === null) throw new Problem(409, 'no kitchen', REFUSE_KITCHEN.thisKitchenHasNotBeen)
  return kitchen
}

/** A place of the kitchen, which has to be there. */
export function placeIn(kitchen: Kitchen, placeId: string): Place {
  const place = kitchen.places.find((p) => p.id === placeId)
  if (place === undefined) throw new Problem(400, 'not understood', REFUSE_KITCHEN.thisPlaceNotInKitchen, { fields: { placeId: REFUSE_KITCHEN.choosePlace } })
  return place
}

/** Sets a kitchen up. */
export async function createKitchen(work: Work, id: string, demo: boolean, edit: KitchenEdit): Promise<void> {
  const { name, places, ...settings } = edit
  await work.models.kitchens.create(
    { id, name, demo, settings: kitchenToWire(settings), doughs: null, workSeen: null, version: 1 },
    { transaction: work.transaction }
  )
  await writePlaces(work, id, places)
}

/** Changes settings and places; a stale version is refused with what is there now. */
export async function putKitchen(work: Work, version: number, edit: KitchenEdit): Promise<Kitchen> {
  const now = await theKitchen(work)
  if (now.version !== version) {
    throw new Problem(409, 'stale', REFUSE_KITCHEN.kitchenWasChangedInAnother, { current: kitchenToWire(now) })
  }
  const { name, places, ...settings } = edit
  await work.models.kitchens.update({ name, settings: kitchenToWire(settings), version: version + 1 }, { where: { id: now.id }, transaction: work.transaction })
  await writePlaces(work, now.id, places)
  const next = await theKitchen(work)
  await noteChange(work, 'kitchen', now.id, kitchenToWire({ ...now, version: 0 }), kitchenToWire({ ...next, version: 0 }))
  return next
}

async function writePlaces(work: Work, kitchenId: string, places: readonly Place[]): Promise<void> {
  const { models, transaction, nowMs } = work
  const before = new Map((await models.places.findAll({ where: { kitchenId }, transaction })).map(plain).map((row) => [row.id, row]))
  forget(work, 'kitchen')
  const ids = places.map((p) => p.id)
  await models.places.update({ deletedAtMs: nowMs }, { where: { kitchenId, deletedAtMs: null, id: { [Op.notIn]: ids } }, transaction })
  for (const [position, place] of places.entries()) {
    const was = before.get(place.id)
    await models.places.upsert({ ...place, kitchenId, position, deletedAtMs: null }, { transaction })
    // It was never so warm there as had been guessed: what has stood there stood as warm as is known now.
    if (was?.guessed && !place.guessed)
      await models.batchStays.update({ tempC: place.tempC }, { where: { placeId: place.id, tempC: was.tempC, swingK: null }, transaction })
  }
}
