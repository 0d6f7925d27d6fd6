import { millisecondsInDay } from 'date-fns/constants'
import { Op } from 'sequelize'
import type { z } from 'zod'
import { type Bake, glutenInPlan, levainToWeigh, stateOf, statusOf } from '../../../answers'
import { type BakeEvent, type bakeQuerySchema, bakeToWire, type Plan, planToWire } from '../../../contract'
import { type BakeProblem, type Pantry, POSSIBLE, sure } from '../../../core'
import { problemSentence } from '../../../words'
import { REFUSE_BAKES } from '../../../words/refusals/bakes'
import { THINGS } from '../../../words/refusals/things'
import { type BatchRow, type JarRow, plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { linesOf } from '../jars/batches'
import { jarForSeed } from '../jars/jars'
import { noteChange } from '../kitchen/changes'
import { placeIn, theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import type { Work } from '../work'
import { type KeptBake, keptBake, keptBakeEvent } from './keptBake'
import { tied, tieOthers } from './sharedPots'

/** How far ahead a bake may be planned. */
const FARTHEST_DAYS = 366
/** A dough that was mixed so long ago has been baked, told or not. */
const DOUGH_DAYS = 4

/** Row of a bake, taken away or not. */
export async function bakeRow({ models, transaction }: Work, id: string): Promise<KeptBake> {
  const row = await models.bakes.findByPk(id, { transaction })
  if (row === null) throw notFound(THINGS.bake)
  return keptBake(row)
}

/** Events by bake, in the order they were recorded. */
export async function eventsOf({ models, transaction }: Work, bakeIds: readonly string[]): Promise<Map<string, BakeEvent[]>> {
  const rows = await models.events.findAll({ where: { bakeId: bakeIds as string[] }, order: [['sequence', 'ASC']], transaction })
  const events = new Map<string, BakeEvent[]>(bakeIds.map((id) => [id, []]))
  for (const row of rows.map(plain)) {
    const event = keptBakeEvent(row)
    if (event !== null) events.get(row.bakeId ?? '')?.push(event)
  }
  return events
}

/** Levains by bake. */
async function levainsOf({ models, transaction }: Work, bakeIds: readonly string[]): Promise<Map<string, BatchRow>> {
  const rows = await models.batches.findAll({ where: { bakeId: bakeIds as string[], kind: 'levain' }, transaction })
  return new Map(rows.map(plain).map((batch) => [batch.bakeId ?? '', batch]))
}

/** The dough of a bake, once it is mixed. */
export async function doughBatchOf({ models, transaction }: Work, bakeId: string): Promise<BatchRow | null> {
  const row = await models.batches.findOne({ where: { bakeId, kind: 'dough' }, transaction })
  return row === null ? null : plain(row)
}

/** The levain of a bake, once something has been poured. */
export async function levainOfBake(work: Work, bakeId: string): Promise<BatchRow | null> {
  return (await levainsOf(work, [bakeId])).get(bakeId) ?? null
}

async function bakeViews(work: Work, rows: readonly KeptBake[]): Promise<Bake[]> {
  const ids = rows.map((row) => row.id)
  const [events, levains] = await Promise.all([eventsOf(work, ids), levainsOf(work, ids)])
  const known = rows.map((row) => {
    const happened = events.get(row.id) ?? []
    return { row, happened, state: stateOf(happened), levainId: levains.get(row.id)?.id ?? '' }
  })
  const usedUp = new Map(known.flatMap(({ state, levainId }) => (state.mixed === null ? [] : [[levainId, state.mixed.atMs] as const])))
  const lines = await linesOf(
    work,
    known.map(({ levainId }) => levainId),
    { usedUp }
  )
  return known.map(({ row, happened, state, levainId }) => ({
    id: row.id,
    version: row.version,
    plan: row.plan,
    status: statusOf(row.plan, state.status),
    events: happened,
    state,
    ingredients: row.frozen?.ingredients ?? [],
    line: lines.get(levainId) ?? null,
    createdAt: row.createdAtMs,
    deletedAt: row.deletedAtMs === null ? null : Number(row.deletedAtMs)
  }))
}

/** Some bakes, those that were taken away left out; each with all that happened to it. */
export async function bakesById(work: Work, ids: readonly string[]): Promise<Bake[]> {
  const rows = await work.models.bakes.findAll({ where: { id: ids as string[], deletedAtMs: null }, transaction: work.transaction })
  return bakeViews(work, rows.map(keptBake))
}

/** One bake, taken away or not. */
export async function findBake(work: Work, id: string): Promise<Bake> {
  return sure((await bakeViews(work, [await bakeRow(work, id)]))[0])
}

/** A page of bakes: open ones by when they are mixed, the others newest first. */
export async function listBakes(work: Work, query: z.output<typeof bakeQuerySchema>): Promise<{ bakes: Bake[]; total: number }> {
  const lately = work.nowMs - DOUGH_DAYS * millisecondsInDay
  const states = {
    deleted: { deletedAtMs: { [Op.ne]: null } },
    open: { deletedAtMs: null, [Op.or]: [{ status: ['planned', 'building', 'ripening'] }, { status: 'mixed', mixAtMs: { [Op.gt]: lately } }] },
    done: { deletedAtMs: null, [Op.or]: [{ status: 'baked' }, { status: 'mixed', mixAtMs: { [Op.lte]: lately } }] }
  }
  const where = states[query.state]
  const { rows, count } = await work.models.bakes.findAndCountAll({
    where,
    order: [['mixAtMs', query.state === 'open' ? 'ASC' : 'DESC']],
    offset: query.offset,
    limit: query.limit,
    transaction: work.transaction
  })
  return { bakes: await bakeViews(work, rows.map(keptBake)), total: count }
}

/** The field of a plan that a problem of its levain is about; the others are about the dough. */
const FIELD_OF: Readonly<Partial<Record<BakeProblem, string>>> = {
  'levain flour missing': 'build.flours',
  'seed too wet': 'build.by',
  'seed is enough': 'build.by',
  'amounts too small': 'build.by'
}

/** Refuses a plan that cannot be, with the sentence that says why. */
export async function checkPlan(work: Work, plan: Plan, before?: Plan): Promise<string> {
  const kitchen = await theKitchen(work)
  const pantry = await pantryIn(work)
  placeIn(kitchen, plan.placeId)
  if (plan.course !== null) placeIn(kitchen, plan.course.placeId)
  const jar = await jarForSeed(work, plan.jarId)
  const mixAtMs = plan.mixAt
  if (before?.mixAt !== plan.mixAt) {
    if (mixAtMs < work.nowMs) throw refused('mixAt', REFUSE_BAKES.timeToMixLiesIn)
    if (mixAtMs > work.nowMs + FARTHEST_DAYS * millisecondsInDay) throw refused('mixAt', REFUSE_BAKES.timeToMixMoreThan)
  }
  const nameOf = (id: string) => pantry.get(id)?.name
  const weights = levainToWeigh(plan, jar.hydration, { kitchen, pantry })
  if (!weights.ok) throw refused(FIELD_OF[weights.problem.code] ?? 'formula', problemSentence(weights.problem, nameOf))
  await guardDough(work, plan, jar.row, pantry)
  const { doughGrams } = weights.value.dough.exact
  if (doughGrams > POSSIBLE.doughGrams[1])
    throw refused('target', REFUSE_BAKES.thatKgDoughMoreThan(Math.round(doughGrams / 1000), POSSIBLE.doughGrams[1] / 1000))
  return kitchen.id
}

/** A dough that is marked gluten-free takes nothing that holds gluten, until its baker takes the mark away. */
async function guardDough(work: Work, plan: Plan, jar: JarRow, pantry: Pantry): Promise<void> {
  const { source, older } = plan.build
  const jars = source === 'mixed seed' && older.jarId != null ? [jar, (await jarForSeed(work, older.jarId)).row] : [jar]
  const found = glutenInPlan(plan, jars, pantry)
  if (found.length === 0) return
  const sentence = REFUSE_BAKES.doughIsGlutenFree(found.join(' and '))
  throw new Problem(409, 'gluten guard', sentence, { fields: { 'plan.formula': sentence } })
}

const refused = (field: string, sentence: string) => new Problem(400, 'cannot be', sentence, { fields: { [`plan.${field}`]: sentence } })

/** Writes a wish down. The id makes it safe to send twice. */
export async function createBake(work: Work, id: string, wished: Plan): Promise<void> {
  const there = await work.models.bakes.findByPk(id, { transaction: work.transaction })
  if (there !== null) return
  const plan = await tied(work, id, null, wished)
  const kitchenId = await checkPlan(work, plan)
  await work.models.bakes.create(
    {
      id,
      kitchenId,
      plan: planToWire(plan),
      frozen: null,
      version: 1,
      status: 'planned',
      mixAtMs: plan.mixAt,
      createdAtMs: work.nowMs,
      deletedAtMs: null
    },
    { transaction: work.transaction }
  )
}

/** Changes a plan; refused when another window was faster, or once something has been poured. */
export async function putBake(work: Work, id: string, version: number, wished: Plan): Promise<void> {
  const row = await bakeRow(work, id)
  if (row.version !== version) {
    throw new Problem(409, 'stale', REFUSE_BAKES.thisBakeWasChangedIn, {
      current: bakeToWire(await findBake(work, id))
    })
  }
  const plan = await tied(work, id, row.plan, wished)
  // What ferments ahead may be weighed the evening before: the masses stand then, and times may still be moved.
  if (row.frozen !== null && (row.status !== 'planned' || massesOf(row.plan) !== massesOf(plan)))
    throw new Problem(409, 'started', REFUSE_BAKES.thisBakeHasBeenStarted)
  await checkPlan(work, plan, row.plan)
  const wire = planToWire(plan)
  const frozen = row.frozen === null ? null : { ...row.frozen, plan: wire }
  await noteChange(work, 'plan', id, planToWire(row.plan), wire)
  await work.models.bakes.update({ plan: wire, frozen, version: version + 1, mixAtMs: plan.mixAt }, { where: { id }, transaction: work.transaction })
  await tieOthers(work, id, row.plan, plan)
}

/** What the masses of a dough hang on, in one word. */
const massesOf = ({ target, formula, build: { hydration, salt, oil, flours } }: Plan) => JSON.stringify([target, formula, hydration, salt, oil, flours])
