import { contextWith, PANTRY, richFormula, simpleFormula } from '../testing/doughs'
import { allergensOf } from './allergens'
import { BUILT_IN_INGREDIENTS } from './builtInIngredients'
import { compareFormulas } from './compareFormulas'
import type { Formula, Target } from './formula'
import { anatomyOf, PRE_FERMENT_STYLES, usualMix } from './mix'
import { doughForPieces, shapeGrams } from './pieces'
import { portionsOf } from './portions'
import { roundDough } from './roundDough'
import { solveFormula } from './solveFormula'

const solve = (formula: Formula, target: Target = { kind: 'dough', grams: 1000 }) => {
  const answer = solveFormula(formula, target, contextWith(1))
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}

test('pieces of mixed sizes, lost at the bench and in the oven', () => {
  const market = [
    { count: 18, grams: 65 },
    { count: 1, grams: 900 }
  ]
  expect(doughForPieces(market, 0)).toBe(2070)
  expect(doughForPieces(market, 0.02)).toBeCloseTo(2112.24, 2)
  // 800 g baked: 800 / .88 = 909.09 into the oven, / .98 = 927.64 at the bench
  expect(doughForPieces([{ count: 1, grams: 800 }], 0.02, 0.12)).toBeCloseTo(927.64, 2)
})

test.each([
  ['thin flatbread', 30, 260],
  ['thick flatbread', 28, 430],
  ['wheat tin', 2000, 920],
  ['rye tin', 1000, 780],
  ['round', 750, 750]
] as const)('%s of %d wants %d g', (shape, size, grams) => {
  expect(shapeGrams(shape, size)).toBe(grams)
})

describe('rounding to the scale', () => {
  const solved = solve(simpleFormula({ levain: 0.2 }))
  test('salt to a tenth on the small scale, the rest to the gram; the truth is that of the rounded grams', () => {
    // k = 1.1; divisor 1 + (.814 − .1) + .0231 + .2 = 1.9371: flour 516.24, water 368.59, levain 103.25, salt 11.93
    const weighed = roundDough(solved, true)
    expect(weighed.lines.map((l) => l.grams)).toEqual([516, 369, 103, 11.9])
    expect(weighed.truth.hydration).toBeCloseTo((369 + 51.5) / (516 + 51.5), 12)
    expect(weighed.truth.salt).toBeCloseTo(11.9 / 567.5, 12)
    expect(weighed.doughGrams).toBeCloseTo(999.9, 9)
  })
  test('with one scale only, everything to the gram', () => {
    expect(roundDough(solved, false).lines.map((l) => l.grams)).toEqual([516, 369, 103, 12])
  })
  test('a pinch of yeast in a poolish survives on the small scale', () => {
    const poolish = roundDough(solve(richFormula('dough flour', 0.2, 'poolish'), { kind: 'added flour', grams: 1000 }), true).lines.find(
      (l) => l.id === 'poolish'
    )
    expect(poolish?.parts.map((p) => p.grams)).toEqual([200, 200, 0.2])
  })
})

describe('portions of the same total', () => {
  const formula: Formula = { ...simpleFormula({ levain: 0.2 }), autolyse: true, heldBack: 0.05 }
  test('autolyse, mix, and water held back sum to the dough', () => {
    const solved = solve(formula)
    const weighed = roundDough(solved, true)
    const portions = portionsOf(formula, weighed.lines, solved.baseFlourGrams)
    // 5 % of 516 g flour is 26 g of water held back, so 369 − 26 = 343 g go first
    expect(portions.map((p) => [p.kind, p.items.map((i) => `${i.name} ${i.grams}`)])).toEqual([
      ['autolyse', ['White wheat flour 516', 'Water 343']],
      ['mix', ['Levain 103', 'Salt 11.9']],
      ['late', ['Water 26']]
    ])
    const sum = portions.flatMap((p) => p.items).reduce((t, i) => t + i.grams, 0)
    expect(sum).toBeCloseTo(weighed.doughGrams, 9)
  })
  test('without either there is one portion', () => {
    const solved = solve(simpleFormula())
    expect(portionsOf(simpleFormula(), solved.lines, solved.baseFlourGrams).map((p) => p.kind)).toEqual(['mix'])
  })
})

