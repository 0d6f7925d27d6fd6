import { levainToWeigh, seedHydrationOf } from '../../../../answers'
import type { Kitchen } from '../../../../contract'
import {
  type BakeState,
  contentsOf,
  HOTTEST_WATER_C,
  type LedgerEntry,
  massesOfPours,
  ownTraits,
  type Pantry,
  pourKey,
  toMilligrams,
  transfer
} from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import type { JarRow } from '../../../db/rows'
import { Problem } from '../../../problems'
import { addLineage, lineOf } from '../../jars/batches'
import { jarForSeed } from '../../jars/jars'
import { theKitchen } from '../../kitchen/kitchens'
import { balanceOf, type Work } from '../../work'
import { levainOfBake } from '../bakes'
import { buildsBefore, firstBuildOf } from '../firstBuild'
import { type KeptBake, pantryFor } from '../keptBake'
import { type Effect, inMilligrams, type Told, wrongMoment } from './effect'
import { materialOf, staysOfPlan } from './stays'

/** The level is marked: what was poured is a levain now, with where it came from and where it stands. */
export async function band({ work, row, state, event }: Told<'band'>): Promise<Effect> {
  if (state.band !== null) throw wrongMoment(REFUSE_BAKES.levelMarkedAlready)
  const { row: jar, hydration, milligrams } = await jarForSeed(work, row.plan.jarId)
  const pantry = await pantryFor(work, row)
  const kitchen = await theKitchen(work)
  const missing = missingPours(row, state, { hydration }, kitchen, pantry)
  if (missing.length > 0) throw wrongMoment(REFUSE_BAKES.weighTheseInBeforeYou(missing.join(', ')))
  if (event.mixTempC > HOTTEST_WATER_C) throw new Problem(400, 'too hot', REFUSE_BAKES.mixCWouldHarmCulture(event.mixTempC))
  const levain = await levainOfBake(work, row.id)
  if (levain === null) throw new Error('Poured, but no batch.')
  const startedAtMs = event.happenedAt
  const masses = massesOfPours(state, pantry)
  await work.models.batches.update(
    {
      startedAtMs,
      floursMg: inMilligrams(masses.flours),
      own:
        ownTraits(
          Object.entries(state.flours).map(([ingredientId, grams]) => ({ ingredientId, grams })),
          pantry
        ) ?? null,
      waterMg: toMilligrams(masses.water),
      saltMg: toMilligrams(masses.salt),
      mixTempC: event.mixTempC,
      material: await materialOf(work, row.plan)
    },
    { where: { id: levain.id }, transaction: work.transaction }
  )
  const olderLevain = await olderParent(work, row, jar.flour)
  await addLineage(
    work,
    levain.id,
    [
      ...(await seedParents(work, row, toMilligrams(masses.seed), { parentBatchId: jar.currentBatchId, hydration, flour: jar.flour })),
      { ...olderLevain, milligrams: toMilligrams(masses.older) }
    ].filter((p) => p.milligrams > 0),
    staysOfPlan(kitchen, row.plan, startedAtMs, state.moves)
  )
  // Where it is built in the jar, what is not needed has gone to the discard pot; a refill is a feed of its own.
  const emptied = row.plan.build.source === 'straight from the jar' ? transfer(`jar:${jar.id}`, 'discard', milligrams) : []
  // What the builds before leave behind goes where everything goes that nobody needs.
  const left: LedgerEntry[] = []
  for (const { id } of await buildsBefore(work, row.id)) left.push(...transfer(`batch:${id}`, 'discard', await balanceOf(work, `batch:${id}`)))
  return { batchId: levain.id, entries: [...emptied, ...left] }
}

/** Items of a levain that the window offers and that have not been poured yet, by name. */
function missingPours({ plan }: KeptBake, state: BakeState, jar: { readonly hydration: number }, kitchen: Kitchen, pantry: Pantry): string[] {
  const weights = levainToWeigh(plan, seedHydrationOf(plan, jar, state.deeds), { kitchen, pantry })
  if (!weights.ok) return []
  const { steps, weigh } = weights.value
  return steps
    .filter((step) => !state.done.includes(pourKey(step)))
    .map((step) => (weigh.flours.length > 1 && step.ingredientId !== null ? (pantry.get(step.ingredientId)?.name ?? step.ingredientId) : step.item))
}

/** The old levain of a mixed seed: what its jar holds, where it is kept in this kitchen. */
async function olderParent(work: Work, { plan }: KeptBake, flour: JarRow['flour']) {
  const { jarId, hydration } = plan.build.older
  if (jarId == null) return { parentBatchId: null, hydration, flour }
  const older = await jarForSeed(work, jarId)
  return { parentBatchId: older.row.currentBatchId, hydration: older.hydration, flour: older.row.flour }
}

/** What a levain was seeded with: what was taken of a first build, and the rest from the jar. */
async function seedParents(
  work: Work,
  row: KeptBake,
  seedMg: number,
  jar: { readonly parentBatchId: string | null; readonly hydration: number; readonly flour: JarRow['flour'] }
) {
  const first = await firstBuildOf(work, row)
  const line = first === null ? null : await lineOf(work, first.id, 1)
  if (first === null || line === null) return [{ ...jar, milligrams: seedMg }]
  const contents = contentsOf(line)
  const taken = Math.min(seedMg, Math.max(toMilligrams(contents.totalGrams) - (await balanceOf(work, `batch:${first.id}`)), 0))
  return [
    { parentBatchId: first.id, milligrams: taken, hydration: contents.hydration, flour: first.flour },
    { ...jar, milligrams: seedMg - taken }
  ]
}
