import { isAbsolute, join } from 'node:path'
import envPaths from 'env-paths'
import { startSentence, TERMINAL } from '../words'

/** Which of the two kitchens this server opens. */
export type KitchenKind = 'own' | 'demo'

/** All that comes from outside, read once at the start. */
export interface Config {
  readonly host: string
  /** Open to the network of this home, with a passphrase. */
  readonly atHome: boolean
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
  /** Open a damaged file as far as it can be read. */
  readonly asItIs: boolean
  /** Where an earlier version kept this kitchen; null: nowhere else. */
  readonly formerFolder: string | null
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
 * @param dataHome where this system keeps the data of its programs: a kitchen outlives the program's own folder
 * @throws ConfigProblem with a clear sentence
 */
export function readConfig(
  env: Readonly<Record<string, string | undefined>>,
  args: readonly string[],
  root: string,
  dataHome = envPaths('olvent', { suffix: '' }).data
): Config {
  const kind: KitchenKind = args.includes('--demo') ? 'demo' : 'own'
  const portText = env.PORT ?? (kind === 'demo' ? '4310' : '4300')
  const port = Number(portText)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new ConfigProblem(TERMINAL.portHasToBe(portText))
  let fixedNowMs: number | null = null
  if (env.OLVENT_NOW !== undefined && env.OLVENT_NOW !== '') {
    fixedNowMs = Date.parse(env.OLVENT_NOW)
    if (Number.isNaN(fixedNowMs)) throw new ConfigProblem(TERMINAL.nowHasToBe(env.OLVENT_NOW))
  }
  const fresh = args.includes('--fresh')
  if (fresh && kind === 'own') throw new ConfigProblem(startSentence('fresh is for the demo', {}))
  const folder = env.OLVENT_DATA ?? (kind === 'own' ? join(dataHome, kind) : join('data', kind))
  return {
    host: env.HOST ?? (args.includes('--home') ? '0.0.0.0' : '127.0.0.1'),
    atHome: args.includes('--home'),
    port,
    kind,
    dataFolder: isAbsolute(folder) ? folder : join(root, folder),
    webFolder: args.includes('--no-web') ? null : join(root, 'dist', 'web'),
    fixedNowMs,
    fresh,
    asItIs: args.includes('--as-it-is'),
    formerFolder: kind === 'own' && env.OLVENT_DATA === undefined ? join(root, 'data', kind) : null,
    logLevel: env.LOG_LEVEL ?? 'info',
    hostNames: (env.OLVENT_HOSTS ?? '')
      .split(',')
      .map((name) => name.trim().toLowerCase())
      .filter((name) => name !== '')
  }
}
