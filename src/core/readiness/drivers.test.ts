import { TYPICAL_JAR, UNKNOWN_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import type { BatchLine } from '../jars/lineage'
import { vesselOf } from '../jars/lineage'
import { compareLine, sourAtMix } from './compareLines'
import { driversOf } from './drivers'
import { type MixedAs, observationsOf } from './observations'

const at = Date.UTC(2026, 10, 26, 8)
const line = (flour: number, tempC: number): BatchLine => ({
  startedAtMs: at,
  flours: { 'white wheat': flour },
  waterGrams: flour,
  saltGrams: 0,
  mixTempC: tempC,
  stays: [{ fromMs: at, tempC }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
})
const peak = (l: BatchLine, jar = TYPICAL_JAR) => simulate(vesselOf(l, jar), jar, { untilHours: 60 }).milestones.peakHours ?? 0

describe('what drives a build', () => {
  const drivers = driversOf(line(100, 22), TYPICAL_JAR, 'dome')
  test('a warmer place is sooner, by what a run a degree warmer says', () => {
    const warmer = { ...line(100, 23), mixTempC: 22 }
    const colder = { ...line(100, 21), mixTempC: 22 }
    expect(drivers.perDegree).toBeCloseTo((peak(warmer) - peak(colder)) / 2, 6)
    expect(drivers.perDegree).toBeLessThan(-0.5)
  })
  test('one part more of flour is later, as a build of 1:6:6 is against 1:5:5', () => {
    expect(drivers.perRatio).toBeCloseTo(peak(line(120, 22)) - peak(line(100, 22)), 1)
    expect(drivers.perRatio).toBeGreaterThan(0.2)
  })
  test('a day of the seed in the cold delays; a livelier jar hurries', () => {
    expect(drivers.perColdDay).toBeGreaterThan(0.1)
    expect(drivers.perColdDay).toBeLessThan(1)
    expect(drivers.perTenthPace).toBeLessThan(-0.2)
  })
})

describe('builds side by side', () => {
  test('a long ratio in a cool place is later than a short one in the warm', () => {
    const [slow, quick] = [compareLine(line(120, 19), UNKNOWN_JAR, 'dome'), compareLine(line(40, 26), UNKNOWN_JAR, 'dome')]
    expect(slow.milestones.peakHours ?? 0).toBeGreaterThan(quick.milestones.peakHours ?? 99)
    expect(Math.max(...slow.curve.gas)).toBeCloseTo(slow.milestones.peakGas, 1)
  })
  test('mature is tangier than dome, dome than young', () => {
    const [young, dome, mature] = (['young', 'dome', 'mature'] as const).map((school) => sourAtMix(line(100, 24), UNKNOWN_JAR, school)?.tta ?? 0)
    expect(dome).toBeGreaterThan(young ?? 99)
    expect(mature).toBeGreaterThan(dome ?? 99)
  })
})

describe('what looks say of the hill', () => {
  test('levels as they are; a dome was still climbing, dimples or a film above were past', () => {
    expect(
      observationsOf([
        { hours: 3, rise: 1.5 },
        { hours: 5, rise: 2.2, signs: { top: 'domed' } },
        { hours: 8, signs: { top: 'dimpled' } }
      ])
    ).toEqual([
      { kind: 'level', hours: 3, rise: 1.5 },
      { kind: 'level', hours: 5, rise: 2.2 },
      { kind: 'fallen', hours: 8, trust: 0.75 },
      { kind: 'climbing', hours: 5, trust: 0.8 }
    ])
    expect(observationsOf([{ hours: 9, signs: { smear: 'yes' } }])).toEqual([{ kind: 'fallen', hours: 9, trust: 0.85 }])
  })
  test('a dome after dimples is not believed', () => {
    const seen = observationsOf([
      { hours: 7, signs: { top: 'dimpled' } },
      { hours: 8, signs: { top: 'domed' } }
    ])
    expect(seen).toEqual([{ kind: 'fallen', hours: 7, trust: 0.75 }])
  })
  test('mixed while it was rising tells of a later peak, mixed at its peak of a peak, mixed past it of an earlier one', () => {
    const said = (as: MixedAs) => observationsOf([{ hours: 6, rise: 2.4 }], { hours: 7, as }).slice(1)
    expect(said('rising')).toEqual([{ kind: 'climbing', hours: 7 }])
    expect(said('at its peak')).toEqual([{ kind: 'peak', hours: 7 }])
    expect(said('past it')).toEqual([{ kind: 'fallen', hours: 7 }])
  })
})
