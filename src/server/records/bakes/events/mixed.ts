import { doughAsWeighed, doughToWeigh } from '../../../../answers'
import {
  asUsed,
  type BakeState,
  contentsOf,
  cultureOf,
  doughContents,
  drawnIngredients,
  FLOURS,
  keysOf,
  mainKind,
  type SolvedLine,
  toGrams,
  toMilligrams,
  transfer
} from '../../../../core'
import { REFUSE_BAKES } from '../../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../../words/refusals/records'
import { Problem } from '../../../problems'
import { createBatch, lineOf, stayAt } from '../../jars/batches'
import { createJar, jarForSeed, setContents } from '../../jars/jars'
import { placeIn, theKitchen } from '../../kitchen/kitchens'
import { balanceOf } from '../../work'
import { levainOfBake } from '../bakes'
import { pantryFor } from '../keptBake'
import { handOver } from '../sharedPots'
import { type Effect, inMilligrams, type Told, wrongMoment } from './effect'
import { NOTHING_MG } from './pourSources'
import { doughStays } from './stays'

/** The levain goes into the dough and, what is kept, back into its jar; the dough draws the rest of its ingredients. */
export async function mixed({ work, row, state, event }: Told<'mixed'>): Promise<Effect> {
  const levain = await levainOfBake(work, row.id)
  if (state.band === null || levain === null) throw wrongMoment(REFUSE_BAKES.thisLevainHasNotBeen)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  const atMs = event.happenedAt
  if (atMs < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.cannotHaveBeenMixedBefore)
  const there = await balanceOf(work, `batch:${levain.id}`)
  const intoDough = toMilligrams(event.levainGrams)
  const levainLine = row.plan.formula.lines.find((l) => l.kind === 'levain')?.id
  const inBowl = state.weighed.reduce((sum, w) => (w.into === 'dough' && w.lineId === levainLine ? sum + toMilligrams(w.grams) : sum), 0)
  if (intoDough < inBowl)
    throw new Problem(400, 'more in the bowl', REFUSE_BAKES.gLevainAreInBowl(toGrams(inBowl)), {
      fields: { levainGrams: REFUSE_BAKES.atLeastGAreIn(toGrams(inBowl)) }
    })
  const kept = toMilligrams(event.keepBackGrams)
  const others = row.plan.build.alsoFor.map((d) => ({ name: d.name, milligrams: toMilligrams(d.grams) }))
  const intoOthers = others.reduce((t, d) => t + d.milligrams, 0)
  if (intoDough + intoOthers + kept > there + inBowl) {
    const also = intoOthers > 0 ? `, ${toGrams(intoOthers)} g for ${others.map((d) => d.name).join(' and ')}` : ''
    throw new Problem(400, 'more than there is', REFUSE_BAKES.levainWeighsGGFor(toGrams(there + inBowl), event.levainGrams, also, event.keepBackGrams), {
      fields: { levainGrams: REFUSE_RECORDS.atMostGAreThere(toGrams(Math.max(there + inBowl - intoOthers, 0))) }
    })
  }
  if (intoDough === 0) throw new Problem(400, 'nothing', REFUSE_BAKES.sayHowMuchLevainWent, { fields: { levainGrams: REFUSE_BAKES.howMuchWentIn } })
  const pantry = await pantryFor(work, row)
  const kitchen = await theKitchen(work)
  const { row: jar, hydration, milligrams } = await jarForSeed(work, row.plan.jarId)
  const line = await lineOf(work, levain.id, 1)
  const { keepAs } = event
  // A jar that only holds its share of a pot is not the last of anything.
  if ((kept === 0 || keepAs !== undefined) && milligrams < NOTHING_MG && row.plan.levainFrom == null) {
    throw new Problem(400, 'last portion', REFUSE_BAKES.emptyThisLevainAllThere(jar.name), {
      fields: { keepBackGrams: REFUSE_BAKES.keepLittleBack }
    })
  }
  const brought = line === null ? {} : contentsOf(line).flours
  if (kept > 0 && keepAs === undefined && !FLOURS[jar.flour].gluten && keysOf(brought).some((kind) => FLOURS[kind].gluten)) {
    throw new Problem(409, 'gluten guard', REFUSE_BAKES.keptFreeGlutenAndThis(jar.name), {
      fields: { keepBackGrams: REFUSE_BAKES.nothingGoesBackIntoThis }
    })
  }
  const levainHydration = line === null ? row.plan.build.hydration : contentsOf(line).hydration
  const planned = doughToWeigh({ ...row.plan, build: asUsed(row.plan.build, levainHydration) }, { kitchen, pantry })
  const lines = planned.ok ? doughAsWeighed(state, row.plan, planned.value).lines : []
  const { flours, own, waterGrams, saltGrams, additions } = doughContents(lines, pantry)
  const floursMg = inMilligrams(flours)
  const doughBatchId = await createBatch(work, {
    kitchenId: row.kitchenId,
    kind: 'dough',
    jarId: null,
    bakeId: row.id,
    startedAtMs: atMs,
    flour: mainKind(floursMg),
    floursMg,
    own,
    additions,
    waterMg: toMilligrams(waterGrams),
    saltMg: toMilligrams(saltGrams),
    mixTempC: event.mixTempC ?? row.plan.course?.mixTempC ?? row.plan.tempC,
    parents: [{ parentBatchId: levain.id, milligrams: intoDough, hydration: levainHydration, flour: levain.flour }],
    stays: doughStays(kitchen, row.plan, atMs, state)
  })
  const placeId = state.moves.at(-1)?.placeId ?? row.plan.placeId
  const {
    entries: handedOver,
    milligrams: handedMg,
    handed
  } = await handOver(work, {
    row,
    levain,
    marks: state.marks,
    hydration: levainHydration,
    origin: jar,
    placeId
  })
  const from = (id: string) => (pantry.get(id)?.kind === 'starter' ? ('discard' as const) : (`shelf:${id}` as const))
  const entries = [
    ...transfer(`batch:${levain.id}`, `dough:${row.id}`, intoDough - inBowl + intoOthers - handedMg),
    ...handedOver,
    ...transfer(`batch:${levain.id}`, `jar:${keepAs?.jarId ?? jar.id}`, kept),
    ...transfer(`batch:${levain.id}`, 'loss', there + inBowl - intoDough - intoOthers - kept),
    ...[...stillDrawn(lines, state)].flatMap(([id, grams]) => transfer(from(id), `dough:${row.id}`, toMilligrams(grams)))
  ]
  if (kept === 0) return { entries, batchId: levain.id, trace: { doughBatchId, handed } }
  if (keepAs !== undefined) {
    const place = placeIn(kitchen, keepAs.placeId)
    const keptBatchId = await createJar(
      work,
      {
        id: keepAs.jarId,
        kitchenId: row.kitchenId,
        name: keepAs.name,
        culture: cultureOf(levain.flour, levainHydration),
        flour: levain.flour,
        feed: jar.feed,
        vesselId: null,
        originId: jar.id,
        keepMinimumMg: 0,
        placeId: place.id,
        pace: jar.pace
      },
      {
        startedAtMs: atMs,
        floursMg: {},
        waterMg: 0,
        mixTempC: row.plan.tempC,
        parents: [{ parentBatchId: levain.id, milligrams: kept, hydration: levainHydration, flour: levain.flour }],
        stays: [stayAt(kitchen, place.id, atMs)]
      }
    )
    return { entries, batchId: levain.id, trace: { doughBatchId, handed, jarBatchId: keptBatchId, keptJarId: keepAs.jarId } }
  }
  const jarBatchId = await createBatch(work, {
    kitchenId: row.kitchenId,
    kind: 'feed',
    jarId: jar.id,
    bakeId: null,
    startedAtMs: atMs,
    flour: jar.flour,
    floursMg: {},
    waterMg: 0,
    saltMg: 0,
    mixTempC: row.plan.tempC,
    parents: [
      { parentBatchId: jar.currentBatchId, milligrams, hydration, flour: jar.flour },
      { parentBatchId: levain.id, milligrams: kept, hydration: levainHydration, flour: levain.flour }
    ].filter((p) => p.milligrams > 0),
    stays: [stayAt(kitchen, jar.placeId, atMs)]
  })
  await setContents(work, jar, jarBatchId, jar.placeId)
  return { entries, batchId: levain.id, trace: { doughBatchId, handed, jarBatchId, previousBatchId: jar.currentBatchId } }
}

/** What the shelf still has to give for a dough, g by ingredient: what was weighed into the bowl, or apart as a pre-ferment, has left it already. */
function stillDrawn(lines: readonly SolvedLine[], { weighed }: BakeState): ReadonlyMap<string, number> {
  const inBowl = (lineId: string) => weighed.reduce((sum, w) => (w.into === 'dough' && w.lineId === lineId ? sum + w.grams : sum), 0)
  const isApart = (lineId: string) => weighed.some((w) => w.into === 'pre-ferment' && w.lineId === lineId)
  return drawnIngredients(
    lines.flatMap((line) => (line.kind === 'pre-ferment' ? (isApart(line.id) ? [] : [line]) : [{ ...line, grams: line.grams - inBowl(line.id) }]))
  )
}
