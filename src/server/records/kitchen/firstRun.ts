import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import { FIRST_KITCHEN, firstPlaces } from '../../../answers'
import type { firstRunSchema, Kitchen } from '../../../contract'
import { REFUSE_KITCHEN } from '../../../words/refusals/kitchen'
import { Problem } from '../../problems'
import { openJar } from '../jars/jars'
import type { Work } from '../work'
import { createKitchen, findKitchen, theKitchen } from './kitchens'

/** Four answers make a kitchen and its first jar. Asked twice with the same id it changes nothing. */
export async function firstRun(work: Work, answers: z.output<typeof firstRunSchema>): Promise<Kitchen> {
  const there = await findKitchen(work)
  if (there !== null) {
    if (there.id === answers.id) return there
    throw new Problem(409, 'set up already', REFUSE_KITCHEN.thisKitchenHasBeenSet)
  }
  const counter = randomUUID()
  await createKitchen(work, answers.id, false, {
    ...FIRST_KITCHEN,
    timeZone: answers.timeZone,
    sleep: answers.sleep,
    places: firstPlaces([counter, randomUUID()], answers.roomTempC)
  })
  await openJar(work, { ...answers.jar, placeId: counter })
  return theKitchen(work)
}
