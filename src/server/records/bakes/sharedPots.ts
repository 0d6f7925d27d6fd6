/**
 * One pot of levain for several doughs. A dough says whose pot it takes of (`levainFrom`); what it takes is written into the bake that builds it (`alsoFor`), and kept true as either changes.
 * Once that levain is mixed, the dough's share stands in a jar of its own, and is used as it is.
 */
import { randomUUID } from 'node:crypto'
import { awaitsPot, fromPot, gramsFromPot, levainToWeigh, onItsOwn } from '../../../answers'
import { type Plan, planToWire } from '../../../contract'
import { type BakeState, cultureOf, type LedgerEntry, toMilligrams, transfer } from '../../../core'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import type { BatchRow, JarRow } from '../../db/rows'
import { Problem } from '../../problems'
import { parentsOf, staysOf } from '../jars/batches'
import { createJar, jarForSeed } from '../jars/jars'
import { noteChange } from '../kitchen/changes'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import { eventOf, record, type Work } from '../work'
import { type KeptBake, keptBake } from './keptBake'

type AlsoFor = Plan['build']['alsoFor'][number]

const refused = (sentence: string) => new Problem(400, 'cannot be', sentence, { fields: { 'plan.levainFrom': sentence } })

/** The bakes that are planned to take of a pot. */
const takersOf = ({ build }: Plan): string[] => build.alsoFor.flatMap(({ bakeId }) => bakeId ?? [])

/** A bake that is on the table; null: it was taken away. */
async function bakeHere({ models, transaction }: Work, id: string): Promise<KeptBake | null> {
  const row = await models.bakes.findOne({ where: { id, deletedAtMs: null }, transaction })
  return row === null ? null : keptBake(row)
}

/** Writes a plan that another bake has changed. */
async function writePlan(work: Work, row: KeptBake, plan: Plan): Promise<void> {
  const wire = planToWire(plan)
  if (JSON.stringify(wire) === JSON.stringify(planToWire(row.plan))) return
  const frozen = row.frozen === null ? null : { ...row.frozen, plan: wire }
  await noteChange(work, 'plan', row.id, planToWire(row.plan), wire)
  await work.models.bakes.update(
    { plan: wire, frozen, mixAtMs: plan.mixAt, version: row.version + 1 },
    { where: { id: row.id }, transaction: work.transaction }
  )
}

const withAlsoFor = (plan: Plan, alsoFor: readonly AlsoFor[]): Plan => ({ ...plan, build: { ...plan.build, alsoFor: [...alsoFor] } })

/** What a dough takes of a pot, as the pot's own plan says it. */
async function shareOf(work: Work, id: string, plan: Plan): Promise<AlsoFor | null> {
  const { hydration } = await jarForSeed(work, plan.jarId)
  const weights = levainToWeigh(plan, hydration, { kitchen: await theKitchen(work), pantry: await pantryIn(work) })
  return weights.ok ? { name: plan.name, grams: gramsFromPot(weights.value), bakeId: id } : null
}

/** Whether a plan may begin to take of a pot, or to give. */
function refuseTie(id: string, plan: Plan, pot: KeptBake | null): asserts pot is KeptBake {
  if (pot === null || pot.id === id || pot.status !== 'planned' || pot.plan.levainFrom != null || pot.plan.build.source === 'as it is')
    throw refused(REFUSE_BAKES.noSuchPot)
  if (takersOf(plan).length > 0) throw refused(REFUSE_BAKES.feedsOthers)
}

/**
 * A plan as it may be kept: what takes of a pot is made as that pot's levain is; what is told of other bakes without their word counts as any other dough.
 * @param before as it is kept; null for a new one
 */
export async function tied(work: Work, id: string, before: Plan | null, plan: Plan): Promise<Plan> {
  if (before === null) return onItsOwn(plan)
  if (before.levainFrom?.jarId !== undefined) return withShare(before, plan)
  if (!awaitsPot(plan)) return plan.levainFrom == null ? plan : onItsOwn({ ...plan, levainFrom: { bakeId: plan.levainFrom.bakeId } })
  const potId = plan.levainFrom?.bakeId ?? ''
  const pot = await bakeHere(work, potId)
  if (before.levainFrom?.bakeId !== potId) refuseTie(id, plan, pot)
  return pot === null ? onItsOwn(plan) : fromPot(plan, potId, pot.plan)
}

/** A plan that has got its share of a pot: it is used as it is, or left for another jar. */
function withShare(before: Plan, plan: Plan): Plan {
  // An edit of before, taken back, cannot wait for the pot again.
  if (awaitsPot(plan)) return { ...plan, jarId: before.jarId, build: { ...plan.build, source: 'as it is' }, levainFrom: before.levainFrom }
  const isUsed = plan.jarId === before.jarId && plan.build.source === 'as it is'
  return { ...plan, levainFrom: isUsed ? before.levainFrom : null }
}

