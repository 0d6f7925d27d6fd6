import { normalBelow } from './normalBelow'

test('the normal distribution, against tables', () => {
  expect(normalBelow(0)).toBeCloseTo(0.5, 6)
  expect(normalBelow(1.6449)).toBeCloseTo(0.95, 5)
  expect(normalBelow(-1.2816)).toBeCloseTo(0.1, 4)
})
