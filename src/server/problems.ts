import 'pino-http'
import type { NextFunction, Request, RequestHandler, Response } from 'express'
import type { z } from 'zod'
import { fieldSentences, type ProblemCode } from '../contract'
import { REFUSE_SERVER } from '../words/refusals/server'

/** Something a caller did that cannot be: becomes the one error shape. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: ProblemCode,
    message: string,
    readonly more: { fields?: Record<string, string>; current?: unknown } = {}
  ) {
    super(message)
  }
}

export const notFound = (what: string) => new Problem(404, 'not found', REFUSE_SERVER.notInThisKitchenMay(what))

/** Parses or throws a 400 with sentences by field. */
export function parse<Schema extends z.ZodType>(schema: Schema, value: unknown): z.output<Schema> {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const fields = fieldSentences(parsed.error)
  const sentences = Object.values(fields)
  throw new Problem(400, 'not understood', sentences.slice(0, 3).join(' ') || REFUSE_SERVER.thisCouldNotBeUnderstood, { fields })
}

/** Errors of Express and of ours in the one shape; anything else is a fault of ours and is logged. */
export function errorHandler(error: unknown, req: Request, res: Response, next: NextFunction): void {
  if (res.headersSent) {
    next(error)
    return
  }
  const known = error instanceof Problem ? error : (diskProblem(error) ?? bodyProblem(error))
  if (known === null) {
    req.log?.error({ err: error }, 'request failed')
    res.status(500).json({ error: { code: 'fault', message: REFUSE_SERVER.somethingWentWrongInOlvent } })
    return
  }
  res.status(known.status).json({ error: { code: known.code, message: known.message, ...known.more } })
}

/** A disk that is full says so in several ways; whoever sent this keeps it and sends it again. */
function diskProblem(error: unknown): Problem | null {
  const { code, parent } = error as { code?: string; parent?: { code?: string } }
  if (!['ENOSPC', 'EDQUOT', 'SQLITE_FULL'].includes(parent?.code ?? code ?? '')) return null
  return new Problem(507, 'disk full', REFUSE_SERVER.diskOlventsComputerFullSo)
}

/** What the body parser and the router say, as sentences. */
function bodyProblem(error: unknown): Problem | null {
  if (!(error instanceof Error)) return null
  const { type, status } = error as Error & { type?: string; status?: number }
  if (type === 'entity.too.large') return new Problem(413, 'too large', REFUSE_SERVER.thisMoreThanOlventTakes)
  if (type === 'entity.parse.failed') return new Problem(400, 'not json', REFUSE_SERVER.thisNotReadableJsonNothing)
  if (status !== undefined && status >= 400 && status < 500) return new Problem(status, 'not understood', REFUSE_SERVER.thisRequestCouldNotBe)
  return null
}

/** An unknown address below /api. */
export const apiNotFound: RequestHandler = () => {
  throw new Problem(404, 'no such address', REFUSE_SERVER.olventHasNothingAtThis)
}
