import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { simulate, TYPICAL_JAR, UNKNOWN_JAR, vesselOf } from '../../core'
import { dailyLine } from '../../testing/plannedBake'
import type { Bake } from '../fromWire'
import { isItReady } from './isItReady'
import { jarQuestion } from './questionOfBake'

const FED = Date.UTC(2026, 10, 27, 6)
const line = dailyLine(FED)
const { milestones } = simulate(vesselOf(line, TYPICAL_JAR), TYPICAL_JAR, { untilHours: 60 })
const peak = milestones.peakHours ?? Number.NaN
const at = (hours: number) => FED + hours * millisecondsInHour
const look = (hours: number, rise: number, more: Partial<Jar['looks'][number]> = {}): Jar['looks'][number] => ({
  id: `look at ${hours}`,
  at: at(hours),
  rise,
  signs: {},
  ...more
})
const jarWith = (looks: Jar['looks'], more: Partial<Jar> = {}) => ({ id: 'daily', young: false, line, looks, ...more }) as Jar
interface Planned {
  readonly mixHours?: number
  readonly source?: 'as it is' | 'separate'
  readonly fedBefore?: boolean
  readonly weighed?: boolean
}
const bakeOf = ({ mixHours = peak, source = 'as it is', fedBefore = false, weighed = false }: Planned) =>
  ({
    plan: {
      jarId: 'daily',
      mixAt: at(mixHours),
      school: 'dome',
      levainFrom: null,
      build: { source },
      before: fedBefore ? [{ id: 'wake 1', kind: 'wake' }] : []
    },
    state: { band: weighed ? { atMs: at(mixHours) } : null, mixed: null, deeds: new Map() },
    line: weighed ? { parents: [{ line }] } : null
  }) as unknown as Bake
const asked = (planned: Planned, hours: number, jar: Jar | undefined = jarWith([])) => jarQuestion(bakeOf(planned), jar, UNKNOWN_JAR, at(hours))
const adviceOf = (hours: number, looks: Jar['looks']) => {
  const question = asked({}, hours, jarWith(looks))
  if (question === null) throw new Error('Nothing is asked.')
  return isItReady(question).advice
}

test('a jar used as it is is ready once somebody has seen it so, and by the clock alone only to be looked at', () => {
  const top = 1 + milestones.peakGas
  expect(adviceOf(peak, [])).toMatchObject({ kind: 'look', why: 'should be ready' })
  const seen = [look(0.6 * peak, 1 + 0.55 * milestones.peakGas), look(peak - 0.2, top, { signs: { top: 'domed' } })]
  expect(adviceOf(peak, seen).kind).toBe('mix now')
  // The same look two hours on.
  expect(adviceOf(peak + 2, seen).kind).toBe('look')
})

test('one that has hardly risen by its hour is waited for, one that fell is asked about, and past where that is right', () => {
  expect(adviceOf(peak, [look(peak - 0.1, 1.5, { signs: { bubbles: 'few' } })]).kind).toBe('wait')
  const fell = (explained?: 'right') => [look(0.8 * peak, 1 + milestones.peakGas), look(peak - 0.1, 1.3, { explained })]
  expect(adviceOf(peak, fell())).toMatchObject({ kind: 'ask', about: { kind: 'fell' } })
  expect(adviceOf(peak, fell('right')).kind).toBe('past')
})

test.each<[string, Planned, number, Jar | undefined]>([
  ['a levain is built from it', { source: 'separate' }, peak, jarWith([])],
  ['it is fed for the mix first', { fedBefore: true }, peak, jarWith([])],
  ['it has been fed since it went into the bowl', { weighed: true }, peak, jarWith([], { line: { ...line, startedAtMs: at(peak) } })],
  ['it is a young culture', {}, peak, jarWith([], { young: true })],
  ['it has been taken away', {}, peak, undefined],
  ['the mix is more than half a day off', { mixHours: 1.5 * peak }, 1.5 * peak - 13, jarWith([])],
  ['it is meant to be used long past its best', { mixHours: 2.1 * peak }, 2 * peak, jarWith([])]
])('nobody is sent to look at the jar where %s', (_, planned, hours, jar) => {
  expect(jarQuestion(bakeOf(planned), jar, UNKNOWN_JAR, at(hours))).toBeNull()
})

test('after all but that the same jar is asked about', () => {
  expect(asked({ mixHours: 1.9 * peak }, 1.8 * peak)).not.toBeNull()
  expect(asked({ weighed: true }, peak)?.line).toEqual(line)
})
