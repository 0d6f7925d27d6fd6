import fc from 'fast-check'
import { type Account, balance, closes, type LedgerEntry, reversed, transfer } from './ledger'

test('a feed: kept, discarded, flour and water in', () => {
  const entries = [...transfer('jar:juno', 'discard', 60_000), ...transfer('shelf:flour', 'jar:juno', 50_000), ...transfer('shelf:water', 'jar:juno', 50_000)]
  expect(balance(entries, 'jar:juno')).toBe(40_000)
  expect(balance(entries, 'discard')).toBe(60_000)
  expect(closes(entries)).toBe(true)
})

test('nothing moved is nothing written, and neither is a move onto itself', () => {
  expect(transfer('discard', 'loss', 0)).toEqual([])
  expect(transfer('discard', 'discard', 5)).toEqual([])
})

test.each([-1, 0.5, Number.NaN])('%d mg is not a mass to move', (milligrams) => {
  expect(() => transfer('discard', 'loss', milligrams)).toThrow(RangeError)
})

test('one side alone does not close', () => {
  expect(closes([{ account: 'loss', milligrams: 5 }])).toBe(false)
  expect(
    closes([
      { account: 'loss', milligrams: 0.5 },
      { account: 'outside', milligrams: -0.5 }
    ])
  ).toBe(false)
})

test('whatever is moved and taken back, the sum over all accounts is zero', () => {
  const account = fc.constantFrom<Account>('jar:a', 'jar:b', 'batch:x', 'discard', 'shelf:flour', 'loss', 'outside')
  const moves = fc.array(fc.tuple(account, account, fc.integer({ min: 0, max: 5_000_000 }), fc.boolean()), { maxLength: 200 })
  fc.assert(
    fc.property(moves, (all) => {
      const entries: LedgerEntry[] = all.flatMap(([from, to, mg, back]) => {
        const moved = transfer(from, to, mg)
        return back ? [...moved, ...reversed(moved)] : moved
      })
      const total = [...new Set(entries.map((e) => e.account))].reduce((sum, a) => sum + balance(entries, a), 0)
      return total === 0 && closes(entries)
    })
  )
})
