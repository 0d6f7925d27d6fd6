import { PANTRY } from '../testing/doughs'
import { CUP_SIZES } from '../units/volume'
import { readRecipe } from './readRecipe'
import { guessBase, type RecipeItem, recipeFormula } from './recipeFormula'

/** A clear recipe as items. */
function itemsOf(text: string): RecipeItem[] {
  return readRecipe(text, PANTRY, CUP_SIZES.metric).lines.flatMap((l, i) => {
    if (l.remark) return []
    if (l.ingredient === null || l.quantity === null) throw new Error(`unclear: ${l.text}`)
    const percent = l.quantity.kind === 'percent' ? l.quantity.value : (l.percent?.value ?? null)
    return [{ id: `l${i}`, ingredient: l.ingredient, grams: l.quantity.grams, percent }]
  })
}
const formulaOf = (text: string, hydration?: number) => {
  const answer = recipeFormula(itemsOf(text), PANTRY, hydration)
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.value
}

// 621 + 110 strong and spelt, 484 water, 278 levain at 100 %, 18.3 salt: 870 flour, 623 water
const LANTERN = '621 g strong flour\n110 g spelt flour\n484 g water\n278 g levain\n18.3 g salt'

test('masses become a formula that weighs the same, and its truth', () => {
  const { solved, formula, target } = formulaOf(LANTERN)
  expect(target).toEqual({ kind: 'dough', grams: expect.closeTo(1511.3, 6) })
  expect(solved.lines.map((l) => Math.round(l.grams * 10) / 10)).toEqual([621, 110, 484, 278, 18.3])
  expect(solved.truth.hydration).toBeCloseTo(623 / 870, 9)
  expect(solved.truth.salt).toBeCloseTo(18.3 / 870, 9)
  expect(formula.doughKind).toBe('wheat')
})

test('a stiff starter is counted as it is', () => {
  // 278 g at 50 %: 185.3 flour, 92.7 water
  expect(formulaOf(LANTERN, 0.5).solved.truth.hydration).toBeCloseTo((484 + 278 / 3) / (731 + (278 * 2) / 3), 9)
})

test('what was measured by cup stays marked', () => {
  const { formula } = formulaOf('500 g strong flour\n1 cup rye\n350 g water\n2 tsp salt\n100 g levain')
  const marks = Object.fromEntries(formula.lines.map((l) => [l.kind === 'flour' ? l.ingredientId : l.kind, l.estimate]))
  expect(marks).toEqual({ 'strong white': undefined, rye: expect.closeTo(0.1, 9), water: undefined, levain: undefined, salt: expect.closeTo(2.5 / 23.5, 9) })
})

test.each([
  ['300 g rye\n260 g water\n6 g salt\n100 g levain', 'rye tin'],
  ['300 g buckwheat\n300 g water\n6 g salt\n100 g levain', 'gluten-free'],
  ['500 g strong flour\n3 eggs\n80 g butter\n100 g water\n9 g salt\n100 g levain', 'enriched']
])('%j is a %s dough', (text, kind) => {
  expect(formulaOf(text).formula.doughKind).toBe(kind)
})

test.each([
  ['300 g water\n6 g salt', 'no flour'],
  ['300 g rye\n6 g salt', 'no water']
])('%j has %s', (text, code) => {
  const answer = recipeFormula(itemsOf(text), PANTRY)
  expect(answer.ok ? '' : answer.problem.code).toBe(code)
})

test('percentages alone make a kilogram of dough', () => {
  const { solved } = formulaOf('Strong flour 100 %\nWater 70 %\nSalt 2 %\nLevain 28 %')
  expect(solved.doughGrams).toBeCloseTo(1000, 9)
  expect(solved.lines[0]?.grams).toBeCloseTo(500, 9)
})

describe('what base it is written in', () => {
  const guess = (text: string) => guessBase(itemsOf(text), formulaOf(text))
  test('by the percentages beside the masses', () => {
    // Dough flour 731: water 66.2 % literal; counted it would be 71.6 %.
    expect(guess('731 g strong flour 100 %\n484 g water 66.2 %\n278 g levain 38 %\n18.3 g salt 2.5 %')).toEqual({ base: 'plain', because: 'percentages' })
    expect(guess('731 g strong flour\n484 g water 71.6 %\n278 g levain 16 %\n18.3 g salt 2.1 %')).toEqual({ base: 'total flour', because: 'percentages' })
    expect(guess('731 g strong flour\n484 g water 71.6 %\n278 g levain 38 %\n18.3 g salt 2.1 %')).toEqual({ base: 'dough flour', because: 'percentages' })
  })
  test('by figures that are round in one base only', () => {
    // 1000 flour, 700 water, 200 levain, 20 salt: 70 % and 2 % as written, 72.7 and 1.8 in truth
    expect(guess('1000 g strong flour\n700 g water\n200 g levain\n20 g salt')).toEqual({ base: 'plain', because: 'round figures' })
  })
  test('without a levain all bases say the same', () => {
    expect(guess('1000 g strong flour\n700 g water\n20 g salt')).toBeNull()
  })
})
