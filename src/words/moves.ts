import type { MoveProblem } from '../core'

const STEP = { mix: 'mix', shape: 'shaping', bake: 'bake' } as const

/** Why a levain followed no further, and what holds it. */
const STUCK: Readonly<Record<string, string>> = {
  'ripe too early': 'It cannot be later than this that way: it would be ripe too early. Change the start instead, or choose a cooler place.',
  'ripe too late': 'It cannot be sooner than this that way: it would be ripe too late. Change the start instead, or choose a warmer place.'
}

/** Why a step did not go where it was moved. */
export function moveSentence(problem: MoveProblem | string): string {
  if (typeof problem === 'string') return STUCK[problem] ?? 'That way it would never get ripe.'
  const { stage, end, hours, pinned } = problem
  const bound = `${Math.round(hours * 10) / 10} h`
  return `The ${stage} would be too ${end}: it bears ${bound} at the ${end === 'short' ? 'least' : 'most'} while the ${STEP[pinned]} is pinned. Unpin the ${STEP[pinned]}, or move it too.`
}
