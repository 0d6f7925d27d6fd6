import { AGAIN_GAS, type BatchLine, type BulkStop, type DoughProgress, doughProgress, type JarBelief, type StepDeed } from '../../core'
import type { Bake } from '../fromWire'

/** A dough that is still rising, and how far it is to rise: in its bulk, or with its proof once it is shaped. */
export interface DoughLeft {
  readonly dough: BatchLine
  readonly wantedGas: number
  readonly belief: JarBelief
}

/** The last reading with a level. */
export const lastLevel = ({ readings }: Pick<Bake['state'], 'readings'>) => readings.findLast((r) => r.rise !== undefined || r.sampleRise !== undefined)

/** Where a dough is by the last level that was read of it; null while none was, or its bulk has no end. */
export function progressOf(state: Bake['state'], line: BatchLine | null, targetGas: number | null, belief: JarBelief): DoughProgress | null {
  const last = lastLevel(state)
  if (line === null || last === undefined || targetGas === null) return null
  const read = last.rise !== undefined ? ({ rise: last.rise, of: 'bowl' } as const) : ({ rise: last.sampleRise ?? 1, of: 'sample' } as const)
  return doughProgress(line, { ...read, atMs: last.atMs }, targetGas, belief.centre)
}

/**
 * The dough of a bake as it is left to rise.
 * @param line as quick as it was seen to be, where it stands
 * @param anew what rises since it was shaped, where it had gone too far by then
 * @returns null before the mix, in a proof in the cold, and once it is in the oven
 */
export function doughLeft(
  { state, plan }: Pick<Bake, 'state' | 'plan'>,
  line: BatchLine,
  stop: BulkStop | null,
  deeds: ReadonlyMap<string, StepDeed>,
  belief: JarBelief,
  anew: BatchLine | null = null
): DoughLeft | null {
  const { course } = plan
  if (state.mixed === null || course === null || stop === null || deeds.has('bake')) return null
  const shaped = deeds.has('shape')
  if (shaped && course.proof.kind === 'cold') return null
  if (anew !== null) return { dough: anew, wantedGas: AGAIN_GAS, belief }
  return { dough: line, wantedGas: stop.gas + (shaped && course.proof.kind === 'warm' ? course.proof.gas : 0), belief }
}
