import { floursOfFirstBuild } from '../../../answers'
import type { BakeEvent, Plan, StageBeforePlan } from '../../../contract'
import { type BakeState, isFedAgain, kindsOfGrams, type LedgerEntry, mainKind, ownTraits, toMilligrams, transfer } from '../../../core'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import { type BatchRow, plain } from '../../db/rows'
import { addLineage, createBatch, dropLineage, stayAt } from '../jars/batches'
import { jarForSeed } from '../jars/jars'
import { theKitchen } from '../kitchen/kitchens'
import { balanceOf, type Work } from '../work'
import { type Effect, inMilligrams, wrongMoment } from './events/effect'
import { refuseMoreThanThereIs } from './events/pourSources'
import { type KeptBake, pantryFor } from './keptBake'

/** What was weighed of the seed of a first build; flours and water go by their ingredient. */
const SEED = 'seed'

/** The first build of a plan; undefined where it has none. */
export const firstStage = ({ before }: Plan): StageBeforePlan | undefined => before.find((s) => s.kind === 'first build')

/** All that a bake was built of before its levain, as batches. */
export async function buildsBefore({ models, transaction }: Work, bakeId: string): Promise<BatchRow[]> {
  return (await models.batches.findAll({ where: { bakeId, kind: 'preferment' }, transaction })).map(plain)
}

/** What the levain of a plan is seeded from before the jar, as a batch: its first build, or the levain that is fed again; null where nothing of it has been weighed or told. */
export async function firstBuildOf(work: Work, { id, plan }: Pick<KeptBake, 'id' | 'plan'>): Promise<BatchRow | null> {
  const builds = await buildsBefore(work, id)
  const last = plan.before.findLast(({ kind }) => kind === 'first build')
  if (builds.length === 0 || last === undefined) return null
  const fed = (await work.models.events.findAll({ where: { bakeId: id, type: 'fed again' }, order: [['sequence', 'ASC']], transaction: work.transaction })).map(
    plain
  )
  const fedOne = isFedAgain(last.id) ? fed.findLast(({ payload }) => payload.stage === last.id)?.batchId : undefined
  return builds.find((build) => (isFedAgain(last.id) ? build.id === fedOne : !fed.some(({ batchId }) => batchId === build.id))) ?? null
}

async function firstBatch(work: Work, row: KeptBake): Promise<string> {
  const there = await firstBuildOf(work, row)
  if (there !== null) return there.id
  const { row: jar } = await jarForSeed(work, row.plan.jarId)
  const none = { startedAtMs: null, floursMg: {}, waterMg: 0, saltMg: 0, mixTempC: null, parents: [], stays: [] }
  return createBatch(work, { kitchenId: row.kitchenId, kind: 'preferment', jarId: jar.id, bakeId: row.id, flour: jar.flour, ...none })
}

/** Weighs something into the first build: it leaves jar or shelf at once. */
export async function weighedFirst(
  work: Work,
  row: KeptBake,
  state: BakeState,
  { ingredientId, weighedGrams }: Extract<BakeEvent, { type: 'weigh' }>
): Promise<Effect> {
  const stage = firstStage(row.plan)
  if (stage === undefined) throw wrongMoment(REFUSE_BAKES.thisBakeHasNoFirst)
  if (state.status !== 'planned' || state.deeds.has(stage.id)) throw wrongMoment(REFUSE_BAKES.firstBuildMixedAlreadySo)
  const poured = toMilligrams(weighedGrams)
  if (ingredientId === undefined) await refuseMoreThanThereIs(work, row.plan.jarId, poured, row.plan.build.keepBackGrams > 0)
  const batchId = await firstBatch(work, row)
  return { entries: transfer(ingredientId === undefined ? `jar:${row.plan.jarId}` : `shelf:${ingredientId}`, `batch:${batchId}`, poured), batchId }
}

/** The first build stands: what was weighed is in it, and what was not is taken as planned. */
export async function mixedFirst(work: Work, row: KeptBake, state: BakeState, stage: StageBeforePlan, atMs: number): Promise<Effect> {
  const { plan } = row
  const pantry = await pantryFor(work, row)
  const kitchen = await theKitchen(work)
  const { row: jar, hydration } = await jarForSeed(work, plan.jarId)
  const batchId = await firstBatch(work, row)
  const weighed = (key: string) => {
    const of = state.weighed.filter((w) => w.into === 'first build' && w.key === key)
    return of.length === 0 ? null : of.reduce((sum, w) => sum + w.grams, 0)
  }
  const entries: LedgerEntry[] = []
  const really = (key: string, planned: number, account: `jar:${string}` | `shelf:${string}`) => {
    const grams = weighed(key)
    if (grams === null) entries.push(...transfer(account, `batch:${batchId}`, toMilligrams(planned)))
    return grams ?? planned
  }
  if (weighed(SEED) === null) await refuseMoreThanThereIs(work, jar.id, toMilligrams(stage.seedGrams), plan.build.keepBackGrams > 0)
  const seed = really(SEED, stage.seedGrams, `jar:${jar.id}`)
  const water = really('water', stage.waterGrams, 'shelf:water')
  const flours = floursOfFirstBuild(plan, stage).map(({ ingredientId, grams }) => ({
    ingredientId,
    grams: really(ingredientId, grams, `shelf:${ingredientId}`)
  }))
  const kinds = kindsOfGrams(Object.fromEntries(flours.map((f) => [f.ingredientId, f.grams])), pantry)
  await work.models.batches.update(
    {
      startedAtMs: atMs,
      flour: mainKind(kinds),
      floursMg: inMilligrams(kinds),
      own: ownTraits(flours, pantry) ?? null,
      waterMg: toMilligrams(water),
      mixTempC: plan.mixTempC
    },
    { where: { id: batchId }, transaction: work.transaction }
  )
  await addLineage(
    work,
    batchId,
    [{ parentBatchId: jar.currentBatchId, milligrams: toMilligrams(seed), hydration, flour: jar.flour }],
    [stayAt(kitchen, stage.placeId, atMs, stage.tempC)]
  )
  return { entries, batchId }
}

/** It does not stand yet after all. */
export async function unmixFirst(work: Work, row: KeptBake): Promise<void> {
  const first = await firstBuildOf(work, row)
  if (first === null) return
  await dropLineage(work, first.id)
  await work.models.batches.update(
    { startedAtMs: null, floursMg: {}, own: null, waterMg: 0, mixTempC: null },
    { where: { id: first.id }, transaction: work.transaction }
  )
}

/**
 * Where the seed of the last build comes from: the first build while there is some of it, then the jar.
 * @returns how much of it comes from the first build, mg, and its batch
 */
export async function seedSource(work: Work, row: KeptBake, poured: number): Promise<{ readonly first: BatchRow | null; readonly fromFirst: number }> {
  const first = await firstBuildOf(work, row)
  if (first === null || first.startedAtMs === null) return { first: null, fromFirst: 0 }
  return { first, fromFirst: Math.min(await balanceOf(work, `batch:${first.id}`), poured) }
}
