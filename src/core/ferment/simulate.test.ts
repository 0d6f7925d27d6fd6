import fc from 'fast-check'
import { BAKERS_TABLE, DOUGH_TABLE, WET_TABLE, within } from '../testing/bakersTable'
import { type CultureState, DRIED, mixCultures, RIPE } from './culture'
import type { JarParameters } from './jarParameters'
import { TYPICAL_JAR } from './jarParameters'
import { firstHoursAt, gasAt } from './milestones'
import { createWorkspace, type Run, simulate, type Vessel } from './simulate'
import { type Stay, timeConstantHours } from './thermal'

/** A levain of 100 % fed 1 : f : f at a temperature. */
function levain(flourPerSeed: number, tempC: number, more: { grams?: number; stays?: readonly Stay[]; seed?: CultureState; mixTempC?: number } = {}): Vessel {
  return {
    start: mixCultures([{ flourGrams: 1, state: more.seed ?? RIPE }], 2 * flourPerSeed, 1),
    massGrams: more.grams ?? 220,
    hydration: 1,
    salt: 0,
    flours: { 'white wheat': 1 },
    mixTempC: more.mixTempC ?? tempC,
    stays: more.stays ?? [{ fromHours: 0, tempC }]
  }
}

const run = (vessel: Vessel, jar: JarParameters = TYPICAL_JAR): Run =>
  simulate(vessel, jar, { untilHours: 240, stopPastPeak: true, workspace: createWorkspace(4000) })

function times(vessel: Vessel): { doubled: number; opens: number; peak: number; closes: number } {
  const m = run(vessel).milestones
  if (m.opensHours === null || m.peakHours === null || m.closesHours === null) throw new Error('It never peaks.')
  return { doubled: m.doubledHours ?? Number.POSITIVE_INFINITY, opens: m.opensHours, peak: m.peakHours, closes: m.closesHours }
}

