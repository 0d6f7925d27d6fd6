import type { Step } from '../../../core'
import type { StationId } from '../stations'

/** Where a step is done. */
export const STEP_STATION: Readonly<Record<Step['kind'], StationId>> = {
  wake: 'clock',
  'first build': 'clock',
  grow: 'build',
  build: 'bench',
  'finish weighing': 'bench',
  chill: 'watch',
  look: 'watch',
  'feed again': 'watch',
  autolyse: 'dough',
  mix: 'watch',
  fold: 'clock',
  shape: 'clock',
  preheat: 'clock',
  bake: 'clock',
  lid: 'clock',
  out: 'clock',
  eat: 'clock'
}

/** Steps that are told by a word and not by weighing or looking. */
const TOLD: readonly Step['kind'][] = ['wake', 'first build', 'autolyse', 'fold', 'shape', 'preheat', 'bake', 'lid', 'out', 'eat']
/** Whether a step is marked done by hand. */
export const isTold = ({ kind }: Pick<Step, 'kind'>) => TOLD.includes(kind)
