// What a fresh clone lacks is put in place here: packages, the built program, Chromium for the tests. Plain JavaScript, since it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
export const CHROMIUM = '/usr/bin/chromium'
const LEAST_NODE = 20

/** Ends the program with a sentence. */
export function stop(sentence) {
  process.stderr.write(`\n  ${sentence}\n\n`)
  process.exit(1)
}

export function say(words) {
  process.stdout.write(`  ${words}\n`)
}

/** Runs a command in the project; its output is shown. */
function run(command, args) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit' })
}

/**
 * Starts a command in the project beside others.
 * @param gives way to others where the cores are scarce
 * @returns its exit code and all it said, once it has ended
 */
export function begin(command, args, { givesWay = false, env = {} } = {}) {
  const [first, ...rest] = givesWay ? ['nice', '-n', '19', command, ...args] : [command, ...args]
  return new Promise((ended) => {
    const child = spawn(first, rest, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8')
      stream.on('data', (words) => {
        said += words
      })
    }
    child.once('error', (error) => ended({ status: null, said: `${said}${error.message}\n` }))
    child.once('close', (status) => ended({ status, said }))
  })
}

/** The Node that runs this is new enough. */
export function checkNode() {
  const major = Number(process.versions.node.split('.')[0])
  if (major < LEAST_NODE)
    stop(`Olvent needs Node ${LEAST_NODE} or newer; this is Node ${process.versions.node}. Install a newer one from your system's packages.`)
}

const hashOf = (file) =>
  createHash('sha256')
    .update(readFileSync(join(root, file)))
    .digest('hex')

/** Packages as the lock file names them; SQLite is still to be compiled. */
export function ensurePackages() {
  const stamp = join(root, 'node_modules', '.olvent-installed')
  const wanted = hashOf('package-lock.json')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Installing packages …')
  // `npm install --no-save` follows the lock file as `npm ci` does, but is content when a registry lacks optional builds for other systems.
  const done = run('npm', ['install', '--no-save', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'])
  if (done.error) stop('npm could not be started. It comes with Node; is it on the PATH?')
  if (done.status !== 0) stop('The packages could not be installed: see above. Without a network this cannot work.')
  writeFileSync(stamp, wanted)
}

/** Compiled quickly rather than for speed: a kitchen asks little of SQLite, and -O3 takes three times as long (docs/decisions/0003). */
const COMPILED = { CFLAGS: '-O1', CXXFLAGS: '-O1', JOBS: 'max' }

/** SQLite, compiled here; nothing that others compiled is fetched. Others may work meanwhile. */
export async function ensureSqlite() {
  if (existsSync(join(root, 'node_modules', 'sqlite3', 'build', 'Release', 'node_sqlite3.node'))) return
  say('Compiling SQLite, which takes a minute or two the first time …')
  const { status, said } = await begin('npm', ['rebuild', 'sqlite3', '--build-from-source', '--foreground-scripts'], { env: COMPILED })
  if (status !== 0) stop(`SQLite could not be compiled. It needs python3, make and g++: apt-get install python3 make g++.\n${said}`)
}

/** Newest change below some paths, ms. */
function newest(paths) {
  let latest = 0
  for (const path of paths) {
    const full = join(root, path)
    if (!existsSync(full)) continue
    const stat = statSync(full)
    latest = Math.max(latest, stat.isDirectory() ? newest(readdirSync(full).map((name) => join(path, name))) : stat.mtimeMs)
  }
  return latest
}

/** The program, built from the sources as they are. */
export async function ensureBuild() {
  const stamp = join(root, 'dist', '.built')
  const sources = newest(['src', 'vite.config.ts', 'vite.server.config.ts', 'package.json', 'package-lock.json'])
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= sources) return
  say('Building …')
  const build = (config) => begin('npx', ['vite', 'build', '--config', config, '--logLevel', 'warn'])
  for (const { status, said } of await Promise.all([build('vite.config.ts'), build('vite.server.config.ts')]))
    if (status !== 0) stop(`The program could not be built.\n${said}`)
  mkdirSync(join(root, 'dist'), { recursive: true })
  writeFileSync(stamp, new Date().toISOString())
}

/** Debian's Chromium, for the end-to-end tests and the pictures. Others may work meanwhile. */
export async function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  say('Installing Chromium with apt …')
  if (process.getuid?.() !== 0)
    stop('The end-to-end tests need Chromium, and only root may install it: sudo apt-get update && sudo apt-get install -y chromium. Then run npm test again.')
  const { status, said } = await begin('sh', ['-c', 'apt-get update -qq > /dev/null && apt-get install -y -qq chromium > /dev/null'], {
    env: { DEBIAN_FRONTEND: 'noninteractive' }
  })
  if (status !== 0 || !existsSync(CHROMIUM)) stop(`Chromium could not be installed. Is there a network, and is this Debian?\n${said}`)
}