describe('what bakers see: ripe seed, 100 %, white flour, one temperature', () => {
  test.each(BAKERS_TABLE)('1:%d at %d °C', (ratio, tempC, doubled, opens, peak, closes) => {
    const t = times(levain(ratio, tempC))
    within(t.doubled, doubled)
    within(t.opens, opens)
    within(t.peak, peak)
    within(t.closes, closes)
  })

  const anHourOut: Stay[] = [
    { fromHours: 0, tempC: 22 },
    { fromHours: 1, tempC: 4 }
  ]
  test('1:5:5, 220 g, an hour out, then 4 °C: peaks after 4.5 to 8 days', () => {
    within(times(levain(5, 22, { stays: anHourOut })).peak / 24, [4.5, 8])
  })
  test('1:1:1, 150 g, an hour out, then 4 °C: peaks after 1.8 to 4 days', () => {
    within(times(levain(1, 22, { grams: 150, stays: anHourOut })).peak / 24, [1.8, 4])
  })

  test('1:5:5 at 25 °C, seed taken at the peak of such a build, five times over: it lives on unchanged', () => {
    let seed: CultureState = RIPE
    for (let feed = 0; feed < 5; feed++) {
      const vessel = levain(5, 25, { seed })
      const t = times(vessel)
      within(t.doubled, [3.4, 5.2])
      within(t.opens, [5.6, 7.8])
      within(t.peak, [7, 9.5])
      within(t.closes, [9, 12])
      seed = simulate(vessel, TYPICAL_JAR, { untilHours: t.peak }).end
      within(seed.yeast, [0.8, 1.25])
    }
  })

  const dough = (levainShare: number, tempC: number): Vessel => ({
    ...levain(1, tempC),
    start: mixCultures([{ flourGrams: (levainShare * 100) / 2, state: RIPE }], 100, 1),
    massGrams: 1000,
    hydration: 0.7,
    salt: 0.02
  })
  const reaches = (vessel: Vessel, gas: number) => {
    const { curve } = run(vessel)
    for (let h = 0; h < 24; h += 0.01) if (gasAt(curve, h) >= gas) return h
    return Number.POSITIVE_INFINITY
  }
  test('a dough with 20 % levain and 2 % salt at 25 °C', () => {
    within(reaches(dough(0.2, 25), 0.5), [3.3, 5])
    within(reaches(dough(0.2, 25), 1), [5, 7.5])
  })
  test('the same at 21 °C', () => {
    within(reaches(dough(0.2, 21), 0.5), [4.8, 7.5])
    within(reaches(dough(0.2, 21), 1), [7, 10.5])
  })
  test('with 10 % levain at 25 °C', () => {
    within(reaches(dough(0.1, 25), 0.5), [4.5, 6.5])
  })

  test.each(DOUGH_TABLE)('a dough of 72 %% with 20 %% levain at %d °C', (tempC, half) => {
    within(reaches({ ...dough(0.2, tempC), hydration: 0.72 }, 0.5), half)
  })
  test('a rye tin: 80 %, 35 % of the rye pre-fermented, 28 °C', () => {
    const start = mixCultures([{ flourGrams: 35, state: RIPE }], 65, 1.15)
    within(reaches({ ...dough(0.2, 28), start, hydration: 0.8, flours: { rye: 1 } }, 0.4), [1.2, 2.6])
  })

  test('the same with a levain that has just doubled: 10 to 35 % longer than with one at its peak', () => {
    const { doubled, peak } = times(levain(5, 25))
    const half = (hours: number) => {
      const { end } = simulate(levain(5, 25), TYPICAL_JAR, { untilHours: hours })
      return reaches({ ...dough(0.2, 25), start: mixCultures([{ flourGrams: 10, state: end }], 100, 1), hydration: 0.72 }, 0.5)
    }
    within(half(doubled) / half(peak), [1.1, 1.35])
  })
  test('850 g of it into 4 °C at +50 %: it rises on while it cools, and little after', () => {
    const warm = { ...dough(0.2, 25), hydration: 0.72, massGrams: 850 }
    const chilled = reaches(warm, 0.5)
    const stays = [
      { fromHours: 0, tempC: 25 },
      { fromHours: chilled, tempC: 4 }
    ]
    const { curve } = simulate({ ...warm, stays }, TYPICAL_JAR, { untilHours: chilled + 48, workspace: createWorkspace(4000) })
    const [night, twoDays] = [gasAt(curve, chilled + 12), gasAt(curve, chilled + 48)]
    within(night, [0.6, 1.05])
    within(twoDays, [night - 1e-6, 1.3])
  })

  test.each([
    [28, 5.9, 7.6],
    [31, 5, 7]
  ])('1:5:5 at %d °C peaks after %d to %d h', (tempC, low, high) => {
    within(times(levain(5, tempC)).peak, [low, high])
  })
  test('after the peak at 25 °C a fifth of the gas is gone in 2 to 4.5 h, half in 4.5 to 10', () => {
    const { curve, milestones } = simulate(levain(5, 25), TYPICAL_JAR, { untilHours: 48, workspace: createWorkspace(4000) })
    const fallen = (share: number) => {
      let hours = milestones.peakHours ?? 0
      while (gasAt(curve, hours) > share * milestones.peakGas) hours += 0.01
      return hours - (milestones.peakHours ?? 0)
    }
    within(fallen(0.8), [2, 4.5])
    within(fallen(0.5), [4.5, 10])
  })

  test.each(WET_TABLE)('1:3 of %d: the wetter, the lower, and no sooner', (hydration, rise) => {
    const { milestones } = run({ ...levain(3, 25), hydration })
    within(1 + milestones.peakGas, rise)
    expect(milestones.peakHours).toBeCloseTo(times(levain(3, 25)).peak, 6)
  })
  test('a big rye sour of 200 %, mixed at 29 °C in a room of 20 °C', () => {
    const start = mixCultures([{ flourGrams: 100, state: RIPE }], 1000, 1.15)
    const { milestones } = run({ ...levain(1, 20, { mixTempC: 29 }), start, massGrams: 3300, hydration: 2, flours: { rye: 1 } })
    within(milestones.peakHours ?? 0, [4.5, 9])
    within(1 + milestones.peakGas, [1.2, 1.8])
  })

  test('salt: 5 % of the flour makes it 1.4 to 3 times as late, with 15 % it never doubles', () => {
    const usual = times(levain(5, 25)).peak
    within(times({ ...levain(5, 25), salt: 0.05 }).peak / usual, [1.4, 3])
    expect(run({ ...levain(5, 25), salt: 0.15 }).milestones.doubledHours).toBeNull()
  })

  test('dried flakes, fed 1:10 at 25 °C once a day: they hardly rise at first, and are on time at the third feed', () => {
    const fed = (seed: CultureState, flour: number): Vessel => ({ ...levain(10, 25), start: mixCultures([{ flourGrams: 1, state: seed }], flour, 1) })
    const aDay = (vessel: Vessel) => simulate(vessel, TYPICAL_JAR, { untilHours: 24, workspace: createWorkspace(4000) })
    // Flakes are all flour; from the second feed on the seed is half water.
    const first = aDay(fed(DRIED, 10))
    expect(Math.max(...first.curve.gas.slice(0, first.curve.count))).toBeLessThanOrEqual(0.5)
    const second = aDay(fed(first.end, 20))
    within(times(fed(second.end, 20)).peak / times(levain(10, 25)).peak, [0.75, 1.25])
  })

  test('food eaten in the cold feeds the yeast nearly as well as in the warm', () => {
    const grown = (tempC: number) => {
      const { foodGoneHours } = simulate(levain(2, tempC), TYPICAL_JAR, { untilHours: 1000 })
      return simulate(levain(2, tempC), TYPICAL_JAR, { untilHours: foodGoneHours ?? 0 }).end.yeast
    }
    expect(grown(4)).toBeGreaterThan(0.7 * grown(25))
  })

  test('a cold, week-old seed adds one and a half to four hours at 22 °C', () => {
    const rested = simulate(
      levain(5, 22, {
        stays: [
          { fromHours: 0, tempC: 22 },
          { fromHours: 9, tempC: 4 }
        ]
      }),
      TYPICAL_JAR,
      { untilHours: 9 + 7 * 24 }
    ).end
    within(times(levain(2, 22, { seed: rested })).peak - times(levain(2, 22)).peak, [1.5, 4])
  })

  test('an hour at 50 °C all but kills', () => {
    const { end } = simulate({ ...levain(1, 50), massGrams: 50 }, TYPICAL_JAR, { untilHours: 1 })
    expect(end.yeast).toBeLessThan(0.001)
  })
})

