import { isCold } from '../../jars/condition'
import { type PlanPlace, type PlanProblem, type PlanStage, wishEnd } from './problem'
import { canSpare, makeStage } from './windows'

/** Flour per seed of wake-up feeds and first builds that are tried. */
const FIRST_RATIOS = [1, 2, 4] as const
/** Seeds for a last build that was fed or built before: no more food than this for a quick one. */
const MOST_SECOND_RATIO = 5
/** Ratios whose levain is put into the cold to hold it. */
const HELD_RATIOS = [2, 3, 5] as const

/** Feeds or first builds that are tried. */
export function firstStages(problem: PlanProblem, kind: 'wake' | 'first build', fedBefore: number): PlanStage[][] {
  return firstPlaces(problem).map((place) =>
    FIRST_RATIOS.map((flourPerSeed): PlanStage => ({ kind, flourPerSeed, place, mixTempC: problem.build.mixTempC, chill: null, fedBefore })).filter((stage) =>
      canSpare(problem, stage)
    )
  )
}

/** Places in which wake-up feeds and first builds stand: where the plan stands, and the warmest. */
function firstPlaces({ places, placeId }: PlanProblem): PlanPlace[] {
  const warm = buildPlaces(places)
  const own = warm.find((p) => p.id === placeId)
  const warmest = warm.at(-1)
  return [own, warmest].filter((p, i, all): p is PlanPlace => p !== undefined && all.indexOf(p) === i)
}

/** Places in which a levain ripens, the coolest first. */
const buildPlaces = (places: readonly PlanPlace[]) => places.filter((p) => !isCold(p.standing.tempC)).sort((a, b) => a.standing.tempC - b.standing.tempC)

/** Places of one warmth make no two schedules, K. */
const ALIKE_K = 1.5

/** The first of each warmth. */
const unlike = (places: readonly PlanPlace[]) =>
  places.filter((p, i) => places.slice(0, i).every((other) => Math.abs(other.standing.tempC - p.standing.tempC) >= ALIKE_K))

/** Last builds that are tried, those where the plan stands first; together those that differ only in their ratio, which grows. */
export function lastStages(problem: PlanProblem, fedBefore: number): PlanStage[][] {
  const { places, placeId, ratios, mixTemps, build } = problem
  const own = (place: PlanPlace) => Number(place.id !== placeId)
  const warm = unlike(buildPlaces(places).sort((a, b) => own(a) - own(b)))
  const tried = ratios.filter((ratio) => fedBefore === 0 || ratio <= MOST_SECOND_RATIO)
  const plain = mixTemps.flatMap((mixTempC) =>
    warm.map((place) =>
      tried
        .map((flourPerSeed): PlanStage => ({ kind: 'build', flourPerSeed, place, mixTempC, chill: null, fedBefore }))
        .filter((stage) => canSpare(problem, stage))
    )
  )
  const isOwn = ([s]: PlanStage[]) => Number(!(s?.place.id === placeId && s.mixTempC === build.mixTempC))
  const cold = places.filter((p) => isCold(p.standing.tempC)).sort((a, b) => a.standing.tempC - b.standing.tempC)[0]
  if (problem.levainHabit?.kind === 'out, then the fridge') return cold === undefined ? [] : ripenedCold(problem, fedBefore, warm, cold).map((stage) => [stage])
  const held = cold === undefined ? [] : [...heldStages(problem, fedBefore, warm, cold), ...ripenedCold(problem, fedBefore, warm, cold)]
  return [...plain.sort((a, b) => isOwn(a) - isOwn(b)), ...held.map((stage) => [stage])].filter((group) => group.length > 0)
}

/** Builds that ripen to their fit moment and are held in the cold then: what is put there before it has opened hardly opens. */
function heldStages(problem: PlanProblem, fedBefore: number, warm: readonly PlanPlace[], cold: PlanPlace): PlanStage[] {
  const atMs = (problem.nowMs + wishEnd(problem)) / 2
  return problem.ratios
    .filter((ratio) => HELD_RATIOS.some((held) => held === ratio))
    .flatMap((flourPerSeed) =>
      warm.slice(0, 2).flatMap((place): PlanStage[] => {
        const stage: PlanStage = { kind: 'build', flourPerSeed, place, mixTempC: problem.build.mixTempC, chill: null, fedBefore }
        const made = canSpare(problem, stage) ? makeStage(problem, stage, atMs) : null
        return made === null ? [] : [{ ...stage, chill: { afterHours: Math.round(made.window.fit * 4) / 4, place: cold } }]
      })
    )
}

/** A levain that ripens in the cold stands out so long first, h, with no more flour per seed than this: with more it takes a week. */
export const OUT_FIRST_HOURS = [2, 4] as const
const MOST_COLD_RATIO = 2

/** Builds that stand out for a while and ripen in the cold, days ahead: they are ready for long. */
function ripenedCold(problem: PlanProblem, fedBefore: number, [place]: readonly PlanPlace[], cold: PlanPlace): PlanStage[] {
  const [flourPerSeed = Number.POSITIVE_INFINITY] = problem.ratios
  if (place === undefined || fedBefore > 0 || flourPerSeed > MOST_COLD_RATIO) return []
  const stage: PlanStage = { kind: 'build', flourPerSeed, place, mixTempC: problem.build.mixTempC, chill: null, fedBefore }
  return canSpare(problem, stage) ? OUT_FIRST_HOURS.map((afterHours) => ({ ...stage, chill: { afterHours, place: cold } })) : []
}
