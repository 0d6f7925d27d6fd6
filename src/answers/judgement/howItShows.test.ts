import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../contract'
import { UNKNOWN_JAR } from '../../core'
import { dailyLine } from '../../testing/plannedBake'
import { howItIs } from '../jars/jarNow'
import { howItShows } from './howItShows'

const FED = Date.UTC(2026, 10, 27, 6)
const line = dailyLine(FED)
const at = (hours: number) => FED + hours * millisecondsInHour
const jarWith = (looks: Jar['looks']): Pick<Jar, 'line' | 'looks'> => ({ line, looks })
const look = (hours: number, rise: number): Jar['looks'][number] => ({ id: `at ${hours}`, at: at(hours), rise, signs: {} })
const hoursOf = (ms: number | null) => ((ms ?? Number.NaN) - FED) / millisecondsInHour
const now = at(6)
const usual = howItIs(jarWith([]), UNKNOWN_JAR.centre, now)

test('where nobody has looked a jar is as its forecast has it', () => {
  expect(howItShows(jarWith([]), UNKNOWN_JAR, now)).toEqual(usual)
})

test('one that lags behind its forecast ripens and gets hungry later, one ahead of it sooner; the level is the one seen', () => {
  const slow = howItShows(jarWith([look(6, 1.3)]), UNKNOWN_JAR, now)
  const quick = howItShows(jarWith([look(4, 2)]), UNKNOWN_JAR, at(4))
  expect(hoursOf(slow.peakMs)).toBeGreaterThan(hoursOf(usual.peakMs) + 1)
  expect(hoursOf(slow.hungryMs)).toBeGreaterThan(hoursOf(usual.hungryMs) + 1)
  expect(hoursOf(quick.peakMs)).toBeLessThan(hoursOf(usual.peakMs) - 0.5)
  expect(hoursOf(quick.hungryMs)).toBeLessThan(hoursOf(usual.hungryMs))
  // Readings are off by 5 % or so: what is told lies near them.
  expect(Math.abs(slow.rise - 1.3)).toBeLessThan(0.12)
  expect(Math.abs(quick.rise - 2)).toBeLessThan(0.2)
  // It has eaten less by now, and each fades in the order it did.
  expect(slow.food).toBeGreaterThan(usual.food)
  expect(slow.fades.map((f) => f.strength)).toEqual(usual.fades.map((f) => f.strength))
})

test('nothing of it moves while nothing is seen: an hour later the same peak is told', () => {
  const looks = [look(6, 1.3)]
  const [then, later] = [howItShows(jarWith(looks), UNKNOWN_JAR, at(6)), howItShows(jarWith(looks), UNKNOWN_JAR, at(7))]
  expect(hoursOf(later.peakMs)).toBeCloseTo(hoursOf(then.peakMs), 6)
  expect(later.rise).toBeGreaterThan(then.rise)
})
