import { Op } from 'sequelize'
import type { z } from 'zod'
import {
  type Bake,
  type BakeEvent,
  bakeEventSchema,
  type bakeQuerySchema,
  happeningOf,
  type Kitchen,
  lineToWire,
  type Plan,
  problemSentence
} from '../../contract'
import {
  type BakeState,
  type BakeStatus,
  contentsOf,
  doughForPieces,
  foldBake,
  HOTTEST_WATER_C,
  type LedgerEntry,
  levainNeeded,
  POSSIBLE,
  POUR_ORDER,
  reversed,
  solveBuild,
  solveFormula,
  toGrams,
  toMilligrams,
  transfer
} from '../../core'
import { type BakeRow, type BatchRow, type EventRow, plain } from '../db/models'
import { notFound, Problem } from '../problems'
import { addLineage, createBatch, dropLineage, lineOf, linesOf } from './batches'
import { jarForSeed, refuseFuture, setContents } from './jars'
import { placeIn, theKitchen } from './kitchens'
import { balanceOf, entriesOf, eventById, isRecorded, record, type Work } from './work'

const MS_PER_DAY = 86_400_000
/** How far ahead a bake may be planned. */
const FARTHEST_DAYS = 366

async function bakeRow({ models, transaction }: Work, id: string): Promise<BakeRow> {
  const row = await models.bakes.findByPk(id, { transaction })
  if (row === null) throw notFound('This bake')
  return plain(row)
}

function bakeEventOf({ id, payload, happenedAtMs, source, device, type }: EventRow): BakeEvent {
  return bakeEventSchema.parse({ ...payload, id, type, source, device: device ?? undefined, happenedAt: new Date(Number(happenedAtMs)).toISOString() })
}

/** Events by bake, in the order they were recorded. */
async function eventsOf({ models, transaction }: Work, bakeIds: readonly string[]): Promise<Map<string, BakeEvent[]>> {
  const rows = await models.events.findAll({ where: { bakeId: bakeIds as string[] }, order: [['sequence', 'ASC']], transaction })
  const events = new Map<string, BakeEvent[]>(bakeIds.map((id) => [id, []]))
  for (const row of rows.map(plain)) events.get(row.bakeId ?? '')?.push(bakeEventOf(row))
  return events
}

/** Levains by bake. */
async function levainsOf({ models, transaction }: Work, bakeIds: readonly string[]): Promise<Map<string, BatchRow>> {
  const rows = await models.batches.findAll({ where: { bakeId: bakeIds as string[], kind: 'levain' }, transaction })
  return new Map(rows.map(plain).map((batch) => [batch.bakeId ?? '', batch]))
}

async function levainOfBake(work: Work, bakeId: string): Promise<BatchRow | null> {
  return (await levainsOf(work, [bakeId])).get(bakeId) ?? null
}

async function bakeViews(work: Work, rows: readonly BakeRow[]): Promise<Bake[]> {
  const ids = rows.map((row) => row.id)
  const [events, levains] = await Promise.all([eventsOf(work, ids), levainsOf(work, ids)])
  const lines = await linesOf(
    work,
    [...levains.values()].map((batch) => batch.id)
  )
  return rows.map((row) => {
    const line = lines.get(levains.get(row.id)?.id ?? '')
    const happened = events.get(row.id) ?? []
    return {
      id: row.id,
      version: row.version,
      plan: row.plan,
      status: foldBake(happened.map(happeningOf)).status,
      events: happened,
      line: line === undefined ? null : lineToWire(line),
      createdAt: new Date(Number(row.createdAtMs)).toISOString(),
      deletedAt: row.deletedAtMs === null ? null : new Date(Number(row.deletedAtMs)).toISOString()
    }
  })
}

/** One bake, taken away or not. */
export async function findBake(work: Work, id: string): Promise<Bake> {
  return (await bakeViews(work, [await bakeRow(work, id)]))[0] as Bake
}

