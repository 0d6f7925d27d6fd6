import fc from 'fast-check'
import { contextWith, richFormula, simpleFormula } from '../testing/doughs'
import { editCell, type SizedFormula } from './editCell'
import type { Formula, Target } from './formula'
import { solveFormula } from './solveFormula'

const context = contextWith(1)
const dough: Target = { kind: 'dough', grams: 1000 }
const rich = richFormula('dough flour', 0.2, 'poolish')
const solve = ({ formula, target }: SizedFormula) => {
  const answer = solveFormula(formula, target, context)
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}
const edit = (formula: Formula, lineId: string, column: 'share' | 'grams', value: number, target: Target = dough) => {
  const answer = editCell({ formula, target }, lineId, column, value, context)
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}
const refusal = (formula: Formula, lineId: string, column: 'share' | 'grams', value: number) => {
  const answer = editCell({ formula, target: dough }, lineId, column, value, context)
  return answer.ok ? null : answer.problem.code
}
const cell = (sized: SizedFormula, lineId: string) =>
  solve(sized).lines.find((l) => l.id === lineId) ?? { grams: Number.NaN, share: Number.NaN, ahead: Number.NaN }

test('a share of water moves the hydration, and only that', () => {
  const after = edit(simpleFormula({ levain: 0.2 }), 'water', 'share', 0.7)
  expect(cell(after, 'water').share).toBeCloseTo(0.7, 9)
  // .7 + .1 of water in the levain, on 1.1 of flour
  expect(after.formula.hydration).toBeCloseTo(0.8 / 1.1, 9)
  expect(solve(after).doughGrams).toBeCloseTo(1000, 6)
})

test('one flour up, the others down: they fill what is left in the ratio they had', () => {
  const three = { ...rich, lines: [...rich.lines, { id: 'spelt', kind: 'flour', ingredientId: 'spelt', share: 10 } as const] }
  const after = edit(three, 'rye', 'share', 0.2)
  expect(cell(after, 'rye').share).toBeCloseTo(0.2, 9)
  expect(cell(after, 'white').share).toBeCloseTo((0.8 * 70) / 80, 9)
  expect(cell(after, 'spelt').share).toBeCloseTo((0.8 * 10) / 80, 9)
})

test('grams ask for the share that gives them; the dough keeps its size', () => {
  for (const [line, grams] of [
    ['milk', 90],
    ['water', 300],
    ['salt', 15],
    ['levain', 150],
    ['rye', 40],
    ['poolish', 160]
  ] as const) {
    const after = edit(rich, line, 'grams', grams)
    expect(cell(after, line).grams).toBeCloseTo(grams, 3)
    expect(solve(after).doughGrams).toBeCloseTo(1000, 6)
  }
})

test('grams of the only flour set the size', () => {
  const after = edit(simpleFormula(), 'flour', 'grams', 750)
  expect(after.target).toEqual({ kind: 'added flour', grams: 750 })
  expect(cell(after, 'flour').grams).toBeCloseTo(750, 9)
})

test('with a poolish of the same flour, what is typed is what is weighed at the mix', () => {
  const one = { ...rich, lines: rich.lines.filter((l) => l.id !== 'rye') }
  const after = edit(one, 'white', 'grams', 400)
  // A fifth of the flour is in the poolish; typed at 1000 g of dough it keeps the poolish of that moment.
  expect(after.target.kind).toBe('added flour')
  expect(cell(after, 'white').grams + cell(after, 'white').ahead).toBeCloseTo(after.target.kind === 'added flour' ? after.target.grams : 0, 6)
})

test('grams of the line everything hangs on move everything', () => {
  const target: Target = { kind: 'line', lineId: 'milk', grams: 50 }
  const before = solve({ formula: rich, target })
  const after = edit(rich, 'milk', 'grams', 100, target)
  expect(solve(after).doughGrams).toBeCloseTo(2 * before.doughGrams, 6)
})

test.each([
  ['water', 'grams', 5000, 'out of reach'],
  ['flour', 'share', 0.9, 'only flour'],
  ['water', 'share', -0.1, 'not a number'],
  ['nobody', 'grams', 10, 'not a number']
] as const)('%s %s of %d is refused: %s', (line, column, value, code) => {
  expect(refusal(simpleFormula(), line, column, value)).toBe(code)
})

test('a flour cannot be more than all of it', () => {
  expect(refusal(rich, 'rye', 'share', 1.2)).toBe('out of reach')
})

test('a formula that cannot be is mended by typing the figure that was wrong', () => {
  const broken = simpleFormula({ levain: 2.9, hydration: 0.4 })
  const after = edit(broken, 'levain', 'share', 0.2)
  expect(solve(after).doughGrams).toBeCloseTo(1000, 6)
})

test('whatever is typed and taken stands in its cell, and nothing else of the size moves', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('milk', 'water', 'salt', 'levain', 'rye', 'white', 'poolish'),
      fc.constantFrom('share' as const, 'grams' as const),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom('total flour' as const, 'dough flour' as const, 'plain' as const),
      (line, column, x, base) => {
        const value = column === 'share' ? x : 400 * x
        const answer = editCell({ formula: { ...rich, base }, target: dough }, line, column, value, context)
        if (!answer.ok) return
        const solved = solveFormula(answer.value.formula, answer.value.target, context)
        if (!solved.ok) return
        const at = solved.value.lines.find((l) => l.id === line)
        expect(column === 'share' ? at?.share : at?.grams).toBeCloseTo(value, column === 'share' ? 7 : 2)
        expect(solved.value.doughGrams).toBeCloseTo(1000, 6)
      }
    )
  )
})
