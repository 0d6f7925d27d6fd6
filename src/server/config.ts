import { isAbsolute, join } from 'node:path'

/** Which of the two kitchens this server opens. */
export type KitchenKind = 'own' | 'demo'

/** All that comes from outside, read once at the start. */
export interface Config {
  readonly host: string
  readonly port: number
  readonly kind: KitchenKind
  /** Folder of the database and of what will stand beside it. */
  readonly dataFolder: string
  /** Folder of the built web part; null while a dev server gives it out. */
  readonly webFolder: string | null
  /** The clock stands still here, ms; null: real time. */
  readonly fixedNowMs: number | null
  /** Lay the demo kitchen again. */
  readonly fresh: boolean
  readonly logLevel: string
  /** Names besides the machine's own under which it may be called, e.g. on a home network. */
  readonly hostNames: readonly string[]
}

/** A setting that cannot be used, with a sentence for whoever started the program. */
export class ConfigProblem extends Error {}

/**
 * Reads the settings.
 * @param env environment, as in process.env
 * @param args words after the command
 * @param root folder of the project
 * @throws ConfigProblem with a clear sentence
 */
export function readConfig(env: Readonly<Record<string, string | undefined>>, args: readonly string[], root: string): Config {
  const kind: KitchenKind = args.includes('--demo') ? 'demo' : 'own'
  const portText = env.PORT ?? (kind === 'demo' ? '4310' : '4300')
  const port = Number(portText)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new ConfigProblem(`PORT has to be a whole number from 0 to 65535, not "${portText}".`)
  let fixedNowMs: number | null = null
  if (env.OLVENT_NOW !== undefined && env.OLVENT_NOW !== '') {
    fixedNowMs = Date.parse(env.OLVENT_NOW)
    if (Number.isNaN(fixedNowMs)) throw new ConfigProblem(`OLVENT_NOW has to be an instant like 2026-11-27T07:40:00Z, not "${env.OLVENT_NOW}".`)
  }
  const folder = env.OLVENT_DATA ?? join('data', kind)
  return {
    host: env.HOST ?? '127.0.0.1',
    port,
    kind,
    dataFolder: isAbsolute(folder) ? folder : join(root, folder),
    webFolder: args.includes('--no-web') ? null : join(root, 'dist', 'web'),
    fixedNowMs,
    fresh: args.includes('--fresh'),
    logLevel: env.LOG_LEVEL ?? 'info',
    hostNames: (env.OLVENT_HOSTS ?? '')
      .split(',')
      .map((name) => name.trim().toLowerCase())
      .filter((name) => name !== '')
  }
}
