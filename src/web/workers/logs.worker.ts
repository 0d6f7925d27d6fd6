import { expose } from 'comlink'
import { readCalendar, readReadings } from '../../core'

/** Reads long logs and calendars, so that the window stays usable meanwhile. */
const reader = { readReadings, readCalendar }
export type LogReader = typeof reader

expose(reader)
