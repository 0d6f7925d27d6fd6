import { TERMINAL } from '../words'
import type { Config } from './config'
import { copiesFolderOf, restore as restoreCopy } from './db/copies'
import { lockFolder } from './db/lock'

/**
 * Goes back to a copy of the kitchen: `npm run restore -- last` or the path of a copy.
 * @returns a sentence that says what was done
 * @throws StartProblem while Olvent is running with it, or when the copy is not whole
 */
export async function restore({ dataFolder }: Config, words: readonly string[]): Promise<string> {
  const wanted = words.find((word) => !word.startsWith('--')) ?? 'last'
  const release = await lockFolder(dataFolder)
  try {
    const { copy, aside } = await restoreCopy(dataFolder, await copiesFolderOf(dataFolder), wanted, Date.now())
    return TERMINAL.restored(copy, aside)
  } finally {
    await release()
  }
}
