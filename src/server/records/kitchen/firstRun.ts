import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import { FIRST_KITCHEN, firstPlaces } from '../../../answers'
import type { firstRunSchema, Kitchen } from '../../../contract'
import { REFUSE_KITCHEN } from '../../../words/refusals/kitchen'
import { Problem } from '../../problems'
import { openJar } from '../jars/opening'
import type { Work } from '../work'
import { createKitchen, findKitchen, theKitchen } from './kitchens'

/** The first answers make a kitchen, and its first jar where there is one. Asked twice with the same id it changes nothing. */
export async function firstRun(work: Work, answers: z.output<typeof firstRunSchema>): Promise<Kitchen> {
  const there = await findKitchen(work)
  if (there !== null) {
    if (there.id === answers.id) return there
    throw new Problem(409, 'set up already', REFUSE_KITCHEN.thisKitchenHasBeenSet)
  }
  const { jar, out } = answers
  if (jar?.stands === 'elsewhere' && answers.elsewhere === null)
    throw new Problem(400, 'not understood', REFUSE_KITCHEN.sayWhereElse, { fields: { elsewhere: REFUSE_KITCHEN.choosePlace } })
  const places = { room: randomUUID(), fridge: randomUUID(), elsewhere: randomUUID() }
  await createKitchen(work, answers.id, false, {
    ...FIRST_KITCHEN,
    timeZone: answers.timeZone,
    sleep: answers.sleep,
    weekly: out === null ? [] : [out],
    places: firstPlaces([places.room, places.fridge, places.elsewhere], answers)
  })
  if (jar !== null) await openJar(work, { ...jar, placeId: places[jar.stands] })
  return theKitchen(work)
}
