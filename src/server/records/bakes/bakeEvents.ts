import { millisecondsInHour } from 'date-fns/constants'
import { happeningOf, levainToWeigh, seedHydrationOf, statusOf } from '../../../answers'
import { type BakeEvent, eventToWire, type Kitchen, type Plan, planToWire } from '../../../contract'
import {
  type BakeState,
  canUndo,
  contentsOf,
  foldBake,
  gramsOfBlend,
  type Happening,
  HOTTEST_WATER_C,
  hasBegun,
  type Ingredient,
  ingredientsOf,
  kindsOfBlend,
  kindsOfGrams,
  mainKind,
  massesOfPours,
  ownTraits,
  type Pantry,
  pourKey,
  reversed,
  standing,
  toMilligrams,
  transfer,
  type VesselMaterial,
  withParts
} from '../../../core'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { type BakeRow, type JarRow, plain } from '../../db/rows'
import { Problem } from '../../problems'
import { addLineage, createBatch, dropLineage, lineOf, type NewStay, replaceStays, stayAt } from '../jars/batches'
import { feedOf, guardGluten, jarForSeed, refuseFuture, setContents } from '../jars/jars'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import { balanceOf, entriesOf, eventById, isRecorded, record, type Work } from '../work'
import { type Effect, inMilligrams, pantryFor, type Trace, wrongMoment } from './bakeEffects'
import { mixed } from './bakeMix'
import { bakeRow, eventsOf, levainOfBake } from './bakes'
import { doughRead, isEcho, measuredFor, outcome, refuseSecond, repaired, weighed } from './bakeWeigh'
import { firstBuildOf, firstStage, mixedFirst, seedSource, unmixFirst } from './firstBuild'
import type { KeptBake } from './keptBake'
import { drawn, guardOlder, refuseMoreThanThereIs } from './pourSources'

/** Keeps what happened to a bake. Sent twice, it counts once. */
export async function addBakeEvent(work: Work, bakeId: string, sent: BakeEvent): Promise<void> {
  if (await isRecorded(work, sent.id)) return
  const row = await bakeRow(work, bakeId)
  if (row.deletedAtMs !== null) throw new Problem(409, 'taken away', REFUSE_BAKES.thisBakeWasRemovedPut)
  refuseFuture(sent.happenedAt, work.nowMs, REFUSE_BAKES.whatYouNoted)
  const event = withFlour(sent, row.plan)
  const noted = (await eventsOf(work, [bakeId])).get(bakeId) ?? []
  if (isEcho(noted, event)) return
  const before = noted.map(happeningOf)
  const state = foldBake(before)
  const effect = await effectOf(work, row, state, before, event)
  const { id, happenedAt: _, source: __, device, type, ...payload } = eventToWire(event)
  await record(
    work,
    {
      id,
      kitchenId: row.kitchenId,
      bakeId,
      jarId: null,
      batchId: effect.batchId,
      type,
      payload: { ...payload, ...(effect.trace === undefined ? {} : { trace: effect.trace }) },
      happenedAtMs: event.happenedAt,
      source: event.source,
      device: device ?? null
    },
    effect.entries
  )
  const after = foldBake([...before, happeningOf(event)])
  const status = statusOf(row.plan, after.status)
  await work.models.bakes.update(
    { status, frozen: await frozenOf(work, row, hasBegun(after)), version: row.version + 1 },
    { where: { id: bakeId }, transaction: work.transaction }
  )
}

/** A pour of flour says which; where the levain has one flour only it is that. */
function withFlour(event: BakeEvent, plan: Plan): BakeEvent {
  if (event.type !== 'pour' || event.item !== 'flour' || event.ingredientId !== undefined) return event
  const [only, ...others] = plan.build.flours.filter((p) => p.share > 0)
  if (only === undefined || others.length > 0) {
    throw new Problem(400, 'which flour', REFUSE_BAKES.thisLevainHasSeveralFlours, { fields: { ingredientId: REFUSE_RECORDS.chooseFlour } })
  }
  return { ...event, ingredientId: only.ingredientId }
}

/** A started bake keeps its plan and what its ingredients were; one whose pours were all taken back is free again. */
async function frozenOf(work: Work, row: KeptBake, begun: boolean): Promise<BakeRow['frozen']> {
  if (!begun) return null
  return { plan: planToWire(row.plan), ingredients: row.frozen?.ingredients ?? usedIngredients(row.plan, await pantryIn(work)) }
}

