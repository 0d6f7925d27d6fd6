import { millisecondsInDay } from 'date-fns/constants'

/** How copies fare, as far as a sentence needs it. */
interface CopiesTold {
  readonly copies: readonly { readonly takenAt: number }[]
  readonly failed: { readonly at: number } | null
}

/** An older copy is worth a word. */
const OLD_DAYS = 7

/**
 * How old the last good copy is.
 * @param demo the made-up kitchen, which needs none
 * @returns a sentence, and whether all is well
 */
export function copyState({ copies, failed }: CopiesTold, demo: boolean, nowMs: number): { readonly words: string; readonly good: boolean } {
  const last = copies[0]
  if (last === undefined) return { words: 'There is no copy yet.', good: demo || failed === null }
  const days = Math.floor((nowMs - last.takenAt) / millisecondsInDay)
  const age = days <= 0 ? 'less than a day' : days === 1 ? 'a day' : `${days} days`
  return { words: `The last good copy is ${age} old.`, good: demo || (failed === null && days <= OLD_DAYS) }
}
