import useSWR, { mutate } from 'swr'
import { type BringIn, type Copies, copiesSchema, doneSchema, errorSchema, ROUTES, type TakenAlong, takenAlongSchema } from '../../contract'
import { ask, NotNow, Refusal } from './api'

/** Copies of the kitchen; undefined until they are known. */
export function useCopies(): Copies | undefined {
  return useSWR(ROUTES.copies, (path) => ask(copiesSchema, { method: 'GET', path })).data
}

const keepCopies = (copies: Copies) => mutate(ROUTES.copies, copies, { revalidate: false })

/** Makes a copy now. @throws Refusal */
export async function copyNow(): Promise<void> {
  await ask(copiesSchema, { method: 'POST', path: ROUTES.copies })
    .then(keepCopies)
    .finally(() => mutate(ROUTES.copies))
}

/** Has copies kept in another folder of the server's machine. @throws Refusal */
export async function moveCopies(folder: string): Promise<void> {
  await keepCopies(await ask(copiesSchema, { method: 'PUT', path: ROUTES.copiesFolder, body: { folder } }))
}

/** Sends a file that was taken along, to be looked into; nothing is changed yet. @throws Refusal */
export async function lookInto(file: File): Promise<TakenAlong> {
  const answer = await fetch(ROUTES.bringIn, { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: file }).catch(() => {
    throw new NotNow()
  })
  const told: unknown = await answer.json()
  if (answer.ok) return takenAlongSchema.parse(told)
  throw new Refusal(errorSchema.parse(told).error)
}

/** Puts a file that was looked into in the place of this kitchen, or adds it. @throws Refusal */
export async function bringIn(id: string, how: BringIn): Promise<void> {
  await ask(doneSchema, { method: 'POST', path: ROUTES.broughtIn(id), body: how })
  await mutate(() => true)
}

/** Forgets a file that was looked into. */
export async function leaveOut(id: string): Promise<void> {
  await ask(doneSchema, { method: 'DELETE', path: ROUTES.broughtIn(id) })
}