/** A page of bakes: open ones by when they are mixed, the others newest first. */
export async function listBakes(work: Work, query: z.output<typeof bakeQuerySchema>): Promise<{ bakes: Bake[]; total: number }> {
  const where =
    query.state === 'deleted' ? { deletedAtMs: { [Op.ne]: null } } : { deletedAtMs: null, status: query.state === 'mixed' ? 'mixed' : { [Op.ne]: 'mixed' } }
  const { rows, count } = await work.models.bakes.findAndCountAll({
    where,
    order: [['mixAtMs', query.state === 'open' ? 'ASC' : 'DESC']],
    offset: query.offset,
    limit: query.limit,
    transaction: work.transaction
  })
  return { bakes: await bakeViews(work, rows.map(plain)), total: count }
}

/** Refuses a plan that cannot be, with the sentence that says why. */
async function checkPlan(work: Work, plan: Plan, before?: Plan): Promise<Kitchen> {
  const kitchen = await theKitchen(work)
  placeIn(kitchen, plan.placeId)
  const { hydration: seedHydration } = await jarForSeed(work, plan.jarId)
  const mixAtMs = Date.parse(plan.mixAt)
  if (before?.mixAt !== plan.mixAt) {
    if (mixAtMs < work.nowMs) throw refused('mixAt', 'The time to mix lies in the past. Choose one that is still to come.')
    if (mixAtMs > work.nowMs + FARTHEST_DAYS * MS_PER_DAY) throw refused('mixAt', 'The time to mix is more than a year away. Choose a nearer one.')
  }
  const doughGrams = doughForPieces(plan.pieces)
  if (doughGrams > POSSIBLE.doughGrams[1])
    throw refused('pieces', `That is ${Math.round(doughGrams / 1000)} kg of dough, more than Olvent reckons with (${POSSIBLE.doughGrams[1] / 1000} kg).`)
  const dough = solveFormula(doughGrams, plan)
  if (!dough.ok) throw refused('levain', problemSentence(dough.problem))
  const build = solveBuild({
    totalGrams: levainNeeded([dough.value.masses.levain], plan.keepBackGrams).total,
    hydration: plan.levainHydration,
    seedHydration,
    flourPerSeed: plan.flourPerSeed
  })
  if (!build.ok) throw refused('flourPerSeed', problemSentence(build.problem))
  return kitchen
}

const refused = (field: string, sentence: string) => new Problem(400, 'cannot be', sentence, { fields: { [`plan.${field}`]: sentence } })

/** Writes a wish down. The id makes it safe to send twice. */
export async function createBake(work: Work, id: string, plan: Plan): Promise<Bake> {
  const there = await work.models.bakes.findByPk(id, { transaction: work.transaction })
  if (there !== null) return findBake(work, id)
  const kitchen = await checkPlan(work, plan)
  await work.models.bakes.create(
    {
      id,
      kitchenId: kitchen.id,
      plan,
      frozen: null,
      version: 1,
      status: 'planned',
      mixAtMs: Date.parse(plan.mixAt),
      createdAtMs: work.nowMs,
      deletedAtMs: null
    },
    { transaction: work.transaction }
  )
  return findBake(work, id)
}

/** Changes a plan; refused when another window was faster, or once something has been poured. */
export async function putBake(work: Work, id: string, version: number, plan: Plan): Promise<Bake> {
  const row = await bakeRow(work, id)
  if (row.version !== version) {
    throw new Problem(409, 'stale', 'This bake was changed in another window. Both versions are shown; choose one.', { current: await findBake(work, id) })
  }
  if (row.frozen !== null) throw new Problem(409, 'started', 'This bake has been started, so its plan stands. Undo the pours to change it.')
  await checkPlan(work, plan, row.plan)
  await work.models.bakes.update({ plan, version: version + 1, mixAtMs: Date.parse(plan.mixAt) }, { where: { id }, transaction: work.transaction })
  return findBake(work, id)
}

