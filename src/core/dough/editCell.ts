import { ok, problem, type Result } from '../units/result'
import type { Formula, FormulaContext, FormulaLine, Target } from './formula'
import { type DoughProblem, type SolvedDough, solveFormula } from './solveFormula'

/** A formula with what is known of its size. */
export interface SizedFormula {
  readonly formula: Formula
  readonly target: Target
}

export type CellColumn = 'share' | 'grams'
export type CellProblem = DoughProblem | 'out of reach' | 'only flour'

const STEPS = 80
const CLOSE = 1e-10
/** Grams that are as good as the ones typed, relative. */
const CLOSE_GRAMS = 1e-7

/**
 * Types a figure into one cell; the size stays what it was and the other cells answer.
 * A share is the line's % cell. Grams ask for the share that gives them; grams of a dough's only flour, or of the line everything is scaled to, set the size.
 * @param sized formula and target before
 * @param lineId which line
 * @param column % or g
 * @param value fraction of the base flour, or g at the mix
 * @returns formula and target after; `out of reach` when no share gives it
 */
export function editCell(sized: SizedFormula, lineId: string, column: CellColumn, value: number, context: FormulaContext): Result<SizedFormula, CellProblem> {
  const { formula, target } = sized
  const line = formula.lines.find((l) => l.id === lineId)
  if (line?.estimate !== undefined) return editCell({ formula: weighed(formula, lineId), target }, lineId, column, value, context)
  if (line === undefined || !Number.isFinite(value) || value < 0) return problem('not a number')
  const solved = solveFormula(formula, target, context)
  if (!solved.ok) return column === 'share' && 'share' in line && line.kind !== 'flour' ? ok({ formula: withShare(formula, line, value), target }) : solved
  if (column === 'grams') {
    if (target.kind === 'line' && target.lineId === lineId) return sizedTo({ ...target, grams: value })
    if (line.kind === 'flour' && formula.lines.filter((l) => l.kind === 'flour').length === 1)
      return sizedTo({ kind: 'added flour', grams: value + (solved.value.lines.find((l) => l.id === lineId)?.ahead ?? 0) })
    if (line.kind === 'levain' && target.kind === 'levain') return sizedTo({ ...target, grams: value })
    return shareForGrams()
  }
  return shared(value, solved.value)

  function sizedTo(next: Target): Result<SizedFormula, CellProblem> {
    return value > 0 ? ok({ formula, target: next }) : problem('dough mass')
  }

  function shared(share: number, at: SolvedDough): Result<SizedFormula, CellProblem> {
    const next = shareEdit(formula, line as FormulaLine, share, at)
    return next.ok ? ok({ formula: next.value, target }) : next
  }

  /** Grams grow with the share, so the share is found between two that enclose it. */
  function shareForGrams(): Result<SizedFormula, CellProblem> {
    const at = solved as { readonly value: SolvedDough }
    const gramsAt = (share: number): number | null => {
      const next = shareEdit(formula, line as FormulaLine, share, at.value)
      if (!next.ok) return null
      const answer = solveFormula(next.value, target, context)
      return answer.ok ? (answer.value.lines.find((l) => l.id === lineId)?.grams ?? 0) : null
    }
    const isFlour = line?.kind === 'flour'
    let [low, lowGrams] = [0, gramsAt(0) ?? 0]
    let high = Math.max(at.value.lines.find((l) => l.id === lineId)?.share ?? 0, 0.01)
    let highGrams = gramsAt(high)
    for (let i = 0; i < STEPS && highGrams !== null && highGrams < value && !(isFlour && high >= mostFlour(at.value)); i++) {
      ;[low, lowGrams] = [high, highGrams]
      high = isFlour ? Math.min(high * 2, mostFlour(at.value)) : high * 2
      highGrams = gramsAt(high)
    }
    // Grams are nearly straight in the share: a chord is close at once, and halving makes sure where it is not.
    for (let i = 0; i < STEPS && high - low > CLOSE * Math.max(high, 1); i++) {
      const chord =
        highGrams === null || highGrams <= lowGrams || i % 4 === 3 ? (low + high) / 2 : low + ((value - lowGrams) * (high - low)) / (highGrams - lowGrams)
      const middle = chord > low && chord < high ? chord : (low + high) / 2
      const grams = gramsAt(middle)
      if (grams !== null && Math.abs(grams - value) <= CLOSE_GRAMS * Math.max(value, 1)) return shared(middle, at.value)
      if (grams !== null && grams < value) [low, lowGrams] = [middle, grams]
      else [high, highGrams] = [middle, grams]
    }
    // Where it ends at an edge of what can be, the edge does not give the grams.
    for (const share of [high, low]) {
      const grams = gramsAt(share)
      if (grams !== null && Math.abs(grams - value) <= 100 * CLOSE_GRAMS * Math.max(value, 1)) return shared(share, at.value)
    }
    return problem('out of reach', { grams: value }, lineId)
  }
}

/** The formula with a line that is no estimate any more. */
export function weighed(formula: Formula, lineId: string): Formula {
  return { ...formula, lines: formula.lines.map((l) => (l.id === lineId ? { ...l, estimate: undefined } : l)) }
}

const mostFlour = (solved: SolvedDough) => solved.addedFlourGrams / solved.baseFlourGrams

function withShare<Line extends FormulaLine & { readonly share: number }>(formula: Formula, line: Line, share: number): Formula {
  return { ...formula, lines: formula.lines.map((l) => (l.id === line.id ? { ...line, share } : l)) }
}

/** The formula whose line has a share in its % cell. */
function shareEdit(formula: Formula, line: FormulaLine, share: number, solved: SolvedDough): Result<Formula, CellProblem> {
  switch (line.kind) {
    case 'water':
    case 'salt': {
      // Linear: more of it on the base flour is so much more on the flour it is counted on.
      const now = solved.lines.find((l) => l.id === line.id)?.share ?? 0
      const flourPerBase = formula.base === 'plain' ? 1 : solved.truth.flourGrams / solved.baseFlourGrams
      const wanted = (line.kind === 'water' ? formula.hydration : formula.salt) + (share - now) / flourPerBase
      return ok({ ...formula, [line.kind === 'water' ? 'hydration' : 'salt']: Math.max(wanted, 0) })
    }
    case 'flour': {
      const most = mostFlour(solved)
      const others = formula.lines.reduce((t, l) => (l.kind === 'flour' && l.id !== line.id ? t + l.share : t), 0)
      if (!(others > 0)) return problem('only flour', {}, line.id)
      if (share > most + 1e-9) return problem('out of reach', { share, most }, line.id)
      const part = Math.min(share / most, 1)
      return ok({
        ...formula,
        lines: formula.lines.map((l) => (l.kind !== 'flour' ? l : { ...l, share: l.id === line.id ? part : (l.share / others) * (1 - part) }))
      })
    }
    default:
      return ok(withShare(formula, line, share))
  }
}
