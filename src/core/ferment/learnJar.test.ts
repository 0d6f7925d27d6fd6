import { mixCultures, RIPE } from './culture'
import { type JarParameters, PARAMETERS, TYPICAL_JAR, UNKNOWN_JAR } from './jarParameters'
import { exampleVessel, jarTraits } from './jarTraits'
import { type BuildLog, learning, learnJar } from './learnJar'
import { gasAt } from './milestones'
import type { Observation } from './oneBuild'
import { simulate, type Vessel } from './simulate'

/** What somebody would see of a build of a jar, without error. */
function seenOf(vessel: Vessel, jar: JarParameters, shares: readonly number[]): Observation[] {
  const { curve, milestones } = simulate(vessel, jar, { untilHours: 60 })
  return shares.map((share) => {
    const hours = share * (milestones.peakHours ?? 10)
    return { kind: 'level', hours, rise: 1 + gasAt(curve, hours) }
  })
}

const fed = (flourPerSeed: number, tempC: number): Vessel => ({
  ...exampleVessel(tempC),
  start: mixCultures([{ flourGrams: 1, state: RIPE }], 2 * flourPerSeed, 1)
})
const lively: JarParameters = { ...TYPICAL_JAR, vigour: 1.3, hold: 0.85 }
const builds = [2, 5, 8, 3, 5, 10, 4, 6].map((f, i) => fed(f, 20 + i))
const logs = (jar: JarParameters, shares: readonly number[]): BuildLog[] => builds.map((vessel) => ({ vessel, seen: seenOf(vessel, jar, shares) }))
const sd = (belief: typeof UNKNOWN_JAR, i: number) => Math.sqrt(belief.covariance[i]?.[i] ?? 0)

test('nothing logged, nothing learned', () => {
  const { belief, builds: count } = learnJar([{ vessel: fed(5, 25), seen: [] }])
  expect(count).toBe(0)
  expect(belief.centre).toEqual(TYPICAL_JAR)
  expect(belief.covariance).toEqual(UNKNOWN_JAR.covariance)
})

test('a lively jar with a low hill is found out, and is known better than before', () => {
  const { belief } = learnJar(logs(lively, [0.4, 0.7, 0.95, 1.1]))
  expect(belief.centre.vigour).toBeGreaterThan(1.2)
  expect(belief.centre.vigour).toBeLessThan(1.4)
  expect(belief.centre.hold).toBeGreaterThan(0.8)
  expect(belief.centre.hold).toBeLessThan(0.92)
  expect(sd(belief, 0)).toBeLessThan(0.12)
})

test('a typical jar stays one', () => {
  const { belief } = learnJar(logs(TYPICAL_JAR, [0.4, 0.7, 0.95]))
  for (const name of PARAMETERS) expect(belief.centre[name]).toBeCloseTo(1, 1)
})

test('nobody saw the top, but it climbed on or had fallen: that counts too', () => {
  const peaks = builds.map((vessel) => simulate(vessel, lively, { untilHours: 60 }).milestones.peakHours ?? 0)
  const censored = builds.map((vessel, i) => ({
    vessel,
    seen: [{ kind: i % 2 === 0 ? ('fallen' as const) : ('climbing' as const), hours: (peaks[i] ?? 0) * (i % 2 === 0 ? 1.06 : 0.94) }]
  }))
  const { belief } = learnJar(censored)
  expect(belief.centre.vigour).toBeGreaterThan(1.1)
  expect(sd(belief, 0)).toBeLessThan(0.2)
})

test('one log of another jar among many does not throw it over', () => {
  const honest = logs(lively, [0.4, 0.7, 0.95])
  const strange: BuildLog = {
    vessel: fed(5, 24),
    seen: [
      { kind: 'level', hours: 2, rise: 3.4 },
      { kind: 'level', hours: 3, rise: 1.1 }
    ]
  }
  const off = learnJar([...honest, strange]).belief.centre.vigour / learnJar(honest).belief.centre.vigour
  expect(Math.abs(Math.log(off))).toBeLessThan(0.06)
})

test('a room nobody measured says less', () => {
  const peaks = builds.map((vessel): BuildLog => {
    const hours = simulate(vessel, lively, { untilHours: 60 }).milestones.peakHours ?? 0
    return { vessel, seen: [{ kind: 'peak', hours }, ...seenOf(vessel, lively, [0.4, 0.8])] }
  })
  const known = learnJar(peaks).belief
  const unmeasured = learnJar(peaks.map((log) => ({ ...log, roomSdC: 3 }))).belief
  expect(sd(unmeasured, 0)).toBeGreaterThan(1.1 * sd(known, 0))
})

test('only a build in the cold tells of the cold', () => {
  const fridge: Vessel = {
    ...fed(1, 22),
    stays: [
      { fromHours: 0, tempC: 22 },
      { fromHours: 1, tempC: 4 }
    ]
  }
  const slow = { ...TYPICAL_JAR, cold: 0.7 }
  const { milestones, curve } = simulate(fridge, slow, { untilHours: 240 })
  const peak = milestones.peakHours ?? 0
  const cold: BuildLog = { vessel: fridge, seen: [0.5, 0.8, 1].map((s) => ({ kind: 'level', hours: s * peak, rise: 1 + gasAt(curve, s * peak) })) }
  expect(learnJar(logs(lively, [0.5, 0.9])).belief.centre.cold).toBeCloseTo(1, 6)
  expect(learnJar([...logs(TYPICAL_JAR, [0.5, 0.9]), cold, cold]).belief.centre.cold).toBeLessThan(0.85)
})

test('learning goes round by round and can be left', () => {
  const rounds = learning(logs(lively, [0.5, 0.9]))
  const first = rounds.next()
  expect(first.done).toBe(false)
  expect(first.value).toMatchObject({ round: 1 })
})

test('traits in figures: a jar a third livelier peaks sooner, one of 0.7 in the cold is slow there', () => {
  const traits = jarTraits({ centre: { ...TYPICAL_JAR, vigour: 1.3, cold: 0.7 }, covariance: UNKNOWN_JAR.covariance.map((row) => row.map((x) => x / 100)) })
  expect(traits.peakTime.factor).toBeGreaterThan(0.75)
  expect(traits.peakTime.factor).toBeLessThan(0.9)
  expect(traits.peakTime.low).toBeLessThan(traits.peakTime.factor)
  expect(traits.peakTime.high).toBeGreaterThan(traits.peakTime.factor)
  expect(traits.cold.factor).toBeCloseTo(1 / 0.7, 6)
})
