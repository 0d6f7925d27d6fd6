import { millisecondsInHour } from 'date-fns/constants'
import { type Jar, type JarBuild, NO_LOG, parametersSchema } from '../../contract'
import { type JarBelief, learning, MODEL_VERSION, type PastBuild, pinnedJar, UNKNOWN_JAR } from '../../core'
import { type Bake, buildLogsOf } from '../fromWire'

/** Mixed so little before its peak, a levain was at it for any baker, h. */
const SEEN_WITHIN_HOURS = 0.5

/** What is believed of each jar, by its id. */
export type Beliefs = ReadonlyMap<string, JarBelief>

/** What is believed of a jar: nothing, when it has no log. */
export const beliefIn = (beliefs: Beliefs | undefined, jarId: string): JarBelief => beliefs?.get(jarId) ?? UNKNOWN_JAR

/**
 * What is believed of a bake's jar where this bake is concerned: once its dough is mixed, what was believed then. What its own
 * looks teach of the jar has been taken into account already, and counts for the next build; a dough does not rise otherwise for it.
 */
export function beliefOfBake(bake: Pick<Bake, 'plan' | 'state' | 'events'>, beliefs: Beliefs | undefined): JarBelief {
  const belief = beliefIn(beliefs, bake.plan.jarId)
  const event = bake.events.findLast((e) => e.id === bake.state.mixed?.id)
  const shown = event?.type === 'mixed' ? event.shown : undefined
  const told = parametersSchema.safeParse(shown?.modelVersion === MODEL_VERSION ? shown.theta : null)
  // How much acid it makes is no part of what was kept then, and moves no level.
  return told.success ? { ...belief, centre: { ...told.data, souring: belief.centre.souring } } : belief
}

/** What is believed of a jar without its log; null where it is to be learned from that. */
export function beliefWithoutLog({ pace, logStamp }: Pick<Jar, 'pace' | 'logStamp'>): JarBelief | null {
  if (pace.kind === 'pinned') return pinnedJar(pace.parameters)
  return logStamp === NO_LOG ? UNKNOWN_JAR : null
}

/** Names what was learned of a jar by all that it was learned from. */
export const beliefStamp = ({ id, pace, logStamp }: Pick<Jar, 'id' | 'pace' | 'logStamp'>): string => JSON.stringify([id, MODEL_VERSION, pace, logStamp])

/** Learns a jar from its log, round by round, so that others get a word in; each round is told as a share. */
export function* learnedFrom(builds: readonly JarBuild[]): Generator<number, JarBelief> {
  if (builds.length === 0) return UNKNOWN_JAR
  const rounds = learning(builds.flatMap(buildLogsOf))
  for (;;) {
    const next = rounds.next()
    if (next.done === true) return next.value.belief
    yield next.value.round / next.value.ofRounds
  }
}

/** Past builds whose peak was seen: one that was mixed before it is no fact, however well it could be told. */
export function peaksSeen(past: readonly PastBuild[], builds: readonly Pick<JarBuild, 'line' | 'mixedAt'>[]): PastBuild[] {
  return past.filter(({ index, outcome }) => {
    const build = builds[index]
    return build !== undefined && outcome.p50 <= (build.mixedAt - build.line.startedAtMs) / millisecondsInHour + SEEN_WITHIN_HOURS
  })
}
