import { join } from 'node:path'
import { StartProblem } from '../startProblem'
import { runSql, withFile } from './file'

/** Its lock is held by the system for as long as the process lives, so a crash cannot leave it behind. */
export const LOCK_FILE = 'open.lock'

/**
 * Takes a data folder for this process alone.
 * @returns gives it back
 * @throws StartProblem while another process has it
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const { file, close } = await withFile(join(folder, LOCK_FILE))
  try {
    await runSql(file, 'BEGIN EXCLUSIVE')
  } catch (error) {
    await close()
    throw (error as { code?: string }).code === 'SQLITE_BUSY' ? new StartProblem('in use', { folder }) : error
  }
  return close
}
