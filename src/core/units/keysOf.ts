/*
 * Object.keys and its kin with the types of the record they are given.
 * For records that hold their declared keys only, as tables and parsed values do: TypeScript cannot know that, these say so once.
 */

type Key<Of extends object> = keyof Of & string

/** @example keysOf({ white: 80, rye: 20 }) // ['white', 'rye'], typed as these two words */
export const keysOf = <Of extends object>(record: Of): Key<Of>[] => Object.keys(record) as Key<Of>[]

/** Keys with their values; a value that may be left out counts as present, since only present ones are listed. */
export const entriesOf = <Of extends object>(record: Of): [Key<Of>, Exclude<Of[Key<Of>], undefined>][] =>
  Object.entries(record) as [Key<Of>, Exclude<Of[Key<Of>], undefined>][]

/** @example recordOf(['rising', 'past'], () => 0) // { rising: 0, past: 0 } */
export const recordOf = <K extends string, V>(keys: readonly K[], make: (key: K, index: number) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key, index) => [key, make(key, index)])) as Record<K, V>