describe('by shape, for any build', () => {
  const ratio = fc.double({ min: 0.5, max: 15, noNaN: true })
  const warmth = fc.double({ min: 16, max: 28, noNaN: true })
  const runs = { numRuns: 40 }

  test('more flour peaks later, and doubles later', () => {
    fc.assert(
      fc.property(ratio, warmth, (f, t) => {
        const [less, more] = [times(levain(f, t)), times(levain(f * 1.3, t))]
        return more.peak > less.peak && more.doubled > less.doubled
      }),
      runs
    )
  })
  test('warmer peaks sooner, up to 31 °C', () => {
    fc.assert(
      fc.property(ratio, fc.double({ min: 16, max: 30, noNaN: true }), (f, t) => times(levain(f, t + 1)).peak < times(levain(f, t)).peak),
      runs
    )
  })
  test('a livelier jar peaks sooner', () => {
    fc.assert(
      fc.property(ratio, warmth, (f, t) => {
        const lively = run(levain(f, t), { ...TYPICAL_JAR, vigour: 1.2 }).milestones.peakHours ?? 0
        return lively < times(levain(f, t)).peak
      }),
      runs
    )
  })
  test('the level never falls below the band, and food never below nothing', () => {
    fc.assert(
      fc.property(ratio, fc.double({ min: -2, max: 48, noNaN: true }), fc.double({ min: 5, max: 20_000, noNaN: true }), (f, t, grams) => {
        const { curve, end } = run(levain(f, t, { grams }))
        return Array.from(curve.gas.slice(0, curve.count)).every((g) => g >= 0 && Number.isFinite(g)) && end.food >= 0
      }),
      runs
    )
  })
  test('from 30 to 250 % hydration it climbs, peaks and falls; the stiffer, the later', () => {
    const at = (hydration: number) => times({ ...levain(4, 24), hydration })
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 2.5, noNaN: true }), (h) => {
        const t = at(h)
        return t.opens < t.peak && t.peak < t.closes
      }),
      runs
    )
    expect(at(0.3).peak).toBeGreaterThan(at(0.5).peak)
    expect(at(0.5).peak).toBeGreaterThan(at(1).peak)
  })
  test('by day and night: a build in a room that swings lies between one at its warmest and one at its coldest', () => {
    const swinging = { ...levain(5, 20), stays: [{ fromHours: 0, tempC: 20, daily: { swingK: 3, warmestHours: 4 } }] }
    const [cold, warm] = [times(levain(5, 17, { mixTempC: 20 })), times(levain(5, 23, { mixTempC: 20 }))]
    expect(times(swinging).peak).toBeLessThan(cold.peak)
    expect(times(swinging).peak).toBeGreaterThan(warm.peak)
  })
  test('what was measured counts: a room that was warmer than expected is sooner', () => {
    const readings = Array.from({ length: 12 }, (_, i) => ({ hours: i, tempC: 25 }))
    const measured = times({ ...levain(5, 20), stays: [{ fromHours: 0, tempC: 20, readings }] })
    expect(measured.peak).toBeLessThan(times(levain(5, 20)).peak - 2)
    expect(measured.peak).toBeGreaterThan(times(levain(5, 25, { mixTempC: 20 })).peak - 0.01)
  })
  test('the wetter above 100 %, the lower', () => {
    fc.assert(
      fc.property(ratio, fc.double({ min: 1, max: 2.8, noNaN: true }), (f, h) => {
        const height = (hydration: number) => run({ ...levain(f, 25), hydration }).milestones.peakGas
        return height(h + 0.2) < height(h)
      }),
      runs
    )
  })
  test('a dough has risen by half the sooner, the more levain it has and, up to 31 °C, the warmer it is; the later, the saltier', () => {
    const half = (levainShare: number, tempC: number, salt: number) => {
      const start = mixCultures([{ flourGrams: levainShare * 50, state: RIPE }], 100, 1)
      return firstHoursAt(run({ ...levain(1, tempC), start, massGrams: 1000, hydration: 0.72, salt }).curve, 0.5) ?? Number.POSITIVE_INFINITY
    }
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        fc.double({ min: 16, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 0.025, noNaN: true }),
        (share, tempC, salt) => {
          const hours = half(share, tempC, salt)
          return half(share * 1.2, tempC, salt) < hours && half(share, tempC + 1, salt) < hours && half(share, tempC, salt + 0.008) > hours
        }
      ),
      runs
    )
  })
  test('what is made, eaten and held stays within bounds for any mix: 5 g to 20 kg, 30 to 300 %, salt and 30 % of sugar, all seed or none', () => {
    const anything = fc.record({
      f: fc.double({ min: 0, max: 100, noNaN: true }),
      tempC: fc.double({ min: 0, max: 45, noNaN: true }),
      massGrams: fc.double({ min: 5, max: 20_000, noNaN: true }),
      hydration: fc.double({ min: 0.3, max: 3, noNaN: true }),
      salt: fc.double({ min: 0, max: 0.2, noNaN: true }),
      sugar: fc.double({ min: 0, max: 0.3, noNaN: true })
    })
    fc.assert(
      fc.property(anything, ({ f, tempC, ...mix }) => {
        const { curve, end } = run({ ...levain(f, tempC), ...mix })
        const levels = Array.from(curve.gas.slice(0, curve.count))
        return levels.every((g) => g >= 0 && g < 4) && end.food >= 0 && end.food <= 1 && Object.values(end).every(Number.isFinite)
      }),
      runs
    )
  })
  test('above 32 °C the hill gets lower', () => {
    const height = (t: number) => run(levain(5, t)).milestones.peakGas
    expect(height(34)).toBeLessThan(height(32))
    expect(height(36)).toBeLessThan(height(34))
  })
})

