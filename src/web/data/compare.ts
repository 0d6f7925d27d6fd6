import { millisecondsInHour } from 'date-fns/constants'
import useSWR from 'swr'
import { jarLogSchema, ROUTES } from '../../contract'
import type { BatchLine, ComparedBuild, JarBelief, School } from '../../core'
import { desk, ONCE } from './desk'
import { read } from './outbox'

/** Last bakes that make up what one is used to. */
const LAST_BAKES = 3

/** Builds side by side, worked out in the worker; null for one that cannot be. */
export function useCompared(lines: readonly (BatchLine | null)[], belief: JarBelief, school: School): readonly (ComparedBuild | null)[] | undefined {
  const { data } = useSWR(
    ['compare', lines, belief, school],
    ([, asked, b, s]: [string, readonly (BatchLine | null)[], JarBelief, School]) =>
      Promise.all(asked.map((line) => (line === null ? null : desk().compare(line, b, s)))),
    ONCE
  )
  return data
}

/** TTA the baker is used to from this jar; null before the first bake, undefined until known. */
export function useUsualTta(jarId: string, belief: JarBelief): number | null | undefined {
  const { data } = useSWR(
    ['usual tta', jarId, belief],
    async () => {
      const { builds } = await read(jarLogSchema, ROUTES.jarLog(jarId))
      const levains = builds.filter((build) => build.kind === 'levain')
      const past = levains.slice(-LAST_BAKES).map(({ line, mixedAt }) => ({ line, hours: (mixedAt - line.startedAtMs) / millisecondsInHour }))
      return desk().usualTta(past, belief)
    },
    ONCE
  )
  return data
}
