import { sure } from '../units/sure'

/** Small symmetric matrices, as learning needs them: a handful of parameters, no library. */
type Matrix = readonly (readonly number[])[]

/**
 * Lower triangle L with L Lᵀ = the matrix.
 * @param matrix symmetric, not negative; rows of nothing stay nothing
 * @example cholesky([[4, 2], [2, 5]]) // [[2, 0], [1, 2]]
 */
export function cholesky(matrix: Matrix): number[][] {
  const size = matrix.length
  const lower = Array.from({ length: size }, () => new Array<number>(size).fill(0))
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = sure(matrix[i])[j] ?? NaN
      for (let k = 0; k < j; k++) sum -= (sure(lower[i])[k] ?? NaN) * (sure(lower[j])[k] ?? NaN)
      const pivot = sure(lower[j])[j] ?? NaN
      sure(lower[i])[j] = i === j ? Math.sqrt(Math.max(sum, 0)) : pivot > 0 ? sum / pivot : 0
    }
  }
  return lower
}

/**
 * Solves L Lᵀ x = right for the triangle of `cholesky`.
 * @param lower with a positive diagonal
 */
export function solveCholesky(lower: Matrix, right: readonly number[]): number[] {
  const size = lower.length
  const x = [...right]
  for (let i = 0; i < size; i++) {
    for (let k = 0; k < i; k++) x[i] = (x[i] ?? NaN) - (sure(lower[i])[k] ?? NaN) * (x[k] ?? NaN)
    x[i] = (x[i] ?? NaN) / (sure(lower[i])[i] ?? NaN)
  }
  for (let i = size - 1; i >= 0; i--) {
    for (let k = i + 1; k < size; k++) x[i] = (x[i] ?? NaN) - (sure(lower[k])[i] ?? NaN) * (x[k] ?? NaN)
    x[i] = (x[i] ?? NaN) / (sure(lower[i])[i] ?? NaN)
  }
  return x
}

/**
 * Inverse of a symmetric positive matrix.
 * @example invert([[2, 0], [0, 4]]) // [[0.5, 0], [0, 0.25]]
 */
export function invert(matrix: Matrix): number[][] {
  const lower = cholesky(matrix)
  return matrix.map((_, column) =>
    solveCholesky(
      lower,
      matrix.map((__, row) => (row === column ? 1 : 0))
    )
  )
}
