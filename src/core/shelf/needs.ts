import { millisecondsInHour } from 'date-fns/constants'

const MS_PER_DAY = 24 * millisecondsInHour
/** A jar whose habit is not known is fed so often, h. */
const UNKNOWN_HABIT_HOURS = 24 * 7
/** Feeds are never planned closer together than this, h. */
const CLOSEST_HOURS = 6

/** Something that will be taken from the shelf. */
export interface ComingUse {
  readonly ingredientId: string
  readonly grams: number
  readonly atMs: number
  /** The bake or the jar. */
  readonly forWhat: string
}

/** A jar's habit of being fed. */
export interface FeedHabit {
  readonly name: string
  readonly lastMs: number
  /** Hours between feeds; null when it was fed once. */
  readonly everyHours: number | null
  readonly flours: readonly { readonly ingredientId: string; readonly grams: number }[]
}

/**
 * What the feeds of a jar will take, if it goes on being fed as it was.
 * @param untilMs not included
 * @returns in the order of time; a feed that is overdue is due now
 */
export function comingFeeds({ name, lastMs, everyHours, flours }: FeedHabit, nowMs: number, untilMs: number): ComingUse[] {
  const every = Math.max(everyHours ?? UNKNOWN_HABIT_HOURS, CLOSEST_HOURS) * millisecondsInHour
  const uses: ComingUse[] = []
  for (let at = Math.max(lastMs + every, nowMs); at < untilMs; at += every) {
    for (const { ingredientId, grams } of flours) uses.push({ ingredientId, grams, atMs: at, forWhat: name })
  }
  return uses
}

/** What is on the shelf and what will be taken of it. */
export interface ShelfNeed {
  readonly ingredientId: string
  /** g; null: never counted. */
  readonly grams: number | null
  /** Taken in all until the horizon, g. */
  readonly takenGrams: number
  /** The use that it no longer covers; null while it lasts, or when it was never counted. */
  readonly runsOut: ComingUse | null
  /** Grams that are missing until the horizon. */
  readonly missingGrams: number
}

/**
 * What coming uses take and when something runs out.
 * @param stock grams by ingredient; null for what was never counted
 * @param uses any order
 * @returns by ingredient: those that run out first at first, then those that take most
 */
export function shelfNeeds(stock: ReadonlyMap<string, number | null>, uses: readonly ComingUse[]): ShelfNeed[] {
  const ids = new Set([...stock.keys(), ...uses.map((u) => u.ingredientId)])
  const inOrder = [...uses].sort((a, b) => a.atMs - b.atMs)
  return [...ids]
    .map((ingredientId): ShelfNeed => {
      const own = inOrder.filter((u) => u.ingredientId === ingredientId)
      const grams = stock.get(ingredientId) ?? null
      const takenGrams = own.reduce((sum, u) => sum + u.grams, 0)
      let left = Math.max(grams ?? 0, 0)
      const runsOut =
        grams === null
          ? null
          : (own.find((u) => {
              left -= u.grams
              return left < -0.5
            }) ?? null)
      return { ingredientId, grams, takenGrams, runsOut, missingGrams: grams === null ? 0 : Math.max(takenGrams - Math.max(grams, 0), 0) }
    })
    .sort((a, b) => (a.runsOut?.atMs ?? Number.POSITIVE_INFINITY) - (b.runsOut?.atMs ?? Number.POSITIVE_INFINITY) || b.takenGrams - a.takenGrams)
}

/** How far ahead the shelf is looked at, days. */
export const SHELF_DAYS = 28
/** Until when, ms. */
export const shelfHorizon = (nowMs: number) => nowMs + SHELF_DAYS * MS_PER_DAY
