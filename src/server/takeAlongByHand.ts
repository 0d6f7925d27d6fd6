import { createWriteStream } from 'node:fs'
import { mkdir, rename, rm } from 'node:fs/promises'
import { resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { BringIn } from '../contract'
import { TERMINAL } from '../words'
import type { Config } from './config'
import { copiesFolderOf, takeCopy } from './db/copies'
import { DATABASE_FILE } from './db/health'
import { openFolder } from './db/openFolder'
import { unpack } from './keeping/bringIn'
import { takeAlong } from './keeping/takeAlong'
import { Problem } from './problems'
import { findKitchen } from './records/kitchen/kitchens'
import { readWork } from './records/work'
import { StartProblem } from './startProblem'

const fileIn = (words: readonly string[]) => words.find((word) => !word.startsWith('--'))

/** Writes everything into one file, also while Olvent is running: `npm run export -- file`. @returns a sentence */
export async function exportTo({ dataFolder }: Config, words: readonly string[]): Promise<string> {
  const given = fileIn(words)
  if (given === undefined) throw new StartProblem('no file', { detail: 'npm run export -- kitchen.zip' })
  const path = resolve(process.env.INIT_CWD ?? '.', given)
  const half = `${path}.half`
  try {
    await pipeline(await takeAlong(dataFolder, Date.now()), createWriteStream(half, { flush: true }))
    await rename(half, path)
  } catch (error) {
    await rm(half, { force: true })
    throw error
  }
  return TERMINAL.takenAlong(path)
}

/**
 * Brings such a file in: `npm run import -- file`. A kitchen that is in use is replaced with --replace only; with --add both become
 * one, and where both have changed the same, what is here stays.
 * @returns a sentence
 */
export async function importFrom(config: Config, words: readonly string[]): Promise<string> {
  const given = fileIn(words)
  if (given === undefined) throw new StartProblem('no file', { detail: 'npm run import -- kitchen.zip' })
  const { dataFolder } = config
  await mkdir(dataFolder, { recursive: true })
  const { database, close } = await openFolder(config, Date.now())
  try {
    const kitchen = await findKitchen(readWork(database, Date.now()))
    const adds = kitchen !== null && words.includes('--add')
    if (kitchen !== null && !adds && !words.includes('--replace')) throw new StartProblem('kitchen in use', { folder: dataFolder, kitchen: kitchen.name })
    const file = await unpack(resolve(process.env.INIT_CWD ?? '.', given), dataFolder)
    try {
      if (kitchen !== null) await takeCopy(`${dataFolder}/${DATABASE_FILE}`, await copiesFolderOf(dataFolder), 'import', Date.now())
      const { clashes } = adds ? await file.compare(dataFolder) : { clashes: [] }
      const how: BringIn = adds ? { how: 'merge', choices: Object.fromEntries(clashes.map(({ id }) => [id, 'here'])) } : { how: 'replace' }
      await database.alone(() => file.putInto(dataFolder, how, Date.now()))
      const stayed = clashes.length === 0 ? '' : TERMINAL.yoursStayed(clashes.map(({ name }) => name).join(', '))
      if (adds) return TERMINAL.added(file.told.kitchen, kitchen.name, stayed)
    } finally {
      await file.drop()
    }
    const { told } = file
    return TERMINAL.broughtIn(told.kitchen, dataFolder, told.rows.jars ?? 0, told.rows.bakes ?? 0, told.pictures)
  } catch (error) {
    throw error instanceof Problem ? new StartProblem('not brought in', { detail: error.message }) : error
  } finally {
    await close()
  }
}
