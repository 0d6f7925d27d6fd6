/**
 * Quantile of values that count alike: the first of them that so large a share reaches.
 * @param values any order; Infinity stands for "not within the time looked at"
 * @param share 0 … 1
 * @returns one of the values; NaN when there are none
 * @example quantileOf([3, 1, 2], 0.5) // 2
 */
export function quantileOf(values: ArrayLike<number>, share: number): number {
  return quantilesOf(values, [share])[0] ?? NaN
}

/** Several quantiles of the same values with one sort. */
export function quantilesOf(values: ArrayLike<number>, shares: readonly number[]): number[] {
  const order = orderOf(values)
  return shares.map((share) => values[order[Math.max(Math.ceil(share * order.length - 1e-9) - 1, 0)] ?? NaN] ?? NaN)
}

/** Steps into which the range of the values is cut for sorting. */
const STEPS = 2 ** 36

/** Places of the values from the lowest to the highest. Value and place are packed into one number each, since numbers sort many times faster than a comparison. */
export function orderOf(values: ArrayLike<number>): Float64Array {
  const count = values.length
  let low = Number.POSITIVE_INFINITY
  let high = Number.NEGATIVE_INFINITY
  for (let i = 0; i < count; i++) {
    const value = values[i] ?? NaN
    if (value < low) low = value
    if (value > high && Number.isFinite(value)) high = value
  }
  const perStep = high > low ? (STEPS - 1) / (high - low) : 0
  const packed = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const value = values[i] ?? NaN
    const step = Number.isFinite(value) ? Math.round((value - low) * perStep) : STEPS
    packed[i] = step * count + i
  }
  packed.sort()
  for (let i = 0; i < count; i++) packed[i] = (packed[i] ?? NaN) % count
  return packed
}
