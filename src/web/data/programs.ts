import { mutate } from 'swr'
import { isoOf, type NewProgramEntry, type ProgramPost, ROUTES, type RunningProgram, runningProgramSchema } from '../../contract'
import { nowMs } from './clock'
import { refreshDiscard } from './discard'
import { refreshJars } from './jars'
import { newId } from './newId'
import { send } from './outbox'
import { refreshShelf } from './shelf'
import { useRead } from './useRead'

/** How often a program is asked for again, since another device may be at work on it, ms. */
const OTHERS_MS = 30_000

/** One program with what was noted of it. */
export function useProgram(id: string): { readonly program: RunningProgram | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.program(id), runningProgramSchema, { refreshInterval: OTHERS_MS })
  return { program: data, error }
}

const refreshAfter = (id: string) => Promise.all([mutate(ROUTES.program(id)), refreshJars(), refreshDiscard(), refreshShelf()])

/** Begins a program. @returns its id */
export async function startProgram(post: Pick<ProgramPost, 'jarId' | 'placeId' | 'program'>): Promise<string> {
  const id = newId()
  const body = { id, happenedAt: isoOf(nowMs()), ...post }
  await send(id, runningProgramSchema, { method: 'POST', path: ROUTES.programs, body })
  await refreshAfter(id)
  return id
}

/** Notes a step. @returns takes it back */
export async function noteStep(program: RunningProgram, entry: Pick<NewProgramEntry, 'step' | 'outcome' | 'note' | 'grams'>): Promise<() => Promise<void>> {
  const id = newId()
  const body = { id, happenedAt: isoOf(nowMs()), ...entry }
  await send(id, runningProgramSchema, { method: 'POST', path: ROUTES.programEntries(program.id), body }).finally(() => refreshAfter(program.id))
  return async () => {
    const undo = newId()
    const back = { id: undo, happenedAt: isoOf(nowMs()), undoes: id }
    await send(undo, runningProgramSchema, { method: 'POST', path: ROUTES.programUndo(program.id), body: back }).finally(() => refreshAfter(program.id))
  }
}

/** Calls a program off, or goes on with it. */
export async function setProgramEnded(program: RunningProgram, ended: boolean): Promise<void> {
  await send(newId(), runningProgramSchema, { method: ended ? 'DELETE' : 'PUT', path: ROUTES.program(program.id) })
  await refreshAfter(program.id)
}
