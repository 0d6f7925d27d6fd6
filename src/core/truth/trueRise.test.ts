import { BAKERS_TABLE, within } from '../testing/bakersTable'
import { normalFrom, seededRandom } from './seededRandom'
import { trueLog } from './trueLog'
import { seedShareOf, TRUE_RIPE, type TrueBuild, type TrueCulture, type TrueCurve, trueRise, trueRiseAt, USUAL_JAR, warmHoursPerHour } from './trueRise'

const build = (flourPerSeed: number, tempC: number, more: Partial<TrueBuild> = {}): TrueBuild => ({
  seedShare: seedShareOf(flourPerSeed),
  seed: TRUE_RIPE,
  tempAt: () => tempC,
  jar: USUAL_JAR,
  chance: 1,
  ...more
})

/** Moments of a curve: a level on the way up, and on the way down. */
function momentsOf({ hours, rise, peakHours }: TrueCurve) {
  const top = Math.max(...rise) - 1
  const at = (found: number) => hours[found] ?? Number.POSITIVE_INFINITY
  return {
    doubled: at(rise.findIndex((r) => r >= 2)),
    opens: at(rise.findIndex((r) => r - 1 >= 0.95 * top)),
    peak: peakHours,
    closes: at(rise.findIndex((r, i) => (hours[i] ?? 0) > peakHours && r - 1 < 0.95 * top))
  }
}

// The other generator, too, has to do what bakers see: the same table as the forecast's.
test.each(BAKERS_TABLE)('1:%d at %d °C', (ratio, tempC, doubled, opens, peak, closes) => {
  const t = momentsOf(trueRise(build(ratio, tempC), 30))
  within(t.doubled, doubled)
  within(t.opens, opens)
  within(t.peak, peak)
  within(t.closes, closes)
})

/** An hour at 22 °C, then the fridge, followed with a time constant. */
const intoTheCold = (tau: number) => (hours: number) => (hours < 1 ? 22 : 4 + 18 * Math.exp(-(hours - 1) / tau))
test('cold: 1:5:5 peaks after 4.5 to 8 days, 1:1:1 after 1.8 to 4', () => {
  within(trueRise(build(5, 22, { tempAt: intoTheCold(1.48) }), 260).peakHours / 24, [4.5, 8])
  within(trueRise(build(1, 22, { tempAt: intoTheCold(1.17) }), 200).peakHours / 24, [1.8, 4])
})

test('1:5:5 at 25 °C, seed taken at the peak five times over: it lives on', () => {
  let seed: TrueCulture = TRUE_RIPE
  for (let feed = 0; feed < 5; feed++) {
    const curve = trueRise(build(5, 25, { seed }), 20)
    within(momentsOf(curve).opens, [5.6, 7.8])
    within(curve.peakHours, [7, 9.5])
    seed = curve.atPeak
  }
})

// A dough of 70 % with 2 % salt ferments at about five sixths of the pace of a levain.
const dough = (levainPercent: number, tempC: number) => build(0, tempC, { seedShare: levainPercent / 2 / (100 + levainPercent / 2), mixPace: 0.83 })
test.each([
  [20, 25, [3.3, 5], [5, 7.5]],
  [20, 21, [4.8, 7.5], [7, 10.5]],
  [10, 25, [4.5, 6.5], [0, 99]]
] as const)('dough with %d %% levain at %d °C', (levain, tempC, half, doubled) => {
  const { hours, rise } = trueRise(dough(levain, tempC), 16)
  within(hours[rise.findIndex((r) => r >= 1.5)] ?? 99, half)
  within(hours[rise.findIndex((r) => r >= 2)] ?? 99, doubled)
})

test('it rises, peaks and falls; while it climbs it has no peak', () => {
  const curve = trueRise(build(5, 25), 30)
  expect(trueRiseAt(curve, 0)).toBe(1)
  expect(trueRiseAt(curve, curve.peakHours)).toBeCloseTo(2.9, 1)
  expect(trueRiseAt(curve, 25)).toBeLessThan(2.2)
  expect(trueRise(build(5, 25), 6).peakHours).toBe(Number.POSITIVE_INFINITY)
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

test('a log is the same for the same seed; looks are missed, and none lies below the band', () => {
  expect(trueLog(5, 3)).toEqual(trueLog(5, 3))
  const looks = trueLog(6, 20).builds.map((b) => b.looks)
  expect(looks.some((l) => l.length < 4)).toBe(true)
  expect(looks.flat().every((look) => look.rise >= 1)).toBe(true)
})

test('jars of the logs differ in pace by a quarter', () => {
  const logs = Array.from({ length: 300 }, (_, i) => Math.log(trueLog(i + 1, 0).jar.pace))
  expect(Math.sqrt(logs.reduce((s, x) => s + x * x, 0) / logs.length)).toBeCloseTo(0.25, 1)
})
