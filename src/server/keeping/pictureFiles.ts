import { createHash } from 'node:crypto'
import { copyFile, mkdir, readdir, readFile, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { millisecondsInDay } from 'date-fns/constants'
import { literal } from 'sequelize'
import { plain } from '../db/rows'
import type { Work } from '../records/work'

export const PICTURES_FOLDER = 'pictures'
const HALF = /\.half$/
/** So long a picture waits for the entry it belongs to, which may be kept in a window without its server, ms. */
const WAITS_MS = 30 * millisecondsInDay

/** Copies pictures that are not there yet; each is named by its content, and looked at before it counts. */
export async function copyPictures(from: string, to: string): Promise<void> {
  const names = (await readdir(from).catch(() => [])).filter((name) => !HALF.test(name))
  if (names.length === 0) return
  await mkdir(to, { recursive: true })
  const there = new Set(await readdir(to))
  for (const name of names) {
    if (there.has(name)) continue
    const half = join(to, `${name}.half`)
    await copyFile(join(from, name), half)
    if (!(await isNamedByContent(half, name))) {
      await rm(half, { force: true })
      throw new Error(`The picture ${name.slice(0, 8)}… is damaged.`)
    }
    await rename(half, join(to, name))
  }
}

/** Whether a file is what its name says. */
export async function isNamedByContent(path: string, name: string): Promise<boolean> {
  return name.startsWith(
    createHash('sha256')
      .update(await readFile(path))
      .digest('hex')
  )
}

/** Takes away pictures that were cut off while they were written, and those of which no entry speaks. */
export async function sweepPictures({ models, transaction, nowMs }: Work, dataFolder: string): Promise<void> {
  const folder = join(dataFolder, PICTURES_FOLDER)
  const names = await readdir(folder).catch(() => [])
  if (names.length === 0) return
  const told = await models.events.findAll({ attributes: ['payload'], where: literal("json_extract(payload, '$.picture') IS NOT NULL"), transaction })
  const needed = new Set(told.map((row) => plain(row).payload.picture))
  for (const name of names) {
    const path = join(folder, name)
    const isOld = async () => nowMs - ((await stat(path).catch(() => null))?.mtimeMs ?? nowMs) > WAITS_MS
    if (HALF.test(name) || (!needed.has(name) && (await isOld()))) await rm(path, { force: true })
  }
}
