import fc from 'fast-check'
import { hydrationOfRatio, levainComposition, levainNeeded, mixedSeedHydration, ratioOf, readRatio, solveBuild } from './solveBuild'

function solved(wish: Parameters<typeof solveBuild>[0]) {
  const result = solveBuild(wish)
  if (!result.ok) throw new Error(result.problem.code)
  return result.value
}

test('330 g at 125 % from a 100 % seed with three parts of flour', () => {
  const { seed, flour, water } = solved({ totalGrams: 330, hydration: 1.25, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 3 } })
  expect(seed).toBeCloseTo(41.9, 2)
  expect(flour).toBeCloseTo(125.71, 2)
  expect(water).toBeCloseTo(162.38, 2)
})

test('240 g of a stiff levain at 50 %', () => {
  expect(solved({ totalGrams: 240, hydration: 0.5, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 2 } })).toEqual({
    seed: expect.closeTo(64, 9),
    flour: expect.closeTo(128, 9),
    water: expect.closeTo(48, 9),
    salt: 0,
    oil: 0
  })
})

test('1:5:5 of 220 g is 20 : 100 : 100', () => {
  const masses = solved({ totalGrams: 220, hydration: 1, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 5 } })
  expect(masses).toEqual({ seed: expect.closeTo(20, 9), flour: expect.closeTo(100, 9), water: expect.closeTo(100, 9), salt: 0, oil: 0 })
  expect(ratioOf(masses)).toBe('1:5:5')
})

test('a ratio keeps one decimal and no more', () => {
  expect(ratioOf({ seed: 40, flour: 130, water: 162 })).toBe('1:3.3:4.1')
})

test('a wet seed into a stiff build names the least flour that works', () => {
  const result = solveBuild({ totalGrams: 200, hydration: 0.4, seedHydration: 1.5, by: { kind: 'ratio', flourPerSeed: 0.5 } })
  expect(result.ok).toBe(false)
  if (result.ok) return
  expect(result.problem.code).toBe('seed too wet')
  // (1.5 − .4) / (.4 · 2.5) = 1.1
  expect(result.problem.values.leastFlourPerSeed).toBeCloseTo(1.1, 9)
  expect(solved({ totalGrams: 200, hydration: 0.4, seedHydration: 1.5, by: { kind: 'ratio', flourPerSeed: 1.1 } }).water).toBeCloseTo(0, 6)
})

test.each([0, -1, Number.NaN, Number.POSITIVE_INFINITY])('a total of %d is not a build', (totalGrams) => {
  expect(solveBuild({ totalGrams, hydration: 1, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 5 } }).ok).toBe(false)
})

describe('for any build', () => {
  const wish = fc.record({
    totalGrams: fc.double({ min: 5, max: 20_000, noNaN: true }),
    hydration: fc.double({ min: 0.5, max: 2, noNaN: true }),
    seedHydration: fc.double({ min: 0.4, max: 1, noNaN: true }),
    by: fc.record({ kind: fc.constant('ratio' as const), flourPerSeed: fc.double({ min: 0.5, max: 30, noNaN: true }) }),
    salt: fc.double({ min: 0, max: 0.03, noNaN: true }),
    oil: fc.double({ min: 0, max: 0.1, noNaN: true })
  })

  test('mass is conserved and the hydration comes out', () => {
    fc.assert(
      fc.property(wish, (w) => {
        const { seed, flour, water, salt, oil } = solved(w)
        const seedFlour = seed / (1 + w.seedHydration)
        const hydration = (water + seed - seedFlour) / (flour + seedFlour)
        return Math.abs(seed + flour + water + salt + oil - w.totalGrams) < 1e-6 && Math.abs(hydration - w.hydration) < 1e-9
      })
    )
  })

  test('more flour per seed takes less seed', () => {
    fc.assert(fc.property(wish, (w) => solved({ ...w, by: { kind: 'ratio', flourPerSeed: w.by.flourPerSeed * 1.5 } }).seed < solved(w).seed))
  })
})

describe('levain needed', () => {
  test('a little sticks: never less than 5 g', () => {
    expect(levainNeeded([100], 20)).toEqual({ sticks: 5, total: 125 })
  })
  test('3 % of a larger one', () => {
    expect(levainNeeded([200], 30)).toEqual({ sticks: expect.closeTo(6.9, 9), total: expect.closeTo(236.9, 9) })
  })
  test('several doughs are summed', () => {
    expect(levainNeeded([200, 150, 50], 0).total).toBeCloseTo(412, 9)
  })
})

