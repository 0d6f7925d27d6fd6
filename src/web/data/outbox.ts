import { z } from 'zod'
import { create } from 'zustand'
import { isoOf, isoSchema, type ProblemCode } from '../../contract'
import { ask, NotNow, Refusal, type Request } from './api'
import { nowMs } from './clock'
import { keep, kept } from './storage'

/** A write on its way: it is sent again until the server has said yes or no. */
const entrySchema = z.object({
  id: z.string(),
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string(),
  body: z.unknown().optional(),
  /** What it is about, for whoever hears of a refusal after a reload. */
  of: z.string().optional(),
  /** When it was noted, ISO 8601. */
  noted: isoSchema.optional(),
  /** How often the server has failed over it. */
  failed: z.number().default(0),
  /** It could not be sent at once. */
  waited: z.boolean().default(true),
  /** Its caller keeps it over a reload and sees to a refusal. */
  volatile: z.boolean().default(false)
})
export type Entry = z.infer<typeof entrySchema>

/** An entry that waited, and that the server does not take as it is: it stays until somebody has said what becomes of it. */
const refusedSchema = entrySchema.extend({ why: z.string(), fields: z.record(z.string(), z.string()).optional() })
export type RefusedEntry = z.infer<typeof refusedSchema>

/** Who waits for the answer to an entry; nobody after a reload. */
interface Waiting {
  readonly answered: (answer: unknown) => void
  readonly refused: (error: unknown) => void
}

const KEPT = 'olvent.outbox'
const TRAY = 'olvent.tray'
/** A server that is away is asked again after this, and then more and more seldom, ms. */
const TRY_AGAIN_MS = 2000
const TRY_AGAIN_AT_MOST_MS = 8000
/** One entry that the server fails over so often does not hold up the others any longer. */
const FAILURES_BORNE = 4

const waiting = new Map<string, Waiting>()
let flushing: Promise<void> | null = null
let timer: ReturnType<typeof setTimeout> | undefined
let tries = 0

interface OutboxView {
  readonly entries: readonly Entry[]
  /** Why nothing can be sent just now; null while it can. */
  readonly held: NotNow['reason'] | null
  readonly tray: readonly RefusedEntry[]
}

/** What waits, what was refused, and whether the server is away. */
export const useOutbox = create<OutboxView>(() => ({ entries: keptEntries(), held: null, tray: keptTray() }))

function keptEntries(): Entry[] {
  return kept(KEPT, z.array(entrySchema)) ?? []
}

function keptTray(): RefusedEntry[] {
  return kept(TRAY, z.array(refusedSchema)) ?? []
}

/** Changes what is kept without touching what another window keeps there. */
const keepEntries = (change: (there: Entry[]) => Entry[]): void => keep(KEPT, change(keptEntries()))

function putTray(change: (there: readonly RefusedEntry[]) => RefusedEntry[]): void {
  const tray = change(keptTray())
  keep(TRAY, tray)
  useOutbox.setState({ tray })
}

const refusals = new Set<(error: unknown, entry: Request) => boolean>()

/**
 * Hears of writes that were refused when nobody waits for them any more.
 * @param listener says whether it sees to the entry; one that nobody sees to goes to the tray
 * @returns ends the listening
 */
