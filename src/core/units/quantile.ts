/**
 * Quantile of weighted values, by the first value whose summed weight reaches the share.
 * @param values any order; Infinity stands for "not within the time looked at"
 * @param weights not negative, same length
 * @param share 0 … 1
 * @returns one of the values; NaN when there are none
 * @example weightedQuantile([3, 1, 2], [1, 1, 1], 0.5) // 2
 */
export function weightedQuantile(values: ArrayLike<number>, weights: ArrayLike<number>, share: number): number {
  return weightedQuantiles(values, weights, [share])[0] as number
}

/** Several quantiles of the same values with one sort. */
export function weightedQuantiles(values: ArrayLike<number>, weights: ArrayLike<number>, shares: readonly number[]): number[] {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => (values[a] as number) - (values[b] as number))
  const total = order.reduce((sum, i) => sum + (weights[i] as number), 0)
  return shares.map((share) => {
    let reached = 0
    for (const i of order) {
      reached += weights[i] as number
      if (reached >= share * total - 1e-12) return values[i] as number
    }
    return Number.NaN
  })
}
