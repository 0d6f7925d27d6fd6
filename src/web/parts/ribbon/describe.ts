import type { Format } from '../../../core'
import { near } from '../../../words'
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
    const began = hill.running ? `mixed ${format.dayTime(start)}` : `to be built ${at(start)}`
    const window = hill.window === null ? 'no window within the time looked at' : `ready to mix ${at(hill.window.fromMs)} to ${at(hill.window.toMs)}`
    const last = hill.marks?.at(-1)
    const mark = last === undefined ? '' : `, last seen at ${format.rise(1 + last.gas)} on ${format.dayTime(last.ms)}`
    const fit = hill.window !== null && nowMs >= hill.window.fromMs && nowMs <= hill.window.toMs ? ', that is now' : ''
    const oven = hill.day?.find((stage) => stage.kind === 'oven')
    const bread = oven === undefined ? '' : `; its dough goes into the oven ${at(oven.fromMs)} and comes out ${at(oven.toMs)}`
    return `${hill.label}: ${began}, ${window}${fit}${mark}${bread}.`
  })
}
