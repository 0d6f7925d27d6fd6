import { cp, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { DATABASE_FILE } from './health'

const isThere = (path: string) =>
  stat(path).then(
    () => true,
    () => false
  )

/**
 * Takes a kitchen over from where an earlier version kept it. The old folder stays as it is.
 * @param former where it was kept
 * @param dataFolder where it is kept now; one that is there already is left alone
 * @returns whether one was taken over
 */
export async function takeOver(former: string, dataFolder: string): Promise<boolean> {
  if ((await isThere(dataFolder)) || !(await isThere(join(former, DATABASE_FILE)))) return false
  const half = `${dataFolder}.half`
  await rm(half, { recursive: true, force: true })
  await cp(former, half, { recursive: true })
  // In place all at once, so that a copy that is cut off is begun anew.
  await rename(half, dataFolder)
  return true
}
