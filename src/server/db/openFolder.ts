import { chmod, mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import type { KitchenKind } from '../config'
import { StartProblem } from '../startProblem'
import { type Database, openDatabase } from './connect'
import { clearFiles, copiesFolderOf, copiesIn, setAside, takeCopy } from './copies'
import { contentsOf, DATABASE_FILE, type Damage, lookAtFiles, unseal } from './health'
import { lockFolder } from './lock'
import { STEP_NAMES } from './migrate'

/** How a data folder is to be opened. */
export interface FolderWish {
  readonly dataFolder: string
  readonly kind: KitchenKind
  /** Lay the demo again; the one that is there is set aside. */
  readonly fresh: boolean
  /** Open a damaged file as far as it can be read; a copy of it is set aside. */
  readonly asItIs: boolean
}

/** The open kitchen of a folder; `close` gives the folder back. */
export interface OpenFolder {
  readonly database: Database
  close(): Promise<void>
}

/** Damage that the baker may choose to live with. */
const BEARABLE: readonly Damage['code'][] = ['file gone', 'damaged pages', 'changed outside', 'entries lost', 'contents damaged']

/**
 * Opens the kitchen of a data folder for this process alone: looks whether its file is whole, keeps a copy before it is brought
 * to a newer version, and never lays the demo over a kitchen that is none.
 * @throws StartProblem, the files being as they were
 */
export async function openFolder({ dataFolder, kind, fresh, asItIs }: FolderWish, nowMs: number): Promise<OpenFolder> {
  const path = join(dataFolder, DATABASE_FILE)
  const copies = await copiesFolderOf(dataFolder)
  try {
    await mkdir(dataFolder, { recursive: true, mode: 0o700 })
  } catch (error) {
    throw asStartProblem(error, dataFolder)
  }
  const release = await lockFolder(dataFolder).catch((error: unknown) => {
    throw asStartProblem(error, dataFolder)
  })
  try {
    const there = await copiesIn(copies)
    const newest = there[0] === undefined ? null : { path: there[0].path, takenAt: new Date(there[0].takenAtMs).toLocaleString() }
    const refuse = ({ code, detail }: Damage) => new StartProblem(code, { folder: path, copy: newest, ...(detail === undefined ? {} : { detail }) })
    const { damage: outside, sealed } = await lookAtFiles(dataFolder, there.length > 0)
    if (outside !== null && !(asItIs && BEARABLE.includes(outside.code))) throw refuse(outside)
    const contents = outside?.code === 'file gone' ? null : await contentsOf(path, STEP_NAMES, sealed ? 'none' : 'quick')
    if (kind === 'demo' && contents?.kitchen?.demo === false) throw new StartProblem('not the demo', { folder: dataFolder, kitchen: contents.kitchen.name })
    const inside = contents?.damage ?? null
    if (inside !== null && !(asItIs && BEARABLE.includes(inside.code))) throw refuse(inside)
    if (fresh || outside !== null || inside !== null) await setAside(dataFolder, nowMs)
    if (fresh) await clearFiles(dataFolder)
    else if (contents?.steps != null && contents.steps.length < STEP_NAMES.length && inside === null) await takeCopy(path, copies, 'migration', nowMs)
    await unseal(dataFolder)
    const database = await openDatabase(dataFolder).catch((error: unknown) => {
      const known = asStartProblem(error, path)
      throw known instanceof StartProblem ? known : refuse({ code: 'migration failed', detail: error instanceof Error ? error.message : String(error) })
    })
    for (const name of [path, `${path}-wal`, `${path}-shm`]) await chmod(name, 0o600).catch(() => undefined)
    return {
      database,
      async close() {
        await database.close()
        await release()
      }
    }
  } catch (error) {
    await release()
    throw asStartProblem(error, path)
  }
}

/** What the system says of files, as a sentence. */
function asStartProblem(error: unknown, folder: string): unknown {
  if (error instanceof StartProblem) return error
  const { code, parent, message } = error as { code?: string; parent?: { code?: string }; message?: string }
  switch (parent?.code ?? code) {
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
    case 'SQLITE_READONLY':
    case 'SQLITE_CANTOPEN':
      return new StartProblem('folder not writable', { folder })
    case 'ENOSPC':
    case 'SQLITE_FULL':
      return new StartProblem('disk full', { folder })
    case 'ENOTDIR':
    case 'EEXIST':
      return new StartProblem('not a folder', { folder })
    case 'SQLITE_CORRUPT':
      return new StartProblem('damaged pages', { folder, detail: message ?? '' })
    default:
      return error
  }
}
