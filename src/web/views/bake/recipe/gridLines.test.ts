import { BUILT_IN_INGREDIENTS, createFormat, type Formula, levainOf, pantryOf, type Target, usualMix } from '../../../../core'
import { type GridFacts, gridOf } from './gridLines'
import { createGridTexts, textKey } from './gridTexts'

const facts: GridFacts = {
  context: { pantry: pantryOf(BUILT_IN_INGREDIENTS), levain: levainOf(1) },
  format: createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' }),
  smallScale: true,
  levainHydration: 1
}
const ounces: GridFacts = { ...facts, format: createFormat({ mass: 'oz', temperature: '°F', clock: '12 h', timeZone: 'UTC' }) }
const target: Target = { kind: 'added flour', grams: 1000 }
const formula: Formula = {
  base: 'dough flour',
  doughKind: 'wheat',
  hydration: 0.7,
  salt: 0.02,
  lines: [
    { id: 'f', kind: 'flour', ingredientId: 'strong white', share: 85 },
    { id: 'r', kind: 'flour', ingredientId: 'rye', share: 15, estimate: 0.1 },
    { id: 'w', kind: 'water' },
    { id: 'l', kind: 'levain', share: 0.2 },
    { id: 's', kind: 'salt' },
    { id: 'b', kind: 'extra', ingredientId: 'butter', share: 0.05 },
    { id: 'm', kind: 'extra', ingredientId: 'milk', share: 0 },
    { id: 'p', kind: 'pre-ferment', style: 'poolish', mix: usualMix('poolish', 'strong white'), share: 0.2 }
  ],
  autolyse: false,
  heldBack: 0
}
const row = (id: string, of = gridOf({ formula, target }, facts)) => of.lines.find((l) => l.id === id)
const words = (text: string | undefined) => text?.replace(/\s/g, ' ')

test('each line has its name, its figures, and what has to be told of it', () => {
  expect(row('f')).toMatchObject({ name: 'Strong white flour', share: '85', grams: '650', fixedShare: false })
  expect(words(row('f')?.more)).toBe('and 200 g ahead')
  expect(words(row('r')?.more)).toBe('± 10 % until weighed')
  expect(words(row('l')?.name)).toBe('Levain, 100 %')
  // k 1.1: 2 % of 1100 g
  expect(row('s')).toMatchObject({ share: '2.2', grams: '22.0' })
})

test('the column adds up to what it says: what a poolish takes of flour and water is counted above it, and told so', () => {
  const { lines, total } = gridOf({ formula, target }, facts)
  expect(row('p')).toMatchObject({ share: '20', more: 'of the flour; counted above' })
  const sum = lines.filter((l) => l.id !== 'p').reduce((t, l) => t + Number(l.share), 0)
  // Its pinch of yeast, 0.1 % of a fifth, is in the sum and in no other line.
  expect(Number(total.share) - sum).toBeCloseTo(0.02, 1)
})

test('an allergen is told where the name does not tell it', () => {
  expect(row('b')?.more).toBe('contains milk')
  expect(row('m')?.more).toBe('')
})

test('in ounces the cells hold ounces', () => {
  // 650 / 28.3495
  expect(row('f', gridOf({ formula, target }, ounces))?.grams).toBe('22.93')
})

test('a dough that cannot be shows what is written, and no grams', () => {
  const broken = gridOf({ formula: { ...formula, hydration: 0.05 }, target }, facts)
  expect(row('f', broken)).toMatchObject({ share: '85', grams: '' })
  expect(row('w', broken)).toMatchObject({ share: '5', grams: '' })
  expect(broken.total).toEqual({ share: '', grams: '' })
})

test('the only flour has no % to type; an ingredient that is gone says so', () => {
  const one: Formula = {
    ...formula,
    lines: [
      { id: 'f', kind: 'flour', ingredientId: 'moon dust', share: 1 },
      { id: 'w', kind: 'water' },
      { id: 's', kind: 'salt' }
    ]
  }
  expect(row('f', gridOf({ formula: one, target }, facts))).toMatchObject({ name: 'Not in this kitchen any more', fixedShare: true })
})

test('the texts of a grid are told to whoever listens, and to nobody after that', () => {
  const texts = createGridTexts()
  const heard: string[] = []
  const leave = texts.subscribe(() => heard.push(texts.get(textKey('w', 'grams'))))
  const { lines, total } = gridOf({ formula, target }, facts)
  texts.set(lines, total)
  leave()
  texts.set([], { share: '', grams: '' })
  expect(heard).toEqual([row('w')?.grams])
})