export function onRefusal(listener: (error: unknown, entry: Request) => boolean): () => void {
  refusals.add(listener)
  return () => {
    refusals.delete(listener)
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
  const entry: Entry = { id, ...request, noted: isoOf(nowMs()), failed: 0, waited: false, volatile }
  useOutbox.setState(({ entries }) => ({ entries: [...entries, entry] }))
  if (!volatile) keepEntries((there) => [...there, entry])
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

/** Sends what waits, in order; ends when nothing waits or the server cannot take it now. */
export function flush(): Promise<void> {
  clearTimeout(timer)
  flushing ??= sendAll()
  return flushing
}

async function sendAll(): Promise<void> {
  await null
  for (let entry = useOutbox.getState().entries[0]; entry !== undefined; entry = useOutbox.getState().entries[0]) {
    try {
      const { id, noted } = entry
      const answer = await ask(z.unknown(), entry, { id, ...(entry.waited && noted !== undefined ? { noted } : {}) })
      settle(entry)
      waiting.get(entry.id)?.answered(answer)
      waiting.delete(entry.id)
      tries = 0
    } catch (error) {
      if (error instanceof NotNow) {
        if (!notNow(entry, error)) continue
        flushing = null
        return
      }
      settle(entry)
      refuse(entry, error)
      tries = 0
    }
  }
  // Before anyone hears of it: what is sent from now on begins anew.
  flushing = null
  useOutbox.setState({ held: null })
}

/**
 * The server cannot take an entry now: it is kept and sent again.
 * @returns whether the others wait along
 */
function notNow(entry: Entry, error: NotNow): boolean {
  const failed = entry.failed + (error.reason === 'failing' ? 1 : 0)
  if (failed >= FAILURES_BORNE) {
    settle(entry)
    refuse({ ...entry, waited: true }, error)
    return false
  }
  const waits = (e: Entry): Entry => ({ ...e, waited: true, failed: e.id === entry.id ? failed : e.failed })
  useOutbox.setState(({ entries }) => ({ entries: entries.map(waits), held: error.reason }))
  keepEntries((there) => there.map((e) => (e.id === entry.id ? waits(e) : e)))
  timer = setTimeout(() => void flush(), Math.min(TRY_AGAIN_AT_MOST_MS, TRY_AGAIN_MS * 2 ** Math.min(tries, 5)))
  tries++
  return true
}

/** An entry waits no more. */
function settle(entry: Entry): void {
  useOutbox.setState(({ entries }) => ({ entries: entries.filter((e) => e !== entry), held: null }))
  keepEntries((there) => there.filter((e) => e.id !== entry.id))
}

/** Refusals that every caller sees to as long as it is there. */
const SEEN_TO_BY_CALLER: readonly ProblemCode[] = ['poured already', 'stale']

/** The server says no. Whoever stands before the screen is told there; an entry that had to wait goes to the tray. */
function refuse(entry: Entry, error: unknown): void {
  const waits = waiting.get(entry.id)
  waiting.delete(entry.id)
  waits?.refused(error)
  const detail = error instanceof Refusal ? error.detail : undefined
  const seenTo =
    waits === undefined
      ? [...refusals].map((hear) => hear(error, entry)).includes(true)
      : !entry.waited || (detail !== undefined && SEEN_TO_BY_CALLER.includes(detail.code))
  if (seenTo || entry.volatile) return
  const why = error instanceof Error ? error.message : String(error)
  putTray((there) => [...there.filter((e) => e.id !== entry.id), { ...entry, why, ...(detail?.fields === undefined ? {} : { fields: detail.fields }) }])
}

/** Sends an entry of the tray again, as it is or mended. */
export function sendAgain({ why: _why, fields: _fields, ...entry }: RefusedEntry, body: unknown = entry.body): void {
  putTray((there) => there.filter((e) => e.id !== entry.id))
  const again: Entry = { ...entry, body, failed: 0, waited: true }
  useOutbox.setState(({ entries }) => ({ entries: [...entries, again] }))
  keepEntries((there) => [...there, again])
  void flush()
}

/** Throws an entry of the tray away. @returns puts it back */
export function throwAway(entry: RefusedEntry): () => Promise<void> {
  putTray((there) => there.filter((e) => e.id !== entry.id))
  return async () => putTray((there) => [...there, entry])
}

/** Reads after every write of this window, so that what was just done is never missing from the answer. */
export async function read<Schema extends z.ZodType>(schema: Schema, path: string): Promise<z.output<Schema>> {
  if (useOutbox.getState().entries.length > 0) await flush()
  return ask(schema, { method: 'GET', path })
}
