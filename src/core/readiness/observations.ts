import type { Observation } from '../ferment/oneBuild'
import type { Mark } from './verdict'

/** Signs by which the top is known to be past. */
const FALLEN = { top: ['dimpled', 'sunken'], smear: ['yes'] } as const

const isFallen = ({ signs }: Mark) => signs?.smear === FALLEN.smear[0] || FALLEN.top.some((top) => signs?.top === top)

/**
 * What the looks at a finished build say of its hill: levels, and on which side of the top it was seen without anybody seeing the top itself.
 * @param marks in the order of time
 */
export function observationsOf(marks: readonly Mark[]): Observation[] {
  const seen: Observation[] = marks.flatMap(({ hours, rise }) => (rise === undefined ? [] : [{ kind: 'level', hours, rise }]))
  const fallen = marks.find(isFallen)
  if (fallen !== undefined) seen.push({ kind: 'fallen', hours: fallen.hours })
  const climbing = marks.findLast((mark) => mark.signs?.top === 'domed')
  if (climbing !== undefined && (fallen === undefined || climbing.hours < fallen.hours)) seen.push({ kind: 'climbing', hours: climbing.hours })
  return seen
}
