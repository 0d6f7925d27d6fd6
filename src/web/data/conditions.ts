import { useMemo } from 'react'
import useSWR from 'swr'
import { beliefIn, type Cultures, minuteOf } from '../../answers'
import type { JarCondition } from '../../core'
import { sure } from '../../core'
import type { KeptJar } from '../workers/forecast.worker'
import { desk, ONCE } from './desk'

/** How all jars are, by id; renewed every minute. Undefined until it is worked out; without any where it cannot be. */
export function useConditions(cultures: Cultures | undefined, now: number): ReadonlyMap<string, JarCondition> | undefined {
  const minute = minuteOf(now)
  const kept = useMemo(
    () => cultures?.jars.map((jar): KeptJar => ({ line: jar.line, looks: jar.looks, belief: beliefIn(cultures.beliefs, jar.id) })),
    [cultures]
  )
  const { data, error } = useSWR(
    kept === undefined ? null : ['conditions', kept, minute],
    ([, jars, at]: [string, readonly KeptJar[], number]) => desk().conditions(jars, at),
    ONCE
  )
  return useMemo(() => {
    if (cultures === undefined) return undefined
    if (error !== undefined) return new Map()
    if (data === undefined || data.length !== cultures.jars.length) return undefined
    return new Map(cultures.jars.map((jar, i) => [jar.id, sure(data[i])]))
  }, [cultures, data, error])
}
