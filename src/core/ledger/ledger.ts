/**
 * Every gram from account to account, in whole milligrams. An account is written `kind:id`, or the kind alone where there
 * is one of it. What a kitchen brings in or pours away has an account too, so that the sum over all accounts is always zero.
 */
export const ACCOUNT_KINDS = ['jar', 'batch', 'dough', 'shelf', 'discard', 'loss', 'outside'] as const
export type AccountKind = (typeof ACCOUNT_KINDS)[number]
export type Account = `${AccountKind}:${string}` | 'discard' | 'loss' | 'outside'

/** One side of a transfer. */
export interface LedgerEntry {
  readonly account: Account
  /** Whole milligrams; what arrives is positive, what leaves is negative. */
  readonly milligrams: number
}

/**
 * Moves a mass from one account to another.
 * @param milligrams whole and not negative
 * @returns two entries that sum to zero; none for nothing
 * @throws RangeError for a part of a milligram or a negative mass
 */
export function transfer(from: Account, to: Account, milligrams: number): LedgerEntry[] {
  if (!Number.isInteger(milligrams) || milligrams < 0) throw new RangeError(`Not a whole mass: ${milligrams} mg.`)
  if (milligrams === 0 || from === to) return []
  return [
    { account: from, milligrams: -milligrams },
    { account: to, milligrams }
  ]
}

/** The entries that take others back. */
export function reversed(entries: readonly LedgerEntry[]): LedgerEntry[] {
  return entries.map((e) => ({ account: e.account, milligrams: -e.milligrams }))
}

/** Sum of one account, mg. */
export function balance(entries: readonly LedgerEntry[], account: Account): number {
  return entries.reduce((sum, e) => (e.account === account ? sum + e.milligrams : sum), 0)
}

/** Whether a set of entries may be written: whole milligrams that sum to zero. */
export function closes(entries: readonly LedgerEntry[]): boolean {
  return entries.every((e) => Number.isInteger(e.milligrams)) && entries.reduce((sum, e) => sum + e.milligrams, 0) === 0
}
