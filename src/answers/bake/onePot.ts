/** One pot of levain for several doughs: the bake that builds it, and the others that take of it. */
import type { Plan } from '../../contract'
import { isAwaited, type SolvedBake, type TimedBuild } from '../../core'
import type { Bake } from '../fromWire'
import { windowAt } from '../judgement/isItReady'
import type { PlanWeights } from './levainToWeigh'

/** Whether its levain is still to come out of another bake's pot: nothing is built, fed or weighed for it until then. */
export const awaitsPot = ({ levainFrom }: Pick<Plan, 'levainFrom'>): boolean => levainFrom != null && levainFrom.jarId === undefined

/** What a dough takes out of a pot: what goes in, and what sticks on the way, whole g. */
export const gramsFromPot = ({ dough, sourced }: Pick<PlanWeights, 'dough' | 'sourced'>): number => Math.ceil(dough.weigh.levainGrams + sourced.sticksGrams)

/** A plan whose levain comes out of a pot: it is what that one is, and nothing is built or fed for it. */
export function fromPot(plan: Plan, potId: string, { build: { hydration, salt, oil, flours } }: Pick<Plan, 'build'>): Plan {
  return { ...plan, build: { ...plan.build, hydration, salt, oil, flours }, before: [], moves: [], startAt: null, levainFrom: { bakeId: potId } }
}

/** A plan on its own again; what others were to take of it is theirs. */
export function onItsOwn({ levainFrom, ...plan }: Plan): Plan {
  const { build } = plan
  const none = levainFrom === undefined ? {} : { levainFrom: null }
  const own = { ...build, alsoFor: build.alsoFor.filter(({ bakeId }) => bakeId == null) }
  // It was handed over as starter out of a jar of its own.
  if (levainFrom?.jarId !== undefined) return { ...plan, ...none, jarId: levainFrom.jarId, build: { ...own, source: 'separate build' } }
  return { ...plan, ...none, build: own }
}

/** What is asked of the bakes that may share a pot. */
export interface PotBake {
  readonly bake: Pick<Bake, 'id' | 'plan' | 'status'>
  readonly solved: SolvedBake | null
  /** When its dough is mixed, ms. */
  readonly mixMs: number
}

/** A levain that may be built for another dough, too. */
export interface SharedPot {
  readonly bakeId: string
  readonly name: string
  /** When it is ready to mix, ms. */
  readonly window: { readonly fromMs: number; readonly toMs: number }
}

/** Its levain is built apart, and not begun: more can still be built of it. */
const isPot = ({ build, levainFrom, school }: Plan) => build.source !== 'as it is' && levainFrom == null && isAwaited(school)

/**
 * Levains out of which a dough could be mixed as well: from the same jar, liked as ripe, mixed no later than this one, and still ready when this one is.
 * @param own the bake that would take of it
 * @param others the open bakes of the kitchen
 */
export function potsFor(own: Pick<PotBake, 'bake' | 'mixMs'>, others: readonly PotBake[]): SharedPot[] {
  const { id, plan, status } = own.bake
  // Whose pot feeds others does not take of another.
  if (status !== 'planned' || !isPot(plan) || plan.build.alsoFor.some(({ bakeId }) => bakeId != null)) return []
  return others.flatMap(({ bake, solved, mixMs }): SharedPot[] => {
    if (bake.id === id || bake.status !== 'planned' || !isPot(bake.plan)) return []
    if (bake.plan.jarId !== plan.jarId || bake.plan.school !== plan.school || mixMs > own.mixMs) return []
    const window = plannedWindow({ bake, solved })
    return window !== null && window.fromMs <= own.mixMs && own.mixMs <= window.toMs ? [{ bakeId: bake.id, name: bake.plan.name, window }] : []
  })
}

/** The levain of a plan before it is built: as late as it is by now, or, out of another pot, as it was meant. */
export function levainPlanned(plan: Plan, solved: SolvedBake | null): TimedBuild | null {
  if (solved?.build == null) return null
  return awaitsPot(plan) ? solved.build.timed : solved.build.asItStands
}

/** When a levain that is not built yet will be ready to mix; null while its plan cannot be. */
export function plannedWindow({ bake, solved }: Pick<PotBake, 'bake' | 'solved'>): SharedPot['window'] | null {
  if (solved?.build == null) return null
  const { startMs, milestones } = solved.build.asItStands
  return windowAt(milestones, bake.plan.school, startMs)
}