describe('flour, water and salt', () => {
  const at = (more: Partial<Vessel>) => run({ ...levain(5, 25), ...more }).milestones
  test('rye is faster and lower than white wheat', () => {
    const rye = at({ flours: { rye: 1 } })
    expect(rye.peakHours ?? 99).toBeLessThan(at({}).peakHours ?? 0)
    expect(rye.peakGas).toBeLessThan(1.5)
  })
  test('a stiff one peaks later and holds longer', () => {
    const [stiff, liquid] = [at({ hydration: 0.5 }), at({})]
    expect(stiff.peakHours ?? 0).toBeGreaterThan(liquid.peakHours ?? 99)
    expect((stiff.closesHours ?? 0) - (stiff.opensHours ?? 0)).toBeGreaterThan((liquid.closesHours ?? 0) - (liquid.opensHours ?? 0))
  })
  test('salt slows', () => {
    expect(at({ salt: 0.02 }).peakHours ?? 0).toBeGreaterThan(at({}).peakHours ?? 99)
  })
  test('a blend lies between its flours', () => {
    const half = at({ flours: { rye: 0.5, 'white wheat': 0.5 } }).peakGas
    expect(half).toBeGreaterThan(at({ flours: { rye: 1 } }).peakGas)
    expect(half).toBeLessThan(at({}).peakGas)
  })
})

