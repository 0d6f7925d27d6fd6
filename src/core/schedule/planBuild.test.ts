import { millisecondsInHour } from 'date-fns/constants'
import { DAY_BUILD } from '../testing/builds'
import { nightAt } from './nights'
import { atRatio, awakeRatios, buildFor, buildFrom, type PlannedBuild, timeLadder } from './planBuild'

const mixAtMs = Date.UTC(2026, 10, 28, 9, 30)
const sleep = { from: '22:30', to: '06:30' }
const zone = 'Europe/Lisbon'

const build: PlannedBuild = {
  ...DAY_BUILD,
  // 213.59 g and 3 % that sticks are 220 g
  levain: {
    ...DAY_BUILD.levain,
    doughNeeds: [220 / 1.03],
    keepBackGrams: 0,
    jar: { grams: 90, hydration: 1, keepMinimumGrams: 15 },
    older: { share: 0, hydration: 1 }
  },
  place: { tempC: 25 },
  mixTempC: 25
}

function timed(more: Partial<PlannedBuild> = {}, at = mixAtMs, school: 'young' | 'dome' | 'mature' = 'dome') {
  const answer = buildFor({ ...build, ...more }, at, school)
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}

test('1:5:5 at 25 °C begins seven to nine and a half hours before the mix, and its peak falls on the mix', () => {
  const t = timed()
  const ahead = (mixAtMs - t.startMs) / millisecondsInHour
  expect(ahead).toBeGreaterThan(7)
  expect(ahead).toBeLessThan(9.5)
  expect(t.startMs + (t.milestones.peakHours ?? 0) * millisecondsInHour).toBeCloseTo(mixAtMs, -4.5)
})

test('those who mix young begin later, those who mix mature begin earlier', () => {
  expect(timed({}, mixAtMs, 'young').startMs).toBeGreaterThan(timed().startMs)
  expect(timed({}, mixAtMs, 'mature').startMs).toBeLessThan(timed().startMs)
})

test('a colder place and a higher ratio begin earlier', () => {
  expect(timed({ place: { tempC: 19 } }).startMs).toBeLessThan(timed().startMs - 3 * millisecondsInHour)
  expect(timed(atRatio(build, 10)).startMs).toBeLessThan(timed().startMs)
})

test('masses are those of the ratio', () => {
  expect(timed().levain.masses.seed).toBeCloseTo(20, 6)
  expect(timed().levain.masses.flour).toBeCloseTo(100, 6)
})

test('a jar that goes hungry before the build makes the build begin earlier', () => {
  const fedAt = (hoursBefore: number): PlannedBuild['seed'] => ({
    flour: 'white wheat',
    line: {
      startedAtMs: mixAtMs - hoursBefore * millisecondsInHour,
      flours: { 'white wheat': 50 },
      waterGrams: 50,
      saltGrams: 0,
      mixTempC: 22,
      stays: [{ fromMs: mixAtMs - hoursBefore * millisecondsInHour, tempC: 22 }],
      parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
    }
  })
  expect(timed({ seed: fedAt(5 * 24) }).startMs).toBeLessThan(timed({ seed: fedAt(18) }).startMs - millisecondsInHour / 2)
})

test('from a start: the same hours later', () => {
  const t = timed()
  const forward = buildFrom(build, t.startMs, 'dome')
  expect(forward.ok && forward.value.fitHours).toBeCloseTo(t.fitHours, 3)
})

test('in the fridge it is never ripe within ten days, and says so', () => {
  const answer = buildFor({ ...build, place: { tempC: 0 }, mixTempC: 4 }, mixAtMs, 'dome')
  expect(answer.ok ? '' : answer.problem.code).toBe('never ripe')
})

test('a seed too wet for a stiff build is told before any timing', () => {
  const answer = buildFor({ ...build, levain: { ...build.levain, hydration: 0.4, by: { kind: 'ratio', flourPerSeed: 0.2 } } }, mixAtMs, 'dome')
  expect(answer.ok ? '' : answer.problem.code).toBe('seed too wet')
})

describe('a start at half past one in the morning', () => {
  const startMs = timed().startMs
  // From 1:0.5 to 1:20 starts lie between 22:40 and 05:10: this baker goes to bed late.
  const late = { from: '23:15', to: '06:30' }
  const others = awakeRatios(build, 5, mixAtMs, 'dome', startMs, late, zone, mixAtMs - 48 * millisecondsInHour)

  test('is in the night', () => {
    expect(nightAt(startMs, sleep, zone)).toBeDefined()
  })
  test('other ratios let the baker sleep, one of them begins the evening before', () => {
    expect(others.length).toBeGreaterThan(0)
    for (const other of others) expect(nightAt(other.startMs, late, zone)).toBeUndefined()
    expect(others.some((o) => o.flourPerSeed > 5 && o.startMs < startMs)).toBe(true)
  })
  test('none of them begins before now', () => {
    for (const other of awakeRatios(build, 5, mixAtMs, 'dome', startMs, sleep, zone, mixAtMs - 6 * millisecondsInHour))
      expect(other.startMs).toBeGreaterThanOrEqual(mixAtMs - 6 * millisecondsInHour)
  })
})

describe('a ladder', () => {
  const stages = timeLadder(build, 500, 6, mixAtMs, 11) ?? []
  test('has its stages in the order of time, each ripe when the next begins', () => {
    expect(stages).toHaveLength(2)
    const [first, second] = stages
    expect((second?.startMs ?? 0) - (first?.startMs ?? 0)).toBeGreaterThan(5 * millisecondsInHour)
    expect(mixAtMs - (second?.startMs ?? 0)).toBeGreaterThan(5 * millisecondsInHour)
    expect(mixAtMs - (first?.startMs ?? 0)).toBeLessThan(30 * millisecondsInHour)
  })
  test('cannot begin from nothing', () => {
    expect(timeLadder(build, 500, 0, mixAtMs, 11)).toBeNull()
  })
})