/** Takes a bake off the table, or puts it back. */
export async function setDeleted(work: Work, id: string, deleted: boolean): Promise<Bake> {
  await bakeRow(work, id)
  await work.models.bakes.update({ deletedAtMs: deleted ? work.nowMs : null }, { where: { id }, transaction: work.transaction })
  return findBake(work, id)
}

/** What an event does to batches and masses. */
interface Effect {
  readonly entries: readonly LedgerEntry[]
  readonly batchId: string | null
  /** Kept with the event so that it can be taken back. */
  readonly trace?: Record<string, unknown>
}

/** Keeps what happened to a bake. Sent twice, it counts once. */
export async function addBakeEvent(work: Work, bakeId: string, event: BakeEvent): Promise<void> {
  if (await isRecorded(work, event.id)) return
  const row = await bakeRow(work, bakeId)
  if (row.deletedAtMs !== null) throw new Problem(409, 'taken away', 'This bake has been taken away. Put it back first.')
  refuseFuture(Date.parse(event.happenedAt), work.nowMs, 'What you noted')
  const before = ((await eventsOf(work, [bakeId])).get(bakeId) ?? []).map(happeningOf)
  const state = foldBake(before)
  const effect = await effectOf(work, row, state, event)
  const { id, happenedAt, source, device, type, ...payload } = event
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
      happenedAtMs: Date.parse(happenedAt),
      source,
      device: device ?? null
    },
    effect.entries
  )
  const { status } = foldBake([...before, happeningOf(event)])
  await work.models.bakes.update(
    { status, frozen: frozenOf(row, status) as never, version: row.version + 1 },
    { where: { id: bakeId }, transaction: work.transaction }
  )
}

/** A started bake keeps its plan and masses as they were; one whose pours were all taken back is free again. */
function frozenOf(row: BakeRow, status: BakeStatus): unknown {
  if (status === 'planned') return null
  return row.frozen ?? { plan: row.plan, dough: solveFormula(doughForPieces(row.plan.pieces), row.plan) }
}

const wrongMoment = (sentence: string) => new Problem(409, 'wrong moment', sentence)

function effectOf(work: Work, row: BakeRow, state: BakeState, event: BakeEvent): Promise<Effect> {
  switch (event.type) {
    case 'pour':
      return pour(work, row, state, event)
    case 'band':
      return band(work, row, state, event)
    case 'mark':
      return mark(work, row, state, event)
    case 'mixed':
      return mixed(work, row, state, event)
    case 'undo':
      return undo(work, row, state, event)
  }
}

async function pour(work: Work, row: BakeRow, state: BakeState, event: Extract<BakeEvent, { type: 'pour' }>): Promise<Effect> {
  if (state.band !== null) throw wrongMoment('The band is set already, so nothing more goes into this levain.')
  const { row: jar, milligrams } = await jarForSeed(work, row.plan.jarId)
  const poured = toMilligrams(event.weighedGrams)
  if (event.item === 'seed' && poured > milligrams) {
    throw new Problem(
      400,
      'more than there is',
      `${jar.name} holds ${toGrams(milligrams)} g by the book; ${event.weighedGrams} g cannot have come out of it. Weigh the jar if the book is wrong.`,
      {
        fields: { weighedGrams: `At most ${toGrams(milligrams)} g are there.` }
      }
    )
  }
  const levain = await levainOfBake(work, row.id)
  const batchId =
    levain?.id ??
    (await createBatch(work, {
      kitchenId: row.kitchenId,
      kind: 'levain',
      jarId: jar.id,
      bakeId: row.id,
      startedAtMs: null,
      flour: row.plan.levainFlour,
      floursMg: {},
      waterMg: 0,
      saltMg: 0,
      mixTempC: null,
      parents: [],
      stays: []
    }))
  const from =
    event.item === 'seed' ? (`jar:${jar.id}` as const) : event.item === 'water' ? ('shelf:water' as const) : (`shelf:${row.plan.levainFlour}` as const)
  return { entries: transfer(from, `batch:${batchId}`, poured), batchId }
}

