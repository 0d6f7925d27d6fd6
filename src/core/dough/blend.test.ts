import { FLOURS } from '../ferment/flours'
import { glutenByName, holdsGluten, kindsOfBlend, kindsOfGrams, ownTraits, withBlends, withParts } from './blend'
import { BUILT_IN_INGREDIENTS } from './builtInIngredients'
import { type Ingredient, pantryOf } from './ingredient'

const builtIn = (id: string): Ingredient => {
  const found = BUILT_IN_INGREDIENTS.find((i) => i.id === id)
  if (found === undefined) throw new Error(`no ${id}`)
  return found
}
const mix: Ingredient = {
  id: 'mix',
  name: 'House mix',
  kind: 'flour',
  composition: { flour: 1, water: 0, salt: 0 },
  flourKind: 'gluten-free',
  allergens: [],
  fine: false,
  blend: [
    { ingredientId: 'strong white', share: 75 },
    { ingredientId: 'rye', share: 25 }
  ]
}
const strong = { ...builtIn('strong white'), protein: 0.13, absorption: 0.02 }
const rye = { ...builtIn('rye'), protein: 0.09, absorption: 0.14 }
const others = BUILT_IN_INGREDIENTS.filter((i) => i.id !== strong.id && i.id !== rye.id)
const all = withBlends([...others, strong, rye, mix])
const pantry = pantryOf(all)
const grams = (ingredientId: string, g: number) => ({ ingredientId, grams: g })

test('a house mix is what it is made of: main kind, allergens, protein and thirst by its shares', () => {
  const filled = pantry.get('mix')
  // .75 × 13 + .25 × 9 = 12 %; .75 × 2 + .25 × 14 = 5 points
  expect(filled).toMatchObject({ flourKind: 'white wheat', allergens: ['gluten'] })
  expect(filled?.protein).toBeCloseTo(0.12, 9)
  expect(filled?.absorption).toBeCloseTo(0.05, 9)
  expect(filled?.density?.[0]).toBeCloseTo(0.75 * 0.5 + 0.25 * 0.45, 9)
})

test('where a part does not say its protein, the mix says none', () => {
  const [, , filled] = withBlends([strong, builtIn('rye'), mix])
  expect(filled?.protein).toBeUndefined()
})

test('in a build it counts as its kinds, beside other flours', () => {
  // 60 parts mix: 45 white, 15 rye; 40 parts rye
  expect(
    kindsOfBlend(
      [
        { ingredientId: 'mix', share: 60 },
        { ingredientId: 'rye', share: 40 }
      ],
      pantry
    )
  ).toEqual({ 'white wheat': expect.closeTo(0.45, 9), rye: expect.closeTo(0.55, 9) })
  expect(kindsOfGrams({ mix: 200, buckwheat: 50 }, pantry)).toEqual({ 'white wheat': 150, rye: 50, 'gluten-free': 50 })
  expect(kindsOfBlend([{ ingredientId: 'sand', share: 1 }], pantry)).toBeNull()
  expect(kindsOfBlend([{ ingredientId: 'mix', share: 0 }], pantry)).toBeNull()
})

test('a flour that was taken away since counts as the mix’s main kind', () => {
  const left = pantryOf(all.filter((i) => i.id !== 'rye'))
  expect(kindsOfBlend([{ ingredientId: 'mix', share: 1 }], left)).toEqual({ 'white wheat': 1 })
})

test('a flour that is said to be quicker speeds up the batch by its share, against its kind', () => {
  expect(ownTraits([grams('rye', 100)], pantry)).toBeUndefined()
  const quick = pantryOf(withBlends([...others, strong, { ...rye, pace: FLOURS.rye.pace * 1.5 }, mix]))
  expect(ownTraits([grams('rye', 80)], quick)?.pace).toBeCloseTo(1.5, 9)
  // 50 g white at 1, 50 g rye at 1.2 × 1.5: (50 + 90) ÷ (50 + 60)
  expect(ownTraits([grams('strong white', 50), grams('rye', 50)], quick)?.pace).toBeCloseTo(140 / 110, 9)
  expect(ownTraits([grams('strong white', 50), grams('rye', 50)], quick)?.hold).toBeCloseTo(1, 9)
  // Of the mix a quarter is rye: (75 + 45) ÷ (75 + 30)
  expect(ownTraits([grams('mix', 100)], quick)?.pace).toBeCloseTo(120 / 105, 9)
})

test('gluten is told by the allergen or by the kind, whichever says so', () => {
  expect(holdsGluten(builtIn('buckwheat'))).toBe(false)
  expect(holdsGluten({ ...builtIn('buckwheat'), flourKind: 'spelt' })).toBe(true)
  expect(holdsGluten({ ...builtIn('buckwheat'), allergens: ['gluten'] })).toBe(true)
  expect(holdsGluten(pantry.get('mix') as Ingredient)).toBe(true)
})

test('what goes with a blend goes along with it, each once', () => {
  expect(withParts(['mix', 'rye', 'gone'], pantry).map((i) => i.id)).toEqual(['mix', 'strong white', 'rye'])
})

test.each([
  ['Barley flour', 'holds'],
  ['Pearl barley', 'holds'],
  ['Wholemeal spelt', 'holds'],
  ['Malted milk', 'holds'],
  ['Oat flakes', 'may hold'],
  ['Rolled oats', 'may hold'],
  ['Buckwheat flour', null],
  ['Gluten-free oats', null],
  ['Goat cheese', null],
  ['Rice flour', null]
])('%s: gluten %s by its name', (name, says) => {
  expect(glutenByName(name)).toBe(says)
})
