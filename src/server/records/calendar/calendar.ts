import { millisecondsInDay, millisecondsInMinute } from 'date-fns/constants'
import ical, { ICalAlarmType, type ICalCalendar, ICalCalendarMethod } from 'ical-generator'
import {
  adviceNow,
  awakeAt,
  type Bake,
  type Beliefs,
  beliefIn,
  beliefStamp,
  beliefWithoutLog,
  type Cultures,
  dayOfBake,
  type FeedDue,
  feedDue,
  type HabitualFeed,
  habitualFeed,
  howItShows,
  isItReady,
  learnedFrom,
  minuteOf,
  plannedMoves,
  questionOfBake,
  type Stocked,
  solveBakeHere
} from '../../../answers'
import { isoOf, type Jar, type Kitchen, type WireCalendarAddress } from '../../../contract'
import { alarmsByClock, createFormat, type JarBelief, minutesOf, type Step, USUAL_RISK } from '../../../core'
import { feedBy, feedTitle, moveTitle, programTitle, stepCaution, stepTitle, usualFeedWords, windowTitle } from '../../../words'
import { REFUSE_CALENDAR } from '../../../words/refusals/calendar'
import { THINGS } from '../../../words/refusals/things'
import { plain } from '../../db/rows'
import { notFound, Problem } from '../../problems'
import { findBake, listBakes } from '../bakes/bakes'
import { hashOf, newToken } from '../devices/tokens'
import { jarLog } from '../jars/jarLog'
import { listJars } from '../jars/jars'
import { theKitchen } from '../kitchen/kitchens'
import { pantryIn } from '../shelf/ingredients'
import { listVessels } from '../shelf/vessels'
import type { Work } from '../work'

const MOST_BAKES = 100
/** A reminder stands so long before its step, s. */
const ALARM_BEFORE_SECONDS = 10 * 60
/** A step without hands still wants a line in the calendar, min. */
const LEAST_MINUTES = 5

/** What was learned of jars, by what it was learned from: nobody asks for it often, and it costs a second. */
const learned = new Map<string, JarBelief>()
const KEEP = 200

async function beliefsOf(work: Work, jars: Cultures['jars']): Promise<Beliefs> {
  const beliefs = new Map<string, JarBelief>()
  for (const jar of jars) beliefs.set(jar.id, beliefWithoutLog(jar) ?? (await learnedOf(work, jar)))
  return beliefs
}

/** Learns a jar from its log, letting others be answered in between. */
async function learnedOf(work: Work, jar: Cultures['jars'][number]): Promise<JarBelief> {
  const stamp = beliefStamp(jar)
  const known = learned.get(stamp)
  if (known !== undefined) return known
  const rounds = learnedFrom((await jarLog(work, jar.id)).builds)
  for (;;) {
    const next = rounds.next()
    if (next.done === true) {
      if (learned.size >= KEEP) learned.delete(learned.keys().next().value ?? '')
      learned.set(stamp, next.value)
      return next.value
    }
    await new Promise((go) => setImmediate(go))
  }
}

/** A step of a bake with its words. */
interface Entry {
  readonly step: Step
  readonly title: string
}

/** What is to come of an open bake. */
interface BakeEntries {
  readonly bake: Bake
  readonly entries: readonly Entry[]
  /** What is told of its levain's window; empty where none is on its way. */
  readonly window: { readonly fromMs: number; readonly toMs: number; readonly alarms: ReturnType<typeof alarmsByClock> } | null
}

/** The feed a jar wants. */
interface JarFeed {
  readonly jar: Jar
  readonly due: FeedDue
  readonly usual: HabitualFeed | null
}

/** Feeds of jars are told so far ahead: what a jar wants later may change with the next one. */
const FEEDS_AHEAD_MS = 14 * millisecondsInDay

/** Something else that is to be done with a jar: it is taken to another place, or its program goes on. */
interface JarStep {
  readonly id: string
  readonly atMs: number
  readonly title: string
  readonly says: string
}

