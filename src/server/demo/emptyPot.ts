import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import { msOf } from '../../contract'
import { POTS } from '../../core'
import { discardPot, takeDiscard } from '../records/jars/discard'
import type { Work } from '../records/work'

const WEEK = 7 * 24 * millisecondsInHour
/** Every so many weeks it was thrown away. */
const WASTED_EVERY = 4

/** What was left of feeds became food most weeks, and was thrown away in some. */
export async function emptyPot(work: Work): Promise<void> {
  const { portions } = await discardPot(work)
  for (const pot of POTS) {
    const weeks = new Map<number, number>()
    for (const { since, grams } of portions.filter((portion) => portion.pot === pot)) {
      const week = Math.floor((work.nowMs - msOf(since)) / WEEK)
      if (week > 0) weeks.set(week, (weeks.get(week) ?? 0) + grams)
    }
    for (const [week, grams] of weeks) {
      const at = work.nowMs - week * WEEK + millisecondsInHour
      const went = week % WASTED_EVERY === 0 ? ('thrown away' as const) : ('into food' as const)
      await takeDiscard({ ...work, nowMs: at }, { id: randomUUID(), happenedAt: at, source: 'typed', grams, went, pot })
    }
  }
}
