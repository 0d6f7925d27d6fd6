import { acidityOf } from './acidity'
import { TYPICAL_JAR } from './jarParameters'
import { exampleVessel } from './jarTraits'
import { learnJar } from './learnJar'
import { type Metered, souringOf } from './learnSouring'
import { simulate } from './simulate'

const vessel = exampleVessel(25)
/** What a meter shows of a jar that makes so much more acid. */
const shown = (souring: number, hours: readonly number[], off = 0): Metered[] =>
  hours.map((h) => ({ hours: h, pH: off + acidityOf(simulate(vessel, { ...TYPICAL_JAR, souring }, { untilHours: h }).end.acid, vessel).pH }))

test('a jar that makes a third more acid is found out, the better the more readings there are', () => {
  const [one, many] = [[6], [3, 5, 6, 8, 10, 12]].map((hours) => souringOf([{ vessel, metered: shown(1.33, hours) }], TYPICAL_JAR))
  expect(one).toBeGreaterThan(1.05)
  expect(many).toBeGreaterThan(1.2)
  expect(many).toBeLessThan(1.4)
})

test('readings as foretold leave it as it is, a mad one hardly moves it', () => {
  expect(souringOf([{ vessel, metered: shown(1, [4, 8]) }], TYPICAL_JAR)).toBeCloseTo(1, 2)
  expect(souringOf([{ vessel, metered: [...shown(1, [4, 6, 8]), { hours: 7, pH: 7 }] }], TYPICAL_JAR)).toBeCloseTo(1, 1)
})

test('learning a jar takes it in; without a meter nothing is said of it', () => {
  expect(learnJar([{ vessel, seen: [], metered: shown(1.4, [5, 7, 9]) }]).belief.centre.souring).toBeGreaterThan(1.15)
  expect(learnJar([{ vessel, seen: [{ kind: 'level', hours: 4, rise: 1.8 }] }]).belief.centre.souring).toBeUndefined()
})

test('more acid is a lower pH, and moves no level to speak of before the peak', () => {
  const run = (souring: number) => simulate(vessel, { ...TYPICAL_JAR, souring }, { untilHours: 6 })
  expect(run(1.3).end.acid).toBeGreaterThan(1.1 * run(1).end.acid)
  expect(run(1.3).milestones.peakGas).toBeCloseTo(run(1).milestones.peakGas, 1)
})
