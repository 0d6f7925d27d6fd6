import { createWriteStream } from 'node:fs'
import { copyFile, mkdir, mkdtemp, readdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Sequelize } from 'sequelize'
import type sqlite3 from 'sqlite3'
import { type Entry, open, type ZipFile } from 'yauzl'
import { z } from 'zod'
import { type BringIn, isoSchema, pictureNameSchema, type WireMerge, type WireTakenAlong } from '../../contract'
import { REFUSE_KEEPING } from '../../words/refusals/keeping'
import { columnsOf, type OpenFile, rowsOf, runSql, withFile } from '../db/file'
import { contentsOf, DATABASE_FILE } from '../db/health'
import { MIGRATIONS, migrate, STEP_NAMES } from '../db/migrate'
import { Problem } from '../problems'
import { merge, whatItBrings } from './merge'
import { isNamedByContent, PICTURES_FOLDER } from './pictureFiles'
import { FORMER_TABLES, TABLES } from './tables'
import { FORMAT } from './takeAlong'

/** Bounds of what a file may hold once it is unpacked, bytes and characters. */
const MOST_BYTES = 4 * 1024 ** 3
const MOST_PICTURE_BYTES = 20 * 1024 ** 2
const MOST_LINE = 5_000_000
/** Rows that are put in together. */
const AT_ONCE = 2000

const manifestSchema = z.object({
  format: z.literal(FORMAT.format),
  version: z.number().int(),
  kitchen: z.string(),
  madeAt: isoSchema,
  steps: z.array(z.string()),
  tables: z.record(z.string(), z.object({ columns: z.record(z.string(), z.string()), rows: z.number() })),
  pictures: z.number()
})

const refused = (why: string) => new Problem(400, 'not understood', REFUSE_KEEPING.thisFileCannotBeBrought(why))

/** A file that was read and looked through; nothing of it stands in the kitchen yet. */
export interface Unpacked {
  readonly told: Omit<WireTakenAlong, 'replaces' | 'id' | 'merge'>
  /** What it would bring to a kitchen that is in use. */
  compare(dataFolder: string): Promise<WireMerge>
  /** Puts it in the place of what the kitchen holds, or both together; all of it or nothing. */
  putInto(dataFolder: string, how: BringIn, nowMs: number): Promise<void>
  /** Forgets it. */
  drop(): Promise<void>
}

/**
 * Reads a file that was taken along into a database of its own, brings that to this version, and looks whether it is whole.
 * @param zip path of the file
 * @param near a folder on the same disk as the kitchen
 * @throws Problem with a sentence when it is not one, or not whole
 */
export async function unpack(zip: string, near: string): Promise<Unpacked> {
  await mkdir(near, { recursive: true })
  const folder = await mkdtemp(join(near, 'import-'))
  const drop = () => rm(folder, { recursive: true, force: true })
  try {
    const told = await readInto(zip, folder)
    const brought = join(folder, DATABASE_FILE)
    const inUse = (dataFolder: string) => join(dataFolder, DATABASE_FILE)
    return {
      told,
      compare: (dataFolder) => whatItBrings(inUse(dataFolder), brought),
      async putInto(dataFolder, how, nowMs) {
        const database = how.how === 'replace' ? brought : await merge(inUse(dataFolder), folder, how.choices, nowMs)
        await putInto(database, join(folder, PICTURES_FOLDER), dataFolder)
      },
      drop
    }
  } catch (error) {
    await drop()
    if (error instanceof Problem) throw error
    throw refused(error instanceof Error ? `${error.message}.` : REFUSE_KEEPING.itCannotBeRead)
  }
}

const opened = (path: string) =>
  new Promise<ZipFile>((resolve, reject) => {
    open(path, { lazyEntries: true, autoClose: false }, (error, zip) => (error === null ? resolve(zip) : reject(refused(REFUSE_KEEPING.itIsNoZipFile))))
  })

