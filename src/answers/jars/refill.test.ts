import type { Plan } from '../../contract'
import { refillOf, usualRefill } from './refill'

const blend = [
  { ingredientId: 'white wheat', share: 3 },
  { ingredientId: 'rye', share: 1 }
]
const jar = { hydration: 0.6, feed: blend }
const planWith = (refill?: object) => ({ build: { source: 'draw and top up', refill } }) as unknown as Plan

test('where nobody said, a jar gets as much as was drawn, at its own hydration', () => {
  // 158 g at 60 %: 98.75 g of flour and the rest water.
  expect(usualRefill(158, jar)).toEqual({ flours: null, flourGrams: 99, waterGrams: 59, outHours: null })
  const { flours, waterGrams } = refillOf(planWith(), jar, 158)
  expect(flours.map((f) => [f.ingredientId, Math.round(f.grams)])).toEqual([
    ['white wheat', 74],
    ['rye', 25]
  ])
  expect(waterGrams).toBe(59)
})

test('its own grams, flours and hours stay as they were said, whatever was drawn', () => {
  const refill = { flours: [{ ingredientId: 'rye', share: 1 }], flourGrams: 55, waterGrams: 55, outHours: 3 }
  expect(refillOf(planWith(refill), jar, 161)).toEqual({ flours: [{ ingredientId: 'rye', grams: 55 }], flourGrams: 55, waterGrams: 55, outHours: 3 })
})
