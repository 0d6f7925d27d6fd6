import { TZDate } from '@date-fns/tz'
import { format } from 'date-fns'
import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import type { DiscardPot, discardUseSchema, undoSchema } from '../../contract'
import { contentsOf, type FlourKind, leftInPot, reversed, toGrams, toMilligrams, transfer } from '../../core'
import { notFound, Problem } from '../problems'
import { linesOf } from './batches'
import { refuseFuture } from './jars'
import { theKitchen } from './kitchens'
import { balanceOf, entriesOf, eventById, eventOf, isRecorded, record, undoneIds, type Work } from './work'

const POT = 'discard'
const TAKEN_OUT = 'discard'
/** Discard whose jar is not known: out of a dough or a weighing. */
const UNKNOWN = { flour: 'white wheat', hydration: 1 } as const

interface MoveRow {
  eventId: string
  type: string
  atMs: number
  milligrams: number
  jarName: string | null
  flour: FlourKind | null
  previousBatchId: string | null
  went: 'into food' | 'thrown away' | null
}

/** All that went into the pot and came out, oldest first; what was taken back is left out with what it takes back. */
async function moveRows({ models, transaction }: Work): Promise<MoveRow[]> {
  const sequelize = models.events.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  return sequelize.query<MoveRow>(
    `SELECT events.id AS eventId, events.type AS type, events.happenedAtMs AS atMs, SUM(ledger_entries.milligrams) AS milligrams,
       jars.name AS jarName, jars.flour AS flour,
       json_extract(events.payload, '$.previousBatchId') AS previousBatchId, json_extract(events.payload, '$.went') AS went
     FROM ledger_entries JOIN events ON events.id = ledger_entries.eventId LEFT JOIN jars ON jars.id = events.jarId
     WHERE ledger_entries.account = :pot AND events.type != 'undo'
       AND events.id NOT IN (SELECT json_extract(payload, '$.undoes') FROM events WHERE type = 'undo')
     GROUP BY events.id ORDER BY events.happenedAtMs, events.sequence`,
    { type: QueryTypes.SELECT, transaction, replacements: { pot: POT } }
  )
}

/** What is in the discard pot, and what became of the rest month by month. */
export async function discardPot(work: Work): Promise<DiscardPot> {
  const { timeZone } = await theKitchen(work)
  const rows = await moveRows(work)
  const left = leftInPot(rows)
  const lines = await linesOf(
    work,
    left.flatMap(({ move }) => move.previousBatchId ?? []),
    1
  )
  const portions = left.map(({ move: { atMs, jarName, flour, previousBatchId }, milligrams }) => {
    const line = lines.get(previousBatchId ?? '')
    return {
      since: new Date(Number(atMs)).toISOString(),
      grams: toGrams(milligrams),
      jarName,
      flour: flour ?? UNKNOWN.flour,
      hydration: line === undefined ? UNKNOWN.hydration : contentsOf(line).hydration
    }
  })
  const months = new Map<string, { usedGrams: number; thrownGrams: number }>()
  for (const { atMs, milligrams, type, went } of rows) {
    if (milligrams >= 0) continue
    const month = format(new TZDate(Number(atMs), timeZone), 'yyyy-MM')
    const sums = months.get(month) ?? { usedGrams: 0, thrownGrams: 0 }
    if (type === TAKEN_OUT && went === 'thrown away') sums.thrownGrams += toGrams(-milligrams)
    else sums.usedGrams += toGrams(-milligrams)
    months.set(month, sums)
  }
  return {
    portions,
    months: [...months].map(([month, sums]) => ({ month, ...sums })).sort((a, b) => b.month.localeCompare(a.month))
  }
}

/** Takes discard out of the pot: into food, or away. */
export async function takeDiscard(work: Work, use: z.output<typeof discardUseSchema>): Promise<void> {
  if (await isRecorded(work, use.id)) return
  const kitchen = await theKitchen(work)
  refuseFuture(Date.parse(use.happenedAt), work.nowMs, 'This')
  const there = await balanceOf(work, POT)
  const milligrams = toMilligrams(use.grams)
  if (milligrams > there) {
    throw new Problem(400, 'more than there is', `The discard pot holds ${toGrams(Math.max(there, 0))} g; ${use.grams} g cannot be taken out.`, {
      fields: { grams: `At most ${toGrams(Math.max(there, 0))} g are there.` }
    })
  }
  await record(
    work,
    eventOf(kitchen.id, null, use, TAKEN_OUT, { grams: use.grams, went: use.went }),
    transfer(POT, use.went === 'into food' ? 'outside' : 'loss', milligrams)
  )
}

/** Puts back what was taken out of the pot by mistake. */
export async function undoDiscard(work: Work, undo: z.output<typeof undoSchema>): Promise<void> {
  if (await isRecorded(work, undo.id)) return
  const event = await eventById(work, undo.undoes)
  if (event === null || event.type !== TAKEN_OUT) throw notFound('This')
  if ((await undoneIds(work, null)).has(undo.undoes)) throw new Problem(409, 'too late', 'This has been put back already.')
  await record(work, eventOf(event.kitchenId, null, undo, 'undo', { undoes: undo.undoes }), reversed(await entriesOf(work, undo.undoes)))
}
