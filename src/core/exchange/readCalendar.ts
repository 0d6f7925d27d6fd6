import { millisecondsInDay } from 'date-fns/constants'
import type ICAL from 'ical.js'
import type { BusyOnce } from '../schedule/availability'
import { instantAt } from '../schedule/nights'
import { ok, problem, type Result } from '../units/result'

/** What a calendar file says of the times that are taken. */
export interface ReadCalendar {
  /** What the calendar calls itself; empty where it does not. */
  readonly name: string
  /** In the order of time, between the two moments asked for. */
  readonly times: readonly BusyOnce[]
  /** Days that are marked as a whole: they say nothing about hours. */
  readonly wholeDays: number
  /** There are more than are taken; those that come soonest are. */
  readonly cut: boolean
}

export type CalendarProblem = 'not a calendar' | 'nothing in it'

/** Times taken from one file at most, and turns followed of one that comes back. */
const MOST_TIMES = 300
const MOST_TURNS = 2000

/**
 * Reads busy times from an iCalendar file; what comes back every week is laid out one by one. Free and cancelled entries are no times.
 * @param text the file
 * @param fromMs first moment that counts
 * @param toMs last moment
 * @param timeZone of entries that name none, IANA
 * Source: RFC 5545; the file's own time zones are taken where they are no IANA names.
 */
export async function readCalendar(text: string, fromMs: number, toMs: number, timeZone: string): Promise<Result<ReadCalendar, CalendarProblem>> {
  // Fetched when a calendar is read: nobody else needs it.
  const { default: lib } = await import('ical.js')
  let root: ICAL.Component
  try {
    root = new lib.Component(lib.parse(text) as ConstructorParameters<typeof ICAL.Component>[0])
  } catch {
    return problem('not a calendar')
  }
  if (root.name !== 'vcalendar') return problem('not a calendar')
  for (const zone of root.getAllSubcomponents('vtimezone')) lib.TimezoneService.register(zone)
  const times: BusyOnce[] = []
  let wholeDays = 0
  // Told that there are none, an entry does not look through all others for its exceptions: that would take minutes for years of entries.
  const all = root.getAllSubcomponents('vevent').map((component) => new lib.Event(component, { exceptions: [] }))
  const whole = new Map(all.filter((event) => !event.isRecurrenceException()).map((event) => [event.uid, event]))
  // A turn that was moved stands as an entry of its own and takes the place of the one it moved.
  for (const event of all) if (event.isRecurrenceException()) whole.get(event.uid)?.relateException(event)
  for (const event of all) {
    if (event.isRecurrenceException() && whole.has(event.uid)) continue
    for (const { item, start, end } of turnsOf(event, toMs, timeZone)) {
      if (roughMs(end) < fromMs - NEAR_MS || roughMs(start) > toMs + NEAR_MS || isFree(item)) continue
      if (start.isDate) {
        wholeDays++
        continue
      }
      const zone = zoneOf(item, timeZone)
      const [from, to] = [instantOf(start, zone), instantOf(end, zone)]
      if (to <= from || to <= fromMs || from >= toMs) continue
      times.push({ name: (item.summary ?? '').trim().slice(0, 80) || 'Busy', kind: 'out', fromMs: from, toMs: to })
    }
  }
  if (times.length === 0 && wholeDays === 0) return problem('nothing in it')
  const name = root.getFirstPropertyValue('x-wr-calname')
  times.sort((a, b) => a.fromMs - b.fromMs)
  return ok({ name: typeof name === 'string' ? name : '', times: times.slice(0, MOST_TIMES), wholeDays, cut: times.length > MOST_TIMES })
}

/** Wherever on earth a clock is read, its instant lies nearer than this to what it would be in UTC. */
const NEAR_MS = 2 * millisecondsInDay

/** An instant near to this one. To find the exact one costs much more, which of most entries of years nobody needs. */
const roughMs = ({ year, month, day, hour, minute }: ICAL.Time) => Date.UTC(year, month - 1, day, hour, minute)

interface Turn {
  readonly item: ICAL.Event
  readonly start: ICAL.Time
  readonly end: ICAL.Time
}

function turnsOf(event: ICAL.Event, toMs: number, timeZone: string): Turn[] {
  if (!event.isRecurring()) return [{ item: event, start: event.startDate, end: event.endDate }]
  const turns: Turn[] = []
  const iterator = event.iterator()
  for (let next = iterator.next(), n = 0; next !== undefined && next !== null && n < MOST_TURNS; next = iterator.next(), n++) {
    const { item, startDate, endDate } = event.getOccurrenceDetails(next)
    turns.push({ item, start: startDate, end: endDate })
    if (instantOf(startDate, zoneOf(event, timeZone)) > toMs) break
  }
  return turns
}

function isFree({ component }: ICAL.Event): boolean {
  return component.getFirstPropertyValue('transp') === 'TRANSPARENT' || component.getFirstPropertyValue('status') === 'CANCELLED'
}

/** The zone an entry names; the kitchen's where it names none. */
function zoneOf({ component }: ICAL.Event, timeZone: string): string {
  const named = component.getFirstProperty('dtstart')?.getParameter('tzid')
  return typeof named === 'string' ? named : timeZone
}

const isIana = (zone: string) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

function instantOf(time: ICAL.Time, zone: string): number {
  if (time.zone?.tzid === 'UTC') return time.toUnixTime() * 1000
  const two = (n: number) => String(n).padStart(2, '0')
  if (isIana(zone)) return instantAt(time.year, time.month, time.day, `${two(time.hour)}:${two(time.minute)}`, zone)
  return time.toUnixTime() * 1000
}
