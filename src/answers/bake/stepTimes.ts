import { millisecondsInMinute } from 'date-fns/constants'
import { type HandsStep, type StepTime, stepNamed, takesHands, weighKey } from '../../core'
import type { Bake } from '../fromWire'
import { shapedHere } from './courseHere'

/** Whatever is weighed into the dough goes by keys that begin so. */
const INTO_DOUGH = weighKey({ into: 'dough', key: '' })

/**
 * How long the steps of a bake took: the levain from its first pour to its mark, the mix from the first thing weighed for it, all else from when it was
 * marked begun until it was done.
 */
export function stepTimes({ plan, state }: Pick<Bake, 'plan' | 'state'>): StepTime[] {
  const { pours, done, band, mixed, deeds, begun } = state
  const hands = shapedHere(plan)
  const first = (keys: readonly string[]) => Math.min(...keys.flatMap((key) => pours.get(key) ?? []).map(({ atMs }) => atMs))
  const time = (step: HandsStep, fromMs: number, toMs: number): StepTime[] =>
    Number.isFinite(fromMs) && toMs > fromMs ? [{ step, minutes: (toMs - fromMs) / millisecondsInMinute, hands }] : []
  const ended = [...deeds].flatMap(([id, deed]) => {
    const { kind } = stepNamed(id)
    const fromMs = begun.get(id)
    return deed.did === 'done' && fromMs !== undefined && takesHands(kind) ? time(kind, fromMs, deed.atMs) : []
  })
  return [
    ...(band === null ? [] : time('build', first(done), band.atMs)),
    ...(mixed === null ? [] : time('mix', first([...pours.keys()].filter((key) => key.startsWith(INTO_DOUGH))), mixed.atMs)),
    ...ended
  ]
}
