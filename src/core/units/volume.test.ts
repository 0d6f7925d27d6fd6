import { CUP_SIZES, massOfVolume, STARTER_DENSITY } from './volume'

test('a metric cup of spooned flour is 125 to 138 g', () => {
  expect(massOfVolume(CUP_SIZES.metric.cup, [0.5, 0.55])).toEqual({ least: 125, most: expect.closeTo(137.5, 9), middle: expect.closeTo(131.25, 9) })
})
test('a tablespoon of ripe starter is worth little: 5 to 11 g', () => {
  const { least, most } = massOfVolume(CUP_SIZES.metric.tablespoon, STARTER_DENSITY.risen)
  expect([least, most]).toEqual([expect.closeTo(5.25, 9), expect.closeTo(10.5, 9)])
})
test('tablespoons differ', () => {
  expect(CUP_SIZES.Australian.tablespoon / CUP_SIZES.metric.tablespoon).toBeCloseTo(4 / 3, 9)
})
