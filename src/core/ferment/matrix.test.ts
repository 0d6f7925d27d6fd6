import { cholesky, invert, solveCholesky } from './matrix'

test('triangle, solution and inverse of a small matrix worked by hand', () => {
  expect(
    cholesky([
      [4, 2],
      [2, 5]
    ])
  ).toEqual([
    [2, 0],
    [1, 2]
  ])
  // 4x + 2y = 10, 2x + 5y = 13
  expect(
    solveCholesky(
      [
        [2, 0],
        [1, 2]
      ],
      [10, 13]
    )
  ).toEqual([1.5, 2])
  const inverse = invert([
    [4, 2],
    [2, 5]
  ])
  expect(inverse[0]?.[0]).toBeCloseTo(5 / 16, 12)
  expect(inverse[0]?.[1]).toBeCloseTo(-2 / 16, 12)
  expect(inverse[1]?.[1]).toBeCloseTo(4 / 16, 12)
})

test('what is known exactly stays so', () => {
  expect(
    cholesky([
      [0, 0],
      [0, 9]
    ])
  ).toEqual([
    [0, 0],
    [0, 3]
  ])
})
