import { millisecondsInHour } from 'date-fns/constants'
import useSWR from 'swr'
import { jarLogSchema, ROUTES } from '../../contract'
import type { BatchLine, ComparedBuild, JarBelief, PastBread, School, SourAsked, sourLevers } from '../../core'
import type { UsualSour } from '../../words'
import { desk, ONCE } from './desk'
import { read } from './outbox'

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

/** What the baker is used to from this jar; null before the first bake, undefined until known. */
export function useUsualSour(jarId: string, belief: JarBelief): UsualSour | null | undefined {
  const { data } = useSWR(
    ['usual sour', jarId, belief],
    async () => {
      const { builds } = await read(jarLogSchema, ROUTES.jarLog(jarId))
      const levains = builds.filter((build) => build.kind === 'levain')
      const past = levains.map(({ line, mixedAt }) => ({ line, hours: (mixedAt - line.startedAtMs) / millisecondsInHour }))
      return desk().usualSour(past, belief)
    },
    ONCE
  )
  return data
}

/** How sour a bake comes out, and what changes that; undefined while it is worked out, null where it cannot be told. */
export function useSourLevers(asked: SourAsked | null): ReturnType<typeof sourLevers> | undefined {
  const { data } = useSWR(asked === null ? null : ['sour levers', asked], ([, of]: [string, SourAsked]) => desk().sourLevers(of), ONCE)
  return data
}

const NO_BREADS: readonly PastBread[] = []

/** Breads from a jar that were marked, the latest last; none until they are known. */
export function usePastBreads(jarId: string | null): readonly PastBread[] {
  const { data } = useSWR(
    jarId === null ? null : ['past breads', jarId],
    async ([, id]: [string, string]) => {
      const { builds } = await read(jarLogSchema, ROUTES.jarLog(id))
      return builds.flatMap(({ breadRise, mixedAs }): PastBread[] => (breadRise === undefined ? [] : [{ was: mixedAs ?? null, rise: breadRise }]))
    },
    ONCE
  )
  return data ?? NO_BREADS
}
