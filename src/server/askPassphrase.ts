import { createInterface } from 'node:readline'
import { Writable } from 'node:stream'
import { passphraseSchema } from '../contract'
import { TERMINAL } from '../words'
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
  const first = await hidden(TERMINAL.aPassphrase)
  const parsed = passphraseSchema.safeParse(first)
  if (!parsed.success) throw new ConfigProblem(parsed.error.issues[0]?.message ?? TERMINAL.thisPassphraseCannotBeUsed)
  if (process.stdin.isTTY && (await hidden(TERMINAL.theSameAgain)) !== first) throw new ConfigProblem(TERMINAL.theTwoDiffer)
  return parsed.data
}