/** Entries of a zip by their names. */
const entriesOf = (zip: ZipFile) =>
  new Promise<Map<string, Entry>>((resolve, reject) => {
    const entries = new Map<string, Entry>()
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry)
      zip.readEntry()
    })
    zip.once('end', () => resolve(entries))
    zip.once('error', reject)
    zip.readEntry()
  })

const streamOf = (zip: ZipFile, entry: Entry) =>
  new Promise<Readable>((resolve, reject) => zip.openReadStream(entry, (error, stream) => (error === null ? resolve(stream) : reject(error))))

async function readInto(path: string, folder: string): Promise<Unpacked['told']> {
  const zip = await opened(path)
  try {
    const entries = await entriesOf(zip)
    if ([...entries.values()].reduce((sum, entry) => sum + entry.uncompressedSize, 0) > MOST_BYTES) throw refused(REFUSE_KEEPING.itIsTooLarge)
    const manifest = await manifestOf(zip, entries.get('manifest.json'))
    const database = join(folder, DATABASE_FILE)
    await migrated(database, manifest.steps)
    const file = await withFile(database)
    try {
      await runSql(file.file, 'PRAGMA foreign_keys = OFF')
      await runSql(file.file, 'BEGIN')
      for (const table of [...TABLES, ...FORMER_TABLES])
        await readTable(zip, entries.get(`tables/${table}.jsonl`), file.file, table, manifest.tables[table]?.rows ?? 0)
      await runSql(file.file, 'COMMIT')
    } finally {
      await file.close()
    }
    await migrated(database, STEP_NAMES)
    const { damage } = await contentsOf(database, STEP_NAMES, 'thorough')
    if (damage !== null) throw refused(`${damage.detail ?? damage.code}.`)
    const pictures = await readPictures(zip, entries, join(folder, PICTURES_FOLDER))
    if (pictures !== manifest.pictures) throw refused(REFUSE_KEEPING.shouldHoldPicturesAndHolds(manifest.pictures, pictures))
    const rows = Object.fromEntries(TABLES.map((table) => [table, manifest.tables[table]?.rows ?? 0]))
    return { kitchen: manifest.kitchen, madeAt: manifest.madeAt, rows, pictures }
  } finally {
    zip.close()
  }
}

async function manifestOf(zip: ZipFile, entry: Entry | undefined): Promise<z.output<typeof manifestSchema>> {
  if (entry === undefined || entry.uncompressedSize > MOST_LINE) throw refused(REFUSE_KEEPING.itIsNoKitchen)
  const chunks: Buffer[] = []
  for await (const chunk of await streamOf(zip, entry)) chunks.push(chunk as Buffer)
  const parsed = manifestSchema.safeParse(jsonOf(Buffer.concat(chunks).toString()))
  if (!parsed.success) throw refused(REFUSE_KEEPING.itIsNoKitchen)
  if (parsed.data.version > FORMAT.version || parsed.data.steps.some((name) => !STEP_NAMES.includes(name))) throw refused(REFUSE_KEEPING.itIsNewer)
  return parsed.data
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** Brings a database to a version; makes it where it is missing. */
async function migrated(path: string, steps: readonly string[]): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: path, logging: false })
  try {
    await migrate(
      sequelize,
      MIGRATIONS.filter(({ name }) => steps.includes(name))
    )
  } finally {
    await sequelize.close()
  }
}

