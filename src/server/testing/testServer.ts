import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { formulaFor } from '../../testing/loaves'
import { readConfig } from '../config'
import { type Running, start } from '../start'

export { formulaFor }

/** The moment at which tests stand, unless they move it: a Thursday evening. */
export const TEST_NOW = '2026-11-26T19:42:00.000Z'

/** Any JSON, to be looked into by a test. */
// biome-ignore lint/suspicious/noExplicitAny: a test states what it expects of an answer, whatever its shape
export type Loose = any

/** What came back. */
export interface Answer {
  readonly status: number
  readonly body: Loose
  readonly headers: Headers
}

/** A kitchen on a real file in a folder of its own. */
export interface TestServer {
  readonly address: string
  readonly folder: string
  /** Sends JSON; gives status and parsed answer. */
  send(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Answer>
  /** The kitchen as it was opened. */
  readonly kitchen: Running['kitchen']
  /** Stops it and opens the same folder again. */
  restart(): Promise<void>
  /** Stops it; the folder stays. */
  stop(): Promise<void>
  /** Stops it and takes the folder away. */
  end(): Promise<void>
}

/** Starts a kitchen over HTTP; `demo` lays Lantern Street; in a folder of its own unless one is given; `hosts`: other names it is called by. */
export async function startTestServer({ demo = false, now = TEST_NOW as string | null, folder: given = '', hosts = '' } = {}): Promise<TestServer> {
  const folder = given === '' ? await mkdtemp(join(tmpdir(), 'olvent-')) : given
  const open = (): Promise<Running> =>
    start(
      readConfig(
        { OLVENT_DATA: folder, PORT: '0', OLVENT_HOSTS: hosts, ...(now === null ? {} : { OLVENT_NOW: now }) },
        demo ? ['--demo', '--no-web'] : ['--no-web'],
        folder
      ),
      pino({ level: 'silent' })
    )
  let running = await open()
  return {
    get address() {
      return running.address
    },
    folder,
    get kitchen() {
      return running.kitchen
    },
    async send(method, path, body, headers = {}) {
      const response = await fetch(running.address + path, {
        method,
        headers: { ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...headers },
        body: body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body)
      })
      return { status: response.status, body: await response.json().catch(() => null), headers: response.headers }
    },
    async restart() {
      await running.stop()
      running = await open()
    },
    stop: () => running.stop(),
    async end() {
      await running.stop()
      await rm(folder, { recursive: true, force: true })
    }
  }
}

let counter = 0

/** A fresh id, the same in every run. */
export function testId(): string {
  counter++
  return `00000000-0000-4000-8000-${counter.toString(16).padStart(12, '0')}`
}

/** Answers of a first run: a white jar of 100 g, fed in the morning. */
export function firstRun(more: Record<string, unknown> = {}): Record<string, unknown> {
  return {
    id: testId(),
    timeZone: 'Europe/Lisbon',
    roomTempC: 22,
    sleep: { from: '22:30', to: '06:30' },
    jar: { id: testId(), name: 'Pip', flour: 'white wheat', hydration: 1, grams: 100, lastFedAt: '2026-11-26T08:00:00.000Z' },
    ...more
  }
}

/** So many pieces of one weight. */
export const piecesOf = (count: number, grams: number) => ({ kind: 'pieces', pieces: [{ count, grams }], handlingLoss: 0.02, bakeLoss: null })

/** A levain of white flour at 1:5:5. */
export function buildWith(more: Record<string, unknown> = {}): Record<string, unknown> {
  return {
    source: 'separate build',
    by: { kind: 'ratio', flourPerSeed: 5 },
    hydration: 1,
    salt: 0,
    oil: 0,
    flours: [{ ingredientId: 'white wheat', share: 1 }],
    keepBackGrams: 20,
    older: { share: 0.5, hydration: 1 },
    vesselId: null,
    alsoFor: [],
    ...more
  }
}

/** A plan for two loaves in the kitchen of that first run. */
export async function planFor(server: TestServer, more: Record<string, unknown> = {}): Promise<Record<string, unknown>> {
  const { kitchen } = (await server.send('GET', '/api/kitchen')).body
  const { jars } = (await server.send('GET', '/api/jars')).body
  return {
    name: 'Two loaves',
    target: piecesOf(2, 780),
    formula: formulaFor(),
    build: buildWith(),
    jarId: jars[0].id,
    placeId: kitchen.places[0].id,
    tempC: 22,
    mixTempC: 24,
    school: 'dome',
    mixAt: '2026-11-27T18:00:00.000Z',
    ...more
  }
}
