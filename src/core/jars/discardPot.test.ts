import { millisecondsInDay } from 'date-fns/constants'
import fc from 'fast-check'
import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { pantryOf } from '../dough/ingredient'
import { DISCARD_FOODS, foodOfDiscard } from './discardFood'
import { leftInPot, type PotPortion, potContents, stalePotGrams } from './discardPot'

const monday = Date.UTC(2026, 10, 23, 8)
const portion = (day: number, grams: number, hydration = 1): PotPortion => ({
  sinceMs: monday + day * millisecondsInDay,
  grams,
  flour: 'white wheat',
  hydration
})
const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)

test('the oldest comes out first', () => {
  const [juno, bramble] = [{ milligrams: 60_000 }, { milligrams: 40_000 }]
  const left = leftInPot([juno, bramble, { milligrams: -80_000 }])
  expect(left).toHaveLength(1)
  expect(left[0]?.move).toBe(bramble)
  expect(left[0]?.milligrams).toBe(20_000)
})

test('more taken out than there was leaves nothing, and nothing owed', () => {
  expect(leftInPot([10, -30, 5].map((milligrams) => ({ milligrams }))).map((p) => p.milligrams)).toEqual([5])
})

test('taken from one pot, the oldest of that pot comes out; taken from no pot in particular, the oldest of all', () => {
  const moves = [
    { milligrams: 60_000, pot: 'with gluten' as const },
    { milligrams: 40_000, pot: 'gluten-free' as const },
    { milligrams: 10_000, pot: 'gluten-free' as const }
  ]
  const leftAfter = (out: { milligrams: number; pot?: 'with gluten' | 'gluten-free' }) => leftInPot([...moves, out]).map((p) => p.milligrams)
  expect(leftAfter({ milligrams: -45_000, pot: 'gluten-free' })).toEqual([60_000, 5_000])
  expect(leftAfter({ milligrams: -70_000, pot: 'gluten-free' })).toEqual([60_000])
  expect(leftAfter({ milligrams: -70_000 })).toEqual([30_000, 10_000])
})

test('what goes in is what comes out and what is left', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -200, max: 200 }), { maxLength: 60 }), (all) => {
      let there = 0
      for (const mg of all) there = Math.max(there + mg, 0)
      return leftInPot(all.map((milligrams) => ({ milligrams }))).reduce((sum, p) => sum + p.milligrams, 0) === there
    })
  )
})

test('flour, water and until when: 60 g at 100 % and 30 g at 50 %', () => {
  const contents = potContents([portion(0, 60), portion(3, 30, 0.5)])
  // 30 + 20 g of flour, 30 + 10 g of water
  expect(contents).toMatchObject({ grams: 90, flourGrams: 50, waterGrams: 40, hydration: 0.8, gluten: true, useByMs: monday + 7 * millisecondsInDay })
  expect(potContents([])).toMatchObject({ grams: 0, hydration: 0, useByMs: null })
})

test('older than a week is not used', () => {
  const portions = [portion(0, 60), portion(3, 30)]
  expect(stalePotGrams(portions, monday + 7 * millisecondsInDay)).toBe(0)
  expect(stalePotGrams(portions, monday + 8 * millisecondsInDay)).toBe(60)
  expect(stalePotGrams(portions, monday + 11 * millisecondsInDay)).toBe(90)
})

test('crackers of 150 g: grams scaled, the discard’s flour and water counted', () => {
  const crackers = DISCARD_FOODS.find((f) => f.name === 'Crackers')
  if (crackers === undefined) throw new Error('no crackers')
  const { lines, values } = foodOfDiscard(crackers, { hydration: 1, gluten: true }, 150, PANTRY)
  expect(lines.map((l) => [l.name, l.grams])).toEqual([
    ['White wheat flour', 82.5],
    ['Oil', 33],
    ['Salt', 4.5],
    ['Sesame seeds', 18]
  ])
  // 75 + 82.5 g of flour; 75 g of water, and 5 % of the sesame
  expect(values.flourGrams).toBeCloseTo(157.5, 9)
  expect(values.waterGrams).toBeCloseTo(75.9, 9)
})

test('of a gluten-free pot nothing is made that holds gluten', () => {
  for (const food of DISCARD_FOODS) {
    const { lines } = foodOfDiscard(food, { hydration: 1.1, gluten: false }, 100, PANTRY)
    expect(lines.length).toBeGreaterThan(2)
    for (const line of lines) expect(PANTRY.get(line.ingredientId)?.allergens).not.toContain('gluten')
  }
})
