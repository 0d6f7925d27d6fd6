import type { z } from 'zod'
import { errorSchema, WINDOW_HEADER, type WireError } from '../../contract'
import { newId } from './newId'

/** The server understood and said no, with a sentence. */
export class Refusal extends Error {
  constructor(readonly detail: WireError) {
    super(detail.message)
  }
}

/** The server did not answer at all. */
export class Unreachable extends Error {
  constructor() {
    super('Olvent’s server does not answer.')
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
/** Answers that mean "not now": a server that is starting, or one that is being asked too much. */
const NOT_NOW: readonly number[] = [429, 502, 503, 504]

/**
 * Asks the server.
 * @param schema shape of the answer
 * @returns the checked answer
 * @throws Unreachable when nobody answers, Refusal when the server says no, ZodError when the answer has another shape
 */
export async function ask<Schema extends z.ZodType>(schema: Schema, { method, path, body }: Request): Promise<z.output<Schema>> {
  const answer = await fetch(path, {
    method,
    signal: AbortSignal.timeout(PATIENCE_MS),
    headers: { [WINDOW_HEADER]: THIS_WINDOW, ...(body === undefined ? {} : { 'Content-Type': 'application/json' }) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) })
  }).catch(() => {
    throw new Unreachable()
  })
  if (NOT_NOW.includes(answer.status)) throw new Unreachable()
  const told: unknown = await answer.json().catch(() => {
    throw new Unreachable()
  })
  if (answer.ok) return schema.parse(told)
  const error = errorSchema.safeParse(told)
  throw new Refusal(error.success ? error.data.error : { code: 'fault', message: 'The server answered in a way that Olvent does not understand.' })
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