/** Keeps the other side of a plan that was written: the pot it takes of, and the doughs that take of its own. */
export async function tieOthers(work: Work, id: string, before: Plan, after: Plan): Promise<void> {
  const [was, is] = [before, after].map((plan) => (awaitsPot(plan) ? plan.levainFrom?.bakeId : undefined))
  if (was !== undefined && was !== is) await leavePot(work, was, id)
  if (is !== undefined) await joinPot(work, is, id, after)
  const named = takersOf(after)
  for (const taker of takersOf(before)) if (!named.includes(taker)) await release(work, taker, id)
  for (const taker of named) await makeAlike(work, taker, id, after)
}

async function joinPot(work: Work, potId: string, id: string, plan: Plan): Promise<void> {
  const pot = await bakeHere(work, potId)
  const share = await shareOf(work, id, plan)
  // What is built already holds what it holds.
  if (pot === null || share === null || pot.status !== 'planned') return
  const { alsoFor } = pot.plan.build
  const isIn = alsoFor.some(({ bakeId }) => bakeId === id)
  await writePlan(work, pot, withAlsoFor(pot.plan, isIn ? alsoFor.map((one) => (one.bakeId === id ? share : one)) : [...alsoFor, share]))
}

async function leavePot(work: Work, potId: string, id: string): Promise<void> {
  const pot = await bakeHere(work, potId)
  if (pot === null) return
  const { alsoFor } = pot.plan.build
  // Of a levain that is built already its share is there, for whatever dough takes it.
  const left =
    pot.status === 'planned'
      ? alsoFor.filter(({ bakeId }) => bakeId !== id)
      : alsoFor.map((one) => (one.bakeId === id ? { name: one.name, grams: one.grams } : one))
  await writePlan(work, pot, withAlsoFor(pot.plan, left))
}

/** A dough whose pot is gone has its own levain again. */
async function release(work: Work, id: string, potId: string): Promise<void> {
  const row = await bakeHere(work, id)
  if (row !== null && awaitsPot(row.plan) && row.plan.levainFrom?.bakeId === potId) await writePlan(work, row, onItsOwn(row.plan))
}

/** The dough takes what the pot's levain is now; one that was let go, and comes back by an undo, takes of it again. */
async function makeAlike(work: Work, id: string, potId: string, pot: Plan): Promise<void> {
  const row = await bakeHere(work, id)
  if (row === null || row.status !== 'planned') return
  const takes = awaitsPot(row.plan) && row.plan.levainFrom?.bakeId === potId
  if (!takes && (row.plan.levainFrom != null || takersOf(row.plan).length > 0)) return
  await writePlan(work, row, fromPot(row.plan, potId, pot))
}

/** A bake that is taken off the table leaves its pot, and lets go of those that were to take of its own. */
export async function untie(work: Work, { id, plan }: Pick<KeptBake, 'id' | 'plan'>): Promise<void> {
  if (awaitsPot(plan) && plan.levainFrom != null) await leavePot(work, plan.levainFrom.bakeId, id)
  for (const taker of takersOf(plan)) await release(work, taker, id)
}

/** A bake that is put back takes of its pot again where that is still to be built, and those that were to take of its own do so again. */
export async function tieAgain(work: Work, row: KeptBake): Promise<void> {
  const { id, plan } = row
  if (awaitsPot(plan) && plan.levainFrom != null) {
    const { bakeId } = plan.levainFrom
    const pot = await bakeHere(work, bakeId)
    if (pot !== null && pot.status === 'planned' && pot.plan.levainFrom == null) await joinPot(work, bakeId, id, plan)
    else await writePlan(work, row, onItsOwn(plan))
  }
  for (const taker of takersOf(plan)) await makeAlike(work, taker, id, plan)
}

/** The doughs that wait for a pot are mixed with it, no sooner. @returns when each was to be mixed before, ms */
export async function waitForPot(work: Work, potId: string, pot: Plan): Promise<readonly Waiting[]> {
  const waited: Waiting[] = []
  for (const bakeId of takersOf(pot)) {
    const row = await bakeHere(work, bakeId)
    if (row === null || !awaitsPot(row.plan) || row.plan.levainFrom?.bakeId !== potId || row.plan.mixAt >= pot.mixAt) continue
    waited.push({ bakeId, mixAtMs: row.plan.mixAt })
    await writePlan(work, row, { ...row.plan, mixAt: pot.mixAt })
  }
  return waited
}

/** Takes that back, for those that still wait. */
export async function waitNoLonger(work: Work, waited: readonly Waiting[]): Promise<void> {
  for (const { bakeId, mixAtMs } of waited) {
    const row = await bakeHere(work, bakeId)
    if (row !== null && awaitsPot(row.plan)) await writePlan(work, row, { ...row.plan, mixAt: mixAtMs })
  }
}

/** A dough that waits for a pot, and when it was to be mixed before that was put off. */
export interface Waiting {
  readonly bakeId: string
  readonly mixAtMs: number
}

