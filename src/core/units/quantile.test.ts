import { quantileOf, quantilesOf } from './quantile'

test('a quantile is the first value that so many reach, whatever their order', () => {
  expect(quantileOf([3, 1, 2], 0.5)).toBe(2)
  expect(quantileOf([4, 1, 2, 3], 0.5)).toBe(2)
  expect(quantilesOf([3, 1, 2], [0, 0.05, 0.34, 1])).toEqual([1, 1, 2, 3])
})

test('what is not within the time looked at comes last; nothing has no quantile', () => {
  expect(quantilesOf([1, Number.POSITIVE_INFINITY, 2], [0.5, 0.9])).toEqual([2, Number.POSITIVE_INFINITY])
  expect(quantileOf([], 0.5)).toBeNaN()
})
