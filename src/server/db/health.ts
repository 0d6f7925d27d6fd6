import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { access, constants, open, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { endianness } from 'node:os'
import { join } from 'node:path'
import type { StartCode } from '../../words'
import { type OpenFile, rowsOf, withFile } from './file'

/** What is wrong with the file of a kitchen. */
export interface Damage {
  readonly code: StartCode
  readonly detail?: string
}

export const DATABASE_FILE = 'kitchen.sqlite'
/** Fingerprint of the file as it was when it was closed in good order. */
export const SEAL_FILE = 'kitchen.seal'

const MAGIC = 'SQLite format 3\0'
/** Source: https://www.sqlite.org/walformat.html */
const WAL_HEADER_BYTES = 32
const FRAME_HEADER_BYTES = 24
const WAL_PAGE_SIZE_AT = 8
const WAL_SALT_AT = 16
const INDEX_FRAMES_AT = 16
const INDEX_SALT_AT = 32
const SALT_BYTES = 8

const sizeOf = (path: string): Promise<number | null> =>
  stat(path).then(
    ({ size }) => size,
    () => null
  )

/**
 * Looks at the files of a kitchen before anything is opened for writing.
 * @param hasCopies whether there are copies, so that a missing file is a loss and no beginning
 * @returns no damage when nothing speaks against opening it, and whether it is byte for byte as Olvent closed it
 */
export async function lookAtFiles(folder: string, hasCopies: boolean): Promise<{ readonly damage: Damage | null; readonly sealed: boolean }> {
  const damage = await fileDamage(folder, hasCopies)
  if (damage !== null) return { damage, sealed: false }
  const seal = await sealOf(folder)
  if (seal === null) return { damage: null, sealed: false }
  const [value, algorithm = FORMER_HASH] = seal.split(' ').reverse()
  const known = [SEAL_HASH, FORMER_HASH].includes(algorithm)
  const holds = known && value === (await fingerprint(join(folder, DATABASE_FILE), algorithm))
  return { damage: holds ? null : { code: 'changed outside' }, sealed: holds }
}

async function fileDamage(folder: string, hasCopies: boolean): Promise<Damage | null> {
  const path = join(folder, DATABASE_FILE)
  const size = await sizeOf(path)
  if (size === null || size === 0) return hasCopies ? { code: 'file gone' } : null
  if (!(await may(path, constants.R_OK | constants.W_OK))) return { code: 'file not readable' }
  if ((await firstBytes(path, MAGIC.length)).toString('latin1') !== MAGIC) return { code: 'not a kitchen' }
  const lost = await lostFrames(path)
  if (lost > 0) return { code: 'entries lost', detail: lost === 1 ? 'page' : `${lost} pages` }
  return null
}

const may = (path: string, mode: number) =>
  access(path, mode).then(
    () => true,
    () => false
  )

async function firstBytes(path: string, count: number): Promise<Buffer> {
  const file = await open(path, 'r')
  try {
    const bytes = Buffer.alloc(count)
    const { bytesRead } = await file.read(bytes, 0, count, 0)
    return bytes.subarray(0, bytesRead)
  } finally {
    await file.close()
  }
}

/**
 * How many pages of the write-ahead log are missing: its index, left by a process that was killed, knows of more than the log holds.
 * @param path of the database
 */
async function lostFrames(path: string): Promise<number> {
  const index = await firstBytes(`${path}-shm`, INDEX_SALT_AT + SALT_BYTES).catch(() => Buffer.alloc(0))
  if (index.length < INDEX_SALT_AT + SALT_BYTES) return 0
  const frames = endianness() === 'LE' ? index.readUInt32LE(INDEX_FRAMES_AT) : index.readUInt32BE(INDEX_FRAMES_AT)
  if (frames === 0) return 0
  const log = await firstBytes(`${path}-wal`, WAL_HEADER_BYTES).catch(() => Buffer.alloc(0))
  if (log.length < WAL_HEADER_BYTES) return frames
  // Another salt: the log was begun anew after the index was written.
  if (!log.subarray(WAL_SALT_AT, WAL_SALT_AT + SALT_BYTES).equals(index.subarray(INDEX_SALT_AT, INDEX_SALT_AT + SALT_BYTES))) return 0
  const held = Math.floor((((await sizeOf(`${path}-wal`)) ?? 0) - WAL_HEADER_BYTES) / (FRAME_HEADER_BYTES + log.readUInt32BE(WAL_PAGE_SIZE_AT)))
  return Math.max(0, frames - held)
}

/** What the seal is made with: it has to notice damage, not an attack, and large files are to open at once. */
const SEAL_HASH = 'sha1'
/** An earlier seal has no name of its hash. */
const FORMER_HASH = 'sha256'

async function fingerprint(path: string, algorithm: string): Promise<string> {
  const hash = createHash(algorithm)
  for await (const chunk of createReadStream(path, { highWaterMark: 4 * 1024 ** 2 })) hash.update(chunk as Buffer)
  return hash.digest('hex')
}

/** Fingerprint of the file as it was closed; one that was not closed in good order has none and is taken as it is. */
const sealOf = (folder: string): Promise<string | null> =>
  readFile(join(folder, SEAL_FILE), 'utf8').then(
    (seal) => seal.trim(),
    () => null
  )

/** Notes how the file is left; to be called when it is closed and its log is written back. */
export async function seal(folder: string): Promise<void> {
  if (((await sizeOf(join(folder, `${DATABASE_FILE}-wal`))) ?? 0) > 0) return
  await writeFile(join(folder, SEAL_FILE), `${SEAL_HASH} ${await fingerprint(join(folder, DATABASE_FILE), SEAL_HASH)}\n`, { flush: true })
}

/** Takes the seal off, before the file is changed. */
export const unseal = (folder: string) => rm(join(folder, SEAL_FILE), { force: true })

/** What SQLite and the ledger say of a kitchen's file. */
export interface Contents {
  readonly damage: Damage | null
  /** Steps it has been through; null: it holds nothing yet. */
  readonly steps: readonly string[] | null
  readonly kitchen: { readonly name: string; readonly demo: boolean } | null
}

/**
 * Looks into the file of a kitchen without changing it.
 * @param path of a database
 * @param known names of the steps this version knows
 * @param depth `thorough` also compares the indexes with their tables; `none` for a file that is byte for byte as it was closed
 */
export async function contentsOf(path: string, known: readonly string[], depth: 'none' | 'quick' | 'thorough' = 'quick'): Promise<Contents> {
  const nothing = { steps: null, kitchen: null }
  if (((await sizeOf(path)) ?? 0) === 0) return { ...nothing, damage: null }
  let opened: OpenFile | null = null
  try {
    opened = await withFile(path, { readOnly: true })
    const { file } = opened
    const check = { none: null, quick: 'PRAGMA quick_check(3)', thorough: 'PRAGMA integrity_check(3)' }[depth]
    const said = check === null ? ['ok'] : (await rowsOf<Record<string, string>>(file, check)).map((row) => Object.values(row)[0] ?? '')
    if (said.join() !== 'ok') return { ...nothing, damage: { code: 'damaged pages', detail: firstComplaint(said[0] ?? '') } }
    const tables = new Set((await rowsOf<{ name: string }>(file, "SELECT name FROM sqlite_master WHERE type = 'table'")).map(({ name }) => name))
    if (tables.size === 0) return { ...nothing, damage: null }
    if (!tables.has('migrations')) return { ...nothing, damage: { code: 'not a kitchen' } }
    const steps = (await rowsOf<{ name: string }>(file, 'SELECT name FROM migrations ORDER BY name')).map(({ name }) => name)
    const newer = steps.find((name) => !known.includes(name))
    if (newer !== undefined) return { ...nothing, steps, damage: { code: 'newer version', detail: newer } }
    const [first] = tables.has('kitchens') ? await rowsOf<{ name: string; demo: number }>(file, 'SELECT name, demo FROM kitchens LIMIT 1') : []
    const kitchen = first === undefined ? null : { name: first.name, demo: first.demo === 1 }
    return { damage: depth === 'none' ? null : await wrongEntries(opened, tables), steps, kitchen }
  } catch (error) {
    const { code, message } = error as { code?: string; message: string }
    if (code === 'SQLITE_NOTADB') return { ...nothing, damage: { code: 'not a kitchen' } }
    if (code === 'SQLITE_CANTOPEN' || code === 'SQLITE_PERM') return { ...nothing, damage: { code: 'file not readable' } }
    return { ...nothing, damage: { code: 'damaged pages', detail: message.replace(/^SQLITE_\w+: /, '') } }
  } finally {
    await opened?.close()
  }
}

/** SQLite complains in many lines below a heading; one of them is enough for a sentence. */
const firstComplaint = (said: string) => (said.split('\n').find((line) => !line.startsWith('***')) ?? said).slice(0, 120)

const DOCUMENTS: Readonly<Record<string, readonly string[]>> = { kitchens: ['settings'], bakes: ['plan', 'frozen'], events: ['payload'], batches: ['floursMg'] }

/** Entries that no version of Olvent can have written: masses that do not close, documents that are none, rows without their parent. */
async function wrongEntries({ file }: OpenFile, tables: ReadonlySet<string>): Promise<Damage | null> {
  const count = async (sql: string) => (await rowsOf<{ n: number }>(file, sql))[0]?.n ?? 0
  const wrong = (detail: string): Damage => ({ code: 'contents damaged', detail })
  if (tables.has('ledger_entries')) {
    const open = await count('SELECT COUNT(*) AS n FROM (SELECT 1 FROM ledger_entries GROUP BY eventId HAVING SUM(milligrams) <> 0)')
    if (open > 0) return wrong(`the grams of ${open} ${open === 1 ? 'entry' : 'entries'} do not add up`)
  }
  for (const [table, columns] of Object.entries(DOCUMENTS)) {
    if (!tables.has(table)) continue
    for (const column of columns) {
      const broken = await count(`SELECT COUNT(*) AS n FROM ${table} WHERE ${column} IS NOT NULL AND NOT json_valid(${column})`)
      if (broken > 0) return wrong(`${broken} in "${table}" cannot be read`)
    }
  }
  const orphans = await rowsOf<{ table: string }>(file, 'PRAGMA foreign_key_check')
  return orphans.length === 0 ? null : wrong(`${orphans.length} in "${orphans[0]?.table}" belong to nothing`)
}
