import { setPassphrase } from './access/doors'
import { askPassphrase } from './askPassphrase'
import type { Config } from './config'
import { openFolder } from './db/openFolder'
import { writeWork } from './records/work'

/**
 * Sets a new passphrase from the machine of the server, also where the old one is forgotten. All devices sign in again.
 * @returns a sentence that says so
 * @throws StartProblem while Olvent is running with this kitchen
 */
export async function newPassphrase(config: Config): Promise<string> {
  const { database, close } = await openFolder(config, Date.now())
  try {
    const next = await askPassphrase()
    await writeWork(database, Date.now(), (work) => setPassphrase(work, next, null))
    return 'The passphrase is set. All devices sign in again. Open your kitchen to the network with: npm start -- --home'
  } finally {
    await close()
  }
}
