import { minutesOf, shapedOf, takesHands, USUAL_WORK } from './work'

test('shaping takes longer the more pieces there are; two loaves, a dozen rolls', () => {
  expect(minutesOf('shape')).toBe(25)
  expect(minutesOf('shape', { pieces: 1 })).toBe(20)
  expect(minutesOf('shape', { pieces: 0, rolls: 12 })).toBe(39)
  // A crown of 900 g and a dozen rolls of 80 g: 15 + 5 + 24.
  expect(
    minutesOf(
      'shape',
      shapedOf([
        { count: 1, grams: 900 },
        { count: 12, grams: 80 }
      ])
    )
  ).toBe(44)
  expect(minutesOf('shape', shapedOf([]))).toBe(25)
  expect(minutesOf('mix', { pieces: 12 })).toBe(minutesOf('mix', { pieces: 1 }))
})

test('a kitchen with its own figures', () => {
  const work = { ...USUAL_WORK, shape: 10, piece: 2, mix: 30 }
  expect(minutesOf('shape', { work, pieces: 4 })).toBe(18)
  expect(minutesOf('mix', { work })).toBe(30)
})

test('a look takes no hands', () => {
  expect(['mix', 'fold', 'out'].every(takesHands)).toBe(true)
  expect(['look', 'eat', 'grow', 'piece'].some(takesHands)).toBe(false)
})
