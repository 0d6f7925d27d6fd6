import { learnWork, minutesOf, type StepTime, shapedOf, takesHands, USUAL_WORK, workOf } from './work'

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

const seen = (step: StepTime['step'], minutes: readonly number[], hands: StepTime['hands'] = {}): StepTime[] =>
  minutes.map((each) => ({ step, minutes: each, hands }))

test('what was seen three times is learned, by its middle; what was seen twice is not', () => {
  expect(learnWork([...seen('fold', [6, 9, 7]), ...seen('mix', [30, 30])])).toEqual({ fold: 7 })
  expect(learnWork([])).toEqual({})
})

test('shaping is learned for its pieces: who needs 50 min for two loaves needs 78 for a dozen rolls', () => {
  // Usual are 25 min for two loaves, 39 for twelve rolls: this baker takes twice as long.
  const learned = learnWork(seen('shape', [50, 48, 55], { pieces: 2, rolls: 0 }))
  expect(learned).toEqual({ shape: 30, piece: 10, roll: 4 })
  expect(minutesOf('shape', { work: workOf({ workSeen: learned }), pieces: 0, rolls: 12 })).toBe(78)
})

test('who forgot to say that it was done, or said both at once, teaches nothing', () => {
  expect(learnWork(seen('mix', [300, 600, 0.5, 20, 22]))).toEqual({})
  expect(learnWork(seen('mix', [300, 600, 0.5, 20, 22, 24]))).toEqual({ mix: 22 })
})

test('only the latest count, and what the baker has set goes before what was seen', () => {
  const lately = Array.from({ length: 12 }, () => 30)
  expect(learnWork(seen('mix', [...lately, ...Array.from({ length: 40 }, () => 15)]))).toEqual({ mix: 30 })
  expect(workOf({ workSeen: { mix: 30 } })).toEqual({ ...USUAL_WORK, mix: 30 })
  expect(workOf({ work: { ...USUAL_WORK, mix: 12 }, workSeen: { mix: 30 } }).mix).toBe(12)
})

test('a look takes no hands', () => {
  expect(['mix', 'fold', 'out'].every(takesHands)).toBe(true)
  expect(['look', 'eat', 'grow', 'piece'].some(takesHands)).toBe(false)
})