/** What is to be done with the jars but feeding them. */
function jarSteps(jars: readonly Jar[], kitchen: Kitchen, nowMs: number): JarStep[] {
  return jars.flatMap((jar): JarStep[] => [
    ...plannedMoves(jar, nowMs).map((move) => ({
      id: `move-${jar.id}-${move.atMs}@olvent`,
      atMs: move.atMs,
      title: moveTitle(jar.name, move, kitchen.places),
      says: jar.name
    })),
    ...(jar.program === null
      ? []
      : [{ id: `program-${jar.program.id}@olvent`, atMs: jar.program.dueAt, title: programTitle(jar.name, jar.program.step), says: jar.program.title }])
  ])
}

/** @param bakeId only this bake; null: all that are open, and the jars */
async function entriesOf(work: Work, bakeId: string | null): Promise<{ kitchen: Kitchen; bakes: BakeEntries[]; feeds: JarFeed[]; others: JarStep[] }> {
  const [kitchen, pantry, vessels, jars] = await Promise.all([theKitchen(work), pantryIn(work), listVessels(work), listJars(work)])
  const open = bakeId === null ? (await listBakes(work, { state: 'open', offset: 0, limit: MOST_BAKES })).bakes : [await findBake(work, bakeId)]
  const stocked: Stocked = { kitchen, pantry, vessels }
  const cultures: Cultures = { jars, beliefs: await beliefsOf(work, jars) }
  const bakes: BakeEntries[] = []
  for (const bake of open) {
    // Others are answered in between.
    await new Promise((go) => setImmediate(go))
    const question = questionOfBake(bake, cultures, work.nowMs)
    const verdict = question === null ? null : isItReady(question)
    const minute = minuteOf(work.nowMs)
    const told = question === null || verdict === null ? null : adviceNow(verdict, question.line.startedAtMs, minute, (ms) => awakeAt(kitchen, ms))
    const { steps } = dayOfBake(bake, { solved: solveBakeHere(bake, cultures, stocked, minute), verdict }, stocked, cultures, minute)
    bakes.push({
      bake,
      entries: steps.map((step): Entry => ({ step, title: stepTitle(bake, step, jars) })),
      window:
        question === null || verdict === null || told?.window == null
          ? null
          : { ...told.window, alarms: alarmsByClock(verdict, question.line.startedAtMs, USUAL_RISK) }
    })
  }
  const plans = bakes.map(({ bake }) => bake.plan)
  const feeds = jars.flatMap((jar): JarFeed[] => {
    if (bakeId !== null) return []
    const due = feedDue(jar, howItShows(jar, beliefIn(cultures.beliefs, jar.id), minuteOf(work.nowMs)), kitchen, plans)
    return due === null || due.atMs > work.nowMs + FEEDS_AHEAD_MS ? [] : [{ jar, due, usual: habitualFeed(jar, kitchen, work.nowMs) }]
  })
  return { kitchen, bakes, feeds, others: bakeId === null ? jarSteps(jars, kitchen, work.nowMs) : [] }
}

const idOf = (bake: Bake, what: string) => `${bake.id}-${what.replace(/ /g, '-')}@olvent`

/**
 * The window of a levain on its way, as every screen tells it, with a word before it may open, as it may, and before it closes.
 * A calendar that follows along times them anew after every look.
 * @returns whether there is one to come
 */
function addWindow(calendar: ICalCalendar, { bake, window }: BakeEntries, nowMs: number): boolean {
  if (window === null || window.toMs <= nowMs) return false
  const event = calendar.createEvent({
    id: idOf(bake, 'window'),
    start: new Date(window.fromMs),
    end: new Date(window.toMs),
    stamp: new Date(nowMs),
    summary: `Should be ready: ${bake.plan.name}`,
    description: REFUSE_CALENDAR.byWhatYouHaveSeen
  })
  for (const { kind, atMs } of window.alarms) event.createAlarm({ type: ICalAlarmType.display, trigger: new Date(atMs), description: windowTitle(bake, kind) })
  return true
}

/** A name could end its line and begin a property of its own. */
const oneLine = (name: string) => name.replace(/\s+/g, ' ')

/**
 * The steps to come as an iCalendar file, each with an alarm, and what the jars want: feeds, moves, steps of programs. Instants are UTC, so every calendar shows them by its own clock.
 * @param bakeId only one bake; null: all that are open
 */
