import { normalFrom, seededRandom } from './seededRandom'
import { type TrueBuild, trueRise, trueRiseAt, warmHoursPerHour } from './trueRise'

const build = (flourPerSeed: number, tempC: number): TrueBuild => ({ flourPerSeed, tempAt: () => tempC, jar: { pace: 1, height: 1 }, chance: 1 })

/** When a level is passed upwards. */
function passes(curve: ReturnType<typeof trueRise>, rise: number): number {
  return curve.hours[curve.rise.findIndex((r) => r >= rise)] ?? Number.POSITIVE_INFINITY
}

// The other generator, too, has to do what bakers see: the same table as the forecast's.
test.each([
  [1, 25, [1.5, 2.7], [4, 6]],
  [2, 25, [2.2, 3.6], [5, 7.2]],
  [5, 25, [3.4, 5.2], [7, 9.5]],
  [10, 25, [4.6, 6.8], [8.5, 11.5]],
  [1, 20, [2.2, 4], [6.5, 9]],
  [5, 20, [5, 7.6], [11, 14.5]],
  [1, 28, [1.3, 2.3], [3.6, 5.2]]
] as const)('1:%d at %d °C', (ratio, tempC, doubled, peak) => {
  const curve = trueRise(build(ratio, tempC), 30)
  expect(passes(curve, 2)).toBeGreaterThanOrEqual(doubled[0])
  expect(passes(curve, 2)).toBeLessThanOrEqual(doubled[1])
  expect(curve.peakHours).toBeGreaterThanOrEqual(peak[0])
  expect(curve.peakHours).toBeLessThanOrEqual(peak[1])
})

test('it rises, peaks and falls', () => {
  const curve = trueRise(build(5, 25), 30)
  expect(trueRiseAt(curve, 0)).toBe(1)
  expect(trueRiseAt(curve, curve.peakHours)).toBeCloseTo(3.2, 1)
  expect(trueRiseAt(curve, 25)).toBeLessThan(2)
})

test('warm hours: one at 25 °C, next to none in the fridge, none beyond life', () => {
  expect(warmHoursPerHour(25)).toBeCloseTo(1, 12)
  expect(warmHoursPerHour(4)).toBeLessThan(0.08)
  expect(warmHoursPerHour(45)).toBe(0)
})

test('the same seed tells the same story, another another', () => {
  const three = (seed: number) => Array.from({ length: 3 }, seededRandom(seed))
  expect(three(7)).toEqual(three(7))
  expect(three(7)).not.toEqual(three(8))
})

test('normal numbers are centred with sd 1', () => {
  const normal = normalFrom(seededRandom(3))
  const all = Array.from({ length: 4000 }, normal)
  const mean = all.reduce((a, b) => a + b) / all.length
  expect(Math.abs(mean)).toBeLessThan(0.05)
  expect(Math.sqrt(all.reduce((s, x) => s + (x - mean) ** 2, 0) / all.length)).toBeCloseTo(1, 1)
})
