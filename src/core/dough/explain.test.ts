import { contextWith, richFormula, simpleFormula } from '../testing/doughs'
import { explainLine } from './explain'
import { PERCENTAGE_BASES } from './formula'
import { solveFormula } from './solveFormula'

test('484 g of water: so much wanted on all flour, less what the levain brings', () => {
  // D 1480, dough flour, levain 27 % at 125 %: base 750.39; all flour 750.39 + 90.05 = 840.43; 74 % of it 621.92; 112.56 in the levain
  const formula = simpleFormula()
  const answer = solveFormula(formula, { kind: 'dough', grams: 1480 }, contextWith(1.25))
  if (!answer.ok) throw new Error(answer.problem.code)
  const steps = explainLine(formula, answer.value, 'water')
  expect(steps[0]).toMatchObject({ kind: 'share of', of: 'all flour', share: 0.74, grams: expect.closeTo(621.92, 1) })
  expect(steps[1]).toMatchObject({ kind: 'comes with', name: 'Levain', grams: expect.closeTo(-112.56, 1) })
})

test.each(PERCENTAGE_BASES)('%s: the steps of every line sum to what is weighed', (base) => {
  const formula = richFormula(base, base === 'total flour' ? 0.12 : 0.27, 'poolish and soaker')
  const answer = solveFormula(formula, { kind: 'dough', grams: 1500 }, contextWith(1.25))
  if (!answer.ok) throw new Error(answer.problem.code)
  for (const line of answer.value.lines) {
    const sum = explainLine(formula, answer.value, line.id).reduce((t, s) => t + s.grams, 0)
    expect(sum).toBeCloseTo(line.grams, 6)
  }
})

test('a line that is not there has nothing to tell', () => {
  const formula = simpleFormula()
  const answer = solveFormula(formula, { kind: 'dough', grams: 1000 }, contextWith(1))
  expect(answer.ok && explainLine(formula, answer.value, 'gone')).toEqual([])
})
