import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Logger } from 'pino'
import { isLoopback, namesHere } from './access/addresses'
import { passphraseOf, setPassphrase } from './access/doors'
import { createLines } from './access/lines'
import { createApp } from './app'
import { type Calendars, calendarsOf } from './calendars'
import { type Clock, createClock } from './clock'
import type { Config } from './config'
import { openFolder } from './db/openFolder'
import { takeOver } from './db/takeOver'
import { layDemo } from './demo/layDemo'
import { createHub } from './devices/hub'
import { simulatedDevices } from './devices/simulated'
import { createKeeper } from './keeping/keeper'
import { sweepPictures } from './keeping/pictureFiles'
import { listAddresses } from './records/calendar/calendar'
import { findKitchen } from './records/kitchen/kitchens'
import { readWork, writeWork } from './records/work'
import { StartProblem } from './startProblem'

/** A running kitchen. */
export interface Running {
  readonly address: string
  /** Where other devices of the network open it. */
  readonly addresses: readonly string[]
  /** The kitchen as it was opened; null before the first run. */
  readonly kitchen: { readonly name: string; readonly demo: boolean } | null
  readonly clock: Clock
  /** Lets requests finish, closes the database. */
  stop(): Promise<void>
}

/** What only the program as it runs has. */
export interface Surroundings {
  /** Asks whoever sits at the machine, where the network is to come in for the first time. */
  readonly askPassphrase?: (() => Promise<string>) | undefined
  /** Has calendars worked out beside the server. */
  readonly calendarThread?: ((dataFolder: string) => Calendars) | undefined
}

/**
 * Opens the data folder, lays the demo where asked, and listens.
 * @throws StartProblem when the port is taken or not allowed
 */
export async function start(config: Config, log: Logger, { askPassphrase, calendarThread }: Surroundings = {}): Promise<Running> {
  const clock = createClock(config.fixedNowMs)
  if (config.formerFolder !== null) await takeOver(config.formerFolder, config.dataFolder)
  const opened = await openFolder(config, clock.now())
  const { database } = opened
  if (config.kind === 'demo') await layDemo(database, clock.now())
  const kitchen = await findKitchen(readWork(database, clock.now()))
  if (!isLoopback(config.host)) {
    const work = readWork(database, clock.now())
    try {
      if ((await passphraseOf(work)) === null) {
        if (askPassphrase === undefined) throw new StartProblem('no passphrase', { host: config.host })
        const next = await askPassphrase()
        await writeWork(database, clock.now(), (w) => setPassphrase(w, next, null))
      }
    } catch (error) {
      await opened.close()
      throw error
    }
  }
  const names = isLoopback(config.host) ? [] : namesHere()
  const addresses: string[] = []
  const hub = createHub()
  const adapters = [simulatedDevices(hub, clock)]
  // Nobody looks: nothing is read.
  hub.onListeners((count) => {
    for (const adapter of adapters)
      if (count > 0) adapter.open()
      else adapter.close()
  })
  await sweepPictures(readWork(database, clock.now()), config.dataFolder)
  const keeper = createKeeper({ database, dataFolder: config.dataFolder, clock, log })
  const calendars = calendarThread?.(config.dataFolder) ?? calendarsOf(database)
  const app = createApp({
    keeper,
    calendars,
    database,
    clock,
    folder: config.dataFolder,
    hub,
    adapters,
    live: createLines(),
    addresses,
    log,
    webFolder: config.webFolder,
    hostNames: [...config.hostNames, ...names, config.host]
  })
  const server = await listen(app, config).catch(async (error: unknown) => {
    await keeper.stop()
    await opened.close()
    throw error
  })
  const { port } = server.address() as AddressInfo
  void keeper.tick()
  // Whoever reads the calendar is not to wait until every jar is learned.
  if (calendarThread !== undefined && (await listAddresses(readWork(database, clock.now()))).length > 0)
    calendars.file(null, clock.now()).catch((error: unknown) => log.error({ err: error }, 'calendar failed'))
  addresses.push(...[...config.hostNames, ...names].map((name) => `http://${name}:${port}`))
  return {
    address: `http://${HERE.includes(config.host) ? 'localhost' : config.host}:${port}`,
    addresses,
    clock,
    kitchen: kitchen === null ? null : { name: kitchen.name, demo: kitchen.demo },
    async stop() {
      for (const adapter of adapters) adapter.close()
      await keeper.stop()
      await calendars.stop()
      await new Promise<void>((resolve) => {
        server.close(() => resolve())
        server.closeIdleConnections()
        setTimeout(() => server.closeAllConnections(), 2000).unref()
      })
      await opened.close()
    }
  }
}

/** Listening on these, it answers to localhost. */
const HERE = ['127.0.0.1', '0.0.0.0', '::']

/** Whoever sends slowly does not hold a place for long, ms. A line is kept longer than clients keep theirs, so that none is closed as they speak. */
const LIMITS = { headersTimeout: 15_000, requestTimeout: 60_000, keepAliveTimeout: 65_000, maxHeadersCount: 60, maxConnections: 500 }

function listen(app: ReturnType<typeof createApp>, { host, port }: Config): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, host)
    Object.assign(server, LIMITS)
    server.once('listening', () => resolve(server))
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') reject(new StartProblem('port taken', { port }))
      else if (error.code === 'EACCES') reject(new StartProblem('port not allowed', { port }))
      else if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND') reject(new StartProblem('no such address', { host }))
      else reject(error)
    })
  })
}
