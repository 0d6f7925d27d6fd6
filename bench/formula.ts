import {
  BUILT_IN_INGREDIENTS,
  CUP_SIZES,
  editCell,
  type Formula,
  type FormulaLine,
  formulaJson,
  formulaMarkdown,
  levainOf,
  type Mix,
  PERCENTAGE_BASES,
  pantryOf,
  portableFormula,
  readRecipe,
  recogniseImport,
  restate,
  roundDough,
  solveFormula,
  usualMix
} from '../src/core'
import { heading, report, timed } from './report'

/** A formula of 30 lines with four pre-ferments, each with another within. */
export function largeFormula(): Formula {
  const nested = (outer: Mix): Mix => ({ ...outer, parts: [...outer.parts, { mix: usualMix('scald', 'rye'), parts: 20 }, { ingredientId: 'milk', parts: 4 }] })
  const flours = ['strong white', 'rye', 'spelt', 'wholegrain wheat', 'durum']
  const extras = BUILT_IN_INGREDIENTS.filter((i) => ['seed', 'spice', 'fruit', 'sweet', 'fat', 'dairy'].includes(i.kind)).slice(0, 18)
  const lines: FormulaLine[] = [
    ...flours.map((ingredientId): FormulaLine => ({ id: ingredientId, kind: 'flour', ingredientId, share: ingredientId === 'strong white' ? 6 : 1 })),
    { id: 'water', kind: 'water' },
    { id: 'salt', kind: 'salt' },
    { id: 'levain', kind: 'levain', share: 0.2 },
    ...(['poolish', 'biga', 'sponge', 'soaker'] as const).map(
      (style): FormulaLine => ({
        id: style,
        kind: 'pre-ferment',
        style,
        mix: nested(usualMix(style, 'strong white')),
        share: style === 'soaker' ? 0.003 : 0.04
      })
    ),
    ...extras.map((i): FormulaLine => ({ id: i.id, kind: 'extra', ingredientId: i.id, share: 0.004 }))
  ]
  return { base: 'dough flour', doughKind: 'wheat', hydration: 0.74, salt: 0.021, lines, autolyse: true, heldBack: 0.03 }
}

/** Speed of the dough: solving, cells, bases, reading, importing. */
export function benchFormula(): void {
  const pantry = pantryOf(BUILT_IN_INGREDIENTS)
  const context = { pantry, levain: levainOf(1) }
  const formula = largeFormula()
  const target = { kind: 'dough', grams: 1590 } as const
  const answer = solveFormula(formula, target, context)
  if (!answer.ok) throw new Error(answer.problem.code)
  const solved = answer.value
  heading(`Dough of ${formula.lines.length} lines with 4 nested pre-ferments`)
  report(
    'solved',
    timed(2000, () => solveFormula(formula, target, context)),
    'ms',
    3
  )
  report(
    'solved and rounded',
    timed(2000, () => roundDough(solved, true)),
    'ms',
    3
  )
  report(
    'a cell typed in %',
    timed(600, () => editCell({ formula, target }, 'milk', 'share', 0.05, context)),
    'ms',
    3
  )
  report(
    'a cell typed in g',
    timed(200, () => editCell({ formula, target }, 'milk', 'grams', 50, context)),
    'ms',
    3
  )
  report(
    'base changed',
    timed(600, () => PERCENTAGE_BASES.map((base) => restate(formula, solved, base))),
    'ms',
    3
  )

  heading('Reading what somebody else wrote')
  const recipe = '480 g strong flour\n1 1/2 cups rye\n2 tsp salt\n0.5 l water\n100 g levain (100% hydration)\n'
  report(
    'recipe of 5 lines',
    timed(300, () => readRecipe(recipe, pantry, CUP_SIZES.metric)),
    'ms',
    2
  )
  report(
    'the longest that is read, 200 lines',
    timed(40, () => readRecipe(recipe.repeat(80), pantry, CUP_SIZES.metric)),
    'ms',
    1
  )
  const content = { name: 'Large', note: '', formula, target, levain: { hydration: 1, salt: 0, oil: 0, flours: [{ ingredientId: 'rye', share: 1 }] } }
  const portable = portableFormula(content, pantry)
  const json = formulaJson(portable)
  const page = formulaMarkdown({ portable, solved, weigh: roundDough(solved, true) }, pantry)
  report(
    'import of its JSON',
    timed(200, () => recogniseImport(json)),
    'ms',
    2
  )
  report(
    'import of its Markdown',
    timed(200, () => recogniseImport(page)),
    'ms',
    2
  )
}
