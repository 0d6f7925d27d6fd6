import type { Format } from '../../../core'
import { near } from '../../../words'
import { DESCRIBE } from '../../../words/screens/parts-ribbon'
import type { Hill } from './geometry'

/**
 * The ribbon in words, for those who hear it.
 * @param hills what is drawn
 * @param nowMs the present
 */
export function describeRibbon(hills: readonly Hill[], nowMs: number, format: Format): string[] {
  const at = (ms: number) => format.dayTime(near(ms))
  return hills.map((hill) => {
    const start = hill.points[0]?.ms ?? nowMs
    const oven = hill.day?.find((stage) => stage.kind === 'oven')
    const bread = oven === undefined ? '' : DESCRIBE.doughGoesIntoOvenAnd(at(oven.fromMs), at(oven.toMs))
    if (hill.risesElsewhere) return `${hill.label}: ${DESCRIBE.otherPot}${bread}.`
    const began = hill.ofJar ? DESCRIBE.fed(at(start)) : hill.running ? DESCRIBE.mixed(format.dayTime(start)) : DESCRIBE.toBeBuilt(at(start))
    const window = hill.window === null ? '' : DESCRIBE.readyToMixTo(at(hill.window.fromMs), at(hill.window.toMs))
    const last = hill.marks?.at(-1)
    const mark = last === undefined ? '' : DESCRIBE.lastSeenAtOn(format.rise(1 + last.gas), format.dayTime(last.ms))
    const fit = hill.window !== null && nowMs >= hill.window.fromMs && nowMs <= hill.window.toMs ? DESCRIBE.thatNow : ''
    return `${hill.label}: ${began}${window}${fit}${mark}${bread}.`
  })
}
