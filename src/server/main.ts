import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { isOfTheKitchen, TERMINAL } from '../words'
import { askPassphrase } from './askPassphrase'
import { calendarsInThread } from './calendarsInThread'
import { ConfigProblem, readConfig } from './config'
import { newPassphrase } from './newPassphrase'
import { tellInBrowser } from './problemPage'
import { restore } from './restore'
import { start } from './start'
import { StartProblem } from './startProblem'
import { exportTo, importFrom } from './takeAlongByHand'

const here = dirname(fileURLToPath(import.meta.url))
/** The project's folder: two up from dist/server. */
const root = resolve(here, '..', '..')

const calendarThread = join(here, 'calendarThread.js')

const say = (words: string): void => void process.stdout.write(`\n  ${words}\n\n`)

async function main(): Promise<void> {
  // What is kept here is for this user alone.
  process.umask(0o077)
  const [command, ...rest] = process.argv.slice(2)
  const config = readConfig(process.env, process.argv.slice(2), root)
  if (command === 'restore') return say(await restore(config, rest))
  if (command === 'export') return say(await exportTo(config, rest))
  if (command === 'import') return say(await importFrom(config, rest))
  const log = pino({ level: config.logLevel }, pino.destination({ dest: 2, sync: false }))
  if (command === 'passphrase') return say(await newPassphrase(config))
  const running = await start(config, log, {
    askPassphrase: config.atHome && process.stdin.isTTY ? askPassphrase : undefined,
    // Run from its sources, while it is worked on, there is no thread's program.
    calendarThread: existsSync(calendarThread) ? (dataFolder) => calendarsInThread(calendarThread, dataFolder) : undefined
  }).catch(async (error: unknown) => {
    if (!(error instanceof StartProblem) || !isOfTheKitchen(error.code) || config.webFolder === null) throw error
    const address = await tellInBrowser(config, error.message)
    if (address === null) throw error
    say(TERMINAL.sameAtAddress(error.message, address))
    return null
  })
  if (running === null) return
  const { kitchen, addresses } = running
  const elsewhere = addresses.length === 0 ? '' : TERMINAL.onYourPhone(addresses.slice(0, 2).join(' or '))
  const which = kitchen === null ? TERMINAL.newKitchen : kitchen.demo ? TERMINAL.madeUpKitchen(kitchen.name) : TERMINAL.yourKitchen(kitchen.name)
  say(TERMINAL.ready(running.address, elsewhere, which, config.dataFolder))
  let stopping = false
  const stop = (signal: string) => {
    if (stopping) return
    stopping = true
    log.info({ signal }, 'stopping')
    running.stop().then(
      () => process.exit(0),
      () => process.exit(1)
    )
  }
  process.on('SIGINT', () => stop('SIGINT'))
  process.on('SIGTERM', () => stop('SIGTERM'))
}

main().catch((error: unknown) => {
  if (error instanceof ConfigProblem || error instanceof StartProblem) process.stderr.write(`\n  ${error.message}\n\n`)
  else process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`)
  process.exit(1)
})
