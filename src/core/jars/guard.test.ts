import { BUILT_IN_INGREDIENTS } from '../dough/builtInIngredients'
import type { Formula, FormulaLine } from '../dough/formula'
import { pantryOf } from '../dough/ingredient'
import { usualMix } from '../dough/mix'
import { simpleFormula } from '../testing/doughs'
import { CULTURE_TRAITS, CULTURES, cultureOf, usualFeed } from './cultures'
import { type GuardedDough, glutenInDough, glutenInto, withoutSpare } from './guard'

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

/** Every way in which gluten could come into a dough that is marked gluten-free. */
const FREE: Formula = {
  ...simpleFormula({ levain: 0.2 }),
  doughKind: 'gluten-free',
  lines: [
    { id: 'flour', kind: 'flour', ingredientId: 'buckwheat', share: 1 },
    { id: 'water', kind: 'water' },
    { id: 'levain', kind: 'levain', share: 0.2 },
    { id: 'salt', kind: 'salt' }
  ]
}
const withLine = (line: FormulaLine): Formula => ({ ...FREE, lines: [...FREE.lines, line] })
const moth = { name: 'Moth', flour: 'gluten-free' as const }
const clean = { formula: FREE, levainFlours: ['buckwheat', 'sorghum'], starters: [moth] }

test.each<[path: string, more: Partial<GuardedDough>, names: string[]]>([
  ['a flour', { formula: withLine({ id: 'x', kind: 'flour', ingredientId: 'rye', share: 0.1 }) }, ['Wholegrain rye flour']],
  ['a malt', { formula: withLine({ id: 'x', kind: 'extra', ingredientId: 'malt flour', share: 0.01 }) }, ['Diastatic malt flour']],
  [
    'a pre-ferment',
    { formula: withLine({ id: 'x', kind: 'pre-ferment', style: 'poolish', share: 0.2, mix: usualMix('poolish', 'white wheat') }) },
    ['White wheat flour']
  ],
  ['the levain’s flour', { levainFlours: ['white wheat'] }, ['White wheat flour']],
  ['the starter', { starters: [{ name: 'Juno', flour: 'white wheat' }] }, ['Juno']],
  ['old levain of another family', { starters: [moth, { name: 'Old levain', flour: 'rye' }] }, ['Old levain']]
])('a dough marked gluten-free takes nothing with gluten: %s', (_, more, names) => {
  expect(glutenInDough({ ...clean, ...more }, PANTRY)).toEqual(names)
  // Once its baker has taken the mark away, it may hold what it likes.
  const { formula } = { ...clean, ...more }
  expect(glutenInDough({ ...clean, ...more, formula: { ...formula, doughKind: 'wheat' } }, PANTRY)).toEqual([])
})

test('a clean dough has none, and what is not in it does not count', () => {
  expect(glutenInDough(clean, PANTRY)).toEqual([])
  expect(glutenInDough({ ...clean, formula: withLine({ id: 'x', kind: 'flour', ingredientId: 'rye', share: 0 }) }, PANTRY)).toEqual([])
  const without = { ...FREE, lines: FREE.lines.filter((line) => line.kind !== 'levain') }
  expect(glutenInDough({ formula: without, levainFlours: ['white wheat'], starters: [{ name: 'Juno', flour: 'white wheat' }] }, PANTRY)).toEqual([])
})
