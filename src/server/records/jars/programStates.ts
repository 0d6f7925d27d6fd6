import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import { awakeAt } from '../../../answers'
import type { Jar, Kitchen } from '../../../contract'
import { type Deed, foldProgram, type Outcome, type ProgramState } from '../../../core'
import { type ProgramRow, plain } from '../../db/rows'
import { theKitchen } from '../kitchen/kitchens'
import { eventOf, record, undoneIds, type Work } from '../work'

/** Something noted of a step, with what it did to jars. */
export interface NotedEntry {
  readonly id: string
  readonly atMs: number
  readonly step: number
  readonly outcome: Outcome
  readonly note: string | null
  readonly undone: boolean
  /** Events it made, in the order they were made. */
  readonly did: readonly { readonly jarId: string; readonly eventId: string; readonly newJarId?: string }[]
}

/** Type of the events that are entries of a program. */
export const PROGRAM_ENTRY = 'program'

/** What was noted of each program, in the order it was. */
export async function entriesOfPrograms(work: Work, rows: readonly ProgramRow[]): Promise<Map<string, NotedEntry[]>> {
  const entries = new Map<string, NotedEntry[]>(rows.map((row) => [row.id, []]))
  const jarIds = [...new Set(rows.map((row) => row.jarId))]
  if (jarIds.length === 0) return entries
  const events = await work.models.events.findAll({
    where: { type: PROGRAM_ENTRY, jarId: jarIds },
    order: [['sequence', 'ASC']],
    transaction: work.transaction
  })
  const undone = new Map<string, Set<unknown>>()
  for (const jarId of jarIds) undone.set(jarId, await undoneIds(work, jarId))
  for (const { id, jarId, happenedAtMs, payload } of events.map(plain)) {
    const noted = payload as { programId: string; step: number; outcome: Outcome; note?: string; did?: NotedEntry['did'] }
    entries.get(noted.programId)?.push({
      id,
      atMs: Number(happenedAtMs),
      step: noted.step,
      outcome: noted.outcome,
      note: noted.note ?? null,
      undone: undone.get(jarId ?? '')?.has(id) ?? false,
      did: noted.did ?? []
    })
  }
  return entries
}

/** Where a program stands; no step is due while the kitchen sleeps. */
export const programState = ({ program, startedAtMs }: ProgramRow, entries: readonly NotedEntry[], kitchen: Kitchen): ProgramState =>
  foldProgram(
    program,
    Number(startedAtMs),
    entries.filter((entry) => !entry.undone),
    (ms) => awakeAt(kitchen, ms)
  )

/** Programs that are on, by their jar. */
export async function programsOfJars(work: Work): Promise<Map<string, Jar['program']>> {
  const rows = (await work.models.programs.findAll({ where: { endedAtMs: null }, order: [['startedAtMs', 'ASC']], transaction: work.transaction })).map(plain)
  if (rows.length === 0) return new Map()
  const entries = await entriesOfPrograms(work, rows)
  const kitchen = await theKitchen(work)
  return new Map(
    rows.flatMap((row) => {
      const state = programState(row, entries.get(row.id) ?? [], kitchen)
      const step = row.program.steps[state.step]
      if (state.status !== 'running' || step === undefined) return []
      return [[row.jarId, { id: row.id, title: row.program.title, step: step.title, dueAt: state.dueMs }] as const]
    })
  )
}

/** A feed counts as the step of a program this long before it is due, h. */
const COUNTS_BEFORE_HOURS = 12

/** Whether a step does no more to the books than feeding the jar of the program. */
const feedsItsJar = (deed: Deed | null | undefined) => deed?.kind === 'feed' && deed.taken !== true

/**
 * A jar in a program was fed by hand: where its next step is a feed that is due, that was it.
 * @param fed the event of the feed
 */
export async function countForProgram(work: Work, jarId: string, fed: { readonly id: string; readonly happenedAt: number }): Promise<void> {
  const rows = (await work.models.programs.findAll({ where: { jarId, endedAtMs: null }, transaction: work.transaction })).map(plain)
  if (rows.length === 0) return
  const entries = await entriesOfPrograms(work, rows)
  const kitchen = await theKitchen(work)
  for (const row of rows) {
    const { status, step, dueMs } = programState(row, entries.get(row.id) ?? [], kitchen)
    const counts = fed.happenedAt >= dueMs - COUNTS_BEFORE_HOURS * millisecondsInHour
    if (status !== 'running' || !feedsItsJar(row.program.steps[step]?.deed) || !counts) continue
    const note = { id: randomUUID(), happenedAt: fed.happenedAt, source: 'typed' as const }
    const did = [{ jarId, eventId: fed.id }]
    await record(work, eventOf(row.kitchenId, jarId, note, PROGRAM_ENTRY, { programId: row.id, step, outcome: 'done', did }))
    return
  }
}

/** A feed is taken back: the step of a program that it counted as is to be done again. */
export async function uncountForProgram(work: Work, jarId: string, fedId: string, undo: Parameters<typeof eventOf>[2]): Promise<void> {
  const events = await work.models.events.findAll({
    where: { type: PROGRAM_ENTRY, jarId },
    order: [['sequence', 'DESC']],
    limit: 1,
    transaction: work.transaction
  })
  for (const { id, kitchenId, payload } of events.map(plain)) {
    const { did } = payload as Partial<Pick<NotedEntry, 'did'>>
    if (did?.length === 1 && did[0]?.eventId === fedId) await record(work, eventOf(kitchenId, jarId, { ...undo, id: randomUUID() }, 'undo', { undoes: id }))
  }
}
