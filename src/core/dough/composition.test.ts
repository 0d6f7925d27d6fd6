import { compose, FLOUR, levainOf, SALT, trueValues, WATER } from './composition'
import { doughForPieces } from './pieces'

test('true values count what is inside the levain', () => {
  const truth = trueValues([
    { grams: 900, composition: FLOUR },
    { grams: 600, composition: WATER },
    { grams: 20, composition: SALT },
    { grams: 200, composition: levainOf(1) }
  ])
  expect(truth.flourGrams).toBe(1000)
  expect(truth.waterGrams).toBe(700)
  expect(truth.hydration).toBeCloseTo(0.7, 12)
  expect(truth.salt).toBeCloseTo(0.02, 12)
  expect(truth.totalGrams).toBe(1720)
})

test('a salted soaker inside a dough, two levels deep', () => {
  const soaker = compose([
    { grams: 50, composition: FLOUR },
    { grams: 100, composition: WATER },
    { grams: 2, composition: SALT }
  ])
  const half = compose([
    { grams: 76, composition: soaker },
    { grams: 24, composition: FLOUR }
  ])
  expect(half.flour).toBeCloseTo(0.49, 12)
  expect(half.water).toBeCloseTo(0.5, 12)
  expect(half.salt).toBeCloseTo(0.01, 12)
})

test('nothing cannot be composed, and a bowl without flour has no hydration', () => {
  expect(() => compose([])).toThrow(RangeError)
  expect(trueValues([{ grams: 100, composition: WATER }]).hydration).toBe(0)
})

test('eighteen rolls and a crown, with 2 % left on bowl and hands', () => {
  expect(
    doughForPieces([
      { count: 18, grams: 65 },
      { count: 1, grams: 900 }
    ])
  ).toBeCloseTo(2070 / 0.98, 9)
  expect(doughForPieces([{ count: 2, grams: 780 }], 0.02)).toBeCloseTo(1591.84, 2)
  expect(doughForPieces([{ count: 2, grams: 780 }], 0)).toBe(1560)
})