describe('other ways to say how much seed', () => {
  const wish = { totalGrams: 220, hydration: 1, seedHydration: 1 }
  test('20 % inoculation is 1:5:5', () => {
    expect(solved({ ...wish, by: { kind: 'inoculation', share: 0.2 } }).seed).toBeCloseTo(20, 9)
  })
  test('40 g of seed at hand for 220 g is 1:2.25:2.25', () => {
    // (220 − 40) / 2 = 90 g of flour and of water
    expect(solved({ ...wish, by: { kind: 'seed', grams: 40 } })).toMatchObject({
      seed: expect.closeTo(40, 9),
      flour: expect.closeTo(90, 9),
      water: expect.closeTo(90, 9)
    })
  })
  test('more seed than levain is wanted leaves nothing to build', () => {
    const result = solveBuild({ ...wish, by: { kind: 'seed', grams: 230 } })
    expect(result.ok ? '' : result.problem.code).toBe('seed is enough')
  })
})

test('a salted stiff levain: 300 g at 50 %, 1:2, 2 % salt on its flour', () => {
  // per gram of seed 2.5 flour in all; 2.5 · 1.52 = 3.8: seed 78.95, flour 157.89, water 59.21, salt 3.95
  const masses = solved({ totalGrams: 300, hydration: 0.5, seedHydration: 1, by: { kind: 'ratio', flourPerSeed: 2 }, salt: 0.02 })
  expect(masses.seed).toBeCloseTo(78.947, 3)
  expect(masses.flour).toBeCloseTo(157.895, 3)
  expect(masses.water).toBeCloseTo(59.211, 3)
  expect(masses.salt).toBeCloseTo(3.947, 3)
  const inside = levainComposition({ hydration: 0.5, salt: 0.02, oil: 0 })
  expect(inside.salt * 300).toBeCloseTo(masses.salt, 9)
  expect(inside.flour * 300).toBeCloseTo(masses.flour + masses.seed / 2, 9)
})

test('half liquid starter, half stiff old levain: 40 flour to 30 water, say', () => {
  // 30 g at 100 % (15 + 15) and 30 g at 50 % (20 + 10): 25 water on 35 flour
  expect(
    mixedSeedHydration([
      { share: 0.5, hydration: 1 },
      { share: 0.5, hydration: 0.5 }
    ])
  ).toBeCloseTo(25 / 35, 12)
})

test('all three numbers of a ratio give the hydration', () => {
  // 10 seed (5 + 5), 40 flour, 30 water: 35 on 45
  expect(hydrationOfRatio(4, 3, 1)).toBeCloseTo(35 / 45, 12)
})

test.each([
  ['1:4:4', { flourPerSeed: 4, waterPerSeed: 4 }],
  ['1 : 2,5 : 2', { flourPerSeed: 2.5, waterPerSeed: 2 }],
  ['2:5', { flourPerSeed: 2.5, waterPerSeed: null }],
  ['20 + 110 + 90', { flourPerSeed: 5.5, waterPerSeed: 4.5 }],
  ['110 + 110', null],
  ['1:0:1', null],
  ['0:5:5', null],
  ['5', null],
  ['1:5:5:5', null],
  ['one to five', null]
])('the ratio %j', (text, ratio) => {
  expect(readRatio(text)).toEqual(ratio)
})

describe('amounts that are given', () => {
  const given = { kind: 'amounts', seed: 55, flour: 110, water: 110 } as const
  const wish = { totalGrams: 260, hydration: 1, seedHydration: 1, by: given }
  test('stay exactly so, whatever more they make than is wanted', () => {
    expect(solveBuild(wish)).toEqual({ ok: true, value: { seed: 55, flour: 110, water: 110, salt: 0, oil: 0 } })
    expect(solveBuild({ ...wish, hydration: 0.5 })).toMatchObject({ value: { seed: 55, flour: 110, water: 110 } })
  })
  test('salt and oil are of all its flour: 110 and half of 55', () => {
    expect(solveBuild({ ...wish, salt: 0.02 })).toMatchObject({ value: { salt: expect.closeTo(2.75, 9) } })
  })
  test('that make less than is needed are refused with both figures; half a gram is the scale’s doing', () => {
    expect(solveBuild({ ...wish, totalGrams: 300 })).toMatchObject({
      ok: false,
      problem: { code: 'amounts too small', values: { madeGrams: 275, totalGrams: 300 } }
    })
    expect(solveBuild({ ...wish, totalGrams: 275.4 }).ok).toBe(true)
  })
  test.each([{ seed: 0 }, { flour: 0 }, { water: Number.NaN }])('%j is no build', (more) => {
    expect(solveBuild({ ...wish, by: { ...given, ...more } })).toMatchObject({ problem: { code: 'not a number' } })
  })
})

test('what sticks may be said, or be nothing', () => {
  expect([levainNeeded([200], 30, 0), levainNeeded([200], 30, 4)]).toEqual([
    { sticks: 0, total: 230 },
    { sticks: 4, total: 234 }
  ])
})
