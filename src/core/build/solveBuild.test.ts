import fc from 'fast-check'
import { levainNeeded, ratioOf, solveBuild } from './solveBuild'

function solved(wish: Parameters<typeof solveBuild>[0]) {
  const result = solveBuild(wish)
  if (!result.ok) throw new Error(result.problem.code)
  return result.value
}

test('330 g at 125 % from a 100 % seed with three parts of flour', () => {
  const { seed, flour, water } = solved({ totalGrams: 330, hydration: 1.25, seedHydration: 1, flourPerSeed: 3 })
  expect(seed).toBeCloseTo(41.9, 2)
  expect(flour).toBeCloseTo(125.71, 2)
  expect(water).toBeCloseTo(162.38, 2)
})

test('240 g of a stiff levain at 50 %', () => {
  expect(solved({ totalGrams: 240, hydration: 0.5, seedHydration: 1, flourPerSeed: 2 })).toEqual({
    seed: expect.closeTo(64, 9),
    flour: expect.closeTo(128, 9),
    water: expect.closeTo(48, 9)
  })
})

test('1:5:5 of 220 g is 20 : 100 : 100', () => {
  const masses = solved({ totalGrams: 220, hydration: 1, seedHydration: 1, flourPerSeed: 5 })
  expect(masses).toEqual({ seed: expect.closeTo(20, 9), flour: expect.closeTo(100, 9), water: expect.closeTo(100, 9) })
  expect(ratioOf(masses)).toBe('1:5:5')
})

test('a ratio keeps one decimal and no more', () => {
  expect(ratioOf({ seed: 40, flour: 130, water: 162 })).toBe('1:3.3:4.1')
})

test('a wet seed into a stiff build names the least flour that works', () => {
  const result = solveBuild({ totalGrams: 200, hydration: 0.4, seedHydration: 1.5, flourPerSeed: 0.5 })
  expect(result.ok).toBe(false)
  if (result.ok) return
  expect(result.problem.code).toBe('seed too wet')
  // (1.5 − .4) / (.4 · 2.5) = 1.1
  expect(result.problem.values.leastFlourPerSeed).toBeCloseTo(1.1, 9)
  expect(solved({ totalGrams: 200, hydration: 0.4, seedHydration: 1.5, flourPerSeed: 1.1 }).water).toBeCloseTo(0, 6)
})

test.each([0, -1, Number.NaN, Number.POSITIVE_INFINITY])('a total of %d is not a build', (totalGrams) => {
  expect(solveBuild({ totalGrams, hydration: 1, seedHydration: 1, flourPerSeed: 5 }).ok).toBe(false)
})

describe('for any build', () => {
  const wish = fc.record({
    totalGrams: fc.double({ min: 5, max: 20_000, noNaN: true }),
    hydration: fc.double({ min: 0.5, max: 2, noNaN: true }),
    seedHydration: fc.double({ min: 0.4, max: 1, noNaN: true }),
    flourPerSeed: fc.double({ min: 0.5, max: 30, noNaN: true })
  })

  test('mass is conserved and the hydration comes out', () => {
    fc.assert(
      fc.property(wish, (w) => {
        const { seed, flour, water } = solved(w)
        const seedFlour = seed / (1 + w.seedHydration)
        const hydration = (water + seed - seedFlour) / (flour + seedFlour)
        return Math.abs(seed + flour + water - w.totalGrams) < 1e-6 && Math.abs(hydration - w.hydration) < 1e-9
      })
    )
  })

  test('more flour per seed takes less seed', () => {
    fc.assert(fc.property(wish, (w) => solved({ ...w, flourPerSeed: w.flourPerSeed * 1.5 }).seed < solved(w).seed))
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
