import type { z } from 'zod'
import { errorSchema, NOTED_HEADER, WINDOW_HEADER, type WireError, WRITE_HEADER } from '../../contract'
import { API } from '../../words/screens/data'
import { newId } from './newId'

/** The server understood and said no, with a sentence. */
export class Refusal extends Error {
  constructor(readonly detail: WireError) {
    super(detail.message)
  }
}

/** Why the server cannot take something now. */
const NOT_NOW_WORDS = {
  away: API.olventsServerDoesNotAnswer,
  failing: API.olventsServerFailedOverThis,
  'disk full': API.diskOlventsComputerFull,
  'signed out': API.thisDeviceSignedOut
}

/** The server neither took it nor refused it: it may be sent again. */
export class NotNow extends Error {
  constructor(readonly reason: keyof typeof NOT_NOW_WORDS = 'away') {
    super(NOT_NOW_WORDS[reason])
  }
}

/** A request that has no body, or one that is sent as JSON. */
export interface Request {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  readonly path: string
  readonly body?: unknown
  /** Id of what a write is about. */
  readonly of?: string
}

/** Names this window among those of the household. */
export const THIS_WINDOW = newId()

/** Longest wait for an answer of a server in the same house, ms. */
const PATIENCE_MS = 15_000
/** Answers of a server that is starting, or that is being asked too much. */
const AWAY: readonly number[] = [429, 502, 503, 504]
const FAILED = 500
const UNKNOWN = 401
const DISK_FULL = 507

/**
 * Asks the server.
 * @param schema shape of the answer
 * @param write for a write: its id, and when it was noted where it had to wait
 * @returns the checked answer
 * @throws NotNow when it can be asked again, Refusal when the server says no, ZodError when the answer has another shape
 */
export async function ask<Schema extends z.ZodType>(
  schema: Schema,
  { method, path, body }: Request,
  write?: { readonly id: string; readonly noted?: string }
): Promise<z.output<Schema>> {
  const answer = await fetch(path, {
    method,
    signal: AbortSignal.timeout(PATIENCE_MS),
    headers: {
      [WINDOW_HEADER]: THIS_WINDOW,
      ...(write === undefined ? {} : { [WRITE_HEADER]: write.id }),
      ...(write?.noted === undefined ? {} : { [NOTED_HEADER]: write.noted }),
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' })
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) })
  }).catch(() => {
    throw new NotNow()
  })
  if (AWAY.includes(answer.status)) throw new NotNow()
  if (answer.status === DISK_FULL) throw new NotNow('disk full')
  if (answer.status >= FAILED) throw new NotNow('failing')
  const told: unknown = await answer.json().catch(() => {
    throw new NotNow()
  })
  if (answer.ok) return schema.parse(told)
  const error = errorSchema.safeParse(told)
  if (answer.status === UNKNOWN && error.data?.error.code === 'sign in') throw new NotNow('signed out')
  throw new Refusal(error.success ? error.data.error : { code: 'fault', message: API.serverAnsweredInWayThat })
}

/** Sends something that goes on to be sent while the page is gone; nobody hears the answer. */
export function askLast({ method, path, body }: Request): void {
  void fetch(path, {
    method,
    keepalive: true,
    headers: { [WINDOW_HEADER]: THIS_WINDOW, 'Content-Type': 'application/json' },
    body: JSON.stringify(body)
  }).catch(() => undefined)
}
