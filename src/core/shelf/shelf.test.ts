import { millisecondsInDay } from 'date-fns/constants'
import fc from 'fast-check'
import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { type Ingredient, pantryOf } from '../dough/ingredient'
import { costOf, pricePerGram } from './cost'
import { factsOf, meanFact } from './flourFacts'
import { type ComingUse, comingFeeds, shelfNeeds } from './needs'
import { shoppingList, shoppingMarkdown } from './shoppingList'

const monday = Date.UTC(2026, 10, 23, 8)
const day = (n: number) => monday + n * millisecondsInDay
const use = (ingredientId: string, grams: number, on: number, forWhat = 'a bake'): ComingUse => ({ ingredientId, grams, atMs: day(on), forWhat })
const builtIn = (id: string) => BUILT_IN_INGREDIENTS.find((i) => i.id === id) as Ingredient
const priced = (id: string, amount: number, packGrams: number): Ingredient => ({ ...builtIn(id), price: { amount, packGrams } })
const mix: Ingredient = {
  ...builtIn('strong white'),
  id: 'mix',
  name: 'House mix',
  blend: [
    { ingredientId: 'white wheat', share: 3 },
    { ingredientId: 'rye', share: 1 }
  ]
}
const PANTRY = pantryOf([...BUILT_IN_INGREDIENTS, priced('white wheat', 1.2, 1000), priced('rye', 3, 1500), mix])

test('a jar fed daily takes a feed a day, one that was forgotten is fed now, one of unknown habit weekly', () => {
  const flours = [{ ingredientId: 'rye', grams: 40 }]
  const feeds = (lastDay: number, everyHours: number | null, untilDay: number) =>
    comingFeeds({ name: 'Bramble', lastMs: day(lastDay), everyHours, flours }, monday, day(untilDay)).map((f) => (f.atMs - monday) / millisecondsInDay)
  expect(feeds(-0.5, 24, 3)).toEqual([0.5, 1.5, 2.5])
  expect(feeds(-9, 168, 8)).toEqual([0, 7])
  expect(feeds(-1, null, 14)).toEqual([6, 13])
  // Twice within the hour is a slip, not a habit.
  expect(feeds(-1, 0.5, 1).length).toBe(4)
})

test('when it runs out, and for what: 900 g, 400 on Tuesday, 400 on Thursday, 200 on Friday', () => {
  const uses = [use('rye', 200, 4, 'Juno'), use('rye', 400, 1), use('rye', 400, 3)]
  const [need] = shelfNeeds(new Map([['rye', 900]]), uses)
  expect(need).toEqual({ ingredientId: 'rye', grams: 900, takenGrams: 1000, runsOut: uses[0], missingGrams: 100 })
  const [enough] = shelfNeeds(new Map([['rye', 1000]]), uses)
  expect(enough).toMatchObject({ runsOut: null, missingGrams: 0 })
})

test('what was never counted runs out at no time; less than nothing by the book is nothing', () => {
  const needs = shelfNeeds(new Map([['rye', -50]]), [use('rye', 100, 2), use('spelt', 300, 1)])
  expect(needs.map((n) => [n.ingredientId, n.grams, n.missingGrams])).toEqual([
    ['rye', -50, 100],
    ['spelt', null, 0]
  ])
  expect(needs[0]?.runsOut?.atMs).toBe(day(2))
})

test('those that run out first stand first', () => {
  const stock = new Map([
    ['rye', 100],
    ['spelt', 100],
    ['white wheat', 5000]
  ])
  const needs = shelfNeeds(stock, [use('rye', 150, 5), use('spelt', 150, 2), use('white wheat', 2000, 1)])
  expect(needs.map((n) => n.ingredientId)).toEqual(['spelt', 'rye', 'white wheat'])
})

test('what is missing is what is taken less what is there, however the uses fall', () => {
  fc.assert(
    fc.property(fc.nat(3000), fc.array(fc.tuple(fc.nat(500), fc.nat(20))), (there, wanted) => {
      const uses = wanted.map(([grams, on]) => use('rye', grams, on))
      const [need] = shelfNeeds(new Map([['rye', there]]), uses)
      const taken = wanted.reduce((sum, [grams]) => sum + grams, 0)
      return need?.missingGrams === Math.max(taken - there, 0) && (need.runsOut !== null) === taken > there
    })
  )
})

test('what 500 g white, 150 g rye and salt cost: 60 and 30 cents, the salt has no price, water none either', () => {
  const cost = costOf(
    new Map([
      ['white wheat', 500],
      ['rye', 150],
      ['salt', 12],
      ['water', 480]
    ]),
    PANTRY
  )
  expect(cost.amount).toBeCloseTo(0.9, 9)
  expect(cost.unpriced).toEqual(['Salt'])
})

test('a mix without a price costs what its flours do; with one unpriced part it has none', () => {
  // 3 parts at 1.20 a kilogram and one at 2.00: 1.40
  expect(pricePerGram(mix, PANTRY)).toBeCloseTo(0.0014, 9)
  expect(pricePerGram({ ...mix, price: { amount: 2.5, packGrams: 1000 } }, PANTRY)).toBeCloseTo(0.0025, 9)
  expect(pricePerGram({ ...mix, blend: [{ ingredientId: 'spelt', share: 1 }] }, PANTRY)).toBeNull()
})

test('the list: whole packs of what is missing, all of what was never counted, no water', () => {
  const needs = shelfNeeds(new Map([['rye', 200]]), [use('rye', 2000, 3), use('milk', 250, 2), use('water', 900, 1)])
  const items = shoppingList(needs, PANTRY)
  expect(items.map((i) => [i.ingredient.id, i.grams, i.packs?.count, i.packs?.amount])).toEqual([
    ['rye', 1800, 2, 6],
    ['milk', 250, undefined, undefined]
  ])
  expect(shoppingMarkdown('Shopping', items, (i) => `${i.grams} g`)).toBe('# Shopping\n\n- [ ] Wholegrain rye flour: 1800 g\n- [ ] Milk: 250 g\n')
})

test('a flour is what its packet says, and what its kind usually is where it says nothing', () => {
  const facts = factsOf({ ...builtIn('rye'), protein: 0.083, pace: 1.4 })
  expect(facts.protein).toEqual({ value: 0.083, least: 0.083, most: 0.083, from: 'yours' })
  expect(facts.pace).toMatchObject({ value: 1.4, from: 'yours' })
  expect(facts.absorption.from).toBe('kind')
  expect(facts.absorption.least).toBeLessThan(facts.absorption.value)
  expect(facts.hold.most).toBeGreaterThan(facts.hold.value)
  expect(() => factsOf(builtIn('milk'))).toThrow(RangeError)
})

test('strong white flour has more protein than plain white, and light rye less than dark', () => {
  const usual = (id: string) => factsOf(builtIn(id)).protein.value
  expect(usual('strong white')).toBeGreaterThan(usual('white wheat') + 0.02)
  expect(usual('light rye')).toBeLessThan(usual('rye'))
})

test('protein of 3 parts at 12 % and one at 8 % is 11 %', () => {
  const flours = [
    { ingredient: { ...builtIn('white wheat'), protein: 0.12 }, grams: 300 },
    { ingredient: { ...builtIn('rye'), protein: 0.08 }, grams: 100 }
  ]
  expect(meanFact(flours, 'protein')).toBeCloseTo(0.11, 9)
  expect(meanFact([], 'protein')).toBeNull()
})
