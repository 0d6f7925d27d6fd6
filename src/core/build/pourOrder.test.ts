import { pourKey, pourManner, pourSteps } from './pourOrder'

const masses = { seed: 20, older: 0, water: 80, flour: 100, salt: 1, oil: 0 }
const steps = { seed: 1, 'older levain': 1, water: 1, flour: 1, salt: 0.1, oil: 1 }
const flours = [
  { ingredientId: 'white wheat', grams: 70 },
  { ingredientId: 'rye', grams: 30 }
]
const order = (hydration: number, flour: 'white wheat' | 'rye') => pourSteps(masses, flours, pourManner(hydration, flour), steps).map(pourKey)

test('liquid: the seed is loosened in the water before any flour', () => {
  expect(order(1, 'white wheat')).toEqual(['seed', 'water', 'flour:white wheat', 'flour:rye', 'salt'])
})
test('stiff: flour into the seed, then the water', () => {
  expect(order(0.5, 'white wheat')).toEqual(['seed', 'flour:white wheat', 'flour:rye', 'salt', 'water'])
})
test('wet rye takes its water in portions, white flour as wet does not', () => {
  expect(pourManner(1.8, 'rye')).toBe('in portions')
  expect(pourManner(1.8, 'white wheat')).toBe('loosen')
  expect(pourManner(1, 'rye')).toBe('loosen')
})
test('an older levain follows the seed', () => {
  expect(pourSteps({ ...masses, older: 15 }, flours, 'loosen', steps).map((s) => s.item)).toEqual(['seed', 'older levain', 'water', 'flour', 'flour', 'salt'])
})
