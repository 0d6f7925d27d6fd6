import type { BakeDough, Format, Formula, Pantry, SolvedLine } from '../../../../core'
import { scaleOf } from '../../../parts/figures'

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

const shareText = (share: number) => scaleOf('percent', { choice: { mass: 'g', temperature: '°C' } } as Format).show(share)

/** Rows of a formula; while it cannot be, with the shares as they are written. */
export function gridLines(formula: Formula, dough: BakeDough | null, format: Format, pantry: Pantry, levainHydration: number): GridLine[] {
  const onlyFlour = formula.lines.filter((l) => l.kind === 'flour').length === 1
  return formula.lines.map((line): GridLine => {
    const exact = dough?.exact.lines.find((l) => l.id === line.id)
    const weigh = dough?.weigh.lines.find((l) => l.id === line.id)
    const ingredient = pantry.get('ingredientId' in line ? line.ingredientId : line.kind)
    const name =
      line.kind === 'levain'
        ? `Levain, ${format.percent(levainHydration, 0)}`
        : line.kind === 'pre-ferment'
          ? line.mix.name
          : (ingredient?.name ?? 'Not in this kitchen any more')
    return {
      id: line.id,
      name,
      more: moreOf(line.estimate, exact, allergenWords(name, ingredient?.allergens ?? []), format),
      share: shareText(exact?.share ?? ('share' in line ? line.share : line.kind === 'water' ? formula.hydration : formula.salt)),
      grams: weigh === undefined ? '' : format.massFigure(weigh.grams, weigh.resolution),
      fixedShare: line.kind === 'flour' && onlyFlour
    }
  })
}

/** Allergens that the name does not tell; gluten stands on the card below. */
function allergenWords(name: string, allergens: readonly string[]): string {
  const told = allergens.filter((a) => a !== 'gluten' && !name.toLowerCase().includes(a))
  return told.length === 0 ? '' : `contains ${told.join(', ')}`
}

function moreOf(estimate: number | undefined, line: SolvedLine | undefined, allergens: string, format: Format): string {
  const ahead = line !== undefined && line.ahead > 0.05 ? `and ${format.mass(line.ahead)} ahead` : ''
  const unsure = estimate === undefined ? '' : `± ${Math.max(Math.round(estimate * 100), 1)} % until weighed`
  return [unsure, ahead, allergens].filter((x) => x !== '').join(' · ')
}
