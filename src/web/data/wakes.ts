import type { Bake } from '../../answers'
import { isoOf, type Jar } from '../../contract'
import { gramsOfBlend, type Pantry } from '../../core'
import { addEvent } from './bakes'
import { nowMs } from './clock'
import { feedJar } from './jars'
import { newId } from './newId'

/** What went into a jar, as it was weighed. */
export interface WeighedFeed {
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
  readonly waterGrams: number
}

/**
 * A wake-up feed of a plan was done: the jar is fed, and the step is told. Both are sent one after the other, also when the server is away.
 * @param weighed what really went in; as planned when left out
 * @returns takes both back
 */
export async function feedForBake(bake: Bake, stageId: string, jar: Jar, pantry: Pantry, atMs: number, weighed?: WeighedFeed): Promise<() => Promise<void>> {
  const stage = bake.plan.before.find((s) => s.id === stageId)
  if (stage === undefined) throw new Error(`No such feed: ${stageId}.`)
  const happenedAt = isoOf(atMs)
  const { flours, waterGrams } = weighed ?? { flours: gramsOfBlend(jar.feed, stage.flourGrams), waterGrams: stage.waterGrams }
  const fed = feedJar(jar, {
    id: newId(),
    happenedAt,
    keepGrams: Math.min(stage.seedGrams, jar.grams),
    flours: [...flours],
    waterGrams,
    mixTempC: bake.plan.mixTempC,
    placeId: stage.placeId
  })
  const id = newId()
  const told = addEvent(bake, { id, happenedAt, type: 'step', step: stageId, did: 'done' }, pantry)
  const [undoFeed] = await Promise.all([fed, told])
  return async () => {
    await addEvent(bake, { id: newId(), happenedAt: isoOf(nowMs()), type: 'undo', undoes: id }, pantry)
    await undoFeed()
  }
}