function usedIngredients({ formula, build }: Plan, pantry: Pantry): Ingredient[] {
  const ids = [
    ...formula.lines.flatMap((line) => (line.kind === 'pre-ferment' ? ingredientsOf(line.mix) : 'ingredientId' in line ? [line.ingredientId] : [])),
    ...build.flours.map((p) => p.ingredientId),
    'water',
    'salt'
  ]
  return withParts(ids, pantry)
}

function effectOf(work: Work, row: KeptBake, state: BakeState, before: readonly Happening[], event: BakeEvent): Promise<Effect> {
  switch (event.type) {
    case 'pour':
      return pour(work, row, state, event)
    case 'weigh':
      return weighed(work, row, state, event)
    case 'repair':
      return repaired(state, event)
    case 'measured':
      return measuredFor(state, event)
    case 'dough':
      return doughRead(state, event)
    case 'outcome':
      return outcome(state, event)
    case 'band':
      return band(work, row, state, event)
    case 'mark':
      return mark(work, row, state, event)
    case 'moved':
      return moved(work, row, state, event)
    case 'mixed':
      return mixed(work, row, state, event)
    case 'step':
      return stepDone(work, row, state, event)
    case 'undo':
      return undo(work, row, state, before, event)
  }
}

async function pour(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'pour' }>): Promise<Effect> {
  if (state.band !== null) throw wrongMoment(REFUSE_BAKES.levelMarkedAlreadySoNothing)
  const { jarId, build } = row.plan
  refuseSecond(event, state.pours.get(pourKey(event)) ?? [])
  const poured = toMilligrams(event.weighedGrams)
  const { first, fromFirst } = event.item === 'seed' ? await seedSource(work, row.id, poured) : { first: null, fromFirst: 0 }
  if (event.item === 'seed' && poured > fromFirst) await refuseMoreThanThereIs(work, jarId, poured - fromFirst, build.keepBackGrams)
  if (event.item === 'older levain') await guardOlder(work, jarId)
  const levain = await levainOfBake(work, row.id)
  const batchId =
    levain?.id ??
    (await createBatch(work, {
      kitchenId: row.kitchenId,
      kind: 'levain',
      jarId,
      bakeId: row.id,
      startedAtMs: null,
      flour: mainKind(kindsOfBlend(build.flours, await pantryFor(work, row)) ?? {}),
      floursMg: {},
      waterMg: 0,
      saltMg: 0,
      mixTempC: null,
      parents: [],
      stays: []
    }))
  const fromBuild = first === null ? [] : transfer(`batch:${first.id}`, `batch:${batchId}`, fromFirst)
  return { entries: [...fromBuild, ...(await drawn(work, event, jarId, batchId, poured - fromFirst))], batchId }
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

async function band(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'band' }>): Promise<Effect> {
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
  const { older } = row.plan.build
  await addLineage(
    work,
    levain.id,
    [
      ...(await seedParents(work, row.id, toMilligrams(masses.seed), { parentBatchId: jar.currentBatchId, hydration, flour: jar.flour })),
      { parentBatchId: null, milligrams: toMilligrams(masses.older), hydration: older.hydration, flour: jar.flour }
    ].filter((p) => p.milligrams > 0),
    staysOfPlan(kitchen, row.plan, startedAtMs, state.moves)
  )
  const atBand = await jarAtBand(work, row, jar, { hydration, milligrams, seedGrams: masses.seed, startedAtMs })
  // What a first build leaves behind goes where everything goes that nobody needs.
  const first = await firstBuildOf(work, row.id)
  const left = first === null ? 0 : await balanceOf(work, `batch:${first.id}`)
  return { batchId: levain.id, ...atBand, entries: [...atBand.entries, ...(first === null ? [] : transfer(`batch:${first.id}`, 'discard', left))] }
}

