import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { createLines } from '../access/lines'
import { createApp } from '../app'
import { calendarsOf } from '../calendars'
import { createClock } from '../clock'
import { openDatabase } from '../db/connect'
import { createHub } from '../devices/hub'
import { createKeeper } from '../keeping/keeper'
import { TEST_NOW } from './testServer'

interface Layered {
  readonly stack: readonly { readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> }; readonly handle: unknown }[]
}

const layered = (thing: unknown): thing is Layered => typeof thing === 'function' && 'stack' in thing

function routesIn({ stack }: Layered): { method: string; path: string }[] {
  return stack.flatMap(({ route, handle }) =>
    route !== undefined
      ? Object.keys(route.methods).map((method) => ({ method: method.toUpperCase(), path: route.path }))
      : layered(handle)
        ? routesIn(handle)
        : []
  )
}

/** All routes of the server, as Express knows them; its clock stands still. */
export async function allRoutes(): Promise<{ readonly method: string; readonly path: string }[]> {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-walk-'))
  const database = await openDatabase(folder)
  const log = pino({ level: 'silent' })
  const clock = createClock(Date.parse(TEST_NOW))
  const { router } = createApp({
    database,
    calendars: calendarsOf(database),
    clock,
    folder,
    hub: createHub(),
    adapters: [],
    live: createLines(),
    keeper: createKeeper({ database, dataFolder: folder, clock, log }),
    addresses: [],
    log,
    webFolder: null,
    hostNames: []
  })
  await database.close()
  await rm(folder, { recursive: true })
  return layered(router) ? routesIn(router) : []
}
