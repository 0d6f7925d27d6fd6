import type { Database } from './db/connect'
import { calendarFile } from './records/calendar/calendar'
import { readWork } from './records/work'

/** Makes calendar files. */
export interface Calendars {
  /**
   * The steps to come as an iCalendar file.
   * @param bakeId of a bake that is there; null: all that are open
   */
  file(bakeId: string | null, nowMs: number): Promise<string>
  stop(): Promise<void>
}

/** Makes them in the thread that asks. */
export const calendarsOf = (database: Database): Calendars => ({
  file: (bakeId, nowMs) => calendarFile(readWork(database, nowMs), bakeId),
  stop: async () => undefined
})
