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
  /** More came back every so often than are taken. */
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
  let cut = false
  const all = root.getAllSubcomponents('vevent').map((component) => new lib.Event(component))
  // A turn that was moved stands as an entry of its own and takes the place of the one it moved.
  for (const event of all)
    if (event.isRecurrenceException()) all.find((other) => other.uid === event.uid && !other.isRecurrenceException())?.relateException(event)
  for (const event of all) {
    if (event.isRecurrenceException() && all.some((other) => other.uid === event.uid && !other.isRecurrenceException())) continue
    for (const { item, start, end } of turnsOf(event, toMs, timeZone)) {
      if (isFree(item)) continue
      if (start.isDate) {
        wholeDays++
        continue
      }
      const zone = zoneOf(item, timeZone)
      const [from, to] = [instantOf(start, zone), instantOf(end, zone)]
      if (to <= from || to <= fromMs || from >= toMs) continue
      if (times.length === MOST_TIMES) cut = true
      else times.push({ name: (item.summary ?? '').trim().slice(0, 80) || 'Busy', kind: 'out', fromMs: from, toMs: to })
    }
  }
  if (times.length === 0 && wholeDays === 0) return problem('nothing in it')
  const name = root.getFirstPropertyValue('x-wr-calname')
  return ok({ name: typeof name === 'string' ? name : '', times: times.sort((a, b) => a.fromMs - b.fromMs), wholeDays, cut })
}

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
