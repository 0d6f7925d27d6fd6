import { mutate } from 'swr'
import useSWRInfinite, { unstable_serialize } from 'swr/infinite'
import type { z } from 'zod'
import {
  isoOf,
  type Jar,
  type JarEdit,
  type JarEnd,
  type JarEvent,
  type JarLook,
  type JarOpening,
  type JarSplit,
  type JarTold,
  jarHistorySchema,
  jarSchema,
  jarsSchema,
  jarToldAnswerSchema,
  ROUTES,
  toldToWire
} from '../../contract'
import { nowMs } from './clock'
import { refreshDiscard } from './discard'
import { newId } from './newId'
import { read, send } from './outbox'
import { refreshShelf } from './shelf'
import { useRead } from './useRead'

/** All jars, by name. */
export function useJars(): { readonly jars: readonly Jar[] | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.jars, jarsSchema)
  return { jars: data?.jars, error }
}

/** Asks for the jars again: something was taken out of one or put into it. */
export const refreshJars = () => mutate(ROUTES.jars)

const historyPage = (id: string) => (index: number, before: { readonly next: number | null } | null) => {
  if (index > 0 && before?.next === null) return null
  return `${ROUTES.jarHistory(id)}${before?.next === undefined || before.next === null ? '' : `?before=${before.next}`}`
}

/** What happened to a jar, newest first, page by page. */
export interface JarHistory {
  readonly events: readonly JarEvent[] | undefined
  readonly error: Error | undefined
  /** Asks for older ones; undefined when there are none. */
  readonly more: (() => void) | undefined
}

export function useJarHistory(jar: Jar): JarHistory {
  const { data, error, size, setSize } = useSWRInfinite<z.output<typeof jarHistorySchema>, Error>(historyPage(jar.id), (path: string) =>
    read(jarHistorySchema, path)
  )
  const last = data?.at(-1)
  return {
    events: data?.flatMap((page) => page.events),
    error,
    more: last === undefined || last.next === null ? undefined : () => void setSize(size + 1)
  }
}

/** Asks again for all that something done to a jar has changed. */
const refreshAfter = (jar: Jar) => Promise.all([refreshJars(), refreshDiscard(), refreshShelf(), mutate(unstable_serialize(historyPage(jar.id)))])

/** Something noted now. */
const noted = (id: string) => ({ id, happenedAt: isoOf(nowMs()) })

/** @returns takes back what was done to a jar */
const takenBack = (jar: Jar, undoes: string) => async () => {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarUndo(jar.id), body: { ...noted(id), undoes } })
  await refreshAfter(jar)
}

/** Puts a jar in another place, from a moment on; `planned`: it is to go there then. @returns takes the move back */
export async function moveJar(jar: Jar, placeId: string, atMs: number, planned = false): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarMoves(jar.id), body: { id, happenedAt: isoOf(atMs), placeId, planned } })
  await refreshAfter(jar)
  return takenBack(jar, id)
}

/** Puts the feed of a jar off until a moment. @returns has it asked for again */
export async function putOffFeed(jar: Jar, untilMs: number): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarPutOff(jar.id), body: { ...noted(id), until: isoOf(untilMs) } })
  await refreshAfter(jar)
  return takenBack(jar, id)
}

/** Puts some of a jar into a new one. @returns takes it back */
export async function splitJar(jar: Jar, split: Pick<JarSplit, 'jarId' | 'name' | 'grams' | 'placeId'>): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarSplits(jar.id), body: { ...noted(id), ...split } })
  await refreshAfter(jar)
  return takenBack(jar, id)
}

/** Brings a jar into the kitchen. */
export async function openJar(opening: JarOpening): Promise<void> {
  await send(opening.id, jarSchema, { method: 'POST', path: ROUTES.jars, body: opening })
  await refreshJars()
}

/** What a jar was told to be when it came. */
export function useJarTold(id: string): { readonly told: JarTold | undefined; readonly error: Error | undefined } {
  const { data, error } = useRead(ROUTES.jarTold(id), jarToldAnswerSchema)
  return { told: data?.told, error }
}

/** Corrects what a jar was told to be when it came. */
export async function correctJar(jar: Jar, told: JarTold): Promise<void> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarTold(jar.id), body: { ...noted(id), told: toldToWire(told) } })
  await Promise.all([refreshAfter(jar), mutate(ROUTES.jarTold(jar.id))])
}

/** Takes something that was noted of a jar back, from its history. */
export const takeBackOfJar = (jar: Jar, eventId: string) => takenBack(jar, eventId)()

/** Corrects what a jar holds by one weighing, g. @returns takes it back */
export async function weighJar(jar: Jar, grams: number): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarWeighings(jar.id), body: { ...noted(id), grams } })
  await refreshAfter(jar)
  return takenBack(jar, id)
}

/** Keeps a look at a jar. @returns takes it back */
export async function lookAtJar(jar: Jar, look: Pick<JarLook, 'rise' | 'pH' | 'signs' | 'explained'>, atMs = nowMs()): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarLooks(jar.id), body: { id, happenedAt: isoOf(atMs), ...look } })
  await refreshAfter(jar)
  return takenBack(jar, id)
}

/** The same look at a jar with something else said of its level. The new one first: if it cannot be kept, nothing is lost. */
export async function correctLook(
  jar: Jar,
  { id, at, rise, pH, signs, explained }: Jar['looks'][number],
  change: Pick<JarLook, 'rise' | 'explained'>
): Promise<void> {
  await lookAtJar(jar, { rise, pH, signs, explained, ...change }, at)
  await takeBackOfJar(jar, id)
}

/** Takes a jar out of the kitchen. @returns puts it back */
export async function endJar(jar: Jar, why: JarEnd['why']): Promise<() => Promise<void>> {
  const id = newId()
  await send(id, jarsSchema, { method: 'POST', path: ROUTES.jarEnd(jar.id), body: { ...noted(id), why } })
  await refreshAfter(jar)
  return async () => {
    const undo = newId()
    await send(undo, jarSchema, { method: 'POST', path: ROUTES.jarRestore(jar.id), body: { ...noted(undo), undoes: id } })
    await refreshAfter(jar)
  }
}

/** Keeps what was changed of a jar. @throws Refusal, `stale` when another window was faster */
export async function editJar(jar: Jar, edit: JarEdit): Promise<void> {
  await send(newId(), jarSchema, { method: 'PUT', path: ROUTES.jar(jar.id), body: { version: jar.version, jar: edit } }).finally(refreshJars)
}