test('allergens of flours, extras, pre-ferments and the levain', () => {
  const formula = simpleFormula({
    extras: [
      ['milk', 0.1],
      ['sesame', 0.05]
    ]
  })
  expect(allergensOf(formula, ['white wheat'], PANTRY)).toEqual(['gluten', 'milk', 'sesame'])
  const free: Formula = { ...simpleFormula(), lines: simpleFormula().lines.map((l) => (l.kind === 'flour' ? { ...l, ingredientId: 'buckwheat' } : l)) }
  expect(allergensOf(free, ['sorghum'], PANTRY)).toEqual([])
  expect(allergensOf(free, ['rye'], PANTRY)).toEqual(['gluten'])
})

test('two doughs side by side, whatever their size and base', () => {
  const left = solve(simpleFormula({ levain: 0.2 }))
  const right = solve({ ...simpleFormula({ levain: 0.2, extras: [['honey', 0.03]] }), base: 'plain' }, { kind: 'dough', grams: 4000 })
  const rows = compareFormulas(left, right)
  expect(rows.map((r) => r.name)).toEqual(['White wheat flour', 'Water', 'Levain', 'Salt', 'Honey'])
  expect(rows[1]?.left?.share).toBeCloseTo(0.714 / 1.1, 9)
  expect(rows[1]?.right?.share).toBeCloseTo(0.74 / 1.1, 9)
  // 4000 g of 100 + 74 + 20 + 2.1 + 3 parts.
  expect(rows[1]?.right?.grams).toBeCloseTo((4000 * 0.74) / 1.991, 6)
  expect(rows[4]).toMatchObject({ left: null })
})

test('the built-in list: every id once, shares that are shares, names that differ', () => {
  expect(new Set(BUILT_IN_INGREDIENTS.map((i) => i.id)).size).toBe(BUILT_IN_INGREDIENTS.length)
  expect(new Set(BUILT_IN_INGREDIENTS.map((i) => i.name)).size).toBe(BUILT_IN_INGREDIENTS.length)
  for (const { composition: c, density, kind, flourKind, allergens } of BUILT_IN_INGREDIENTS) {
    expect(c.flour + c.water + c.salt).toBeLessThanOrEqual(1 + 1e-12)
    expect(density === undefined || density[0] <= density[1]).toBe(true)
    expect((kind === 'flour') === (flourKind !== undefined)).toBe(true)
    if (kind === 'flour') expect(allergens.includes('gluten')).toBe(flourKind !== 'gluten-free')
  }
})

test('every usual pre-ferment can be made', () => {
  for (const style of PRE_FERMENT_STYLES) {
    const anatomy = anatomyOf(usualMix(style, 'rye'), PANTRY)
    const { flour, water, salt, others } = anatomy ?? { flour: 0, water: 0, salt: 0, others: { flour: 0, water: 0, salt: 0 } }
    expect(flour + water + salt + others.flour + others.water).toBeGreaterThan(0.5)
  }
})

test('rounded up, no line weighs less than it should, and the dough of pieces by their flour keeps its percents', () => {
  // 4 × 131 + 233 = 757 g of flour: 74 % are 560.18 of water, 20 % 151.4 of levain, 2 % 15.14 of salt.
  const formula = simpleFormula({ base: 'plain', hydration: 0.74, salt: 0.02, levain: 0.2, roundUp: true })
  const target = {
    kind: 'flour pieces' as const,
    pieces: [
      { count: 4, grams: 131 },
      { count: 1, grams: 233 }
    ]
  }
  const gramsOf = (roundUp: boolean) => {
    const solved = solveFormula({ ...formula, roundUp }, target, contextWith(1))
    if (!solved.ok) throw new Error(solved.problem.code)
    return roundDough(solved.value, false).lines.map((line) => line.grams)
  }
  expect(gramsOf(true)).toEqual([757, 561, 152, 16])
  expect(gramsOf(false)).toEqual([757, 560, 151, 15])
})
