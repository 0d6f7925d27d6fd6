/**
 * Quantile of weighted values, by the first value whose summed weight reaches the share.
 * @param values any order; Infinity stands for "not within the time looked at"
 * @param weights not negative, same length
 * @param share 0 … 1
 * @returns one of the values; NaN when there are none
 * @example weightedQuantile([3, 1, 2], [1, 1, 1], 0.5) // 2
 */
export function weightedQuantile(values: ArrayLike<number>, weights: ArrayLike<number>, share: number): number {
  return weightedQuantiles(values, weights, [share])[0] ?? NaN
}

/** Several quantiles of the same values with one sort; `shares` in rising order. */
export function weightedQuantiles(values: ArrayLike<number>, weights: ArrayLike<number>, shares: readonly number[]): number[] {
  const order = orderOf(values)
  let total = 0
  for (let i = 0; i < values.length; i++) total += weights[i] ?? NaN
  let reached = 0
  let next = -1
  return shares.map((share) => {
    while (next < order.length - 1 && (next === -1 || reached < share * total - 1e-12)) {
      next++
      reached += weights[order[next] ?? NaN] ?? NaN
    }
    return next === -1 ? Number.NaN : (values[order[next] ?? NaN] ?? NaN)
  })
}

/** Steps into which the range of the values is cut for sorting. */
const STEPS = 2 ** 36

/** Places of the values from the lowest to the highest. Value and place are packed into one number each, since numbers sort many times faster than a comparison. */
function orderOf(values: ArrayLike<number>): Float64Array {
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
