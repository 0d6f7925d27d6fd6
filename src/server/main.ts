import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { ConfigProblem, readConfig } from './config'
import { StartProblem, start } from './start'

/** The project's folder: two up from dist/server or src/server. */
const root = resolve(dirname(fileURLToPath(import.meta.url)), '..', '..')

async function main(): Promise<void> {
  const config = readConfig(process.env, process.argv.slice(2), root)
  const log = pino({ level: config.logLevel }, pino.destination({ dest: 2, sync: false }))
  const running = await start(config, log)
  process.stdout.write(
    `\n  Olvent is ready: ${running.address}\n  ${config.kind === 'demo' ? 'Lantern Street kitchen (made up, to try things in)' : 'Your own kitchen'}. Stop it with Ctrl+C.\n\n`
  )
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
