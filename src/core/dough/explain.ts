import type { Formula } from './formula'
import type { SolvedDough } from './solveFormula'

/** One step of how a mass came about. */
export type ExplainStep =
  /** A share of some flour. */
  | {
      readonly kind: 'share of'
      readonly share: number
      readonly ofGrams: number
      readonly of: 'base flour' | 'all flour' | 'flour lines'
      readonly grams: number
    }
  /** What already comes with something else. */
  | { readonly kind: 'comes with'; readonly name: string; readonly grams: number }
  /** What goes into a pre-ferment instead. */
  | { readonly kind: 'goes ahead'; readonly grams: number }

/** How the grams of one line came about: steps that sum to it, in the order they are told. */
export function explainLine(formula: Formula, solved: SolvedDough, lineId: string): ExplainStep[] {
  const line = formula.lines.find((l) => l.id === lineId)
  const at = solved.lines.find((l) => l.id === lineId)
  if (line === undefined || at === undefined) return []
  const { baseFlourGrams, truth, addedFlourGrams } = solved
  const ahead: ExplainStep[] = at.ahead > 1e-9 ? [{ kind: 'goes ahead', grams: -at.ahead }] : []
  if (line.kind === 'water' || line.kind === 'salt') {
    const share = line.kind === 'water' ? formula.hydration : formula.salt
    if (formula.base === 'plain') return [{ kind: 'share of', share, ofGrams: baseFlourGrams, of: 'base flour', grams: share * baseFlourGrams }, ...ahead]
    const inside = line.kind === 'water' ? 'water' : 'salt'
    // A pre-ferment's own water and salt are taken out of the dough's; only what its other ingredients hold comes along.
    const along = solved.lines
      .filter((l) => l.kind === 'levain' || l.kind === 'extra' || l.kind === 'pre-ferment')
      .map((l): ExplainStep => ({ kind: 'comes with', name: l.name, grams: -l.grams * l.composition[inside] }))
      .filter((s) => Math.abs(s.grams) > 1e-9)
    return [{ kind: 'share of', share, ofGrams: truth.flourGrams, of: 'all flour', grams: share * truth.flourGrams }, ...along]
  }
  if (line.kind === 'flour') {
    const whole = at.grams + at.ahead
    return [{ kind: 'share of', share: addedFlourGrams > 0 ? whole / addedFlourGrams : 0, ofGrams: addedFlourGrams, of: 'flour lines', grams: whole }, ...ahead]
  }
  if (line.kind === 'levain' && formula.base === 'total flour') {
    const flour = line.share * baseFlourGrams
    return [
      { kind: 'share of', share: line.share, ofGrams: baseFlourGrams, of: 'all flour', grams: flour },
      { kind: 'comes with', name: 'water in the levain', grams: at.grams - flour }
    ]
  }
  if (line.kind === 'pre-ferment') {
    const flour = line.share * baseFlourGrams
    const rest: ExplainStep[] = at.grams - flour > 1e-9 ? [{ kind: 'comes with', name: 'its water and the rest', grams: at.grams - flour }] : []
    return [{ kind: 'share of', share: line.share, ofGrams: baseFlourGrams, of: 'base flour', grams: flour }, ...rest]
  }
  return [{ kind: 'share of', share: line.share, ofGrams: baseFlourGrams, of: 'base flour', grams: at.grams }]
}
