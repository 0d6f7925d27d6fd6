import type { Bake } from '../../../answers'
import { lineOfAhead, type Step } from '../../../core'
import type { StationId } from '../stations'

/** In the address of Weigh: what is to be weighed there first. */
export const JOB = 'job'

/** Where a step is done. */
const STEP_STATION: Readonly<Record<Step['kind'], StationId>> = {
  wake: 'plan',
  'first build': 'plan',
  ahead: 'weigh',
  refill: 'weigh',
  grow: 'levain',
  build: 'weigh',
  'finish weighing': 'weigh',
  chill: 'watch',
  look: 'watch',
  'feed again': 'watch',
  autolyse: 'recipe',
  mix: 'watch',
  fold: 'bread',
  move: 'bread',
  shape: 'bread',
  preheat: 'bread',
  bake: 'bread',
  lid: 'bread',
  out: 'bread',
  eat: 'bread'
}

/** The station of a bake where a step of it is done: starter that is used as it is is weighed for the mix. */
export const stationOfStep = ({ kind }: Pick<Step, 'kind'>, { plan }: Pick<Bake, 'plan'>): StationId =>
  kind === 'mix' && plan.build.source === 'as it is' ? 'weigh' : STEP_STATION[kind]

/** What is to be weighed at a step, where that is not the levain or the dough. */
export const jobOfStep = ({ kind, id }: Pick<Step, 'kind' | 'id'>): string | null => (kind === 'ahead' ? lineOfAhead(id) : kind === 'refill' ? kind : null)

/** Steps that are told by a word and not by weighing or looking. */
const TOLD: readonly Step['kind'][] = ['wake', 'first build', 'ahead', 'refill', 'autolyse', 'fold', 'move', 'shape', 'preheat', 'bake', 'lid', 'out', 'eat']
/** Of those, what is done to a dough: not before it is mixed. */
const OF_DOUGH: readonly Step['kind'][] = ['fold', 'move', 'shape', 'preheat', 'bake', 'lid', 'out', 'eat']
/** Whether a step can be marked done by hand. */
export const isTold = ({ kind }: Pick<Step, 'kind'>, { mixed }: Pick<Bake['state'], 'mixed'>) =>
  TOLD.includes(kind) && (mixed !== null || !OF_DOUGH.includes(kind))
