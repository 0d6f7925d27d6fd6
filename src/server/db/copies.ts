import { copyFile, mkdir, open, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { millisecondsInDay } from 'date-fns/constants'
import { z } from 'zod'
import { COPY_REASONS, type CopyReason, isoOf, msOf } from '../../contract'
import { StartProblem } from '../startProblem'
import { runSql, withFile } from './file'
import { contentsOf, DATABASE_FILE, unseal } from './health'
import { STEP_NAMES } from './migrate'

/** Where copies go is a matter of this machine, so it stands beside the kitchen and not in it. */
const SETTINGS_FILE = 'settings.json'
const settingsSchema = z.object({ copies: z.string().optional() })

/** The folder of a kitchen's copies: its own, or one that was chosen. */
export async function copiesFolderOf(dataFolder: string): Promise<string> {
  const text = await readFile(join(dataFolder, SETTINGS_FILE), 'utf8').catch(() => '{}')
  const settings = settingsSchema.safeParse(parsed(text))
  return settings.data?.copies ?? join(dataFolder, COPIES_FOLDER)
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return {}
  }
}

/** Has copies kept somewhere else from now on. */
export const chooseCopiesFolder = (dataFolder: string, folder: string) =>
  writeFile(join(dataFolder, SETTINGS_FILE), JSON.stringify({ copies: folder }, null, 2), { flush: true })

/** A verified copy of a kitchen's database. */
export interface Copy {
  readonly path: string
  readonly takenAtMs: number
  readonly reason: CopyReason
  readonly bytes: number
}

export const COPIES_FOLDER = 'copies'
const NAME = /^kitchen-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}-\d{3}Z)-(\w+)\.sqlite$/
const HALF = /\.half(-journal|-wal|-shm)?$/
/** How many copies of the last days, weeks and months stay. */
const STAY = { days: 7, weeks: 4, months: 12 }
/** Of those with a reason of their own, so many of each. */
const STAY_BY_REASON = 5

const reasonOf = (word: string): CopyReason => COPY_REASONS.find((reason) => reason === word) ?? 'asked'
const stampOf = (ms: number) => isoOf(ms).replace(/[:.]/g, '-')
const nameOf = (takenAtMs: number, reason: CopyReason) => `kitchen-${stampOf(takenAtMs)}-${reason}.sqlite`

/** Copies in a folder, newest first. */
export async function copiesIn(folder: string): Promise<Copy[]> {
  const names = await readdir(folder).catch(() => [])
  const found: Copy[] = []
  for (const name of names) {
    const [, stamp, reason] = NAME.exec(name) ?? []
    if (stamp === undefined || reason === undefined) continue
    const path = join(folder, name)
    const takenAtMs = msOf(stamp.replace(/T(\d{2})-(\d{2})-(\d{2})-(\d{3})Z/, 'T$1:$2:$3.$4Z'))
    found.push({ path, takenAtMs, reason: reasonOf(reason), bytes: (await stat(path)).size })
  }
  return found.sort((a, b) => b.takenAtMs - a.takenAtMs)
}

/**
 * Copies a kitchen while it is used, and looks whether the copy is whole before it counts.
 * @param database path of the kitchen's file
 * @param folder where copies are kept; made when it is missing
 * @throws the error of SQLite or of the disk; a half copy is swept away
 */
export async function takeCopy(database: string, folder: string, reason: CopyReason, nowMs: number): Promise<Copy> {
  await mkdir(folder, { recursive: true })
  await sweep(folder)
  const path = join(folder, nameOf(nowMs, reason))
  const half = `${path}.half`
  try {
    const source = await withFile(database, { readOnly: true })
    try {
      await runSql(source.file, 'VACUUM INTO ?', [half])
    } finally {
      await source.close()
    }
    const { damage } = await contentsOf(half, STEP_NAMES, 'thorough')
    if (damage !== null) throw new StartProblem('bad copy', { folder: path, detail: damage.detail ?? damage.code })
    await flushed(half)
    await rename(half, path)
  } catch (error) {
    await rm(half, { force: true })
    throw error
  }
  await thinOut(folder)
  return { path, takenAtMs: nowMs, reason, bytes: (await stat(path)).size }
}

async function flushed(path: string): Promise<void> {
  const file = await open(path, 'r+')
  try {
    await file.sync()
  } finally {
    await file.close()
  }
}

