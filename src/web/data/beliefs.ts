import { proxy } from 'comlink'
import { useCallback, useEffect, useMemo, useState } from 'react'
import useSWR from 'swr'
import { z } from 'zod'
import { type Beliefs, beliefStamp, beliefWithoutLog, buildLogOf, type Cultures, peaksSeen } from '../../answers'
import { isoOf, type Jar, type JarBuild, type JarPace, jarLogSchema, jarSchema, paceToWire, ROUTES } from '../../contract'
import { type JarBelief, type PastBuild, UNKNOWN_JAR } from '../../core'
import { nowMs } from './clock'
import { desk, ONCE } from './desk'
import { refreshJars, useJars } from './jars'
import { newId } from './newId'
import { read, send } from './outbox'
import { keep, kept } from './storage'

const keyOf = (jarId: string) => `olvent.belief.${jarId}`

const keptSchema = z.object({ of: z.string(), belief: z.custom<JarBelief>() })

/** What was learned before and still holds, so that a window opens with it at once. */
function keptBelief(jarId: string, of: string): JarBelief | null {
  const there = kept(keyOf(jarId), keptSchema)
  return there !== null && there.of === of ? there.belief : null
}

async function beliefOf(jar: Jar): Promise<JarBelief> {
  const known = beliefWithoutLog(jar)
  if (known !== null) return known
  const of = beliefStamp(jar)
  const before = keptBelief(jar.id, of)
  if (before !== null) return before
  const { builds } = await read(jarLogSchema, ROUTES.jarLog(jar.id))
  const belief = await desk().learn(
    newId(),
    builds,
    proxy(() => undefined)
  )
  if (belief === null) return UNKNOWN_JAR
  keep(keyOf(jar.id), { of, belief })
  return belief
}

/** What changes what is believed of a jar. */
const signatureOf = (jars: readonly Jar[]) => jars.map((jar) => [jar.id, jar.logStamp, jar.pace])

/**
 * What is believed of all jars, learned from their logs in the worker.
 * @returns undefined until it is known; a jar whose log cannot be had counts as unknown
 */
function useBeliefs(jars: readonly Jar[] | undefined): Beliefs | undefined {
  const { data } = useSWR(
    jars === undefined ? null : ['beliefs', signatureOf(jars)],
    // Entries and no map: two maps are alike to SWR, whatever they hold.
    () => Promise.all((jars ?? []).map(async (jar) => [jar.id, await beliefOf(jar).catch(() => UNKNOWN_JAR)] as const)),
    ONCE
  )
  return useMemo(() => (data === undefined ? undefined : new Map(data)), [data])
}

/** All jars with what is believed of them; undefined until both are known. */
export function useCultures(): { readonly cultures: Cultures | undefined; readonly error: Error | undefined } {
  const { jars, error } = useJars()
  const beliefs = useBeliefs(jars)
  const cultures = useMemo(() => (jars === undefined || beliefs === undefined ? undefined : { jars, beliefs }), [jars, beliefs])
  return { cultures, error }
}

/** The builds and feeds of a jar that were looked at, oldest first; undefined until they are known. */
export function useJarLog(jar: Jar): { readonly builds: readonly JarBuild[] | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR<z.output<typeof jarLogSchema>, Error>([ROUTES.jarLog(jar.id), jar.logStamp, jar.pace], ([path]: [string]) =>
    read(jarLogSchema, path)
  )
  return { builds: data?.builds, error }
}

/** What was learned of one jar, and from what. */
export interface JarEvidence {
  readonly builds: readonly JarBuild[] | undefined
  readonly belief: JarBelief | undefined
  /** Past builds as they would have been foretold; undefined until gone through, null when that was called off. */
  readonly past: readonly PastBuild[] | null | undefined
  /** How far going through them has come, 0 … 1. */
  readonly share: number
  readonly stop: () => void
  readonly error: Error | undefined
}

/** The log of a jar, and how well its builds were foretold. Going through them takes a while: it tells how far it is, and can be called off. */
export function useEvidence(jar: Jar): JarEvidence {
  const [share, setShare] = useState(0)
  const [past, setPast] = useState<readonly PastBuild[] | null | undefined>(undefined)
  const { builds, error } = useJarLog(jar)
  const beliefs = useBeliefs(useMemo(() => [jar], [jar]))
  const task = useMemo(() => newId(), [])
  useEffect(() => {
    if (builds === undefined) return
    let here = true
    setPast(undefined)
    desk()
      .past(
        task,
        builds.map(buildLogOf),
        proxy((done: number) => {
          if (here) setShare(done)
        })
      )
      .then((found) => here && setPast(found === null ? null : peaksSeen(found, builds)))
      .catch(() => here && setPast(null))
    return () => {
      here = false
      void desk().stop(task)
    }
  }, [builds, task])
  const stop = useCallback(() => void desk().stop(task), [task])
  return { builds, belief: beliefs?.get(jar.id), past, share, stop, error }
}

/** Pins the pace of a jar, or has it learned again. @returns takes that back */
export async function setPace(jar: Jar, pace: JarPace): Promise<() => Promise<void>> {
  const put = async (next: JarPace) => {
    const id = newId()
    await send(id, jarSchema, { method: 'PUT', path: ROUTES.jarPace(jar.id), body: { id, happenedAt: isoOf(nowMs()), pace: paceToWire(next) } })
    await refreshJars()
  }
  await put(pace)
  return () => put(jar.pace)
}
