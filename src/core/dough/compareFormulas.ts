import type { SolvedDough } from './solveFormula'

/** One line of two doughs side by side: in grams as they are, and in shares of all flour so that size and base do not matter. */
export interface ComparedLine {
  readonly name: string
  readonly left: ComparedAmount | null
  readonly right: ComparedAmount | null
}

/** How much of something a dough has. */
export interface ComparedAmount {
  /** Of all flour. */
  readonly share: number
  readonly grams: number
}

/**
 * Two doughs side by side; flour, water and salt with what goes into pre-ferments.
 * @returns every ingredient of either with its grams and share, in the order of the left one, then what only the right one has
 */
export function compareFormulas(left: SolvedDough, right: SolvedDough): ComparedLine[] {
  const amounts = ({ lines, truth }: SolvedDough) => {
    const sums = new Map<string, ComparedAmount>()
    for (const line of lines) {
      const grams = (sums.get(line.name)?.grams ?? 0) + line.grams + line.ahead
      sums.set(line.name, { grams, share: grams / truth.flourGrams })
    }
    return sums
  }
  const [l, r] = [amounts(left), amounts(right)]
  return [...new Set([...l.keys(), ...r.keys()])].map((name) => ({ name, left: l.get(name) ?? null, right: r.get(name) ?? null }))
}
