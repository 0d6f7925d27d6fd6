import { createInterface } from 'node:readline'
import { Writable } from 'node:stream'
import { passphraseSchema } from '../contract'
import { ConfigProblem } from './config'

/** Asks one question whose answer is not shown. */
function hidden(question: string): Promise<string> {
  process.stdout.write(question)
  const nowhere = new Writable({ write: (_chunk, _encoding, done) => done() })
  const asking = createInterface({ input: process.stdin, output: nowhere, terminal: process.stdin.isTTY })
  return new Promise((resolve) => {
    asking.once('line', (line) => {
      asking.close()
      process.stdout.write('\n')
      resolve(line)
    })
    asking.once('close', () => resolve(''))
  })
}

/**
 * Asks for a new passphrase: twice at a terminal, once from a pipe.
 * @throws ConfigProblem when it is too short, or the two differ
 */
export async function askPassphrase(): Promise<string> {
  const first = await hidden('  A passphrase for this kitchen (four or five words are good): ')
  const parsed = passphraseSchema.safeParse(first)
  if (!parsed.success) throw new ConfigProblem(parsed.error.issues[0]?.message ?? 'This passphrase cannot be used.')
  if (process.stdin.isTTY && (await hidden('  The same again: ')) !== first) throw new ConfigProblem('The two differ. Nothing was set.')
  return parsed.data
}