/** What a levain was seeded with: what was taken of a first build, and the rest from the jar. */
async function seedParents(
  work: Work,
  bakeId: string,
  seedMg: number,
  jar: { readonly parentBatchId: string | null; readonly hydration: number; readonly flour: JarRow['flour'] }
) {
  const first = await firstBuildOf(work, bakeId)
  const line = first === null ? null : await lineOf(work, first.id, 1)
  if (first === null || line === null) return [{ ...jar, milligrams: seedMg }]
  const contents = contentsOf(line)
  const taken = Math.min(seedMg, Math.max(toMilligrams(contents.totalGrams) - (await balanceOf(work, `batch:${first.id}`)), 0))
  return [
    { parentBatchId: first.id, milligrams: taken, hydration: contents.hydration, flour: first.flour },
    { ...jar, milligrams: seedMg - taken }
  ]
}

/** What the school does to the jar once its seed is out: topped up at once, or emptied into the discard pot. */
async function jarAtBand(
  work: Work,
  row: KeptBake,
  jar: JarRow,
  { hydration, milligrams, seedGrams, startedAtMs }: { hydration: number; milligrams: number; seedGrams: number; startedAtMs: number }
): Promise<Pick<Effect, 'entries' | 'trace'>> {
  if (row.plan.build.source === 'straight from the jar') return { entries: transfer(`jar:${jar.id}`, 'discard', milligrams) }
  if (row.plan.build.source !== 'draw and top up' || milligrams === 0) return { entries: [] }
  const kitchen = await theKitchen(work)
  const place = kitchen.places.find((p) => p.id === jar.placeId)
  const flour = toMilligrams(seedGrams / (1 + hydration))
  const water = toMilligrams(seedGrams) - flour
  const parts = gramsOfBlend(feedOf(jar), flour)
  await guardGluten(
    work,
    jar,
    parts.map((p) => p.ingredientId)
  )
  const pantry = await pantryIn(work)
  const jarBatchId = await createBatch(work, {
    kitchenId: row.kitchenId,
    kind: 'feed',
    jarId: jar.id,
    bakeId: null,
    startedAtMs,
    flour: jar.flour,
    floursMg: kindsOfGrams(Object.fromEntries(parts.map((p) => [p.ingredientId, p.grams])), pantry),
    own: ownTraits(parts, pantry),
    waterMg: water,
    saltMg: 0,
    mixTempC: place?.tempC ?? row.plan.tempC,
    parents: [{ parentBatchId: jar.currentBatchId, milligrams, hydration, flour: jar.flour }],
    stays: [stayAt(kitchen, jar.placeId, startedAtMs)]
  })
  await setContents(work, jar, jarBatchId, jar.placeId)
  return {
    entries: [
      ...parts.flatMap(({ ingredientId, grams }) => transfer(`shelf:${ingredientId}`, `jar:${jar.id}`, grams)),
      ...transfer('shelf:water', `jar:${jar.id}`, water)
    ],
    trace: { jarBatchId, previousBatchId: jar.currentBatchId }
  }
}

async function mark(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'mark' }>): Promise<Effect> {
  if (state.band === null) throw wrongMoment(REFUSE_BAKES.thereNothingToWatchYet)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  if (event.happenedAt < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.thisMarkLiesBeforeBand)
  if (event.rise === undefined && Object.keys(event.signs).length === 0) throw new Problem(400, 'empty', REFUSE_RECORDS.noteLevelOrAtLeast)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}

/** Where a levain stands: as planned, until it was moved otherwise. */
function staysOfPlan(kitchen: Kitchen, plan: Plan, startMs: number, moves: BakeState['moves']): NewStay[] {
  const planned = [
    stayAt(kitchen, plan.placeId, startMs, plan.tempC),
    ...plan.moves.map((move) => stayAt(kitchen, move.placeId, startMs + move.afterHours * millisecondsInHour, move.tempC))
  ].sort((a, b) => a.fromMs - b.fromMs)
  const first = moves[0]
  if (first === undefined) return planned
  return [...planned.filter((stay) => stay.fromMs < first.atMs), ...moves.map((move) => stayAt(kitchen, move.placeId, move.atMs, move.tempC))]
}

/** What the vessel of a plan is made of. */
async function materialOf({ models, transaction }: Work, { build }: Plan): Promise<VesselMaterial | null> {
  const row = build.vesselId === null ? null : await models.vessels.findByPk(build.vesselId, { transaction })
  return row === null ? null : plain(row).material
}