/** What was handed over of a pot: kept with its mix, so that it can be taken back. */
export interface HandedOver {
  readonly bakeId: string
  readonly jarId: string
  readonly jarBatchId: string
}

/**
 * Hands each dough its share of a levain that is mixed: a jar of its own, which it uses as it is.
 * @param levain the levain's batch, and how wet it is
 * @param marks what was seen of it: seen of each share, too
 * @param origin the jar it was seeded from
 * @param placeId where it stands
 */
export async function handOver(
  work: Work,
  {
    row,
    levain,
    marks,
    hydration,
    origin,
    placeId
  }: {
    readonly row: KeptBake
    readonly levain: BatchRow
    readonly marks: BakeState['marks']
    readonly hydration: number
    readonly origin: JarRow
    readonly placeId: string
  }
): Promise<{ readonly entries: readonly LedgerEntry[]; readonly milligrams: number; readonly handed: readonly HandedOver[] }> {
  const kitchen = await theKitchen(work)
  const entries: LedgerEntry[] = []
  const handed: HandedOver[] = []
  let given = 0
  const parents = await parentsOf(work, levain.id)
  const stays = await staysOf(work, levain.id)
  const wholeMg = [...Object.values(levain.floursMg), levain.waterMg, levain.saltMg, ...parents.map((p) => p.milligrams)].reduce((a, b) => a + b, 0)
  for (const { bakeId, name, grams } of row.plan.build.alsoFor) {
    const taker = bakeId == null ? null : await bakeHere(work, bakeId)
    if (taker === null || !awaitsPot(taker.plan) || taker.plan.levainFrom?.bakeId !== row.id) continue
    const jarId = randomUUID()
    const milligrams = toMilligrams(grams)
    // The same levain in a smaller jar: it goes on as it was, and is as ripe as the rest of it.
    const part = milligrams / wholeMg
    const jarBatchId = await createJar(
      work,
      {
        id: jarId,
        kitchenId: row.kitchenId,
        name: REFUSE_BAKES.levainFor(name),
        culture: cultureOf(levain.flour, hydration),
        flour: levain.flour,
        feed: origin.feed,
        vesselId: null,
        originId: origin.id,
        keepMinimumMg: 0,
        placeId: placeIn(kitchen, placeId).id,
        pace: origin.pace
      },
      {
        startedAtMs: levain.startedAtMs,
        floursMg: Object.fromEntries(Object.entries(levain.floursMg).map(([kind, mg]) => [kind, mg * part])),
        waterMg: Math.round(levain.waterMg * part),
        saltMg: Math.round(levain.saltMg * part),
        own: levain.own ?? undefined,
        additions: levain.additions ?? undefined,
        mixTempC: levain.mixTempC,
        parents: parents.map((parent) => ({ ...parent, milligrams: Math.round(parent.milligrams * part) })),
        stays
      }
    )
    for (const { atMs, rise, pH, signs, explained } of marks) {
      const seen = eventOf(row.kitchenId, jarId, { id: randomUUID(), happenedAt: atMs, source: 'typed' }, 'look', { rise, pH, signs, explained })
      await record(work, { ...seen, batchId: jarBatchId })
    }
    entries.push(...transfer(`batch:${levain.id}`, `jar:${jarId}`, milligrams))
    given += milligrams
    handed.push({ bakeId: taker.id, jarId, jarBatchId })
    const { plan } = taker
    await writePlan(work, taker, { ...plan, jarId, build: { ...plan.build, source: 'as it is' }, levainFrom: { bakeId: row.id, jarId: plan.jarId } })
  }
  return { entries, milligrams: given, handed }
}

/** The jar of a share is put away once its bread is baked, and comes back when that is taken back. */
export async function putShareAway(work: Work, { levainFrom, jarId }: Plan, isBaked: boolean): Promise<void> {
  if (levainFrom?.jarId === undefined) return
  await work.models.jars.update({ deletedAtMs: isBaked ? work.nowMs : null }, { where: { id: jarId }, transaction: work.transaction })
}

/** Takes back what was handed over. @throws Problem where a dough has begun to use it */
export async function takeBackHanded(work: Work, row: KeptBake, handed: readonly HandedOver[]): Promise<void> {
  for (const { bakeId, jarId, jarBatchId } of handed) {
    const { row: jar } = await jarForSeed(work, jarId)
    if (jar.currentBatchId !== jarBatchId) throw new Problem(409, 'wrong moment', REFUSE_BAKES.hasBeenFedSinceSo(jar.name))
    const taker = await bakeHere(work, bakeId)
    if (taker !== null && taker.plan.jarId === jarId) {
      if (taker.status !== 'planned') throw new Problem(409, 'wrong moment', REFUSE_BAKES.hasTakenOfPot(taker.plan.name))
      await writePlan(work, taker, fromPot(onItsOwn(taker.plan), row.id, row.plan))
    }
    await work.models.jars.update({ deletedAtMs: work.nowMs, currentBatchId: null }, { where: { id: jarId }, transaction: work.transaction })
  }
}
