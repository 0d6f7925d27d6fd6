import type { RequestHandler } from 'express'
import type { z } from 'zod'
import { idSchema, WINDOW_HEADER } from '../../contract'
import type { Clock } from '../clock'
import type { Database } from '../db/connect'
import type { DeviceAdapter } from '../devices/adapter'
import type { Hub } from '../devices/hub'
import { notFound, parse } from '../problems'
import { readWork, type Work, writeWork } from '../records/work'

/** What every route needs. */
export interface Services {
  readonly database: Database
  readonly clock: Clock
  /** Where data is kept. */
  readonly folder: string
  readonly hub: Hub
  /** Where readings come from. */
  readonly adapters: readonly DeviceAdapter[]
}

/** A route that reads and answers with JSON. */
export function reads(services: Services, answer: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<unknown>): RequestHandler {
  return async (req, res) => {
    res.json(await answer(readWork(services.database, services.clock.now()), req))
  }
}

/** A route that writes in one transaction and answers with JSON; other windows are told. */
export function writes(services: Services, answer: (work: Work, req: Parameters<RequestHandler>[0]) => Promise<unknown>): RequestHandler {
  return async (req, res) => {
    const answered = await writeWork(services.database, services.clock.now(), (work) => answer(work, req))
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
