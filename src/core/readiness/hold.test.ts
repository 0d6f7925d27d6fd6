import { isReadyWithin } from './hold'

const window = { opensHours: 6, closesHours: 9 }

test('in the warm a levain is ready while its window is open', () => {
  expect([4, 5.5, 7, 9.5].map((h) => isReadyWithin(window, h, h + 1, null))).toEqual([false, true, true, false])
})

test('chilled while it was ready it is held for sixteen hours; chilled past its window it is past', () => {
  // Its level sinks in the cold, and its window seems to close at once.
  const chilled = { opensHours: 6, closesHours: 7.1 }
  expect([10, 22, 24].map((h) => isReadyWithin(chilled, h, h + 1, 7))).toEqual([true, true, false])
  expect(isReadyWithin(window, 12, 13, 10)).toBe(false)
})

test('what gets ready in the cold keeps for a day from then', () => {
  const slow = { opensHours: 30, closesHours: 80 }
  expect([20, 29.5, 50, 55].map((h) => isReadyWithin(slow, h, h + 1, 2))).toEqual([false, true, true, false])
  expect(isReadyWithin({ opensHours: null, closesHours: null }, 40, 41, 2)).toBe(false)
})