async function readTable(zip: ZipFile, entry: Entry | undefined, file: sqlite3.Database, table: string, expected: number): Promise<void> {
  const columns = (await columnsOf(file, table)).map(({ name }) => name)
  if (columns.length === 0) return
  const names = columns.map((c) => `"${c}"`).join(', ')
  const values = columns.map((c) => `json_extract(value, '$."${c}"')`).join(', ')
  let count = 0
  let rows: unknown[] = []
  // Many rows in one statement: a log of years is read in minutes otherwise.
  const put = async () => {
    if (rows.length > 0) await runSql(file, `INSERT INTO ${table} (${names}) SELECT ${values} FROM json_each(?)`, [JSON.stringify(rows)])
    rows = []
  }
  if (entry !== undefined) {
    for await (const line of linesOf(await streamOf(zip, entry), table)) {
      const row = jsonOf(line)
      if (typeof row !== 'object' || row === null) throw refused(REFUSE_KEEPING.lineCannotBeRead(count + 1, table))
      if (columns.some((column) => typeof (row as Record<string, unknown>)[column] === 'object' && (row as Record<string, unknown>)[column] !== null))
        throw refused(REFUSE_KEEPING.lineAnotherShape(count + 1, table))
      rows.push(row)
      count++
      if (rows.length === AT_ONCE) await put()
    }
  }
  await put()
  if (count !== expected) throw refused(REFUSE_KEEPING.shouldHoldRowsAndHolds(table, expected, count))
}

/** Lines of a stream; a fault of the stream ends them. */
async function* linesOf(stream: Readable, table: string): AsyncGenerator<string> {
  let rest = ''
  stream.setEncoding('utf8')
  for await (const chunk of stream) {
    const lines = (rest + (chunk as string)).split('\n')
    rest = lines.pop() ?? ''
    if (rest.length > MOST_LINE) throw refused(REFUSE_KEEPING.lineTooLong(table))
    yield* lines
  }
  if (rest !== '') yield rest
}

async function readPictures(zip: ZipFile, entries: ReadonlyMap<string, Entry>, folder: string): Promise<number> {
  await mkdir(folder, { recursive: true })
  let count = 0
  for (const [path, entry] of entries) {
    if (!path.startsWith('pictures/') || path.endsWith('/')) continue
    const name = pictureNameSchema.safeParse(path.slice('pictures/'.length))
    if (!name.success || entry.uncompressedSize > MOST_PICTURE_BYTES) throw refused(REFUSE_KEEPING.aPictureIsNone)
    await pipeline(await streamOf(zip, entry), createWriteStream(join(folder, name.data)))
    if (!(await isNamedByContent(join(folder, name.data), name.data))) throw refused(REFUSE_KEEPING.aPictureIsDamaged)
    count++
  }
  return count
}

/** Pictures first: they are named by their content and harm nobody. Then all tables in one transaction. */
async function putInto(database: string, pictures: string, dataFolder: string): Promise<void> {
  const to = join(dataFolder, PICTURES_FOLDER)
  await mkdir(to, { recursive: true })
  for (const name of await readdir(pictures)) {
    await copyFile(join(pictures, name), join(to, `${name}.half`))
    await rename(join(to, `${name}.half`), join(to, name))
  }
  const main: OpenFile = await withFile(join(dataFolder, DATABASE_FILE))
  const { file } = main
  try {
    file.configure('busyTimeout', 10_000)
    await runSql(file, 'PRAGMA synchronous = FULL')
    await runSql(file, 'ATTACH ? AS brought', [database])
    // Parents and children come and go together; whether they match is looked at before the end.
    await runSql(file, 'PRAGMA foreign_keys = OFF')
    await runSql(file, 'BEGIN IMMEDIATE')
    try {
      for (const table of [...TABLES].reverse()) await runSql(file, `DELETE FROM main.${table}`)
      for (const table of TABLES) {
        const columns = (await columnsOf(file, table)).map(({ name }) => `"${name}"`).join(', ')
        await runSql(file, `INSERT INTO main.${table} (${columns}) SELECT ${columns} FROM brought.${table}`)
      }
      const orphans = await rowsOf(file, 'PRAGMA main.foreign_key_check')
      if (orphans.length > 0) throw refused(REFUSE_KEEPING.rowsBelongToNothing(orphans.length))
      await runSql(file, 'COMMIT')
    } catch (error) {
      await runSql(file, 'ROLLBACK').catch(() => undefined)
      throw error
    }
  } finally {
    await main.close()
  }
}
