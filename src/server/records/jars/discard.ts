import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'
import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import { type discardUseSchema, isoOf, type undoSchema, type WireDiscardPot } from '../../../contract'
import {
  type BlendPart,
  contentsOf,
  type FlourKind,
  glutenInto,
  leftInPot,
  POTS,
  type Pot,
  type PotMove,
  potOf,
  reversed,
  toGrams,
  toMilligrams,
  transfer
} from '../../../core'
import { REFUSE_JARS } from '../../../words/refusals/jars'
import { REFUSE_RECORDS } from '../../../words/refusals/records'
import { plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import { entriesOf, eventById, eventOf, isRecorded, record, undoneIds, type Work } from '../work'
import { linesOf } from './batches'
import { refuseFuture } from './jars'

const POT = 'discard'
const TAKEN_OUT = 'discard'
/** Discard whose jar is not known: out of a dough or a weighing. */
const UNKNOWN = { flour: 'white wheat', hydration: 1 } as const

interface MoveRow extends PotMove {
  readonly eventId: string
  readonly atMs: number
  readonly bakeName: string | null
  /** Of the jar it is from, or its levain was. */
  readonly jarName: string | null
  readonly flour: FlourKind
}

/** All that went into the pots and came out, oldest first; what was taken back is left out with what it takes back. */
async function moveRows(work: Work): Promise<MoveRow[]> {
  const { models, transaction } = work
  const sequelize = models.events.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const rows = await sequelize.query<Omit<MoveRow, 'flour' | 'pot'> & { flour: FlourKind | null; fed: string | null; taken: Pot | null }>(
    `SELECT events.id AS eventId, events.happenedAtMs AS atMs, SUM(ledger_entries.milligrams) AS milligrams,
       jars.name AS jarName, jars.flour AS flour, json_extract(bakes.plan, '$.name') AS bakeName, json_extract(events.payload, '$.pot') AS taken,
       json_extract(bakes.plan, '$.build.flours') AS fed
     FROM ledger_entries JOIN events ON events.id = ledger_entries.eventId
       LEFT JOIN bakes ON bakes.id = events.bakeId
       LEFT JOIN jars ON jars.id = COALESCE(events.jarId, json_extract(bakes.plan, '$.jarId'))
     WHERE ledger_entries.account = :pot AND events.type != 'undo'
       AND events.id NOT IN (SELECT json_extract(payload, '$.undoes') FROM events WHERE type = 'undo')
     GROUP BY events.id ORDER BY events.happenedAtMs, events.sequence`,
    { type: QueryTypes.SELECT, transaction, replacements: { pot: POT } }
  )
  const pantry = await pantryIn(work)
  return rows.map(({ taken, fed, ...row }) => {
    const ofJar = row.flour ?? UNKNOWN.flour
    // A bake may feed what it took of a gluten-free jar with flour that holds gluten: what is left of that is not free of it.
    const ids = ((JSON.parse(fed ?? 'null') ?? []) as readonly BlendPart[]).map((part) => part.ingredientId)
    const flour = glutenInto({ flour: ofJar }, ids, pantry).length > 0 ? UNKNOWN.flour : ofJar
    return { ...row, flour, pot: row.milligrams < 0 ? taken : potOf(flour) }
  })
}

/** Portions that are told one by one; those before are told as one. */
const TOLD_SINGLY = 200

/** What is in the discard pots, and what became of the rest month by month. */
export async function discardPot(work: Work): Promise<WireDiscardPot> {
  const rows = await moveRows(work)
  const left = leftInPot(rows)
  const old = left.slice(0, -TOLD_SINGLY)
  const portions = await portionsOf(work, left.slice(-TOLD_SINGLY))
  return { portions: [...POTS.flatMap((pot) => oneOf(pot, old)), ...portions], months: await monthsOf(work, rows) }
}

type Left = readonly { readonly move: MoveRow; readonly milligrams: number }[]
const iso = (ms: number) => isoOf(Number(ms))

async function portionsOf(work: Work, left: Left): Promise<WireDiscardPot['portions']> {
  const events = await work.models.events.findAll({ where: { id: left.map(({ move }) => move.eventId) }, transaction: work.transaction })
  const before = new Map(events.map(plain).map((event) => [event.id, event.payload.previousBatchId as string | undefined]))
  const lines = await linesOf(
    work,
    [...before.values()].flatMap((id) => id ?? []),
    { generations: 1 }
  )
  return left.map(({ move, milligrams }) => {
    const line = lines.get(before.get(move.eventId) ?? '')
    return {
      since: iso(move.atMs),
      grams: toGrams(milligrams),
      pot: potOf(move.flour),
      jarName: move.jarName,
      bakeName: move.bakeName,
      flour: move.flour,
      hydration: line === undefined ? UNKNOWN.hydration : contentsOf(line).hydration
    }
  })
}

/** Very many old portions of a pot as one, since the oldest; none where there are none. */
function oneOf(pot: Pot, left: Left): WireDiscardPot['portions'] {
  const own = left.filter(({ move }) => move.pot === pot)
  const [oldest] = own
  if (oldest === undefined) return []
  const grams = toGrams(own.reduce((sum, portion) => sum + portion.milligrams, 0))
  return [{ since: iso(oldest.move.atMs), grams, pot, jarName: null, bakeName: null, flour: oldest.move.flour, hydration: UNKNOWN.hydration }]
}

/** What came out, month by month of the kitchen: into food, or thrown away. */
async function monthsOf(work: Work, rows: readonly MoveRow[]): Promise<WireDiscardPot['months']> {
  const { timeZone } = await theKitchen(work)
  const outs = rows.filter((row) => row.milligrams < 0)
  const events = await work.models.events.findAll({ where: { id: outs.map((row) => row.eventId) }, transaction: work.transaction })
  const thrown = new Set(events.map(plain).flatMap((event) => (event.type === TAKEN_OUT && event.payload.went === 'thrown away' ? [event.id] : [])))
  const months = new Map<string, { usedGrams: number; thrownGrams: number }>()
  for (const { eventId, atMs, milligrams } of outs) {
    const month = format(new TZDate(Number(atMs), timeZone), 'yyyy-MM')
    const sums = months.get(month) ?? { usedGrams: 0, thrownGrams: 0 }
    if (thrown.has(eventId)) sums.thrownGrams += toGrams(-milligrams)
    else sums.usedGrams += toGrams(-milligrams)
    months.set(month, sums)
  }
  return [...months].map(([month, sums]) => ({ month, ...sums })).sort((a, b) => b.month.localeCompare(a.month))
}

/** Takes discard out of a pot: into food, or away. */
export async function takeDiscard(work: Work, use: z.output<typeof discardUseSchema>): Promise<void> {
  if (await isRecorded(work, use.id)) return
  const kitchen = await theKitchen(work)
  refuseFuture(use.happenedAt, work.nowMs, 'This')
  const left = leftInPot(await moveRows(work)).filter(({ move }) => use.pot === undefined || move.pot === use.pot)
  const there = left.reduce((sum, portion) => sum + portion.milligrams, 0)
  const milligrams = toMilligrams(use.grams)
  if (milligrams > there) {
    throw new Problem(400, 'more than there is', REFUSE_JARS.discardPotHoldsGG(toGrams(there), use.grams), {
      fields: { grams: REFUSE_RECORDS.atMostGAreThere(toGrams(there)) }
    })
  }
  await record(
    work,
    eventOf(kitchen.id, null, use, TAKEN_OUT, { grams: use.grams, went: use.went, pot: use.pot }),
    transfer(POT, use.went === 'into food' ? 'outside' : 'loss', milligrams)
  )
}

/** Puts back what was taken out of the pot by mistake. */
export async function undoDiscard(work: Work, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const event = await eventById(work, undo.undoes)
  if (event === null || event.type !== TAKEN_OUT) throw notFound('This')
  if ((await undoneIds(work, null)).has(undo.undoes)) throw new Problem(409, 'too late', REFUSE_JARS.thisHasBeenPutBack)
  await record(work, eventOf(event.kitchenId, null, undo, 'undo', { undoes: undo.undoes }), reversed(await entriesOf(work, undo.undoes)))
}
