import { Op } from 'sequelize'
import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import type { firstRunSchema, Kitchen, KitchenEdit, Place } from '../../contract'
import { plain } from '../db/models'
import { Problem } from '../problems'
import { openJar } from './jars'
import type { Work } from './work'

/** The kitchen of this data folder, or null before the first run. */
export async function findKitchen({ models, transaction }: Work): Promise<Kitchen | null> {
  const row = await models.kitchens.findOne({ transaction })
  if (row === null) return null
  const { id, name, demo, settings, version } = plain(row)
  const places = await models.places.findAll({ where: { kitchenId: id, deletedAtMs: null }, order: [['position', 'ASC']], transaction })
  return {
    id,
    version,
    demo: Boolean(demo),
    name,
    ...settings,
    places: places.map((p) => {
      const place = plain(p)
      return { id: place.id, name: place.name, tempC: place.tempC, surroundings: place.surroundings }
    })
  }
}

/** The kitchen, which has to be there. */
export async function theKitchen(work: Work): Promise<Kitchen> {
  const kitchen = await findKitchen(work)
  if (kitchen === null) throw new Problem(409, 'no kitchen', 'This kitchen has not been set up yet: answer the four questions first.')
  return kitchen
}

/** A place of the kitchen, which has to be there. */
export function placeIn(kitchen: Kitchen, placeId: string): Place {
  const place = kitchen.places.find((p) => p.id === placeId)
  if (place === undefined) throw new Problem(400, 'not understood', 'This place is not in the kitchen any more. Choose another.', { fields: { placeId: 'Choose a place.' } })
  return place
}

/** Sets a kitchen up. */
export async function createKitchen(work: Work, id: string, demo: boolean, edit: KitchenEdit): Promise<void> {
  const { name, places, ...settings } = edit
  await work.models.kitchens.create({ id, name, demo, settings, version: 1 }, { transaction: work.transaction })
  await writePlaces(work, id, places)
}

/** Four answers make a kitchen and its first jar. Asked twice with the same id it changes nothing. */
export async function firstRun(work: Work, answers: z.output<typeof firstRunSchema>): Promise<Kitchen> {
  const there = await findKitchen(work)
  if (there !== null) {
    if (there.id === answers.id) return there
    throw new Problem(409, 'set up already', 'This kitchen has been set up already, perhaps in another window.')
  }
  const counter = randomUUID()
  await createKitchen(work, answers.id, false, {
    name: 'My kitchen',
    timeZone: answers.timeZone,
    mass: 'g',
    temperature: '°C',
    clock: '24 h',
    sleep: answers.sleep,
    school: 'dome',
    base: 'dough flour',
    smallScale: false,
    tapTempC: 15,
    keys: true,
    places: [
      { id: counter, name: 'Counter', tempC: answers.roomTempC, surroundings: 'air' },
      { id: randomUUID(), name: 'Fridge', tempC: 4, surroundings: 'air' }
    ]
  })
  await openJar(work, { ...answers.jar, placeId: counter })
  return theKitchen(work)
}

/** Changes settings and places; a stale version is refused with what is there now. */
export async function putKitchen(work: Work, version: number, edit: KitchenEdit): Promise<Kitchen> {
  const now = await theKitchen(work)
  if (now.version !== version) {
    throw new Problem(409, 'stale', 'The kitchen was changed in another window. Both versions are shown; choose one.', { current: now })
  }
  const { name, places, ...settings } = edit
  await work.models.kitchens.update({ name, settings, version: version + 1 }, { where: { id: now.id }, transaction: work.transaction })
  await writePlaces(work, now.id, places)
  return theKitchen(work)
}

async function writePlaces({ models, transaction, nowMs }: Work, kitchenId: string, places: readonly Place[]): Promise<void> {
  const ids = places.map((p) => p.id)
  await models.places.update({ deletedAtMs: nowMs }, { where: { kitchenId, deletedAtMs: null, id: { [Op.notIn]: ids } }, transaction })
  for (const [position, place] of places.entries()) {
    await models.places.upsert({ ...place, kitchenId, position, deletedAtMs: null }, { transaction })
  }
}
