import { millisecondsInHour } from 'date-fns/constants'
import { type Bake, type DateWay, freshMixC, type HabitualFeed, refillOf, whereItStands } from '../../answers'
import { type Feed, isoOf, type Jar, type Kitchen } from '../../contract'
import { gramsOfBlend, type Pantry, REFILL } from '../../core'
import { nowMs } from './clock'
import { newId } from './newId'
import { doTogether } from './together'

/** What went into a jar, as it was weighed. */
export interface WeighedFeed {
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
  readonly waterGrams: number
}

/** What a jar is fed at a step of a bake, and where it stands then. */
export type StepFeed = WeighedFeed & Pick<Feed, 'keepGrams' | 'mixTempC' | 'placeId' | 'later'>

/**
 * What a jar is fed at a step of a bake: before it, so that it is strong; or once starter was drawn from it.
 * @returns null where the plan has no such feed
 */
export function feedOfStep({ plan, state }: Pick<Bake, 'plan' | 'state'>, stepId: string, jar: Jar, { places }: Kitchen, atMs: number): StepFeed | null {
  if (stepId === REFILL) {
    const { flours, waterGrams, outHours } = refillOf(plan, jar, state.poured.seed)
    const { placeId } = whereItStands(jar, atMs)
    const tempC = places.find((p) => p.id === placeId)?.tempC ?? plan.tempC
    const fresh = flours.reduce((sum, f) => sum + f.grams, waterGrams)
    const mixTempC = freshMixC(jar.grams, tempC, fresh, plan.tempC)
    const out = outHours === null || placeId === plan.placeId ? null : { placeId, afterHours: outHours }
    return { keepGrams: jar.grams, flours, waterGrams, mixTempC, placeId: out === null ? placeId : plan.placeId, later: out }
  }
  const stage = plan.before.find((s) => s.id === stepId)
  if (stage === undefined) return null
  return {
    keepGrams: Math.min(stage.seedGrams, jar.grams),
    flours: gramsOfBlend(jar.feed, stage.flourGrams),
    waterGrams: stage.waterGrams,
    mixTempC: plan.mixTempC,
    placeId: stage.placeId
  }
}

/** A jar was fed as it is used to, now. @returns takes it back */
export function feedLikeLast(jar: Jar, { flourGrams: _, discardGrams: __, ...usual }: HabitualFeed): Promise<() => Promise<void>> {
  return doTogether([{ do: 'feed', jarId: jar.id, feed: { id: newId(), happenedAt: isoOf(nowMs()), ...usual } }])
}

/** A jar was fed so that it is ripe for a date: the feed and the moves it is to make since, as one. @returns takes all of it back */
export function feedForDate(jar: Jar, way: DateWay): Promise<() => Promise<void>> {
  const { keepGrams, flourGrams, waterGrams, mixTempC, placeId, coldPlaceId, coldMs, outMs } = way
  const atMs = nowMs()
  const later = coldPlaceId === null || coldMs === null ? null : { placeId: coldPlaceId, afterHours: Math.max(coldMs - atMs, 0) / millisecondsInHour }
  const feed = { id: newId(), happenedAt: isoOf(atMs), keepGrams, flours: gramsOfBlend(jar.feed, flourGrams), waterGrams, mixTempC, placeId, later }
  const out = outMs === null ? [] : [{ do: 'move' as const, jarId: jar.id, move: { id: newId(), happenedAt: isoOf(outMs), placeId, planned: true } }]
  return doTogether([{ do: 'feed', jarId: jar.id, feed }, ...out])
}

/**
 * A feed of a bake was done: the jar is fed, and the step is told. Both are one deed.
 * @param weighed what really went in; as planned when left out
 * @returns takes both back
 * @throws where the plan has no such feed
 */
export async function feedForBake(
  bake: Bake,
  stepId: string,
  jar: Jar,
  { kitchen, pantry }: { readonly kitchen: Kitchen; readonly pantry: Pantry },
  atMs: number,
  weighed?: WeighedFeed
): Promise<() => Promise<void>> {
  const planned = feedOfStep(bake, stepId, jar, kitchen, atMs)
  if (planned === null) throw new Error('The plan has no such feed.')
  const happenedAt = isoOf(atMs)
  const { flours, waterGrams } = weighed ?? planned
  const event = { id: newId(), happenedAt, type: 'step' as const, step: stepId, did: 'done' as const }
  return doTogether(
    [
      { do: 'feed', jarId: jar.id, feed: { id: newId(), happenedAt, ...planned, flours: [...flours], waterGrams } },
      { do: 'note', bakeId: bake.id, event }
    ],
    { bake, event, pantry }
  )
}
