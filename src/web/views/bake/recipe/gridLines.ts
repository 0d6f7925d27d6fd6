import {
  type BakeDough,
  type Format,
  type FormulaContext,
  type FormulaLine,
  ingredientOfLine,
  ingredientsOf,
  lineName,
  roundDough,
  type SizedFormula,
  type SolvedLine,
  solveFormula
} from '../../../../core'
import { GRID_LINES } from '../../../../words/screens/recipe'
import { scaleOf } from '../../../parts/figures'
import type { GridTotal } from './gridTexts'

/** What the grid is worked out with. */
export interface GridFacts {
  readonly context: FormulaContext
  readonly format: Format
  readonly smallScale: boolean
  readonly levainHydration: number
}

/** One row of the formula grid as words and figures, ready to be drawn. */
export interface GridLine {
  readonly id: string
  readonly name: string
  /** What is told below the name. */
  readonly more: string
  readonly share: string
  readonly grams: string
  /** The % follows from the rest. */
  readonly fixedShare: boolean
}

/** A formula as rows and their sum; while it cannot be, with the shares as they are written. */
export function gridOf({ formula, target }: SizedFormula, facts: GridFacts): { readonly lines: GridLine[]; readonly total: GridTotal } {
  const { context, format, smallScale } = facts
  const exact = solveFormula(formula, target, context)
  const dough: BakeDough | null = exact.ok ? { exact: exact.value, weigh: roundDough(exact.value, smallScale) } : null
  const percent = scaleOf('percent', format).show
  const flours = formula.lines.filter((l) => l.kind === 'flour')
  const parts = flours.reduce((t, l) => t + l.share, 0)
  /** The % of a line while the dough cannot be: as it is written. */
  const written = (line: FormulaLine) =>
    line.kind === 'flour' ? line.share / parts : 'share' in line ? line.share : line.kind === 'water' ? formula.hydration : formula.salt
  const lines = formula.lines.map((line, i): GridLine => {
    const solved = dough?.exact.lines[i]
    const weigh = dough?.weigh.lines[i]
    const ingredient = context.pantry.get(ingredientOfLine(line) ?? '')
    const plainName = lineName(line, context.pantry) ?? GRID_LINES.notInThisKitchenAny
    const name = line.kind === 'levain' ? `${plainName}, ${format.percent(facts.levainHydration, 0)}` : plainName
    return {
      id: line.id,
      name,
      more: moreOf(line, solved, allergenWords(name, ingredient?.allergens ?? []), context, format),
      share: percent(solved?.share ?? written(line)),
      grams: weigh === undefined ? '' : format.massFigure(weigh.grams, weigh.resolution),
      fixedShare: line.kind === 'flour' && flours.length === 1
    }
  })
  return { lines, total: { share: dough === null ? '' : percent(dough.exact.divisor), grams: dough === null ? '' : format.massFigure(dough.weigh.doughGrams) } }
}

/** Allergens that the name does not tell; gluten stands on the card beside. */
function allergenWords(name: string, allergens: readonly string[]): string {
  const told = allergens.filter((a) => a !== 'gluten' && !name.toLowerCase().includes(a))
  return told.length === 0 ? '' : GRID_LINES.contains(told.join(', '))
}

/** What a pre-ferment takes out of the flour and water above it adds nothing to the column. */
function countedAbove(line: FormulaLine, { pantry }: FormulaContext): string {
  if (line.kind !== 'pre-ferment') return ''
  return ingredientsOf(line.mix).some((id) => pantry.get(id)?.kind === 'flour') ? GRID_LINES.flourCountedAbove : GRID_LINES.waterCountedAbove
}

function moreOf(line: FormulaLine, solved: SolvedLine | undefined, allergens: string, context: FormulaContext, format: Format): string {
  const ahead = solved !== undefined && solved.ahead > 0.05 ? GRID_LINES.andAhead(format.mass(solved.ahead)) : ''
  const unsure = line.estimate === undefined ? '' : GRID_LINES.untilWeighed(Math.max(Math.round(line.estimate * 100), 1))
  return [unsure, ahead, countedAbove(line, context), allergens].filter((x) => x !== '').join(' · ')
}
