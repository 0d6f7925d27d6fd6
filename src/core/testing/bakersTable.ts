type Range = readonly [low: number, high: number]

/** What bakers see of a ripe seed, 100 % hydration, white flour, one temperature: ratio, °C, then doubled, opens, peak and closes, h. */
export const BAKERS_TABLE: readonly (readonly [ratio: number, tempC: number, doubled: Range, opens: Range, peak: Range, closes: Range])[] = [
  [1, 25, [1.5, 2.7], [3.2, 4.5], [4, 6], [5.5, 8]],
  [2, 25, [2.2, 3.6], [4, 5.5], [5, 7.2], [6.8, 9.5]],
  [5, 25, [3.4, 5.2], [5.6, 7.8], [7, 9.5], [9, 12]],
  [10, 25, [4.6, 6.8], [7, 9.8], [8.5, 11.5], [10.5, 14]],
  [1, 20, [2.2, 4], [4.8, 7], [6.5, 9], [9, 12.5]],
  [5, 20, [5, 7.6], [9, 12], [11, 14.5], [14, 18.5]],
  [1, 28, [1.3, 2.3], [2.8, 4], [3.6, 5.2], [4.8, 7]]
]

/** The same for a dough of 72 % with 2 % salt and 20 % levain at its peak: hours until it has risen by half. */
export const DOUGH_TABLE: readonly (readonly [tempC: number, half: Range])[] = [
  [18, [6.8, 11]],
  [21, [5, 7.8]],
  [24, [4, 6]],
  [27, [3, 4.6]],
  [30, [2.6, 3.9]]
]

/** Height of the peak of 1:3 white wheat at 25 °C, by hydration. */
export const WET_TABLE: readonly (readonly [hydration: number, rise: Range])[] = [
  [1, [2.6, 3.4]],
  [1.25, [2.1, 2.9]],
  [1.5, [1.5, 2.2]],
  [2, [1.15, 1.6]]
]

/** Fails where a value is outside a range. */
export function within(value: number, [low, high]: Range): void {
  expect(value).toBeGreaterThanOrEqual(low)
  expect(value).toBeLessThanOrEqual(high)
}