async function moved(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'moved' }>): Promise<Effect> {
  const levain = await levainOfBake(work, row.id)
  if (state.band === null || levain === null) throw wrongMoment(REFUSE_BAKES.thereNothingToMoveYet)
  if (state.mixed !== null) throw wrongMoment(REFUSE_BAKES.thisLevainHasBeenMixed)
  const atMs = event.happenedAt
  if (atMs < state.band.atMs) throw new Problem(400, 'before the band', REFUSE_BAKES.thisMoveLiesBeforeBand)
  const kitchen = await theKitchen(work)
  placeIn(kitchen, event.placeId)
  const moves = [...state.moves, { id: event.id, atMs, placeId: event.placeId, tempC: event.tempC }].sort((a, b) => a.atMs - b.atMs)
  await replaceStays(work, levain.id, staysOfPlan(kitchen, row.plan, state.band.atMs, moves))
  return { entries: [], batchId: levain.id }
}

/** A step of the day that moves no mass: told, and what comes after hangs on it. */
async function stepDone(work: Work, row: KeptBake, state: BakeState, event: Extract<BakeEvent, { type: 'step' }>): Promise<Effect> {
  if (state.deeds.has(event.step)) throw wrongMoment(REFUSE_BAKES.thisStepHasBeenTold)
  const before = row.plan.before.some((stage) => stage.id === event.step)
  if (before && state.status !== 'planned') throw wrongMoment(REFUSE_BAKES.buildHasBegunSoWhat)
  if (!before && event.step !== 'autolyse' && !event.step.startsWith('chill')) {
    if (state.mixed === null) throw wrongMoment(REFUSE_BAKES.firstDoughHasToBe)
    if (event.happenedAt < state.mixed.atMs) throw new Problem(400, 'before the mix', REFUSE_BAKES.thisLiesBeforeDoughWas)
  }
  const first = firstStage(row.plan)
  if (first !== undefined && first.id === event.step && event.did === 'done') return mixedFirst(work, row, state, first, event.happenedAt)
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}

async function undo(work: Work, row: KeptBake, state: BakeState, before: readonly Happening[], event: Extract<BakeEvent, { type: 'undo' }>): Promise<Effect> {
  if (!canUndo(before, event.undoes)) throw wrongMoment(REFUSE_BAKES.onlyLatestEntryCanBe)
  const last = standing(before).find((h) => h.id === event.undoes)
  if (last === undefined) throw new Error('Nothing to take back.')
  const levain = await levainOfBake(work, row.id)
  await undoTrace(work, row, last.id)
  if (last.type === 'band' && levain !== null) {
    await work.models.batches.update(
      { startedAtMs: null, floursMg: {}, own: null, waterMg: 0, saltMg: 0, mixTempC: null },
      { where: { id: levain.id }, transaction: work.transaction }
    )
    await dropLineage(work, levain.id)
  }
  if (last.type === 'step' && last.did === 'done' && last.step === firstStage(row.plan)?.id) await unmixFirst(work, row.id)
  if (last.type === 'moved' && levain !== null && state.band !== null) {
    const left = state.moves.filter((move) => move.id !== last.id)
    await replaceStays(work, levain.id, staysOfPlan(await theKitchen(work), row.plan, state.band.atMs, left))
  }
  return { entries: reversed(await entriesOf(work, event.undoes)), batchId: levain?.id ?? null }
}

/** Takes the batches away that an event made, and gives the jar back what it held. */
async function undoTrace(work: Work, row: KeptBake, eventId: string): Promise<void> {
  const { trace } = ((await eventById(work, eventId))?.payload ?? {}) as { trace?: Trace }
  if (trace === undefined) return
  const { row: jar } = await jarForSeed(work, row.plan.jarId)
  if (trace.jarBatchId !== undefined) {
    if (jar.currentBatchId !== trace.jarBatchId) throw wrongMoment(REFUSE_BAKES.hasBeenFedSinceSo(jar.name))
    await setContents(work, jar, trace.previousBatchId ?? null, jar.placeId)
  }
  for (const batchId of [trace.doughBatchId, trace.jarBatchId]) {
    if (batchId === undefined) continue
    await dropLineage(work, batchId)
    await work.models.batches.destroy({ where: { id: batchId }, transaction: work.transaction })
  }
}
