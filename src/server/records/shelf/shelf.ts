import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'
import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import { Op, QueryTypes } from 'sequelize'
import type { z } from 'zod'
import { awaitsPot, doughToWeigh, levainFromShelf, levainToWeigh, seedHydrationOf, stagesFromShelf, stateOf, type Weighing } from '../../../answers'
import { isoOf, type Plan, type stockSchema, type undoSchema, type WireShelf } from '../../../contract'
import {
  type Account,
  type ComingUse,
  comingFeeds,
  costOf,
  drawnIngredients,
  gramsOfBlend,
  type LedgerEntry,
  pieceCount,
  reversed,
  shelfHorizon,
  toGrams,
  toMilligrams,
  transfer
} from '../../../core'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { REFUSE_SHELF } from '../../../words/refusals/shelf'
import { THINGS } from '../../../words/refusals/things'
import { plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { eventsOf } from '../bakes/bakes'
import { type KeptBake, keptBake, pantryFor } from '../bakes/keptBake'
import { jarSeeds, lastFeeds, refuseFuture } from '../jars/jars'
import { theKitchen } from '../kitchen/kitchens'
import { balanceOf, balancesOf, entriesOf, eventById, eventOf, isRecorded, NOT_UNDONE, record, undoneIds, type Work } from '../work'
import { pantryIn } from './ingredients'

/** Type of what is done to the stock. */
const STOCK = 'stock'
/** Done bakes whose cost is shown, and months of keeping. */
const DONE_SHOWN = 8
const MONTHS = 6

interface CountedRow {
  ingredientId: string
  countedMs: number
}

/** Ingredients of which something is known to be there, with when that was last said. */
async function counted({ models, transaction }: Work): Promise<CountedRow[]> {
  const { sequelize } = models.events
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  return sequelize.query<CountedRow>(
    `SELECT json_extract(payload, '$.ingredientId') AS ingredientId, MAX(happenedAtMs) AS countedMs FROM events
     WHERE type = '${STOCK}' AND ${NOT_UNDONE} GROUP BY ingredientId`,
    { type: QueryTypes.SELECT, transaction }
  )
}

/** Everything the Shelf tells. */
export async function shelf(work: Work): Promise<WireShelf> {
  const rows = await counted(work)
  const accountOf = (id: string) => `shelf:${id}` as const
  const balances = await balancesOf(
    work,
    rows.map((row) => accountOf(row.ingredientId))
  )
  const bakes = await bakesWithUse(work)
  const iso = (ms: number) => isoOf(Number(ms))
  const until = shelfHorizon(work.nowMs)
  const living = await work.models.jars.findAll({ where: { deletedAtMs: null, culture: { [Op.ne]: 'dried' } }, transaction: work.transaction })
  const habits = await lastFeeds(work)
  const feeds = living.map(plain).flatMap(({ id, name }): ComingUse[] => {
    const feed = habits.get(id)
    return feed === undefined ? [] : comingFeeds({ ...feed, name, lastMs: feed.at }, work.nowMs, until)
  })
  const planned = bakes
    .filter((bake) => !bake.done && bake.atMs < until)
    .flatMap(({ left, atMs, name }) => [...left].map(([ingredientId, grams]) => ({ ingredientId, grams, atMs, forWhat: name })))
  return {
    stock: rows.map(({ ingredientId, countedMs }) => ({
      ingredientId,
      grams: toGrams(balances.get(accountOf(ingredientId)) ?? 0),
      countedAt: iso(countedMs)
    })),
    uses: [...planned, ...feeds].sort((a, b) => a.atMs - b.atMs).map(({ atMs, ...use }) => ({ ...use, at: iso(atMs) })),
    bakes: bakes.map(({ id, name, atMs, done, pieces, amount, unpriced }) => ({ id, name, mixAt: iso(atMs), done, pieces, amount, unpriced: [...unpriced] })),
    keeping: await keeping(work)
  }
}

/** What a plan takes off the shelf: dough and levain, g by ingredient. */
function takenBy(
  plan: Plan,
  seedHydration: number,
  weighing: Weighing
): { readonly dough: ReadonlyMap<string, number>; readonly levain: ReadonlyMap<string, number> } {
  const { pantry } = weighing
  const weights = levainToWeigh(plan, seedHydration, weighing)
  const dough = weights.ok ? { ok: true as const, value: weights.value.dough } : doughToWeigh(plan, weighing)
  if (!dough.ok) return { dough: new Map(), levain: new Map() }
  return {
    dough: new Map([...drawnIngredients(dough.value.weigh.lines)].filter(([id]) => pantry.get(id)?.kind !== 'starter')),
    // What comes out of another pot is told there.
    levain: weights.ok && !awaitsPot(plan) ? levainFromShelf(weights.value) : new Map()
  }
}

const summed = (...parts: readonly ReadonlyMap<string, number>[]) => {
  const sum = new Map<string, number>()
  for (const part of parts) for (const [id, grams] of part) sum.set(id, (sum.get(id) ?? 0) + grams)
  return sum
}

interface BakeUse {
  readonly id: string
  readonly name: string
  readonly atMs: number
  readonly done: boolean
  readonly pieces: number | null
  readonly amount: number
  readonly unpriced: readonly string[]
  /** What it still takes off the shelf, g. */
  readonly left: ReadonlyMap<string, number>
}

async function bakesWithUse(work: Work): Promise<BakeUse[]> {
  const { models, transaction } = work
  const kitchen = await theKitchen(work)
  const find = (status: string[], order: 'ASC' | 'DESC', limit: number) =>
    models.bakes.findAll({ where: { status, deletedAtMs: null }, order: [['mixAtMs', order]], limit, transaction })
  const rows = [...(await find(['planned', 'building', 'ripening'], 'ASC', 100)), ...(await find(['mixed', 'baked'], 'DESC', DONE_SHOWN))].map(keptBake)
  const started = rows.filter((row) => row.status !== 'mixed' && row.status !== 'baked')
  const seeds = await jarSeeds(work)
  const events = await eventsOf(
    work,
    started.map((row) => row.id)
  )
  const use = async (row: KeptBake): Promise<BakeUse> => {
    const pantry = await pantryFor(work, row)
    const { plan, status } = row
    const state = stateOf(events.get(row.id) ?? [])
    const jar = seeds.get(plan.jarId) ?? { hydration: 1, feed: [] }
    const { dough, levain } = takenBy(plan, seedHydrationOf(plan, jar, state.deeds), { kitchen, pantry })
    const pouredOf = (id: string) => (id === 'water' || id === 'salt' || id === 'oil' ? state.poured[id] : (state.flours[id] ?? 0))
    const toPour = new Map([...levain].map(([id, grams]) => [id, Math.max(grams - pouredOf(id), 0)]))
    const cost = costOf(summed(dough, levain), pantry)
    return {
      id: row.id,
      name: plan.name,
      atMs: Number(row.mixAtMs),
      done: status === 'mixed' || status === 'baked',
      pieces: pieceCount(plan.target),
      ...cost,
      left: status === 'ripening' ? dough : summed(dough, toPour, stagesFromShelf(plan, jar, state))
    }
  }
  return Promise.all(rows.map(use))
}

/** What jars were fed, month by month. */
async function keeping({ models, transaction, ...work }: Work): Promise<WireShelf['keeping']> {
  const { timeZone } = await theKitchen({ models, transaction, ...work })
  const { sequelize } = models.events
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const since = work.nowMs - MONTHS * 31 * millisecondsInDay
  const rows = await sequelize.query<{ hour: number; account: string; milligrams: number }>(
    `SELECT events.happenedAtMs / 3600000 AS hour, ledger_entries.account AS account, SUM(-ledger_entries.milligrams) AS milligrams
     FROM events JOIN ledger_entries ON ledger_entries.eventId = events.id
     WHERE events.type = 'feed' AND events.happenedAtMs > :since AND events.${NOT_UNDONE}
       AND ledger_entries.account LIKE 'shelf:%' AND ledger_entries.account != 'shelf:water'
     GROUP BY hour, account`,
    { type: QueryTypes.SELECT, transaction, replacements: { since } }
  )
  const months = new Map<string, Map<string, number>>()
  for (const { hour, account, milligrams } of rows) {
    const month = format(new TZDate(Number(hour) * millisecondsInHour, timeZone), 'yyyy-MM')
    const sums = months.get(month) ?? new Map<string, number>()
    const id = account.slice('shelf:'.length)
    sums.set(id, (sums.get(id) ?? 0) + toGrams(milligrams))
    months.set(month, sums)
  }
  return [...months]
    .map(([month, sums]) => ({ month, flours: [...sums].map(([ingredientId, grams]) => ({ ingredientId, grams })) }))
    .sort((a, b) => b.month.localeCompare(a.month))
}

/** Keeps what was bought, counted or blended. */
export async function moveStock(work: Work, move: z.output<typeof stockSchema>): Promise<void> {
  if (await isRecorded(work, move.id)) return
  const kitchen = await theKitchen(work)
  refuseFuture(move.happenedAt, work.nowMs, 'This')
  const pantry = await pantryIn(work)
  const ingredient = pantry.get(move.ingredientId)
  if (ingredient === undefined) throw notFound(THINGS.ingredient)
  const account: Account = `shelf:${move.ingredientId}`
  const milligrams = toMilligrams(move.grams)
  const there = await balanceOf(work, account)
  const known = (await counted(work)).some((row) => row.ingredientId === move.ingredientId)
  const entries: LedgerEntry[] = []
  if (move.how === 'blended') {
    if (ingredient.blend === undefined) throw new Problem(400, 'not understood', REFUSE_SHELF.noBlend(ingredient.name))
    for (const part of gramsOfBlend(ingredient.blend, milligrams)) entries.push(...transfer(`shelf:${part.ingredientId}`, account, part.grams))
    if (!known && there < 0) entries.push(...transfer('outside', account, -there))
  } else {
    // What was taken before anything was counted says nothing of what is there.
    const wanted = move.how === 'counted' ? milligrams : (known ? there : 0) + milligrams
    const off = wanted - there
    const away = move.how === 'counted' && known ? ('loss' as const) : ('outside' as const)
    entries.push(...(off >= 0 ? transfer('outside', account, off) : transfer(account, away, -off)))
  }
  await record(work, eventOf(kitchen.id, null, move, STOCK, { how: move.how, ingredientId: move.ingredientId, grams: move.grams }), entries)
}

/** Takes back what was said of the stock. */
export async function undoStock(work: Work, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const event = await eventById(work, undo.undoes)
  if (event === null || event.type !== STOCK) throw notFound('This')
  if ((await undoneIds(work, null)).has(undo.undoes)) throw new Problem(409, 'too late', REFUSE_RECORDS.thisHasBeenTakenBack)
  await record(work, eventOf(event.kitchenId, null, undo, 'undo', { undoes: undo.undoes }), reversed(await entriesOf(work, undo.undoes)))
}
