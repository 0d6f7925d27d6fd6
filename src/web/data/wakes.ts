import type { Bake } from '../../answers'
import { isoOf, type Jar } from '../../contract'
import { gramsOfBlend, type Pantry } from '../../core'
import { newId } from './newId'
import { doTogether } from './together'

/** What went into a jar, as it was weighed. */
export interface WeighedFeed {
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
  readonly waterGrams: number
}

/**
 * A wake-up feed of a plan was done: the jar is fed, and the step is told. Both are one deed.
 * @param weighed what really went in; as planned when left out
 * @returns takes both back
 */
export async function feedForBake(bake: Bake, stageId: string, jar: Jar, pantry: Pantry, atMs: number, weighed?: WeighedFeed): Promise<() => Promise<void>> {
  const stage = bake.plan.before.find((s) => s.id === stageId)
  if (stage === undefined) throw new Error('The plan has no such feed.')
  const happenedAt = isoOf(atMs)
  const { flours, waterGrams } = weighed ?? { flours: gramsOfBlend(jar.feed, stage.flourGrams), waterGrams: stage.waterGrams }
  const feed = {
    id: newId(),
    happenedAt,
    keepGrams: Math.min(stage.seedGrams, jar.grams),
    flours: [...flours],
    waterGrams,
    mixTempC: bake.plan.mixTempC,
    placeId: stage.placeId
  }
  const event = { id: newId(), happenedAt, type: 'step' as const, step: stageId, did: 'done' as const }
  return doTogether(
    [
      { do: 'feed', jarId: jar.id, feed },
      { do: 'note', bakeId: bake.id, event }
    ],
    { bake, event, pantry }
  )
}
