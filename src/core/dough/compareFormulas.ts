import type { SolvedDough } from './solveFormula'

/** One line of two doughs side by side, in shares of all flour so that size and base do not matter. */
export interface ComparedLine {
  readonly name: string
  readonly left: number | null
  readonly right: number | null
}

/**
 * Two doughs side by side; flour, water and salt with what goes into pre-ferments.
 * @returns every ingredient of either with its share of all flour, in the order of the left one, then what only the right one has
 */
export function compareFormulas(left: SolvedDough, right: SolvedDough): ComparedLine[] {
  const shares = ({ lines, truth }: SolvedDough) => {
    const sums = new Map<string, number>()
    for (const line of lines) sums.set(line.name, (sums.get(line.name) ?? 0) + (line.grams + line.ahead) / truth.flourGrams)
    return sums
  }
  const [l, r] = [shares(left), shares(right)]
  return [...new Set([...l.keys(), ...r.keys()])].map((name) => ({ name, left: l.get(name) ?? null, right: r.get(name) ?? null }))
}
