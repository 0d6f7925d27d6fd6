import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import { pantryOf } from '../dough/ingredient'
import { CULTURE_TRAITS, CULTURES, cultureOf, usualFeed } from './cultures'
import { glutenInto, withoutSpare } from './guard'

const PANTRY = pantryOf(BUILT_IN_INGREDIENTS)

test('into a gluten-free jar goes nothing with gluten, and nothing that is not known', () => {
  expect(glutenInto({ flour: 'gluten-free' }, ['buckwheat', 'sorghum', 'rice'], PANTRY)).toEqual([])
  expect(glutenInto({ flour: 'gluten-free' }, ['buckwheat', 'spelt', 'rye'], PANTRY)).toEqual(['Spelt flour', 'Wholegrain rye flour'])
  expect(glutenInto({ flour: 'gluten-free' }, ['something'], PANTRY)).toEqual(['something'])
  expect(glutenInto({ flour: 'rye' }, ['white wheat', 'something'], PANTRY)).toEqual([])
})

test('a jar and what was taken from it, however far back, are one family: one of them alone has no spare', () => {
  const jar = (id: string, originId: string | null = null) => ({ id, originId })
  const ids = (...jars: ReturnType<typeof jar>[]) => withoutSpare(jars).map((j) => j.id)
  expect(ids(jar('juno'), jar('moth'))).toEqual(['juno', 'moth'])
  expect(ids(jar('juno'), jar('dried', 'juno'), jar('moth'))).toEqual(['moth'])
  expect(ids(jar('juno'), jar('dried', 'juno'), jar('woken', 'dried'))).toEqual([])
  // Two that were taken from one that is no more are each other's spare.
  expect(ids(jar('a', 'gone'), jar('b', 'gone'))).toEqual([])
  expect(ids(jar('a', 'gone'))).toEqual(['a'])
})

test.each(CULTURES.filter((c) => c !== 'dried'))('%s: its usual feed is of flours the kitchen has, and keeps to its own', (culture) => {
  const { feed, flour, hydration, flourPerSeed } = CULTURE_TRAITS[culture]
  expect(
    glutenInto(
      { flour },
      feed.map((p) => p.ingredientId),
      PANTRY
    )
  ).toEqual([])
  for (const part of feed) expect(PANTRY.get(part.ingredientId)?.kind).toBe('flour')
  expect(hydration).toBeGreaterThan(0.25)
  expect(flourPerSeed).toBeGreaterThan(0.5)
})

test('what a jar is when only flour and water are known', () => {
  expect(cultureOf('white wheat', 1)).toBe('white wheat')
  expect(cultureOf('white wheat', 0.5)).toBe('stiff')
  expect(cultureOf('rye', 1.2)).toBe('rye')
  expect(cultureOf('spelt', 1)).toBe('wholegrain')
  expect(cultureOf('gluten-free', 0.5)).toBe('gluten-free')
  expect(usualFeed('white wheat', 'spelt')).toEqual([{ ingredientId: 'spelt', share: 1 }])
  expect(usualFeed('house blend', 'white wheat').map((p) => p.ingredientId)).toEqual(['white wheat', 'rye'])
})