async function band(work: Work, row: BakeRow, state: BakeState, event: Extract<BakeEvent, { type: 'band' }>): Promise<Effect> {
  if (state.band !== null) throw wrongMoment('The band is set already.')
  const missing = POUR_ORDER.filter((item) => !state.done.includes(item))
  if (missing.length > 0) throw wrongMoment(`Before the band is set, weigh in: ${missing.join(', ')}.`)
  if (event.mixTempC > HOTTEST_WATER_C)
    throw new Problem(400, 'too hot', `A mix of ${event.mixTempC} °C would harm the culture. Let it cool, or measure again.`)
  const kitchen = await theKitchen(work)
  const place = kitchen.places.find((p) => p.id === row.plan.placeId)
  const levain = await levainOfBake(work, row.id)
  if (levain === null) throw new Error('Poured, but no batch.')
  const { row: jar, hydration } = await jarForSeed(work, row.plan.jarId)
  const startedAtMs = Date.parse(event.happenedAt)
  await work.models.batches.update(
    {
      startedAtMs,
      floursMg: { [row.plan.levainFlour]: toMilligrams(state.poured.flour) },
      waterMg: toMilligrams(state.poured.water),
      mixTempC: event.mixTempC
    },
    { where: { id: levain.id }, transaction: work.transaction }
  )
  await addLineage(
    work,
    levain.id,
    [{ parentBatchId: jar.currentBatchId, milligrams: toMilligrams(state.poured.seed), hydration, flour: jar.flour }],
    [{ placeId: row.plan.placeId, fromMs: startedAtMs, tempC: row.plan.tempC, surroundings: place?.surroundings ?? 'air' }]
  )
  return { entries: [], batchId: levain.id }
}

async function mark(work: Work, row: BakeRow, state: BakeState, event: Extract<BakeEvent, { type: 'mark' }>): Promise<Effect> {
  if (state.band === null) throw wrongMoment('There is nothing to watch yet: set the band first.')
  if (state.mixed !== null) throw wrongMoment('This levain has been mixed already.')
  if (Date.parse(event.happenedAt) < state.band.atMs) throw new Problem(400, 'before the band', 'This mark lies before the band was set.')
  if (event.rise === undefined && Object.keys(event.signs).length === 0) throw new Problem(400, 'empty', 'Note the level, or at least one thing you saw.')
  return { entries: [], batchId: (await levainOfBake(work, row.id))?.id ?? null }
}

