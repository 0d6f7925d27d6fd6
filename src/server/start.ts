import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Logger } from 'pino'
import { createApp } from './app'
import { type Clock, createClock } from './clock'
import type { Config } from './config'
import { openDatabase } from './db/connect'
import { layDemo } from './demo/layDemo'
import { createHub } from './devices/hub'
import { simulatedDevices } from './devices/simulated'

/** A running kitchen. */
export interface Running {
  readonly address: string
  readonly clock: Clock
  /** Lets requests finish, closes the database. */
  stop(): Promise<void>
}

/** A start that cannot be, with a sentence for whoever started the program. */
export class StartProblem extends Error {}

/**
 * Opens the data folder, lays the demo where asked, and listens.
 * @throws StartProblem when the port is taken or not allowed
 */
export async function start(config: Config, log: Logger): Promise<Running> {
  const clock = createClock(config.fixedNowMs)
  const database = await openDatabase(config.dataFolder)
  if (config.kind === 'demo') await layDemo(database, clock.now(), config.fresh)
  const hub = createHub()
  const adapters = [simulatedDevices(hub, clock)]
  // Nobody looks: nothing is read.
  hub.onListeners((count) => {
    for (const adapter of adapters)
      if (count > 0) adapter.open()
      else adapter.close()
  })
  const app = createApp({
    database,
    clock,
    folder: config.dataFolder,
    hub,
    adapters,
    log,
    webFolder: config.webFolder,
    hostNames: [...config.hostNames, config.host]
  })
  const server = await listen(app, config).catch(async (error: unknown) => {
    await database.close()
    throw error
  })
  const { port } = server.address() as AddressInfo
  return {
    address: `http://${config.host === '127.0.0.1' ? 'localhost' : config.host}:${port}`,
    clock,
    async stop() {
      for (const adapter of adapters) adapter.close()
      await new Promise<void>((resolve) => {
        server.close(() => resolve())
        server.closeIdleConnections()
        setTimeout(() => server.closeAllConnections(), 2000).unref()
      })
      await database.close()
    }
  }
}

function listen(app: ReturnType<typeof createApp>, { host, port }: Config): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, host)
    server.once('listening', () => resolve(server))
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE')
        reject(new StartProblem(`Port ${port} is taken. Perhaps Olvent is running already? Close it, or choose another: PORT=${port + 1}.`))
      else if (error.code === 'EACCES') reject(new StartProblem(`Port ${port} may not be opened by this user. Choose one above 1024, for example PORT=4300.`))
      else if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
        reject(new StartProblem(`This machine has no address ${host}. Leave HOST away, or give one it has.`))
      else reject(error)
    })
  })
}
