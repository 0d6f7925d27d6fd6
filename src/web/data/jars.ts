import useSWR, { mutate } from 'swr'
import { z } from 'zod'
import { type Feed, type Jar, type JarOpening, jarSchema, ROUTES } from '../../contract'
import { nowMs } from './clock'
import { refreshDiscard } from './discard'
import { newId } from './newId'
import { read, send } from './outbox'

const jarsSchema = z.object({ jars: z.array(jarSchema) })

/** All jars, by name. */
export function useJars(): { readonly jars: readonly Jar[] | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR(ROUTES.jars, (path) => read(jarsSchema, path))
  return { jars: data?.jars, error: error as Error | undefined }
}

/** Asks for the jars again: something was taken out of one or put into it. */
export const refreshJars = () => mutate(ROUTES.jars)

/** Feeds a jar. @returns takes the feed back */
export async function feedJar(jar: Jar, feed: Feed): Promise<() => Promise<void>> {
  await send(feed.id, jarSchema, { method: 'POST', path: ROUTES.jarFeeds(jar.id), body: feed })
  await Promise.all([refreshJars(), refreshDiscard()])
  return async () => {
    const id = newId()
    await send(id, jarSchema, { method: 'POST', path: ROUTES.jarUndo(jar.id), body: { id, happenedAt: new Date(nowMs()).toISOString(), undoes: feed.id } })
    await Promise.all([refreshJars(), refreshDiscard()])
  }
}

/** Brings a jar into the kitchen. */
export async function openJar(opening: JarOpening): Promise<void> {
  await send(opening.id, jarSchema, { method: 'POST', path: ROUTES.jars, body: opening })
  await refreshJars()
}

/** Corrects what a jar holds by one weighing, g. */
export async function weighJar(jar: Jar, grams: number, happenedAt: string): Promise<void> {
  const id = newId()
  await send(id, jarSchema, { method: 'POST', path: ROUTES.jarWeighings(jar.id), body: { id, happenedAt, grams } })
  await refreshJars()
}
