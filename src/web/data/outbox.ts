import { z } from 'zod'
import { ask, type Request, Unreachable } from './api'

/** A write on its way: it is sent again until the server has said yes or no. */
const entrySchema = z.object({
  id: z.string(),
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string(),
  body: z.unknown().optional(),
  /** What it is about, for whoever hears of a refusal after a reload. */
  of: z.string().optional()
})
type Entry = z.infer<typeof entrySchema>

/** Who waits for the answer to an entry; nobody after a reload. */
interface Waiting {
  readonly answered: (answer: unknown) => void
  readonly refused: (error: unknown) => void
}

const KEPT = 'olvent.outbox'
const TRY_AGAIN_MS = 2000

let entries: readonly Entry[] = kept()
const waiting = new Map<string, Waiting>()
let unreachable = false
let flushing: Promise<void> | null = null
let timer: ReturnType<typeof setTimeout> | undefined

/** How many writes wait, and whether the server is away. */
export interface OutboxView {
  readonly waiting: number
  readonly unreachable: boolean
}

let view: OutboxView = { waiting: entries.length, unreachable }
const listeners = new Set<() => void>()

function show(): void {
  view = { waiting: entries.length, unreachable }
  for (const listener of listeners) listener()
}

/** State of the outbox for the notice in the frame. */
export const outboxStore = {
  subscribe(listener: () => void): () => void {
    listeners.add(listener)
    return () => listeners.delete(listener)
  },
  view: () => view
}

const refusals = new Set<(error: unknown, entry: Request) => void>()

/**
 * Hears of writes that were refused after a reload, when nobody waits for them any more.
 * @returns ends the listening
 */
export function onRefusal(listener: (error: unknown, entry: Request) => void): () => void {
  refusals.add(listener)
  return () => {
    refusals.delete(listener)
  }
}

function kept(): Entry[] {
  try {
    return z.array(entrySchema).parse(JSON.parse(localStorage.getItem(KEPT) ?? '[]'))
  } catch {
    return []
  }
}

/** Changes what is kept without touching what another window keeps there. */
function keep(change: (there: Entry[]) => Entry[]): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(change(kept())))
  } catch {
    // A full or forbidden storage: the entry still waits in this window.
  }
}

/**
 * Sends a write after all that were sent before it, as often as it takes.
 * @param id makes it safe to send twice
 * @param schema shape of the answer
 * @param request what to send
 * @param options `volatile`: kept by its caller over a reload, so not here
 * @returns the server's answer
 * @throws Refusal when the server says no
 */
export function send<Schema extends z.ZodType>(
  id: string,
  schema: Schema,
  request: Request & { readonly method: Entry['method'] },
  { volatile = false } = {}
): Promise<z.output<Schema>> {
  const entry: Entry = { id, ...request }
  entries = [...entries, entry]
  if (!volatile) keep((there) => [...there, entry])
  show()
  return new Promise((answered, refused) => {
    waiting.set(id, {
      answered: (answer) => {
        const parsed = schema.safeParse(answer)
        if (parsed.success) answered(parsed.data)
        else refused(parsed.error)
      },
      refused
    })
    void flush()
  })
}

/** Sends what waits, in order; ends when nothing waits or the server is away. */
export function flush(): Promise<void> {
  clearTimeout(timer)
  flushing ??= sendAll().finally(() => {
    flushing = null
    show()
  })
  return flushing
}

async function sendAll(): Promise<void> {
  for (let entry = entries[0]; entry !== undefined; entry = entries[0]) {
    try {
      const answer = await ask(z.unknown(), entry)
      unreachable = false
      forget(entry)
      waiting.get(entry.id)?.answered(answer)
    } catch (error) {
      if (error instanceof Unreachable) {
        unreachable = true
        timer = setTimeout(() => void flush(), TRY_AGAIN_MS)
        return
      }
      unreachable = false
      forget(entry)
      const waits = waiting.get(entry.id)
      if (waits !== undefined) waits.refused(error)
      else for (const hear of refusals) hear(error, entry)
    } finally {
      if (entries[0] !== entry) waiting.delete(entry.id)
    }
  }
}

function forget(entry: Entry): void {
  entries = entries.filter((e) => e !== entry)
  keep((there) => there.filter((e) => e.id !== entry.id))
}

/** Reads after every write of this window, so that what was just done is never missing from the answer. */
export async function read<Schema extends z.ZodType>(schema: Schema, path: string): Promise<z.output<Schema>> {
  if (entries.length > 0) await flush()
  return ask(schema, { method: 'GET', path })
}
