import { millisecondsInDay } from 'date-fns/constants'
import type { RequestHandler } from 'express'
import type { z } from 'zod'
import { idSchema, isoSchema, msOf, NOTED_HEADER, WINDOW_HEADER, WRITE_HEADER } from '../../contract'
import { callerOf } from '../access/gate'
import type { Lines } from '../access/lines'
import type { Calendars } from '../calendars'
import type { Clock } from '../clock'
import type { Database } from '../db/connect'
import type { DeviceAdapter } from '../devices/adapter'
import type { Hub } from '../devices/hub'
import type { Keeper } from '../keeping/keeper'
import { notFound, parse } from '../problems'
import { sentOnce } from '../records/sentOnce'
import { readTogether, readWork, type Work, writeWork } from '../records/work'

/** What every route needs. */
export interface Services {
  readonly database: Database
  readonly clock: Clock
  /** Where data is kept. */
  readonly folder: string
  readonly hub: Hub
  /** Where readings come from. */
  readonly adapters: readonly DeviceAdapter[]
  /** Keeps copies of the kitchen. */
  readonly keeper: Keeper
  /** Makes calendar files. */
  readonly calendars: Calendars
  /** Live lines of open windows. */
  readonly live: Lines
  /** Addresses at which other devices of the network open it; none while only this machine may. */
  readonly addresses: readonly string[]
}

/** A route that reads one thing that is only ever added to, and answers with JSON: no transaction, which costs a connection of its own. */
export function readsLog(services: Services, answer: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<unknown>): RequestHandler {
  return async (req, res) => {
    res.json(await answer(readWork(services.database, services.clock.now()), req))
  }
}

/** A route that reads what belongs together, all of it as it is at one moment, and answers with JSON. */
export function reads(services: Services, answer: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<unknown>): RequestHandler {
  return async (req, res) => {
    res.json(await readTogether(services.database, services.clock.now(), (work) => answer(work, req)))
  }
}

/** So far a clock may have been set back; what is said to be noted later than that is not believed. */
const CLOCK_SET_BACK_MS = 7 * millisecondsInDay

/** The moment a write belongs to: now, or later by the clock of whoever noted it and had to wait. */
function momentOf(req: Parameters<RequestHandler>[0], nowMs: number): number {
  const noted = isoSchema.safeParse(req.get(NOTED_HEADER))
  const notedMs = noted.success ? msOf(noted.data) : nowMs
  return notedMs > nowMs && notedMs <= nowMs + CLOCK_SET_BACK_MS ? notedMs : nowMs
}

/** Id of a write: that of its sender, or of what it carries. */
function writeId(req: Parameters<RequestHandler>[0]): string | null {
  const parsed = idSchema.safeParse(req.get(WRITE_HEADER) ?? (req.body as { id?: unknown } | undefined)?.id)
  return parsed.success ? parsed.data : null
}

/**
 * A route that writes in one transaction and answers with JSON; sent twice it counts once; other windows are told.
 * @param options `secret`: its answer tells what is kept nowhere
 */
export function writes(
  services: Services,
  answer: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<unknown>,
  { secret = false } = {}
): RequestHandler {
  return async (req, res) => {
    const sent = { id: writeId(req), method: req.method, path: req.path, body: req.body as unknown }
    const answered = await writeWork(
      services.database,
      momentOf(req, services.clock.now()),
      (work) => sentOnce(work, sent, () => answer(work, req), secret),
      callerOf(res).name
    )
    services.hub.publish({ type: 'changed', path: req.path, window: req.get(WINDOW_HEADER) ?? null })
    res.json(answered)
  }
}

/** The id in the address; an ill-formed one is simply not there. */
export function idIn(req: Parameters<RequestHandler>[0], what: string): string {
  const parsed = idSchema.safeParse(req.params.id)
  if (!parsed.success) throw notFound(what)
  return parsed.data
}

/** A route that does what its body says, and answers with what it is about as it is then. */
export function deed<T>(
  services: Services,
  schema: z.ZodType<T>,
  act: (work: Work, body: T) => Promise<void>,
  tell: (work: Work) => Promise<unknown>
): RequestHandler {
  return writes(services, async (work, req) => {
    await act(work, parse(schema, req.body))
    return tell(work)
  })
}

/** A route that changes one thing, named in its address, and answers with it as it is then. */
export function changes(
  services: Services,
  what: string,
  find: (work: Work, id: string) => Promise<unknown>,
  change: (work: Work, id: string, body: unknown) => Promise<unknown>
): RequestHandler {
  return writes(services, async (work, req) => {
    const id = idIn(req, what)
    await change(work, id, req.body)
    return find(work, id)
  })
}