export async function calendarFile(work: Work, bakeId: string | null): Promise<string> {
  const { kitchen, bakes, feeds, others } = await entriesOf(work, bakeId)
  const format = createFormat(kitchen, () => work.nowMs)
  const calendar = ical({
    name: oneLine(kitchen.name),
    prodId: { company: 'Olvent', product: 'Olvent', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 15 * 60
  })
  for (const coming of bakes) {
    const { bake, entries } = coming
    const windowCalls = addWindow(calendar, coming, work.nowMs)
    for (const { step, title } of entries) {
      const event = calendar.createEvent({
        id: idOf(bake, step.id),
        start: new Date(step.atMs),
        end: new Date(step.atMs + Math.max(step.minutes, LEAST_MINUTES) * millisecondsInMinute),
        stamp: new Date(work.nowMs),
        summary: title,
        description: [bake.plan.name, stepCaution(step)].filter((words) => words !== null).join('\n')
      })
      // A running levain is called for by its window, not by the step of mixing.
      if (step.kind !== 'mix' || !windowCalls) event.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_BEFORE_SECONDS, description: title })
    }
  }
  const ofJar = ({ id, atMs, title, says }: JarStep) => {
    // What is overdue is told for when its baker is up next.
    const startMs = atMs > work.nowMs ? atMs : awakeAt(kitchen, work.nowMs)
    const end = new Date(startMs + minutesOf('wake', kitchen) * millisecondsInMinute)
    const event = calendar.createEvent({ id, start: new Date(startMs), end, stamp: new Date(work.nowMs), summary: title, description: says })
    event.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_BEFORE_SECONDS, description: title })
  }
  for (const { jar, due, usual } of feeds) {
    const says = [feedBy(due, work.nowMs, format), usual === null ? null : usualFeedWords(usual, format)].filter((words) => words !== null).join('\n')
    ofJar({ id: `feed-${jar.id}@olvent`, atMs: due.atMs, title: feedTitle(jar.name), says })
  }
  for (const step of others) ofJar(step)
  return calendar.toString()
}

/** The addresses that are open, the newest last. */
export async function listAddresses({ models, transaction }: Work): Promise<WireCalendarAddress[]> {
  const rows = await models.calendarAddresses.findAll({ where: { revokedAtMs: null }, order: [['createdAtMs', 'ASC']], transaction })
  const iso = (ms: number) => isoOf(Number(ms))
  return rows
    .map(plain)
    .map(({ id, name, createdAtMs, readAtMs }) => ({ id, name, createdAt: iso(createdAtMs), readAt: readAtMs === null ? null : iso(readAtMs) }))
}

/** Makes an address. Its token is told this once; only its hash is kept. @returns the token; sent twice, a new one */
export async function makeAddress(work: Work, id: string, name: string): Promise<string> {
  const kitchen = await theKitchen(work)
  const before = await work.models.calendarAddresses.findOne({ where: { id }, transaction: work.transaction })
  if (before !== null && plain(before).revokedAtMs !== null) throw new Problem(409, 'used id', REFUSE_CALENDAR.thisAddressWasWithdrawnMake)
  const token = newToken()
  await work.models.calendarAddresses.upsert(
    { id, kitchenId: kitchen.id, name, tokenHash: hashOf(token), createdAtMs: work.nowMs, readAtMs: null, revokedAtMs: null },
    { transaction: work.transaction }
  )
  return token
}

/** Withdraws an address: whoever has it reads nothing any more. */
export async function revokeAddress({ models, transaction, nowMs }: Work, id: string): Promise<void> {
  const [changed] = await models.calendarAddresses.update({ revokedAtMs: nowMs }, { where: { id, revokedAtMs: null }, transaction })
  if (changed === 0) throw notFound(THINGS.address)
}

/** Notes that the calendar behind a token was read. @throws Problem where it was withdrawn, or never was */
export async function readAt(work: Work, token: string): Promise<void> {
  const where = { tokenHash: hashOf(token), revokedAtMs: null }
  const [found] = await work.models.calendarAddresses.update({ readAtMs: work.nowMs }, { where, transaction: work.transaction })
  if (found === 0) throw notFound(THINGS.calendar)
}