async function mixed(work: Work, row: BakeRow, state: BakeState, event: Extract<BakeEvent, { type: 'mixed' }>): Promise<Effect> {
  const levain = await levainOfBake(work, row.id)
  if (state.band === null || levain === null) throw wrongMoment('This levain has not been built yet.')
  if (state.mixed !== null) throw wrongMoment('This levain has been mixed already.')
  const atMs = Date.parse(event.happenedAt)
  if (atMs < state.band.atMs) throw new Problem(400, 'before the band', 'It cannot have been mixed before the band was set.')
  const there = await balanceOf(work, `batch:${levain.id}`)
  const intoDough = toMilligrams(event.levainGrams)
  const kept = toMilligrams(event.keepBackGrams)
  if (intoDough + kept > there) {
    throw new Problem(
      400,
      'more than there is',
      `The levain weighs ${toGrams(there)} g; ${event.levainGrams} g for the dough and ${event.keepBackGrams} g kept back are more.`,
      {
        fields: { levainGrams: `At most ${toGrams(there)} g are there.` }
      }
    )
  }
  if (intoDough === 0) throw new Problem(400, 'nothing', 'Say how much levain went into the dough.', { fields: { levainGrams: 'How much went in?' } })
  const { row: jar, hydration, milligrams } = await jarForSeed(work, row.plan.jarId)
  const line = await lineOf(work, levain.id, 1)
  const levainHydration = line === null ? row.plan.levainHydration : contentsOf(line).hydration
  const dough = solveFormula(doughForPieces(row.plan.pieces), row.plan)
  const masses = dough.ok ? dough.value.masses : { flour: 0, water: 0, salt: 0 }
  const place = (await theKitchen(work)).places.find((p) => p.id === row.plan.placeId)
  const stay = { placeId: row.plan.placeId, fromMs: atMs, tempC: row.plan.tempC, surroundings: place?.surroundings ?? ('air' as const) }
  const doughBatchId = await createBatch(work, {
    kitchenId: row.kitchenId,
    kind: 'dough',
    jarId: null,
    bakeId: row.id,
    startedAtMs: atMs,
    flour: row.plan.flour,
    floursMg: { [row.plan.flour]: toMilligrams(masses.flour) },
    waterMg: toMilligrams(masses.water),
    saltMg: toMilligrams(masses.salt),
    mixTempC: row.plan.tempC,
    parents: [{ parentBatchId: levain.id, milligrams: intoDough, hydration: levainHydration, flour: levain.flour }],
    stays: [stay]
  })
  const entries = [
    ...transfer(`batch:${levain.id}`, `dough:${row.id}`, intoDough),
    ...transfer(`batch:${levain.id}`, `jar:${jar.id}`, kept),
    ...transfer(`batch:${levain.id}`, 'loss', there - intoDough - kept),
    ...transfer(`shelf:${row.plan.flour}`, `dough:${row.id}`, toMilligrams(masses.flour)),
    ...transfer('shelf:water', `dough:${row.id}`, toMilligrams(masses.water)),
    ...transfer('shelf:salt', `dough:${row.id}`, toMilligrams(masses.salt))
  ]
  const trace: Record<string, unknown> = { doughBatchId }
  if (kept > 0) {
    const jarPlace = (await theKitchen(work)).places.find((p) => p.id === jar.placeId)
    const batchId = await createBatch(work, {
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
      stays: [{ placeId: jar.placeId, fromMs: atMs, tempC: jarPlace?.tempC ?? row.plan.tempC, surroundings: jarPlace?.surroundings ?? 'air' }]
    })
    await setContents(work, jar, batchId, jar.placeId)
    Object.assign(trace, { jarBatchId: batchId, previousBatchId: jar.currentBatchId })
  }
  return { entries, batchId: levain.id, trace }
}

async function undo(work: Work, row: BakeRow, state: BakeState, event: Extract<BakeEvent, { type: 'undo' }>): Promise<Effect> {
  const last = state.lastUndoable
  if (last === null || last.id !== event.undoes) throw wrongMoment('Only the latest entry can be taken back. Take back what came after it first.')
  const levain = await levainOfBake(work, row.id)
  if (last.type === 'band' && levain !== null) {
    await work.models.batches.update(
      { startedAtMs: null, floursMg: {}, waterMg: 0, mixTempC: null },
      { where: { id: levain.id }, transaction: work.transaction }
    )
    await dropLineage(work, levain.id)
  }
  if (last.type === 'mixed') await undoMixed(work, row, last.id)
  return { entries: reversed(await entriesOf(work, event.undoes)), batchId: levain?.id ?? null }
}

async function undoMixed(work: Work, row: BakeRow, eventId: string): Promise<void> {
  const { trace } = ((await eventById(work, eventId))?.payload ?? {}) as { trace?: { doughBatchId: string; jarBatchId?: string; previousBatchId?: string } }
  if (trace === undefined) return
  const { row: jar } = await jarForSeed(work, row.plan.jarId)
  if (trace.jarBatchId !== undefined) {
    if (jar.currentBatchId !== trace.jarBatchId) {
      throw wrongMoment(`${jar.name} has been fed since its keep-back went in, so the mix can no longer be taken back.`)
    }
    await setContents(work, jar, trace.previousBatchId ?? null, jar.placeId)
  }
  for (const batchId of [trace.doughBatchId, trace.jarBatchId].filter((x) => x !== undefined)) {
    await dropLineage(work, batchId)
    await work.models.batches.destroy({ where: { id: batchId }, transaction: work.transaction })
  }
}
