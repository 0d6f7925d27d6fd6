import { millisecondsInDay } from 'date-fns/constants'
import { copyState } from './copies'

const NOW = Date.UTC(2026, 10, 26)
const taken = (daysAgo: number) => ({ copies: [{ takenAt: NOW - daysAgo * millisecondsInDay }], failed: null })

test.each([
  [taken(0.3), 'The last good copy is less than a day old.', true],
  [taken(1), 'The last good copy is a day old.', true],
  [taken(7), 'The last good copy is 7 days old.', true],
  [taken(8), 'The last good copy is 8 days old.', false],
  [{ ...taken(2), failed: { at: NOW } }, 'The last good copy is 2 days old.', false],
  [{ copies: [], failed: null }, 'There is no copy yet.', true],
  [{ copies: [], failed: { at: NOW } }, 'There is no copy yet.', false]
])('%#: %s', (told, words, good) => {
  expect(copyState(told, false, NOW)).toEqual({ words, good })
})

test('the made-up kitchen never worries anybody', () => {
  expect(copyState(taken(400), true, NOW).good).toBe(true)
})
