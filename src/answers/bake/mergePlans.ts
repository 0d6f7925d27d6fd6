import type { Plan } from '../../contract'

/** What two changes of one plan come to. */
export interface MergedPlans {
  /** Both changes; where both changed the same, what is here. */
  readonly mine: Plan
  /** Both changes; where both changed the same, what is there. */
  readonly theirs: Plan
  /** What both changed to different values, like `formula.salt`. */
  readonly clashes: readonly string[]
}

/** Fields that only make sense together: half of one day and half of another is neither. */
const TOGETHER: readonly (readonly (keyof Plan)[])[] = [
  ['mixAt', 'startAt', 'course', 'before', 'bread', 'pins'],
  ['placeId', 'tempC', 'moves']
]

type Value = unknown
type Fields = Readonly<Record<string, Value>>

/**
 * Merges two changes of one plan field by field, lines by their ids.
 * @param base the plan both were made from; null: not known, so whatever differs clashes
 */
export function mergePlans(base: Plan | null, mine: Plan, theirs: Plan): MergedPlans {
  const clashes = new Set<string>()
  const merge = (prefer: 'mine' | 'theirs') => {
    const merged = mergeValues(grouped(base ?? undefined), grouped(mine), grouped(theirs), prefer, '', clashes) as Fields
    const { together, ...rest } = merged
    return Object.assign({}, rest, ...Object.values(together as Readonly<Record<string, string>>).map((part) => JSON.parse(part) as Fields)) as Plan
  }
  return { mine: merge('mine'), theirs: merge('theirs'), clashes: [...clashes].sort() }
}

/** A plan with the fields that belong together as one. */
function grouped(plan: Plan | undefined): Value {
  if (plan === undefined) return undefined
  const rest: Record<string, Value> = { ...plan }
  const together = TOGETHER.map((names) => {
    const part: Record<string, Value> = {}
    for (const name of names) {
      part[name] = plan[name]
      delete rest[name]
    }
    return JSON.stringify(part)
  })
  // As text they are taken or left whole.
  return { ...rest, together: { ...together } }
}

const isFields = (value: Value): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value)
const isSame = (a: Value, b: Value) => JSON.stringify(a) === JSON.stringify(b)

interface WithId {
  readonly id: string
}
const isListById = (value: Value): value is readonly WithId[] => Array.isArray(value) && value.every((one) => isFields(one) && typeof one.id === 'string')

function mergeValues(base: Value, mine: Value, theirs: Value, prefer: 'mine' | 'theirs', path: string, clashes: Set<string>): Value {
  if (isSame(mine, theirs) || isSame(theirs, base)) return mine
  if (isSame(mine, base)) return theirs
  if (isFields(mine) && isFields(theirs)) {
    const before = isFields(base) ? base : {}
    const names = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    return Object.fromEntries(
      names.flatMap((name) => {
        const value = mergeValues(before[name], mine[name], theirs[name], prefer, path === '' ? name : `${path}.${name}`, clashes)
        return value === undefined ? [] : [[name, value]]
      })
    )
  }
  if (isListById(mine) && isListById(theirs) && isListById(base)) return mergeLists(base, mine, theirs, prefer, path, clashes)
  clashes.add(path)
  return prefer === 'mine' ? mine : theirs
}

/** Lists whose entries have ids: what one side added or took away is added or taken away, in the order of that side which moved anything. */
function mergeLists(
  base: readonly WithId[],
  mine: readonly WithId[],
  theirs: readonly WithId[],
  prefer: 'mine' | 'theirs',
  path: string,
  clashes: Set<string>
): Value {
  const find = (list: readonly WithId[], id: string) => list.find((one) => one.id === id)
  const ids = [...new Set([...mine, ...theirs].map(({ id }) => id))]
  return ids.flatMap((id) => {
    const value = mergeValues(find(base, id), find(mine, id), find(theirs, id), prefer, `${path}.${id}`, clashes)
    return value === undefined ? [] : [value]
  })
}
