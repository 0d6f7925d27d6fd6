import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import { CULTURE_TRAITS, type Culture, gramsOfBlend, sure, toGrams } from '../../core'
import { feedJar } from '../records/jars/deeds/feed'
import { splitJar } from '../records/jars/deeds/split'
import { weighJar } from '../records/jars/deeds/weighing'
import type { Work } from '../records/work'

export const DAY = 24 * millisecondsInHour
export const PLACES = { counter: 'Worktop', cool: 'Cool corner', warm: 'Proofing box', sill: 'Windowsill', fridge: 'Fridge' } as const

/** What lives in each jar. */
export const CULTURE_OF: Readonly<Record<string, Culture>> = { Juno: 'white wheat', Bramble: 'rye', Keel: 'stiff', Moth: 'gluten-free' }

/** A kitchen that is being laid. */
export interface Demo {
  readonly work: Work
  readonly places: Record<keyof typeof PLACES, string>
  readonly jars: Record<string, string>
  readonly vessels: Record<string, string>
  readonly random: () => number
  readonly normal: () => number
}

/** Feeds a jar some hours ago. */
export async function feed(
  { work, jars, places }: Demo,
  name: string,
  hoursAgo: number,
  keepGrams: number,
  flourGrams: number,
  place: keyof typeof PLACES,
  waterPerFlour = 1
): Promise<void> {
  const at = work.nowMs - hoursAgo * millisecondsInHour
  const { feed: flours, trimmed } = CULTURE_TRAITS[CULTURE_OF[name] ?? 'white wheat']
  await feedJar({ ...work, nowMs: at }, sure(jars[name]), {
    ...typedAt(at),
    keepGrams,
    trimGrams: trimmed ? 15 : 0,
    flours: gramsOfBlend(flours, flourGrams),
    waterGrams: Math.round(flourGrams * waterPerFlour),
    mixTempC: 22,
    later: null,
    underWater: false,
    placeId: places[place]
  })
}

export const typedAt = (ms: number) => ({ id: randomUUID(), happenedAt: ms, source: 'typed' as const })

/** Some of Juno was dried when the record begins. */
export async function drySpare({ work, jars, places }: Demo, hoursAgo: number): Promise<void> {
  const at = work.nowMs - hoursAgo * millisecondsInHour
  const dried = randomUUID()
  await splitJar({ ...work, nowMs: at }, jars.Juno as string, {
    ...typedAt(at),
    jarId: dried,
    name: 'Juno, dried',
    grams: 40,
    placeId: places.cool,
    as: 'dried'
  })
  await weighJar({ ...work, nowMs: at + 2 * DAY }, dried, { ...typedAt(at + 2 * DAY), grams: 22 })
}

export async function jarGrams({ work }: Demo, jarId: string): Promise<number> {
  return toGrams((await work.models.ledger.sum('milligrams', { where: { account: `jar:${jarId}` }, transaction: work.transaction })) ?? 0)
}

/** A jar that holds more than the book said is weighed. */
export async function topUp(demo: Demo, jarId: string, atMs: number, grams: number): Promise<void> {
  await weighJar({ ...demo.work, nowMs: atMs }, jarId, { ...typedAt(atMs), grams })
}
