import type { Jar } from '../../../contract'
import { foldProgram, type Outcome, type ProgramState } from '../../../core'
import { type ProgramRow, plain } from '../../db/rows'
import { undoneIds, type Work } from '../work'

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

/** Where a program stands. */
export const stateOf = ({ program, startedAtMs }: ProgramRow, entries: readonly NotedEntry[]): ProgramState =>
  foldProgram(
    program,
    Number(startedAtMs),
    entries.filter((entry) => !entry.undone)
  )

/** Programs that are on, by their jar. */
export async function programsOfJars(work: Work): Promise<Map<string, Jar['program']>> {
  const rows = (await work.models.programs.findAll({ where: { endedAtMs: null }, order: [['startedAtMs', 'ASC']], transaction: work.transaction })).map(plain)
  const entries = await entriesOfPrograms(work, rows)
  return new Map(
    rows.flatMap((row) => {
      const state = stateOf(row, entries.get(row.id) ?? [])
      const step = row.program.steps[state.step]
      if (state.status !== 'running' || step === undefined) return []
      return [[row.jarId, { id: row.id, title: row.program.title, step: step.title, dueAt: state.dueMs }] as const]
    })
  )
}