describe('warmth of the vessel', () => {
  test('50 g in air follows within 0.6 h, 250 g within 1.6 h; a water bath is quicker', () => {
    expect(timeConstantHours(50)).toBeCloseTo(0.6, 10)
    expect(timeConstantHours(250)).toBeCloseTo(1.6, 1)
    expect(timeConstantHours(1000)).toBeGreaterThan(timeConstantHours(250))
    expect(timeConstantHours(250, 'water bath')).toBeLessThan(timeConstantHours(250) / 2)
  })
  test('a mix at 15 °C in a room of 25 °C is late', () => {
    expect(times(levain(5, 25, { mixTempC: 15 })).peak).toBeGreaterThan(times(levain(5, 25)).peak + 0.5)
  })
  test('after three time constants in the fridge little of the warmth is left', () => {
    const { endTempC } = simulate(levain(5, 24, { stays: [{ fromHours: 0, tempC: 4 }] }), TYPICAL_JAR, { untilHours: 3 * timeConstantHours(220) })
    expect(endTempC).toBeCloseTo(4 + 20 * Math.exp(-3), 1)
  })
})

describe('at the limits', () => {
  test('at 0 °C nothing doubles in ten days', () => {
    expect(run(levain(5, 0)).milestones.doubledHours).toBeNull()
  })
  test('at 45 °C it dies without doubling', () => {
    const { milestones, end } = run(levain(5, 45))
    expect(milestones.doubledHours).toBeNull()
    expect(end.yeast).toBeLessThan(0.01)
  })
  test('1:100:100 gets there in the end', () => {
    within(times(levain(100, 25)).peak, [12, 30])
  })
  test('seed alone, stirred down without food, rises less than half as high as when fed', () => {
    expect(run({ ...levain(1, 25), start: RIPE }).milestones.peakGas).toBeLessThan(0.5 * run(levain(1, 25)).milestones.peakGas)
  })
  test('flour and water without seed do nothing', () => {
    expect(run({ ...levain(1, 25), start: mixCultures([], 100, 1) }).milestones.peakGas).toBe(0)
  })
  test('a vessel that stands nowhere is a programmer’s mistake', () => {
    expect(() => run(levain(1, 25, { stays: [] }))).toThrow(RangeError)
  })
  test('a mix without any flour is one, too', () => {
    expect(() => mixCultures([], 0, 1)).toThrow(RangeError)
  })
})

test('densities are shared by flour: one part of seed flour in eleven', () => {
  const mixed = mixCultures([{ flourGrams: 10, state: { ...RIPE, lagWork: 2 } }], 100, 1)
  expect(mixed.yeast).toBeCloseTo(1 / 11, 12)
  expect(mixed.food).toBeCloseTo(10 / 11 + 0.18 / 11, 12)
  expect(mixed.lagWork).toBeCloseTo(2, 12)
})
