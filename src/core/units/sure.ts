/**
 * What must be there: an element inside its bounds, the last of a list that is never empty.
 * For numbers in a loop write `list[i] ?? NaN`, which costs nothing.
 *
 * @throws RangeError when it is missing: a mistake in the program, never a baker's.
 * @example sure([3, 5].at(-1)) // 5
 */
export function sure<T>(value: T | undefined): T {
  if (value === undefined) throw new RangeError('A value that must be there is missing.')
  return value
}