/** Takes away what a copy that was cut off has left. */
async function sweep(folder: string): Promise<void> {
  for (const name of await readdir(folder)) if (HALF.test(name)) await rm(join(folder, name), { force: true })
}

/**
 * Which copies stay: of each of the last days, weeks and months the newest, and the last few of each other reason.
 * @param copies newest first
 */
export function copiesThatStay(copies: readonly Copy[]): Copy[] {
  const stay = new Set<Copy>()
  const newestOfEach = (spanOf: (ms: number) => string, most: number) => {
    const spans = new Map<string, Copy>()
    for (const copy of copies) if (!spans.has(spanOf(copy.takenAtMs))) spans.set(spanOf(copy.takenAtMs), copy)
    for (const copy of [...spans.values()].slice(0, most)) stay.add(copy)
  }
  newestOfEach((ms) => new Date(ms).toISOString().slice(0, 10), STAY.days)
  newestOfEach((ms) => String(Math.floor((ms / millisecondsInDay + 3) / 7)), STAY.weeks)
  newestOfEach((ms) => new Date(ms).toISOString().slice(0, 7), STAY.months)
  for (const reason of COPY_REASONS.filter((r) => r !== 'day'))
    for (const copy of copies.filter((c) => c.reason === reason).slice(0, STAY_BY_REASON)) stay.add(copy)
  return copies.filter((copy) => stay.has(copy))
}

async function thinOut(folder: string): Promise<void> {
  const copies = await copiesIn(folder)
  const stay = new Set(copiesThatStay(copies))
  for (const copy of copies) if (!stay.has(copy)) await rm(copy.path, { force: true })
}

/** Files that make up an open kitchen. */
const FILES = [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`]

/**
 * Keeps the kitchen's files in a folder of their own beside it, before something takes their place.
 * @returns that folder
 */
export async function setAside(folder: string, nowMs: number): Promise<string> {
  const aside = join(folder, 'set-aside', stampOf(nowMs))
  await mkdir(aside, { recursive: true })
  for (const name of FILES) await copyFile(join(folder, name), join(aside, name)).catch(unlessMissing)
  return aside
}

function unlessMissing(error: NodeJS.ErrnoException): void {
  if (error.code !== 'ENOENT') throw error
}

/** Takes the kitchen's files away; what they held has been set aside. */
export async function clearFiles(folder: string): Promise<void> {
  await unseal(folder)
  for (const name of [...FILES].reverse()) await rm(join(folder, name), { force: true })
}

/**
 * Goes back to a copy: looks whether it is whole, sets the present files aside, and puts the copy in their place.
 * Cut off at any moment it leaves the present kitchen or the restored one.
 * @param copies folder of the copies
 * @param wanted path of a copy, or `last`
 * @returns the copy, and where the present files are now
 * @throws StartProblem when there is none or it is not whole
 */
export async function restore(folder: string, copies: string, wanted: string, nowMs: number): Promise<{ readonly copy: string; readonly aside: string }> {
  const path = wanted === 'last' ? (await copiesIn(copies))[0]?.path : wanted
  if (path === undefined) throw new StartProblem('no copy', { folder: copies })
  if ((await stat(path).catch(() => null))?.isFile() !== true) throw new StartProblem('no copy', { folder: path })
  const { damage, steps } = await contentsOf(path, STEP_NAMES, 'thorough')
  if (damage !== null || steps === null) throw new StartProblem('bad copy', { folder: path, detail: damage?.detail ?? damage?.code ?? 'it is empty' })
  const half = join(folder, 'restored.half')
  await copyFile(path, half)
  await flushed(half)
  const aside = await setAside(folder, nowMs)
  await unseal(folder)
  await writeBack(join(folder, DATABASE_FILE))
  for (const name of FILES.slice(1)) await rm(join(folder, name), { force: true })
  await rename(half, join(folder, DATABASE_FILE))
  return { copy: path, aside }
}

/** Writes the log of a database back into its file, so that a log never stands beside another file than its own. */
async function writeBack(path: string): Promise<void> {
  const opened = await withFile(path).catch(() => null)
  if (opened === null) return
  // A damaged file cannot always be written back; it has been set aside as it was.
  await runSql(opened.file, 'PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined)
  await opened.close().catch(() => undefined)
}
